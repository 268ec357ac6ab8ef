import { headerOf, type Header } from './header';

const asked = ['focalLengthMm', 'fNumber', 'iso', 'shutterSeconds', 'distanceMm'] as const;

/** Takes what the tags of a still say (EXIF, XMP). */
export function stillHeaderOf(tags: Record<string, unknown>): Header {
  const { FocalLength, FNumber, ISO, ExposureTime, SubjectDistance, DateTimeOriginal } = tags;
  return headerOf(
    {
      focalLengthMm: FocalLength,
      fNumber: FNumber,
      iso: ISO,
      shutterSeconds: ExposureTime,
      distanceMm: typeof SubjectDistance === 'number' ? SubjectDistance * 1000 : null,
    },
    DateTimeOriginal instanceof Date ? DateTimeOriginal : null,
    [...asked],
  );
}

/** Reads a still's header; one that says nothing is no fault. Null while what reads it cannot be loaded. */
export async function readStillHeader(file: File): Promise<Header | null> {
  const exifr = await import('exifr').catch(() => null);
  if (!exifr) {
    return null;
  }
  try {
    const tags = (await exifr.parse(file, { xmp: true, tiff: true, exif: true, gps: false })) as Record<string, unknown> | undefined;
    return stillHeaderOf(tags ?? {});
  } catch {
    return stillHeaderOf({});
  }
}
