import { core, type Chain, type Conventions, type LensInput, type RigInput, type SceneInput, type Setup } from '../../core/core';
import { oneLine } from '../../ui/format';
import { change, changesNothing, type Content, useBench, withSetup, yardstickOf } from './benchStore';
import { chainOf, nameOf, withOfferedRate } from '../../gear/chains';
import { exposedRight, follow, holdNothing, holdOf, letGo, withPin, type ExposureControl, type Hold, type Lead } from './holding';
import { behind, distanceOf, withSubjectAt } from '../../core/standing';

/** Changes something of the scene. */
export function changeScene(to: Partial<SceneInput> | ((scene: SceneInput) => Partial<SceneInput>)): void {
  const of = (scene: SceneInput) => (typeof to === 'function' ? to(scene) : to);
  const what = `scene:${Object.keys(of(useBench.getState().document.setup.scene)).join()}`;
  change(what, (c) => {
    const { scene } = c.document.setup;
    const part = of(scene);
    return changesNothing(scene, part) ? c : withSetup(c, { scene: { ...scene, ...part } });
  });
}

/** Changes something of one rig. */
export function changeRig(id: string, part: Partial<RigInput>): void {
  const what = `${id}:${Object.keys(part).join()}`;
  change(what, (c) => {
    const { rigs } = c.document.setup;
    const rig = rigOf(rigs, id);
    return !rig || changesNothing(rig, part) ? c : withSetup(c, { rigs: rigs.map((r) => (r === rig ? { ...r, ...part } : r)) });
  });
}

const rigOf = (rigs: RigInput[], id: string) => rigs.find((rig) => rig.id === id);

/** Makes a rig of parts; null keeps its numbers and lets go of the parts. */
export function changeChain(id: string, chain: Chain | null, part: Partial<RigInput> = {}, hold?: Hold): void {
  const rig = rigOf(useBench.getState().document.setup.rigs, id);
  if (!rig) {
    return;
  }
  const before = chainOf(rig);
  // A name that only tells the format is nobody's choice.
  const unnamed =
    !rig.name || core().formats.some((f) => f.name.startsWith(rig.name!)) || (before !== null && rig.name === nameOf(before.parts));
  const recipe = (c: Content) => {
    const { rigs, scene } = c.document.setup;
    const named = chain && unnamed && { name: nameOf(chain.parts) };
    const made = (r: RigInput): RigInput => ({ ...r, ...part, chain, ...named });
    // Another camera or mode has rates of its own.
    const hasOtherRates = chain !== null && (before?.mode !== chain.mode || before?.parts[0]?.item !== chain.parts[0]?.item);
    return withSetup(c, {
      rigs: rigs.map((r) => (r.id !== id ? r : hasOtherRates ? withOfferedRate(made(r), scene) : made(r))),
    });
  };
  change(`${id}:chain${performance.now()}`, recipe, hold);
}

/** Changes what is known of a rig's lens. */
export function changeLens(id: string, part: Partial<LensInput>): void {
  const lens = rigOf(useBench.getState().document.setup.rigs, id)?.lens ?? {};
  changeRig(id, { lens: { ...lens, ...part } });
}

/** What a solution found for a rig: where it stands, and how it is set. */
export interface Setting {
  id: string;
  /** Its distance; null when it stays where it is. */
  distanceMm: number | null;
  /** True when that moves the focus, so the subject, and not the camera. */
  focuses: boolean;
  rig: Partial<RigInput>;
}

/** Sets what solutions found, in one step of undo. A rig alone takes the scene along; beside others it stands at a distance of its own. */
export function applySolutions(settings: Setting[]): void {
  // The framing is what was asked for; it is not held against the answer.
  const hold = { ...holdOf(useBench.getState().document), framing: false };
  const step = (c: Content) =>
    settings.reduce((content, { id, distanceMm, focuses, rig }) => {
      const { scene, rigs } = content.document.setup;
      const old = rigOf(rigs, id);
      if (!old) {
        return content;
      }
      const set = (part: Partial<RigInput>, setup: Pick<Setup, 'scene' | 'rigs'>) =>
        withSetup(content, { ...setup, rigs: setup.rigs.map((r) => (r.id === id ? { ...r, ...rig, ...part } : r)) });
      if (distanceMm === null) {
        return set({}, { scene, rigs });
      }
      if (focuses) {
        const moved = withSubjectAt(scene.subjectDistanceMm + distanceMm - distanceOf(old, scene), scene, rigs);
        // A focus that was found may lie beyond what is behind; then that goes along rather than refusing the answer.
        const background = moved.scene.backgroundDistanceMm ?? null;
        return set(
          {},
          {
            ...moved,
            scene: {
              ...moved.scene,
              backgroundDistanceMm: background === null ? null : Math.max(background, moved.scene.subjectDistanceMm),
            },
          },
        );
      }
      return rigs.length === 1
        ? set(
            { subjectDistanceMm: null },
            { scene: { ...scene, subjectDistanceMm: distanceMm, backgroundDistanceMm: behind(scene, distanceMm) }, rigs },
          )
        : set({ subjectDistanceMm: distanceMm }, { scene, rigs });
    }, c);
  change(`solution${settings.map((s) => s.id).join()}`, step, hold);
}

/** Moves the subject; all cameras stay where they are, and so does what is behind. */
export function moveSubject(mm: number): void {
  change('subject', (c) => {
    const { scene, rigs } = c.document.setup;
    return mm === scene.subjectDistanceMm ? c : withSetup(c, withSubjectAt(mm, scene, rigs));
  });
}

/** Moves the camera of the rigs that stand where the scene says; what is behind the subject stays where it is. */
export const moveCamera = (mm: number): void =>
  changeScene((scene) => ({ subjectDistanceMm: mm, backgroundDistanceMm: behind(scene, mm) }));

/** Gives a rig a distance of its own, or, with null, sends it to where the scene says. */
export const standAt = (id: string, subjectDistanceMm: number | null): void => changeRig(id, { subjectDistanceMm });

/** Brings rigs to what the yardstick gives, in what is named. */
export function bringToYardstick(what: Partial<Hold>, to?: string): void {
  const { document } = useBench.getState();
  const { setup } = document;
  const follower = setup.rigs.findIndex((rig) => rig.id === to);
  const lead: Lead = { leader: yardstickOf(setup), ...(to !== undefined && { to: [follower] }) };
  const { setup: brought, notes } = follow(setup, setup, { ...letGo(holdOf(document)), place: false, ...what }, lead);
  if (brought !== setup) {
    change(`bring${performance.now()}`, (c) => withSetup(c, brought), holdNothing);
  }
  useBench.setState({ holdNotes: notes });
}

/** Brings a rig, or all of them, to right exposure. */
export function exposeRight(id?: string): void {
  const { document } = useBench.getState();
  const { setup } = document;
  const { setup: right, notes } = exposedRight(
    setup,
    holdOf(document),
    id === undefined ? undefined : [setup.rigs.findIndex((rig) => rig.id === id)],
  );
  if (right !== setup) {
    change(`right${performance.now()}`, (c) => withSetup(c, right), holdNothing);
  }
  useBench.setState({ holdNotes: notes });
}

/** Pins something of a rig, or lets go of it. */
export function togglePin(id: string, control: ExposureControl): void {
  const { document } = useBench.getState();
  setHold(withPin(holdOf(document), id, control, document.setup.rigs));
}

/** Changes what stays equal while something changes. */
export function setHold(hold: Hold): void {
  change('hold', (c) => ({ ...c, document: { ...c.document, hold } }), holdNothing);
}

/** Changes what figures go by. */
export function changeConventions(conventions: Conventions): void {
  change('conventions', (c) => withSetup(c, { conventions }));
}

/** Makes a rig the one that the others are measured against. */
export function setYardstick(id: string): void {
  change('yardstick', (c) => withSetup(c, { yardstick: id }));
}

export function rename(name: string): void {
  change('name', (c) => ({ ...c, name: oneLine(name) }));
}

export function setNote(note: string): void {
  change('note', (c) => ({ ...c, document: { ...c.document, note: oneLine(note) } }));
}
