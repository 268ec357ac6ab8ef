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
import type { Work } from '../api/client';
import { when } from '../ui/format';
import type { Drafts } from './drafts';
import type { Content, Keeper } from './saving';

const shownAtMost = 8;

/** One thing in which two versions differ, in the words of the screen. */
export interface Difference {
  what: string;
  mine: string;
  theirs: string;
}

interface ConflictDialogProps<D> {
  /** What it is called: comparison, production. */
  word: string;
  /** Where one is looked at, before its identity. */
  address: string;
  mine: Content<D> & { id: string };
  theirs: Work<D>;
  differing: Difference[];
  keeper: Keeper<D>;
  drafts: Drafts<D>;
}

/** Two people changed the same work: shows how the two differ and lets the person choose. Nothing is overwritten before. */
export function ConflictDialog<D>({ word, address, mine, theirs, differing, keeper, drafts }: ConflictDialogProps<D>) {
  const navigate = useNavigate();
  const deleted = theirs.deletedAt != null;

  const keepBoth = () => {
    const copy = crypto.randomUUID();
    drafts.drop(mine.id);
    keeper.openNew(copy, { name: `${mine.name} (my version)`.slice(0, 120), document: mine.document });
    void navigate(`${address}/${copy}`);
  };

  return (
    <Dialog open aria-labelledby="conflict-title" maxWidth="sm" fullWidth>
      <DialogTitle id="conflict-title">
        {deleted ? `Someone deleted this ${word} while you changed it` : `Someone else changed this ${word} too`}
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
        <Button onClick={() => keeper.takeTheirs(theirs)}>{deleted ? 'Let it be deleted' : 'Take theirs'}</Button>
        <Button onClick={keepBoth}>Keep both: mine as a copy</Button>
        <Button variant="contained" onClick={() => keeper.keepMine(theirs)}>
          {deleted ? 'Keep mine, restore it' : 'Keep mine'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
