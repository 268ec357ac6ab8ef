import type { SubjectInput } from './core';

/** True for subjects whose pictures are named by shot sizes. */
export const isPeople = ({ kind }: SubjectInput): boolean => kind === 'standing' || kind === 'seated' || kind === 'group';
