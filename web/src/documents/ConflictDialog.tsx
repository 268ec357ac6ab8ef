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
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Work } from '../api/client';
import { oneLine, when } from '../ui/format';
import type { DocumentHook } from './editing';
import type { Content } from './history';
import { merge, withTheirs } from './merging';
import type { Keeper } from './saving';
import { newId } from './unique';

const shownAtMost = 12;

/** One thing in which two versions differ, in the words of the screen. */
export interface Difference {
  what: string;
  mine: string;
  theirs: string;
}

/** How a kind of document is told in words. */
export interface Telling<D> {
  /** What it is called: comparison, production. */
  word: string;
  /** Where one is looked at, before its identity. */
  address: string;
  /** In what two versions differ; empty when they say the same. */
  differences: (mine: Content<D>, theirs: Content<D>) => Difference[];
  /** Members that make sense only as a whole. */
  whole: ReadonlySet<string>;
}

interface ConflictDialogProps<D> extends Telling<D> {
  useDocument: DocumentHook<D>;
  keeper: Keeper<D>;
}

/** Two people changed the same work; nothing is overwritten before somebody has chosen. */
export function ConflictDialog<D>(props: ConflictDialogProps<D>) {
  const theirs = props.useDocument((s) => (s.saving.kind === 'conflict' ? s.saving.theirs : null));
  return theirs && <Choice key={theirs.revision} {...props} theirs={theirs} />;
}

/** Shows how the two differ. What only one changed stands as that one has it; where both changed the same, a person says whose. */
function Choice<D>({ useDocument, keeper, word, address, differences, whole, theirs }: ConflictDialogProps<D> & { theirs: Work<D> }) {
  const navigate = useNavigate();
  const id = useDocument((s) => s.id);
  const name = useDocument((s) => s.name);
  const document = useDocument((s) => s.document);
  const base = useDocument((s) => s.base);
  const [taken, setTaken] = useState<Record<number, boolean>>({});
  const deleted = theirs.deletedAt != null;
  const mine = useMemo(() => ({ name, document }), [name, document]);
  const { merged, overlaps } = useMemo(() => merge(base, mine, theirs, whole), [base, mine, theirs, whole]);
  const before = useMemo(() => base ?? { name: '', document: theirs.document }, [base, theirs]);
  const own = useMemo(() => (base ? differences(mine, before) : []), [differences, mine, before, base]);
  const others = useMemo(() => (base ? differences(before, theirs) : []), [differences, before, theirs, base]);
  const questions = useMemo(
    () => overlaps.map((overlap) => differences(merged, withTheirs(merged, overlap))),
    [overlaps, merged, differences],
  );
  const asked = questions.flatMap((rows, at) => (rows.length > 0 ? [{ at, rows }] : []));
  const result = overlaps.reduce((content, overlap, at) => (taken[at] ? withTheirs(content, overlap) : content), merged);

  const keepBoth = () => {
    const copy = newId();
    keeper.keepBoth(theirs, copy, oneLine(`${name.slice(0, 105)} (my version)`));
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
        {asked.length > 0 ? (
          <>
            <Typography variant="h2" sx={{ fontSize: 15, mb: 0.5 }}>
              You both changed
            </Typography>
            <Table size="small" sx={{ '& td, & th': { px: 1 } }}>
              <TableHead>
                <TableRow>
                  <TableCell>What</TableCell>
                  <TableCell>Yours</TableCell>
                  <TableCell>Theirs</TableCell>
                  <TableCell>Whose to keep</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {asked.map(({ at, rows }) =>
                  rows.slice(0, shownAtMost).map((d, row) => (
                    <TableRow key={`${at} ${d.what}`}>
                      <TableCell>{d.what}</TableCell>
                      <TableCell sx={{ fontWeight: taken[at] ? 400 : 650 }}>{d.mine}</TableCell>
                      <TableCell sx={{ fontWeight: taken[at] ? 650 : 400 }}>{d.theirs}</TableCell>
                      <TableCell>
                        {row === 0 && (
                          <ToggleButtonGroup
                            exclusive
                            size="small"
                            aria-label={`Whose to keep: ${d.what}`}
                            value={taken[at] ? 'theirs' : 'mine'}
                            onChange={(_, value: 'mine' | 'theirs' | null) => value && setTaken({ ...taken, [at]: value === 'theirs' })}
                          >
                            <ToggleButton value="mine">Yours</ToggleButton>
                            <ToggleButton value="theirs">Theirs</ToggleButton>
                          </ToggleButtonGroup>
                        )}
                      </TableCell>
                    </TableRow>
                  )),
                )}
              </TableBody>
            </Table>
          </>
        ) : (
          <Typography>You changed different things; they go together.</Typography>
        )}
        <Changes title="Only you changed" rows={own} but={asked} show={(d) => `${d.theirs} → ${d.mine}`} />
        <Changes title="Only they changed" rows={others} but={asked} show={(d) => `${d.mine} → ${d.theirs}`} />
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap', gap: 1, p: 2 }}>
        <Button onClick={() => keeper.takeTheirs(theirs)}>{deleted ? 'Let it be deleted' : 'All theirs'}</Button>
        <Button onClick={() => keeper.keepMine(theirs)}>{deleted ? 'Keep mine, restore it' : 'All mine'}</Button>
        <Button onClick={keepBoth} disabled={id === ''}>
          Mine as a copy
        </Button>
        {!deleted && (
          <Button variant="contained" onClick={() => keeper.keepMerged(theirs, result)}>
            {asked.length > 0 ? 'Keep what is chosen' : 'Keep both changes'}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

interface ChangesProps {
  title: string;
  rows: Difference[];
  /** What is asked about above. */
  but: { rows: Difference[] }[];
  show: (difference: Difference) => string;
}

function Changes({ title, rows, but, show }: ChangesProps) {
  const asked = new Set(but.flatMap(({ rows }) => rows.map((d) => d.what)));
  const alone = rows.filter((d) => !asked.has(d.what));
  if (alone.length === 0) {
    return null;
  }
  return (
    <>
      <Typography variant="h2" sx={{ fontSize: 15, mt: 1.5 }}>
        {title}
      </Typography>
      {alone.slice(0, shownAtMost).map((d) => (
        <Typography key={d.what} variant="body2">
          {d.what}: {show(d)}
        </Typography>
      ))}
      {alone.length > shownAtMost && <Typography variant="body2">and {alone.length - shownAtMost} more</Typography>}
    </>
  );
}
