import { Alert, InputBase } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { WorkSummary } from '../api/client';
import { oneLine, when } from '../ui/format';
import { DeleteIcon, DuplicateIcon, RenameIcon } from '../ui/icons';

interface RowProps {
  item: WorkSummary;
  address: string;
  storedAt: string;
  /** What kind of work it is. */
  word: string;
  /** It in small. */
  picture: ReactNode;
  /** What it holds, in short. */
  lines: ReactNode;
  does: Does;
}

/** Pictures and lines follow from the piece itself. */
const isSame = (a: RowProps, b: RowProps): boolean =>
  a.item.id === b.item.id && a.item.revision === b.item.revision && a.item.deletedAt === b.item.deletedAt && a.does === b.does;

/** What can be done with one. */
export interface Does {
  rename: (item: WorkSummary, name: string) => void;
  duplicate: (item: WorkSummary) => void;
  setDeleted: (item: WorkSummary, to: boolean) => void;
}

export const Row = memo(function Row({ item, address, storedAt, word, picture, lines, does }: RowProps) {
  const [renaming, setRenaming] = useState<string | null>(null);
  const finish = () => {
    const name = renaming?.trim() ?? '';
    setRenaming(null);
    if (name !== '' && name !== item.name) {
      does.rename(item, name);
    }
  };
  const readable = item.canBeRead;
  return (
    <Card>
      {picture}
      <div className="what">
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
          <Link className="name" to={address}>
            {item.name}
          </Link>
        ) : (
          <div className="name">{item.name}</div>
        )}
        {item.note !== '' && <p>{item.note}</p>}
        {readable ? (
          lines
        ) : (
          <Alert severity="warning" variant="outlined" sx={{ mt: 0.5, py: 0 }}>
            This version cannot read it. Nothing of it is lost: take it out as it is, or leave it for a version that can.
          </Alert>
        )}
      </div>
      <div className="acts">
        <span>
          {word} · {item.deletedAt == null ? when(item.updatedAt) : `deleted ${when(item.deletedAt)}`}
        </span>
        {!readable && (
          <a href={storedAt} download={`${item.id}.json`}>
            Take it out
          </a>
        )}
        {item.deletedAt == null ? (
          <>
            {readable && (
              <>
                <Link to={address}>Open</Link>
                <Action label={`Rename ${item.name}`} title="Rename" onClick={() => setRenaming(item.name)} icon={<RenameIcon />} />
                <Action label={`Duplicate ${item.name}`} title="Duplicate" onClick={() => does.duplicate(item)} icon={<DuplicateIcon />} />
              </>
            )}
            <Action label={`Delete ${item.name}`} title="Delete" onClick={() => does.setDeleted(item, true)} icon={<DeleteIcon />} />
          </>
        ) : (
          <button onClick={() => does.setDeleted(item, false)}>Restore</button>
        )}
      </div>
    </Card>
  );
}, isSame);

function Action({ label, title, icon, onClick }: { label: string; title: string; icon: ReactNode; onClick: () => void }) {
  return (
    <button aria-label={label} title={title} onClick={onClick}>
      {icon}
    </button>
  );
}

/** Styled once: a hundred rows with buttons styled one by one take a second to draw. */
const Card = styled('li')(({ theme }) => ({
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'start',
  gap: 8,
  padding: 12,
  background: theme.vars!.palette.background.paper,
  border: `1px solid ${theme.vars!.palette.divider}`,
  borderRadius: 4,
  contentVisibility: 'auto',
  containIntrinsicSize: 'auto 110px',
  '& .what': { flex: '1 1 280px', minWidth: 0 },
  '& .name': { fontWeight: 650, fontSize: 16, overflowWrap: 'anywhere', display: 'inline-block', padding: '4px 0' },
  '& a': { color: theme.vars!.palette.primary.main },
  '& p': { margin: 0, maxWidth: 640, color: theme.vars!.palette.text.secondary },
  '& .acts': { display: 'flex', alignItems: 'center', flexWrap: 'wrap', gap: 4, marginLeft: 'auto' },
  '& .acts span': { fontSize: 14, whiteSpace: 'nowrap', marginRight: 8, color: theme.vars!.palette.text.secondary },
  '& .acts a, & .acts button': {
    minWidth: 40,
    minHeight: 40,
    padding: 8,
    display: 'inline-flex',
    alignItems: 'center',
    border: 0,
    borderRadius: 4,
    background: 'none',
    font: 'inherit',
    fontWeight: 600,
    textDecoration: 'none',
    cursor: 'pointer',
    color: theme.vars!.palette.primary.main,
    '&:hover': { background: theme.vars!.palette.background.default },
    '&:focus-visible': { outline: `2px solid ${theme.vars!.palette.primary.main}` },
  },
  '& .acts button svg': { color: theme.vars!.palette.text.secondary },
}));
