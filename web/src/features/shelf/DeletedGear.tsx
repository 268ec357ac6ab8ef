import { Button, Dialog, DialogActions, DialogContent, DialogTitle, List, ListItem, ListItemText, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { memo, useState } from 'react';
import { askAgain, restoreGear, useDeletedGear, useKinds } from '../../gear/shelfApi';
import { when } from '../../ui/format';

/** What was deleted in the last 30 days, to be put back. */
export const DeletedGear = memo(function DeletedGear({ count, onSaid }: { count: number; onSaid: (text: string) => void }) {
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState('');
  const list = useDeletedGear(open);
  const kinds = useKinds();
  const queries = useQueryClient();
  if (count === 0 && !open) {
    return null;
  }
  const putBack = async (id: string, name: string) => {
    const outcome = await restoreGear(id);
    const refused = outcome && 'kind' in outcome;
    setProblem(refused ? outcome.say : '');
    await askAgain(queries);
    if (!refused) {
      onSaid(`“${name}” is on the shelf again.`);
    }
  };
  return (
    <>
      <Button onClick={() => setOpen(true)}>Deleted ({count})</Button>
      <Dialog open={open} onClose={() => setOpen(false)} fullWidth maxWidth="sm" aria-labelledby="deleted-gear">
        <DialogTitle id="deleted-gear">Deleted from the shelf</DialogTitle>
        <DialogContent>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Kept for 30 days, then gone for good.
          </Typography>
          {problem && (
            <Typography role="alert" color="error">
              {problem}
            </Typography>
          )}
          {list.error && <Typography>{list.error.message}</Typography>}
          {list.data?.length === 0 && <Typography>Nothing is left here.</Typography>}
          <List dense disablePadding>
            {list.data?.map((thing) => (
              <ListItem
                key={thing.id}
                disableGutters
                divider
                secondaryAction={<Button onClick={() => void putBack(thing.id, thing.name)}>Put back</Button>}
              >
                <ListItemText
                  primary={thing.name}
                  secondary={`${kinds.find((k) => k.key === thing.kind)?.name ?? thing.kind} · deleted ${when(thing.deletedAt)}`}
                />
              </ListItem>
            ))}
          </List>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  );
});
