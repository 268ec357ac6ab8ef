import { useEffect, useMemo, useRef } from 'react';
import { create } from 'zustand';
import type { ProductionDocument } from '../../../api/client';
import { useSettings } from '../../../app/settings';
import type { BagDayResponse, BagsResponse, Diagnostic, FrontRequest, FrontResponse, ShotInput } from '../../../core/core';
import { useProgress } from '../../../core/searches';
import { bagsOf, type Bag } from '../../../gear/bags';
import { askBagDay, askBags, askFront, askServerFront, stop, useGear } from '../../../gear/fitting';
import { leftOutFor, useDemoSet } from '../../../gear/demo';
import { isUsable, useUnits, type GearUnit } from '../../../gear/units';
import { placesOf, shotsOf, useProduction } from '../productionStore';

export type BagAnswer = BagsResponse['bags'][number];

interface BagAnswers {
  /** What each bag weighs, costs and reaches, by its identity. */
  bags: Record<string, BagAnswer>;
  problems: Diagnostic[];
  /** What each does in a day. */
  days: Record<string, BagDayResponse>;
}

/** What is known of the bags of the production that is on the page. */
export const useBagAnswers = create<BagAnswers>()(() => ({ bags: {}, problems: [], days: {} }));

export const dayKey = (id: string): string => `bag ${id}`;
export const frontKey = 'front';
const mostShots = 64;
/** What a bag does is asked when the hand has come to rest. */
const dayAfterMs = 300;
/** What is not looked at yet is asked after what is. */
const aheadAfterMs = 1200;

/** How many units of each model can be packed. */
function usableOf(units: GearUnit[]): { id: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const unit of units) {
    counts.set(unit.gearId, (counts.get(unit.gearId) ?? 0) + (isUsable(unit) ? 1 : 0));
  }
  return [...counts].map(([id, count]) => ({ id, count }));
}

/** What of a bag changes what it does in a day: not how much of it is ticked off. */
const asked = (bag: Bag): Bag => ({
  ...bag,
  name: 'bag',
  note: '',
  lines: (bag.lines ?? []).map((line) => ({ ...line, units: [], out: 0, back: 0, note: '' })),
});

/** Asks what the bags weigh, cost, reach and do, whenever something of that changes. */
export function useAskingBags(): void {
  useAskingTotals();
  useAskingDays();
}

/** Asks what the bags weigh, cost and reach. */
export function useAskingTotals(): void {
  const document = useProduction((s) => s.document);
  const gear = useGear((s) => s.version);
  const ready = useGear((s) => s.state === 'ready');
  const units = useUnits((s) => s.units);
  const terms = useUnits((s) => s.terms);
  const feet = useSettings((s) => s.feet);
  const bags = bagsOf(document);
  const totals = useMemo(
    () => ({
      bags: bags.map((bag) => ({ ...asked(bag), name: bag.name || 'bag' })),
      delivery: document.delivery ?? {},
      usable: usableOf(units),
      currency: terms.currency,
      marginPercent: terms.marginPercent,
      taxPercent: terms.taxPercent,
    }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the bags are new with each document
    [document.bags, document.delivery, units, terms],
  );
  const text = JSON.stringify(totals);
  useEffect(() => {
    if (!ready) return;
    void askBags(JSON.parse(text) as typeof totals, (outcome) =>
      useBagAnswers.setState(
        outcome.kind === 'answered'
          ? { bags: Object.fromEntries(outcome.answer.bags.map((bag) => [bag.id, bag])), problems: [] }
          : { problems: outcome.problems },
      ),
    );
  }, [text, ready, gear, feet]);
}

function useAskingDays(): void {
  const document = useProduction((s) => s.document);
  const gear = useGear((s) => s.version);
  const ready = useGear((s) => s.state === 'ready');
  const feet = useSettings((s) => s.feet);
  const bags = bagsOf(document);
  const days = useMemo(
    () => JSON.stringify(bags.map((bag) => dayRequest(document, bag))),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- as above
    [document.bags, document.shots, document.locations, document.delivery],
  );
  useEffect(() => {
    if (!ready) return undefined;
    const requests = JSON.parse(days) as ReturnType<typeof dayRequest>[];
    const timer = setTimeout(() => {
      for (const request of requests) {
        if (request.shots.length > 0 && request.shots.length <= mostShots) {
          void askBagDay(dayKey(request.bag.id), request, (outcome) => {
            if (outcome.kind === 'answered') {
              useBagAnswers.setState((s) => ({ days: { ...s.days, [request.bag.id]: outcome.answer } }));
            }
          });
        }
      }
    }, dayAfterMs);
    return () => {
      clearTimeout(timer);
      requests.forEach((request) => stop(dayKey(request.bag.id)));
    };
  }, [days, ready, gear, feet]);
}

function dayRequest(document: ProductionDocument, bag: Bag) {
  return {
    bag: asked(bag),
    locations: placesOf(document),
    shots: shotsOf(document).map((shot) => ({ ...shot, chosen: null })),
    delivery: document.delivery ?? {},
  };
}

interface FrontState {
  /** What was answered last; while a new one is on its way, what is known of it. */
  answer: FrontResponse | null;
  problems: Diagnostic[];
  asking: boolean;
  stopped: boolean;
  ms: number;
}

export const useFront = create<FrontState>()(() => ({ answer: null, problems: [], asking: false, stopped: false, ms: 0 }));

/** What the best bag is looked for among: the shots of a unit, what is packed in any case, one camera only. */
export const useFrontChoice = create<{ unit: string; given: string; oneBody: boolean }>()(() => ({ unit: '', given: '', oneBody: false }));

/** The shots that the best bag is for. */
export const frontShots = (document: ProductionDocument, unit: string): ShotInput[] =>
  shotsOf(document).filter((shot) => unit === '' || shot.unit === unit);

/** The bag whose day batteries are reckoned for: the one that is packed in any case, or the first of the unit. */
export const dayBagOf = (document: ProductionDocument, unit: string, given: string): Bag | undefined =>
  bagsOf(document).find((bag) => bag.id === given) ??
  bagsOf(document).find((bag) => unit === '' || bag.unit === unit) ??
  bagsOf(document)[0];

/** Asks for the front whenever something of it changes: at once where it is looked at, else when all has come to rest, so that it is there when it is. */
export function useAskingFront(isLookedAt: boolean): void {
  const document = useProduction((s) => s.document);
  const id = useProduction((s) => s.id);
  const demo = useDemoSet((s) => s.demo);
  const ready = useGear((s) => s.state === 'ready');
  const version = useGear((s) => s.version);
  const { frontOne, frontOther } = useSettings();
  const { unit, given, oneBody } = useFrontChoice();
  const shots = frontShots(document, unit);
  const text = JSON.stringify({
    locations: placesOf(document),
    shots: shots.map((shot) => ({ ...shot, chosen: null })),
    delivery: document.delivery ?? {},
    one: frontOne as FrontRequest['one'],
    other: frontOther as FrontRequest['other'],
    leftOut: leftOutFor(demo, id, null),
    given:
      bagsOf(document)
        .find((bag) => bag.id === given)
        ?.lines?.map((line) => line.id) ?? [],
    plan: dayBagOf(document, unit, given)?.plan ?? {},
    ...(oneBody && { mostBodies: 1 }),
  } satisfies FrontRequest);
  const isAsked = ready && shots.length > 0 && shots.length <= mostShots;
  const isWaitedFor = useRef(isLookedAt);
  useEffect(() => {
    isWaitedFor.current = isLookedAt;
    if (isLookedAt) {
      waitForFront(JSON.parse(text) as FrontRequest);
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a new question is asked below
  }, [isLookedAt]);
  useEffect(() => {
    if (!isAsked) return undefined;
    const timer = setTimeout(
      () => findFront(JSON.parse(text) as FrontRequest, isWaitedFor.current),
      isWaitedFor.current ? 0 : aheadAfterMs,
    );
    return () => {
      clearTimeout(timer);
      stopFront();
    };
  }, [text, isAsked, version]);
}

let ofServer: AbortController | null = null;

/** Asks for the front, in place of what was asked before: in the page, and where it is waited for of the server too, whichever is there first. */
export function findFront(request: FrontRequest, isWaitedFor: boolean): void {
  ofServer?.abort();
  ofServer = null;
  useFront.setState({ asking: true, stopped: false, problems: [] });
  useProgress.setState({ [frontKey]: 0 });
  void askFront(request, (outcome, isWhole) => {
    if (isWhole) {
      ofServer?.abort();
    }
    useFront.setState(
      outcome.kind === 'answered'
        ? { answer: outcome.answer, ms: outcome.ms, asking: !isWhole }
        : { problems: outcome.problems, asking: false },
    );
  });
  if (isWaitedFor) {
    waitForFront(request);
  }
}

/** Somebody waits for what is being asked: the server is asked too. */
function waitForFront(request: FrontRequest): void {
  if (ofServer !== null || !useFront.getState().asking) return;
  const asked = new AbortController();
  const began = performance.now();
  ofServer = asked;
  void askServerFront(request, asked.signal).then((answer) => {
    if (answer && !asked.signal.aborted) {
      stop(frontKey);
      useFront.setState({ answer, ms: performance.now() - began, asking: false });
    }
  });
}

export function stopFront(): void {
  ofServer?.abort();
  ofServer = null;
  stop(frontKey);
  useFront.setState((s) => ({ asking: false, stopped: s.stopped || s.asking }));
}
