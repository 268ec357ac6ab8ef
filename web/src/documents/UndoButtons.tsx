import { Button, Dialog, DialogActions, DialogContent, DialogTitle, IconButton, Tooltip, Typography } from '@mui/material';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { when } from '../ui/format';
import { RedoIcon, UndoIcon } from '../ui/icons';
import type { DocumentHook } from './editing';

/** Undo and redo, by press and by key, also while one types. What somebody else saved is taken back only after a question. */
export function UndoButtons<D>({ useDocument }: { useDocument: DocumentHook<D> }) {
  const canUndo = useDocument((s) => s.past.length > 0);
  const canRedo = useDocument((s) => s.future.length > 0);
  const theirsAt = useDocument((s) => s.past.at(-1)?.theirsAt ?? null);
  const [asking, setAsking] = useState(false);
  const undo = () => (theirsAt === null ? useDocument.getState().undo() : setAsking(true));
  const redo = () => useDocument.getState().redo();
  useHotkeys('mod+z', undo, { enableOnFormTags: true, preventDefault: true }, [theirsAt]);
  useHotkeys('mod+shift+z, mod+y', redo, { enableOnFormTags: true, preventDefault: true });
  return (
    <>
      <Tooltip title={theirsAt === null ? 'Undo (Ctrl+Z)' : 'The step before is somebody else’s (Ctrl+Z asks)'}>
        <span>
          <IconButton aria-label="Undo" onClick={undo} disabled={!canUndo}>
            <UndoIcon />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title="Redo (Ctrl+Shift+Z)">
        <span>
          <IconButton aria-label="Redo" onClick={redo} disabled={!canRedo}>
            <RedoIcon />
          </IconButton>
        </span>
      </Tooltip>
      <Dialog open={asking && theirsAt !== null} onClose={() => setAsking(false)} aria-labelledby="theirs-title" maxWidth="xs" fullWidth>
        <DialogTitle id="theirs-title">This would take back what somebody else did</DialogTitle>
        <DialogContent>
          <Typography>
            The step before was saved by somebody else {theirsAt !== null && when(theirsAt)}. Taken back here, it is taken back for
            everyone; redo brings it again.
          </Typography>
        </DialogContent>
        <DialogActions>
          <Button
            onClick={() => {
              setAsking(false);
              useDocument.getState().undo(true);
            }}
          >
            Take theirs back
          </Button>
          <Button variant="contained" onClick={() => setAsking(false)}>
            Leave it
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
