// A shelf for measuring: 200 lenses, 40 modes and all adapters of the demo.
import { randomUUID } from 'node:crypto';

export const lensesWanted = 200;
const modesWanted = 40;

export const median = (values, share = 0.5) => [...values].sort((a, b) => a - b)[Math.floor(values.length * share)];
export const ms = (values) => `median ${median(values).toFixed(0)} ms, longest ${Math.max(...values).toFixed(0)} ms`;

/** The shelf as a file, how many modes and adapters it has. */
export async function largeShelf(address) {
  const shelf = await (await fetch(`${address}/api/shelf/export.json`)).json();
  const gone = new Set(shelf.retired);
  const of = (...kinds) => shelf.items.filter((item) => kinds.includes(item.kind) && !gone.has(item.id));
  const demoLenses = of('lens').slice(0, 54);
  const lenses = Array.from({ length: lensesWanted }, (_, i) => {
    const like = demoLenses[i % demoLenses.length];
    const copy = Math.floor(i / demoLenses.length);
    const longer = 1 + 0.07 * copy;
    return copy === 0
      ? like
      : {
          ...like,
          id: randomUUID(),
          name: `${like.name} ${copy}`,
          focalShortMm: like.focalShortMm * longer,
          ...(like.focalLongMm && { focalLongMm: like.focalLongMm * longer }),
        };
  });
  let modes = 0;
  const bodies = of('body').flatMap((body) => {
    const kept = body.modes.slice(0, modesWanted - modes);
    modes += kept.length;
    return kept.length > 0 ? [{ ...body, modes: kept }] : [];
  });
  const file = JSON.stringify({ ...shelf, items: [...of('mount', 'adapter', 'closeUpLens'), ...bodies, ...lenses], retired: [] });
  return { file, modes, adapters: of('adapter').length };
}
