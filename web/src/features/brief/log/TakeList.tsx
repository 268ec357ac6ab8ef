import { Box, Button } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useState } from 'react';
import type { Row } from '../../../documents/rows';
import { otherwise, setSaid, type Planned, type Take } from './takes';

/** As many as a day has; earlier ones are shown by a press. */
const shownAtFirst = 60;

const timeOfDay = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

const List = styled('ul')({ listStyle: 'none', margin: 0, padding: 0, display: 'grid', gap: 4 });

const Item = styled('button')(({ theme }) => ({
  width: '100%',
  minHeight: 52,
  padding: '4px 8px',
  display: 'grid',
  gridTemplateColumns: '52px minmax(0, 1fr) auto',
  gap: 8,
  textAlign: 'left',
  alignItems: 'center',
  border: `1px solid ${theme.vars!.palette.divider}`,
  borderRadius: 4,
  background: theme.vars!.palette.background.paper,
  color: 'inherit',
  font: 'inherit',
  fontSize: 14,
  cursor: 'pointer',
  '&[aria-current=true]': { boxShadow: `inset 3px 0 0 ${theme.vars!.palette.primary.main}` },
  '& small': { display: 'block', fontSize: 12.5, color: theme.vars!.palette.text.secondary, overflow: 'hidden', textOverflow: 'ellipsis' },
  '& small.warn': { color: theme.vars!.palette.warning.main },
  '& .number': { fontVariantNumeric: 'tabular-nums' },
  '& .mark': { fontWeight: 650 },
}));

interface TakeListProps {
  rows: Row<Take>[];
  /** How each shot is planned, by its identity. */
  plans: ReadonlyMap<string, Planned>;
  openId: string | null;
  feet: boolean;
  onOpen: (id: string) => void;
}

/** All takes, the newest first, each with what was otherwise than planned. */
export function TakeList({ rows, plans, openId, feet, onOpen }: TakeListProps) {
  const [shown, setShown] = useState(shownAtFirst);
  const newest = rows.slice(-shown).reverse();
  // One from before that stands open goes before them.
  const before = rows.find((row, i) => row.id === openId && i < rows.length - shown);
  const told = before ? [before, ...newest] : newest;
  return (
    <Box>
      <List aria-label="Takes">
        {told.map((row) => (
          <TakeItem
            key={row.id}
            row={row}
            planned={plans.get(row.value.shotId ?? '') ?? null}
            isOpen={row.id === openId}
            feet={feet}
            onOpen={onOpen}
          />
        ))}
      </List>
      {rows.length > newest.length && (
        <Button fullWidth sx={{ minHeight: 52, mt: 0.5 }} onClick={() => setShown(shown + 4 * shownAtFirst)}>
          {rows.length - newest.length} earlier
        </Button>
      )}
    </Box>
  );
}

interface TakeItemProps {
  row: Row<Take>;
  planned: Planned | null;
  isOpen: boolean;
  feet: boolean;
  onOpen: (id: string) => void;
}

const TakeItem = memo(function TakeItem({ row, planned, isOpen, feet, onOpen }: TakeItemProps) {
  const take = row.value;
  const differs = planned ? otherwise(take, planned, feet) : [];
  return (
    <li>
      <Item type="button" aria-current={isOpen} onClick={() => onOpen(row.id)}>
        <span className="number">
          {take.number ?? 1}
          {take.camera ?? 'A'}
          <small>{timeOfDay.format(new Date(take.takenAt))}</small>
        </span>
        <span>
          {take.shotName || 'Not planned'}
          <small>{setSaid(take, feet)}</small>
          {differs.length > 0 && <small className="warn">{differs.join('; ')}</small>}
          {take.note && <small>“{take.note}”</small>}
        </span>
        <span className="mark">
          {take.mark === 'good' ? 'good' : take.mark === 'again' ? 'again' : ''}
          {row.isUnsaved && <small>kept here</small>}
        </span>
      </Item>
    </li>
  );
});
