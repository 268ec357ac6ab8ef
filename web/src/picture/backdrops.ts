import { standing } from './people';
import { shade, Solids, surface, thrown } from './solids';
import { openMetres, type Stage } from './view';
import {
  floor,
  boardedWall,
  window_,
  shelves,
  trestle,
  barrel,
  rope,
  hook,
  passer,
  subject,
  lampsAt,
  shore,
  hull,
  mooring,
  reeds,
} from './furniture';
import { type Scenery } from './scenery';

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
  for (let z = -depth + 0.4; z < 5; z += Math.max(1.1, depth / 40))
    all.box([0, high - 0.12, z], [2 * half, 0.2, 0.16], '#6f5334', surface.wood);
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
