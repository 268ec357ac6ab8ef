import type { RigReport } from '../../core/core';
import { aperture, fixed, differenceInScale, inScale, lengthScale, percent, stops, withUnit } from '../../ui/format';

/** A row of the figures: how it reads for all rigs, and how a rig differs from the yardstick. Nothing here computes. */
export interface FigureRow {
  name: string;
  help: string;
  texts: (reports: RigReport[], feet: boolean) => string[];
  differences?: (reports: RigReport[], feet: boolean) => (string | null)[];
  warn?: (report: RigReport) => boolean;
}

const none = '—';

/** A row of plain texts. */
const each = (text: (report: RigReport) => string | null) => (reports: RigReport[]) => reports.map((r) => text(r) ?? none);

const rowScale = (pick: (report: RigReport) => number | null | undefined, reports: RigReport[], feet: boolean) =>
  lengthScale(Math.max(0, ...reports.map((r) => pick(r) ?? 0)), feet);

/** A row of lengths in one scale; null is what the given text says. */
const lengths =
  (pick: (report: RigReport) => number | null | undefined, missing: (report: RigReport) => string = () => none) =>
  (reports: RigReport[], feet: boolean) => {
    const scale = rowScale(pick, reports, feet);
    return reports.map((r) => {
      const mm = pick(r);
      return mm == null ? missing(r) : inScale(mm, scale);
    });
  };

/** Differences in words. */
const eachDifference = (text: (report: RigReport) => string | null) => (reports: RigReport[]) => reports.map(text);

/** Differences of lengths, in the scale of the row that they stand in. */
const lengthDifferences =
  (pick: (report: RigReport) => number | null | undefined, difference: (report: RigReport) => number | null) =>
  (reports: RigReport[], feet: boolean) => {
    const scale = rowScale(pick, reports, feet);
    return reports.map((r) => {
      const mm = difference(r);
      return mm === null ? null : differenceInScale(mm, scale);
    });
  };

const endless = (report: RigReport) => (report.focus ? '∞' : none);
const mm = (value: number) => withUnit(fixed(value, value < 100 ? 1 : 0), 'mm');
const times = (value: number) => `${fixed(value, 2)}×`;
const ifPercent = (value: number | null) => (value === null ? null : percent(value));
const pixels = (r: RigReport) =>
  r.sensor.usedWidthPx === null || r.sensor.usedHeightPx === null
    ? null
    : `${Math.round(r.sensor.usedWidthPx)}×${Math.round(r.sensor.usedHeightPx)}`;

export const figureGroups: { name: string; rows: FigureRow[] }[] = [
  {
    name: 'Sensor',
    rows: [
      {
        name: 'Used area',
        help: 'What of the sensor ends up in the delivered picture, in millimetres, before any desqueeze.',
        texts: each((r) => withUnit(`${fixed(r.sensor.usedWidthMm, 1)}×${fixed(r.sensor.usedHeightMm, 1)}`, 'mm')),
      },
      {
        name: 'Used pixels',
        help: 'Recorded pixels that fall on the used area.',
        texts: each(pixels),
        warn: (r) => (r.sensor.enlargement ?? 0) > 1,
      },
      {
        name: 'Punch-in left',
        help: 'How far one can still punch in before delivery asks for more pixels than were recorded. Below 1 the picture is enlarged.',
        texts: each((r) => (r.sensor.punchInLeft === null ? null : times(r.sensor.punchInLeft))),
        warn: (r) => (r.sensor.punchInLeft ?? 1) < 1,
      },
      {
        name: 'Crop factor, delivered',
        help: 'Reference format over this one, both first trimmed to the delivered shape: the factor that answers “same picture”.',
        texts: each((r) => times(r.crop.deliveredCropFactor)),
        differences: eachDifference((r) => percent(r.difference.cropFactorPercent)),
      },
      {
        name: 'Crop factor, bare',
        help: 'Reference diagonal over the diagonal of the whole mode, without any trim.',
        texts: each((r) => times(r.crop.cropFactorDiagonal)),
      },
    ],
  },
  {
    name: 'Angle and framing',
    rows: [
      {
        name: 'On the sensor',
        help: 'Focal length as the sensor sees it, behind reducers and extenders; for a squeezed lens across, then up.',
        texts: each((r) =>
          r.lens.focalLengthAcrossMm === r.lens.effectiveFocalLengthMm
            ? mm(r.lens.effectiveFocalLengthMm)
            : `${fixed(r.lens.focalLengthAcrossMm, 1)}/${mm(r.lens.effectiveFocalLengthMm)}`,
        ),
      },
      {
        name: 'Equivalent',
        help: 'Focal length on the reference format for the same angle. For a squeezed lens: of a spherical one with the same picture.',
        texts: each((r) => mm(r.lens.equivalentFocalLengthMm)),
        differences: eachDifference((r) => percent(r.difference.equivalentFocalLengthPercent)),
      },
      {
        name: 'Angle across',
        help: 'What the picture takes in from side to side, with the lens at infinity.',
        texts: each((r) => `${fixed(r.angle.angleOfViewHorizontalDeg, 1)}°`),
      },
      {
        name: 'Field at subject',
        help: 'Width of what the picture takes in at the plane of focus.',
        texts: lengths((r) => r.focus?.fieldWidthMm),
        differences: eachDifference((r) => ifPercent(r.difference.fieldWidthPercent)),
      },
      {
        name: 'Field behind',
        help: 'Width of what the picture takes in at the background.',
        texts: lengths((r) => r.focus?.backgroundFieldWidthMm, endless),
      },
    ],
  },
  {
    name: 'Light and blur',
    rows: [
      {
        name: 'Light as set',
        help: 'The f-number as the sensor sees it: what exposure goes by. Never multiplied by a crop factor.',
        texts: each((r) => aperture(r.lens.effectiveFNumber)),
        differences: eachDifference((r) => stops(r.difference.lightStops)),
      },
      {
        name: 'Blur as seen',
        help: 'The f-number that gives the same blur on the reference format at the same framing.',
        texts: each((r) => aperture(r.lens.equivalentFNumber)),
        differences: eachDifference((r) => stops(r.difference.blurStops)),
      },
      {
        name: 'Blur behind',
        help: 'The disc of a point at the background, in per cent of the picture’s height; its upright size for a squeezed lens.',
        texts: each((r) => (r.focus ? withUnit(fixed(100 * r.focus.backgroundDiscFractionOfHeight, 2), '%') : null)),
        differences: eachDifference((r) => ifPercent(r.difference.backgroundDiscPercent)),
      },
    ],
  },
  {
    name: 'Sharp zone',
    rows: [
      {
        name: 'From',
        help: 'Where the sharp zone begins, from the sensor mark.',
        texts: lengths((r) => r.focus?.depthOfFieldNearMm),
        differences: lengthDifferences(
          (r) => r.focus?.depthOfFieldNearMm,
          (r) => r.difference.depthOfFieldNearMm,
        ),
      },
      {
        name: 'To',
        help: 'Where the sharp zone ends, from the sensor mark.',
        texts: lengths((r) => r.focus?.depthOfFieldFarMm, endless),
        differences: lengthDifferences(
          (r) => r.focus?.depthOfFieldFarMm,
          (r) => r.difference.depthOfFieldFarMm,
        ),
      },
      {
        name: 'Depth',
        help: 'How deep the sharp zone is.',
        texts: lengths((r) => r.focus?.depthOfFieldMm, endless),
        differences: lengthDifferences(
          (r) => r.focus?.depthOfFieldMm,
          (r) => r.difference.depthOfFieldMm,
        ),
      },
    ],
  },
];
