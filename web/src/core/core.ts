import { boot } from './boot';
import type { Core, FigureId, Numbers, RigReport } from './types';

export type * from './types';

/** The core, starting as soon as this module is loaded. */
export const coreReady: Promise<Core> = boot();

let started: Core | undefined;
void coreReady.then((core) => (started = core));

/** The core, for code that runs only after `coreReady`. */
export function core(): Core {
  if (!started) {
    throw new Error('The core has not started yet.');
  }
  return started;
}

/** True where a figure has a value that is a worry. */
export const isWorry = (figures: Numbers, figure: FigureId): boolean => figures[figure] > (core().figures[figure].worryAbove ?? Infinity);

/** True when the rig has a plane of focus. */
export const isFocused = (report: RigReport): boolean => !Number.isNaN(report.figures.magnification);
