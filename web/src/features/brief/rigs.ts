import { newId } from '../../documents/unique';
import type { ComparisonDocument } from '../../api/client';
import { useSettings } from '../../app/settings';
import {
  core,
  type ChosenRig,
  type Delivery,
  type Fit,
  type FitResponse,
  type FitRig,
  type GearItem,
  type Numbers,
  type LocationInput,
  type RigInput,
  type SceneInput,
  type ShotInput,
} from '../../core/core';
import { fromParts, mountsOf, nameOf } from '../../gear/chains';
import { comparisonVersion } from '../../documents/kinds';
import { fixed } from '../../ui/format';
import { useGear } from './fitting';
import { brightnessFor } from './productionStore';

/** What tells a proposal from the others of an answer. */
export const keyOf = ({ rig }: Fit): string =>
  [rig.body, rig.lens, ...rig.front, rig.punchIn].join(' ') + (rig.front.length > 0 || rig.punchIn > 1 ? rig.links.join() : '');

/** What stands for a shot's subject in a rendered frame. */
export function subjectOf({ subject }: ShotInput): SceneInput['subject'] {
  switch (subject.kind) {
    case 'standing':
    case 'seated':
      return subject.kind;
    case 'group':
      return 'two';
    case 'table':
      return 'hands';
    default: {
      const largest = Math.max(subject.widthMm ?? 0, subject.heightMm ?? 0);
      return largest < 100 ? 'rivet' : largest > 3000 ? 'hull' : 'none';
    }
  }
}

/** The scene of a shot as a proposed rig sees it. */
export function sceneOf(
  place: LocationInput,
  shot: ShotInput,
  delivery: Delivery,
  { frame }: Pick<FitResponse, 'frame'>,
  fit: Fit,
): SceneInput {
  const overhead = shot.cameraSupport === 'overhead';
  const behind = overhead ? 0 : (shot.behindMm ?? place.behindMm ?? null);
  return {
    subjectDistanceMm: fit.distanceMm,
    backgroundDistanceMm: behind === null ? null : fit.distanceMm + behind,
    deliveryAspect: shot.deliveryAspect ?? delivery.aspect ?? 16 / 9,
    deliveryWidthPx: delivery.widthPx ?? null,
    lensHeightMm: frame.lensHeightMm,
    figureHeightMm:
      shot.subject.kind === 'far' || shot.subject.kind === 'thing' || shot.subject.kind === 'table'
        ? 1750
        : (shot.subject.heightMm ?? 1750),
    nearestCameraMm: (place.keepOffMm ?? 0) > 0 ? fit.frontMm + (place.keepOffMm ?? 0) : null,
    farthestCameraMm: frame.roomMm == null ? null : Math.max(1, frame.roomMm - fit.rearMm),
    brightnessEv: brightnessFor(place, shot),
    timelineFps: delivery.timelineFps ?? 25,
    shutterAngleDeg: delivery.shutterAngleDeg ?? 180,
    shutterSeconds: delivery.shutterSeconds ?? null,
    mainsHertz: place.mainsHertz ?? 50,
    backdrop: place.backdrop ?? 'shed',
    subject: subjectOf(shot),
  };
}

/** The sensitivity that bodies offer nearest to one. */
function settable(iso: number): number {
  const [below, above] = [
    core().step('sensitivity', iso * 1.0001, false, false, false),
    core().step('sensitivity', iso * 0.9999, true, false, false),
  ];
  return iso / below < above / iso ? below : above;
}

/** The parts of a rig, from the body on; null when one of them is not on the shelf any more. */
export function partsOf({ body, links, lens, front }: FitRig | ChosenRig): GearItem[] | null {
  const { items } = useGear.getState();
  const ids = body === lens ? [body, ...(front ?? [])] : [body, ...(links ?? []), lens, ...(front ?? [])];
  const parts = ids.map((id) => items.get(id));
  return parts.every((part) => part !== undefined) ? parts : null;
}

/** A proposal as a rig of the Bench; null when a part of it is gone. */
export function rigOf(fit: Fit, scene: SceneInput, shot: ShotInput): RigInput | null {
  const items = partsOf(fit.rig);
  if (!items) {
    return null;
  }
  const support = shot.support == null ? undefined : useGear.getState().items.get(shot.support);
  if (support) {
    items.push(support);
  }
  const parts = items.map((item) => ({ item, revision: 1 }));
  const mounts = mountsOf(
    parts,
    [...useGear.getState().items.values()].filter((item) => item.kind === 'mount'),
  );
  const rig = {
    id: newId(),
    name: nameOf(parts),
    sensorWidthMm: 36,
    sensorHeightMm: 24,
    focalLengthMm: fit.focalLengthMm,
    fNumber: fit.fNumber,
    punchIn: fit.rig.punchIn,
    rackedFarther: fit.rackedFarther,
    captureFps: shot.captureFps ?? null,
    sensitivityIso: fit.sensitivityIso == null ? null : settable(Math.max(fit.sensitivityIso, fit.lowestIso ?? 100)),
    chain: { parts, mounts, mode: fit.rig.mode },
  } as RigInput;
  return fromParts(rig, scene);
}

/** What a proposal's picture is drawn from; null when it cannot be. */
export interface Pictured {
  rig: RigInput;
  scene: SceneInput;
  figures: Numbers;
}

export function pictured(place: LocationInput, shot: ShotInput, delivery: Delivery, answer: FitResponse, fit: Fit): Pictured | null {
  const scene = sceneOf(place, shot, delivery, answer, fit);
  const rig = rigOf(fit, scene, shot);
  const report = rig && core().evaluate({ scene, rigs: [rig] })?.[0];
  return rig && report ? { rig, scene, figures: report.figures } : null;
}

/** A comparison of some proposals for a shot, the first as the yardstick; those that stand elsewhere keep their own distance. */
export function comparisonOf(
  place: LocationInput,
  shot: ShotInput,
  delivery: Delivery,
  answer: FitResponse,
  fits: Fit[],
): ComparisonDocument | null {
  const scene = sceneOf(place, shot, delivery, answer, fits[0]!);
  const rigs = fits.flatMap((fit) => {
    const rig = rigOf(fit, scene, shot);
    return rig ? [fit.distanceMm === scene.subjectDistanceMm ? rig : { ...rig, subjectDistanceMm: fit.distanceMm }] : [];
  });
  if (rigs.length === 0) {
    return null;
  }
  const note = [`${shot.name}, ${place.name}.`, shot.note ?? ''].join(' ').trim().slice(0, 280);
  return {
    schemaVersion: comparisonVersion,
    note,
    setup: { scene, conventions: useSettings.getState().conventions ?? {}, rigs },
  };
}

/** A proposal as a shot keeps it. */
export const chosenOf = ({ rig }: Fit): ChosenRig => ({
  body: rig.body,
  mode: rig.mode,
  lens: rig.lens,
  links: rig.links,
  front: rig.front,
  punchIn: rig.punchIn,
  name: [rig.bodyName, ...rig.linkNames, rig.lensName, ...rig.frontNames].filter(Boolean).join(' + '),
});

/** True when a shot has chosen this body with this lens, by this way. */
export const isChosen = (shot: ShotInput, { rig }: Pick<Fit, 'rig'>): boolean =>
  shot.chosen?.body === rig.body &&
  shot.chosen.lens === rig.lens &&
  (shot.chosen.links ?? []).join() === rig.links.join() &&
  (shot.chosen.front ?? []).join() === rig.front.join() &&
  (shot.chosen.punchIn ?? 1) === rig.punchIn;

/** How a rig's mode is used, in a few words. */
export const modeOf = (rig: FitRig): string => (rig.punchIn > 1 ? `${rig.mode}, punched in ${fixed(rig.punchIn, 2)}×` : rig.mode);

/** The parts of a rig besides body and lens. */
export const addedTo = (rig: FitRig): string => [...rig.linkNames, ...rig.frontNames].join(' · ');

/** Both: all of a rig besides body and lens. */
export const besidesOf = (rig: FitRig): string => [modeOf(rig), addedTo(rig)].filter(Boolean).join(' · ');
