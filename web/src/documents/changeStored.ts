import type { Failure } from '../api/client';
import type { Kind } from './outbox';

const tries = 3;

/** Changes work that is not on the page, on top of what is stored now. A recipe that returns null changes nothing. */
export async function changeStored<D>({ works }: Kind<D>, id: string, recipe: (document: D) => D | null): Promise<Failure | null> {
  for (let i = 0; i < tries; i++) {
    const current = await works.read(id);
    if (current === null || 'kind' in current) {
      return current;
    }
    const document = recipe(current.document);
    if (document === null) {
      return { kind: 'missing', say: 'It is not there any more.' };
    }
    const outcome = await works.write(id, current.revision, current.name, document);
    if (outcome.kind !== 'conflict') {
      return outcome.kind === 'stored' ? null : outcome;
    }
  }
  return { kind: 'away', say: 'Somebody else changes it just now. Try once more.' };
}
