import { productions, type ProductionDocument } from '../../../api/client';
import type { LocationInput, ShotInput } from '../../../core/core';
import { production, productionVersion } from '../../../documents/kinds';
import { startWork } from '../../../documents/outbox';
import { newId } from '../../../documents/unique';
import { usualPlace, usualSubject } from '../commands';
import { placesOf, shotsOf } from '../productionStore';
import { framedHeightOf, goneOf } from './takeRigs';
import { setSaid, type Take } from './takes';

/** A shot that is to be taken again as it was, at its place. */
export interface PickUp {
  shot: ShotInput;
  place: LocationInput;
}

const longestName = 80;
const longestNote = 500;

/** The shot and the place of a take, with its rig and its picture as they really were. */
export function pickUpOf(take: Take, document: ProductionDocument, feet: boolean): PickUp {
  const shot = shotsOf(document).find((s) => s.id === take.shotId) ?? null;
  const of = shot && placesOf(document).find((p) => p.id === shot.locationId);
  const place = of ?? usualPlace('Where it was');
  const height = framedHeightOf(take, document, shot, of ?? null);
  const day = new Date(take.takenAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
  const gone = take.rig ? goneOf(take.rig) : [];
  const note = [
    `As take ${take.number ?? 1}${take.camera ?? 'A'} of ${day}: ${setSaid(take, feet)}.`,
    gone.length > 0 ? `Not on the shelf any more: ${gone.join(', ')}.` : '',
    shot?.note ?? '',
  ];
  return {
    shot: {
      ...(shot ?? { subject: usualSubject, size: 'medium' as const }),
      id: newId(),
      name: `${(take.shotName || 'A take').slice(0, longestName - 9)}, pick-up`,
      locationId: place.id,
      chosen: take.rig ?? null,
      note: note.filter(Boolean).join(' ').slice(0, longestNote),
      // What was really framed goes before what was planned.
      ...(height !== null && { framedMm: Math.round(height * 10) / 10, framedAcross: false }),
      ...(take.fps != null && { captureFps: take.fps }),
    },
    place: take.roomMm != null && of ? { ...of, lengthMm: take.roomMm, taped: true } : place,
  };
}

/** A production with a pick-up as its last shot; a place of that name and those sides that it has already is its place. */
export function withPickUp(document: ProductionDocument, { shot, place }: PickUp): ProductionDocument {
  const places = placesOf(document);
  const known = places.find(
    (p) => p.id === place.id || (p.name === place.name && p.lengthMm === place.lengthMm && p.widthMm === place.widthMm),
  );
  const isTaken = places.some((p) => p.id === place.id);
  const added = known ?? (isTaken ? { ...place, id: newId() } : place);
  const levels = (known?.levels ?? place.levels ?? []).map((level) => level.id);
  return {
    ...document,
    locations: known ? places : [...places, added],
    shots: [
      ...shotsOf(document),
      {
        ...shot,
        locationId: added.id,
        unit: (document.units ?? []).includes(shot.unit ?? '') ? (shot.unit ?? '') : '',
        levelId: shot.levelId != null && levels.includes(shot.levelId) ? shot.levelId : null,
      },
    ],
  };
}

/** Puts a pick-up into another production that is stored; what came of it. */
export async function intoOther(id: string, pickUp: PickUp): Promise<string> {
  for (let tries = 0; tries < 3; tries++) {
    const read = await productions.read(id);
    if (read === null || 'kind' in read) {
      return read?.say ?? 'The server did not answer.';
    }
    const document = await production.upgraded(read.document);
    if (document === null) {
      return `${read.name} cannot be read by this version.`;
    }
    const written = await productions.write(id, read.revision, read.name, withPickUp(document, pickUp));
    if (written.kind === 'stored') {
      return '';
    }
    if (written.kind !== 'conflict') {
      return written.say;
    }
  }
  return 'Somebody else changes that production just now. Try again in a moment.';
}

/** Begins a production of a day of its own with a pick-up. Gives its identity. */
export const intoNew = (pickUp: PickUp, from: string, { delivery, units }: ProductionDocument): Promise<string> =>
  startWork(production, {
    name: `${from.slice(0, 100)}, pick-ups`,
    document: withPickUp({ schemaVersion: productionVersion, delivery: delivery ?? {}, units: units ?? [] }, pickUp),
  });
