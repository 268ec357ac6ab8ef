import type { components } from '../../web/src/api/schema';
import { expect, expectNobodyKeptOut, test } from './bench';
import type { APIRequestContext, Page } from '@playwright/test';

test.use({ pictures: true });

type Setup = components['schemas']['EvaluateRequest'];

const lens = { sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 135, fNumber: 1.4 };

/** A comparison of these rigs, stored and opened; resolves when every frame is rendered to its finest. */
async function open(page: Page, address: string, setup: Setup): Promise<void> {
  const id = crypto.randomUUID();
  const stored = await page.request.put(`${address}/api/comparisons/${id}`, {
    headers: { 'If-None-Match': '*' },
    data: {
      name: 'Pictures',
      document: { schemaVersion: 5, note: '', setup: { ...setup, rigs: setup.rigs.map((rig, i) => ({ ...rig, id: `r${i}` })) } },
    },
  });
  expect(stored.ok(), await stored.text()).toBe(true);
  await page.goto(`${address}/bench/${id}`);
  await expect(page.locator('canvas')).toHaveCount(setup.rigs.length);
  for (const canvas of await page.locator('canvas').all()) {
    await expect.poll(async () => Number(await canvas.getAttribute('data-samples'))).toBeGreaterThanOrEqual(64);
  }
}

interface Pixels {
  width: number;
  height: number;
  /** The brightest of the three colours, 0 to 1, row by row. */
  light: number[];
}

const pixels = (page: Page, index: number): Promise<Pixels> =>
  page.evaluate((which) => {
    const from = document.querySelectorAll('canvas')[which]!;
    const to = new OffscreenCanvas(from.width, from.height).getContext('2d')!;
    to.drawImage(from, 0, 0);
    const { data } = to.getImageData(0, 0, from.width, from.height);
    const light = Array.from({ length: data.length / 4 }, (_, i) => Math.max(data[4 * i]!, data[4 * i + 1]!, data[4 * i + 2]!) / 255);
    return { width: from.width, height: from.height, light };
  }, index);

async function figures(request: APIRequestContext, address: string, setup: Setup): Promise<Record<string, number>[]> {
  const answer = (await (
    await request.post(`${address}/api/evaluate`, { data: setup })
  ).json()) as components['schemas']['EvaluateResponse'];
  return answer.reports.map((rig) => rig.figures as unknown as Record<string, number>);
}

test('a point light behind is blurred to the core’s disc, upright and across', async ({ page, server }) => {
  const setup: Setup = {
    scene: { subjectDistanceMm: 2000, backgroundDistanceMm: 7000, deliveryAspect: 16 / 9, backdrop: 'oneLamp', subject: 'none' },
    rigs: [lens, { ...lens, squeeze: 2, squeezePlace: 'front', fNumber: 2 }],
  };
  await open(page, server.address, setup);
  const core = await figures(page.request, server.address, setup);
  for (const [i, figure] of core.entries()) {
    const { width, height, light } = await pixels(page, i);
    const lit = light.map((value, at) => ({ value, x: at % width, y: Math.floor(at / width) })).filter((p) => p.value > 0.4);
    const across = Math.max(...lit.map((p) => p.x)) - Math.min(...lit.map((p) => p.x)) + 1;
    const upright = Math.max(...lit.map((p) => p.y)) - Math.min(...lit.map((p) => p.y)) + 1;
    const wantedAcross = figure['backgroundDiscFractionOfWidth']! * width;
    const wantedUpright = figure['backgroundDiscFractionOfHeight']! * height;
    expect(wantedUpright).toBeGreaterThan(20);
    expect(Math.abs(across - wantedAcross), `rig ${i}: ${across} px across, ${wantedAcross} wanted`).toBeLessThanOrEqual(
      Math.max(1, 0.03 * wantedAcross),
    );
    expect(Math.abs(upright - wantedUpright), `rig ${i}: ${upright} px upright, ${wantedUpright} wanted`).toBeLessThanOrEqual(
      Math.max(1, 0.03 * wantedUpright),
    );
    // Filled: as many pixels as the ellipse has, so that no view is missing.
    expect(lit.length / ((Math.PI / 4) * wantedAcross * wantedUpright)).toBeCloseTo(1, 1);
  }
});

test('the field at the plane of focus is the core’s', async ({ page, server }) => {
  const setup: Setup = {
    scene: { subjectDistanceMm: 1200, backgroundDistanceMm: 3000, deliveryAspect: 16 / 9, backdrop: 'chart', subject: 'none' },
    rigs: [
      { ...lens, focalLengthMm: 85, fNumber: 4, lens: { pupilMagnification: 0.6 } },
      { ...lens, fNumber: 4, squeeze: 1.5 },
    ],
  };
  await open(page, server.address, setup);
  const core = await figures(page.request, server.address, setup);
  for (const [i, figure] of core.entries()) {
    const { width, height, light } = await pixels(page, i);
    // Lines stand 100 mm apart; half way between two level ones, those to the left and right of the middle are looked for.
    const row = Math.round(height / 2 - (50 / figure['fieldHeightMm']!) * height);
    const centre = (nearMm: number) => {
      const guess = width / 2 + (nearMm / figure['fieldWidthMm']!) * width;
      const reach = (18 / figure['fieldWidthMm']!) * width;
      let [sum, weight] = [0, 0];
      for (let x = Math.ceil(guess - reach); x <= guess + reach; x++) {
        const dark = Math.max(0, 0.45 - light[row * width + x]!);
        sum += dark * (x + 0.5);
        weight += dark;
      }
      expect(weight, `a line near ${nearMm} mm`).toBeGreaterThan(0);
      return sum / weight;
    };
    const apart = centre(100) - centre(-100);
    expect(apart / ((200 / figure['fieldWidthMm']!) * width), `rig ${i}`).toBeGreaterThan(0.995);
    expect(apart / ((200 / figure['fieldWidthMm']!) * width), `rig ${i}`).toBeLessThan(1.005);
  }
});

test('only frames that change are rendered anew; without WebGL a drawn frame stands in', async ({ page, server }) => {
  await open(page, server.address, {
    scene: { subjectDistanceMm: 2000, backgroundDistanceMm: 3000, deliveryAspect: 16 / 9 },
    rigs: [lens, { ...lens, focalLengthMm: 85 }],
  });
  await page.evaluate(() => document.querySelectorAll('canvas').forEach((c) => (c.dataset['samples'] = 'kept')));
  await page.getByRole('region', { name: 'Rig B', exact: true }).getByLabel('Aperture', { exact: true }).fill('4');
  await expect(page.locator('canvas').nth(1)).toHaveAttribute('data-samples', /^\d+$/);
  await expect(page.locator('canvas').nth(0)).toHaveAttribute('data-samples', 'kept');

  await page.addInitScript(() => Reflect.deleteProperty(window, 'Worker'));
  await page.reload();
  await expect(page.getByRole('button', { name: 'drawn, not rendered' })).toHaveCount(2);
  await expect(page.getByRole('img', { name: /^Frame of rig A: a standing figure/ })).toBeVisible();
});

test('two frames are looked at closely: wiped, in turn, as outlines, and saved', async ({ page, server }) => {
  // A small window, since software draws every pixel.
  await page.setViewportSize({ width: 900, height: 560 });
  await open(page, server.address, {
    scene: { subjectDistanceMm: 2000, backgroundDistanceMm: 3000, deliveryAspect: 16 / 9 },
    rigs: [
      { ...lens, name: 'Long' },
      { ...lens, name: 'Shorter', focalLengthMm: 50 },
    ],
  });
  // Who wants less motion starts it himself.
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.getByRole('button', { name: 'Look closer at rig A' }).click();
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const closer = page.getByRole('dialog');
  const drawn = closer.locator('canvas[data-samples]');
  await expect(drawn).toHaveCount(2);
  const slider = closer.getByRole('slider');
  await slider.focus();
  await slider.press('Home');
  await expect(slider).toHaveValue('0');
  await expectNobodyKeptOut(page, '[role=dialog]');
  await closer.getByRole('button', { name: 'In turn' }).click();
  await closer.getByRole('button', { name: 'Stop' }).click();
  await expect(closer.getByRole('button', { name: 'Go on by itself' })).toBeVisible();
  await closer.getByRole('button', { name: 'Outlines' }).click();
  // 135 mm in the picture of 50 mm: its field is the share that the core's fields say.
  await expect(closer.locator('svg rect').first()).toBeVisible();
  const [outer, inner] = [await closer.getByTestId('closer').boundingBox(), await closer.locator('svg rect').first().boundingBox()];
  const core = await figures(page.request, server.address, {
    scene: { subjectDistanceMm: 2000 },
    rigs: [lens, { ...lens, focalLengthMm: 50 }],
  });
  // Less the outline's own width of 4 px.
  expect((inner!.width - 4) / outer!.width).toBeCloseTo(core[0]!['fieldWidthMm']! / core[1]!['fieldWidthMm']!, 2);
  await expect(drawn).toHaveCount(1);
  const download = page.waitForEvent('download');
  await closer.getByRole('button', { name: 'Save as PNG' }).click();
  expect((await download).suggestedFilename()).toBe('Pictures.png');
  await page.keyboard.press('Escape');
  await expect(closer).toHaveCount(0);
});

test('a picture of any size is drawn in parts that nobody can tell from one, says how far it is, and can be stopped', async ({
  page,
  server,
}) => {
  // What a page orders of its drawing program, and its address.
  let address = '';
  page.on('request', (request) => {
    if (/\/assets\/worker-[^/]+\.js$/.test(request.url())) address = request.url();
  });
  await page.addInitScript(() => {
    const orders: object[] = [];
    Object.assign(window, { orders });
    window.Worker = new Proxy(window.Worker, {
      construct(worker, given: [URL, WorkerOptions?]) {
        const made = new worker(...given);
        if (given[1]?.name === 'pictures') {
          const send = made.postMessage.bind(made);
          made.postMessage = (message: unknown) => {
            orders.push(message as object);
            send(message);
          };
        }
        return made;
      },
    });
  });
  const id = crypto.randomUUID();
  const setup = {
    scene: { subjectDistanceMm: 3000, backgroundDistanceMm: 5000 },
    rigs: [{ ...lens, id: 'r1', focalLengthMm: 24, fNumber: 8 }],
  };
  await page.request.put(`${server.address}/api/comparisons/${id}`, {
    headers: { 'If-None-Match': '*' },
    data: { name: 'Large', document: { schemaVersion: 5, note: '', setup } },
  });
  await page.goto(`${server.address}/bench/${id}`);
  await expect.poll(() => page.evaluate(() => (window as unknown as { orders: unknown[] }).orders.length)).toBeGreaterThan(0);
  await expect.poll(() => address).not.toBe('');
  const made = await page.evaluate(async (script) => {
    const order = (window as unknown as { orders: { kind: string; order: object }[] }).orders.find((o) => o.kind === 'show')!.order;
    const worker = new Worker(script, { type: 'module' });
    const told: number[] = [];
    const print = (id: string, width: number, height: number) =>
      new Promise<ImageData>((done) => {
        worker.onmessage = async ({ data }: MessageEvent<{ kind: string; id: string; done: number; jpeg: Blob }>) => {
          if (data.id !== id) return;
          if (data.kind === 'printing') told.push(data.done);
          if (data.kind === 'printed') {
            const bitmap = await createImageBitmap(data.jpeg);
            const draw = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d')!;
            draw.drawImage(bitmap, 0, 0);
            done(draw.getImageData(0, 0, bitmap.width, bitmap.height));
          }
        };
        worker.postMessage({ kind: 'print', order: { ...order, id, width, height }, quality: 0.98 });
      });
    // 1400 px are two parts of up to 1280; 700 px are one. Half as large, both are the same picture.
    const large = await print('large', 1400, 788);
    const parts = [...told];
    const small = await print('small', 700, 394);
    const half = new OffscreenCanvas(700, 394).getContext('2d')!;
    half.imageSmoothingQuality = 'high';
    half.drawImage(await createImageBitmap(large), 0, 0, 700, 394);
    const [a, b] = [half.getImageData(0, 0, 700, 394).data, small.data];
    const columns = Array.from({ length: 700 }, (_, x) => {
      let sum = 0;
      for (let y = 0; y < 394; y++) sum += Math.abs(a[(y * 700 + x) * 4 + 1]! - b[(y * 700 + x) * 4 + 1]!);
      return sum / 394;
    });
    worker.postMessage({ kind: 'print', order: { ...order, id: 'stopped', width: 4000, height: 2250 }, quality: 0.9 });
    worker.postMessage({ kind: 'stopPrinting', id: 'stopped' });
    const after = await print('after', 320, 180);
    worker.terminate();
    return { size: [large.width, large.height], parts, columns, after: after.width };
  }, address);
  expect(made.size).toEqual([1400, 788]);
  expect(made.parts.length).toBeGreaterThan(4);
  expect(made.parts).toEqual([...made.parts].sort((a, b) => a - b));
  expect(made.parts.at(-1)).toBe(1);
  expect(made.after).toBe(320);
  // The seam lies at 1280 of 1400, that is 640 of 700: it differs no more than elsewhere.
  const mean = made.columns.reduce((sum, value) => sum + value, 0) / made.columns.length;
  expect(mean).toBeLessThan(4);
  expect(Math.max(...made.columns.slice(636, 645))).toBeLessThan(Math.max(...made.columns.slice(0, 600)) + 2);
});
