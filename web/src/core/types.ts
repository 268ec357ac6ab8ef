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
