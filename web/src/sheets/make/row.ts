import type { Conventions, Numbers, RigInput, SceneInput } from '../../core/core';
import { core } from '../../core/core';
import { behind } from '../../core/standing';
import { inOrder, itemOf, type BlockFact, type Sheet, type TileFact } from '../facts';
import type { Language } from './language';
import { evaluated, isInFocus, pictureOf, type SheetRig } from './sheetRig';

export const usualRowMm = [16, 24, 35, 50, 85, 135];
const mostBodies = 2;

/**
 * A body or two with a row of focal lengths: all from one place, then all at one framing. Any lens that has the focal length is meant,
 * so nothing is said of how near one focuses.
 */
export function rowSheet(sheet: Sheet, rigs: SheetRig[], conventions: Conventions | undefined, say: Language): BlockFact[] {
  const shown = inOrder(rigs, sheet.items ?? [])
    .filter((of) => !itemOf(sheet, of.id)?.leftOut && of.rig && of.figures)
    .slice(0, mostBodies);
  const focals = ((sheet.focalLengthsMm ?? []).length > 0 ? sheet.focalLengthsMm! : usualRowMm).toSorted((a, b) => a - b);
  if (shown.length === 0) {
    return [{ kind: 'text', id: 'none', text: 'There is no rig to make a row of.', isWarning: true }];
  }
  return shown.flatMap((of): BlockFact[] => {
    const { scene } = of;
    const name = of.title;
    const row = focals.map((focalLengthMm, i): RigInput => ({ ...bare(of.rig!), id: `s${i}`, focalLengthMm }));
    const [from, framed] = [evaluated(scene, row, conventions), atOneFraming(of, row, conventions, say.feet)];
    const distance = of.rig!.subjectDistanceMm ?? scene.subjectDistanceMm;
    const high = of.figures!.fieldHeightMm;
    return [
      {
        kind: 'heading',
        id: `${of.id} spot`,
        text: `${name}: all from one place`,
        sub: `Camera ${say.length(distance)} from the subject, at ${say.aperture(of.rig!.fNumber)}.`,
        href: of.href,
      },
      { kind: 'tiles', id: `${of.id} from`, tiles: row.map((rig, i) => tile(of, rig, from[i] ?? null, scene, say, `${of.id} ${i} from`)) },
      {
        kind: 'heading',
        id: `${of.id} frame`,
        text: `${name}: all at one framing`,
        sub: Number.isNaN(high)
          ? 'There is no framing to keep: the rig is not in focus.'
          : `The picture is ${say.length(high)} high at the subject. Room is told from what is behind the subject to the camera’s mark.`,
        href: of.href,
      },
      {
        kind: 'tiles',
        id: `${of.id} at`,
        tiles: framed.map(({ rig, figures }, i) => tile(of, rig, figures, scene, say, `${of.id} ${i} at`)),
      },
    ];
  });
}

/** A body in numbers, for any lens. */
function bare(rig: RigInput): RigInput {
  const { sensorWidthMm, sensorHeightMm, focalLengthMm, fNumber, squeeze, optics, punchIn, captureFps, sensitivityIso, subjectDistanceMm } =
    rig;
  return {
    id: rig.id!,
    sensorWidthMm,
    sensorHeightMm,
    focalLengthMm,
    fNumber,
    ...drop({ squeeze, optics, punchIn, captureFps, sensitivityIso, subjectDistanceMm }),
  };
}

const drop = <T extends object>(of: T): Partial<T> =>
  Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined)) as Partial<T>;

/** Each from where it frames as the rig does. */
function atOneFraming(
  of: SheetRig,
  row: RigInput[],
  conventions: Conventions | undefined,
  feet: boolean,
): { rig: RigInput; figures: Numbers | null }[] {
  const sizeMm = of.figures!.fieldHeightMm;
  if (!(sizeMm > 0)) {
    return [];
  }
  const moved: RigInput[] = [];
  for (let i = 0; i < row.length; i += 12) {
    const some = row.slice(i, i + 12);
    const answer = core().solve(
      { setup: { scene: of.scene, rigs: some, ...(conventions && { conventions }) }, goal: 'distance', sizeMm, isAcross: false },
      feet,
    );
    some.forEach((rig, at) => {
      const found = answer[at];
      const solution = Array.isArray(found) ? found[0] : undefined;
      moved.push(
        solution?.subjectDistanceMm == null
          ? { ...rig, subjectDistanceMm: NaN }
          : { ...rig, subjectDistanceMm: solution.subjectDistanceMm, rackedFarther: solution.rackedFarther },
      );
    });
  }
  const known = moved.filter((rig) => !Number.isNaN(rig.subjectDistanceMm));
  const figures = evaluated(of.scene, known, conventions);
  return moved.map((rig) => ({ rig, figures: figures[known.indexOf(rig)] ?? null }));
}

function tile(of: SheetRig, rig: RigInput, figures: Numbers | null, scene: SceneInput, say: Language, id: string): TileFact {
  const isFramed = id.endsWith(' at');
  const distance = rig.subjectDistanceMm ?? scene.subjectDistanceMm;
  const title = say.focal(rig.focalLengthMm);
  const picture = pictureOf(id, { rig, figures, scene, title, missing: '' });
  if (!isInFocus(figures)) {
    return { id, big: title, small: '—', lines: ['It cannot frame so.'], picture };
  }
  const field = say.area(figures.fieldWidthMm, figures.fieldHeightMm);
  const room = behind({ ...scene, subjectDistanceMm: of.rig!.subjectDistanceMm ?? scene.subjectDistanceMm }, distance);
  return {
    id,
    big: title,
    small: isFramed ? `from ${say.length(distance)}` : field,
    lines: [
      `as ${say.figure('equivalentFocalLengthMm', figures)} · ${say.figure('angleOfViewHorizontalDeg', figures)} across`,
      !isFramed ? '' : room === null ? 'no wall behind' : `room ${say.length(room)}`,
      `sharp ${say.span(figures.depthOfFieldNearMm, figures.depthOfFieldFarMm)}`,
    ].filter(Boolean),
    picture,
  };
}
