import type { Take } from './takes';

/** What a still's header says of how it was taken. */
export interface Header {
  set: Pick<Take, 'focalLengthMm' | 'fNumber' | 'iso' | 'shutterSeconds' | 'distanceMm'>;
  takenAt: string | null;
  /** What is filled in, in words. */
  told: string[];
  /** What it does not say. */
  silent: string[];
}

const words: Record<keyof Header['set'], string> = {
  focalLengthMm: 'focal length',
  fNumber: 'aperture',
  iso: 'sensitivity',
  shutterSeconds: 'shutter',
  distanceMm: 'distance',
};

/** Takes what tags say; what cannot be is as though it was not there. */
export function headerOf(tags: Record<string, unknown>): Header {
  const number = (key: string, least: number, most: number) => {
    const value = tags[key];
    return typeof value === 'number' && value >= least && value <= most ? value : null;
  };
  const away = number('SubjectDistance', 0.01, 10_000);
  const set: Header['set'] = {
    focalLengthMm: number('FocalLength', 0.5, 5000),
    fNumber: number('FNumber', 0.3, 512),
    iso: number('ISO', 1, 10_000_000),
    shutterSeconds: number('ExposureTime', 1e-5, 10),
    distanceMm: away === null ? null : away * 1000,
  };
  const at = tags['DateTimeOriginal'];
  const keys = Object.keys(words) as (keyof Header['set'])[];
  return {
    set: Object.fromEntries(keys.filter((key) => set[key] !== null).map((key) => [key, set[key]])),
    takenAt: at instanceof Date && !Number.isNaN(at.getTime()) ? at.toISOString() : null,
    told: keys.filter((key) => set[key] !== null).map((key) => words[key]),
    silent: keys.filter((key) => set[key] === null).map((key) => words[key]),
  };
}

/** Reads a still's header; one that says nothing is no fault. */
export async function readHeader(file: File): Promise<Header> {
  try {
    const { parse } = await import('exifr');
    const tags = (await parse(file, { xmp: true, tiff: true, exif: true, gps: false })) as Record<string, unknown> | undefined;
    return headerOf(tags ?? {});
  } catch {
    return headerOf({});
  }
}
