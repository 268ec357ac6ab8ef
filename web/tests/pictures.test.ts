import { beforeEach, expect, test, vi } from 'vitest';
import type { Numbers, RigInput, RigReport, SceneInput } from '../src/core/core';
import type { FromWorker, Order, ToWorker } from '../src/picture/view';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { captionOf, stageOf, viewOf } = await import('../src/picture/frameView');

class FakeWorker {
  static last: FakeWorker | null = null;
  sent: ToWorker[] = [];
  ended = false;
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  onerror: (() => void) | null = null;
  constructor() {
    FakeWorker.last = this;
  }
  postMessage(message: ToWorker) {
    this.sent.push(message);
  }
  terminate() {
    this.ended = true;
  }
}

let pictures: typeof import('../src/picture/pictures');
const order = (id: string, width = 320) => ({ id, width, height: 180, view: {}, stage: {} }) as unknown as Order;
const shown = () => FakeWorker.last!.sent.map((m) => ('order' in m ? m.order.id : `not ${m.id}`));

beforeEach(async () => {
  vi.resetModules();
  vi.stubGlobal('Worker', FakeWorker);
  FakeWorker.last = null;
  pictures = await import('../src/picture/pictures');
});

test('a picture is ordered once, again when anything of it is another, and goes to who asked last', () => {
  const [first, second] = [vi.fn(), vi.fn()];
  pictures.showPicture(order('a'), first);
  pictures.showPicture(order('a'), second);
  pictures.showPicture(order('b'), first);
  pictures.showPicture(order('a', 640), second);
  expect(shown()).toEqual(['a', 'b', 'a']);
  const picture = { kind: 'picture', id: 'a' } as FromWorker;
  FakeWorker.last!.onmessage!({ data: picture });
  expect([first.mock.calls, second.mock.calls]).toEqual([[], [[picture]]]);
});

test('what is dropped is not drawn any more, and is ordered anew when it comes back', () => {
  const draw = vi.fn();
  pictures.showPicture(order('a'), draw);
  pictures.dropPicture('a');
  pictures.dropPicture('a');
  FakeWorker.last!.onmessage!({ data: { kind: 'picture', id: 'a' } as FromWorker });
  expect(draw).not.toHaveBeenCalled();
  pictures.showPicture(order('a'), draw);
  expect(shown()).toEqual(['a', 'not a', 'a']);
});

test('without a graphics processor there are no pictures, it is said why, and nothing is ordered until it is tried again', () => {
  pictures.showPicture(order('a'), vi.fn());
  const lost = FakeWorker.last!;
  lost.onmessage!({ data: { kind: 'failed', say: 'The graphics processor was lost.' } });
  expect([pictures.usePictures.getState().failed, lost.ended]).toEqual(['The graphics processor was lost.', true]);
  pictures.showPicture(order('a', 640), vi.fn());
  expect(lost.sent).toHaveLength(1);
  pictures.tryPicturesAgain();
  pictures.showPicture(order('a'), vi.fn());
  expect(FakeWorker.last).not.toBe(lost);
  expect(shown()).toEqual(['a']);
});

test('where no worker can be had the page goes on without', () => {
  vi.stubGlobal('Worker', function () {
    throw new Error('not here');
  });
  pictures.showPicture(order('a'), vi.fn());
  expect(pictures.usePictures.getState().failed).toContain('not here');
});

const figures = {
  fieldWidthMm: 1350,
  fieldHeightMm: 760,
  subjectFromPupilMm: 2450,
  pupilAcrossMm: 20,
  pupilMm: 40,
  irisCorners: 9,
  imageCircleMm: NaN,
  usedHeightMm: 20.25,
} as unknown as Numbers;

test('the renderer is told metres and shares, and nothing of a circle that is not known', () => {
  expect(viewOf(figures, { squeeze: 2, squeezeTurnDeg: 90 } as RigInput)).toEqual({
    fieldWidth: 1.35,
    fieldHeight: 0.76,
    away: 2.45,
    pupilAcross: 0.02,
    pupilUp: 0.04,
    corners: 9,
    clear: null,
    squeeze: 2,
    turn: Math.PI / 2,
  });
  expect(viewOf({ ...figures, imageCircleMm: 40.5 }, {} as RigInput)).toMatchObject({ clear: 1, squeeze: 1, turn: 0 });
});

test('a scene is the same place for sums of distances that differ by less than a micrometre, and a photograph stands in a shed', () => {
  const scene = { subjectDistanceMm: 0.1 + 0.2, backgroundDistanceMm: 1000.3, backdrop: 'photo' } as SceneInput;
  expect(stageOf(scene, false)).toEqual(stageOf({ ...scene, subjectDistanceMm: 0.3 }, false));
  expect(stageOf(scene, true)).toMatchObject({ backdrop: 'shed', subject: 'standing', behind: 1, light: 0.7 });
  expect(stageOf({ ...scene, backgroundDistanceMm: null }, false).behind).toBeNull();
});

test('a caption says which rig, its equivalents, and from where', () => {
  const report = { figures: { equivalentFocalLengthMm: 42.6, equivalentFNumber: 3.4, effectiveFNumber: 2 } } as unknown as RigReport;
  const [name, line] = captionOf(1, { name: 'Tern', subjectDistanceMm: 1500 } as RigInput, report, { subjectDistanceMm: 2500 }, false);
  expect(name).toBe('B  Tern');
  expect(line!.replace(/[\u2009\u00a0]/g, ' ')).toBe('42.6 mm and blur of ƒ3.4, equivalents · ƒ2.0 as set · from 1.50 m');
});
