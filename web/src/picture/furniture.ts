import { CatmullRomCurve3, TubeGeometry, Vector3 } from 'three';
import { handsAtWork, seated, standing, type Looks } from './people';
import { once, shade, Solids, surface, thrown } from './solids';
import { type Stage, type DrawnSubject } from './view';

export interface Lamp {
  at: [number, number, number];
  radius: number;
  colour: string;
}

const shipwright: Looks = { skin: '#c98f6c', hair: '#3a2a20', coat: '#35566b', trousers: '#57503f' };

const mate: Looks = { skin: '#8d5a3c', hair: '#1d1814', coat: '#9a4a2b', trousers: '#3d4650', cap: '#2f3a3a' };

export const passer: Looks = { skin: '#d7a484', hair: '#8a6a44', coat: '#7a7f3c', trousers: '#443c36' };

/** Boards side by side over a field, each a little different; across is along x. */
export function floor(
  all: Solids,
  fromZ: number,
  toZ: number,
  halfWidth: number,
  colour: string,
  board: number,
  kind: 0 | 1 = surface.wood,
): void {
  const random = thrown(7);
  const wide = Math.max(board, halfWidth / 60);
  for (let x = -halfWidth; x < halfWidth; x += wide) {
    all.box(
      [x + wide / 2, -0.01, (fromZ + toZ) / 2],
      [wide * 0.975, 0.02, Math.abs(fromZ - toZ)],
      shade(colour, (random() - 0.5) * 0.3),
      kind,
    );
  }
  all.box([0, -0.04, (fromZ + toZ) / 2], [2 * halfWidth, 0.02, Math.abs(fromZ - toZ)], '#1d1712');
}

export function boardedWall(all: Solids, z: number, halfWidth: number, height: number, colour: string, board: number): void {
  const random = thrown(11);
  // A wall that is far off is wide, and its boards as narrow as before would be too many to draw, and too fine to see.
  const wide = Math.max(board, halfWidth / 150);
  for (let x = -halfWidth; x < halfWidth; x += wide) {
    all.box(
      [x + wide / 2, height / 2, z - 0.02 - random() * 0.012],
      [wide * 0.97, height, 0.03],
      shade(colour, (random() - 0.5) * 0.34),
      surface.wood,
    );
  }
}

export function barrel(all: Solids, x: number, z: number, colour: string): void {
  all.bar([x, 0, z], [x, 0.42, z], 0.24, colour, surface.wood, 0.29).bar([x, 0.42, z], [x, 0.84, z], 0.29, colour, surface.wood, 0.24);
  for (const y of [0.12, 0.32, 0.54, 0.74]) all.bar([x, y, z], [x, y + 0.035, z], 0.285, '#3c3d3e', 0, 0.285);
}

export function trestle(all: Solids, x: number, z: number, turn: number): void {
  const stand = new Solids();
  for (const end of [-0.45, 0.45]) {
    for (const side of [-0.2, 0.2]) stand.bar([end, 0.7, side * 0.3], [end * 1.08, 0, side], 0.024, '#8b6a41', surface.wood);
  }
  stand.box([0, 0.73, 0], [1.15, 0.08, 0.1], '#a87f4d', surface.wood);
  all.put(stand, [x, 0, z], 1, turn);
}

export function rope(all: Solids, x: number, y: number, z: number): void {
  const turns = Array.from(
    { length: 60 },
    (_, i) => new Vector3(x + 0.17 * Math.cos(i * 0.7), y + 0.006 * i * 0.5, z + 0.17 * Math.sin(i * 0.7)),
  );
  all.add(new TubeGeometry(new CatmullRomCurve3(turns), 150, 0.017, 5), '#c9b183');
}

/** A chain from a beam with a hook at its end; of a beam that is far up only its lower links are told apart. */
export function hook(all: Solids, x: number, z: number, from: number, to: number): void {
  const links = Math.min(from, to + 4);
  if (links < from) all.bar([x, links, z], [x, from, z], 0.012, '#4b4d4e');
  for (let y = links, i = 0; y > to + 0.12; y -= 0.052, i++) {
    all.ball([x, y, z], i % 2 ? [0.017, 0.032, 0.006] : [0.006, 0.032, 0.017], '#4b4d4e');
  }
  const bend = Array.from({ length: 9 }, (_, i) => new Vector3(x + 0.045 * Math.sin(i * 0.5), to + 0.06 + 0.06 * Math.cos(i * 0.5), z));
  all.add(new TubeGeometry(new CatmullRomCurve3(bend), 18, 0.011, 6), '#5a5c5d');
}

/** Reeds that stand in a bunch, each bent a little. */
export function reeds(all: Solids, x: number, z: number, height: number): void {
  const random = thrown(53);
  for (let i = 0; i < 26; i++) {
    const [dx, dz, h] = [(random() - 0.5) * 0.5, (random() - 0.5) * 0.3, height * (0.6 + 0.4 * random())];
    const lean = (random() - 0.4) * 0.22;
    all.bar([x + dx, 0, z + dz], [x + dx + lean, h, z + dz], 0.008, shade(i % 3 ? '#7d8446' : '#a39a5a', (random() - 0.5) * 0.3), 0, 0.003);
    if (i % 4 === 0) all.bar([x + dx + lean, h - 0.02, z + dz], [x + dx + lean * 1.1, h + 0.1, z + dz], 0.017, '#6a4a2c');
  }
}

/** A mooring post with rope about it. */
export function mooring(all: Solids, x: number, z: number, height: number): void {
  all.bar([x, 0, z], [x, height, z], 0.085, '#5b4832', surface.wood).ball([x, height, z], [0.09, 0.035, 0.09], '#6a563c');
  for (let i = 0; i < 4; i++)
    all.bar([x, height * 0.62 + i * 0.034, z], [x, height * 0.62 + 0.03 + i * 0.034, z], 0.099, i % 2 ? '#c9b183' : '#bda374');
}

export function shelves(all: Solids, x: number, z: number): void {
  const random = thrown(23);
  const colours = ['#b5452c', '#d8a13a', '#3f6f86', '#5e7d4a', '#d9d2c0', '#7a4a63'];
  for (const y of [0.5, 0.95, 1.4, 1.85]) {
    all.box([x, y, z], [1.5, 0.035, 0.3], '#7d5d39', surface.wood);
    for (let i = 0; i < 9; i++) {
      const [r, h] = [0.045 + random() * 0.025, 0.12 + random() * 0.16];
      const at = x - 0.66 + i * 0.165;
      if (random() > 0.2) all.bar([at, y + 0.02, z], [at, y + 0.02 + h, z], r, colours[Math.floor(random() * colours.length)]!);
    }
  }
  for (const side of [-0.75, 0.75]) all.box([x + side, 1, z], [0.045, 2, 0.3], '#6c4f30', surface.wood);
}

export function window_(all: Solids, x: number, y: number, z: number, width: number, height: number): void {
  all.box([x, y, z], [width, height, 0.02], '#eaf3f6', surface.glow);
  for (const part of [-0.5, -0.167, 0.167, 0.5]) all.box([x + part * width, y, z + 0.03], [0.045, height + 0.06, 0.05], '#4d3b29');
  for (const part of [-0.5, 0, 0.5]) all.box([x, y + part * height, z + 0.03], [width + 0.06, 0.045, 0.05], '#4d3b29');
}

/** Strakes of a hull from stem to stern along x, its side towards the camera; the middle of its keel is the origin. */
export const hull = (length: number): Solids => once(`hull ${length}`, () => shipped(length));

function shipped(length: number): Solids {
  const all = new Solids();
  const random = thrown(5);
  const [rows, columns] = [13, 26];
  const place = (u: number, v: number): [number, number, number] => {
    const along = 2 * u - 1;
    const belly = Math.sqrt(Math.max(0, 1 - Math.abs(along) ** 2.6));
    const out = belly * Math.sin(Math.min(1, 0.1 + v) * 1.45) * 1.15;
    return [((along * length) / 2) * (0.86 + 0.14 * v), 0.12 + v * (1.75 + 0.35 * along * along), out - 1.15];
  };
  for (let j = 0; j < rows; j++) {
    const colour = j > 10 ? '#8c3b2a' : shade(j < 5 ? '#2f3f45' : '#b98d58', (random() - 0.5) * 0.25);
    for (let i = 0; i < columns; i++) {
      const [a, b] = [place(i / columns, j / rows), place((i + 1) / columns, j / rows)];
      all.bar(a, b, 0.088, colour, j > 10 ? 0 : surface.wood);
    }
  }
  for (const x of [-0.36, -0.12, 0.12, 0.36]) {
    all
      .box([x * length, 0.12, -0.9], [0.3, 0.24, 0.8], '#6b5136', surface.wood)
      .bar([x * length, 0, 0.45], [x * length, 1.2, -0.05], 0.05, '#87673f', surface.wood);
  }
  return all.bar([0.2 * length, 1.9, -1.3], [0.2 * length, 4.3, -1.3], 0.07, '#9a7748', surface.wood);
}

function rivet(): Solids {
  const all = new Solids().bar([0, -0.02, 0], [0, 0, 0], 0.0032, '#b9703f').ball([0, 0.0006, 0], [0.006, 0.0036, 0.006], '#d58a52');
  all.bar([0, -0.006, 0], [0, -0.0048, 0], 0.0085, '#a9633a', 0, 0.0085);
  all.box([0, -0.026, -0.012], [0.5, 0.04, 0.09], '#b08a57', surface.wood);
  for (let i = 1; i < 5; i++) {
    for (const side of [-1, 1])
      all
        .bar([side * 0.034 * i, -0.0065, -0.01 * i], [side * 0.034 * i, -0.0048, -0.01 * i], 0.0085, '#a9633a')
        .ball([side * 0.034 * i, -0.001, -0.01 * i], [0.006, 0.0036, 0.006], '#c67f4a');
  }
  return all;
}

export function subject(kind: DrawnSubject, stage: Stage): Solids {
  const { lensHeight: eye, figureHeight: tall } = stage;
  switch (kind) {
    case 'standing':
      return standing(shipwright, tall);
    case 'seated':
      return seated(shipwright, tall);
    case 'two':
      return new Solids().put(standing(shipwright, tall), [-0.34, 0, 0], 1, 0.35).put(standing(mate, tall * 0.96), [0.36, 0, 0], 1, -0.35);
    case 'hands':
      return new Solids()
        .put(handsAtWork(shipwright), [0, eye - 0.02, 0])
        .bar([-0.8, 0, -0.2], [-0.8, eye - 0.1, -0.2], 0.04, '#6b4f30')
        .bar([0.8, 0, -0.2], [0.8, eye - 0.1, -0.2], 0.04, '#6b4f30');
    case 'rivet':
      return new Solids().put(rivet(), [0, eye, 0]);
    case 'hull':
      return hull(9);
    case 'none':
      return new Solids();
  }
}

/** Lamps at the distance of what is behind; the farther, the wider they hang. */
export function lampsAt(z: number, spread: number, height: number, colours: string[], radius: number): Lamp[] {
  const random = thrown(31);
  return Array.from({ length: 9 }, (_, i) => ({
    at: [(i / 8 - 0.5) * 2 * spread + (random() - 0.5) * 0.2 * spread, height * (1 + (random() - 0.35) * 0.22), z] as [
      number,
      number,
      number,
    ],
    radius,
    colour: colours[i % colours.length]!,
  }));
}

export function shore(all: Solids, z: number, spread: number): void {
  const random = thrown(41);
  all.box([0, -0.2, z - spread * 0.2], [spread * 6, 0.9, spread * 0.4], '#5d6339');
  for (let i = 0; i < 34; i++) {
    const x = (random() - 0.5) * spread * 4;
    const h = spread * (0.06 + 0.09 * random());
    const back = z - spread * (0.05 + 0.25 * random());
    all.ball(
      [x, h * 0.62, back],
      [h * (0.35 + 0.2 * random()), h * 0.6, h * 0.4],
      shade(i % 3 ? '#4c6138' : '#6d7440', (random() - 0.5) * 0.4),
    );
  }
  for (const [x, colour] of [
    [-0.42, '#c9b391'],
    [0.28, '#a5603f'],
    [0.62, '#d6cdb6'],
  ] as const) {
    const w = spread * 0.12;
    all
      .box([x * spread, w * 0.35, z - 0.02 * spread], [w, w * 0.7, w * 0.6], colour)
      .box([x * spread, w * 0.78, z - 0.02 * spread], [w * 1.1, w * 0.18, w * 0.7], '#53362b');
    for (const side of [-0.25, 0.25])
      all.box([x * spread + side * w, w * 0.36, z - 0.02 * spread + w * 0.31], [w * 0.16, w * 0.22, 0.01], '#ffe7b0', surface.glow);
  }
}
