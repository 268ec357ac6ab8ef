import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useNavigate } from 'react-router';
import type { Comparison } from '../../api/client';
import { when } from '../../ui/format';
import { useBench } from './benchStore';
import { differences } from './differences';
import { dropDraft } from './drafts';
import { keepMine, openNew, takeTheirs } from './saving';

const shownAtMost = 8;

/** Two people changed the same comparison: shows how the two differ and lets the person choose. Nothing is overwritten before. */
export function ConflictDialog() {
  const theirs = useBench((s) => (s.saving.kind === 'conflict' ? s.saving.theirs : null));
  return theirs && <Choice theirs={theirs} />;
}

function Choice({ theirs }: { theirs: Comparison }) {
  const { name, document, id } = useBench();
  const navigate = useNavigate();
  const differing = differences({ name, document }, theirs);
  const deleted = theirs.deletedAt != null;

  const keepBoth = () => {
    const copy = crypto.randomUUID();
    dropDraft(id);
    openNew(copy, { name: `${name} (my version)`.slice(0, 120), document });
    void navigate(`/bench/${copy}`);
  };

  return (
    <Dialog open aria-labelledby="conflict-title" maxWidth="sm" fullWidth>
      <DialogTitle id="conflict-title">
        {deleted ? 'Someone deleted this comparison while you changed it' : 'Someone else changed this comparison too'}
      </DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1.5 }}>
          Their change was saved {when(theirs.updatedAt)}. Yours is still here and not saved. Nothing is overwritten until you choose.
        </Typography>
        {differing.length === 0 ? (
          <Typography>The two say the same.</Typography>
        ) : (
          <Table size="small">
            <TableHead>
              <TableRow>
                <TableCell>Differs in</TableCell>
                <TableCell>Yours</TableCell>
                <TableCell>Theirs</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {differing.slice(0, shownAtMost).map((d) => (
                <TableRow key={d.what}>
                  <TableCell>{d.what}</TableCell>
                  <TableCell>{d.mine}</TableCell>
                  <TableCell>{d.theirs}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        )}
        {differing.length > shownAtMost && <Typography variant="body2">and {differing.length - shownAtMost} more</Typography>}
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap', gap: 1, p: 2 }}>
        <Button onClick={() => takeTheirs(theirs)}>{deleted ? 'Let it be deleted' : 'Take theirs'}</Button>
        <Button onClick={keepBoth}>Keep both: mine as a copy</Button>
        <Button variant="contained" onClick={() => keepMine(theirs)}>
          {deleted ? 'Keep mine, restore it' : 'Keep mine'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
