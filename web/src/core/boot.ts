import type { components } from '../api/schema';
import type {
  Assembled,
  BagsResponse,
  Core,
  Diagnostic,
  Entry,
  FieldOfMarks,
  FieldReading,
  FigureId,
  FigureInfo,
  FilterDayResponse,
  LookText,
  Measured,
  Numbers,
  Papers,
  Problem,
  Procedure,
  Question,
  RigReport,
  Setup,
  Stepwise,
  WantedFrame,
  Working,
} from './types';

type Schemas = components['schemas'];

interface Exports {
  Evaluate: (json: string) => Float64Array;
  Margins: (json: string) => Float64Array;
  Words: (json: string, feet: boolean) => string;
  Working: (json: string, feet: boolean) => string;
  Solve: (json: string, feet: boolean) => string;
  Hold: (json: string, feet: boolean) => string;
  Conventions: (json: string, feet: boolean) => string;
  Assemble: (json: string, feet: boolean) => string;
  TestProcedures: () => string;
  Measure: (json: string, feet: boolean) => string;
  MarkedField: (json: string, feet: boolean) => string;
  SafeAngles: (framesPerSecond: number, mainsHertz: number) => Float64Array;
  Frames: (json: string) => string;
  ReadGearField: (kind: string, field: string, text: string) => string;
  ReadPapers: (kind: string, text: string, makers: string, mounts: string) => string;
  ReadModeArea: (text: string, sensorWidthMm: number, sensorHeightMm: number, shape: number) => string;
  ReadLook: (text: string, feet: boolean, deliveryAspect: number) => string;
  Upgraded: (kind: string, json: string) => string;
  ReadEntry: (kind: string, text: string, feet: boolean, fps: number) => string;
  StepEntry: (kind: string, value: number, up: boolean, large: boolean, feet: boolean) => number;
  FitRead: (json: string) => void;
  FitOpen: () => void;
  FitPrepare: (pairs: number) => number;
  FitAsk: (json: string, feet: boolean) => string | null;
  FitStep: (rigs: number) => number;
  FitAnswer: (feet: boolean) => string;
  DayAsk: (json: string, feet: boolean) => string | null;
  DayStep: (rigs: number) => number;
  DayAnswer: (feet: boolean) => string;
  FilterDay: (json: string, feet: boolean) => string;
  LookAsk: (json: string, feet: boolean) => string | null;
  LookStep: (rigs: number) => number;
  LookAnswer: (feet: boolean) => string;
  CutAsk: (json: string, feet: boolean) => string | null;
  CutStep: (some: number) => number;
  CutAnswer: (feet: boolean) => string;
  Bags: (json: string, feet: boolean) => string;
  BagDayAsk: (json: string, feet: boolean) => string | null;
  BagDayStep: (rigs: number) => number;
  BagDayAnswer: (feet: boolean) => string;
  FrontAsk: (json: string, feet: boolean) => string | null;
  FrontStep: (some: number) => number;
  FrontAnswer: (feet: boolean) => string;
  Formats: () => string[];
  Levels: () => string[];
  Figures: () => string[];
}

interface DotnetModule {
  dotnet: {
    create: () => Promise<{
      getConfig: () => { mainAssemblyName: string };
      getAssemblyExports: (name: string) => Promise<{ Juxtopsis: { Browser: { Exports: Exports } } }>;
    }>;
  };
}

const noReasons: Diagnostic[][] = [];

const evOf = (text: string) => Number(text.replace('−', '-'));

/** Texts in a row, taken apart into rows of so many. */
const rowsOf = (texts: string[], each: number): string[][] =>
  Array.from({ length: texts.length / each }, (_, i) => texts.slice(i * each, (i + 1) * each));

/** Rigs without the parts that they came from: figures go by the numbers alone, and reading parts takes its time. */
const bare = (setup: Setup): Setup =>
  setup.rigs.some((rig) => rig.chain) ? { ...setup, rigs: setup.rigs.map((rig) => ({ ...rig, chain: undefined })) } : setup;

const bared = <Request extends { setup: Setup }>(request: Request): Request => ({ ...request, setup: bare(request.setup) });

const asIs = <Request>(request: Request): Request => request;

/** A question that the core answers a few rigs at a time. */
const stepwise = <Request, Response>(
  ask: (json: string, feet: boolean) => string | null,
  step: (rigs: number) => number,
  answer: (feet: boolean) => string,
  asked: (request: Request) => Request = asIs,
): Stepwise<Request, Response> => ({
  ask(request, feet) {
    const refused = ask(JSON.stringify(asked(request)), feet);
    return refused === null ? null : (JSON.parse(refused) as Problem).errors;
  },
  step,
  answer: (feet) => JSON.parse(answer(feet)) as Response,
});

/** Starts a core: one for the page, under the hand, and one in a worker, for what takes longer. */
export async function boot(): Promise<Core> {
  const address = '/_framework/dotnet.js';
  const { dotnet } = (await import(/* @vite-ignore */ address)) as DotnetModule;
  const { getConfig, getAssemblyExports } = await dotnet.create();
  const { Exports: door } = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser;
  const infos = rowsOf(door.Figures(), 6).map(
    ([id, name, unit, comparison, meaning, worry]) =>
      ({ id, name, unit, comparison, meaning, worryAbove: worry === '' ? null : Number(worry) }) as FigureInfo,
  );
  const names = infos.map((info) => info.id);
  const each = 1 + 2 * names.length;

  const named = (row: Float64Array, from: number): Numbers => {
    const numbers = {} as Numbers;
    for (let i = 0; i < names.length; i++) {
      numbers[names[i]!] = row[from + i]!;
    }
    return numbers;
  };

  return {
    evaluate(setup) {
      const row = door.Evaluate(JSON.stringify(bare(setup)));
      if (row[0] !== 0) {
        return null;
      }
      const reports: RigReport[] = [];
      for (let at = 1; at < row.length; at += each) {
        reports.push({ reasons: row[at]!, figures: named(row, at + 1), differences: named(row, at + 1 + names.length) });
      }
      return reports;
    },
    margins(setup) {
      const row = door.Margins(JSON.stringify(bare(setup)));
      return row[0] === 0 ? setup.rigs.map((_, i) => named(row, 1 + i * names.length)) : null;
    },
    words(setup, feet) {
      const said = JSON.parse(door.Words(JSON.stringify(bare(setup)), feet)) as Schemas['WordsOutput'] | Problem;
      return 'reasons' in said
        ? { conventions: said.conventionWords, reasons: said.reasons, problems: [] }
        : { conventions: [], reasons: noReasons, problems: said.errors };
    },
    working(setup, rig, figure, feet) {
      const said = JSON.parse(door.Working(JSON.stringify({ setup: bare(setup), rig, figure }), feet)) as Working | Problem;
      return 'steps' in said ? said : null;
    },
    solve(request, feet) {
      const said = JSON.parse(door.Solve(JSON.stringify({ ...request, setup: bare(request.setup) }), feet)) as
        Schemas['SolveResponse'] | Problem;
      return 'rigs' in said ? said.rigs : said.errors;
    },
    hold(request, feet) {
      const { before, after } = request;
      const fixedFilters = after.rigs.flatMap((rig, i) => (rig.chain ? [i] : []));
      const said = JSON.parse(door.Hold(JSON.stringify({ ...request, before: bare(before), after: bare(after), fixedFilters }), feet)) as
        Schemas['HoldResponse'] | Problem;
      return 'rigs' in said ? said.rigs : null;
    },
    questions(setup, feet) {
      const said = JSON.parse(door.Conventions(JSON.stringify(bare(setup)), feet)) as Question[] | Problem;
      return Array.isArray(said) ? said : [];
    },
    assemble(request, feet) {
      const said = JSON.parse(door.Assemble(JSON.stringify(request), feet)) as Assembled | Problem;
      return 'findings' in said ? said : null;
    },
    procedures: JSON.parse(door.TestProcedures()) as Procedure[],
    measure(request, feet) {
      const said = JSON.parse(door.Measure(JSON.stringify(request), feet)) as Measured | Problem;
      return 'charts' in said ? said : said.errors;
    },
    markedField(request) {
      const said = JSON.parse(door.MarkedField(JSON.stringify(request), false)) as { field: FieldOfMarks | null } | Problem;
      return 'field' in said ? said.field : said.errors;
    },
    safeAngles: (framesPerSecond, mainsHertz) => Array.from(door.SafeAngles(framesPerSecond, mainsHertz)),
    frames(document) {
      const said = JSON.parse(door.Frames(JSON.stringify(document))) as WantedFrame[] | Problem;
      return Array.isArray(said) ? said : [];
    },
    readGearField: (kind, field, text) => JSON.parse(door.ReadGearField(kind, field, text)) as FieldReading,
    readPapers: (kind, text, makers, mounts) => JSON.parse(door.ReadPapers(kind, text, makers.join('\n'), mounts.join('\n'))) as Papers,
    readModeArea: (text, width, height, shape) => JSON.parse(door.ReadModeArea(text, width, height, shape)) as Entry,
    readLook: (text, feet, deliveryAspect) => JSON.parse(door.ReadLook(text, feet, deliveryAspect)) as LookText,
    upgraded: (kind, document) => {
      const text = door.Upgraded(kind, JSON.stringify(document));
      return text === '' ? null : (JSON.parse(text) as unknown);
    },
    read: (kind, text, feet, fps = NaN) => JSON.parse(door.ReadEntry(kind, text, feet, fps)) as Entry,
    step: (kind, value, up, large, feet) => door.StepEntry(kind, value, up, large, feet),
    readShelf: (file) => door.FitRead(JSON.stringify(file)),
    openShelf: () => door.FitOpen(),
    prepareShelf: (pairs) => door.FitPrepare(pairs),
    fit: stepwise(door.FitAsk, door.FitStep, door.FitAnswer),
    day: stepwise(door.DayAsk, door.DayStep, door.DayAnswer),
    look: stepwise(door.LookAsk, door.LookStep, door.LookAnswer, bared),
    cut: stepwise(door.CutAsk, door.CutStep, door.CutAnswer, bared),
    bags(request, feet) {
      const said = JSON.parse(door.Bags(JSON.stringify(request), feet)) as BagsResponse | Problem;
      return 'bags' in said ? said : said.errors;
    },
    bagDay: stepwise(door.BagDayAsk, door.BagDayStep, door.BagDayAnswer),
    front: stepwise(door.FrontAsk, door.FrontStep, door.FrontAnswer),
    filterDay(request, feet) {
      const said = JSON.parse(door.FilterDay(JSON.stringify(request), feet)) as FilterDayResponse | Problem;
      return 'kits' in said ? said : said.errors;
    },
    levels: rowsOf(door.Levels(), 4).map(([name, from, usual, to]) => ({
      name: name!,
      fromEv: evOf(from!),
      usualEv: evOf(usual!),
      toEv: evOf(to!),
    })),
    formats: rowsOf(door.Formats(), 3).map(([name, width, height]) => ({ name: name!, widthMm: Number(width), heightMm: Number(height) })),
    figures: Object.fromEntries(infos.map((info) => [info.id, info])) as Record<FigureId, FigureInfo>,
  };
}
