import {
  AddEquation,
  BufferAttribute,
  BufferGeometry,
  Color,
  CustomBlending,
  FloatType,
  HalfFloatType,
  InstancedBufferAttribute,
  InstancedBufferGeometry,
  LinearSRGBColorSpace,
  Matrix4,
  Mesh,
  NearestFilter,
  OneFactor,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  ShaderMaterial,
  Vector2,
  Vector3,
  Vector4,
  WebGLRenderer,
  WebGLRenderTarget,
} from 'three';
import { build } from './backdrops';
import type { Scenery } from './scenery';
import { cellOfPoint, pupilPoint } from './pupil';
import type { Order, Stage, Tile, View } from './view';

const solidVertex = /* glsl */ `
attribute vec4 tint;
varying vec4 vTint; varying vec3 vNormal; varying vec3 vAt;
void main() {
  vTint = tint; vNormal = normal; vAt = position;
  gl_Position = projectionMatrix * viewMatrix * vec4(position, 1.0);
}`;
const solidFragment = /* glsl */ `
uniform vec3 above, below, sun, sunFrom, sky; uniform float haze;
varying vec4 vTint; varying vec3 vNormal; varying vec3 vAt;
float thrown(vec3 p) { p = fract(p * vec3(0.1031, 0.1030, 0.0973)); p += dot(p, p.yzx + 33.33); return fract((p.x + p.y) * p.z); }
void main() {
  vec3 n = normalize(vNormal);
  vec3 c = vTint.rgb;
  if (vTint.a > 0.5 && vTint.a < 1.5) {
    vec3 grain = abs(n.y) > 0.7 ? vec3(floor(vAt.x * 90.0), 0.0, floor(vAt.z * 2.5 + thrown(vec3(floor(vAt.x * 90.0))) * 4.0)) : vec3(floor(vAt.x * 110.0), floor(vAt.y * 3.0), floor(vAt.z * 110.0));
    c *= 0.86 + 0.22 * thrown(grain);
  } else if (vTint.a > 1.5) {
    float ripple = sin(vAt.z * 2.1 + sin(vAt.x * 0.7) * 2.0) * sin(vAt.x * 0.9 + vAt.z * 0.31);
    c = mix(c, sky, 0.4 + 0.25 * ripple);
  }
  if (vTint.a > -0.5) {
    float facing = max(dot(n, sunFrom), 0.0);
    c *= mix(below, above, n.y * 0.5 + 0.5) + sun * facing;
    c *= clamp(0.62 + 1.7 * (vAt.y + 0.5 * step(0.7, n.y)), 0.62, 1.0);
  } else {
    c *= 1.15;
  }
  if (haze > 0.0) c = mix(sky, c, exp(-distance(vAt, cameraPosition) * haze));
  gl_FragColor = vec4(c, 1.0);
}`;

/** A lamp is drawn over its whole disc; each view through the pupil draws the part of the disc that its cell makes. */
const lampVertex = /* glsl */ `
attribute vec3 place; attribute float size; attribute vec3 colour;
uniform vec2 field, pupil; uniform float away; uniform vec3 middle; uniform mat4 bent; uniform float pixel;
varying vec2 vPoint; varying vec3 vColour; varying float vBlurred, vPixel;
void main() {
  float b = middle.z - place.z;
  vec2 chief = (place.xy - middle.xy) * away / b;
  float spread = 1.0 - away / b;
  vec2 disc = pupil * 0.5 * abs(spread);
  float own = size * away / b;
  vec2 half_ = max(disc, vec2(max(own, pixel)));
  vBlurred = disc.y > own * 1.5 && disc.y > pixel * 2.0 ? 1.0 : 0.0;
  vPixel = pixel / half_.y;
  vPoint = position.xy * 1.12 * (spread < 0.0 ? -1.0 : 1.0);
  // As much light as the globe sends, spread over its disc; never so little that it is lost.
  vColour = colour * max(0.7, 10.0 * min(1.0, own * own / (half_.x * half_.y)));
  vec4 there = projectionMatrix * viewMatrix * vec4(place, 1.0);
  vec2 at = (chief + position.xy * 1.12 * half_) / (field * 0.5);
  gl_Position = vec4((bent * vec4(at, 0.0, 1.0)).xy * there.w, there.z, there.w);
  if (b <= 0.0) gl_Position = vec4(2.0, 2.0, 2.0, 1.0);
}`;
const lampFragment = /* glsl */ `
uniform float corners, cells; uniform vec2 cell;
varying vec2 vPoint; varying vec3 vColour; varying float vBlurred, vPixel;
${cellOfPoint}
void main() {
  vec2 p = vPoint;
  if (vBlurred < 0.5) { if (length(p) > 1.0) discard; gl_FragColor = vec4(vColour, 1.0); return; }
  p /= irisEdge(corners, atan(p.y, p.x));
  float edge = 1.0 - smoothstep(1.0 - vPixel * 0.5, 1.0 + vPixel * 0.5, length(p));
  if (edge <= 0.0) discard;
  vec2 mine = min(floor((squareOfDisc(p) * 0.5 + 0.5) * cells), vec2(cells - 1.0));
  if (any(greaterThan(abs(mine - cell), vec2(0.25)))) discard;
  gl_FragColor = vec4(vColour * cells * cells * edge, edge);
}`;

const flatVertex = /* glsl */ `varying vec2 vUv; void main() { vUv = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }`;
const addFragment = /* glsl */ `uniform sampler2D view; varying vec2 vUv; void main() { gl_FragColor = vec4(texture2D(view, vUv).rgb, 1.0); }`;
const developFragment = /* glsl */ `
uniform sampler2D sum; uniform float count, light, clear, aspect, squeeze; uniform vec4 part; varying vec2 vUv;
void main() {
  vec3 c = texture2D(sum, vUv).rgb / count * light;
  vec2 p = (part.xy + vUv * part.zw - 0.5) * vec2(aspect / squeeze, 1.0);
  // A real circle fades at its edge.
  if (clear > 0.0) c *= 1.0 - smoothstep(clear * 0.97, clear * 1.01, length(p));
  c = 1.0 - exp(-c * 1.55);
  c = mix(c * 12.92, 1.055 * pow(c, vec3(1.0 / 2.4)) - 0.055, step(0.0031308, c));
  gl_FragColor = vec4(c, 1.0);
}`;

interface Set {
  scenery: Scenery;
  solids: Mesh<BufferGeometry, ShaderMaterial>;
  lamps: Mesh<InstancedBufferGeometry, ShaderMaterial>;
}

const keptSets = 3;

/**
 * Draws what a rig sees through its own pupil: the place is looked at from many points of the pupil, each view sheared so that the
 * plane of focus stays where it is, and the views are averaged. So the blur of every depth is what the pupil makes of it.
 */
export class PictureRenderer {
  private readonly gl: WebGLRenderer;
  private readonly one: WebGLRenderTarget;
  private readonly sum: WebGLRenderTarget;
  private readonly camera = new PerspectiveCamera();
  private readonly scene = new Scene();
  private readonly sets = new Map<string, Set>();
  private readonly solidMaterial = new ShaderMaterial({
    vertexShader: solidVertex,
    fragmentShader: solidFragment,
    uniforms: uniformsOf(['above', 'below', 'sun', 'sky', 'sunFrom', 'haze']),
  });
  private readonly lampMaterial = new ShaderMaterial({
    vertexShader: lampVertex,
    fragmentShader: lampFragment,
    uniforms: uniformsOf(['field', 'pupil', 'away', 'middle', 'bent', 'pixel', 'corners', 'cells', 'cell']),
    depthWrite: false,
    transparent: true,
    premultipliedAlpha: true,
  });
  private readonly adding = flat(addFragment, ['view']);
  private readonly developing = flat(developFragment, ['sum', 'count', 'light', 'clear', 'aspect', 'squeeze', 'part']);
  private order!: Order;
  private set!: Set;
  private tile!: Tile;
  private readonly ofTile = new Matrix4();
  private taken = 0;

  constructor(readonly canvas: OffscreenCanvas) {
    this.gl = new WebGLRenderer({ canvas, antialias: false, depth: false, alpha: false, powerPreference: 'high-performance' });
    this.gl.autoClear = false;
    this.gl.outputColorSpace = LinearSRGBColorSpace;
    this.gl.info.autoReset = false;
    const exact = this.gl.extensions.has('EXT_color_buffer_float') && this.gl.extensions.has('EXT_float_blend');
    const options = { minFilter: NearestFilter, magFilter: NearestFilter } as const;
    this.one = new WebGLRenderTarget(4, 4, { ...options, type: HalfFloatType });
    this.sum = new WebGLRenderTarget(4, 4, { ...options, type: exact ? FloatType : HalfFloatType, depthBuffer: false });
    this.adding.material.blending = CustomBlending;
    this.adding.material.blendEquation = AddEquation;
    this.adding.material.blendSrc = OneFactor;
    this.adding.material.blendDst = OneFactor;
  }

  /** Calls of the graphics interface that drew something, since the last picture was begun. */
  get drawCalls(): number {
    return this.gl.info.render.calls;
  }

  /** Begins a picture anew, or a part of one that is larger than what is drawn at once. */
  begin(order: Order, tile: Tile = { x: 0, y: 0, width: order.width, height: order.height }): void {
    const { width, height } = tile;
    this.order = order;
    this.tile = tile;
    const [wider, higher] = [order.width / width, order.height / height];
    this.ofTile
      .makeScale(wider, higher, 1)
      .multiply(new Matrix4().makeTranslation(1 - (2 * tile.x + width) / order.width, (2 * tile.y + height) / order.height - 1, 0));
    this.taken = 0;
    this.set = this.setOf(order.stage);
    this.gl.info.reset();
    if (this.canvas.width !== width || this.canvas.height !== height) {
      this.gl.setSize(width, height, false);
      this.one.setSize(width, height);
      this.sum.setSize(width, height);
    }
    this.gl.setRenderTarget(this.sum);
    this.gl.setClearColor(0x000000, 0);
    this.gl.clear();
  }

  /** Adds the view through cell (i, j) of a pupil of n × n cells. */
  add(i: number, j: number, n: number): void {
    const { view, stage, width, height } = this.order;
    const [px, py] = pupilPoint(i, j, n, view.corners);
    const wander: [number, number] =
      n === 1 ? [0, 0] : [((0.7548776662 * (this.taken + 0.5)) % 1) - 0.5, ((0.569840291 * (this.taken + 0.5)) % 1) - 0.5];
    this.aim(view, stage, (px * view.pupilAcross) / 2, (py * view.pupilUp) / 2, (2 * wander[0]) / width, (2 * wander[1]) / height);
    const lamp = this.lampMaterial.uniforms;
    (lamp['field']!.value as Vector2).set(view.fieldWidth, view.fieldHeight);
    (lamp['pupil']!.value as Vector2).set(view.pupilAcross, view.pupilUp);
    (lamp['middle']!.value as Vector3).set(0, stage.lensHeight, view.away);
    (lamp['cell']!.value as Vector2).set(i, j);
    lamp['away']!.value = view.away;
    lamp['pixel']!.value = view.fieldHeight / height;
    lamp['corners']!.value = view.corners;
    lamp['cells']!.value = n;
    this.gl.setRenderTarget(this.one);
    this.gl.setClearColor(this.set.scenery.sky, 1);
    this.gl.clear();
    this.gl.render(this.scene, this.camera);
    this.adding.material.uniforms['view']!.value = this.one.texture;
    this.gl.setRenderTarget(this.sum);
    this.gl.render(this.adding, this.camera);
    this.taken += 1;
  }

  /** Averages what was added, and puts it on the canvas as a finished picture. */
  develop(): void {
    const { view, stage, width, height } = this.order;
    const u = this.developing.material.uniforms;
    u['sum']!.value = this.sum.texture;
    u['count']!.value = this.taken;
    u['light']!.value = stage.light;
    u['clear']!.value = view.clear ?? 0;
    u['aspect']!.value = width / height;
    u['squeeze']!.value = view.squeeze;
    const { tile } = this;
    (u['part']!.value as Vector4).set(tile.x / width, 1 - (tile.y + tile.height) / height, tile.width / width, tile.height / height);
    this.gl.setRenderTarget(null);
    this.gl.render(this.developing, this.camera);
  }

  /** An off-centre projection from a point of the pupil, in which the plane of focus keeps its place. */
  private aim(view: View, stage: Stage, x: number, y: number, shiftX: number, shiftY: number): void {
    const near = Math.min(0.05, view.away * 0.05);
    const far = 9000;
    const k = near / view.away;
    const { camera } = this;
    camera.position.set(x, stage.lensHeight + y, view.away);
    camera.updateMatrixWorld(true);
    camera.projectionMatrix.makePerspective(
      (-view.fieldWidth / 2 - x) * k,
      (view.fieldWidth / 2 - x) * k,
      (view.fieldHeight / 2 - y) * k,
      (-view.fieldHeight / 2 - y) * k,
      near,
      far,
    );
    const bent = bentBy(view);
    camera.projectionMatrix
      .premultiply(bent)
      .premultiply(new Matrix4().makeTranslation(shiftX, shiftY, 0))
      .premultiply(this.ofTile);
    camera.projectionMatrixInverse.copy(camera.projectionMatrix).invert();
    // Discs are put together of cells: these must meet to the pixel, so discs do not wander.
    (this.lampMaterial.uniforms['bent']!.value as Matrix4).multiplyMatrices(this.ofTile, bent);
  }

  private setOf(stage: Stage): Set {
    const key = JSON.stringify([stage.backdrop, stage.subject, stage.lensHeight, stage.figureHeight, stage.behind]);
    let set = this.sets.get(key);
    if (!set) {
      const scenery = build(stage);
      set = { scenery, solids: new Mesh(scenery.mesh, this.solidMaterial), lamps: new Mesh(lampsOf(scenery), this.lampMaterial) };
      set.solids.frustumCulled = set.lamps.frustumCulled = false;
      this.sets.set(key, set);
      const oldest = this.sets.keys().next().value!;
      if (this.sets.size > keptSets) {
        this.sets.get(oldest)!.solids.geometry.dispose();
        this.sets.get(oldest)!.lamps.geometry.dispose();
        this.sets.delete(oldest);
      }
    }
    this.scene.clear();
    if ('position' in set.solids.geometry.attributes) this.scene.add(set.solids);
    if (set.scenery.lamps.length > 0) this.scene.add(set.lamps);
    const u = this.solidMaterial.uniforms;
    const { above, below, sun, sky, sunFrom, haze } = set.scenery;
    for (const [name, colour] of Object.entries({ above, below, sun, sky })) u[name]!.value = new Color(colour);
    u['sunFrom']!.value = new Vector3(...sunFrom).normalize();
    u['haze']!.value = haze;
    return set;
  }
}

/** What a squeeze that is turned by a little does to the finished picture; nothing when it is level. */
function bentBy({ squeeze: s, turn, fieldWidth, fieldHeight }: View): Matrix4 {
  if (s === 1 || turn === 0) {
    return new Matrix4();
  }
  const [c, d] = [Math.cos(turn), Math.sin(turn)];
  // desqueeze · turn · squeeze · turn back, in lengths; then in halves of the picture.
  const [a11, a12, a21, a22] = [s * ((c * c) / s + d * d), s * ((c * d) / s - c * d), (c * d) / s - c * d, (d * d) / s + c * c];
  const r = fieldHeight / fieldWidth;
  return new Matrix4().set(a11, a12 * r, 0, 0, a21 / r, a22, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1);
}

function lampsOf(scenery: Scenery): InstancedBufferGeometry {
  const quad = new InstancedBufferGeometry();
  quad.setAttribute('position', new BufferAttribute(new Float32Array([-1, -1, 0, 1, -1, 0, 1, 1, 0, -1, 1, 0]), 3));
  quad.setIndex([0, 1, 2, 0, 2, 3]);
  quad.setAttribute('place', new InstancedBufferAttribute(new Float32Array(scenery.lamps.flatMap((l) => l.at)), 3));
  quad.setAttribute('size', new InstancedBufferAttribute(new Float32Array(scenery.lamps.map((l) => l.radius)), 1));
  quad.setAttribute(
    'colour',
    new InstancedBufferAttribute(new Float32Array(scenery.lamps.flatMap((l) => new Color(l.colour).toArray())), 3),
  );
  quad.instanceCount = scenery.lamps.length;
  return quad;
}

const zeroes: Record<string, () => unknown> = {
  field: () => new Vector2(),
  pupil: () => new Vector2(),
  cell: () => new Vector2(),
  middle: () => new Vector3(),
  bent: () => new Matrix4(),
  part: () => new Vector4(),
};
const uniformsOf = (names: string[]) => Object.fromEntries(names.map((name) => [name, { value: zeroes[name]?.() ?? 0 }]));

function flat(fragmentShader: string, names: string[]): Mesh<PlaneGeometry, ShaderMaterial> {
  const material = new ShaderMaterial({
    vertexShader: flatVertex,
    fragmentShader,
    uniforms: uniformsOf(names),
    depthTest: false,
    depthWrite: false,
  });
  const mesh = new Mesh(new PlaneGeometry(2, 2), material);
  mesh.frustumCulled = false;
  return mesh;
}
