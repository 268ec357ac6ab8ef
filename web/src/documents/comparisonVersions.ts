import type { ComparisonDocument } from '../api/client';
import { renamed } from './renamed';

/** The version of a comparison's document that this page reads and writes. */
export const comparisonVersion = 3;

type Rig = ComparisonDocument['setup']['rigs'][number];

/** A comparison that this browser kept from before: the same steps as those of the server's migrations. */
export function upgradedComparison(kept: ComparisonDocument): ComparisonDocument {
  let document = kept;
  const rigs = (change: (rig: Rig) => Rig) => document.setup.rigs.map(change);
  if (document.schemaVersion === 1) {
    // Reducers and extenders were one number.
    const inARow = rigs((rig) => {
      const { opticsMagnification = 1, ...others } = rig as Rig & { opticsMagnification?: number };
      return opticsMagnification === 1 ? others : { ...others, optics: [opticsMagnification] };
    });
    document = { ...document, schemaVersion: 2, setup: { ...document.setup, rigs: inARow } };
  }
  if (document.schemaVersion === 2) {
    const named = rigs((rig) =>
      rig.lens
        ? { ...rig, lens: renamed(rig.lens, { nearestFocusMm: 'minimumFocusDistanceMm', largestMagnification: 'maximumMagnification' }) }
        : rig,
    );
    document = {
      ...document,
      schemaVersion: comparisonVersion,
      setup: { ...document.setup, scene: renamed(document.setup.scene, { place: 'backdrop' }), rigs: named },
    };
  }
  return document;
}
