import type { RigInput, Setup } from '../../../core/core';
import { rigOfSetting, type SetRig } from '../../../gear/setRigs';

/** An answer as a rig beside those of a setup: where it stands elsewhere, it has a distance of its own. Null when a part of it is gone. */
export function rigOnBench(set: SetRig, { scene, conventions, rigs }: Setup): RigInput | null {
  const rig = rigOfSetting(set, scene, { captureFps: rigs[0]?.captureFps });
  if (!rig) {
    return null;
  }
  const mark = conventions?.distanceFrom === 'lensFront' ? (rig.lens?.frontFromSensorMm ?? 0) : 0;
  const own = Math.round((set.distanceMm - mark) * 1e6) / 1e6;
  return Math.abs(own - scene.subjectDistanceMm) < 1e-3 ? rig : { ...rig, subjectDistanceMm: own };
}
