import { comparisons, type ComparisonDocument } from '../../api/client';
import { coreReady } from '../../core/core';
import { draftsOf, type Draft } from '../../works/drafts';
import { keep } from '../../works/saving';
import { useBench } from './benchStore';
import { differences } from './differences';

/** A copy from before version 2 of the document, in which reducers and extenders were one number. */
function upgraded(draft: Draft<ComparisonDocument>): Draft<ComparisonDocument> {
  const { document } = draft;
  if (document.schemaVersion !== 1) {
    return draft;
  }
  const rigs = document.setup.rigs.map((rig) => {
    const { opticsMagnification = 1, ...others } = rig as typeof rig & { opticsMagnification?: number };
    return opticsMagnification === 1 ? others : { ...others, optics: [opticsMagnification] };
  });
  return { ...draft, document: { ...document, schemaVersion: 2, setup: { ...document.setup, rigs } } };
}

export const drafts = draftsOf<ComparisonDocument>('juxtopsis.comparison.', upgraded);

/** Keeps the comparison that is on the Bench. */
export const benchKeeper = keep<ComparisonDocument>({
  store: useBench,
  works: comparisons,
  drafts,
  ready: coreReady,
  differs: (mine, theirs) => differences(mine, theirs).length > 0,
});
