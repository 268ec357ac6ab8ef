import { useEffect } from 'react';
import { create } from 'zustand';
import type { ProductionDocument } from '../../../api/client';
import {
  core,
  type ChosenRig,
  type Conventions,
  type Delivery,
  type Fit,
  type FitRequest,
  type FitResponse,
  type LocationInput,
  type ShotInput,
} from '../../../core/core';
import { askFit, stop, useGear } from '../../../gear/fitting';
import { partsOf, rigOfSetting } from '../../../gear/setRigs';
import type { Sheet } from '../../../sheets/facts';
import { itemOf } from '../../../sheets/facts';
import type { SheetRig } from '../../../sheets/make/sheetRig';
import { aspectOf, placeOf, shotsOf, useProduction } from '../productionStore';
import { sceneOf } from '../rigs';

/** What the search says of one rig for one shot. */
export interface ShotAnswer {
  key: string;
  /** How it is set; null where it does not give the shot. */
  fit: Fit | null;
  /** Why not. */
  why: string;
  frame: FitResponse['frame'] | null;
}

/** What is known of the rigs that shots have chosen, and of their alternatives, by shot and rig. */
export const useShotRigs = create<{ answers: Record<string, ShotAnswer>; waiting: number }>()(() => ({ answers: {}, waiting: 0 }));

const delivered: Delivery = {};

/** What tells one rig for a shot from another. */
export const rigKey = (shotId: string, { body, mode, lens, links, front, punchIn }: ChosenRig): string =>
  [shotId, body, mode, lens, ...(links ?? []), ...(front ?? []), punchIn ?? 1].join(' ');

/** What to ask of one rig for a shot, whatever gear its production chooses from. */
export function rigRequest(document: ProductionDocument, shot: ShotInput, place: LocationInput, rig: ChosenRig): FitRequest {
  return {
    location: place,
    shot: { ...shot, chosen: null },
    delivery: document.delivery ?? delivered,
    bag: null,
    leftOut: [],
    rig,
    most: 1,
    mostMisses: 1,
  };
}

/** Asks how each chosen rig, and each alternative on a sheet, is set for its shot. What is known already is not asked again. */
export function useAskingShotRigs(): void {
  const { shots, locations, delivery, sheets } = useProduction((s) => s.document);
  const { version, state } = useGear();
  // Of the sheets only the alternatives are asked about: words that are typed on them are not.
  const others = JSON.stringify(
    (sheets ?? []).map((sheet) =>
      (sheet.items ?? []).filter((item) => (item.alternatives ?? []).length > 0).map((item) => item.alternatives),
    ),
  );
  useEffect(() => {
    if (state !== 'ready') return;
    const { document } = useProduction.getState();
    let waiting = 0;
    for (const shot of shotsOf(document)) {
      const place = placeOf(document, shot);
      const alternatives = (document.sheets ?? []).flatMap((sheet) => itemOf(sheet, shot.id)?.alternatives ?? []);
      for (const rig of [...(shot.chosen ? [shot.chosen] : []), ...alternatives]) {
        if (!place) continue;
        const id = rigKey(shot.id, rig);
        const request = rigRequest(document, shot, place, rig);
        const key = JSON.stringify([version, { ...request, shot: { ...shot, chosen: null, name: '', note: '' } }]);
        if (useShotRigs.getState().answers[id]?.key === key) continue;
        waiting += 1;
        void askFit(`sheet ${id}`, false, request, (outcome) => {
          const answer = outcome.kind === 'answered' ? outcome.answer : null;
          const fit = answer?.fits[0] ?? null;
          const why = fit
            ? ''
            : (answer?.misses[0]?.why.message ??
              (answer ? 'A part of this rig is not on the shelf any more.' : 'Something in the shot or its place is at fault.'));
          useShotRigs.setState((s) => ({
            answers: { ...s.answers, [id]: { key, fit, why, frame: answer?.frame ?? null } },
            waiting: Math.max(0, s.waiting - 1),
          }));
        });
      }
    }
    useShotRigs.setState({ waiting });
  }, [shots, locations, delivery, others, version, state]);
  useEffect(() => () => stop(), []);
}

const kept = new Map<string, { from: unknown[]; of: SheetRig }>();
const mostKept = 2000;

/** A shot with one of its rigs as sheets know it; it is put together anew only when something of it is another. */
export function shotRig(
  document: ProductionDocument,
  id: string,
  shot: ShotInput,
  mark: string,
  chosen: ChosenRig | null | undefined,
  answers: Record<string, ShotAnswer>,
  conventions: Conventions | undefined,
): SheetRig {
  const key = chosen ? rigKey(shot.id, chosen) : shot.id;
  const from = [id, shot, mark, placeOf(document, shot), document.delivery, answers[key], conventions, useGear.getState().items];
  const before = kept.get(key);
  if (before && from.every((one, i) => one === before.from[i])) {
    return before.of;
  }
  const of = assembled(document, id, shot, mark, chosen, answers, conventions);
  if (kept.size > mostKept) kept.clear();
  kept.set(key, { from, of });
  return of;
}

function assembled(
  document: ProductionDocument,
  id: string,
  shot: ShotInput,
  mark: string,
  chosen: ChosenRig | null | undefined,
  answers: Record<string, ShotAnswer>,
  conventions: Conventions | undefined,
): SheetRig {
  const place = placeOf(document, shot);
  const base = {
    id: shot.id,
    mark,
    title: shot.name,
    href: `/brief/${id}?shot=${shot.id}`,
    scene: { subjectDistanceMm: 2000 },
    rig: null,
    figures: null,
    warnings: [],
    parts: [],
  };
  if (!place) {
    return { ...base, missing: 'The shot has no place.' };
  }
  if (!chosen) {
    return {
      ...base,
      scene: { ...base.scene, deliveryAspect: aspectOf(document.delivery, shot) },
      missing: 'No rig is chosen for this shot yet.',
    };
  }
  const answer = answers[rigKey(shot.id, chosen)];
  const parts = partsOf(chosen) ?? [];
  const aspect = aspectOf(document.delivery, shot);
  if (!answer?.fit || !answer.frame) {
    return {
      ...base,
      parts,
      scene: { ...base.scene, deliveryAspect: aspect },
      missing: answer ? `${chosen.name ?? ''}: ${answer.why}`.replace(/^: /, '') : 'It is being worked out…',
    };
  }
  const { fit } = answer;
  const scene = sceneOf(place, shot, document.delivery ?? delivered, { frame: answer.frame }, fit);
  const rig = rigOfSetting(fit, scene, shot);
  const figures = rig ? (core().evaluate({ scene, rigs: [rig], ...(conventions && { conventions }) })?.[0]?.figures ?? null) : null;
  const close = fit.margin?.closest == null ? undefined : fit.margin.spares[fit.margin.closest];
  const warnings = [
    ...(shot.caution ? [shot.caution] : []),
    ...fit.cautions.map((c) => c.message),
    ...(close ? [`${close.say}. ${close.fix}`] : []),
    ...fit.findings.map((f) => f.message),
  ];
  return {
    ...base,
    parts,
    scene,
    rig,
    figures,
    warnings: [...new Set(warnings)],
    missing: rig ? '' : 'A part of this rig is not on the shelf any more.',
  };
}

/** What its picture takes in, where that is known. */
export const frameOf = (shot: ShotInput, answers: Record<string, ShotAnswer>): FitResponse['frame'] | null =>
  shot.chosen ? (answers[rigKey(shot.id, shot.chosen)]?.frame ?? null) : null;

/** Its fit, where it has one. */
export const fitOf = (shot: ShotInput, answers: Record<string, ShotAnswer>): Fit | null =>
  shot.chosen ? (answers[rigKey(shot.id, shot.chosen)]?.fit ?? null) : null;

/** The shots of a sheet, in its order. */
export function shotsOfSheet(document: ProductionDocument, sheet: Sheet): ShotInput[] {
  const shots = shotsOf(document).filter((shot) => !sheet.unit || (shot.unit ?? '') === sheet.unit);
  if (sheet.order === 'location') {
    const places = (document.locations ?? []).map((p) => p.id);
    return shots.toSorted((a, b) => places.indexOf(a.locationId) - places.indexOf(b.locationId));
  }
  if (sheet.order === 'unit') {
    const units = [...(document.units ?? []), ''];
    return shots.toSorted((a, b) => units.indexOf(a.unit ?? '') - units.indexOf(b.unit ?? ''));
  }
  return shots;
}
