import type { ComparisonDocument } from '../../api/client';
import { coreReady } from '../../core/core';
import type { Telling } from '../../documents/ConflictDialog';
import { comparison } from '../../documents/kinds';
import { keep } from '../../documents/saving';
import { useBench } from './benchStore';
import { differences } from './differences';

/** Keeps the comparison that is on the Bench. */
export const benchKeeper = keep<ComparisonDocument>({ ...comparison, store: useBench, ready: coreReady });

/** Parts with their mode and mounts, a person's size, a photograph: half of one and half of another is neither. */
export const telling: Telling<ComparisonDocument> = {
  word: 'comparison',
  address: '/bench',
  differences,
  whole: new Set(['chain', 'photo', 'optics']),
};
