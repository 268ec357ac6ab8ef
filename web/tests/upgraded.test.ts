import { expect, test } from 'vitest';
import type { ComparisonDocument, ProductionDocument } from '../src/api/client';
import { upgradedComparison } from '../src/documents/comparisonVersions';
import { upgradedProduction } from '../src/documents/productionVersions';

const rig = { name: 'A', sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 35, fNumber: 2.8 };

test('a comparison of version 1 keeps its reducer and comes all the way', () => {
  const setup = {
    scene: { subjectDistanceMm: 2000, place: 'loft' },
    rigs: [
      { ...rig, opticsMagnification: 1 },
      { ...rig, opticsMagnification: 0.71 },
    ],
  };
  const document = upgradedComparison({ schemaVersion: 1, note: 'n', setup });
  expect(document).toEqual({
    schemaVersion: 3,
    note: 'n',
    setup: { scene: { subjectDistanceMm: 2000, backdrop: 'loft' }, rigs: [rig, { ...rig, optics: [0.71] }] },
  });
});

test('a comparison of version 2 has its lens under the names of now', () => {
  const setup = {
    scene: { subjectDistanceMm: 1 },
    rigs: [rig, { ...rig, lens: { nearestFocusMm: 310, largestMagnification: 0.2, blades: 9 } }],
  };
  const document = upgradedComparison({ schemaVersion: 2, setup });
  expect(document.setup.rigs).toEqual([rig, { ...rig, lens: { minimumFocusDistanceMm: 310, maximumMagnification: 0.2, blades: 9 } }]);
});

test('a production of version 1 has places, support and criterion under the names of now', () => {
  const document = upgradedProduction({
    schemaVersion: 1,
    note: 'wish',
    places: [{ id: 'p', name: 'Shed' }],
    shots: [{ id: 's', placeId: 'p', carriage: 'shoulder', wish: 'farthest' }],
  } as unknown as ProductionDocument);
  expect(document).toEqual({
    schemaVersion: 2,
    note: 'wish',
    locations: [{ id: 'p', name: 'Shed' }],
    shots: [{ id: 's', locationId: 'p', cameraSupport: 'shoulder', criterion: 'farthest' }],
  });
});

test('what is of now stays the very same', () => {
  const comparison = { schemaVersion: 3, setup: { scene: {}, rigs: [] } } as unknown as ComparisonDocument;
  const production = { schemaVersion: 2 } as unknown as ProductionDocument;
  expect(upgradedComparison(comparison)).toBe(comparison);
  expect(upgradedProduction(production)).toBe(production);
});
