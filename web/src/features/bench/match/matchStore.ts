import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { create } from 'zustand';
import type { ComparisonDocument, ProductionDocument } from '../../../api/client';
import { useSettings } from '../../../app/settings';
import type {
  AspectWish,
  CutRequest,
  CutResponse,
  Diagnostic,
  LookAspect,
  LookMatch,
  LookRequest,
  LookResponse,
  Setup,
} from '../../../core/core';
import { useProgress } from '../../../core/searches';
import type { Outcome } from '../../../core/searching';
import { production } from '../../../documents/kinds';
import { chosenGear } from '../../../gear/bags';
import { leftOutFor, useDemoSet } from '../../../gear/demo';
import { chainOf } from '../../../gear/chains';
import { askCut, askLook, stop, useGear } from '../../../gear/fitting';
import { keyOf } from '../../../gear/setRigs';
import { change, useBench, yardstickOf } from '../benchStore';
import { holdNothing } from '../holding';

/** What counts when a look is copied, and when cameras cut together; it belongs to the comparison. */
export type Match = Required<NonNullable<ComparisonDocument['match']>>;

const usual: Match = { aspects: {}, alsoBehindMm: [], tie: 'ownership', wishes: false, agree: {}, movesShare: 0.2 };

export const matchOf = ({ match }: ComparisonDocument): Match => ({ ...usual, ...match });

export function useMatch(): Match {
  const match = useBench((s) => s.document.match);
  return useMemo(() => ({ ...usual, ...match }), [match]);
}

/** Changes something of it. */
export function setMatch(part: Partial<Match>): void {
  change(
    `match:${Object.keys(part).join()}`,
    (c) => ({ ...c, document: { ...c.document, match: { ...matchOf(c.document), ...part } } }),
    holdNothing,
  );
}

/** Changes how much an aspect counts. */
export const setAspect = (aspect: LookAspect, wish: AspectWish): void =>
  setMatch({ aspects: { ...matchOf(useBench.getState().document).aspects, [aspect]: wish } });

/** What of the shelf is chosen from. */
export type Among = 'shelf' | 'bag';

/** What decides how cameras cut together: of another it is no answer. */
type CutQuestion = Pick<Match, 'agree' | 'movesShare'> & { setup: Setup };

interface Matching {
  among: Among;
  answer: LookResponse | null;
  /** The setup that the answer is of. */
  asked: Setup | null;
  ms: number;
  asking: boolean;
  stopped: boolean;
  problems: Diagnostic[];
  /** The key of the answer that is looked at. */
  picked: string | null;
  /** Every answer, for the plot; those that are told until the others are there. */
  all: LookMatch[];
  cut: CutResponse | null;
  /** What that is of. */
  cutOf: CutQuestion | null;
  cutting: boolean;
  cutProblems: Diagnostic[];
}

const nothing: Matching = {
  among: 'shelf',
  answer: null,
  asked: null,
  ms: 0,
  asking: false,
  stopped: false,
  problems: [],
  picked: null,
  all: [],
  cut: null,
  cutOf: null,
  cutting: false,
  cutProblems: [],
};

export const useMatching = create<Matching>()(() => nothing);

export const pick = (match: LookMatch): void => useMatching.setState({ picked: keyOf(match) });

/** The answer that is looked at: the one that was picked, as long as it is told, else the best. */
export const pickedOf = ({ answer, all, picked }: Matching): LookMatch | null =>
  [...(answer?.matches ?? []), ...all].find((m) => keyOf(m) === picked) ?? answer?.matches[0] ?? null;

/** The production that the comparison was made for a shot of; null while it is not known. */
export function useLinked(): ProductionDocument | null {
  const id = useBench((s) => s.document.shot?.productionId ?? null);
  const { data } = useQuery({
    queryKey: ['linked', id],
    enabled: id !== null,
    queryFn: async () => {
      const read = await production.works.read(id!);
      return read === null || 'kind' in read ? null : read.document;
    },
  });
  return data ?? null;
}

export const lookKey = 'look';
const allKey = 'look all';
const told = 40;
const plotted = 200;
/** The plot is whole a moment after the hand has come to rest. */
const allAfterMs = 500;
let calm: ReturnType<typeof setTimeout> | undefined;

/** The gear that is chosen from, and what an answer must keep. */
function amongOf(linked: ProductionDocument | null): Pick<LookRequest, 'bag' | 'leftOut' | 'wishes' | 'rules' | 'highestIso'> {
  const { among } = useMatching.getState();
  const { document, id } = useBench.getState();
  const bag = among === 'bag' ? linked && chosenGear(linked) : null;
  return {
    bag,
    leftOut: leftOutFor(useDemoSet.getState().demo, document.shot?.productionId ?? id, bag),
    wishes: matchOf(document).wishes,
    ...(linked?.delivery?.rules && { rules: linked.delivery.rules }),
    ...(linked?.delivery?.highestIso != null && { highestIso: linked.delivery.highestIso }),
  };
}

/** Asks what comes near the look of the yardstick. */
export function ask(linked: ProductionDocument | null): void {
  const { document } = useBench.getState();
  const { setup } = document;
  const look = setup.rigs[yardstickOf(setup)];
  if (!look || useGear.getState().state !== 'ready' || !useDemoSet.getState().asked) {
    return;
  }
  const { aspects, alsoBehindMm, tie } = matchOf(document);
  const request: LookRequest = {
    setup: { ...setup, rigs: [look], yardstick: look.id! },
    aspects,
    alsoBehindMm,
    tie,
    ...amongOf(linked),
    most: told,
  };
  useProgress.setState({ [lookKey]: 0 });
  useMatching.setState({ asking: true, stopped: false });
  clearTimeout(calm);
  void askLook(lookKey, true, request, (outcome: Outcome<LookResponse>) => {
    if (outcome.kind === 'refused') {
      useMatching.setState({ problems: outcome.problems, asking: false });
      return;
    }
    const { answer, ms } = outcome;
    useMatching.setState({ answer, ms, asked: request.setup, asking: !answer.isProven, problems: [], all: answer.matches });
    if (answer.matches.length === told) {
      clearTimeout(calm);
      calm = setTimeout(
        () =>
          void askLook(allKey, false, { ...request, most: plotted }, (every) => {
            if (every.kind === 'answered') useMatching.setState({ all: every.answer.matches });
          }),
        allAfterMs,
      );
    }
  }).then(() => useMatching.setState({ asking: false }));
}

/** Stops looking; what was there stays. */
export function stopAsking(): void {
  stop(lookKey);
  stop(allKey);
  useMatching.setState({ asking: false, stopped: true });
}

/** Keeps the answers up with what is on the page. */
export function useAsking(): void {
  const setup = useBench((s) => s.document.setup);
  const match = useBench((s) => s.document.match);
  const fine = useBench((s) => s.problems.length === 0);
  const id = useBench((s) => s.id);
  const among = useMatching((s) => s.among);
  const feet = useSettings((s) => s.feet);
  const ready = useGear((s) => s.state === 'ready');
  const version = useGear((s) => s.version);
  const demo = useDemoSet();
  const linked = useLinked();
  const look = setup.rigs[yardstickOf(setup)];
  useEffect(() => useMatching.setState(nothing), [id]);
  useEffect(() => {
    if (fine) ask(linked);
    // Other rigs than the look are no part of the question.
  }, [setup.scene, setup.conventions, look, match, fine, among, feet, ready, version, demo, linked]);
}

/** The rigs that are cameras of the shelf: those of parts, with a body. */
export const camerasOf = ({ rigs }: Setup) =>
  rigs.flatMap((rig) => {
    const [body] = chainOf(rig)?.parts ?? [];
    return body && (body.item.kind === 'body' || body.item.kind === 'fixedLensCamera') ? [{ rig, body: body.item.id }] : [];
  });

/** Asks which lenses make the cameras of the Bench cut together; the yardstick leads. */
export function cutTogether(linked: ProductionDocument | null): void {
  const { document } = useBench.getState();
  const { setup } = document;
  const { agree, movesShare } = matchOf(document);
  const request: CutRequest = {
    setup,
    cameras: camerasOf(setup).map(({ rig, body }) => ({ rig: rig.id!, body, movesShare })),
    agree,
    ...amongOf(linked),
  };
  useProgress.setState({ cut: 0 });
  useMatching.setState({ cutting: true, cut: null, cutProblems: [], cutOf: { setup, agree, movesShare } });
  void askCut(request, (outcome) =>
    useMatching.setState(
      outcome.kind === 'refused'
        ? { cut: null, cutting: false, cutProblems: outcome.problems }
        : { cut: outcome.answer, cutting: false, cutProblems: [] },
    ),
  ).then(() => useMatching.setState({ cutting: false }));
}

/** Stops that; what was there stays. */
export function stopCutting(): void {
  stop('cut');
  useMatching.setState({ cutting: false });
}
