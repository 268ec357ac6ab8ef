import { IconButton, Tooltip } from '@mui/material';
import { useHotkeys } from 'react-hotkeys-hook';
import { RedoIcon, UndoIcon } from '../ui/icons';

interface UndoButtonsProps {
  canUndo: boolean;
  canRedo: boolean;
  undo: () => void;
  redo: () => void;
}

/** Undo and redo, by press and by key, also while one types. */
export function UndoButtons({ canUndo, canRedo, undo, redo }: UndoButtonsProps) {
  useHotkeys('mod+z', undo, { enableOnFormTags: true, preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', redo, { enableOnFormTags: true, preventDefault: true });
  return (
    <>
      <Tooltip title="Undo (Ctrl+Z)">
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
    </>
  );
}
