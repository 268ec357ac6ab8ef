import { comparisons, type ComparisonDocument } from '../../api/client';
import { coreReady } from '../../core/core';
import { draftsOf } from '../../works/drafts';
import { keep } from '../../works/saving';
import { useBench } from './benchStore';
import { differences } from './differences';
import { upgradedComparison } from './upgraded';

export const drafts = draftsOf<ComparisonDocument>('juxtopsis.comparison.', upgradedComparison);

/** Keeps the comparison that is on the Bench. */
export const benchKeeper = keep<ComparisonDocument>({
  store: useBench,
  works: comparisons,
  drafts,
  ready: coreReady,
  differs: (mine, theirs) => differences(mine, theirs).length > 0,
});
