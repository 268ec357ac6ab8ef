import type { Conventions, RigInput } from '../../core/core';
import { roundDistance } from '../../ui/format';
import { inOrder, itemOf, type BlockFact, type Sheet } from '../facts';
import { circle, line, rect, type Mark } from '../marks';
import type { Language } from './language';
import { usualApertures, usualDistancesMm } from './lens';
import { evaluated, isInFocus, type SheetRig } from './sheetRig';

const mostStrips = 6;
const rowHigh = 4.2;

/** Strips of distances for rigs, a rule to check the print by, and a focus chart; all at true size. */
export function scales(sheet: Sheet, rigs: SheetRig[], conventions: Conventions | undefined, say: Language): BlockFact[] {
  const shown = inOrder(rigs, sheet.items ?? [])
    .filter((of) => !itemOf(sheet, of.id)?.leftOut && of.rig && of.figures)
    .slice(0, mostStrips);
  return [
    { kind: 'text', id: 'print', text: 'Print at 100 %, without fitting to the page. The rule must measure what it says.' },
    { kind: 'drawing', id: 'rule', caption: '', width: 104, height: 9, marks: rule() },
    ...shown.flatMap((of) => strip(sheet, of, conventions, say)),
    {
      kind: 'drawing',
      id: 'chart',
      caption: 'Focus chart: focus on the star; on the slope the sharp line must lie at 0',
      width: 150,
      height: 78,
      marks: chart(),
    },
  ];
}

/** 100 mm, with a mark at each. */
function rule(): Mark[] {
  const marks: Mark[] = [{ kind: 'path', d: line(2, 6, 102, 6), stroke: 'ink', width: 0.2 }];
  for (let mm = 0; mm <= 100; mm++) {
    const high = mm % 10 === 0 ? 4 : mm % 5 === 0 ? 2.8 : 1.6;
    marks.push({ kind: 'path', d: line(2 + mm, 6, 2 + mm, 6 - high), stroke: 'ink', width: mm % 10 === 0 ? 0.2 : 0.1 });
  }
  for (const mm of [0, 50, 100])
    marks.push({ kind: 'text', x: 2 + mm, y: 9, text: `${mm} mm`, size: 6.5, face: 'mono', tone: 'ink', align: 'middle' });
  return marks;
}

/**
 * Distances as a ring would carry them whose turn follows the travel of the focus evenly: that is as large as the ratio of reproduction, so
 * the core's ratios are the scale. Under it, for some distances, what is sharp at each aperture.
 */
function strip(sheet: Sheet, of: SheetRig, conventions: Conventions | undefined, say: Language): BlockFact[] {
  const long = sheet.stripLengthMm ?? 170;
  const rig: RigInput = { ...of.rig!, chain: undefined };
  const nearest = of.figures!.nearestSubjectDistanceMm;
  const wished = ((sheet.distancesMm ?? []).length > 0 ? sheet.distancesMm! : usualDistancesMm(say.feet)).filter((mm) => !(nearest > mm));
  const distances = [...(nearest > 0 ? [nearest] : []), ...wished].toSorted((a, b) => a - b);
  const apertures =
    (sheet.fNumbers ?? []).length > 0
      ? sheet.fNumbers!.slice(0, 4)
      : usualApertures(rig.lens?.widestFNumber ?? rig.fNumber, rig.lens?.narrowestFNumber ?? 22)
          .filter((_, i) => i % 2 === 0)
          .slice(0, 3);
  const reports = evaluated(
    of.scene,
    distances.map((subjectDistanceMm) => ({ ...rig, id: `${subjectDistanceMm}`, subjectDistanceMm })),
    conventions,
  );
  const known = distances.flatMap((mm, i) => (isInFocus(reports[i] ?? null) ? [{ mm, ratio: reports[i]!.magnification }] : []));
  const title = `${of.mark}  ${of.title}`;
  if (known.length < 2) {
    return [
      {
        kind: 'text',
        id: `${of.id} strip`,
        text: `${title}: it is in focus at fewer than two of these distances, so there is no strip.`,
        isWarning: true,
      },
    ];
  }
  const most = known[0]!.ratio;
  const x = (ratio: number) => 6 + long * (1 - ratio / most);
  const marks: Mark[] = [
    { kind: 'path', d: rect(6, 2, long, 10), stroke: 'ink', width: 0.2 },
    { kind: 'path', d: line(6 + long, 2, 6 + long, 12), stroke: 'ink', width: 0.5 },
    { kind: 'text', x: 6 + long, y: 16, text: '∞', size: 9, face: 'bold', tone: 'ink', align: 'middle' },
  ];
  let free = -Infinity;
  const labelled: typeof known = [];
  for (const at of known.toReversed()) {
    const place = x(at.ratio);
    const room = free === -Infinity ? 6 + long - place > 5 : free - place > 11;
    marks.push({ kind: 'path', d: line(place, 2, place, room ? 12 : 7), stroke: 'ink', width: 0.25 });
    if (room) {
      marks.push({
        kind: 'text',
        x: place,
        y: 16,
        text: say.of(roundDistance(Math.round(at.mm), say.feet)),
        size: 7.5,
        face: 'mono',
        tone: 'ink',
        align: 'middle',
      });
      free = place;
      labelled.push(at);
    }
  }
  const zones = apertures.map((fNumber, row) => ({ fNumber, y: 20 + row * rowHigh }));
  // Every second labelled distance, so that bars of neighbours are told apart.
  const barred = labelled.filter((_, i) => i % 2 === 0);
  const sharp = evaluated(
    of.scene,
    zones.flatMap(({ fNumber }) => barred.map(({ mm }) => ({ ...rig, id: `${fNumber} ${mm}`, subjectDistanceMm: mm, fNumber }))),
    conventions,
  );
  const ends = [
    ...new Set(sharp.flatMap((f) => (isInFocus(f) ? [f.depthOfFieldNearMm, f.depthOfFieldFarMm] : [])).filter((mm) => Number.isFinite(mm))),
  ];
  const endReports = evaluated(
    of.scene,
    ends.map((mm) => ({ ...rig, id: `${mm}`, subjectDistanceMm: mm })),
    conventions,
  );
  const ratioAt = new Map(ends.map((mm, i) => [mm, endReports[i]?.magnification ?? NaN]));
  // What is nearer than the ring turns lies at its end.
  const placeOf = (mm: number) =>
    mm === Infinity ? 6 + long : mm < known[0]!.mm ? 6 : Math.min(6 + long, Math.max(6, x(ratioAt.get(mm) ?? NaN)));
  zones.forEach(({ fNumber, y }, row) => {
    marks.push({ kind: 'text', x: 5, y: y + 1, text: say.aperture(fNumber), size: 6.5, face: 'mono', tone: 'soft', align: 'right' });
    barred.forEach((at, i) => {
      const f = sharp[row * barred.length + i] ?? null;
      if (!isInFocus(f)) return;
      const [from, to] = [placeOf(f.depthOfFieldNearMm), placeOf(f.depthOfFieldFarMm)];
      if (Number.isNaN(from) || Number.isNaN(to)) return;
      const lift = (i % 3) * 0.9 - 0.9;
      marks.push({ kind: 'path', d: line(from, y + lift, Math.max(to, from + 0.3), y + lift), stroke: 'ink', width: 0.6 });
      marks.push({ kind: 'path', d: line(x(at.ratio), y + lift - 0.7, x(at.ratio), y + lift + 0.7), stroke: 'ink', width: 0.2 });
    });
  });
  return [
    { kind: 'drawing', id: `${of.id} strip`, caption: title, width: long + 12, height: 20 + zones.length * rowHigh, marks },
    {
      kind: 'text',
      id: `${of.id} strip said`,
      text: say.of(
        `${long} mm from ${say.length(distances[0]!)} to the far end, for a ring whose turn follows the travel of the focus evenly. Many do not: check two marks by tape. Bars are what is sharp.`,
      ),
    },
  ];
}

/** A star, lines by how many pairs go into a millimetre, and a slope to lay at 45°. */
function chart(): Mark[] {
  const marks: Mark[] = [];
  const [cx, cy, r, spokes] = [36, 38, 34, 36];
  for (let i = 0; i < spokes; i++) {
    const [a, b] = [(i / spokes) * 2 * Math.PI, ((i + 0.5) / spokes) * 2 * Math.PI];
    const p = (angle: number) => `${round(cx + r * Math.cos(angle))} ${round(cy + r * Math.sin(angle))}`;
    marks.push({ kind: 'path', d: `M${cx} ${cy}L${p(a)}L${p((a + b) / 2)}L${p(b)}z`, fill: 'ink' });
  }
  marks.push({ kind: 'path', d: circle(cx, cy, 1.2), fill: 'paper' });
  let y = 4;
  for (const pairs of [0.5, 1, 2, 4]) {
    const wide = 1 / pairs / 2;
    for (let i = 0; i < Math.min(12, 10 / wide / 2); i++) marks.push({ kind: 'path', d: rect(82 + i * 2 * wide, y, wide, 9), fill: 'ink' });
    marks.push({ kind: 'text', x: 80, y: y + 5.5, text: String(pairs), size: 7, face: 'mono', tone: 'ink', align: 'right' });
    y += 12;
  }
  marks.push({ kind: 'text', x: 80, y: y + 2, text: 'pairs of lines a mm', size: 6.5, face: 'sans', tone: 'soft', align: 'left' });
  for (let mm = -30; mm <= 30; mm++) {
    const at = 38 + mm;
    const wide = mm % 10 === 0 ? 12 : mm % 5 === 0 ? 8 : 5;
    marks.push({ kind: 'path', d: line(130 - wide, at, 130, at), stroke: 'ink', width: mm === 0 ? 0.5 : 0.15 });
    if (mm % 10 === 0)
      marks.push({
        kind: 'text',
        x: 132,
        y: at + 1,
        text: mm === 0 ? '0' : String(Math.abs(mm)),
        size: 7,
        face: 'mono',
        tone: 'ink',
        align: 'left',
      });
  }
  marks.push({ kind: 'text', x: 118, y: 74, text: 'mm on the slope', size: 6.5, face: 'sans', tone: 'soft', align: 'left' });
  return marks;
}

const round = (value: number) => Math.round(value * 1e3) / 1e3;
