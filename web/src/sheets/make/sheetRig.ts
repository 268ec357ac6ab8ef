import type { Conventions, GearItem, Numbers, RigInput, SceneInput } from '../../core/core';
import { core, isFocused } from '../../core/core';
import { distanceOf } from '../../core/standing';
import { stageOf, viewOf } from '../../picture/frameView';
import type { ColumnChoice, OptionFact, PictureFact } from '../facts';
import type { Language } from './language';

/** A rig as a sheet knows it: of a comparison, or chosen for a shot. */
export interface SheetRig {
  id: string;
  /** How it is counted on the sheet: A, or the number of its shot. */
  mark: string;
  title: string;
  /** What else is to be said of it: its mode, the shots that it does. */
  sub?: string | undefined;
  scene: SceneInput;
  rig: RigInput | null;
  figures: Numbers | null;
  /** Why it gives no picture; empty while it does. */
  missing: string;
  warnings: string[];
  parts: GearItem[];
  href: string;
}

/** How rigs are told apart on a sheet, however many they are. */
export const letterOf = (index: number): string =>
  String.fromCharCode(65 + (index % 26)) + (index < 26 ? '' : String(Math.floor(index / 26) + 1));

/** What can be said under a frame. */
export const frameColumns: ColumnChoice[] = [
  { key: 'rig', label: 'Rig', usual: true },
  { key: 'mode', label: 'Recording mode', usual: false },
  { key: 'setting', label: 'Setting', usual: true },
  { key: 'equivalent', label: 'Equivalents', usual: true },
  { key: 'distance', label: 'Distance', usual: true },
  { key: 'picture', label: 'Picture at the subject', usual: false },
  { key: 'sharp', label: 'Sharp zone', usual: true },
  { key: 'angle', label: 'Angle of view', usual: false },
  { key: 'light', label: 'Light', usual: false },
];

/** Figures of rigs that stand in a scene each of its own; null where the core refuses one. */
export function evaluated(scene: SceneInput, asked: RigInput[], conventions: Conventions | undefined): (Numbers | null)[] {
  // What they are called is of no matter here, and the same rig may be asked in many settings.
  const rigs = asked.map((rig, i) => ({ ...rig, id: `s${i}` }));
  const each: (Numbers | null)[] = [];
  for (let i = 0; i < rigs.length; i += atOnce) {
    const some = rigs.slice(i, i + atOnce);
    const reports = core().evaluate({ scene, rigs: some, ...(conventions && { conventions }) });
    each.push(
      ...(reports
        ? reports.map((r) => r.figures)
        : some.map((rig) => core().evaluate({ scene, rigs: [rig], ...(conventions && { conventions }) })?.[0]?.figures ?? null)),
    );
  }
  return each;
}

/** The most rigs of one evaluation; the contract's own bound. */
const atOnce = 12;

export const isInFocus = (figures: Numbers | null): figures is Numbers =>
  figures !== null && isFocused({ figures, differences: figures, reasons: 0 });

/** What a rig's picture is drawn from; why there is none. */
export function pictureOf(
  id: string,
  { rig, figures, scene, missing, title }: Pick<SheetRig, 'rig' | 'figures' | 'scene' | 'missing' | 'title'>,
): PictureFact {
  const aspect = figures && figures.deliveredAspect > 0 ? figures.deliveredAspect : (scene.deliveryAspect ?? 16 / 9);
  const fact = { id, aspect: Math.min(10, Math.max(0.1, aspect)), label: title };
  if (!rig || !isInFocus(figures)) {
    return { ...fact, missing: missing || 'It cannot focus there.' };
  }
  if (scene.backdrop === 'photo' && scene.photo) {
    const { stillShareAcross: across, stillShareUp: up } = figures;
    return Number.isNaN(across)
      ? { ...fact, missing: 'The photograph was taken from elsewhere.' }
      : { ...fact, photo: { id: scene.photo.id, across, up } };
  }
  return { ...fact, rendered: { view: viewOf(figures, rig), stage: stageOf(scene, false) } };
}

/** What the columns say of a rig. */
export function valuesOf({ rig, figures, scene }: SheetRig, say: Language): Record<string, string> {
  if (!rig || !figures) {
    return {};
  }
  const iso = rig.sensitivityIso;
  const filter = rig.filterStops ?? 0;
  const squeezed = (rig.squeeze ?? 1) > 1;
  const focal = Math.round(rig.focalLengthMm * 10) / 10;
  const time = figures.exposureTimeSeconds;
  return {
    rig: rig.name ?? '',
    mode: rig.chain?.mode ?? '',
    setting: `${say.of(`${focal}\u2009mm`)} at ${say.aperture(rig.fNumber)}${squeezed ? `, squeezed ${say.of(String(rig.squeeze))}×` : ''}`,
    equivalent: `as ${say.figure('equivalentFocalLengthMm', figures)}, blur of ${say.aperture(figures.equivalentFNumber)}`,
    distance: `from ${say.length(distanceOf(rig, scene))}`,
    picture: isInFocus(figures) ? `takes in ${say.area(figures.fieldWidthMm, figures.fieldHeightMm)}` : '',
    sharp: isInFocus(figures) ? `sharp ${say.span(figures.depthOfFieldNearMm, figures.depthOfFieldFarMm)}` : '',
    angle: `${say.figure('angleOfViewHorizontalDeg', figures)} across`,
    light: [
      iso == null ? '' : `ISO ${iso}`,
      Number.isNaN(time) ? '' : say.figure('exposureTimeSeconds', figures),
      filter > 0 ? say.of(`filter ${Math.round(filter * 10) / 10} stops`) : '',
      Number.isNaN(figures.leftOverStops) ? '' : `${say.figure('leftOverStops', figures)} left over`,
    ]
      .filter(Boolean)
      .join(', '),
  };
}

/** A rig as one of those to choose between. */
export function optionOf(id: string, of: SheetRig, say: Language): OptionFact {
  const values = valuesOf(of, say);
  return {
    id,
    title: of.rig?.name ?? of.title,
    lines: [values['setting'], values['equivalent'], values['distance']].flatMap((text) => (text ? [text] : [])),
    picture: pictureOf(id, of),
  };
}
