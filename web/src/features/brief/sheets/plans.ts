import type { Fit, LocationInput, ShotInput } from '../../../core/core';
import { circle, line, rect, type Mark } from '../../../sheets/marks';
import { roundDistance } from '../../../ui/format';
import type { Language } from '../../../sheets/make/language';

/** A shot in a place: which one, and where its camera stands. */
export interface Placed {
  mark: string;
  shot: ShotInput;
  fit: Fit;
  /** How wide its picture is at the subject. */
  fieldMm: number;
}

const [mostWide, mostHigh] = [176, 74];
/** How long the mark of a camera is drawn. */
const half = 3;
const usualAcrossMm = 3000;

/**
 * A place from above to scale, with the subject and the camera of each shot. What is behind the subject is on the left, as in the Brief. Shots that
 * look along the other side of the place are on a plan of their own.
 */
export function planOf(
  place: LocationInput,
  along: 'length' | 'width',
  placed: Placed[],
  say: Language,
): { width: number; height: number; marks: Mark[] } {
  const lengthMm = (along === 'length' ? place.lengthMm : place.widthMm) ?? null;
  const acrossMm = (along === 'length' ? place.widthMm : place.lengthMm) ?? null;
  const subjects = placed.map(({ shot, fit }) => shot.behindMm ?? place.behindMm ?? Math.max(2000, 0.35 * fit.distanceMm));
  const farthest = Math.max(
    ...placed.map(({ shot, fit }, i) => subjects[i]! + (shot.cameraSupport === 'overhead' ? 0 : fit.distanceMm + fit.rearMm)),
  );
  const long = lengthMm ?? farthest * 1.06;
  const wide = acrossMm ?? Math.min(long, Math.max(usualAcrossMm, long * 0.18, ...placed.map(({ fieldMm }) => fieldMm * 1.15)));
  const scale = Math.min(mostWide / long, mostHigh / wide);
  const [width, height] = [long * scale, wide * scale];
  const side = place.sideMm ?? wide / 2;
  const marks: Mark[] = [{ kind: 'path', d: rect(0, 0, width, height), fill: 'shade' }];
  const walls = [
    line(0, 0, 0, height),
    ...(lengthMm === null ? [] : [line(width, 0, width, height)]),
    ...(acrossMm === null ? [] : [line(0, 0, width, 0), line(0, height, width, height)]),
  ];
  if (place.behindMm != null || lengthMm !== null) marks.push(...walls.map((d): Mark => ({ kind: 'path', d, stroke: 'ink', width: 0.7 })));
  const taken: { x: number; y: number }[] = [];
  placed.forEach(({ mark, shot, fit }, i) => {
    const subject = subjects[i]! * scale;
    const overhead = shot.cameraSupport === 'overhead';
    const { x, y } = freeFrom(overhead ? subject : subject + fit.distanceMm * scale, side * scale, height, taken);
    taken.push({ x, y });
    marks.push({ kind: 'path', d: circle(subject, side * scale, 1.1), fill: 'ink' });
    if (!overhead) {
      // What the picture takes in, to the subject.
      for (const edge of [-1, 1]) {
        const at = Math.min(height, Math.max(0, side * scale + (edge * placed[i]!.fieldMm * scale) / 2));
        marks.push({ kind: 'path', d: line(x, y, subject, at), stroke: 'soft', width: 0.15 });
      }
    }
    marks.push({ kind: 'path', d: `M${r(x)} ${r(y)}L${r(x + half)} ${r(y - 1.5)}L${r(x + half)} ${r(y + 1.5)}z`, fill: 'ink' });
    marks.push({ kind: 'text', x: x + half + 0.8, y: y + 1, text: mark, size: 7.5, face: 'monoBold', tone: 'ink', align: 'left' });
  });
  const bar = niceLength(long * 0.25, say.feet);
  marks.push({ kind: 'path', d: line(0, height + 4, bar * scale, height + 4), stroke: 'ink', width: 0.5 });
  marks.push({
    kind: 'text',
    x: bar * scale + 1.5,
    y: height + 5,
    text: say.of(roundDistance(bar, say.feet)),
    size: 7,
    face: 'mono',
    tone: 'soft',
    align: 'left',
  });
  const sizes = [lengthMm === null ? '' : say.length(lengthMm), acrossMm === null ? '' : say.length(acrossMm)].filter(Boolean);
  marks.push({
    kind: 'text',
    x: width,
    y: height + 5,
    text: sizes.length === 2 ? `${sizes.join(' × ')}, 1:${Math.round(1 / scale)}` : `open, 1:${Math.round(1 / scale)}`,
    size: 7,
    face: 'mono',
    tone: 'soft',
    align: 'right',
  });
  return { width, height: height + 6, marks };
}

/** The least that marks of cameras stand apart, mm. */
const apart = { x: 7, y: 4.4 };

/** Where the mark of a camera can be read: where it stands, else beside it across the place, else, where that is full, farther back. */
function freeFrom(x: number, y: number, height: number, taken: { x: number; y: number }[]): { x: number; y: number } {
  const inside = (at: number) => Math.min(height - 2, Math.max(2, at));
  const rows = Math.ceil(height / apart.y) + 1;
  const beside = [0, ...Array.from({ length: rows }, (_, i) => [i + 1, -i - 1]).flat()].map((row) => y + row * (apart.y + 0.1));
  for (let back = 0; ; back += apart.x) {
    for (const at of beside) {
      const place = { x: x + back, y: inside(at) };
      if (!taken.some((t) => Math.abs(t.x - place.x) < apart.x && Math.abs(t.y - place.y) < apart.y)) return place;
    }
  }
}

/** A length that is easily laid out, near another. */
function niceLength(mm: number, feet: boolean): number {
  const unit = feet ? 304.8 : 1000;
  const inUnit = mm / unit;
  const tens = 10 ** Math.floor(Math.log10(inUnit));
  const nice = [5, 2, 1].find((n) => n * tens <= inUnit) ?? 1;
  return nice * tens * unit;
}

const r = (mm: number) => Math.round(mm * 1e3) / 1e3;
