import type { EntryKind, FigureId, Numbers, RigInput, RigReport, SceneInput } from '../../../core/core';
import { sceneNumber } from '../../../core/fields';
import { aperture, exposureTime, plain, withUnit } from '../../../ui/format';
import { changeRig, changeScene } from '../commands';
import type { ExposureControl } from '../holding';

/** Something on the way of the light that a hand moves. */
export interface Movable {
  kind: EntryKind;
  value: number;
  /** How much brighter the picture is with another value than with this one, stops. */
  brighter: (value: number) => number;
  /** True where a larger value makes the picture brighter. */
  grows: boolean;
  set: (value: number) => void;
}

/** What one thing on the way of the light gives or takes. */
export interface Step {
  figure: FigureId;
  /** What it is called where it is read out. */
  name: string;
  /** How it is set, or what it is where it cannot be set. */
  says: string;
  /** Below zero it takes light. */
  stops: number;
  /** Null for what follows from parts or focus. */
  move: Movable | null;
  /** The setting that it is and that can be pinned; null for what is none. */
  control: ExposureControl | null;
}

/** A rig's way of the light: what it begins with, its steps in their order, and what is left over. */
export interface Way {
  steps: Step[];
  /** What is left over, or lacks where it is below zero, stops; null where the sensitivity is open. */
  end: number | null;
}

/** Less than this is neither seen in the drawing nor in the picture, stops. */
const seenStops = 0.05;

const log2 = (ratio: number) => Math.log2(ratio);

/** The steps of a rig, as the core's figures tell them; what neither gives nor takes and cannot be moved is left out. */
export function wayOf(rig: RigInput, { figures }: RigReport, scene: SceneInput, start: number): Way {
  const stops = (figure: FigureId) => (Number.isNaN(figures[figure]) ? 0 : figures[figure]);
  const id = rig.id!;
  const filter = rig.filterStops ?? 0;
  const iso = rig.sensitivityIso ?? null;
  const all: Step[] = [
    {
      figure: 'filterStepStops',
      name: 'Filter',
      says: filter === 0 ? 'no filter' : withUnit(plain(filter, 1), 'st'),
      stops: stops('filterStepStops'),
      control: rig.chain ? null : 'filter',
      // Filters that are parts come and go with the parts.
      move: rig.chain
        ? null
        : {
            kind: 'filter',
            value: filter,
            brighter: (value) => filter - value,
            grows: false,
            set: (filterStops) => changeRig(id, { filterStops }),
          },
    },
    {
      figure: 'apertureStepStops',
      name: 'Aperture',
      says: aperture(rig.fNumber),
      stops: stops('apertureStepStops'),
      control: 'aperture',
      move: {
        kind: 'fNumber',
        value: rig.fNumber,
        brighter: (value) => 2 * log2(rig.fNumber / value),
        grows: false,
        set: (fNumber) => changeRig(id, { fNumber }),
      },
    },
    {
      figure: 'opticsStepStops',
      name: 'Optics behind the lens',
      says: opticsText(figures),
      stops: stops('opticsStepStops'),
      move: null,
      control: null,
    },
    { figure: 'glassStepStops', name: 'Glass of the lens', says: 'glass', stops: stops('glassStepStops'), move: null, control: null },
    { figure: 'focusStepStops', name: 'Focusing close', says: 'close', stops: stops('focusStepStops'), move: null, control: null },
    {
      figure: 'shutterStepStops',
      name: 'Shutter',
      says: exposureTime(figures.exposureTimeSeconds),
      stops: stops('shutterStepStops'),
      control: 'shutter',
      move: shutterOf(rig, scene),
    },
    {
      figure: 'sensitivityStepStops',
      name: 'Sensitivity',
      says: iso === null ? 'open' : `ISO ${plain(iso, 0)}`,
      stops: stops('sensitivityStepStops'),
      control: 'sensitivity',
      move: {
        kind: 'sensitivity',
        value: iso ?? 100,
        brighter: (value) => log2(value / (iso ?? 100)),
        grows: true,
        set: (sensitivityIso) => changeRig(id, { sensitivityIso }),
      },
    },
  ];
  const steps = all.filter((step) => step.move !== null || Math.abs(step.stops) >= seenStops);
  return { steps, end: iso === null ? null : start + all.reduce((sum, step) => sum + step.stops, 0) };
}

/** The shutter that a rig is exposed with: its own, or the scene's, by its time where that is held and by its angle else. */
function shutterOf(rig: RigInput, scene: SceneInput): Movable {
  const by = (value: number, kind: EntryKind, set: (to: number) => void): Movable => ({
    kind,
    value,
    brighter: (to) => log2(to / value),
    grows: true,
    set,
  });
  return rig.shutterAngleDeg != null
    ? by(rig.shutterAngleDeg, 'shutterAngle', (shutterAngleDeg) => changeRig(rig.id!, { shutterAngleDeg }))
    : scene.shutterSeconds != null
      ? by(scene.shutterSeconds, 'shutterTime', (shutterSeconds) => changeScene({ shutterSeconds }))
      : by(sceneNumber(scene, 'shutterAngleDeg'), 'shutterAngle', (shutterAngleDeg) => changeScene({ shutterAngleDeg }));
}

const opticsText = (figures: Numbers) => `${plain(figures.opticsMagnification, 2)}×`;

/**
 * What all ladders begin with: the brightness of the scene; where that is not known, the one for which the yardstick is right, so that
 * the others are told against it; null where the yardstick's sensitivity is open too.
 */
export function startOf(scene: SceneInput, yardstick: RigReport): { ev: number; isKnown: boolean } | null {
  const right = yardstick.figures.settingEv;
  return scene.brightnessEv != null
    ? { ev: scene.brightnessEv, isKnown: true }
    : Number.isNaN(right)
      ? null
      : { ev: right, isKnown: false };
}

/** The figures of the steps, in their order. */
const order: FigureId[] = [
  'filterStepStops',
  'apertureStepStops',
  'opticsStepStops',
  'glassStepStops',
  'focusStepStops',
  'shutterStepStops',
  'sensitivityStepStops',
];

/** How bright another setting of a rig is after each step of a way as it is drawn; steps that are not drawn count with the next. */
export function totalsAlong({ steps }: Way, { figures }: RigReport, start: number): number[] {
  const after = (figure: FigureId) =>
    order.slice(0, order.indexOf(figure) + 1).reduce((sum, f) => sum + (Number.isNaN(figures[f]) ? 0 : figures[f]), start);
  return steps.map((step) => after(step.figure));
}

/** What there is to say of a rig's light beside its steps: what slow motion costs, and what a variable filter can do. */
export function notesOf(rig: RigInput, { figures }: RigReport, scene: SceneInput, end: number | null): string[] {
  const notes: string[] = [];
  if (Math.abs(figures.slowMotion - 1) > 0.001) {
    const [slows, cost] = [figures.slowMotion > 1, Math.abs(figures.slowMotionStops)];
    const lasts = `${withUnit(plain(sceneNumber(scene, 'movementSeconds'), 2), 's')} of movement lasts ${withUnit(plain(figures.movementOnScreenSeconds, 2), 's')}`;
    const costs = cost < 0.05 ? 'costs no light' : `${slows ? 'costs' : 'gains'} ${withUnit(plain(cost, 1), 'st')}`;
    notes.push(`${slows ? 'Slow motion' : 'Quick motion'} ${plain(figures.slowMotion, 2)}×: ${lasts}, and ${costs}.`);
  }
  const { variableFilterMinStops: from, variableFilterMaxStops: to } = rig;
  if (from != null && to != null && end !== null) {
    const does =
      end >= from && end <= to
        ? `right when turned to ${withUnit(plain(end, 1), 'st')}`
        : end > to
          ? `${withUnit(plain(end - to, 1), 'st')} remain`
          : `takes ${withUnit(plain(from - end, 1), 'st')} too much`;
    notes.push(`Variable filter, ${plain(from, 1)} to ${withUnit(plain(to, 1), 'st')}: ${does}.`);
  }
  return notes;
}

/** How bright it is before the first step and after each, stops. */
export const totalsOf = ({ steps }: Way, start: number): number[] =>
  steps.reduce<number[]>((sums, step) => [...sums, sums.at(-1)! + step.stops], [start]);

/** The stops that all ladders of a page reach, one scale for all of them. */
export function reachOf(start: number, ways: Way[]): { top: number; bottom: number } {
  const marks = ways.flatMap((way) => totalsOf(way, start));
  return { top: Math.ceil(Math.max(1, start, ...marks) + 0.6), bottom: Math.floor(Math.min(-1, ...marks) - 0.6) };
}

const mostSteps = 200;

/** The value that a hand asks for which moves a step by some stops: one of those that keys step through. */
export function movedTo(
  { kind, value, brighter, grows }: Movable,
  stops: number,
  step: (kind: EntryKind, value: number, up: boolean) => number,
): number {
  const up = stops > 0 === grows;
  let now = value;
  for (let i = 0; i < mostSteps; i++) {
    const next = step(kind, now, up);
    if (next === now || Math.abs(brighter(next) - stops) >= Math.abs(brighter(now) - stops)) {
      break;
    }
    now = next;
  }
  return now;
}

/** Mains of the world, Hz. */
const mains = [50, 60];

/** For which captured rates and lamps shutters are listed: those that are set first. */
export function linesOf(scene: SceneInput, rigs: RigInput[]): { fps: number; hertz: number }[] {
  const timeline = sceneNumber(scene, 'timelineFps');
  const rates = [...new Set(rigs.map((rig) => rig.captureFps ?? timeline))];
  const lamps = [...new Set([sceneNumber(scene, 'mainsHertz'), ...mains])];
  return rates.flatMap((fps) => lamps.map((hertz) => ({ fps, hertz })));
}
