import type {
  BagDayRequest,
  BagDayResponse,
  BagsRequest,
  BagsResponse,
  FrontRequest,
  FrontResponse,
  Conventions,
  Core,
  CutRequest,
  CutResponse,
  DayRequest,
  DayResponse,
  FilterDayResponse,
  Diagnostic,
  FitRequest,
  FitResponse,
  GearItem,
  LookRequest,
  LookResponse,
  Question,
  Setup,
  Stepwise,
} from './types';
import { createQueue, type Work } from './queue';

/** What came of a question. */
export type Outcome<T> = { kind: 'answered'; answer: T; ms: number } | { kind: 'refused'; problems: Diagnostic[] };

const itemsAtOnce = 20;
const pairsAtOnce = 8;
const rigsAtOnce = 24;
/** How much of a search for a look is done when each rig has been asked once. */
const firstAt = 0.5;
/** How much of a search for a front is done when the shots have been asked. */
const askedAt = 0.6;

/** What takes longer than a hand waits: asked of a core beside the page. */
export interface Searches {
  /** Tells how far things are, by their key. */
  listen: (onProgress: (key: string, done: number) => void) => void;
  /** Puts a shelf together in place of the one before; false when a newer one took its place. */
  openShelf: (file: object, items: GearItem[]) => Promise<boolean>;
  fit: (key: string, isUrgent: boolean, request: FitRequest, feet: boolean) => Promise<Outcome<FitResponse> | null>;
  day: (request: DayRequest, feet: boolean) => Promise<Outcome<DayResponse> | null>;
  /** What comes near a look; the first answer is told as soon as each rig has been asked once. */
  look: (
    key: string,
    isUrgent: boolean,
    request: LookRequest,
    feet: boolean,
    onFirst: (outcome: Outcome<LookResponse>) => void,
  ) => Promise<Outcome<LookResponse> | null>;
  cut: (request: CutRequest, feet: boolean) => Promise<Outcome<CutResponse> | null>;
  /** What bags weigh, cost and reach. */
  bags: (request: BagsRequest, feet: boolean) => Promise<Outcome<BagsResponse> | null>;
  /** What a bag does in a day; the key tells bags apart. */
  bagDay: (key: string, request: BagDayRequest, feet: boolean) => Promise<Outcome<BagDayResponse> | null>;
  /** The front of two criteria; what is known of it is told as it grows. */
  front: (
    request: FrontRequest,
    feet: boolean,
    onSome: (outcome: Outcome<FrontResponse>) => void,
  ) => Promise<Outcome<FrontResponse> | null>;
  /** The fewest filters and rings for the day. */
  filters: (request: DayRequest, feet: boolean) => Promise<Outcome<FilterDayResponse> | null>;
  /** What each answer to the conventions would change; null when others were asked since. */
  questions: (setup: Setup, conventions: Conventions, feet: boolean) => Promise<Question[] | null>;
  /** Stops a question, or all of them; the shelf is put together all the same: the next page asks it too. */
  stop: (key?: string) => void;
}

/** The key of putting a shelf together. */
export const shelfKey = 'shelf';

/** Searches with a core of their own. A shelf that changes while a question is asked waits for it, and questions wait for a shelf. */
export function searchesWith(starting: Promise<Core>): Searches {
  let tell: (key: string, done: number) => void = () => undefined;
  const queue = createQueue((key, done) => tell(key, done));

  const stepwise = <Request, Response>(door: Stepwise<Request, Response>, request: Request, feet: boolean): Work<Outcome<Response>> => {
    let began = 0;
    return {
      begin() {
        began = performance.now();
        const problems = door.ask(request, feet);
        return problems && { kind: 'refused', problems };
      },
      step: () => door.step(rigsAtOnce),
      end: () => ({ kind: 'answered', answer: door.answer(feet), ms: performance.now() - began }),
    };
  };

  /** What is answered in one go. */
  const atOnce = <Response extends object>(answer: () => Response | Diagnostic[]): Work<Outcome<Response>> => ({
    begin() {
      const began = performance.now();
      const said = answer();
      return Array.isArray(said) ? { kind: 'refused', problems: said } : { kind: 'answered', answer: said, ms: performance.now() - began };
    },
    step: () => 1,
    end: () => ({ kind: 'refused', problems: [] }),
  });

  return {
    listen(onProgress) {
      tell = onProgress;
    },
    async openShelf(file, items) {
      const core = await starting;
      let at = 0;
      const made = await queue.ask(shelfKey, true, {
        begin() {
          at = 0;
          core.openShelf();
          return null;
        },
        step() {
          if (at < items.length) {
            core.readShelf({ ...file, items: items.slice(at, at + itemsAtOnce), retired: [] });
            at += itemsAtOnce;
            if (at >= items.length) {
              core.openShelf();
            }
            return 0;
          }
          return core.prepareShelf(pairsAtOnce);
        },
        end: () => true,
      });
      return made ?? false;
    },
    fit: async (key, isUrgent, request, feet) => queue.ask(key, isUrgent, stepwise((await starting).fit, request, feet)),
    day: async (request, feet) => queue.ask('day', true, stepwise((await starting).day, request, feet)),
    async look(key, isUrgent, request, feet, onFirst) {
      const core = await starting;
      const work = stepwise(core.look, request, feet);
      let first = false;
      return queue.ask(key, isUrgent, {
        begin() {
          first = false;
          return work.begin();
        },
        step() {
          const done = work.step();
          if (done >= firstAt && done < 1 && !first) {
            first = true;
            onFirst(work.end());
          }
          return done;
        },
        end: () => work.end(),
      });
    },
    cut: async (request, feet) => queue.ask('cut', true, stepwise((await starting).cut, request, feet)),
    filters: async (request, feet) => {
      const core = await starting;
      return queue.ask(
        'filters',
        true,
        atOnce(() => core.filterDay(request, feet)),
      );
    },
    bags: async (request, feet) => {
      const core = await starting;
      return queue.ask(
        'bags',
        true,
        atOnce(() => core.bags(request, feet)),
      );
    },
    bagDay: async (key, request, feet) => queue.ask(key, false, stepwise((await starting).bagDay, request, feet)),
    async front(request, feet, onSome) {
      const work = stepwise((await starting).front, request, feet);
      let told = 0;
      // It takes seconds: what a hand waits for goes before it.
      return queue.ask('front', false, {
        begin() {
          told = 0;
          return work.begin();
        },
        step() {
          const done = work.step();
          if (done > askedAt && done < 1 && done !== told) {
            told = done;
            onSome(work.end());
          }
          return done;
        },
        end: () => work.end(),
      });
    },
    async questions(setup, conventions, feet) {
      const core = await starting;
      return queue.ask('questions', true, {
        begin: () => core.questions({ ...setup, conventions }, feet),
        step: () => 1,
        end: () => [],
      });
    },
    stop: (key) => queue.stop((one) => (key === undefined ? one !== shelfKey : one === key)),
  };
}
