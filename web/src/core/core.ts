import type { components } from '../api/schema';

type Schemas = components['schemas'];
export type Setup = Schemas['EvaluateRequest'];
export type SceneInput = Schemas['SceneInput'];
export type RigInput = Schemas['RigInput'];
export type RigReport = Schemas['RigReportOutput'];
export type Focus = Schemas['FocusOutput'];
export type Evaluated = Schemas['EvaluateResponse'];
export type Problem = Schemas['Problem'];
export type FieldError = Schemas['FieldError'];

/** What was read from a typed text; see EntryOutput in the contract. */
export interface Entry {
  value: number | null;
  second: number | null;
  infinite: boolean;
  problem: string | null;
}

/** A generic sensor format; see FormatOutput in the contract. */
export interface SensorFormat {
  name: string;
  widthMm: number;
  heightMm: number;
}

/** The kinds of typed text that the core reads; see EntryKind in the core. */
export type EntryKind =
  | 'subjectDistance'
  | 'backgroundDistance'
  | 'lensHeight'
  | 'focalLength'
  | 'fNumber'
  | 'opticsMagnification'
  | 'squeeze'
  | 'punchIn'
  | 'deliveryAspect'
  | 'deliveryWidth'
  | 'sensorArea'
  | 'recordedPixels';

interface Exports {
  Evaluate: (json: string) => string;
  ReadEntry: (kind: string, text: string, feet: boolean) => string;
  StepEntry: (kind: string, value: number, up: boolean, large: boolean, feet: boolean) => number;
  Formats: () => string;
}

interface DotnetModule {
  dotnet: {
    create: () => Promise<{
      getConfig: () => { mainAssemblyName: string };
      getAssemblyExports: (name: string) => Promise<{ Juxtopsis: { Browser: { Exports: Exports } } }>;
    }>;
  };
}

/** The typed door to the core. The page draws and asks; every rule of the job is on the other side. */
export interface Core {
  evaluate: (setup: Setup) => { answer: Evaluated; problem?: undefined } | { problem: Problem; answer?: undefined };
  /** The core's answer as it stands, for comparing hosts. */
  evaluateText: (json: string) => string;
  read: (kind: EntryKind, text: string, feet: boolean) => Entry;
  step: (kind: EntryKind, value: number, up: boolean, large: boolean, feet: boolean) => number;
  formats: SensorFormat[];
}

async function boot(): Promise<Core> {
  const address = '/_framework/dotnet.js';
  const { dotnet } = (await import(/* @vite-ignore */ address)) as DotnetModule;
  const { getConfig, getAssemblyExports } = await dotnet.create();
  const { Exports: door } = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser;
  return {
    evaluate(setup) {
      const answer = JSON.parse(door.Evaluate(JSON.stringify(setup))) as Evaluated | Problem;
      return 'reports' in answer ? { answer } : { problem: answer };
    },
    evaluateText: (json) => door.Evaluate(json),
    read: (kind, text, feet) => JSON.parse(door.ReadEntry(kind, text, feet)) as Entry,
    step: (kind, value, up, large, feet) => door.StepEntry(kind, value, up, large, feet),
    formats: JSON.parse(door.Formats()) as SensorFormat[],
  };
}

/** The core, starting as soon as this module is loaded. */
export const coreReady: Promise<Core> = boot();

let started: Core | undefined;
void coreReady.then((core) => (started = core));

/** The core, for code that runs only after `coreReady`. */
export function core(): Core {
  if (!started) {
    throw new Error('The core has not started yet.');
  }
  return started;
}
