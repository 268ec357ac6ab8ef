import { core, type Entry } from '../../core/core';
import type { Mode } from '../../gear/gear';

/** A whole sensor, mm; NaN where it is not known. */
export interface Sensor {
  widthMm: number;
  heightMm: number;
}

const shapeOf = (mode: Pick<Mode, 'widthPx' | 'heightPx'>): number => (mode.widthPx && mode.heightPx ? mode.widthPx / mode.heightPx : NaN);

/** Reads the area that a mode uses, as papers tell it: a size, a crop, or the field of a known lens. */
export const readArea = (text: string, sensor: Sensor, mode: Pick<Mode, 'widthPx' | 'heightPx'>): Entry =>
  core().readModeArea(text, sensor.widthMm, sensor.heightMm, shapeOf(mode));

const widest = (sensor: Sensor, mode: Pick<Mode, 'widthPx' | 'heightPx'>): number[] =>
  readArea(mode.widthPx ? 'full width' : 'whole sensor', sensor, mode).values;

/** True while a mode's area is what comes of the sensor by itself: nobody has told another. */
const isWidest = (mode: Mode, sensor: Sensor): boolean => {
  const [width, height] = widest(sensor, mode);
  return !mode.areaWidthMm || (mode.areaWidthMm === width && mode.areaHeightMm === height);
};

const withWidest = (mode: Mode, sensor: Sensor): Mode => {
  const [width, height] = widest(sensor, mode);
  return width === undefined || height === undefined ? mode : { ...mode, areaWidthMm: width, areaHeightMm: height };
};

/** The modes after the sensor was told: the first comes of it, and whichever used all of the one before uses all of this. */
export function afterSensor(modes: Mode[], before: Sensor, sensor: Sensor): Mode[] {
  if (modes.length === 0) {
    return [withWidest({ name: 'Whole sensor', areaWidthMm: 0, areaHeightMm: 0 }, sensor)];
  }
  return modes.map((mode) => (isWidest(mode, before) ? withWidest(mode, sensor) : mode));
}

const ownName = /^(Mode \d+|Whole sensor)( \(\d+\))?$/;

const unlike = (name: string, others: Mode[]): string => {
  const taken = new Set(others.map((mode) => mode.name.toLowerCase()));
  let unique = name;
  for (let i = 2; taken.has(unique.toLowerCase()); i++) {
    unique = `${name} (${i})`;
  }
  return unique;
};

/** A mode after its pixels were told: by them it is called while it has no name of its own, and so wide it reads while nobody told another area. */
export function afterPixels(mode: Mode, pixels: [number, number] | null, sensor: Sensor, others: Mode[]): Mode {
  const next: Mode = { ...mode };
  if (pixels) {
    [next.widthPx, next.heightPx] = pixels;
  } else {
    delete next.widthPx;
    delete next.heightPx;
  }
  const called = mode.widthPx && mode.heightPx ? `${mode.widthPx} × ${mode.heightPx}` : '';
  const isUnnamed = ownName.test(mode.name) || mode.name.replace(/ \(\d+\)$/, '') === called;
  const name = pixels && isUnnamed ? unlike(`${pixels[0]} × ${pixels[1]}`, others) : mode.name;
  const named = { ...next, name };
  return isWidest(mode, sensor) ? withWidest(named, sensor) : named;
}

/** A further mode: like the last one, by its rates and area. */
export function oneMore(modes: Mode[], sensor: Sensor): Mode {
  const name = unlike(`Mode ${modes.length + 1}`, modes);
  const last = modes.at(-1);
  return last ? { ...last, name } : withWidest({ name, areaWidthMm: 36, areaHeightMm: 20.25 }, sensor);
}
