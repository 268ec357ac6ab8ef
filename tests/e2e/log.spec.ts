import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, expectNobodyKeptOut, test } from './bench';
import { clipOf } from './clip';

const put = async (address: string, path: string, body: object): Promise<void> => {
  const made = await fetch(`${address}${path}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-None-Match': '*' },
    body: JSON.stringify(body),
  });
  expect(made.status, await made.text()).toBe(201);
};

/** What a test has brought goes again, so that those that follow find the demo's gear alone. */
const brought: { address: string; id: string }[] = [];
test.afterEach(async () => {
  for (const { address, id } of brought.splice(0)) {
    const gone = await fetch(`${address}/api/shelf/${id}`, { method: 'DELETE', headers: { Origin: address } });
    expect([200, 204]).toContain(gone.status);
  }
});

/** A lens of its own, and a production that has nothing but it and a body. */
async function trial(address: string, mm: number): Promise<{ lens: string; production: string; shot: string }> {
  const [body, lens, production, bag, place, shot] = Array.from({ length: 6 }, () => crypto.randomUUID());
  brought.push({ address, id: lens! }, { address, id: body! });
  const mode = { name: 'Full width', areaWidthMm: 36, areaHeightMm: 20.25, widthPx: 3840, heightPx: 2160, fps: [24, 25] };
  await put(address, `/api/shelf/${body}`, {
    kind: 'body',
    name: `Trial ${body!.slice(0, 8)}`,
    maker: 'Tallow',
    mounts: ['K-bay'],
    sensorWidthMm: 36,
    sensorHeightMm: 24,
    modes: [mode],
  });
  await put(address, `/api/shelf/${lens}`, {
    kind: 'lens',
    name: `Trial ${mm} ${lens!.slice(0, 8)}`,
    maker: 'Tallow',
    mount: 'K-bay',
    focalShortMm: mm,
    widestF: 2,
    narrowestF: 16,
    irisControl: 'ring',
    imageCircleMm: 44,
  });
  await put(address, `/api/productions/${production}`, {
    name: 'Neap tide',
    document: {
      schemaVersion: 4,
      locations: [{ id: place, name: 'Berth 1', lengthMm: 9000, widthMm: 6000, behindMm: 1500 }],
      shots: [{ id: shot, name: 'Take 1', locationId: place, subject: { kind: 'standing' }, size: 'medium' }],
      bags: [{ id: bag, name: 'Trial', lines: [{ id: body }, { id: lens }] }],
      chooseFrom: bag,
    },
  });
  return { lens: lens!, production: production!, shot: shot! };
}

const reading = (page: Page, i: number) => page.getByRole('group', { name: `Reading ${i}` });
const result = (page: Page) => page.getByRole('region', { name: 'Result' });

/** From where the one proposal that there is takes the shot, m. */
async function from(page: Page): Promise<number> {
  const rig = page.getByRole('list', { name: 'Rigs that give it' }).getByRole('listitem').first();
  await expect(rig).toContainText(/from\s*[\d.]+/);
  return parseFloat(/from\s*([\d.]+)/.exec(await rig.innerText())![1]!);
}

test('on a phone: a lens is tested, the result goes into the record, and what fits is another', async ({ page, server }) => {
  const { lens, production } = await trial(server.address, 50);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${server.address}/brief/${production}`);
  const before = await from(page);
  await page.goto(`${server.address}/shelf/${lens}/tests`);
  await page.getByRole('button', { name: 'True focal length' }).click();
  await page.getByLabel('Width used').fill('36');
  // What a lens of 47 mm shows: 36 mm · (s/f − 1), with D = s + v.
  const seen = (distance: number) => {
    const s = (distance + Math.sqrt(distance ** 2 - 4 * 47 * distance)) / 2;
    return 36 * (s / 47 - 1);
  };
  for (const [i, distance] of [1500, 3000, 5000].entries()) {
    if (i > 0) await page.getByRole('button', { name: 'One more reading' }).click();
    await reading(page, i + 1)
      .getByLabel('Tape')
      .fill(`${distance} mm`);
    await reading(page, i + 1)
      .getByLabel('Width seen')
      .fill(`${seen(distance).toFixed(1)} mm`);
  }
  await expect(result(page)).toContainText('47.0 mm');
  await expect(result(page)).toContainText('marked 50 mm, −6 %');
  // What a field means lies over the page while one types.
  await page.getByRole('heading', { level: 1 }).click();
  await expect(page.getByRole('tooltip')).toHaveCount(0);
  await expectNobodyKeptOut(page);
  // One that contradicts the others is told, and does not count.
  await page.getByRole('button', { name: 'One more reading' }).click();
  await reading(page, 4).getByLabel('Tape').fill('2m');
  await reading(page, 4).getByLabel('Width seen').fill('1.9m');
  await expect(reading(page, 4)).toContainText('left out');
  await expect(result(page)).toContainText('47.0 mm');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('button', { name: 'Take it into the record' }).click();
  await expect(result(page)).toContainText('In the record since');
  await page.goto(`${server.address}/brief/${production}`);
  await expect.poll(async () => Math.abs((await from(page)) / before - 0.94)).toBeLessThan(0.01);
});

test('what a thing was tested for stands at it, and at rigs that it is part of', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf?q=${encodeURIComponent('35 mm ƒ2 old')}`);
  await page
    .getByRole('button', { name: /35 mm ƒ2 old/ })
    .first()
    .click();
  const tests = page.getByRole('dialog').getByRole('region', { name: 'Tests' });
  await expect(tests).toContainText(/True focal length: 35 mm is 3[34]\.\d+ ± 0\.\d+ mm/);
  await tests.getByRole('link', { name: 'Tests' }).click();
  await expect(result(page)).toContainText('In the record since');
  await expect(page.getByRole('button', { name: 'One more reading' })).toHaveCount(0);
});

test.describe('with pictures', () => {
  test.use({ pictures: true });

  test('marks on a rendered frame give the lens back within half a per cent', async ({ page, server }) => {
    const id = crypto.randomUUID();
    const setup = {
      scene: { subjectDistanceMm: 1200, backgroundDistanceMm: 3000, deliveryAspect: 16 / 9, backdrop: 'chart', subject: 'none' },
      rigs: [{ id: 'r0', sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 61, fNumber: 4 }],
    };
    await put(server.address, `/api/comparisons/${id}`, { name: 'Chart', document: { schemaVersion: 5, note: '', setup } });
    await page.goto(`${server.address}/bench/${id}`);
    await expect.poll(async () => Number(await page.locator('canvas').getAttribute('data-samples'))).toBeGreaterThanOrEqual(64);
    // Upright lines stand 100 mm apart: those that the row between two level ones crosses, wherever they are.
    const found = await page.evaluate(() => {
      const from = document.querySelector('canvas')!;
      const { width, height } = from;
      const canvas = new OffscreenCanvas(width, height).getContext('2d')!;
      canvas.drawImage(from, 0, 0);
      const { data } = canvas.getImageData(0, 0, width, height);
      const light = (x: number, y: number) =>
        Math.max(data[4 * (y * width + x)]!, data[4 * (y * width + x) + 1]!, data[4 * (y * width + x) + 2]!) / 255;
      let best: number[] = [];
      for (let y = Math.round(height * 0.3); y < height * 0.48; y += 2) {
        const lines: number[] = [];
        let [sum, weight] = [0, 0];
        for (let x = 0; x < width; x++) {
          const dark = Math.max(0, 0.45 - light(x, y));
          if (dark > 0) {
            sum += dark * (x + 0.5);
            weight += dark;
          } else if (weight > 0) {
            lines.push(sum / weight);
            [sum, weight] = [0, 0];
          }
        }
        const gaps = lines.slice(1).map((at, i) => at - lines[i]!);
        const even = gaps.length > 2 && Math.max(...gaps) / Math.min(...gaps) < 1.1;
        if (even && lines.length > best.length) best = [...lines, y];
      }
      return { url: from.toDataURL('image/png'), lines: best.slice(0, -1), y: best.at(-1)!, width, height };
    });
    expect(found.lines.length).toBeGreaterThan(3);
    const folder = await mkdtemp(join(tmpdir(), 'juxtopsis-still-'));
    const still = join(folder, 'still.png');
    await writeFile(still, Buffer.from(found.url.split(',')[1]!, 'base64'));

    const { lens } = await trial(server.address, 60);
    await page.goto(`${server.address}/shelf/${lens}/tests`);
    await page.getByRole('button', { name: 'True focal length' }).click();
    await page.getByLabel('Width used').fill('36');
    await page.getByRole('button', { name: 'Reading from a still' }).click();
    await page.getByTestId('still').setInputFiles(still);
    const box = (await page.getByTestId('marked').boundingBox())!;
    const press = (x: number) => page.mouse.click(box.x + (x / found.width) * box.width, box.y + (found.y / found.height) * box.height);
    await press(found.lines[0]!);
    await press(found.lines.at(-1)!);
    const dialog = page.getByRole('dialog', { name: 'Reading from a still' });
    await dialog.getByLabel('Between the marks').fill(`${(found.lines.length - 1) * 10} cm`);
    await dialog.getByLabel('Tape').fill('120 cm');
    await expect(dialog).toContainText('The whole picture shows');
    await dialog.getByRole('button', { name: 'Take the reading' }).click();
    await expect(result(page)).toContainText('True focal length');
    const mm = parseFloat(/([\d.]+) mm/.exec((await result(page).innerText()).replaceAll('\n', ' '))![1]!);
    expect(Math.abs(mm / 61 - 1)).toBeLessThan(0.005);
    await rm(folder, { recursive: true });
  });
});

test('takes of two people, one without a network, all stand; the room is corrected by a press', async ({
  page,
  server,
  playwright,
  launchOptions,
}) => {
  const { production } = await trial(server.address, 40);
  const address = `${server.address}/brief/${production}/log`;
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(address);
  await expect(page.getByText('No take yet')).toBeVisible();
  const browser = await playwright.chromium.launch(launchOptions);
  try {
    const other = await (await browser.newContext()).newPage();
    await other.goto(address);
    await expect(other.getByText('No take yet')).toBeVisible();

    await page.context().setOffline(true);
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Note a take' }).click();
    await page.getByRole('button', { name: 'Good', exact: true }).click();
    await page.getByLabel('A word').fill('Fog');
    await page.getByLabel('Focal length', { exact: true }).fill('40');
    await page.getByRole('button', { name: 'Focal length up' }).click();
    await page.getByRole('button', { name: 'Another camera too' }).click();
    await expect(page.getByRole('status').first()).toContainText('4 takes kept in this browser');
    await other.getByRole('button', { name: 'Note a take' }).click();
    await other.getByLabel('A word').fill('From the pier');
    await expect(other.getByText('kept here')).toHaveCount(0);

    await page.context().setOffline(false);
    await expect(page.getByRole('list', { name: 'Takes' }).getByRole('listitem')).toHaveCount(5);
    await expect(page.getByText('kept here')).toHaveCount(0);
    await other.evaluate(() => window.dispatchEvent(new Event('focus')));
    const all = other.getByRole('list', { name: 'Takes' });
    await expect(all.getByRole('listitem')).toHaveCount(5);
    await expect(all).toContainText('“Fog”');
    await expect(page.getByRole('list', { name: 'Takes' })).toContainText('“From the pier”');
  } finally {
    await browser.close();
  }

  await expectNobodyKeptOut(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByLabel('The place is really').fill('8.4 m');
  await page.getByRole('button', { name: 'Correct Berth 1' }).click();
  await expect(page.getByText('Berth 1 is 8.4 m long now', { exact: false })).toBeVisible();
  await expect
    .poll(
      async () =>
        (
          (await (await fetch(`${server.address}/api/productions/${production}`)).json()) as {
            document: { locations: { lengthMm: number }[] };
          }
        ).document.locations[0]!.lengthMm,
    )
    .toBe(8400);

  // What nobody may read says how to mend it, and stays.
  await page.getByLabel('Distance', { exact: true }).fill('quite far');
  await page.getByLabel('Distance', { exact: true }).blur();
  await expect(page.getByLabel('Distance', { exact: true })).toHaveValue('quite far');
});

test('the day of the demo: what was used, carried for nothing and missed, and the table of it', async ({ page, server }) => {
  await page.goto(`${server.address}/brief/10f7a7e0-0000-4000-8000-0000000000a1/log?view=learn`);
  await expect(page.getByText(/It rests on 3\d takes/)).toBeVisible();
  const lens = page.getByRole('region', { name: 'By lens' });
  await expect(lens).toContainText('Selkie 24–70 mm ƒ2.8');
  await expect(page.getByRole('region', { name: 'By equivalent' }).getByRole('img', { name: /Rests on 3\d takes/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Carried and not used' })).toContainText('kg-days');
  await expect(page.getByRole('region', { name: 'Wanted and not had' })).toContainText('A rivet');
  await expectNobodyKeptOut(page);
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Takes as CSV' }).click()]);
  expect(file.suggestedFilename()).toBe('Low Water takes.csv');

  // What went out comes in again without standing there twice.
  await page.getByRole('button', { name: 'Takes', exact: true }).click();
  await page.getByTestId('takes').setInputFiles({ name: 'takes.csv', mimeType: 'text/csv', buffer: await readFile(await file.path()) });
  await expect(page.getByText(/^0 takes brought in\. 3\d were here already\.$/)).toBeVisible();
  await page.getByTestId('takes').setInputFiles({ name: 'notes.csv', mimeType: 'text/csv', buffer: Buffer.from('a,b\n1,2') });
  await expect(page.getByText('The first line must name the columns: When.', { exact: false })).toBeVisible();
});

test('a clip fills in what its header says, and the same is taken again on another day', async ({ page, server }) => {
  const { production } = await trial(server.address, 40);
  await page.goto(`${server.address}/brief/${production}`);
  await from(page);
  await page.getByRole('list', { name: 'Rigs that give it' }).getByRole('listitem').first().getByRole('button').first().click();
  await page.getByRole('button', { name: 'Choose for this shot' }).click();
  await page.getByRole('link', { name: /^Log/ }).click();
  await page.getByRole('button', { name: 'Note a take' }).click();
  await expect(page.getByLabel('Focal length', { exact: true })).toHaveValue(/^40\smm$/);
  const clip = clipOf({
    fps: 25,
    takenAt: new Date('2027-04-19T09:30:00Z'),
    keys: { 'com.android.capture.fps': 100, 'com.tallow.focal_length': '38 mm', 'com.tallow.iris_fnumber': '5.6' },
  });
  await page.getByTestId('take-still').setInputFiles({ name: 'A001.mov', mimeType: 'video/quicktime', buffer: clip });
  await expect(page.getByText('Filled in from the clip: focal length, aperture, frames a second.', { exact: false })).toBeVisible();
  await expect(page.getByText('Not told: sensitivity, shutter, distance.', { exact: false })).toBeVisible();
  await expect(page.getByLabel('Focal length', { exact: true })).toHaveValue(/^38\smm$/);
  await expect(page.getByLabel('Frame rate', { exact: true })).toHaveValue(/^100\sfps$/);
  await page.getByTestId('take-still').setInputFiles({ name: 'broken.mov', mimeType: 'video/quicktime', buffer: Buffer.from('no clip') });
  await expect(page.getByText('The clip says nothing of how it was taken.')).toBeVisible();

  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByLabel('The same again').click();
  await page.getByRole('option', { name: 'In this production' }).click();
  await expect(page.getByText('It is the last shot, “Take 1, pick-up”.')).toBeVisible();
  await page.getByRole('link', { name: 'Open it' }).click();
  await expect(page.getByRole('region', { name: 'The shot' }).or(page.locator('main'))).toContainText('As take 1A of 19 April 2027');
});

test('what only just fits says how surely, and what makes it surer', async ({ page, server }) => {
  const { production } = await trial(server.address, 50);
  await page.goto(`${server.address}/brief/${production}`);
  await from(page);
  const rig = page.getByRole('list', { name: 'Rigs that give it' }).getByRole('listitem').first();
  await rig.getByRole('button').first().click();
  await expect(rig).toContainText('stands there ±');
  await expect(rig).not.toContainText('Measure the room');
  const left = parseFloat(/([\d.]+)\s*m of room left/.exec(await rig.innerText())![1]!);

  // A room that is but 5 cm longer than it must be: nobody taped it, and the lens is as marked.
  await page.getByLabel('Length', { exact: true }).fill(`${(9 - left + 0.05).toFixed(2)} m`);
  await page.getByLabel('Length', { exact: true }).blur();
  await expect(rig).toContainText(/of room left, ± 1\d cm\. Measure the room\./);
  await page.getByLabel('Its sides were taped on the spot').check();
  await expect(rig).toContainText(/of room left, ± \d+ (mm|cm)\. Test the Trial 50/);

  // A crew that trusts its lenses is told no more.
  await page.getByRole('button', { name: 'Delivery, units, bag' }).click();
  const tolerance = page.getByRole('region', { name: 'How sure' }).getByLabel('Marked focal length ±');
  await tolerance.fill('0.5');
  await tolerance.blur();
  await expect(tolerance).toHaveValue(/^0\.5\s%$/);
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(rig).not.toContainText('Test the Trial 50');

  // And a little too short, it may fit all the same.
  await page.getByLabel('Length', { exact: true }).fill(`${(9 - left - 0.02).toFixed(2)} m`);
  await page.getByLabel('Length', { exact: true }).blur();
  await expect(page.getByText('It may give it all the same:', { exact: false })).toBeVisible();
  await expectNobodyKeptOut(page);
});

test('figures say how far off they may be, and their working what that comes from', async ({ page, server }) => {
  await page.goto(`${server.address}/bench/10f7a7e0-0000-4000-8000-000000000001`);
  const figures = page.getByRole('region', { name: 'Figures' });
  await expect(figures.locator('[data-figure="equivalentFocalLengthMm"]').first()).toBeVisible();
  await expect(figures.locator('.margin')).toHaveCount(0);
  await page.getByRole('button', { name: 'Take figures and frames out' }).click();
  await page.getByRole('menuitem', { name: 'Say how far off they may be' }).click();
  await expect(figures.locator('[data-figure="equivalentFocalLengthMm"] .margin').first()).toHaveText(/^± 1\.1\smm$/);
  await figures.locator('[data-figure="equivalentFocalLengthMm"]').first().click();
  const panel = page.getByRole('table', { name: 'What makes it unsure' });
  await expect(panel).toContainText('Focal length, as marked, ± 3');
  await expectNobodyKeptOut(page);
  await page.reload();
  await expect(figures.locator('.margin').first()).toBeVisible();
  await page.getByRole('button', { name: 'Take figures and frames out' }).click();
  await page.getByRole('menuitem', { name: 'Do not say how far off they may be' }).click();
  await expect(figures.locator('.margin')).toHaveCount(0);
});
