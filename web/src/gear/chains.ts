import {
  core,
  type AssembleRequest,
  type Assembled,
  type Chain,
  type ChainPart,
  type ChosenRig,
  type GearItem,
  type RigInput,
  type SceneInput,
} from '../core/core';
import { sceneFields } from '../core/fields';
import { useSettings } from '../app/settings';

type Delivered = Pick<SceneInput, 'deliveryAspect' | 'timelineFps'>;

const known = new WeakMap<RigInput, { aspect: number | null; fps: number; feet: boolean; assembled: Assembled | null }>();

/** The chain of a rig; its parts are gear as it was when they were put in. */
export const chainOf = (rig: RigInput): Chain | null => (rig.chain as Chain | null | undefined) ?? null;

/** Asks what the parts of a rig make together, as it is set. */
export const assemblyOf = (rig: RigInput, chain: NonNullable<RigInput['chain']>, scene: Delivered): AssembleRequest => ({
  chain,
  rig: { ...rig, chain: null },
  deliveryAspect: scene.deliveryAspect ?? null,
  timelineFps: fpsOf(scene),
});

export const fpsOf = ({ timelineFps }: Delivered): number => timelineFps ?? sceneFields.timelineFps.empty;

/** What a rig's parts make together; reckoned once for a rig as it stands. Null for a rig of bare numbers. */
export function assembled(rig: RigInput, scene: Delivered): Assembled | null {
  if (!rig.chain) {
    return null;
  }
  const { feet } = useSettings.getState();
  const aspect = scene.deliveryAspect ?? null;
  const fps = fpsOf(scene);
  const before = known.get(rig);
  if (before?.aspect === aspect && before.fps === fps && before.feet === feet) {
    return before.assembled;
  }
  const answer = core().assemble(assemblyOf(rig, rig.chain, scene), feet);
  known.set(rig, { aspect, fps, feet, assembled: answer });
  return answer;
}

/** A rig with the numbers that its parts give. What is no part's business (sensitivity, a shim) stays as it was set. */
export function fromParts(rig: RigInput, scene: SceneInput): RigInput {
  const answer = assembled(rig, scene);
  if (!answer?.rig) {
    return rig;
  }
  const next: RigInput = { ...answer.rig, id: rig.id!, chain: rig.chain ?? null };
  known.set(next, known.get(rig)!);
  return next;
}

/** A rig of parts at a rate that its mode offers: the one that was set, if it has it. */
export function withOfferedRate(rig: RigInput, scene: SceneInput): RigInput {
  const instead = assembled(rig, scene)?.rateInstead;
  return instead == null ? rig : { ...rig, captureFps: instead === fpsOf(scene) ? null : instead };
}

/** A rig of parts as a shot keeps it; null for a rig of bare numbers, or one without a body or a lens. */
export function chosenOf(rig: RigInput): ChosenRig | null {
  const chain = chainOf(rig);
  const items = chain?.parts.map((part) => part.item) ?? [];
  const [body] = items;
  const lens = body?.kind === 'fixedLensCamera' ? 0 : items.findIndex((item) => item.kind === 'lens');
  if (!chain || !body || lens < 0) {
    return null;
  }
  return {
    body: body.id,
    mode: chain.mode ?? '',
    lens: items[lens]!.id,
    links: items.slice(1, Math.max(1, lens)).map((item) => item.id),
    front: items.slice(lens + 1).map((item) => item.id),
    punchIn: rig.punchIn ?? 1,
    name: items.map((item) => item.name).join(' + '),
  };
}

/** What a rig is called when nobody has named it: its camera and lens. */
export function nameOf(parts: ChainPart[]): string {
  const camera = parts[0]?.item.name ?? '';
  const lens = parts.find((p) => p.item.kind === 'lens')?.item.name;
  return (lens ? `${camera}, ${lens}` : camera).slice(0, 60);
}

/** The mounts, of some, that parts name, and those that go straight onto these. */
export function mountsOf(parts: ChainPart[], mounts: GearItem[]): GearItem[] {
  const named = parts
    .flatMap(({ item }) => [item.mounts, item.mount, item.bodyMount, item.lensMount].flat())
    .filter((name) => typeof name === 'string');
  return mounts.filter((m) => named.some((name) => name.toLowerCase() === m.name.toLowerCase()));
}
