import type { ProductionDocument } from '../../api/client';
import type { LocationInput, ShotInput } from '../../core/core';
import { newId } from '../../documents/unique';
import type { Sheet } from '../../sheets/facts';
import { oneLine } from '../../ui/format';
import { levelOf, placesOf, shotsOf, show, shownShot, useProduction, type LightLevel } from './productionStore';

const change = (what: string, recipe: (document: ProductionDocument) => ProductionDocument): void =>
  useProduction.getState().change(what, (c) => {
    const document = recipe(c.document);
    return document === c.document ? c : { ...c, document };
  });

export const rename = (name: string): void => useProduction.getState().change('name', (c) => ({ ...c, name: oneLine(name) }));

export const changeProduction = (part: Partial<ProductionDocument>): void =>
  change(`production:${Object.keys(part).join()}`, (d) => ({ ...d, ...part }));

/** Changes the production's sheets. */
export const changeSheets = (what: string, recipe: (sheets: Sheet[]) => Sheet[]): void =>
  change(what, (d) => ({ ...d, sheets: recipe(d.sheets ?? []) }));

/** Changes something of a shot. */
export const changeShot = (id: string, part: Partial<ShotInput>): void =>
  change(`${id}:${Object.keys(part).join()}`, (d) => ({ ...d, shots: shotsOf(d).map((s) => (s.id === id ? { ...s, ...part } : s)) }));

/** Changes something of a place. */
export const changePlace = (id: string, part: Partial<LocationInput>): void =>
  change(`${id}:${Object.keys(part).join()}`, (d) => ({ ...d, locations: placesOf(d).map((p) => (p.id === id ? { ...p, ...part } : p)) }));

const once = (what: string) => `${what}${performance.now()}`;

/** Somebody who stands. */
export const usualSubject = { kind: 'standing', heightMm: 1750, widthMm: 1000, count: 2, spacingMm: 650, baseMm: 0 } as const;

/** A room as good as any to begin with. */
export const usualPlace = (name: string): LocationInput => ({
  id: newId(),
  name,
  lengthMm: 6000,
  widthMm: 4000,
  heightMm: 2600,
  behindMm: 1500,
  backdrop: 'shed',
});

/** Adds a shot after the one that is looked at, at the same place; where there is no place yet, one is made. */
export function addShot(): void {
  const id = newId();
  change(once('add'), (d) => {
    const shown = shownShot(useProduction.getState());
    const places = placesOf(d).length > 0 ? placesOf(d) : [usualPlace('First place')];
    const shot: ShotInput = {
      id,
      name: `Shot ${shotsOf(d).length + 1}`,
      locationId: shown?.locationId ?? places[0]!.id,
      unit: shown?.unit ?? '',
      subject: usualSubject,
      size: 'medium',
    };
    const at = shown ? shotsOf(d).indexOf(shown) + 1 : 0;
    return { ...d, locations: places, shots: shotsOf(d).toSpliced(at, 0, shot) };
  });
  show(id);
}

export function duplicateShot(shot: ShotInput): void {
  const id = newId();
  change(once('duplicate'), (d) => ({
    ...d,
    shots: shotsOf(d).toSpliced(shotsOf(d).indexOf(shot) + 1, 0, { ...shot, id, name: `${shot.name} again`.slice(0, 80), chosen: null }),
  }));
  show(id);
}

export function removeShot(shot: ShotInput): void {
  const all = shotsOf(useProduction.getState().document);
  const at = all.indexOf(shot);
  show((all[at + 1] ?? all[at - 1])?.id ?? '');
  change(once('remove'), (d) => ({ ...d, shots: shotsOf(d).filter((s) => s.id !== shot.id) }));
}

/** Moves a shot to another place in the order. */
export const moveShot = (shot: ShotInput, by: number): void =>
  change(once('move'), (d) => {
    const at = shotsOf(d).indexOf(shot);
    const to = Math.max(0, Math.min(shotsOf(d).length - 1, at + by));
    return at === to ? d : { ...d, shots: shotsOf(d).toSpliced(at, 1).toSpliced(to, 0, shot) };
  });

/** Adds a place, and brings the shot that is looked at there. */
export function addPlace(): void {
  const place = usualPlace(`Place ${placesOf(useProduction.getState().document).length + 1}`);
  change(once('place'), (d) => {
    const shown = shownShot(useProduction.getState());
    return {
      ...d,
      locations: [...placesOf(d), place],
      shots: shotsOf(d).map((s) => (s.id === shown?.id ? { ...s, locationId: place.id } : s)),
    };
  });
}

/** Says how bright it is for a shot: of the level that it is at, or as it usually is at its place. */
export function changeBrightness(place: LocationInput, shot: ShotInput, brightnessEv: number | null): void {
  const level = levelOf(place, shot);
  if (!level) {
    changePlace(place.id, { brightnessEv });
  } else if (brightnessEv !== null) {
    changeLevel(place, level.id, { brightnessEv });
  }
}

export const changeLevel = (place: LocationInput, id: string, part: Partial<LightLevel>): void =>
  change(`${id}:${Object.keys(part).join()}`, (d) => ({
    ...d,
    locations: placesOf(d).map((p) =>
      p.id === place.id ? { ...p, levels: (p.levels ?? []).map((level) => (level.id === id ? { ...level, ...part } : level)) } : p,
    ),
  }));

/** Gives a place a level of light of its own, and puts a shot there. */
export function addLevel(place: LocationInput, shot: ShotInput, level: Omit<LightLevel, 'id'>): void {
  const id = newId();
  change(once('level'), (d) => ({
    ...d,
    locations: placesOf(d).map((p) => (p.id === place.id ? { ...p, levels: [...(p.levels ?? []), { ...level, id }] } : p)),
    shots: shotsOf(d).map((s) => (s.id === shot.id ? { ...s, levelId: id } : s)),
  }));
}

/** Takes a level of light away; shots that were at it are as bright as the place usually is. */
export const removeLevel = (place: LocationInput, id: string): void =>
  change(once('level'), (d) => ({
    ...d,
    locations: placesOf(d).map((p) => (p.id === place.id ? { ...p, levels: (p.levels ?? []).filter((level) => level.id !== id) } : p)),
    shots: shotsOf(d).map((s) => (s.levelId === id ? { ...s, levelId: null } : s)),
  }));

/** Lights a shot up: the level that it alone is at, or else a new one of its own. */
export function lightUp(place: LocationInput, shot: ShotInput, brightnessEv: number): void {
  const level = levelOf(place, shot);
  const isShared = shotsOf(useProduction.getState().document).some((s) => s.id !== shot.id && s.levelId === level?.id);
  if (level && !isShared) {
    changeLevel(place, level.id, { brightnessEv });
  } else {
    addLevel(place, shot, { name: 'Lamps added', brightnessEv });
  }
}

/** Takes a place away that no shot is at. */
export const removePlace = (id: string): void =>
  change(once('remove'), (d) =>
    shotsOf(d).some((s) => s.locationId === id) ? d : { ...d, locations: placesOf(d).filter((p) => p.id !== id) },
  );
