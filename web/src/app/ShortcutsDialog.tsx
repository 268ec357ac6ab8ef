import { Button, Dialog, DialogContent, DialogTitle, Table, TableBody, TableCell, TableRow } from '@mui/material';
import { figureFont } from './theme';
import { tourTo } from './tourStore';

const keys: [string, string][] = [
  ['↑ ↓', 'in a field: step the value (aperture by thirds, distance by 10 cm or 3 in)'],
  ['Shift + ↑ ↓', 'larger steps'],
  ['← →', 'on the ground line: move camera, subject or background'],
  ['Enter', 'in a field: tidy what was typed'],
  ['Escape', 'in a field: back to the last good value'],
  ['↑ ↓ ← → then Enter', 'among the figures: go from one to the next, show its working'],
  ['← →', 'among the shots: go from one to the next'],
  ['← → ↑ ↓', 'on the drawing of a place: move the subject, a wall, the distance to keep'],
  ['N', 'on the Brief: a new shot'],
  ['Enter', 'in a text on a sheet: done; on the mark of a shot or a column: what can be done with it'],
  ['/', 'on the Shelf: type to find'],
  ['↑ ↓ then Enter', 'among the gear: go from one to the next, open it'],
  ['Ctrl + Z', 'undo'],
  ['Ctrl + Shift + Z', 'redo'],
  ['Ctrl + K', 'anywhere: find work, shots, places, gear, or what can be done'],
  ['U', 'metres, or feet and inches'],
  ['D', 'Daylight, or Set for a dark stage'],
  ['?', 'this list'],
];

export function ShortcutsDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Table size="small">
          <TableBody>
            {keys.map(([key, what]) => (
              <TableRow key={key}>
                <TableCell sx={{ fontFamily: figureFont, whiteSpace: 'nowrap' }}>{key}</TableCell>
                <TableCell>{what}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <Button
          sx={{ mt: 1 }}
          onClick={() => {
            onClose();
            tourTo(0);
          }}
        >
          Take the tour of four steps
        </Button>
      </DialogContent>
    </Dialog>
  );
}
