import { useEffect, useMemo, useState } from 'react';
import { productions, type ProductionDocument } from '../../../api/client';
import { core } from '../../../core/core';
import { production } from '../../../documents/kinds';
import { copyOf } from '../../../documents/drafts';
import { askFit, useGear } from '../../../gear/fitting';
import { placeOf, shotsOf } from '../productionStore';
import { rigRequest } from '../sheets/shotRigs';
import type { WantedAt } from './learn';

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
const notYet: Known = { ...none, waiting: true };

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
  return key === '' ? none : known.key === key ? known : notYet;
}

/** What is known of the equivalents at which shots are wanted, by production and shot. */
export interface Wanted {
  of: ReadonlyMap<string, WantedAt>;
  waiting: boolean;
}

/** What tells a shot of one production from that of a copy. */
export const shotKey = (productionId: string, shotId: string): string => `${productionId} ${shotId}`;

/** Of a picture that is lower than this, mm, the ratio decides and not the angle: ten times the height of full frame. */
const lowestMm = 240;

/**
 * The equivalents at which shots of productions are wanted: those of the rigs that they have chosen, as these are set there; where none
 * is chosen, or it does not give the shot, what takes it in from the very end of the place.
 */
export function useWantedOf(told: Told[]): Wanted {
  const { version, state } = useGear();
  const isReady = state === 'ready';
  const asked = useMemo(
    () =>
      told.flatMap(({ id, document }) =>
        shotsOf(document).flatMap((shot) => {
          const place = placeOf(document, shot);
          return shot.chosen && place ? [{ key: shotKey(id, shot.id), request: rigRequest(document, shot, place, shot.chosen) }] : [];
        }),
      ),
    [told],
  );
  const [known, setKnown] = useState<{ asked: unknown; version: number; of: Map<string, WantedAt> }>({
    asked: null,
    version,
    of: new Map(),
  });
  useEffect(() => {
    let isLeft = false;
    if (isReady && asked.length > 0) {
      void Promise.all(
        asked.map(async ({ key, request }) => {
          const found: [string, WantedAt][] = [];
          await askFit(`wanted ${key}`, false, request, (outcome) => {
            const fit = outcome.kind === 'answered' ? outcome.answer.fits[0] : undefined;
            if (fit) found.push([key, { mm: fit.equivalentMm, isMost: false }]);
          });
          return found;
        }),
      ).then((all) => {
        if (!isLeft) setKnown({ asked, version, of: new Map(all.flat()) });
      });
    }
    return () => {
      isLeft = true;
    };
  }, [asked, version, isReady]);
  const byRoom = useMemo(
    () =>
      told.flatMap(({ id, document }) =>
        core()
          .frames(document)
          .flatMap((frame, i): [string, WantedAt][] =>
            frame.roomEquivalentMm == null || frame.heightMm < lowestMm
              ? []
              : [[shotKey(id, shotsOf(document)[i]!.id), { mm: frame.roomEquivalentMm, isMost: true }]],
          ),
      ),
    [told],
  );
  const waiting = isReady && asked.length > 0 && (known.asked !== asked || known.version !== version);
  return { of: useMemo(() => new Map([...byRoom, ...known.of]), [byRoom, known.of]), waiting };
}
