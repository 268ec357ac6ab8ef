import type { Take } from './takes';

/** What the header of a still or a clip says of how it was taken. */
export interface Header {
  set: Partial<Pick<Take, 'focalLengthMm' | 'fNumber' | 'iso' | 'shutterSeconds' | 'distanceMm' | 'fps'>>;
  takenAt: string | null;
  /** What is filled in, in words. */
  told: string[];
  /** What it does not say. */
  silent: string[];
}

const words = {
  focalLengthMm: 'focal length',
  fNumber: 'aperture',
  iso: 'sensitivity',
  shutterSeconds: 'shutter',
  distanceMm: 'distance',
  fps: 'frames a second',
} as const satisfies Record<keyof Header['set'], string>;

/** What a take can hold; a header that says otherwise is as though it said nothing. */
const ranges: Record<keyof Header['set'], [number, number]> = {
  focalLengthMm: [0.5, 5000],
  fNumber: [0.3, 512],
  iso: [1, 10_000_000],
  shutterSeconds: [1e-5, 10],
  distanceMm: [10, 1e7],
  fps: [0.1, 100_000],
};

const isWithin = (value: unknown, [least, most]: [number, number]): value is number =>
  typeof value === 'number' && value >= least && value <= most;

/** A header of what was found; only what is asked of such a file is told to be missing. */
export function headerOf(found: Record<string, unknown>, takenAt: Date | null, asked: (keyof Header['set'])[]): Header {
  const keys = asked.filter((key) => isWithin(found[key], ranges[key]));
  return {
    set: Object.fromEntries(keys.map((key) => [key, found[key]])),
    takenAt: takenAt === null || Number.isNaN(takenAt.getTime()) ? null : takenAt.toISOString(),
    told: keys.map((key) => words[key]),
    silent: asked.filter((key) => !keys.includes(key)).map((key) => words[key]),
  };
}
