import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  List,
  ListItemButton,
  ListItemText,
  TextField,
  Typography,
} from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { PastRevision, Work } from '../api/client';
import { useSettings } from '../app/settings';
import { oneLine, when } from '../ui/format';
import type { Telling } from './ConflictDialog';
import type { DocumentHook } from './editing';
import type { Kind } from './outbox';

interface PastDialogProps<D> extends Telling<D> {
  kind: Kind<D>;
  useDocument: DocumentHook<D>;
  onClose: () => void;
}

const causes: Record<PastRevision['cause'], string> = { made: 'Made', edited: 'Changed', deleted: 'Deleted', restored: 'Brought back' };
const shownAtMost = 12;

/** Who changed it and when; any state that it had is looked at and brought back, as a step that undo takes back again. */
export function PastDialog<D>({ kind, useDocument, word, differences, onClose }: PastDialogProps<D>) {
  const id = useDocument((s) => s.id);
  const stored = useDocument((s) => s.base?.revision ?? 0);
  const { writerName, nameWriter } = useSettings();
  const [chosen, setChosen] = useState<number | null>(null);
  const list = useQuery({
    queryKey: ['past', kind.kind, id, stored],
    retry: false,
    queryFn: async () => {
      const found = await kind.works.past(id);
      if ('kind' in found) throw new Error(found.say);
      return found;
    },
  });
  const one = useQuery({
    queryKey: ['past', kind.kind, id, 'one', chosen],
    enabled: chosen !== null,
    retry: false,
    staleTime: Infinity,
    queryFn: async () => {
      const found = await kind.works.pastOne(id, chosen!);
      if ('kind' in found) throw new Error(found.say);
      return found;
    },
  });
  const bringBack = ({ name, document }: Work<D>) => {
    useDocument.getState().beginStep();
    useDocument.getState().change('past', () => ({ name, document }));
    onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="past-title" maxWidth="sm" fullWidth>
      <DialogTitle id="past-title">What was before</DialogTitle>
      <DialogContent>
        {list.error && <Typography>{list.error.message}</Typography>}
        {list.data?.length === 0 && <Typography>Nothing of this {word} was kept yet. From the next change on there is.</Typography>}
        <List component="div" role="group" dense disablePadding aria-label="States that it had" sx={{ maxHeight: 300, overflowY: 'auto' }}>
          {list.data?.map((past) => (
            <ListItemButton key={past.revision} selected={past.revision === chosen} onClick={() => setChosen(past.revision)}>
              <ListItemText
                primary={`${causes[past.cause]} ${when(past.at)}${past.revision === stored ? ' · as it is stored now' : ''}`}
                secondary={[whose(past), past.name].filter(Boolean).join(' · ')}
              />
            </ListItemButton>
          ))}
        </List>
        {one.error && <Typography>{one.error.message}</Typography>}
        {one.data && <Changes rows={differences(useDocument.getState(), one.data)} />}
        <TextField
          size="small"
          fullWidth
          label="Your name, as others see it here"
          value={writerName}
          onChange={(event) => nameWriter(oneLine(event.target.value))}
          slotProps={{ htmlInput: { maxLength: 40 } }}
          sx={{ mt: 2 }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" disabled={!one.data} onClick={() => one.data && bringBack(one.data)}>
          Bring this state back
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Whose it was; of what was there from the beginning nobody is told. */
const whose = ({ by, isYours, cause }: PastRevision) =>
  isYours ? 'in this browser' : by !== '' ? `by ${by}` : cause === 'made' ? '' : 'somebody else';

function Changes({ rows }: { rows: { what: string; mine: string; theirs: string }[] }) {
  return (
    <>
      <Typography variant="h2" sx={{ fontSize: 15, mt: 1.5 }}>
        {rows.length === 0 ? 'It says the same as now' : 'Brought back, this changes'}
      </Typography>
      {rows.slice(0, shownAtMost).map((d) => (
        <Typography key={d.what} variant="body2">
          {d.what}: {d.mine} → {d.theirs}
        </Typography>
      ))}
      {rows.length > shownAtMost && <Typography variant="body2">and {rows.length - shownAtMost} more</Typography>}
    </>
  );
}
