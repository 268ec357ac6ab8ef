import type { ProductionDocument } from '../../api/client';
import { coreReady } from '../../core/core';
import type { Telling } from '../../documents/ConflictDialog';
import { production } from '../../documents/kinds';
import { keep } from '../../documents/saving';
import { differences } from './differences';
import { useProduction } from './productionStore';

/** Keeps the production that is on the page. */
export const productionKeeper = keep<ProductionDocument>({ ...production, store: useProduction, ready: coreReady });

/** A subject and its size, and a chosen rig, are each one thing. */
export const telling: Telling<ProductionDocument> = {
  word: 'production',
  address: '/brief',
  differences,
  whole: new Set(['subject', 'chosen']),
};
