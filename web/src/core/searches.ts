import { proxy, wrap, type Remote } from 'comlink';
import { create } from 'zustand';
import type { Searches } from './searching';

/** How much of each question is done, by its key. */
export const useProgress = create<Record<string, number>>()(() => ({}));

let remote: Remote<Searches> | null = null;

/** The second core, in a worker of its own; it starts when it is first needed. */
export function searches(): Remote<Searches> {
  if (remote === null) {
    const worker = new Worker(new URL('./searching.worker.ts', import.meta.url), { type: 'module', name: 'searches' });
    remote = wrap<Searches>(worker);
    void remote.listen(proxy((key: string, done: number) => useProgress.setState({ [key]: done })));
  }
  return remote;
}
