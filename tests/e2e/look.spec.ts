import type { components } from '../../web/src/api/schema';
import { Bench, expect, expectNobodyKeptOut, test } from './bench';

type Comparison = components['schemas']['ComparisonOutput'];

const demos = [1, 2, 3, 4].map((n) => `/bench/10f7a7e0-0000-4000-8000-00000000000${n}`);

test('nothing keeps anyone out, in the light page and the dark one', async ({ page, server }) => {
  const bench = new Bench(page, server.address);
  await bench.open(demos[0]!);
  await expectNobodyKeptOut(page);
  await bench.type('10cm', 'To the subject');
  await expect(bench.rig('A').getByText('Too close to focus')).toBeVisible();
  await expectNobodyKeptOut(page);
  await page.keyboard.press('Control+z');
  // Other tests open the same demo: it must be stored as it was.
  const stored = async () =>
    ((await (await page.request.get(`${server.address}/api/comparisons/${demos[0]!.split('/').at(-1)!}`)).json()) as Comparison).document
      .setup.scene.subjectDistanceMm;
  await expect.poll(stored).toBe(2200);
  await bench.open(demos[3]!);
  await bench
    .rig('A')
    .getByRole('button', { name: /^28 mm/ })
    .click();
  await expect(bench.panel.getByRole('listitem').first()).toBeVisible();
  await expectNobodyKeptOut(page, '[role=dialog]');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: 'Dunlin Knot', exact: true }).click();
  await expect(bench.panel.getByLabel('Pixels').first()).toBeVisible();
  await expectNobodyKeptOut(page, '[role=dialog]');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Work' }).click();
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await expectNobodyKeptOut(page);
});

test('the light is switched by a key and remembered', async ({ page, server }) => {
  const bench = new Bench(page, server.address);
  await bench.open(demos[0]!);
  const paper = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const daylight = await paper();
  await page.keyboard.press('d');
  await expect.poll(paper).not.toBe(daylight);
  const set = await paper();
  await page.reload();
  await expect(bench.rig('A')).toBeVisible();
  expect(await paper()).toBe(set);
});

for (const width of [360, 1024, 2560]) {
  test(`no horizontal scroll at ${width} px`, async ({ page, server }) => {
    await page.setViewportSize({ width, height: 844 });
    const bench = new Bench(page, server.address);
    // One of bare numbers, one of parts.
    for (const path of [demos[1]!, demos[3]!]) {
      await bench.open(path);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    }
    for (const path of ['/work', '/shelf?q=lens']) {
      await page.goto(server.address + path);
      await expect(page.getByRole('listitem').first()).toBeVisible();
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    }
  });
}

test('two rigs need no scroll at 1280 × 800', async ({ page, server }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const bench = new Bench(page, server.address);
  for (const path of demos) {
    await bench.open(path);
    await expect.poll(() => page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(800);
  }
});

test('a view that cannot be drawn says so, and the rest of the page stays', async ({ page, server }) => {
  await page.addInitScript(() => {
    const { ResizeObserver } = window;
    window.ResizeObserver = class extends ResizeObserver {
      override observe(target: Element) {
        if (sessionStorage.getItem('broken') !== 'no') throw new TypeError('broken for the test');
        super.observe(target);
      }
    };
  });
  await page.goto(server.address + demos[0]!);
  await expect(page.getByRole('heading', { name: 'This view could not be drawn' })).toBeVisible();
  await expect(page.getByText('broken for the test')).toBeVisible();
  await page.evaluate(() => sessionStorage.setItem('broken', 'no'));
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByLabel('Name of the comparison')).toBeVisible();
});

test('the fonts are the ones that are shipped, and nothing is fetched from elsewhere', async ({ page, server }) => {
  const elsewhere: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith(server.address) && !request.url().startsWith('data:')) {
      elsewhere.push(request.url());
    }
  });
  const bench = new Bench(page, server.address);
  await bench.open(demos[0]!);
  expect(
    await page.evaluate(() =>
      document.fonts.ready.then((fonts) => [...fonts].filter((f) => f.status === 'loaded').map((f) => f.family.replaceAll('"', ''))),
    ),
  ).toEqual(expect.arrayContaining(['Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Mono Variable']));
  await page.goto(`${server.address}/api/docs`);
  await expect(page.getByText('Evaluates 1 to 12 rigs').first()).toBeVisible();
  expect(elsewhere).toEqual([]);
});

test('what is sent is compressed, and kept where its name says what is in it', async ({ page, server }) => {
  const sent = new Map<string, Record<string, string>>();
  page.on('response', (response) => sent.set(new URL(response.url()).pathname, response.headers()));
  const bench = new Bench(page, server.address);
  await bench.open(demos[0]!);
  const script = [...sent].find(([path]) => path.startsWith('/assets/') && path.endsWith('.js'))!;
  expect(script[1]).toMatchObject({ 'content-encoding': 'br', 'cache-control': 'public, max-age=31536000, immutable' });
  expect(sent.get('/_framework/dotnet.native.wasm')).toMatchObject({ 'content-encoding': 'br', 'content-type': 'application/wasm' });
  const missing = await page.request.get(`${server.address}/assets/missing.js`);
  expect(missing.status()).toBe(404);
});
