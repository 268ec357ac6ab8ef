import { comparisons, productions, type ComparisonDocument, type ProductionDocument } from '../api/client';
import { upgradedComparison } from './comparisonVersions';
import { register, type Kind } from './outbox';
import { upgradedProduction } from './productionVersions';

/** What the Bench edits. */
export const comparison: Kind<ComparisonDocument> = { kind: 'comparison', works: comparisons, upgraded: upgradedComparison };

/** What the Brief edits. */
export const production: Kind<ProductionDocument> = { kind: 'production', works: productions, upgraded: upgradedProduction };

// Unsaved work of every kind is sent from whatever view stands open.
register(comparison);
register(production);
