import { Alert, InputBase } from '@mui/material';
import { memo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { WorkSummary } from '../api/client';
import { oneLine, when } from '../ui/format';
import { DeleteIcon, DuplicateIcon, RenameIcon } from '../ui/icons';
import { Card } from './WorkList';

interface RowProps {
  item: WorkSummary;
  address: string;
  storedAt: string;
  lines: (lines: string[]) => ReactNode;
  does: Does;
}

/** What can be done with one. */
export interface Does {
  rename: (item: WorkSummary, name: string) => void;
  duplicate: (item: WorkSummary) => void;
  setDeleted: (item: WorkSummary, to: boolean) => void;
}

export const Row = memo(function Row({ item, address, storedAt, lines, does }: RowProps) {
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
          lines(item.lines)
        ) : (
          <Alert severity="warning" variant="outlined" sx={{ mt: 0.5, py: 0 }}>
            This version cannot read it. Nothing of it is lost: take it out as it is, or leave it for a version that can.
          </Alert>
        )}
      </div>
      <div className="acts">
        <span>{item.deletedAt == null ? when(item.updatedAt) : `deleted ${when(item.deletedAt)}`}</span>
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
});

function Action({ label, title, icon, onClick }: { label: string; title: string; icon: ReactNode; onClick: () => void }) {
  return (
    <button aria-label={label} title={title} onClick={onClick}>
      {icon}
    </button>
  );
}
