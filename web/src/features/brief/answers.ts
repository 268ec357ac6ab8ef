import { useEffect } from 'react';
import { create } from 'zustand';
import type { ProductionDocument } from '../../api/client';
import { useSettings } from '../../app/settings';
import type { Delivery, Fit, FitRequest, FitResponse, LocationInput, ShotInput } from '../../core/core';
import { chosenGear } from '../../gear/bags';
import { leftOutFor, useDemoSet } from '../../gear/demo';
import { useProgress } from '../../core/searches';
import type { Outcome } from '../../core/searching';
import { askFit, askServer, stop, useGear, useShelf } from '../../gear/fitting';
import { placeOf, shotsOf, shownShot, useProduction } from './productionStore';
import { pictured, type Pictured } from './rigs';

/** What is known of a shot. */
export interface Known {
  shot: ShotInput;
  place: LocationInput;
  delivery: Delivery;
  answer: FitResponse;
  ms: number;
}

interface Answers {
  /** Of the shot that is looked at; while a new one is on its way, the one before stays. */
  shown: Known | null;
  /** A new one is on its way. */
  asking: boolean;
  stopped: boolean;
  /** The rigs that do not give the shot are looked at. */
  failing: boolean;
  /** The proposal that is drawn; where nothing fits, the nearest miss. */
  picked: Fit | null;
  /** Every rig that gives the shot, for the plot; those that are told until the others are there. */
  all: Fit[];
  /** The picture of each shot, by its chosen rig or else its best proposal. */
  thumbs: Record<string, { key: string; picture: Pictured | null; fits: boolean }>;
}

export const useAnswers = create<Answers>()(() => ({
  shown: null,
  asking: false,
  stopped: false,
  failing: false,
  picked: null,
  all: [],
  thumbs: {},
}));

export const pick = (picked: Fit): void => useAnswers.setState({ picked });

/** The key of the question of the shot that is looked at. */
export const shownKey = 'shown';

const delivered: Delivery = {};
const same = (a: Fit, b: Fit) => a.rig.body === b.rig.body && a.rig.lens === b.rig.lens;

/** The gear that a production is answered from: what is ticked, else the shelf without the demo's where there is other gear. */
export function gearOf(document: ProductionDocument): Pick<FitRequest, 'bag' | 'leftOut'> {
  const bag = chosenGear(document);
  return { bag, leftOut: leftOutFor(useDemoSet.getState().demo, useProduction.getState().id, bag) };
}

/** What to ask for a shot: the rig of the shot before is what changes are counted from. */
function requestOf(document: ProductionDocument, shot: ShotInput): FitRequest | null {
  const place = placeOf(document, shot);
  const shots = shotsOf(document);
  const before = shots[shots.indexOf(shot) - 1]?.chosen ?? null;
  return place
    ? {
        location: place,
        shot,
        delivery: document.delivery ?? delivered,
        before,
        ...gearOf(document),
        most: 24,
        mostMisses: useAnswers.getState().failing ? 12 : 0,
      }
    : null;
}

/** Asks what fits for the shot that is looked at. */
export function ask(): void {
  const { document } = useProduction.getState();
  const shot = shownShot(useProduction.getState());
  const request = shot && requestOf(document, shot);
  if (!request || !useDemoSet.getState().asked) {
    return;
  }
  if (useGear.getState().state !== 'ready') {
    void askServer(request, take);
    return;
  }
  useProgress.setState({ [shownKey]: 0 });
  useAnswers.setState({ asking: true });
  void askFit(shownKey, true, request, take);

  function take(outcome: Outcome<FitResponse>): void {
    if (!shot || !request) {
      return;
    }
    if (outcome.kind === 'refused') {
      useProduction.setState({ problems: outcome.problems });
      useAnswers.setState({ asking: false, stopped: false });
      return;
    }
    if (useProduction.getState().problems.length > 0) {
      useProduction.setState({ problems: [] });
    }
    const { answer, ms } = outcome;
    const { picked, shown } = useAnswers.getState();
    const fits = answer.fits;
    const stays = shown?.shot.id === shot.id && picked ? fits.find((f) => same(f, picked)) : undefined;
    const chosen = answer.chosen ?? undefined;
    useAnswers.setState({
      shown: { shot, place: request.location, delivery: request.delivery ?? delivered, answer, ms },
      asking: false,
      stopped: false,
      picked: stays ?? chosen ?? fits[0] ?? answer.misses[0]?.nearest ?? null,
      all: fits,
    });
    clearTimeout(calm);
    if (answer.fitCount > fits.length) {
      calm = setTimeout(() => void askFit(allKey, false, { ...request, most: mostPlotted, mostMisses: 0 }, takeAll), allAfterMs);
    }
  }
}

const allKey = 'all';
const mostPlotted = 200;
/** The plot is whole a moment after the hand has come to rest. */
const allAfterMs = 400;
let calm: ReturnType<typeof setTimeout> | undefined;

function takeAll(outcome: Outcome<FitResponse>): void {
  if (outcome.kind === 'answered') {
    useAnswers.setState({ all: outcome.answer.fits });
  }
}

/** Looks at the rigs that give the shot, or at those that do not: these are tried with every remedy, and so only when they are looked at. */
export function lookAt(failing: boolean): void {
  useAnswers.setState({ failing });
  ask();
}

/** Stops looking; what was there before stays. */
export function stopAsking(): void {
  stop(shownKey);
  useAnswers.setState({ asking: false, stopped: true });
}

/** Makes the pictures of the strip ready, one after another, while nobody waits for anything else. */
function askThumbs(document: ProductionDocument): void {
  const { version, state } = useGear.getState();
  if (state !== 'ready' || !useDemoSet.getState().asked) {
    return;
  }
  const { thumbs } = useAnswers.getState();
  for (const shot of shotsOf(document)) {
    const request = requestOf(document, shot);
    if (!request) {
      continue;
    }
    const asked: FitRequest = { ...request, rig: shot.chosen ?? null, most: 1, mostMisses: 0 };
    const key = JSON.stringify([version, asked]);
    if (thumbs[shot.id]?.key === key) {
      continue;
    }
    void askFit(`thumb ${shot.id}`, false, asked, (outcome) => {
      const answer = outcome.kind === 'answered' ? outcome.answer : null;
      const fit = answer?.fits[0];
      const picture = fit ? pictured(request.location, shot, request.delivery ?? delivered, answer, fit) : null;
      useAnswers.setState((s) => ({ thumbs: { ...s.thumbs, [shot.id]: { key, picture, fits: fit !== undefined } } }));
    });
  }
}

const thumbsAfterMs = 700;

/** Keeps the answers up with what is on the page. */
export function useAsking(): void {
  const document = useProduction((s) => s.document);
  const shotId = useProduction((s) => s.shotId);
  const feet = useSettings((s) => s.feet);
  const ready = useGear((s) => s.state === 'ready');
  const version = useGear((s) => s.version);
  const demo = useDemoSet();

  useShelf();
  useEffect(() => useAnswers.setState({ failing: false }), [shotId]);
  useEffect(ask, [document, shotId, feet, ready, version, demo]);
  useEffect(() => {
    const later = setTimeout(() => askThumbs(document), thumbsAfterMs);
    return () => clearTimeout(later);
  }, [document, ready, version, demo]);
}
