import { Box, Button, Tab, Tabs, TextField, Typography } from '@mui/material';
import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import type { Failure, WorkSummary, Write } from '../api/client';
import { PageMessage } from '../ui/PageMessage';
import { SaidBar, type Said } from '../ui/SaidBar';
import { CrewFile } from './CrewFile';
import { oneLine } from '../ui/format';
import { useOutbox, type Kind } from './outbox';
import { newId } from './unique';
import { UnsavedWork } from './UnsavedWork';
import { type Does, Row } from './WorkRow';
import { BringInFile } from './BringInFile';

const copyName = (name: string) => oneLine(`${name.slice(0, 113)} (copy)`);
const pageSize = 100;

interface WorkListProps<D> {
  kind: Kind<D>;
  title: string;
  /** Where one is looked at, before its identity. */
  address: string;
  /** What is said, and offered, where there is none. */
  none: string;
  /** Makes a new one. */
  make: ReactNode;
  /** What one holds, in short. */
  lines: (lines: string[]) => ReactNode;
}

/** Everything of one kind that the crew has saved: found by typing, opened, renamed, copied, deleted with undo, restored. */
export function WorkList<D>({ kind, title, address, none, make, lines }: WorkListProps<D>) {
  const { works } = kind;
  const [where, setWhere] = useSearchParams();
  const deleted = where.get('deleted') === 'true';
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const [said, setSaid] = useState<Said | null>(null);
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ['works', kind.kind] });
  const waiting = useOutbox((s) => s.waiting.filter((draft) => draft.kind === kind.kind).length);
  // What has been stored from this browser meanwhile is in the list too.
  useEffect(() => void queries.invalidateQueries({ queryKey: ['works', kind.kind] }), [queries, kind, waiting]);
  const { data, error, isPending, refetch, hasNextPage, fetchNextPage } = useInfiniteQuery({
    queryKey: ['works', kind.kind, deleted, search],
    initialPageParam: 0,
    queryFn: async ({ pageParam }) => {
      const page = await works.list(deleted, pageParam, search);
      if ('kind' in page) {
        throw new Error(page.say);
      }
      return page;
    },
    getNextPageParam: (last, all) => (last.length < pageSize ? undefined : all.length * pageSize),
    placeholderData: keepPreviousData,
    retry: false,
    refetchOnWindowFocus: true,
    refetchInterval: (query) => (query.state.status === 'error' ? 2500 : false),
  });

  const tell = (outcome: Write<D> | Failure | null, done: Said | null) => {
    if (outcome === null || outcome.kind === 'stored') {
      setSaid(done);
    } else if (outcome.kind === 'conflict') {
      setSaid({ text: 'Someone else changed it in this very moment. Try once more.' });
    } else {
      setSaid({ text: `${outcome.say} Nothing was changed.` });
    }
  };
  const setDeleted = async (item: WorkSummary, to: boolean) => {
    const outcome = await works.setDeleted(item.id, to);
    await again();
    tell(
      outcome,
      to ? { text: `“${item.name}” is deleted.`, undo: () => void setDeleted(item, false) } : { text: `“${item.name}” is back.` },
    );
  };
  /** Reads the whole of it and writes it under a name: over itself, or as a new one. */
  const writeAs = async (item: WorkSummary, name: string, id: string, done: Said | null) => {
    const current = await works.read(item.id);
    if (current === null || 'kind' in current) {
      tell(current, null);
      return;
    }
    const outcome = await works.write(id, id === item.id ? current.revision : null, name, current.document);
    await again();
    tell(outcome, done);
  };
  // One for as long as the list stands, so that a row is drawn anew only when it is another.
  const act = useRef<Does>(null!);
  useEffect(() => {
    act.current = {
      rename: (item, name) => void writeAs(item, name, item.id, null),
      duplicate: (item) => void writeAs(item, copyName(item.name), newId(), { text: `“${copyName(item.name)}” is made.` }),
      setDeleted: (item, to) => void setDeleted(item, to),
    };
  });
  const does = useMemo<Does>(
    () => ({
      rename: (item, name) => act.current.rename(item, name),
      duplicate: (item) => act.current.duplicate(item),
      setDeleted: (item, to) => act.current.setDeleted(item, to),
    }),
    [],
  );
  const items = data?.pages.flat() ?? [];

  return (
    <Box sx={{ maxWidth: 980, mx: 'auto', p: { xs: 1, md: 3 } }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mb: 1 }}>
        <Typography variant="h1" sx={{ flex: 1, minWidth: 200 }}>
          {title}
        </Typography>
        <BringInFile kind={kind} address={address} tell={(text) => setSaid({ text })} />
        {make}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 2, mb: 1 }}>
        <Tabs value={deleted ? 'deleted' : 'current'} onChange={(_, value) => setWhere(value === 'deleted' ? { deleted: 'true' } : {})}>
          <Tab value="current" label="Current" />
          <Tab value="deleted" label="Deleted" />
        </Tabs>
        <TextField
          size="small"
          type="search"
          placeholder="Find by name or note"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          slotProps={{ htmlInput: { 'aria-label': 'Find by name or note', maxLength: 200 } }}
          sx={{ flex: '1 1 220px' }}
        />
      </Box>
      <UnsavedWork kind={kind.kind} address={address} />
      {error ? (
        <PageMessage title="The list cannot be shown now" text={`${error.message} It is tried again by itself; what is open goes on.`}>
          <Button variant="contained" onClick={() => void refetch()}>
            Try again
          </Button>
        </PageMessage>
      ) : isPending ? null : items.length === 0 ? (
        <PageMessage
          title={search !== '' ? 'Nothing has these words' : deleted ? 'Nothing is deleted' : 'There is nothing yet'}
          text={
            search !== ''
              ? `No name and no note holds “${search}”. Fewer letters find more.`
              : deleted
                ? 'What you delete waits here and can be brought back.'
                : none
          }
        />
      ) : (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
          {items.map((item) => (
            <Row key={item.id} item={item} address={`${address}/${item.id}`} storedAt={works.storedAt(item.id)} lines={lines} does={does} />
          ))}
        </Box>
      )}
      {hasNextPage && (
        <Button sx={{ mt: 2 }} onClick={() => void fetchNextPage()}>
          Show more
        </Button>
      )}
      <CrewFile />
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </Box>
  );
}
