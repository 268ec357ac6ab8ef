import { Alert, Box, Button, IconButton, InputBase, Paper, Tab, Tabs, TextField, Tooltip, Typography } from '@mui/material';
import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useRef, useState, type ReactNode } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Failure, WorkSummary, Write } from '../api/client';
import { oneLine, when } from '../ui/format';
import { DeleteIcon, DuplicateIcon, RenameIcon, RestoreIcon } from '../ui/icons';
import { PageMessage } from '../ui/PageMessage';
import { SaidBar, type Said } from '../ui/SaidBar';
import { CrewFile } from './CrewFile';
import { startWork, useOutbox, type Kind } from './outbox';
import { newId } from './unique';
import { UnsavedWork } from './UnsavedWork';
import { readWorkFile } from './workFile';

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
            <Row
              key={item.id}
              item={item}
              address={`${address}/${item.id}`}
              storedAt={works.storedAt(item.id)}
              lines={lines}
              onRename={(name) => void writeAs(item, name, item.id, null)}
              onDuplicate={() => void writeAs(item, copyName(item.name), newId(), { text: `“${copyName(item.name)}” is made.` })}
              onDelete={() => void setDeleted(item, true)}
              onRestore={() => void setDeleted(item, false)}
            />
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

const copyName = (name: string) => `${name.slice(0, 113)} (copy)`;

/** Takes up a file that was taken out elsewhere, as new work. */
function BringInFile<D>({ kind, address, tell }: { kind: Kind<D>; address: string; tell: (text: string) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const bring = async (file: File) => {
    const read = await readWorkFile<D>(kind.kind, file);
    const document = typeof read === 'string' ? null : await kind.upgraded(read.document);
    if (typeof read === 'string') {
      tell(read);
    } else if (document === null) {
      tell(`${file.name} is of a shape that this version does not read.`);
    } else {
      const id = await startWork(kind, { name: read.name, document });
      void navigate(`${address}/${id}`);
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label="A file to bring in"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void bring(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>Bring in a file</Button>
    </>
  );
}

interface RowProps {
  item: WorkSummary;
  address: string;
  storedAt: string;
  lines: (lines: string[]) => ReactNode;
  onRename: (name: string) => void;
  onDuplicate: () => void;
  onDelete: () => void;
  onRestore: () => void;
}

function Row({ item, address, storedAt, lines, onRename, onDuplicate, onDelete, onRestore }: RowProps) {
  const [renaming, setRenaming] = useState<string | null>(null);
  const finish = () => {
    const name = renaming?.trim() ?? '';
    setRenaming(null);
    if (name !== '' && name !== item.name) {
      onRename(name);
    }
  };
  const readable = item.canBeRead;
  return (
    <Paper
      component="li"
      sx={{ p: 1.5, border: 1, borderColor: 'divider', display: 'flex', gap: 1, alignItems: 'start', flexWrap: 'wrap' }}
    >
      <Box sx={{ flex: '1 1 280px', minWidth: 0 }}>
        {renaming !== null ? (
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
        ) : readable ? (
          <Typography
            component={Link}
            to={address}
            sx={{ fontWeight: 650, fontSize: 16, color: 'primary.main', overflowWrap: 'anywhere', display: 'inline-block', py: 0.5 }}
          >
            {item.name}
          </Typography>
        ) : (
          <Typography sx={{ fontWeight: 650, fontSize: 16, overflowWrap: 'anywhere', py: 0.5 }}>{item.name}</Typography>
        )}
        {item.note !== '' && <Typography sx={{ color: 'text.secondary', maxWidth: 640 }}>{item.note}</Typography>}
        {readable ? (
          lines(item.lines)
        ) : (
          <Alert severity="warning" variant="outlined" sx={{ mt: 0.5, py: 0 }}>
            This version cannot read it. Nothing of it is lost: take it out as it is, or leave it for a version that can.
          </Alert>
        )}
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', flexWrap: 'wrap', gap: 0.5, ml: 'auto' }}>
        <Typography variant="body2" sx={{ color: 'text.secondary', mr: 1, whiteSpace: 'nowrap' }}>
          {item.deletedAt == null ? when(item.updatedAt) : `deleted ${when(item.deletedAt)}`}
        </Typography>
        {!readable && (
          <Button component="a" href={storedAt} download={`${item.id}.json`}>
            Take it out
          </Button>
        )}
        {item.deletedAt == null ? (
          <>
            {readable && (
              <>
                <Button component={Link} to={address}>
                  Open
                </Button>
                <Action label={`Rename ${item.name}`} title="Rename" onClick={() => setRenaming(item.name)} icon={<RenameIcon />} />
                <Action label={`Duplicate ${item.name}`} title="Duplicate" onClick={onDuplicate} icon={<DuplicateIcon />} />
              </>
            )}
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

function Action({ label, title, icon, onClick }: { label: string; title: string; icon: ReactNode; onClick: () => void }) {
  return (
    <Tooltip title={title}>
      <IconButton aria-label={label} onClick={onClick}>
        {icon}
      </IconButton>
    </Tooltip>
  );
}
