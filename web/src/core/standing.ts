import type { RigInput, SceneInput } from './core';

/** How far from the subject a rig stands, mm. */
export const distanceOf = (rig: RigInput, scene: SceneInput): number => rig.subjectDistanceMm ?? scene.subjectDistanceMm;

/** The scene from where a rig stands: what is behind the subject stays as far behind it. */
export function sceneOf(rig: RigInput, scene: SceneInput): SceneInput {
  const { subjectDistanceMm: own } = rig;
  return own == null ? scene : { ...scene, subjectDistanceMm: own, backgroundDistanceMm: behind(scene, own) };
}

/** Where what is behind lies when the camera is at another distance from the subject; null for the open. */
export const behind = ({ subjectDistanceMm, backgroundDistanceMm }: SceneInput, moved: number): number | null =>
  // Nearer than a millionth of a millimetre is the same place; sums of distances would never be alike.
  backgroundDistanceMm == null ? null : Math.max(moved, Math.round((backgroundDistanceMm - subjectDistanceMm + moved) * 1e6) / 1e6);

/** The scene and the rigs when the subject goes elsewhere: cameras stay where they are, and so does what is behind. */
export function withSubjectAt(mm: number, scene: SceneInput, rigs: RigInput[]): { scene: SceneInput; rigs: RigInput[] } {
  const moved = mm - scene.subjectDistanceMm;
  return {
    scene: { ...scene, subjectDistanceMm: mm },
    rigs: rigs.some((rig) => rig.subjectDistanceMm != null)
      ? rigs.map((rig) => (rig.subjectDistanceMm == null ? rig : { ...rig, subjectDistanceMm: Math.max(1, rig.subjectDistanceMm + moved) }))
      : rigs,
  };
}
