import {
  BoxGeometry,
  BufferAttribute,
  BufferGeometry,
  Color,
  CylinderGeometry,
  Euler,
  Matrix4,
  Quaternion,
  SphereGeometry,
  Vector3,
} from 'three';
import { mergeGeometries } from 'three/examples/jsm/utils/BufferGeometryUtils.js';

type Triple = readonly [number, number, number];

/** How a surface takes light. */
export const surface = { plain: 0, wood: 1, water: 2, glow: -1 } as const;
export type Surface = (typeof surface)[keyof typeof surface];

/** How many flat sides make something look round: no more than can be seen, since each is drawn anew for every view. */
const facets = (radius: number) => (radius < 0.015 ? 6 : radius < 0.045 ? 8 : radius < 0.12 ? 10 : 15);

/** Solids of one place, put together into one mesh; lengths in metres. */
export class Solids {
  private readonly parts: BufferGeometry[] = [];

  static of(mesh: BufferGeometry): Solids {
    const solids = new Solids();
    solids.parts.push(mesh);
    return solids;
  }

  add(geometry: BufferGeometry, colour: string | Color, kind: Surface = surface.plain): this {
    geometry.deleteAttribute('uv');
    const count = geometry.getAttribute('position').count;
    const own = geometry.getAttribute('tint') as BufferAttribute | undefined;
    const base = new Color(colour);
    const tints = new Float32Array(4 * count);
    for (let i = 0; i < count; i++) {
      tints.set(own ? [own.getX(i), own.getY(i), own.getZ(i), kind] : [base.r, base.g, base.b, kind], 4 * i);
    }
    geometry.setAttribute('tint', new BufferAttribute(tints, 4));
    this.parts.push(geometry);
    return this;
  }

  box(at: Triple, size: Triple, colour: string | Color, kind: Surface = surface.plain, turn: Triple = [0, 0, 0]): this {
    return this.add(placed(new BoxGeometry(...size), at, turn), colour, kind);
  }

  ball(at: Triple, radii: Triple, colour: string | Color, kind: Surface = surface.plain, turn: Triple = [0, 0, 0]): this {
    const around = facets(Math.max(...radii));
    const ball = new SphereGeometry(1, around, Math.ceil(around * 0.65));
    ball.scale(...radii);
    ball.computeVertexNormals();
    return this.add(placed(ball, at, turn), colour, kind);
  }

  /** A round bar from one place to another, its ends as thick as said. */
  bar(
    from: Triple,
    to: Triple,
    radius: number,
    colour: string | Color,
    kind: Surface = surface.plain,
    endRadius = radius,
    open = false,
  ): this {
    const [a, b] = [new Vector3(...from), new Vector3(...to)];
    const along = b.clone().sub(a);
    const bar = new CylinderGeometry(endRadius, radius, along.length(), facets(radius), 1, open);
    const turn = new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), along.normalize());
    bar.applyMatrix4(new Matrix4().compose(a.add(b).multiplyScalar(0.5), turn, new Vector3(1, 1, 1)));
    return this.add(bar, colour, kind);
  }

  /** A bar with round ends. */
  limb(from: Triple, to: Triple, radius: number, colour: string | Color, endRadius = radius): this {
    return this.bar(from, to, radius, colour, surface.plain, endRadius, true)
      .ball(from, [radius, radius, radius], colour)
      .ball(to, [endRadius, endRadius, endRadius], colour);
  }

  /** All of another, moved. */
  put(other: Solids, at: Triple, scale = 1, turnY = 0): this {
    const move = new Matrix4().compose(
      new Vector3(...at),
      new Quaternion().setFromEuler(new Euler(0, turnY, 0)),
      new Vector3(scale, scale, scale),
    );
    this.parts.push(...other.parts.map((part) => part.clone().applyMatrix4(move)));
    return this;
  }

  /** One mesh, what is nearest to the camera first, so that little is drawn over. */
  mesh(): BufferGeometry {
    const nearest = (part: BufferGeometry) => {
      part.computeBoundingBox();
      return part.boundingBox!.min.z;
    };
    const inOrder = this.parts.map((part) => ({ part, z: nearest(part) })).sort((a, b) => b.z - a.z);
    return inOrder.length === 0 ? new BufferGeometry() : mergeGeometries(inOrder.map(({ part }) => part));
  }
}

const made = new Map<string, Solids>();

/** Solids that are the same each time, as one part; made once. */
export function once(key: string, make: () => Solids): Solids {
  let solids = made.get(key);
  if (!solids) {
    solids = Solids.of(make().mesh());
    made.set(key, solids);
  }
  return solids;
}

function placed(geometry: BufferGeometry, at: Triple, turn: Triple): BufferGeometry {
  return geometry.applyMatrix4(
    new Matrix4().compose(new Vector3(...at), new Quaternion().setFromEuler(new Euler(...turn)), new Vector3(1, 1, 1)),
  );
}

/** Numbers that look thrown but are the same each time. */
export function thrown(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

/** A colour a little lighter or darker. */
export const shade = (colour: string, by: number): Color => new Color(colour).multiplyScalar(1 + by);
