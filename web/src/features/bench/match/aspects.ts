import type { Look, LookAspect } from '../../../core/core';
import { distance, fixed, percent, plain, stops, withUnit } from '../../../ui/format';

/** An aspect of a look as it is told. */
export interface Told {
  aspect: LookAspect;
  name: string;
  help: string;
  /** Sizes are told in per cent, the others in stops. */
  isSize: boolean;
  text: (look: Look, feet: boolean) => string;
}

const share = (value: number) => withUnit(fixed(100 * value, value < 0.0995 ? 2 : 1), '%');

export const aspects: Told[] = [
  {
    aspect: 'angle',
    name: 'Angle',
    help: 'What the picture takes in far away, as an equivalent focal length.',
    isSize: true,
    text: (look) => withUnit(fixed(look.equivalentMm, 1), 'mm'),
  },
  {
    aspect: 'framing',
    name: 'Framing',
    help: 'What it takes in upright at the subject.',
    isSize: true,
    text: (look, feet) => distance(look.fieldHeightMm, feet),
  },
  {
    aspect: 'distance',
    name: 'Distance',
    help: 'Perspective follows from it alone. Must be met: the camera stays where it is.',
    isSize: true,
    text: (look, feet) => distance(look.distanceMm, feet),
  },
  {
    aspect: 'backgroundSize',
    name: 'Size behind',
    help: 'How large what is behind is drawn; it follows from framing and distance.',
    isSize: true,
    text: () => '',
  },
  {
    aspect: 'blur',
    name: 'Blur behind',
    help: 'The disc that a point behind becomes, as a share of the picture’s height.',
    isSize: false,
    text: (look) => share(look.blurShares[0]!),
  },
  {
    aspect: 'blurShape',
    name: 'Shape of discs',
    help: 'How much taller than wide they are: only a squeeze before the iris does that. Corners, where the iris is closed and its blades are known, are told and do not count.',
    isSize: false,
    text: ({ discNarrowing, discCorners }) =>
      [discNarrowing !== 1 && `1 : ${plain(discNarrowing, 2)}`, discCorners > 0 && `${plain(discCorners)} corners`]
        .filter(Boolean)
        .join(', ') || 'round',
  },
  {
    aspect: 'sharpZone',
    name: 'Sharp zone',
    help: 'How deep it is to each side of the subject: the harmonic mean of both.',
    isSize: false,
    text: (look, feet) => `± ${distance(look.sharpMm, feet)}`,
  },
  {
    aspect: 'light',
    name: 'Light',
    help: 'The working T-number; the f-number where the transmission is not known. More stops are less light.',
    isSize: false,
    text: (look) => `T${fixed(look.workingTNumber, 1)}`,
  },
];

/** What is left over of an aspect, as it is told. */
export const restText = ({ isSize }: Told, rest: { share: number; stops: number }): string =>
  isSize ? percent(100 * rest.share) : stops(rest.stops);

/** A pin's tolerance as it is told. */
export const toleranceText = ({ isSize }: Told, tolerance: number): string =>
  tolerance === 0 ? 'exactly' : isSize ? `± ${withUnit(plain(100 * tolerance, 1), '%')}` : `± ${withUnit(plain(tolerance, 2), 'st')}`;

export const tolerances = (told: Told): number[] => (told.isSize ? [0, 0.01, 0.02, 0.05, 0.1, 0.2] : [0, 0.1, 0.3, 0.5, 1]);
