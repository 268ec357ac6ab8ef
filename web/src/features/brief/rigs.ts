import type { ComparisonDocument } from '../../api/client';
import { useSettings } from '../../app/settings';
import {
  core,
  type Conventions,
  type Delivery,
  type Fit,
  type FitResponse,
  type Numbers,
  type LocationInput,
  type RigInput,
  type SceneInput,
  type ShotInput,
} from '../../core/core';
import { comparisonVersion } from '../../documents/kinds';
import { rigOfSetting } from '../../gear/setRigs';
import { conventionsOf } from '../../gear/tolerances';
import { aspectOf, brightnessFor } from './productionStore';

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
    deliveryAspect: aspectOf(delivery, shot),
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

/** What figures of a proposal go by: true focal lengths, where they were measured, as the search did; all else as one likes. */
export const plannedBy = (delivery: Delivery | undefined, own?: Conventions | null): Conventions => ({
  ...own,
  ...(delivery?.rules?.measured !== false && { focalLength: 'measured' as const }),
  ...(delivery?.tolerances && conventionsOf(delivery.tolerances)),
});

/** What a proposal's picture is drawn from; null when it cannot be. */
export interface Pictured {
  rig: RigInput;
  scene: SceneInput;
  figures: Numbers;
}

export function pictured(place: LocationInput, shot: ShotInput, delivery: Delivery, answer: FitResponse, fit: Fit): Pictured | null {
  const scene = sceneOf(place, shot, delivery, answer, fit);
  const rig = rigOfSetting(fit, scene, shot);
  const report = rig && core().evaluate({ scene, rigs: [rig], conventions: plannedBy(delivery) })?.[0];
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
    const rig = rigOfSetting(fit, scene, shot);
    return rig ? [fit.distanceMm === scene.subjectDistanceMm ? rig : { ...rig, subjectDistanceMm: fit.distanceMm }] : [];
  });
  if (rigs.length === 0) {
    return null;
  }
  const note = [`${shot.name}, ${place.name}.`, shot.note ?? ''].join(' ').trim().slice(0, 280);
  return {
    schemaVersion: comparisonVersion,
    note,
    setup: { scene, conventions: plannedBy(delivery, useSettings.getState().conventions), rigs },
  };
}

/** True when a shot has chosen this body with this lens, by this way. */
export const isChosen = (shot: ShotInput, { rig }: Pick<Fit, 'rig'>): boolean =>
  shot.chosen?.body === rig.body &&
  shot.chosen.lens === rig.lens &&
  (shot.chosen.links ?? []).join() === rig.links.join() &&
  (shot.chosen.front ?? []).join() === rig.front.join() &&
  (shot.chosen.punchIn ?? 1) === rig.punchIn;
