import type { ProductionDocument } from '../../api/client';
import type { Delivery, LocationInput, ShotInput, SubjectInput } from '../../core/core';
import { isPeople } from '../../core/shots';

type Words<T extends string> = Record<T, string>;

/** Shot sizes of people, from tight to wide. */
export const sizes: Words<NonNullable<ShotInput['size']>> = {
  extremeCloseUp: 'Extreme close-up',
  closeUp: 'Close-up',
  mediumCloseUp: 'Medium close-up',
  medium: 'Medium',
  threeQuarter: 'Three-quarter',
  full: 'Full',
  wide: 'Wide',
  veryWide: 'Very wide',
};

/** The same of things: how much of the picture they fill. */
export const fills: Words<NonNullable<ShotInput['size']>> = {
  extremeCloseUp: 'A detail of it',
  closeUp: 'Fills 95 %',
  mediumCloseUp: 'Fills 75 %',
  medium: 'Fills half',
  threeQuarter: 'Fills 35 %',
  full: 'Fills a quarter',
  wide: 'Fills 15 %',
  veryWide: 'Fills 6 %',
};

export const subjects: Words<SubjectInput['kind']> = {
  standing: 'One, standing',
  seated: 'One, seated',
  group: 'Two or more',
  table: 'Area of a table',
  thing: 'A thing',
  far: 'Something far',
};

export const cameraSupports: Words<NonNullable<ShotInput['cameraSupport']>> = {
  tripod: 'Tripod',
  handHeld: 'In both hands',
  shoulder: 'On the shoulder',
  gimbal: 'Gimbal',
  clamp: 'Clamped, nobody behind',
  overhead: 'Hung overhead',
  selfHeld: 'At arm’s length',
  drone: 'Flown by a drone',
};

export const behinds: Words<NonNullable<ShotInput['behind']>> = {
  asItComes: 'As it comes',
  soft: 'Soft',
  readable: 'Readable',
};

export const criteria: Words<NonNullable<ShotInput['criterion']>> = {
  mostBlur: 'Most blur behind',
  deepest: 'Deepest',
  leastWeight: 'Lightest',
  farthest: 'Farthest away',
  nearest: 'Nearest',
  leastChange: 'Least change from the shot before',
  owned: 'Ours first',
};

/** What there should be least of in a bag. */
export const counts: Words<NonNullable<ProductionDocument['counts']>[number]> = {
  lenses: 'lenses',
  bodies: 'bodies',
  adapters: 'adapters',
  changes: 'changes',
  weight: 'weight',
  pixels: 'shots short of pixels',
  filters: 'filters',
  rings: 'rings',
};

/** What a proposal must keep. */
export const rules: Words<keyof NonNullable<Delivery['rules']>> = {
  rates: 'The mode offers the very frame rate',
  iris: 'An iris that cannot be set stays wide open',
  sensitivity: 'No more sensitivity than that',
  pixels: 'Rigs with too few pixels go last',
  measured: 'True focal lengths where they were measured',
  findings: 'Rigs that cost or spoil something go after the others',
};

export const hazards: Words<Exclude<NonNullable<LocationInput['hazards']>[number], 'none'>> = {
  heat: 'Heat',
  water: 'Water',
  splash: 'Splashes, sparks',
  animals: 'Animals',
  heights: 'A drop',
  sun: 'Sun in the picture',
  machines: 'Machines',
  flight: 'Reached by air',
};

export const entriesOf = <T extends string>(words: Words<T>) => Object.entries(words) as [T, string][];

/** How tight a shot is, in words. */
export const tightness = (shot: ShotInput): string =>
  shot.framedMm != null ? 'As typed' : (isPeople(shot.subject) ? sizes : fills)[shot.size ?? 'medium'];
