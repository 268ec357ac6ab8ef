import type { components } from '../api/schema';

type Schemas = components['schemas'];
export type Setup = Schemas['EvaluateRequest'];
export type SceneInput = Schemas['SceneInput'];
export type RigInput = Schemas['RigInput'];
export type LensInput = NonNullable<RigInput['lens']>;
export type Conventions = Schemas['ConventionsInput'];
export type FigureId = Schemas['FigureId'];
export type FigureUnit = Schemas['FigureUnit'];
export type FigureInfo = Schemas['FigureInfo'];
export type Diagnostic = Schemas['DiagnosticOutput'];
export type Working = Schemas['WorkingOutput'];
export type Question = Schemas['QuestionOutput'];
export type SolveRequest = Schemas['SolveRequest'];
export type Solution = Schemas['SolutionOutput'];
export type HoldRequest = Schemas['HoldRequest'];
export type Held = Schemas['HeldOutput'];
export type HoldNote = Schemas['HoldNoteOutput'];
export type Problem = Schemas['Problem'];
export type Procedure = Schemas['ProcedureOutput'];
export type MeasureRequest = Schemas['MeasureRequest'];
export type Measured = Schemas['MeasureResponse'];
export type TestReading = Schemas['TestReadingInput'];
export type TestSetup = Schemas['TestSetupInput'];
export type TestResult = Schemas['TestResult'];
export type TestChart = Schemas['TestChart'];
export type MarksRequest = Schemas['MarksRequest'];
export type FieldOfMarks = Schemas['FieldOfMarks'];
export type AssembleRequest = Schemas['AssembleRequest'];
export type Assembled = Schemas['AssembleResponse'];
export type GearKind = Schemas['KindOutput'];
export type GearField = Schemas['FieldOutput'];
export type LocationInput = Schemas['LocationInput'];
export type ShotInput = Schemas['ShotInput'];
export type SubjectInput = Schemas['SubjectInput'];
export type ChosenRig = Schemas['ChosenInput'];
export type Delivery = Schemas['DeliveryInput'];
export type FitRequest = Schemas['FitRequest'];
export type FitResponse = Schemas['FitResponse'];
/** What the picture of a shot takes in. */
export type WantedFrame = Schemas['FrameOutput'];
export type Fit = Schemas['FitOutput'];
export type Miss = Schemas['MissOutput'];
export type Spare = Schemas['SpareOutput'];
export type MarginPart = Schemas['MarginPartOutput'];
export type Remedy = Schemas['RemedyOutput'];
export type FitRig = Schemas['RigOutput'];
export type DayRequest = Schemas['DayRequest'];
export type DayResponse = Schemas['DayResponse'];
export type FilterDayResponse = Schemas['FilterDayResponse'];
export type LookRequest = Schemas['LookRequest'];
export type LookResponse = Schemas['LookResponse'];
export type LookMatch = Schemas['MatchOutput'];
export type Look = Schemas['LookOutput'];
export type LookAspect = Schemas['LookAspect'];
export type AspectWish = Schemas['AspectInput'];
export type MissingGear = Omit<Schemas['MissingOutput'], 'item'> & { item: GearItem };
export type CutRequest = Schemas['CutRequest'];
export type CutResponse = Schemas['CutResponse'];
export type BagsRequest = Schemas['BagsRequest'];
export type BagsResponse = Schemas['BagsResponse'];
export type BagDayRequest = Schemas['BagDayRequest'];
export type BagDayResponse = Schemas['BagDayResponse'];
export type FrontRequest = Schemas['FrontRequest'];
export type FrontResponse = Schemas['FrontResponse'];
export type PartialSum = Schemas['PartialSum'];
export type Cut = Schemas['CutOutput'];
export type Entry = Schemas['EntryOutput'];
/** The kinds of typed text that the core reads. */
export type EntryKind = Schemas['EntryKind'];
/** A generic sensor format. */
export type SensorFormat = Pick<Schemas['SensorFormat'], 'name' | 'widthMm' | 'heightMm'>;

/** A brightness as people name it, a range of exposure values at ISO 100. */
export interface LightLevel {
  name: string;
  fromEv: number;
  usualEv: number;
  toEv: number;
}

/** A chain of parts, as it is stored with a rig. */
export type Chain = Omit<Schemas['ChainInput'], 'parts' | 'mounts'> & { parts: ChainPart[]; mounts?: GearItem[] };
export interface ChainPart {
  item: GearItem;
  revision: number;
}

/** A piece of gear: its kind, its id, and a member for each thing that is known of it; see /api/shelf/schema.json. */
export interface GearItem {
  kind: string;
  id: string;
  name: string;
  [field: string]: unknown;
}

/** What was read of a thing's papers: members of its JSON, words that nothing was made of, and what is worth a word. */
export type Papers = Omit<Schemas['PapersOutput'], 'known'> & { known: Record<string, unknown> };

/** What was read of a look in words; see the core's LookTextOutput. */
export interface LookText {
  sensorWidthMm: number;
  sensorHeightMm: number;
  focalLengthMm: number;
  fNumber: number;
  squeeze: number;
  distanceMm: number | null;
  behindMm: number | null;
  isOpenBehind: boolean;
  deliveryAspect: number | null;
  problem: string | null;
}

/** What was read of the text of a gear's field. */
export interface FieldReading {
  value: unknown;
  problem: string | null;
}

/** Numbers by figure; NaN for a figure that does not exist, infinity where it is meant. */
export type Numbers = Record<FigureId, number>;

/** What one rig gives. */
export interface RigReport {
  figures: Numbers;
  /** Against the yardstick: per cent, stops or the figure's own unit. */
  differences: Numbers;
  /** Which reasons stand in the way, as a number: when it stays the same, so do the words, but for the numbers in them. */
  reasons: number;
}

/** What is to be said besides the figures. */
export interface Words {
  conventions: string[];
  /** For each rig, the weightiest first. */
  reasons: Diagnostic[][];
  problems: Diagnostic[];
}

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

/** A question that is answered a few rigs at a time. A new one takes the place of the one before. */
export interface Stepwise<Request, Response> {
  /** Takes a question on; what is at fault with it, or null. */
  ask: (request: Request, feet: boolean) => Diagnostic[] | null;
  /** Goes on for so many rigs; how much is done, 0 to 1. */
  step: (rigs: number) => number;
  answer: (feet: boolean) => Response;
}

/** The typed door to the core. The page draws and asks; every rule of the job is on the other side. */
export interface Core {
  /** A report for each rig; null when the request is refused, and the words say why. */
  evaluate: (setup: Setup) => RigReport[] | null;
  /** How far off each figure of each rig may be by what is not measured; NaN for what is not there or infinite. Null when refused. */
  margins: (setup: Setup) => Numbers[] | null;
  words: (setup: Setup, feet: boolean) => Words;
  working: (setup: Setup, rig: number, figure: FigureId, feet: boolean) => Working | null;
  solve: (request: SolveRequest, feet: boolean) => Solution[][] | Diagnostic[];
  /** How each rig is set after it has followed a change; null when a setup is refused. */
  hold: (request: Omit<HoldRequest, 'fixedFilters'>, feet: boolean) => Held[] | null;
  questions: (setup: Setup, feet: boolean) => Question[];
  /** Parts put together; null when a part cannot be read. */
  assemble: (request: AssembleRequest, feet: boolean) => Assembled | null;
  /** How tests of physical units are done. */
  procedures: Procedure[];
  /** What readings of a unit come to; what is wrong with them where they are refused. */
  measure: (request: MeasureRequest, feet: boolean) => Measured | Diagnostic[];
  /** The field that marks on a still tell; null where they tell none, what is wrong where they are refused. */
  markedField: (request: MarksRequest) => FieldOfMarks | null | Diagnostic[];
  /** Shutter angles that hold whole flickers of lamps on the mains, the smallest first; none where a frame is shorter than a flicker. */
  safeAngles: (framesPerSecond: number, mainsHertz: number) => number[];
  /** What the picture of each shot takes in; none when the production is refused. */
  frames: (document: Schemas['ProductionDocument']) => WantedFrame[];
  readGearField: (kind: string, field: string, text: string) => FieldReading;
  /** What is read of a thing's papers; the makers and mounts that the shelf knows tell names from other words. */
  readPapers: (kind: string, text: string, makers: string[], mounts: string[]) => Papers;
  /** Reads a look in words; NaN where each format has its own shape. */
  readLook: (text: string, feet: boolean, deliveryAspect: number) => LookText;
  /** Reads how much of a sensor (mm, NaN for unknown) a mode of a shape (NaN for unknown) uses. */
  readModeArea: (text: string, sensorWidthMm: number, sensorHeightMm: number, shape: number) => Entry;
  /** A kept document of any version, brought up to the version of now; null when it cannot be read. */
  upgraded: (kind: string, document: unknown) => unknown;
  /** Reads a typed text; with frames a second, an exposure time is read as a shutter angle. */
  read: (kind: EntryKind, text: string, feet: boolean, fps?: number) => Entry;
  step: (kind: EntryKind, value: number, up: boolean, large: boolean, feet: boolean) => number;
  /** Reads a part of a shelf. */
  readShelf: (file: object) => void;
  /** Takes what was read in place of the shelf before, to be put together by `prepareShelf`. */
  openShelf: () => void;
  /** Puts so many pairs of body and lens together; how much is done, 0 to 1. */
  prepareShelf: (pairs: number) => number;
  fit: Stepwise<FitRequest, FitResponse>;
  day: Stepwise<DayRequest, DayResponse>;
  /** What comes near a look; half way each rig has been asked once, and there is a first answer. */
  look: Stepwise<LookRequest, LookResponse>;
  /** Which lenses make cameras cut together. */
  cut: Stepwise<CutRequest, CutResponse>;
  /** What bags weigh, cost and reach; what is wrong with the request where it is refused. */
  bags: (request: BagsRequest, feet: boolean) => BagsResponse | Diagnostic[];
  /** What a bag does in a day. */
  bagDay: Stepwise<BagDayRequest, BagDayResponse>;
  /** The bags of which none is better on both axes. */
  front: Stepwise<FrontRequest, FrontResponse>;
  /** The fewest filters and rings for the rigs that are chosen; what is wrong with the request where it is refused. */
  filterDay: (request: DayRequest, feet: boolean) => FilterDayResponse | Diagnostic[];
  formats: SensorFormat[];
  /** How bright places are as people name them, the brightest first. */
  levels: LightLevel[];
  /** What each figure is. */
  figures: Record<FigureId, FigureInfo>;
}

const noReasons: Diagnostic[][] = [];

/** Texts in a row, taken apart into rows of so many. */
const evOf = (text: string) => Number(text.replace('−', '-'));

const rowsOf = (texts: string[], each: number): string[][] =>
  Array.from({ length: texts.length / each }, (_, i) => texts.slice(i * each, (i + 1) * each));

/** Rigs without the parts that they came from: figures go by the numbers alone, and reading parts takes its time. */
const bare = (setup: Setup): Setup =>
  setup.rigs.some((rig) => rig.chain) ? { ...setup, rigs: setup.rigs.map((rig) => ({ ...rig, chain: undefined })) } : setup;

const refusal = (json: string | null): Diagnostic[] | null => (json === null ? null : (JSON.parse(json) as Problem).errors);

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
    fit: {
      ask: (request, feet) => refusal(door.FitAsk(JSON.stringify(request), feet)),
      step: (rigs) => door.FitStep(rigs),
      answer: (feet) => JSON.parse(door.FitAnswer(feet)) as FitResponse,
    },
    day: {
      ask: (request, feet) => refusal(door.DayAsk(JSON.stringify(request), feet)),
      step: (rigs) => door.DayStep(rigs),
      answer: (feet) => JSON.parse(door.DayAnswer(feet)) as DayResponse,
    },
    look: {
      ask: (request, feet) => refusal(door.LookAsk(JSON.stringify({ ...request, setup: bare(request.setup) }), feet)),
      step: (rigs) => door.LookStep(rigs),
      answer: (feet) => JSON.parse(door.LookAnswer(feet)) as LookResponse,
    },
    cut: {
      ask: (request, feet) => refusal(door.CutAsk(JSON.stringify({ ...request, setup: bare(request.setup) }), feet)),
      step: (some) => door.CutStep(some),
      answer: (feet) => JSON.parse(door.CutAnswer(feet)) as CutResponse,
    },
    bags(request, feet) {
      const said = JSON.parse(door.Bags(JSON.stringify(request), feet)) as BagsResponse | Problem;
      return 'bags' in said ? said : said.errors;
    },
    bagDay: {
      ask: (request, feet) => refusal(door.BagDayAsk(JSON.stringify(request), feet)),
      step: (rigs) => door.BagDayStep(rigs),
      answer: (feet) => JSON.parse(door.BagDayAnswer(feet)) as BagDayResponse,
    },
    front: {
      ask: (request, feet) => refusal(door.FrontAsk(JSON.stringify(request), feet)),
      step: (some) => door.FrontStep(some),
      answer: (feet) => JSON.parse(door.FrontAnswer(feet)) as FrontResponse,
    },
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

/** True when the rig has a plane of focus. */
export const isFocused = (report: RigReport): boolean => !Number.isNaN(report.figures.magnification);
