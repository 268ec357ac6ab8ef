import { useEffect, useState } from 'react';
import { productions, type ProductionDocument } from '../../../api/client';
import { production } from '../../../documents/kinds';
import { copyOf } from '../../../documents/drafts';

/** A production as far as takes are told of it. */
export interface Told {
  id: string;
  name: string;
  document: ProductionDocument;
}

/** A production as it is stored, or as it was when this browser saw it last; null where neither is to be had. */
async function read(id: string): Promise<Told | null> {
  const found = await productions.read(id);
  const work = found && 'id' in found ? found : found?.kind === 'away' ? await copyOf(production.kind, id) : null;
  const document = work && (await production.upgraded(work.document as ProductionDocument));
  return work && document && { id, name: work.name, document };
}

interface Known {
  /** In the order in which they were asked for. */
  told: Told[];
  /** How many cannot be read. */
  missing: number;
  waiting: boolean;
}

const none: Known = { told: [], missing: 0, waiting: false };

/** Productions by their identity, for looking at only. */
export function useProductionsOf(ids: string[]): Known {
  const key = ids.join(' ');
  const [known, setKnown] = useState<Known & { key: string }>({ ...none, key: '' });
  useEffect(() => {
    let isLeft = false;
    if (key !== '') {
      void Promise.all(key.split(' ').map(read)).then((all) => {
        const told = all.filter((one) => one !== null);
        if (!isLeft) setKnown({ key, told, missing: all.length - told.length, waiting: false });
      });
    }
    return () => {
      isLeft = true;
    };
  }, [key]);
  return key === '' ? none : known.key === key ? known : { ...none, waiting: true };
}
