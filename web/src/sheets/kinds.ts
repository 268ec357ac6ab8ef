import { newId } from '../documents/unique';
import type { Sheet, SheetKind } from './facts';

/** What each kind of sheet is called, and what it is for. */
export const kinds: Record<SheetKind, { name: string; what: string; help: string }> = {
  frames: { name: 'Frames', what: 'Frames', help: 'Pictures with settings, to approve or to remark on' },
  row: {
    name: 'Row',
    what: 'Row of focal lengths',
    help: 'A body or two through a row of focal lengths, from one place and at one framing',
  },
  lens: { name: 'Lens sheet', what: 'Lens sheet', help: 'What each rig sees and keeps sharp, by distance and aperture' },
  shots: { name: 'Shot list', what: 'Shot list', help: 'Shots in order with rigs and settings, and a plan of each place' },
  pack: { name: 'Packing list', what: 'Packing list', help: 'What goes into a bag, to tick off' },
  test: { name: 'Test plan', what: 'Test plan', help: 'What to measure before the day, with columns to fill in' },
  scales: { name: 'Scales', what: 'Scales at true size', help: 'Strips of distances and a focus chart, to print at true size' },
};

/** A sheet of a kind, as it is first made. */
export const newSheet = (kind: SheetKind): Sheet => ({
  id: newId(),
  kind,
  title: '',
  note: '',
  paper: 'a4',
  isLandscape: kind === 'frames' || kind === 'row',
  decimalSign: 'point',
  columns: [],
  order: 'shooting',
  unit: '',
  items: [],
  focalLengthsMm: [],
  distancesMm: [],
  fNumbers: [],
  stripLengthMm: 170,
});
