import { Button, Snackbar } from '@mui/material';

/** Something that was done, and how to take it back. */
export interface Said {
  text: string;
  undo?: (() => void) | undefined;
}

/** Says what was done, for long enough to take it back. */
export function SaidBar({ said, onDone }: { said: Said | null; onDone: () => void }) {
  return (
    <Snackbar
      open={said !== null}
      autoHideDuration={said?.undo ? 12_000 : 6000}
      onClose={(_, reason) => reason !== 'clickaway' && onDone()}
      message={said?.text}
      action={
        said?.undo && (
          <Button
            size="small"
            color="inherit"
            onClick={() => {
              onDone();
              said.undo?.();
            }}
          >
            Undo
          </Button>
        )
      }
    />
  );
}
