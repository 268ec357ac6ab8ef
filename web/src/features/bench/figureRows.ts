import { core, type FigureId, type Numbers, type RigReport } from '../../core/core';
import { differenceText, figureText, plusMinusText } from '../../ui/figureText';
import { fixed, withUnit } from '../../ui/format';

/** A row of the figures: what stands in it, and what opens when it is pressed. Nothing here computes. */
export interface FigureRow {
  /** The figure that the row is about: its name, its help, its working and its difference. */
  figure: FigureId;
  /** A shorter name where the row stands among others that say the rest. */
  name?: string;
  /** More help than the figure's own sentence. */
  help?: string;
  /** How it reads when more than one figure stands in it. */
  text?: (report: RigReport) => string | null;
  /** The figure whose worry marks the row, where it is another than its own. */
  worry?: FigureId;
  /** Only worth a line where rigs stand at different distances. */
  whenSpread?: true;
}

export interface FigureGroup {
  name: string;
  rows: FigureRow[];
}

const both = (report: RigReport, a: FigureId, b: FigureId, decimals: number, unit: string) => {
  const [x, y] = [report.figures[a], report.figures[b]];
  const text = `${fixed(x, decimals)}×${fixed(y, decimals)}`;
  return Number.isNaN(x) ? null : unit === '' ? text : withUnit(text, unit);
};

const onTheSensor = ({ figures: { effectiveFocalLengthMm: up, focalLengthAcrossMm: across } }: RigReport) => {
  const said = withUnit(fixed(up, up < 100 ? 1 : 0), 'mm');
  return across === up ? said : `${fixed(across, 1)}/${said}`;
};

/** The links that change something, and their product: 1.53 × 1.18 × 0.71 = 1.28. */
const chain = ({ figures: f }: RigReport) => {
  const links = [f.cropModeStep, f.cropPunchInStep, f.cropShapeStep, f.opticsMagnification].filter((x) => Math.abs(x - 1) > 1e-9);
  return [f.cropSensorStep, ...links].map((x) => fixed(x, 2)).join('×');
};

const usedArea: FigureRow = { figure: 'usedWidthMm', name: 'Used area', text: (r) => both(r, 'usedWidthMm', 'usedHeightMm', 1, 'mm') };
const usedPixels: FigureRow = {
  figure: 'usedWidthPx',
  name: 'Used pixels',
  text: (r) => both(r, 'usedWidthPx', 'usedHeightPx', 0, ''),
  worry: 'enlargement',
};
const punchInLeft: FigureRow = { figure: 'punchInLeft', worry: 'enlargement' };

/** A sum of the parts; where one of them is not known, what it is at least. */
const sumRow = (figure: FigureId, atLeast: FigureId): FigureRow => ({
  figure,
  help: 'With ≥ where something of it is not known.',
  text: ({ figures }) => {
    const info = core().figures[figure];
    return Number.isNaN(figures[figure]) && !Number.isNaN(figures[atLeast])
      ? `≥ ${figureText(info, figures[atLeast], false)}`
      : figureText(info, figures[figure], false);
  },
});

/** The topic below which the totals of all rigs stand. */
export const moneyTopic = 'Weight, money';

/** Groups of rows by topic; the first shows what most people look at first. */
export const topics: Record<string, FigureGroup[]> = {
  Essentials: [
    { name: 'Sensor', rows: [usedArea, usedPixels, punchInLeft, { figure: 'cropFactor', help: 'By the school named below.' }] },
    {
      name: 'Angle and framing',
      rows: [
        { figure: 'cameraDistanceMm', whenSpread: true },
        { figure: 'effectiveFocalLengthMm', name: 'On the sensor', help: 'For a squeezed lens across, then up.', text: onTheSensor },
        { figure: 'equivalentFocalLengthMm' },
        { figure: 'angleOfViewHorizontalDeg' },
        { figure: 'fieldWidthMm' },
      ],
    },
    {
      name: 'Light and blur',
      rows: [
        { figure: 'effectiveFNumber' },
        { figure: 'equivalentFNumber' },
        { figure: 'backgroundDiscFractionOfHeight' },
        { figure: 'backgroundReading', name: 'Background reads' },
      ],
    },
    {
      name: 'Sharp zone',
      rows: [
        { figure: 'depthOfFieldNearMm', name: 'From' },
        { figure: 'depthOfFieldFarMm', name: 'To' },
        { figure: 'depthOfFieldMm', name: 'Depth' },
      ],
    },
  ],
  'Crop, pixels': [
    {
      name: 'Chain of crops',
      rows: [
        { figure: 'cropChain', name: 'Links', text: chain, help: 'Sensor × mode × punch-in × shape × reducers; links of 1 are left out.' },
        { figure: 'cropChain', name: 'Whole chain' },
        { figure: 'cropFactorDiagonal', name: 'Bare, by diagonal' },
        { figure: 'cropFactorWidth', name: 'Bare, by width' },
        { figure: 'cropFactorHeight', name: 'Bare, by height' },
        { figure: 'deliveredCropFactor', name: 'Delivered' },
      ],
    },
    {
      name: 'Picture',
      rows: [usedArea, usedPixels, { figure: 'enlargement' }, punchInLeft, { figure: 'imageCircleMm' }, { figure: 'darkShare' }],
    },
    {
      name: 'Squeeze and trim',
      rows: [
        { figure: 'desqueezedAspect' },
        { figure: 'desqueezedWidthPx', name: 'Desqueezed', text: (r) => both(r, 'desqueezedWidthPx', 'desqueezedHeightPx', 0, '') },
        { figure: 'wasteShare' },
        { figure: 'idealSqueeze', name: 'Wastes nothing' },
      ],
    },
  ],
  'Lens, angle': [
    {
      name: 'Lens',
      rows: [
        { figure: 'effectiveFocalLengthMm', name: 'On the sensor', text: onTheSensor },
        { figure: 'equivalentFocalLengthMm' },
        { figure: 'effectiveFNumber' },
        { figure: 'effectiveTNumber' },
        { figure: 'widestFNumber' },
        { figure: 'lightGainStops' },
        { figure: 'equivalentFNumber' },
        { figure: 'equivalentAcrossFNumber', name: 'Blur as seen, across' },
        { figure: 'sensitivityFactor' },
      ],
    },
    {
      name: 'Angle',
      rows: [
        { figure: 'angleOfViewHorizontalDeg' },
        { figure: 'angleOfViewVerticalDeg' },
        { figure: 'angleOfViewDiagonalDeg', name: 'Corner to corner' },
        { figure: 'angleFocusedDeg', name: 'Across, as focused' },
        { figure: 'breathingShare' },
      ],
    },
  ],
  'Focus, depth': [
    {
      name: 'Focus',
      rows: [
        { figure: 'nearestSubjectDistanceMm' },
        { figure: 'farthestSubjectDistanceMm' },
        { figure: 'magnification', name: 'Ratio' },
        { figure: 'maximumMagnification' },
        { figure: 'smallestFieldWidthMm' },
        { figure: 'fieldWidthMm' },
        { figure: 'fieldHeightMm' },
        { figure: 'backgroundFieldWidthMm' },
        { figure: 'cameraDistanceMm' },
        { figure: 'workingDistanceMm', name: 'Clear of the lens' },
        { figure: 'microphoneDistanceMm', name: 'Microphone' },
      ],
    },
    {
      name: 'Sharp zone',
      rows: [
        { figure: 'circleOfConfusionMm', name: 'Circle' },
        { figure: 'hyperfocalDistanceMm' },
        { figure: 'depthOfFieldNearMm', name: 'From' },
        { figure: 'depthOfFieldFarMm', name: 'To' },
        { figure: 'depthInFrontMm', name: 'In front' },
        { figure: 'depthBehindMm', name: 'Behind' },
        { figure: 'depthOfFieldMm', name: 'Depth' },
      ],
    },
  ],
  Blur: [
    {
      name: 'Blur behind',
      rows: [
        { figure: 'backgroundReading', name: 'Reads' },
        { figure: 'backgroundDiscMm', name: 'On the sensor' },
        { figure: 'backgroundDiscFractionOfHeight', name: 'Of the height' },
        { figure: 'backgroundDiscPx', name: 'In pixels' },
        { figure: 'backgroundDiscCircles', name: 'In circles' },
        { figure: 'backgroundDiscFractionOfWidth', name: 'Across, of the width' },
        { figure: 'backgroundDiscAcrossPx', name: 'Across, in pixels' },
        { figure: 'discShape' },
        { figure: 'blurAtSubjectMm', name: 'At the subject' },
        { figure: 'pupilMm' },
      ],
    },
    {
      name: 'Diffraction',
      rows: [
        { figure: 'airyDiscMm' },
        { figure: 'airyDiscCircles', name: 'In circles' },
        { figure: 'diffractionFNumber', name: 'Overtakes from' },
      ],
    },
  ],
  Handling: [
    {
      name: 'Perspective',
      rows: [
        { figure: 'faceStretch' },
        { figure: 'edgeStretch' },
        { figure: 'backgroundSize', name: 'Background size' },
        { figure: 'parallaxShare' },
      ],
    },
    { name: 'Hand', rows: [{ figure: 'unsteadiness' }] },
    {
      name: 'Squeeze',
      rows: [
        { figure: 'focalLengthAcrossMm', name: 'Focal length across' },
        { figure: 'uprightLeanShare' },
        { figure: 'levelTiltShare' },
        { figure: 'openingNeededMm', name: 'Opening needed' },
      ],
    },
    {
      name: 'Back focus',
      rows: [
        { figure: 'filterShiftMm', name: 'Shift by filter' },
        { figure: 'shimMm' },
        { figure: 'farthestByMountMm', name: 'Sharp at most to' },
      ],
    },
  ],
  [moneyTopic]: [
    { name: 'To carry', rows: [sumRow('rigWeightG', 'rigWeightAtLeastG'), { figure: 'rigLengthMm' }] },
    {
      name: 'Money',
      rows: [sumRow('purchasePrice', 'purchaseAtLeast'), sumRow('hirePerDay', 'hireAtLeast'), sumRow('insuredValue', 'insuredAtLeast')],
    },
  ],
  'Light, motion': [
    {
      name: 'Motion',
      rows: [
        { figure: 'exposureTimeSeconds' },
        { figure: 'slowMotion' },
        { figure: 'slowMotionStops', name: 'Costs in light' },
        { figure: 'movementOnScreenSeconds' },
        { figure: 'flickers' },
        { figure: 'safeAngleDeg', name: 'Without flicker' },
      ],
    },
    {
      name: 'Light',
      rows: [
        { figure: 'effectiveFNumber' },
        { figure: 'effectiveTNumber' },
        { figure: 'bellowsStops' },
        { figure: 'settingEv' },
        { figure: 'leftOverStops' },
        { figure: 'fixedFilterStops' },
        { figure: 'leftAfterFilterStops', name: 'Left after it' },
        { figure: 'sensitivityNeededIso' },
        { figure: 'matchingFactor', name: 'To match' },
        { figure: 'matchingIso', name: 'To match, ISO' },
      ],
    },
    {
      name: 'Steps of light',
      rows: [
        { figure: 'filterStepStops', name: 'Filters' },
        { figure: 'apertureStepStops', name: 'Aperture' },
        { figure: 'opticsStepStops', name: 'Optics behind the lens' },
        { figure: 'glassStepStops', name: 'Glass of the lens' },
        { figure: 'focusStepStops', name: 'Focusing close' },
        { figure: 'shutterStepStops', name: 'Shutter' },
        { figure: 'sensitivityStepStops', name: 'Sensitivity' },
      ],
    },
  ],
};

/** Every figure once, in the groups in which it first stands. */
export const everyRow: FigureGroup[] = (() => {
  const seen = new Set<FigureId>();
  const groups = new Map<string, FigureRow[]>();
  for (const { name, rows } of Object.values(topics).flat()) {
    for (const row of rows.filter((r) => !seen.has(r.figure))) {
      seen.add(row.figure);
      groups.set(name, [...(groups.get(name) ?? []), row]);
    }
  }
  return [...groups].map(([name, rows]) => ({ name, rows }));
})();

/** The rows of a topic, or those that a person has chosen. */
export function groupsOf(topic: string, chosen: FigureId[], spread: boolean): FigureGroup[] {
  const of = topics[topic];
  const shown = (row: FigureRow) => (of ? !row.whenSpread || spread : chosen.includes(row.figure));
  return (of ?? everyRow).map(({ name, rows }) => ({ name, rows: rows.filter(shown) })).filter(({ rows }) => rows.length > 0);
}

/** What a row says of each rig. */
export function rowTexts(row: FigureRow, reports: RigReport[], feet: boolean): string[] {
  const info = core().figures[row.figure];
  const largest = largestOf(row, reports);
  return reports.map((r) => row.text?.(r) ?? figureText(info, r.figures[row.figure], feet, largest));
}

/** How far off the figure of a row may be for each rig; none where it is exact. */
export function rowMargins(row: FigureRow, reports: RigReport[], margins: Numbers[], feet: boolean): (string | null)[] {
  const info = core().figures[row.figure];
  const largest = largestOf(row, reports);
  return margins.map((m) => plusMinusText(info, m[row.figure], feet, largest));
}

/** How each rig differs from the yardstick in a row. */
export function rowDifferences(row: FigureRow, reports: RigReport[], feet: boolean): (string | null)[] {
  const info = core().figures[row.figure];
  const largest = largestOf(row, reports);
  return reports.map((r) =>
    row.text && info.comparison !== 'percent' ? null : differenceText(info, r.differences[row.figure], feet, largest),
  );
}

const largestOf = (row: FigureRow, reports: RigReport[]) =>
  Math.max(0, ...reports.map((r) => Math.abs(r.figures[row.figure])).filter((x) => Number.isFinite(x)));
