import type { ComparisonDocument, ProductionDocument } from '../../../api/client';
import { useSettings } from '../../../app/settings';
import { core, type ChosenRig, type LocationInput, type SceneInput, type ShotInput } from '../../../core/core';
import { comparisonVersion } from '../../../documents/kinds';
import { useGear } from '../../../gear/fitting';
import { rigOfSetting, type SetRig } from '../../../gear/setRigs';
import { aspectOf, brightnessFor } from '../productionStore';
import { plannedBy, subjectOf } from '../rigs';
import type { Take } from './takes';

/** What stands in where a take does not say it: for figures that hardly go by it. */
const usual = { distanceMm: 3000, fNumber: 4 };

/** A take's rig as it was set; null where its rig or its focal length was not noted. */
export function settingOf(take: Take): SetRig | null {
  const { rig, focalLengthMm } = take;
  return !rig || focalLengthMm == null
    ? null
    : {
        rig: {
          ...rig,
          links: rig.links ?? [],
          front: rig.front ?? [],
          punchIn: rig.punchIn ?? 1,
          bodyName: '',
          lensName: '',
          linkNames: [],
          frontNames: [],
          weightG: 0,
          weightUnknown: true,
          ownership: 'own',
        },
        distanceMm: take.distanceMm ?? usual.distanceMm,
        focalLengthMm,
        fNumber: take.fNumber ?? usual.fNumber,
        rackedFarther: false,
        sensitivityIso: take.iso ?? null,
        lowestIso: null,
      };
}

/** The parts of a rig that are not on the shelf any more, by what they were to it; none where all are. */
export function goneOf(rig: ChosenRig): string[] {
  const { items } = useGear.getState();
  const is = (id: string) => items.has(id);
  return [
    ...(is(rig.body) ? [] : ['its body']),
    ...(rig.body === rig.lens || is(rig.lens) ? [] : ['its lens']),
    ...((rig.links ?? []).every(is) ? [] : ['what stands between them']),
    ...((rig.front ?? []).every(is) ? [] : ['what is in front']),
  ];
}

const kept = new Map<string, number | null>();

/** The equivalent focal length that a take was made at; null where its rig or focal length is not known. */
export function equivalentOf(take: Take, deliveryAspect: number): number | null {
  const set = settingOf(take);
  if (!set) return null;
  const key = JSON.stringify([useGear.getState().version, take.rig, set.focalLengthMm, deliveryAspect]);
  const known = kept.get(key);
  if (known !== undefined) return known;
  const figures = figuresOf(set, { subjectDistanceMm: Math.max(set.distanceMm, 8 * set.focalLengthMm), deliveryAspect });
  const value = figures?.equivalentFocalLengthMm ?? null;
  if (kept.size > 2000) kept.clear();
  kept.set(key, value !== null && Number.isFinite(value) ? value : null);
  return kept.get(key)!;
}

function figuresOf(set: SetRig, scene: SceneInput) {
  const made = rigOfSetting(set, scene);
  return made
    ? (core().evaluate({ scene, rigs: [{ ...made, chain: undefined }], conventions: { focalLength: 'measured' } })?.[0]?.figures ?? null)
    : null;
}

/** The scene of a take: where it really stood, and for the rest as its shot and place say. */
function sceneOf(take: Take, { delivery }: ProductionDocument, shot: ShotInput | null, place: LocationInput | null): SceneInput {
  const distanceMm = take.distanceMm ?? usual.distanceMm;
  const behind = shot?.behindMm ?? place?.behindMm ?? null;
  return {
    subjectDistanceMm: distanceMm,
    backgroundDistanceMm: behind === null ? null : distanceMm + behind,
    deliveryAspect: aspectOf(delivery, shot),
    deliveryWidthPx: delivery?.widthPx ?? null,
    ...(take.lensHeightMm != null && { lensHeightMm: take.lensHeightMm }),
    brightnessEv: shot && place ? brightnessFor(place, shot) : null,
    timelineFps: delivery?.timelineFps ?? 25,
    shutterAngleDeg: delivery?.shutterAngleDeg ?? 180,
    shutterSeconds: take.shutterSeconds ?? delivery?.shutterSeconds ?? null,
    mainsHertz: place?.mainsHertz ?? 50,
    backdrop: place?.backdrop ?? 'shed',
    subject: shot ? subjectOf(shot) : 'standing',
  };
}

/** How high the picture of a take was at the subject, mm; null where that cannot be told. */
export function framedHeightOf(
  take: Take,
  document: ProductionDocument,
  shot: ShotInput | null,
  place: LocationInput | null,
): number | null {
  const set = settingOf(take);
  const height = set && take.distanceMm != null ? figuresOf(set, sceneOf(take, document, shot, place))?.fieldHeightMm : null;
  return height != null && Number.isFinite(height) ? height : null;
}

/** A comparison with a take's rig as it was really set; null where its rig is not known, or a part of it is gone. */
export function comparisonOfTake(
  take: Take,
  document: ProductionDocument,
  shot: ShotInput | null,
  place: LocationInput | null,
): ComparisonDocument | null {
  const set = settingOf(take);
  const scene = sceneOf(take, document, shot, place);
  const rig = set && rigOfSetting(set, scene, { captureFps: take.fps ?? null });
  if (!rig) return null;
  const note = [take.shotName, `take ${take.number ?? 1}${take.camera ?? 'A'}`, take.note].filter(Boolean).join(', ').slice(0, 280);
  return {
    schemaVersion: comparisonVersion,
    note,
    setup: { scene, conventions: plannedBy(document.delivery, useSettings.getState().conventions), rigs: [rig] },
  };
}
