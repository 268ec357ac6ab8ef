import { boot, type Core } from './boot';

export * from './boot';

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
