import { BufferAttribute, CatmullRomCurve3, Color, LatheGeometry, SphereGeometry, Vector2, Vector3 } from 'three';
import { once, Solids } from './solids';

export interface Looks {
  skin: string;
  hair: string;
  coat: string;
  trousers: string;
  cap?: string;
}

const bell = (x: number, width: number) => Math.exp(-(x * x) / (width * width));

/** A face with brow, nose, lips and chin, so that a close camera is seen to stretch it. Its middle is the middle of the head. */
function head(looks: Looks): Solids {
  const ball = new SphereGeometry(1, 40, 30);
  const points = ball.getAttribute('position') as BufferAttribute;
  const tint = new Float32Array(3 * points.count);
  const [skin, red, hair] = [new Color(looks.skin), new Color(looks.skin).multiply(new Color('#e39a8c')), new Color(looks.hair)];
  for (let i = 0; i < points.count; i++) {
    const [x, y, z] = [points.getX(i), points.getY(i), points.getZ(i)];
    const front = z > 0 ? Math.min(1, z * 2.5) : 0;
    const jaw = 1 - 0.13 * Math.max(0, -y) ** 1.5;
    const nose = 0.032 * bell(x, 0.15 + 0.1 * Math.max(0, 0.1 - y)) * bell(y + 0.22, 0.24) + 0.012 * bell(x, 0.12) * bell(y - 0.08, 0.25);
    const brow = 0.007 * bell(Math.abs(x) - 0.32, 0.3) * bell(y - 0.3, 0.09);
    const sockets = -0.016 * bell(Math.abs(x) - 0.36, 0.17) * bell(y - 0.12, 0.13);
    const cheeks = 0.006 * bell(Math.abs(x) - 0.5, 0.25) * bell(y + 0.2, 0.25);
    const lips = 0.008 * bell(x, 0.28) * (bell(y + 0.53, 0.05) + bell(y + 0.63, 0.05)) - 0.004 * bell(x, 0.3) * bell(y + 0.58, 0.03);
    const chin = 0.012 * bell(x, 0.3) * bell(y + 0.88, 0.16);
    points.setXYZ(i, 0.077 * x * jaw, 0.115 * y, 0.094 * z + front * (nose + brow + sockets + cheeks + lips + chin));
    const mouth = front * bell(x, 0.27) ** 2 * (bell(y + 0.53, 0.045) + bell(y + 0.63, 0.055) + 1.4 * bell(y + 0.58, 0.018));
    const blush = front * 0.45 * bell(Math.abs(x) - 0.5, 0.22) * bell(y + 0.2, 0.2) + 0.5 * front * bell(x, 0.12) * bell(y + 0.25, 0.12);
    const colour = skin.clone().lerp(red, Math.min(1, mouth + blush));
    const hairy = y > 0.62 - 0.75 * Math.max(0, z) + 0.55 * Math.max(0, z) ** 3 || (z < 0.12 && y > -0.35);
    tint.set((hairy ? hair : colour).toArray(), 3 * i);
  }
  ball.computeVertexNormals();
  ball.setAttribute('tint', new BufferAttribute(tint, 3));
  const all = new Solids().add(ball, looks.skin);
  for (const side of [-1, 1]) {
    all
      .ball([side * 0.0275, 0.0135, 0.0745], [0.0135, 0.0085, 0.0105], '#ece5da')
      .ball([side * 0.0275, 0.0135, 0.0805], [0.006, 0.0062, 0.0055], '#2c3a3c')
      .ball([side * 0.0275, 0.0215, 0.077], [0.0155, 0.003, 0.009], looks.skin)
      .ball([side * 0.029, 0.033, 0.0815], [0.018, 0.0032, 0.006], looks.hair, 0, [0, side * 0.25, side * -0.12])
      .ball([side * 0.077, -0.002, -0.004], [0.01, 0.027, 0.018], shadeOf(looks.skin), 0, [0, side * 0.35, 0]);
  }
  // The hair stands off the skull.
  all.ball([0, 0.047, -0.021], [0.0815, 0.08, 0.0905], looks.hair);
  if (looks.cap) {
    all.ball([0, 0.066, -0.006], [0.086, 0.07, 0.099], looks.cap).ball([0, 0.048, 0.01], [0.09, 0.026, 0.1], looks.cap);
  }
  return all;
}

const shadeOf = (colour: string, by = 0.88) => new Color(colour).multiplyScalar(by);

/** Outline of a work coat from its hem to the collar: half width and height above the hips, m. */
const coat: [number, number][] = [
  [0, -0.17],
  [0.176, -0.165],
  [0.172, -0.08],
  [0.163, 0.04],
  [0.158, 0.14],
  [0.168, 0.26],
  [0.186, 0.36],
  [0.192, 0.42],
  [0.178, 0.462],
  [0.13, 0.492],
  [0.075, 0.515],
  [0.066, 0.53],
  [0, 0.532],
];

/** Coat, neck and head; the origin between the hips. A long coat hides the hips. */
function trunk(looks: Looks, hem = true): Solids {
  const profile = new CatmullRomCurve3(
    coat.filter(([, y]) => hem || y > -0.1).map(([x, y]) => new Vector3(x, y, 0)),
    false,
    'catmullrom',
    0.3,
  ).getPoints(30);
  const body = new LatheGeometry(
    profile.map((p) => new Vector2(Math.max(0, p.x), p.y)),
    28,
  );
  body.scale(1, 1, 0.62);
  body.computeVertexNormals();
  const dark = shadeOf(looks.coat, 0.72);
  const all = new Solids()
    .add(body, looks.coat)
    .bar([0, 0.49, -0.015], [0, 0.63, 0.002], 0.062, looks.skin, 0, 0.052)
    .put(head(looks), [0, 0.668, 0.018]);
  for (const side of [-1, 1]) {
    all
      .ball([side * 0.168, 0.415, -0.004], [0.062, 0.066, 0.062], looks.coat)
      .box([side * 0.034, 0.505, 0.056], [0.062, 0.016, 0.045], dark, 0, [0.7, side * 0.5, side * -0.5])
      .box([side * 0.09, 0.27, 0.103], [0.075, 0.078, 0.008], dark, 0, [-0.08, side * 0.45, 0]);
  }
  for (const y of [-0.05, 0.08, 0.2, 0.32, 0.42])
    all.ball([0, y, 0.101 + 0.017 * (y > 0.15 ? 1 : 0) - 0.01 * (y > 0.4 ? 1 : 0)], [0.009, 0.009, 0.006], '#d9cba8');
  return all;
}

function hand(at: readonly [number, number, number], looks: Looks): Solids {
  const all = new Solids().ball(at, [0.036, 0.05, 0.026], looks.skin);
  for (let i = 0; i < 4; i++) {
    all.limb(
      [at[0] - 0.027 + 0.018 * i, at[1] - 0.03, at[2] + 0.005],
      [at[0] - 0.027 + 0.018 * i, at[1] - 0.085, at[2] + 0.018],
      0.0095,
      looks.skin,
      0.008,
    );
  }
  return all;
}

/** Height of the modelled person, m. */
const modelled = 1.75;

/** A person who stands; the eyes are in the plane z = 0. */
export const standing = (looks: Looks, height: number): Solids =>
  once(`standing ${JSON.stringify(looks)} ${height}`, () => stand(looks, height));

function stand(looks: Looks, height: number): Solids {
  const all = new Solids().put(trunk(looks), [0, 0.92, 0]);
  for (const side of [-1, 1]) {
    all
      .limb([side * 0.078, 0.86, 0], [side * 0.1, 0.48, 0.012], 0.078, looks.trousers, 0.06)
      .limb([side * 0.1, 0.48, 0.012], [side * 0.11, 0.09, -0.01], 0.06, looks.trousers, 0.046)
      .ball([side * 0.115, 0.045, 0.045], [0.048, 0.045, 0.135], '#3a2f28')
      .limb([side * 0.19, 1.345, -0.006], [side * 0.245, 1.08, -0.02], 0.054, looks.coat, 0.044)
      .limb([side * 0.245, 1.08, -0.02], [side * 0.243, 0.86, 0.075], 0.043, looks.coat, 0.034)
      .put(hand([side * 0.243, 0.81, 0.09], looks), [0, 0, 0]);
  }
  return new Solids().put(all, [0, 0, (-0.087 * height) / modelled], height / modelled);
}

/** A person on a stool, hands on the knees. */
export const seated = (looks: Looks, height: number): Solids => once(`seated ${JSON.stringify(looks)} ${height}`, () => sit(looks, height));

function sit(looks: Looks, height: number): Solids {
  const all = new Solids().put(trunk(looks, false), [0, 0.56, 0]);
  for (const side of [-1, 1]) {
    all
      .limb([side * 0.09, 0.54, 0.02], [side * 0.13, 0.53, 0.42], 0.084, looks.trousers, 0.064)
      .limb([side * 0.13, 0.53, 0.42], [side * 0.135, 0.09, 0.4], 0.06, looks.trousers, 0.046)
      .ball([side * 0.14, 0.045, 0.46], [0.048, 0.045, 0.135], '#3a2f28')
      .limb([side * 0.19, 0.985, -0.006], [side * 0.26, 0.74, 0.05], 0.054, looks.coat, 0.044)
      .limb([side * 0.26, 0.74, 0.05], [side * 0.17, 0.64, 0.31], 0.043, looks.coat, 0.034)
      .put(hand([side * 0.16, 0.635, 0.35], looks), [0, 0, 0]);
  }
  all.bar([0, 0.44, 0.02], [0, 0.49, 0.02], 0.19, '#8a6238').bar([0, 0, 0.02], [0, 0.44, 0.02], 0.03, '#4c4034');
  return new Solids().put(all, [0, 0, (-0.087 * height) / modelled], height / modelled);
}

/** Two forearms and hands that hold a plane on a board; the plane's middle is the origin. */
export function handsAtWork(looks: Looks): Solids {
  const all = new Solids()
    .box([0, -0.072, -0.05], [1.9, 0.045, 0.62], '#9c7244', 1)
    .box([0.02, -0.038, 0], [0.9, 0.028, 0.13], '#cfa569', 1)
    .box([0, 0, 0], [0.25, 0.05, 0.062], '#5b3a22', 1)
    .box([-0.005, 0.04, 0], [0.012, 0.06, 0.046], '#9aa3a6', 0, [0, 0, 0.6])
    .bar([0.085, 0.02, 0], [0.085, 0.062, 0], 0.02, '#3d281a', 0, 0.024)
    .limb([0.37, 0.3, -0.28], [0.13, 0.1, -0.06], 0.052, looks.coat, 0.038)
    .limb([-0.4, 0.27, -0.24], [-0.11, 0.09, -0.03], 0.052, looks.coat, 0.038)
    .ball([0.098, 0.072, -0.02], [0.038, 0.03, 0.048], looks.skin)
    .ball([-0.085, 0.062, 0.002], [0.048, 0.03, 0.044], looks.skin);
  for (let i = 0; i < 4; i++) {
    all
      .limb([0.078 + 0.018 * i, 0.07, 0.02], [0.072 + 0.017 * i, 0.036, 0.047], 0.01, looks.skin, 0.0085)
      .limb([-0.115 + 0.019 * i, 0.06, 0.03], [-0.113 + 0.019 * i, 0.018, 0.045], 0.01, looks.skin, 0.0085);
  }
  // Shavings.
  for (let i = 0; i < 14; i++) {
    all.ball([-0.36 + 0.055 * i, -0.04 + 0.008 * ((i * 7) % 3), 0.12 + 0.05 * Math.sin(i * 2.3)], [0.017, 0.007, 0.011], '#e2c592', 0, [
      i,
      2 * i,
      i,
    ]);
  }
  return all;
}
