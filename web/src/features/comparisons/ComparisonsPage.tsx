import { UnsavedWork } from '../../documents/UnsavedWork';
import { newId } from '../../documents/unique';
import { Box, Button, IconButton, InputBase, Paper, Tab, Tabs, Tooltip, Typography } from '@mui/material';
import { useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { comparisons, type Comparison, type ComparisonDocument, type Summary, type Write } from '../../api/client';
import { figureFont } from '../../app/theme';
import { DeleteIcon, DuplicateIcon, RenameIcon, RestoreIcon } from '../../ui/icons';
import { oneLine, when } from '../../ui/format';
import { PageMessage } from '../../ui/PageMessage';
import { RigMark } from '../../ui/RigMark';
import { SaidBar, type Said } from '../../ui/SaidBar';

const pageSize = 100;
const queryKey = (deleted: boolean) => ['comparisons', deleted];

/** Everything the crew has saved: open, rename, duplicate, delete with undo, restore. */
export function ComparisonsPage() {
  const [deleted, setShowDeleted] = useState(false);
  const [said, setSaid] = useState<Said | null>(null);
  const queries = useQueryClient();
  const { data, error, isPending, refetch, hasNextPage, fetchNextPage } = useInfiniteQuery({
    queryKey: queryKey(deleted),
    initialPageParam: 0,
    queryFn: async ({ pageParam }) => {
      const page = await comparisons.list(deleted, pageParam);
      if ('kind' in page) {
        throw new Error(page.say);
      }
      return page;
    },
    getNextPageParam: (last, all) => (last.length < pageSize ? undefined : all.length * pageSize),
    retry: false,
    refetchOnWindowFocus: true,
  });
  const again = () => queries.invalidateQueries({ queryKey: ['comparisons'] });

  const tell = (outcome: Write<ComparisonDocument> | Comparison, done: Said | null) => {
    if (!('kind' in outcome) || outcome.kind === 'stored') {
      setSaid(done);
    } else if (outcome.kind === 'conflict') {
      setSaid({ text: 'Someone else changed it in this very moment. Try once more.' });
    } else {
      setSaid({ text: `${outcome.say} Nothing was changed.` });
    }
  };

  const remove = async (item: Summary) => {
    const outcome = await comparisons.setDeleted(item.id, true);
    await again();
    tell(outcome, { text: `“${item.name}” is deleted.`, undo: () => void restore(item) });
  };
  const restore = async (item: Summary) => {
    const outcome = await comparisons.setDeleted(item.id, false);
    await again();
    tell(outcome, { text: `“${item.name}” is back.` });
  };
  /** Reads the whole comparison and writes it under a name: over itself, or as a new one. */
  const writeAs = async (item: Summary, name: string, id: string, done: Said | null) => {
    const current = await comparisons.read(item.id);
    if (current === null || 'kind' in current) {
      if (current) tell(current, null);
      return;
    }
    const outcome = await comparisons.write(id, id === item.id ? current.revision : null, name, current.document);
    await again();
    tell(outcome, done);
  };
  const duplicate = (item: Summary) => writeAs(item, copyName(item.name), newId(), { text: `“${copyName(item.name)}” is made.` });
  const rename = (item: Summary, name: string) => writeAs(item, name, item.id, null);

  const items = data?.pages.flat() ?? [];
  return (
    <Box sx={{ maxWidth: 980, mx: 'auto', p: { xs: 1, md: 3 } }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 2, mb: 2 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Saved comparisons
        </Typography>
        <Button variant="contained" component={Link} to="/new">
          New comparison
        </Button>
      </Box>
      <Tabs value={deleted ? 'deleted' : 'current'} onChange={(_, value) => setShowDeleted(value === 'deleted')} sx={{ mb: 1 }}>
        <Tab value="current" label="Current" />
        <Tab value="deleted" label="Deleted" />
      </Tabs>
      <UnsavedWork kind="comparison" address="/bench" />
      {error ? (
        <PageMessage title="The list cannot be shown now" text={`${error.message} The Bench goes on computing all the same.`}>
          <Button variant="contained" onClick={() => void refetch()}>
            Try again
          </Button>
        </PageMessage>
      ) : isPending ? null : items.length === 0 ? (
        <PageMessage
          title={deleted ? 'Nothing is deleted' : 'No comparisons yet'}
          text={
            deleted
              ? 'What you delete waits here and can be brought back.'
              : 'Start one: two rigs side by side. Deleted ones, the demo among them, can be brought back from “Deleted”.'
          }
        />
      ) : (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
          {items.map((item) => (
            <Row
              key={item.id}
              item={item}
              onRename={(name) => void rename(item, name)}
              onDuplicate={() => void duplicate(item)}
              onDelete={() => void remove(item)}
              onRestore={() => void restore(item)}
            />
          ))}
        </Box>
      )}
      {hasNextPage && (
        <Button sx={{ mt: 2 }} onClick={() => void fetchNextPage()}>
          Show more
        </Button>
      )}
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </Box>
  );
}

const copyName = (name: string) => `${name.slice(0, 113)} (copy)`;

interface RowProps {
  item: Summary;
  onRename: (name: string) => void;
  onDuplicate: () => void;
  onDelete: () => void;
  onRestore: () => void;
}

function Row({ item, onRename, onDuplicate, onDelete, onRestore }: RowProps) {
  const [renaming, setRenaming] = useState<string | null>(null);
  const navigate = useNavigate();
  const finish = () => {
    const name = renaming?.trim() ?? '';
    setRenaming(null);
    if (name !== '' && name !== item.name) {
      onRename(name);
    }
  };
  return (
    <Paper
      component="li"
      sx={{ p: 1.5, border: 1, borderColor: 'divider', display: 'flex', gap: 1, alignItems: 'start', flexWrap: 'wrap' }}
    >
      <Box sx={{ flex: '1 1 280px', minWidth: 0 }}>
        {renaming === null ? (
          <Typography
            component={Link}
            to={`/bench/${item.id}`}
            sx={{ fontWeight: 650, fontSize: 16, color: 'primary.main', overflowWrap: 'anywhere', display: 'inline-block', py: 0.5 }}
          >
            {item.name}
          </Typography>
        ) : (
          <InputBase
            autoFocus
            fullWidth
            value={renaming}
            onChange={(event) => setRenaming(oneLine(event.target.value))}
            onBlur={finish}
            onKeyDown={(event) => {
              if (event.key === 'Enter') finish();
              if (event.key === 'Escape') setRenaming(null);
            }}
            inputProps={{ 'aria-label': `New name for ${item.name}`, maxLength: 120 }}
            sx={{ fontWeight: 650, fontSize: 16, border: 1, borderColor: 'primary.main', borderRadius: 1, px: 1 }}
          />
        )}
        {item.note !== '' && <Typography sx={{ color: 'text.secondary', maxWidth: 640 }}>{item.note}</Typography>}
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: 0.75,
            columnGap: 2,
            mt: 0.75,
            alignItems: 'center',
            fontFamily: figureFont,
            fontSize: 13,
          }}
        >
          {item.rigs.map((rig, i) => (
            <Box key={i} sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
              <RigMark index={i} size={20} />
              {rig}
            </Box>
          ))}
        </Box>
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5, ml: 'auto' }}>
        <Typography variant="body2" sx={{ color: 'text.secondary', mr: 1, whiteSpace: 'nowrap' }}>
          {item.deletedAt == null ? when(item.updatedAt) : `deleted ${when(item.deletedAt)}`}
        </Typography>
        {item.deletedAt == null ? (
          <>
            <Button onClick={() => void navigate(`/bench/${item.id}`)}>Open</Button>
            <Action label={`Rename ${item.name}`} title="Rename" onClick={() => setRenaming(item.name)} icon={<RenameIcon />} />
            <Action label={`Duplicate ${item.name}`} title="Duplicate" onClick={onDuplicate} icon={<DuplicateIcon />} />
            <Action label={`Delete ${item.name}`} title="Delete" onClick={onDelete} icon={<DeleteIcon />} />
          </>
        ) : (
          <Button startIcon={<RestoreIcon />} onClick={onRestore}>
            Restore
          </Button>
        )}
      </Box>
    </Paper>
  );
}

function Action({ label, title, icon, onClick }: { label: string; title: string; icon: React.ReactNode; onClick: () => void }) {
  return (
    <Tooltip title={title}>
      <IconButton aria-label={label} onClick={onClick}>
        {icon}
      </IconButton>
    </Tooltip>
  );
}
