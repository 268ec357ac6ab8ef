import type { Numbers, RigInput, RigReport, SceneInput } from '../core/core';
import { sceneNumber } from '../core/fields';
import type { Stage, View } from './view';
import { aperture, distance, fixed, withUnit } from '../ui/format';
import { rigLetter } from '../ui/RigMark';
import { distanceOf } from '../core/standing';

/** Nearer than a micrometre is the same place; without this, sums of distances would never be alike. */
const metres = (mm: number) => Math.round(mm * 1e3) / 1e6;

/** What the renderer is told of a rig: the core's own figures. */
export function viewOf(focus: Numbers, rig: RigInput): View {
  return {
    fieldWidth: focus.fieldWidthMm / 1000,
    fieldHeight: focus.fieldHeightMm / 1000,
    away: focus.subjectFromPupilMm / 1000,
    pupilAcross: focus.pupilAcrossMm / 1000,
    pupilUp: focus.pupilMm / 1000,
    corners: focus.irisCorners,
    clear: Number.isFinite(focus.imageCircleMm) ? focus.imageCircleMm / 2 / focus.usedHeightMm : null,
    squeeze: rig.squeeze ?? 1,
    turn: ((rig.squeezeTurnDeg ?? 0) * Math.PI) / 180,
  };
}

/** What stands before the cameras. */
export function stageOf(scene: SceneInput, dark: boolean): Stage {
  const behindMm = scene.backgroundDistanceMm == null ? null : scene.backgroundDistanceMm - scene.subjectDistanceMm;
  return {
    backdrop: scene.backdrop === undefined || scene.backdrop === 'photo' ? 'shed' : scene.backdrop,
    subject: scene.subject ?? 'standing',
    lensHeight: metres(sceneNumber(scene, 'lensHeightMm')),
    figureHeight: metres(sceneNumber(scene, 'figureHeightMm')),
    behind: behindMm === null ? null : metres(behindMm),
    light: dark ? 0.7 : 1,
  };
}

/** A frame's caption in two lines. */
export function captionOf(index: number, rig: RigInput, { figures }: RigReport, scene: SceneInput, feet: boolean): string[] {
  const f = figures.equivalentFocalLengthMm;
  return [
    `${rigLetter(index)}  ${rig.name ?? ''}`,
    `${withUnit(fixed(f, f < 100 ? 1 : 0), 'mm')} and blur of ${aperture(figures.equivalentFNumber)}, equivalents · ${aperture(figures.effectiveFNumber)} as set · from ${distance(distanceOf(rig, scene), feet)}`,
  ];
}
