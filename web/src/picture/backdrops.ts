import { CatmullRomCurve3, TubeGeometry, Vector3, type BufferGeometry } from 'three';
import { handsAtWork, seated, standing, type Looks } from './people';
import { once, shade, Solids, surface, thrown } from './solids';
import { openMetres, type Stage, type DrawnSubject } from './view';

export interface Lamp {
  at: [number, number, number];
  radius: number;
  colour: string;
}

/** A place, ready to be drawn. */
export interface Scenery {
  mesh: BufferGeometry;
  lamps: Lamp[];
  /** What is seen where nothing stands. */
  sky: string;
  /** Light from above, from below, and from where it comes; linear. */
  above: string;
  below: string;
  sun: string;
  sunFrom: [number, number, number];
  /** How much of the sky's colour lies over a thing a metre away. */
  haze: number;
}

const shipwright: Looks = { skin: '#c98f6c', hair: '#3a2a20', coat: '#35566b', trousers: '#57503f' };
const mate: Looks = { skin: '#8d5a3c', hair: '#1d1814', coat: '#9a4a2b', trousers: '#3d4650', cap: '#2f3a3a' };
const passer: Looks = { skin: '#d7a484', hair: '#8a6a44', coat: '#7a7f3c', trousers: '#443c36' };

/** Boards side by side over a field, each a little different; across is along x. */
function floor(
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

function boardedWall(all: Solids, z: number, halfWidth: number, height: number, colour: string, board: number): void {
  const random = thrown(11);
  for (let x = -halfWidth; x < halfWidth; x += board) {
    all.box(
      [x + board / 2, height / 2, z - 0.02 - random() * 0.012],
      [board * 0.97, height, 0.03],
      shade(colour, (random() - 0.5) * 0.34),
      surface.wood,
    );
  }
}

function barrel(all: Solids, x: number, z: number, colour: string): void {
  all.bar([x, 0, z], [x, 0.42, z], 0.24, colour, surface.wood, 0.29).bar([x, 0.42, z], [x, 0.84, z], 0.29, colour, surface.wood, 0.24);
  for (const y of [0.12, 0.32, 0.54, 0.74]) all.bar([x, y, z], [x, y + 0.035, z], 0.285, '#3c3d3e', 0, 0.285);
}

function trestle(all: Solids, x: number, z: number, turn: number): void {
  const stand = new Solids();
  for (const end of [-0.45, 0.45]) {
    for (const side of [-0.2, 0.2]) stand.bar([end, 0.7, side * 0.3], [end * 1.08, 0, side], 0.024, '#8b6a41', surface.wood);
  }
  stand.box([0, 0.73, 0], [1.15, 0.08, 0.1], '#a87f4d', surface.wood);
  all.put(stand, [x, 0, z], 1, turn);
}

function rope(all: Solids, x: number, y: number, z: number): void {
  const turns = Array.from(
    { length: 60 },
    (_, i) => new Vector3(x + 0.17 * Math.cos(i * 0.7), y + 0.006 * i * 0.5, z + 0.17 * Math.sin(i * 0.7)),
  );
  all.add(new TubeGeometry(new CatmullRomCurve3(turns), 150, 0.017, 5), '#c9b183');
}

/** A chain from a beam with a hook at its end. */
function hook(all: Solids, x: number, z: number, from: number, to: number): void {
  for (let y = from, i = 0; y > to + 0.12; y -= 0.052, i++) {
    all.ball([x, y, z], i % 2 ? [0.017, 0.032, 0.006] : [0.006, 0.032, 0.017], '#4b4d4e');
  }
  const bend = Array.from({ length: 9 }, (_, i) => new Vector3(x + 0.045 * Math.sin(i * 0.5), to + 0.06 + 0.06 * Math.cos(i * 0.5), z));
  all.add(new TubeGeometry(new CatmullRomCurve3(bend), 18, 0.011, 6), '#5a5c5d');
}

/** Reeds that stand in a bunch, each bent a little. */
function reeds(all: Solids, x: number, z: number, height: number): void {
  const random = thrown(53);
  for (let i = 0; i < 26; i++) {
    const [dx, dz, h] = [(random() - 0.5) * 0.5, (random() - 0.5) * 0.3, height * (0.6 + 0.4 * random())];
    const lean = (random() - 0.4) * 0.22;
    all.bar([x + dx, 0, z + dz], [x + dx + lean, h, z + dz], 0.008, shade(i % 3 ? '#7d8446' : '#a39a5a', (random() - 0.5) * 0.3), 0, 0.003);
    if (i % 4 === 0) all.bar([x + dx + lean, h - 0.02, z + dz], [x + dx + lean * 1.1, h + 0.1, z + dz], 0.017, '#6a4a2c');
  }
}

/** A mooring post with rope about it. */
function mooring(all: Solids, x: number, z: number, height: number): void {
  all.bar([x, 0, z], [x, height, z], 0.085, '#5b4832', surface.wood).ball([x, height, z], [0.09, 0.035, 0.09], '#6a563c');
  for (let i = 0; i < 4; i++)
    all.bar([x, height * 0.62 + i * 0.034, z], [x, height * 0.62 + 0.03 + i * 0.034, z], 0.099, i % 2 ? '#c9b183' : '#bda374');
}

function shelves(all: Solids, x: number, z: number): void {
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

function window_(all: Solids, x: number, y: number, z: number, width: number, height: number): void {
  all.box([x, y, z], [width, height, 0.02], '#eaf3f6', surface.glow);
  for (const part of [-0.5, -0.167, 0.167, 0.5]) all.box([x + part * width, y, z + 0.03], [0.045, height + 0.06, 0.05], '#4d3b29');
  for (const part of [-0.5, 0, 0.5]) all.box([x, y + part * height, z + 0.03], [width + 0.06, 0.045, 0.05], '#4d3b29');
}

/** Strakes of a hull from stem to stern along x, its side towards the camera; the middle of its keel is the origin. */
const hull = (length: number): Solids => once(`hull ${length}`, () => shipped(length));

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

function subject(kind: DrawnSubject, stage: Stage): Solids {
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
function lampsAt(z: number, spread: number, height: number, colours: string[], radius: number): Lamp[] {
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

const indoors = { above: '#8f8a80', below: '#4a3f33', sun: '#d6c6a8', sunFrom: [0.55, 0.65, 0.75] as [number, number, number], haze: 0 };
const outdoors = {
  above: '#98a8b3',
  below: '#5f5a4d',
  sun: '#f2dfb4',
  sunFrom: [-0.55, 0.6, 0.55] as [number, number, number],
  haze: 0.0016,
};

function shed(stage: Stage, depth: number): Scenery {
  const all = new Solids();
  const half = Math.max(6, depth * 0.9 + 4);
  const high = Math.max(3.2, depth * 0.18 + 2.9);
  floor(all, 14, -depth, half, '#7b664c', 0.19);
  boardedWall(all, -depth, half, high, '#6f6353', 0.24);
  all.box([0, high + 0.05, -depth / 2 + 3], [2 * half, 0.1, depth + 14], '#3b3128', surface.wood);
  const wide = Math.max(1.6, depth * 0.25);
  window_(all, -wide, 1.75, -depth + 0.02, Math.max(1, depth * 0.13), Math.max(0.85, depth * 0.1));
  window_(all, wide * 1.4, 1.75, -depth + 0.02, Math.max(1, depth * 0.13), Math.max(0.85, depth * 0.1));
  for (let z = -depth + 0.3; z < 4; z += Math.max(1.8, depth / 6)) {
    for (const side of [-1, 1]) {
      all.box([side * Math.max(2.5, depth * 0.32), high / 2, z], [0.16, high, 0.16], '#5b4630', surface.wood);
      all.box([0, high - 0.16, z], [2 * half, 0.2, 0.14], '#54402b', surface.wood);
    }
  }
  shelves(all, 0.55, -depth + 0.22);
  trestle(all, -0.95, -depth * 0.42, 0.5);
  trestle(all, 1.35, -depth * 0.62, -0.4);
  barrel(all, 1.25, -Math.min(1.1, depth * 0.4), '#8d6a3f');
  barrel(all, -1.6, -depth * 0.78, '#7a5433');
  rope(all, 0.95, 0.02, 0.55);
  trestle(all, -0.72, 0.85, 0.2);
  hook(all, -0.62, 0.95, high, 1.62);
  // Planks that lean near the camera, at the other side.
  for (let i = 0; i < 3; i++)
    all.bar(
      [1.02 + 0.09 * i, 0, 1.05 + 0.05 * i],
      [1.16 + 0.09 * i, 2.3 + 0.1 * i, 0.92 + 0.05 * i],
      0.036,
      shade('#b08a57', -0.12 * i),
      surface.wood,
    );
  all
    .bar([-0.9, 0.77, 0.85], [-0.9, 0.97, 0.85], 0.08, '#b5452c')
    .bar([-1.05, 0, -depth + 0.6], [-0.75, 2.5, -depth + 0.12], 0.03, '#a98351')
    .bar([-1.42, 0, -depth + 0.6], [-1.12, 2.5, -depth + 0.12], 0.03, '#a98351');
  if (depth > 0.9) all.put(standing(passer, stage.figureHeight), [0.42 + depth * 0.1, 0, -depth + 0.35], 1, -0.7);
  return {
    ...indoors,
    mesh: all.put(subject(stage.subject, stage), [0, 0, 0]).mesh(),
    sky: '#2a231c',
    lamps: lampsAt(-depth, 0.42 * (depth + 2.2), Math.max(2.1, 1.6 + depth * 0.09), ['#ffd9a0'], 0.035),
  };
}

function loft(stage: Stage, depth: number): Scenery {
  const all = new Solids();
  const half = Math.max(4, depth + 2.5);
  const high = Math.max(2.5, 2.2 + depth * 0.1);
  floor(all, 12, -depth, half, '#a58a62', 0.15);
  boardedWall(all, -depth, half, high, '#d8d2c2', 0.3);
  all.box([0, high + 0.05, -depth / 2 + 3], [2 * half, 0.1, depth + 12], '#c9c1ae');
  for (let z = -depth + 0.4; z < 5; z += 1.1) all.box([0, high - 0.12, z], [2 * half, 0.2, 0.16], '#6f5334', surface.wood);
  window_(all, -Math.max(0.95, depth * 0.28), 1.45, -depth + 0.02, Math.max(0.9, depth * 0.2), Math.max(1, depth * 0.2));
  // A sail hung to dry, and a table with spools.
  for (let i = 0; i < 12; i++)
    all.bar(
      [0.75 + i * 0.12, high - 0.2, -depth + 0.16 + 0.05 * (i % 2)],
      [0.6 + i * 0.15, 0.35, -depth + 0.3 + 0.05 * (i % 2)],
      0.075,
      i % 2 ? '#a4452e' : '#8f3a28',
    );
  all
    .box([-1.15, 0.72, -depth * 0.55], [0.9, 0.05, 0.55], '#7d5d39', surface.wood)
    .box([-1.5, 0.36, -depth * 0.55], [0.06, 0.72, 0.5], '#6b4f30')
    .box([-0.8, 0.36, -depth * 0.55], [0.06, 0.72, 0.5], '#6b4f30');
  for (let i = 0; i < 4; i++)
    all.bar(
      [-1.45 + i * 0.2, 0.75, -depth * 0.55],
      [-1.45 + i * 0.2, 0.92, -depth * 0.55],
      0.05,
      ['#d8a13a', '#3f6f86', '#d9d2c0', '#5e7d4a'][i]!,
    );
  rope(all, 0.8, 0.02, 0.4);
  barrel(all, 1.35, -depth * 0.5, '#8d6a3f');
  // The clew of a sail that hangs near the camera, and a table's corner with spools.
  for (let i = 0; i < 7; i++)
    all.bar(
      [1.25, high - 0.2, 0.85 + 0.03 * (i % 2)],
      [0.62 + i * 0.11, 1.12 + 0.07 * i, 0.95 + 0.03 * (i % 2)],
      0.05,
      i % 2 ? '#d6cdb6' : '#c9bfa5',
    );
  all.box([-0.85, 0.78, 0.9], [0.8, 0.05, 0.5], '#8d6a41', surface.wood);
  for (let i = 0; i < 3; i++)
    all.bar([-0.85 + i * 0.2, 0.8, 0.92 - i * 0.05], [-0.85 + i * 0.2, 0.97, 0.92 - i * 0.05], 0.05, ['#a4452e', '#d9d2c0', '#3f6f86'][i]!);
  return {
    ...indoors,
    above: '#b3b3ad',
    mesh: all.put(subject(stage.subject, stage), [0, 0, 0]).mesh(),
    sky: '#bcb6a6',
    lamps: lampsAt(-depth, 0.36 * (depth + 2), Math.min(high - 0.3, 2.05), ['#ffe0ad', '#ffd090'], 0.03),
  };
}

function benchTop(stage: Stage, depth: number): Scenery {
  const all = new Solids();
  const eye = stage.lensHeight;
  const random = thrown(3);
  const half = Math.max(3, depth * 1.2 + 2);
  const colours = ['#b5452c', '#d8a13a', '#3f6f86', '#5e7d4a', '#d9d2c0', '#7a4a63', '#c27b3b'];
  floor(all, 8, -depth, half, '#6f5c45', 0.17);
  boardedWall(all, -depth, half, eye + 2.2, '#5d6a66', 0.14);
  // A rack of tools on the wall, pots and jars on the way there.
  const scale = Math.max(0.25, Math.min(1, depth));
  for (let i = 0; i < 16; i++) {
    const x = (i / 15 - 0.5) * 2.6 * scale;
    all
      .bar([x, eye + 0.42 * scale, -depth + 0.03], [x, eye + (0.18 - random() * 0.12) * scale, -depth + 0.03], 0.012 * scale, '#a9b0b2')
      .bar([x, eye + 0.42 * scale, -depth + 0.03], [x, eye + 0.56 * scale, -depth + 0.03], 0.02 * scale, colours[i % colours.length]!);
  }
  all.box([0, eye - 0.1 * scale, -depth / 2 - 0.02], [3 * scale, 0.02 * scale, depth * 0.9], '#9c7244', surface.wood);
  // The bench goes on towards the camera, with a mallet, a jar of nails and chisels on it.
  all.box([0, eye - 0.1 * scale, 0.26 * scale], [3 * scale, 0.02 * scale, 0.5 * scale], '#9c7244', surface.wood);
  all
    .bar(
      [-0.34 * scale, eye - 0.075 * scale, 0.3 * scale],
      [-0.2 * scale, eye - 0.075 * scale, 0.36 * scale],
      0.014 * scale,
      '#b08a57',
      surface.wood,
    )
    .box([-0.36 * scale, eye - 0.06 * scale, 0.29 * scale], [0.07 * scale, 0.06 * scale, 0.1 * scale], '#7d5d39', surface.wood);
  all.bar([0.3 * scale, eye - 0.09 * scale, 0.24 * scale], [0.3 * scale, eye + 0.0 * scale, 0.24 * scale], 0.035 * scale, '#8fa3a0');
  for (let i = 0; i < 3; i++)
    all
      .bar(
        [(0.2 + 0.05 * i) * scale, eye - 0.082 * scale, 0.4 * scale],
        [(0.24 + 0.05 * i) * scale, eye - 0.082 * scale, 0.22 * scale],
        0.007 * scale,
        '#a9b0b2',
      )
      .bar(
        [(0.24 + 0.05 * i) * scale, eye - 0.082 * scale, 0.22 * scale],
        [(0.26 + 0.05 * i) * scale, eye - 0.082 * scale, 0.13 * scale],
        0.012 * scale,
        colours[i]!,
      );
  for (let i = 0; i < 14; i++) {
    const [x, z, h] = [(random() - 0.5) * 2.4 * scale, -depth * (0.3 + 0.6 * random()), (0.08 + 0.12 * random()) * scale];
    if (Math.abs(x) > 0.16 * scale)
      all.bar([x, eye - 0.09 * scale, z], [x, eye - 0.09 * scale + h, z], 0.04 * scale, colours[i % colours.length]!);
  }
  return {
    ...indoors,
    mesh: all.put(subject(stage.subject, stage), [0, 0, 0]).mesh(),
    sky: '#22201c',
    lamps: lampsAt(-depth, 0.4 * (depth + 0.5), eye + 0.25 * scale, ['#ffd9a0', '#fff0d8'], 0.012 * scale),
  };
}

function shore(all: Solids, z: number, spread: number): void {
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

function slipway(stage: Stage, depth: number, far: boolean): Scenery {
  const all = new Solids();
  const spread = Math.max(14, depth * 0.9);
  if (far) {
    all.box([0, -0.5, -depth / 2], [spread * 8, 0.4, depth + 40], '#5f7c86', surface.water);
    all.box([0, -0.16, 20], [60, 0.3, 43], '#77694e');
    shore(all, -depth - Math.max(3, depth * 0.1), spread);
  } else {
    floor(all, 18, -Math.min(depth, 9), 9, '#8a7758', 0.24);
    all.box([0, -0.5, -depth - 200], [1500, 0.4, 2 * depth + 420], '#5f7c86', surface.water);
    shore(all, -depth - Math.max(40, depth), Math.max(60, depth * 1.5));
    const z = -Math.min(depth, 60);
    for (const x of [-0.5, -0.26, 0.24, 0.46])
      all
        .bar([x * (depth + 3), -0.5, z], [x * (depth + 3), 1.5, z], 0.13, '#51412f', surface.wood)
        .bar([x * (depth + 3), 1.5, z], [x * (depth + 3), 1.62, z], 0.15, '#d9d2c0');
    all.put(hull(7), [3.4 + depth * 0.25, -0.1, -Math.max(2.2, depth * 0.7)], 0.8, -0.5);
    all.put(standing(passer, stage.figureHeight), [-0.7 - depth * 0.1, 0, -Math.min(depth * 0.9, 8.6)], 1, 0.6);
  }
  barrel(all, 1.15, -0.9, '#8d6a3f');
  rope(all, -0.85, 0.02, 0.6);
  mooring(all, -0.98, 1.1, 1.32);
  reeds(all, 1.12, 1.05, 1.45);
  for (const x of [-1.9, 1.9]) all.bar([x, 0, -0.4], [x, 0.75, -0.4], 0.11, '#51412f', surface.wood);
  return {
    ...outdoors,
    haze: Math.min(outdoors.haze, 0.5 / depth),
    mesh: all.put(subject(stage.subject, stage), [0, 0, 0]).mesh(),
    sky: '#b9c6cc',
    lamps: lampsAt(-depth, 0.4 * (depth + 2.2), 1.75 + Math.min(depth * 0.035, 60), ['#ffca86', '#ffe9c4'], Math.max(0.03, depth * 0.0008)),
  };
}

function chart(stage: Stage): Scenery {
  const all = new Solids();
  const eye = stage.lensHeight;
  const half = 40;
  all.box([0, eye, -0.011], [12, 12, 0.02], '#e9e6dd', surface.glow);
  for (let i = -half; i <= half; i++) {
    const bold = i % 10 === 0 ? 0.006 : 0.0024;
    all
      .box([i * 0.1, eye, 0], [bold, 8, 0.0002], '#23282a', surface.glow)
      .box([0, eye + i * 0.1, 0], [8, bold, 0.0002], '#23282a', surface.glow);
  }
  for (let i = -10; i < 10; i++) {
    for (let j = -10; j < 10; j++) {
      if ((i + j) % 2 === 0)
        all.box(
          [i * 0.1 + 0.05, eye + j * 0.1 + 0.05, -0.0004],
          [0.1, 0.1, 0.0002],
          Math.abs(i + 0.5) < 1 && Math.abs(j + 0.5) < 1 ? '#a33a0f' : '#9fa6a8',
          surface.glow,
        );
    }
  }
  return { ...indoors, mesh: all.mesh(), sky: '#c9c5ba', lamps: [] };
}

/** Builds a place with its subject. */
export function build(stage: Stage): Scenery {
  const depth = Math.max(0.02, stage.behind ?? openMetres);
  switch (stage.backdrop) {
    case 'shed':
      return shed(stage, depth);
    case 'loft':
      return loft(stage, depth);
    case 'benchTop':
      return benchTop(stage, depth);
    case 'slipway':
      return slipway(stage, depth, false);
    case 'farBank':
      return slipway(stage, depth, true);
    case 'chart':
      return chart(stage);
    case 'oneLamp':
      return {
        ...indoors,
        mesh: new Solids().mesh(),
        sky: '#000000',
        lamps: [{ at: [0, stage.lensHeight, -depth], radius: 0.0001, colour: '#ffffff' }],
      };
  }
}
