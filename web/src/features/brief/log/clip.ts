import type { MediaInfoResult } from 'mediainfo.js';
import { headerOf, type Header } from './header';

const asked = ['focalLengthMm', 'fNumber', 'iso', 'shutterSeconds', 'distanceMm', 'fps'] as const;

type Track = Record<string, unknown>;

/** The number that a text begins with, with what stands behind it: 35 mm, 1/50, 2.40 m. */
function leading(value: unknown): { number: number; unit: string } | null {
  const found = /^\s*[fƒTt]?\/?\s*(\d+(?:\.\d+)?)(?:\s*\/\s*(\d+(?:\.\d+)?))?\s*([a-zA-Zµ°]*)/.exec(String(value));
  return found ? { number: Number(found[1]) / Number(found[2] ?? 1), unit: found[3]!.toLowerCase() } : null;
}

const perMm: Record<string, number> = { '': 1, mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 };

/** A header of the tracks of a clip (QuickTime, MP4, MXF and others), by the names that cameras give to what they write. */
export function clipHeaderOf(tracks: Track[]): Header {
  const all: [string, unknown][] = tracks.flatMap((track) => [
    ...Object.entries(track),
    ...Object.entries((track['extra'] as Track | undefined) ?? {}),
  ]);
  const first = (name: RegExp, not = /$^/) => all.find(([key]) => name.test(key) && !not.test(key))?.[1];
  const number = (value: unknown) => (value === undefined ? null : (leading(value)?.number ?? null));
  const length = (value: unknown, bare: string) => {
    const read = value === undefined ? null : leading(value);
    const each = read && perMm[read.unit === '' ? bare : read.unit];
    return read && each ? read.number * each : null;
  };
  const video = tracks.find((track) => track['@type'] === 'Video') ?? {};
  const at = first(/^Recorded_Date$/) ?? first(/^Encoded_Date$/);
  return headerOf(
    {
      // What is an equivalent on another format is no focal length of this lens.
      focalLengthMm: length(first(/focal_?length/i, /35_?mm|equivalent/i), 'mm'),
      fNumber: number(first(/iris_?f_?number|^f_?number$|[_.]f_?number$|aperture_?value/i)),
      iso: number(first(/iso_?sensitivity|exposure_?index|(^|[_.])iso$/i)),
      shutterSeconds: number(first(/shutter_?speed_?time|exposure_?time/i)),
      distanceMm: length(first(/focus_?position|focus_?distance|subject_?distance/i), 'm'),
      // What was captured goes before what it plays at.
      fps: number(
        video['FrameRate_Real'] ?? first(/capture_?fps|capture_?frame_?rate/i) ?? video['FrameRate_Original'] ?? video['FrameRate'],
      ),
    },
    typeof at === 'string' ? new Date(at.replace(' UTC', 'Z').replace(' ', 'T')) : null,
    [...asked],
  );
}

/** Reads a clip's header, and no more of the file than that; one that says nothing is no fault. Null while what reads it cannot be loaded. */
export async function readClipHeader(file: File): Promise<Header | null> {
  const loaded = await Promise.all([import('mediainfo.js'), import('mediainfo.js/MediaInfoModule.wasm?url')]).catch(() => null);
  if (!loaded) {
    return null;
  }
  const [{ mediaInfoFactory }, { default: wasm }] = loaded;
  const info = await mediaInfoFactory({ format: 'object', full: true, locateFile: () => wasm }).catch(() => null);
  if (!info) {
    return null;
  }
  try {
    const read = (size: number, offset: number) =>
      file
        .slice(offset, offset + size)
        .arrayBuffer()
        .then((bytes) => new Uint8Array(bytes));
    const result: MediaInfoResult = await info.analyzeData(file.size, read);
    return clipHeaderOf((result.media?.track ?? []) as unknown as Track[]);
  } catch {
    return clipHeaderOf([]);
  } finally {
    info.close();
  }
}

/** True for a file that is a clip by its kind or its name. */
export const isClip = (file: File): boolean =>
  file.type.startsWith('video/') || /\.(mov|mp4|m4v|mxf|mkv|avi|webm|mts|m2ts)$/i.test(file.name);
