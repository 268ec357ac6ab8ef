import { core, type RigInput, type RigReport, type SceneInput, type Setup } from '../../../core/core';
import { changeRig } from '../commands';
import { distanceOf } from '../../../core/standing';

/** Rigs that stand at one place. */
interface Stand {
  /** Which rigs; those that stand where the scene says are one stand. */
  rigs: number[];
  own: boolean;
  distanceMm: number;
  /** How far the longest of them reaches in front of its sensor mark; null when that is not known. */
  frontMm: number | null;
}

/** Where rigs stand, the farthest first, so that the nearer ones lie on top. */
export function standsOf(rigs: RigInput[], reports: RigReport[], scene: SceneInput): Stand[] {
  const front = (of: number[]) => {
    const fronts = of.map((i) => distanceOf(rigs[i]!, scene) - reports[i]!.figures.workingDistanceMm).filter((mm) => mm > 0);
    return fronts.length === 0 ? null : Math.max(...fronts);
  };
  const together = rigs.flatMap((rig, i) => (rig.subjectDistanceMm == null ? [i] : []));
  const stands = rigs.flatMap((rig, i): Stand[] =>
    rig.subjectDistanceMm == null ? [] : [{ rigs: [i], own: true, distanceMm: rig.subjectDistanceMm, frontMm: front([i]) }],
  );
  if (together.length > 0) {
    stands.push({ rigs: together, own: false, distanceMm: scene.subjectDistanceMm, frontMm: front(together) });
  }
  return stands.sort((a, b) => b.distanceMm - a.distanceMm);
}

/** Zooms a rig so that its picture takes in a size at the subject, as far as its lens does. */
export function zoomTo(index: number, setup: Setup, sizeMm: number, isAcross: boolean): void {
  const rig = setup.rigs[index]!;
  const [answer] = core().solve({ setup: { ...setup, rigs: [rig], yardstick: rig.id! }, goal: 'focalLength', sizeMm, isAcross }, false);
  if (Array.isArray(answer) && answer[0]?.focalLengthMm != null) {
    changeRig(rig.id!, { focalLengthMm: roundForZoom(answer[0].focalLengthMm, rig) });
  }
}

/** To three digits, within the zoom. */
function roundForZoom(mm: number, { lens }: RigInput): number {
  const rounded = Number(mm.toPrecision(3));
  return Math.min(Math.max(rounded, lens?.zoomShortMm ?? 0), lens?.zoomLongMm ?? Infinity);
}
