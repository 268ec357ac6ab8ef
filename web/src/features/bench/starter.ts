import type { ComparisonDocument } from '../../api/client';
import { useSettings } from '../../app/settings';
import { comparisonVersion } from '../../documents/kinds';
import { newId } from '../../documents/unique';

/** What a new comparison starts from: the same lens on two sensors. */
export function starterDocument(): ComparisonDocument {
  return {
    schemaVersion: comparisonVersion,
    note: '',
    setup: {
      scene: { subjectDistanceMm: 2500, backgroundDistanceMm: 5000, deliveryAspect: 16 / 9, deliveryWidthPx: 3840, lensHeightMm: 1600 },
      conventions: useSettings.getState().conventions ?? {},
      rigs: [
        { id: newId(), name: 'Full frame', sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 35, fNumber: 2.8 },
        { id: newId(), name: 'APS-C', sensorWidthMm: 23.5, sensorHeightMm: 15.6, focalLengthMm: 35, fNumber: 2.8 },
      ],
    },
  };
}
