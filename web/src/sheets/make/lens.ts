import type { Conventions, GearItem, Numbers } from '../../core/core';
import { core } from '../../core/core';
import { number } from '../../gear/gear';
import { plain } from '../../ui/format';
import { itemOf, inOrder, type BlockFact, type ColumnChoice, type ColumnFact, type RowFact, type Sheet } from '../facts';
import type { Language } from './language';
import { evaluated, isInFocus, type SheetRig } from './sheetRig';

/** What a lens sheet can show of each rig. */
export const lensParts: ColumnChoice[] = [
  { key: 'what', label: 'What it is', usual: true },
  { key: 'zones', label: 'Picture and sharp zone by distance', usual: true },
  { key: 'cautions', label: 'Cautions', usual: true },
];

export const usualDistancesMm = (feet: boolean): number[] =>
  feet
    ? [1, 1.5, 2, 3, 4, 5, 7, 10, 15, 20, 30, 50].map((ft) => ft * 304.8)
    : [300, 500, 700, 1000, 1500, 2000, 3000, 4000, 5000, 7000, 10_000, 20_000];

const fullStops = [1, 1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22];
const mostApertures = 6;

/** The apertures of a table: its widest, then full stops. */
export function usualApertures(widest: number, narrowest: number): number[] {
  const stops = fullStops.filter((stop) => stop > widest * 1.06 && stop <= narrowest * 1.01);
  return [widest, ...stops].slice(0, mostApertures);
}

/** For each rig what it is, what it takes in, and what it keeps sharp, by distance and aperture. */
export function lensSheet(sheet: Sheet, rigs: SheetRig[], conventions: Conventions | undefined, say: Language): BlockFact[] {
  const shows = new Set((sheet.columns ?? []).length > 0 ? sheet.columns! : lensParts.filter((p) => p.usual).map((p) => p.key));
  const shown = inOrder(rigs, sheet.items ?? []).filter((of) => !itemOf(sheet, of.id)?.leftOut);
  if (shown.length === 0) {
    return [
      { kind: 'text', id: 'none', text: rigs.length === 0 ? 'There is no rig to tell of yet.' : 'Every rig is left out.', isWarning: true },
    ];
  }
  return shown.flatMap((of): BlockFact[] => {
    const heading: BlockFact = {
      kind: 'heading',
      id: `${of.id} head`,
      text: `${of.mark}  ${of.title}`,
      sub: say.of([of.rig?.chain?.mode, of.sub].filter(Boolean).join(' · ')),
      href: of.href,
    };
    if (!of.rig || !of.figures) {
      return [heading, { kind: 'text', id: `${of.id} missing`, text: of.missing || 'There is no such rig any more.', isWarning: true }];
    }
    const table = shows.has('zones') ? [zones(sheet, of, conventions, say)] : [];
    const warnings = shows.has('cautions')
      ? of.warnings.map((text, i): BlockFact => ({ kind: 'text', id: `${of.id} caution ${i}`, text: `! ${say.of(text)}`, isWarning: true }))
      : [];
    return [heading, ...(shows.has('what') ? [what(of, conventions, say)] : []), ...table, ...warnings];
  });
}

/** A column a thing that is known of it, in one row. */
function what(of: SheetRig, conventions: Conventions | undefined, say: Language): BlockFact {
  const figures = of.figures!;
  const lens = of.parts.find((p) => p.kind === 'lens' || p.kind === 'fixedLensCamera');
  const widest = evaluated(of.scene, [{ ...of.rig!, fNumber: widestOf(of) }], conventions)[0] ?? figures;
  const facts: [string, string][] = [
    ['Equivalent', say.figure('equivalentFocalLengthMm', figures)],
    ['Blur and light as', say.aperture(figures.equivalentFNumber)],
    ['Crop', say.figure('cropFactor', figures)],
    ['Angle across', say.figure('angleOfViewHorizontalDeg', figures)],
    ['Widest, and its light', lightOf(widestOf(of), widest, say)],
    ['Nearest focus', say.figure('nearestSubjectDistanceMm', figures)],
    ['Smallest picture', say.figure('smallestFieldWidthMm', figures)],
    ['Largest ratio', say.figure('maximumMagnification', figures)],
    ['Thread', threadOf(lens)],
    ['Weight', say.figure('rigWeightG', figures)],
  ];
  return {
    kind: 'table',
    id: `${of.id} what`,
    caption: '',
    isDense: true,
    columns: facts.map(([label]) => ({ key: label, label })),
    rows: [{ id: 'what', cells: Object.fromEntries(facts) }],
  };
}

/** How much light the widest aperture lets through: by its T-number where that is known. */
function lightOf(widest: number, figures: Numbers, say: Language): string {
  const marked = say.aperture(widest);
  if (!Number.isNaN(figures.effectiveTNumber)) return `${marked}, ${say.figure('effectiveTNumber', figures)}`;
  const effective = say.aperture(figures.effectiveFNumber);
  return effective === marked ? `${marked}, T not known` : `${marked}, as ${effective}, T not known`;
}

const widestOf = ({ rig, figures }: SheetRig): number => {
  const widest = rig!.lens?.widestFNumber;
  return widest ?? (figures!.widestFNumber > 0 ? figures!.widestFNumber : rig!.fNumber);
};

function threadOf(lens: GearItem | undefined): string {
  if (!lens) return 'not known';
  if (lens['frontBulges'] === true) return 'takes none in front';
  const thread = number(lens, 'filterThreadMm');
  return thread === undefined ? 'not known' : `${plain(thread)}\u2009mm`;
}

/** Rows of distances, columns of apertures: what is sharp, and what the picture takes in. */
function zones(sheet: Sheet, of: SheetRig, conventions: Conventions | undefined, say: Language): BlockFact {
  const rig = { ...of.rig!, chain: undefined };
  const narrowest = of.rig!.lens?.narrowestFNumber ?? 22;
  const apertures = (sheet.fNumbers ?? []).length > 0 ? sheet.fNumbers! : usualApertures(widestOf(of), narrowest);
  const distances = ((sheet.distancesMm ?? []).length > 0 ? sheet.distancesMm! : usualDistancesMm(say.feet)).toSorted((a, b) => a - b);
  const wished = distances.flatMap((subjectDistanceMm) =>
    apertures.map((fNumber) => ({ ...rig, id: `${subjectDistanceMm} ${fNumber}`, subjectDistanceMm, fNumber })),
  );
  const figures = evaluated(of.scene, wished, conventions);
  const at = (d: number, a: number): Numbers | null => figures[d * apertures.length + a] ?? null;
  const rows: RowFact[] = distances.map((distance, d) => {
    const first = at(d, 0);
    const near = !isInFocus(first);
    const row = say.beside(distance);
    return {
      id: String(distance),
      warn: near ? 'picture' : undefined,
      cells: {
        distance: say.length(distance),
        picture: near ? 'too near' : `${row.length(first.fieldWidthMm)} × ${row.length(first.fieldHeightMm)}`,
        ...Object.fromEntries(
          apertures.map((_, a) => {
            const one = at(d, a);
            return [`a${a}`, near || !isInFocus(one) ? '—' : row.span(one.depthOfFieldNearMm, one.depthOfFieldFarMm)];
          }),
        ),
      },
    };
  });
  rows.push({
    id: 'hyperfocal',
    cells: {
      distance: 'hyperfocal',
      picture: '',
      ...Object.fromEntries(
        apertures.map((_, a) => [
          `a${a}`,
          hyperfocalOf(
            figures.slice(a).filter((__, i) => i % apertures.length === 0),
            say,
          ),
        ]),
      ),
    },
  });
  const columns: ColumnFact[] = [
    { key: 'distance', label: 'From the mark', align: 'figure' },
    { key: 'picture', label: 'Picture', align: 'figure' },
    ...apertures.map((aperture, a): ColumnFact => ({ key: `a${a}`, label: say.aperture(aperture), align: 'figure' })),
  ];
  return { kind: 'table', id: `${of.id} zones`, caption: 'Picture and sharp zone, in the unit of each row', isDense: true, columns, rows };
}

function hyperfocalOf(figures: (Numbers | null)[], say: Language): string {
  const known = figures.find((f) => f && f.hyperfocalDistanceMm > 0);
  return known ? say.length(known.hyperfocalDistanceMm) : '—';
}

/** What a sheet's conventions are, for its foot. */
export const conventionsSaid = (rigs: SheetRig[], conventions: Conventions | undefined, feet: boolean): string[] => {
  const first = rigs.find((of) => of.rig);
  return first?.rig
    ? core().words({ scene: first.scene, rigs: [{ ...first.rig, chain: undefined }], ...(conventions && { conventions }) }, feet)
        .conventions
    : [];
};
