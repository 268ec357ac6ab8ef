import { comparisons, productions, type ComparisonDocument, type ProductionDocument, type Works } from '../api/client';
import { core, coreReady } from '../core/core';
import { register, type Kind } from './outbox';

/** The version of a comparison's document that is written now. */
export const comparisonVersion = 5;

/** The version of a production's document that is written now. */
export const productionVersion = 4;

/** A kind of work. What an older page kept is brought up by the core, as the server does with what it stores. */
const kindOf = <D extends { schemaVersion: number }>(kind: string, works: Works<D>, version: number): Kind<D> => ({
  kind,
  works,
  async upgraded(document) {
    if (document.schemaVersion === version) {
      return document;
    }
    await coreReady;
    return core().upgraded(kind, document) as D | null;
  },
});

/** What the Bench edits. */
export const comparison = kindOf<ComparisonDocument>('comparison', comparisons, comparisonVersion);

/** What the Brief edits. */
export const production = kindOf<ProductionDocument>('production', productions, productionVersion);

// Unsaved work of every kind is sent from whatever view stands open.
register(comparison);
register(production);
