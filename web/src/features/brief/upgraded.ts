import type { ProductionDocument } from '../../api/client';
import type { Draft } from '../../works/drafts';
import { renamed } from '../../works/renamed';

/** The version of a production's document that this page reads and writes. */
export const productionVersion = 2;

/** A production that this browser kept from before: the same steps as those of the server's migrations. */
export function upgradedProduction(draft: Draft<ProductionDocument>): Draft<ProductionDocument> {
  if (draft.document.schemaVersion !== 1) {
    return draft;
  }
  const document = renamed(draft.document, { places: 'locations' });
  const shots = (document.shots ?? []).map((shot) =>
    renamed(shot, { placeId: 'locationId', carriage: 'cameraSupport', wish: 'criterion' }),
  );
  return { ...draft, document: { ...document, schemaVersion: productionVersion, shots } };
}
