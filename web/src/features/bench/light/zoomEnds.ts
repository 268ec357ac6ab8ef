import { core, type RigInput, type RigReport, type Setup } from '../../../core/core';
import { fromParts } from '../../../gear/chains';
import { follow, holdNothing, type Hold } from '../holding';
import { wayOf } from './steps';

/** How a zoom is exposed at one of its ends. */
export interface ZoomEnd {
  focalLengthMm: number;
  /** The aperture that it has there with the ring as it is set. */
  fNumber: number;
  /** What is left over, stops; null where the sensitivity is open. */
  end: number | null;
  report: RigReport;
}

/** A zoom whose widest aperture closes as it zooms, at both ends. */
export interface ZoomEnds {
  short: ZoomEnd;
  long: ZoomEnd;
  /** What gives in between so that the light stays. */
  gives: string;
}

/** Both ends of a zoom that is opened wider than its long end opens, from the brightness that ladders begin with; null where the light is the same at both. */
export function endsOf(rig: RigInput, setup: Setup, hold: Hold, startEv: number): ZoomEnds | null {
  const { zoomShortMm, zoomLongMm, widestLongFNumber, widestAlong } = rig.lens ?? {};
  const narrowest = Math.max(widestLongFNumber ?? 0, ...(widestAlong ?? []).map((point) => point.fNumber));
  if (zoomShortMm == null || zoomLongMm == null || zoomShortMm >= zoomLongMm || rig.fNumber >= narrowest * 0.999) {
    return null;
  }
  const { scene } = setup;
  const at = (focalLengthMm: number): RigInput => {
    const zoomed = { ...rig, focalLengthMm };
    return zoomed.chain ? fromParts(zoomed, scene) : zoomed;
  };
  const [short, long] = [at(zoomShortMm), at(zoomLongMm)];
  const two: Setup = {
    ...setup,
    yardstick: '',
    rigs: [
      { ...short, id: 'short' },
      { ...long, id: 'long' },
    ],
  };
  const reports = core().evaluate(two);
  if (!reports) {
    return null;
  }
  const [first, last] = reports;
  const endOf = (i: 0 | 1): ZoomEnd => {
    const report = reports[i]!;
    const way = wayOf(two.rigs[i]!, report, scene, startEv);
    return { focalLengthMm: two.rigs[i]!.focalLengthMm, fNumber: 2 ** (-report.figures.apertureStepStops / 2), end: way.end, report };
  };
  // From the short end to the long one with the light held: what a hand would have to do while it zooms.
  const { notes } = follow(
    { ...setup, yardstick: '', rigs: [short] },
    { ...setup, yardstick: '', rigs: [long] },
    { ...holdNothing, lightGives: hold.lightGives, pinned: hold.pinned, light: true },
  );
  const lost = first!.figures.apertureStepStops - last!.figures.apertureStepStops;
  const said = (notes[0] ?? []).map((note) => `${note.message} ${note.fix}`.trim()).join(' ');
  return { short: endOf(0), long: endOf(1), gives: lost < 0.005 ? '' : `To keep the light through the zoom: ${said}` };
}
