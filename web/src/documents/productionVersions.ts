import type { ProductionDocument } from '../api/client';
import { renamed } from './renamed';

/** The version of a production's document that this page reads and writes. */
export const productionVersion = 2;

/** A production that this browser kept from before: the same steps as those of the server's migrations. */
export function upgradedProduction(kept: ProductionDocument): ProductionDocument {
  if (kept.schemaVersion !== 1) {
    return kept;
  }
  const document = renamed(kept, { places: 'locations' });
  const shots = (document.shots ?? []).map((shot) =>
    renamed(shot, { placeId: 'locationId', carriage: 'cameraSupport', wish: 'criterion' }),
  );
  return { ...document, schemaVersion: productionVersion, shots };
}
