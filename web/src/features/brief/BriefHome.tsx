import { Alert, Box, Button, List, ListItem, ListItemButton, ListItemText, Typography } from '@mui/material';
import { useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { productions, type ProductionSummary } from '../../api/client';
import { useSettings } from '../../app/settings';
import { coreReady } from '../../core/core';
import { when } from '../../ui/format';
import { PageMessage } from '../../ui/PageMessage';
import { patient } from '../shelf/shelfApi';
import { production } from '../../documents/kinds';
import { isHere } from '../../documents/drafts';
import { UnsavedWork } from '../../documents/UnsavedWork';
import { newId } from '../../documents/unique';
import { productionKeeper } from './saving';
import { productionVersion } from '../../documents/productionVersions';

const pageSize = 100;

/** Where one was last, else the newest production, else all of them. */
export function BriefHome() {
  const navigate = useNavigate();
  useEffect(() => {
    let current = true;
    const { lastProduction } = useSettings.getState();
    void whereToGo(lastProduction).then((id) => current && navigate(id ? `/brief/${id}` : '/briefs', { replace: true }));
    return () => {
      current = false;
    };
  }, [navigate]);
  return <PageMessage title="Opening…" text="Your productions are being looked up." />;
}

/** Where one was last, as long as that is there; else the newest. */
async function whereToGo(last: string | null): Promise<string | undefined> {
  const [list, here] = await Promise.all([productions.list(false, 0), last !== null && isHere(production.kind, last)]);
  const away = 'kind' in list;
  const known = last !== null && (away ? here : list.some((p) => p.id === last));
  return known ? last : away ? undefined : list[0]?.id;
}

/** All productions: to open, to make, to delete and to restore. */
export function ProductionsPage() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [search, setSearch] = useSearchParams();
  const deleted = search.get('deleted') === 'true';
  const { data, error, hasNextPage, fetchNextPage, isPending } = useInfiniteQuery({
    queryKey: ['productions', deleted],
    initialPageParam: 0,
    queryFn: async ({ pageParam }) => {
      const page = await productions.list(deleted, pageParam);
      if ('kind' in page) {
        throw new Error(page.say);
      }
      return page;
    },
    getNextPageParam: (last: ProductionSummary[], all) => (last.length === pageSize ? all.length * pageSize : undefined),
    ...patient,
  });
  const list = data?.pages.flat() ?? [];

  const make = async () => {
    await coreReady;
    const id = newId();
    productionKeeper.openNew(id, {
      name: 'New production',
      document: { schemaVersion: productionVersion, delivery: { aspect: 16 / 9, widthPx: 3840 } },
    });
    void navigate(`/brief/${id}`);
  };
  const setDeleted = async (id: string, to: boolean) => {
    await productions.setDeleted(id, to);
    await queries.invalidateQueries({ queryKey: ['productions'] });
  };

  return (
    <Box sx={{ maxWidth: 760, mx: 'auto', p: 2 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mb: 1 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {deleted ? 'Deleted productions' : 'Productions'}
        </Typography>
        <Button onClick={() => setSearch(deleted ? {} : { deleted: 'true' })}>{deleted ? 'Those that are kept' : 'Deleted ones'}</Button>
        <Button variant="contained" onClick={() => void make()}>
          New production
        </Button>
      </Box>
      <UnsavedWork kind="production" address="/brief" />
      {error && <Alert severity="warning">{error.message} It is tried again by itself.</Alert>}
      {!error && !isPending && list.length === 0 && (
        <Typography sx={{ color: 'text.secondary', py: 3 }}>
          {deleted
            ? 'Nothing was deleted.'
            : 'There is no production yet. Make one: it holds the shots that are wanted and the places where they are filmed.'}
        </Typography>
      )}
      <List disablePadding>
        {list.map((p) => (
          <ListItem
            key={p.id}
            disablePadding
            divider
            secondaryAction={<Button onClick={() => void setDeleted(p.id, !deleted)}>{deleted ? 'Restore' : 'Delete'}</Button>}
          >
            <ListItemButton component={Link} to={`/brief/${p.id}`}>
              <ListItemText
                primary={p.name}
                secondary={`${p.shots} shots, ${p.locations} places · ${when(p.updatedAt)}${p.note ? ` · ${p.note}` : ''}`}
                sx={{ pr: 8 }}
              />
            </ListItemButton>
          </ListItem>
        ))}
      </List>
      {hasNextPage && <Button onClick={() => void fetchNextPage()}>More</Button>}
    </Box>
  );
}
