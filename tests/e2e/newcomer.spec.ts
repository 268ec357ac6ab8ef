import type { Locator, Page } from '@playwright/test';
import { expect, test } from './bench';

/** Counts what a hand does: a press is one, and so is a text that is typed into a field. */
class Hand {
  presses = 0;

  constructor(readonly page: Page) {}

  async press(what: Locator): Promise<void> {
    this.presses++;
    await what.click();
  }

  async type(into: Locator, text: string): Promise<void> {
    this.presses++;
    await into.fill(text);
  }

  async key(name: string): Promise<void> {
    this.presses++;
    await this.page.keyboard.press(name);
  }
}

const form = (page: Page) => page.getByRole('dialog');
const papers = (page: Page) => page.getByRole('textbox', { name: /^Its papers/ });

/** Somebody who comes with gear of their own: the demo is put away, and brought back for the tests that follow. */
test.beforeEach(async ({ page, server }) => {
  const answer = await page.request.put(`${server.address}/api/demo`, { data: { isHere: false }, headers: { Origin: server.address } });
  expect(answer.ok()).toBe(true);
});
test.afterEach(async ({ page, server }) => {
  await page.request.put(`${server.address}/api/demo`, { data: { isHere: true }, headers: { Origin: server.address } });
});

/** Adds a body and three lenses by their papers, under names that no other test has. */
async function bringOwn(page: Page, address: string, mark: string): Promise<void> {
  for (const [kind, text] of [
    ['body', `Corrie Shearwater ${mark}, full frame, 660 g\nUHD 24/25/50 fps`],
    ['lens', `Corrie ${mark} 24 mm f/2.8, 62 mm, 0.25 m, 300 g`],
    ['lens', `Corrie ${mark} 35 mm f/1.8, 62 mm, 0.3 m, 350 g`],
    ['lens', `Corrie ${mark} 85 mm f/1.8, 67 mm, 0.8 m, 420 g`],
  ] as const) {
    await page.goto(`${address}/shelf?add=${kind}`);
    await papers(page).fill(text);
    await form(page).getByRole('combobox', { name: 'Mount', exact: true }).fill(`Hawse ${mark}`);
    // A list that is not narrowed yet begins with another mount.
    await expect(page.getByRole('option').first()).toContainText(`Hawse ${mark}`);
    await page.keyboard.press('Enter');
    await form(page).getByRole('button', { name: 'Add to the shelf' }).click();
    await expect(form(page)).toHaveCount(0);
  }
}

test('a body with three modes is typed in 15 presses, on a mount that nobody knew', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf?kind=body`);
  const hand = new Hand(page);
  await hand.press(page.getByRole('button', { name: 'Add a body' }).first());
  await hand.type(form(page).getByLabel('Name', { exact: true }), 'Petrel by hand');
  await hand.type(form(page).getByRole('combobox', { name: 'Mount', exact: true }), 'Transom');
  await expect(page.getByRole('option', { name: 'Add the mount “Transom”' })).toBeVisible();
  await hand.key('Enter');
  await hand.type(form(page).getByLabel('Sensor', { exact: true }), 'full frame');
  const mode = (i: number) =>
    form(page)
      .getByRole('group', { name: /^Mode / })
      .nth(i);
  await hand.type(mode(0).getByLabel('Pixels'), 'UHD');
  await hand.type(mode(0).getByLabel('Frame rates'), '24, 25, 50');
  await hand.press(form(page).getByRole('button', { name: 'Add a mode' }));
  await hand.type(mode(1).getByLabel('Used area'), '1.21x');
  await hand.type(mode(1).getByLabel('Frame rates'), '100');
  await hand.press(form(page).getByRole('button', { name: 'Add a mode' }));
  await hand.type(mode(2).getByLabel('Pixels'), '6000 × 4000');
  await hand.type(mode(2).getByLabel('Used area'), 'open gate');
  await hand.type(mode(2).getByLabel('Frame rates'), '24');
  await hand.press(form(page).getByRole('button', { name: 'Add to the shelf' }));
  await expect(page.getByText('“Petrel by hand” is kept.')).toBeVisible();
  expect(hand.presses).toBeLessThanOrEqual(15);
  const { items } = (await (await page.request.get(`${server.address}/api/shelf?q=Petrel`)).json()) as {
    items: { item: { mounts: string[]; modes: { areaWidthMm: number; areaHeightMm: number; widthPx: number; fps: number[] }[] } }[];
  };
  expect(items[0]!.item.mounts).toEqual(['Transom']);
  expect(items[0]!.item.modes.map((m) => [m.widthPx, m.areaWidthMm, m.areaHeightMm, ...m.fps])).toEqual([
    [3840, 36, 20.25, 24, 25, 50],
    [3840, 29.752, 16.736, 100],
    [6000, 36, 24, 24],
  ]);
});

test('a lens is pasted in 5 presses, looked through, and what was not understood is said', async ({ page, server }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${server.address}/shelf`);
  const hand = new Hand(page);
  await hand.press(
    page
      .getByRole('button', { name: 'Add a lens' })
      .or(page.getByRole('button', { name: 'Add …' }))
      .first(),
  );
  const item = page.getByRole('menuitem', { name: 'Lens', exact: true });
  await expect(item.or(papers(page)).first()).toBeVisible();
  if (await item.isVisible()) await hand.press(item);
  await hand.type(papers(page), 'Corrie Pasted 24–70 f/2.8, 82 mm, 0.38 m, 695 g, weather sealed');
  await expect(form(page).getByText('Not understood: weather · sealed')).toBeVisible();
  await expect(form(page).getByLabel('Long end', { exact: true })).toHaveValue('70 mm');
  await expect(form(page).getByLabel('Filter thread')).toHaveValue('82 mm');
  await hand.press(form(page).getByRole('button', { name: 'Add to the shelf' }));
  await expect(page.getByText('“Corrie Pasted 24-70 f/2.8” is kept.')).toBeVisible();
  expect(hand.presses).toBeLessThanOrEqual(5);
});

test('gear comes by two files in 3 presses, and goes back with one', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf`);
  const hand = new Hand(page);
  await hand.press(page.getByRole('button', { name: /^Bring in/ }).first());
  hand.presses++;
  const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page
    .getByTestId('file')
    .setInputFiles([
      file('one.csv', 'Name,Maker,Mount,Focal length,Widest aperture\nFiled 40,Tallow,Gunwale,40,2\n'),
      file('two.csv', 'Name,Maker,Mount,Sensor width,Sensor height\nFiled body,Tallow,Gunwale,36,24\n'),
    ]);
  await expect(form(page).getByText('3 to add, 0 to change, 0 the same already, 0 refused.')).toBeVisible();
  await hand.press(form(page).getByRole('button', { name: 'Write 3 things' }));
  expect(hand.presses).toBeLessThanOrEqual(3);
  await expect(page.getByText('3 added, 0 changed from 2 files.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/^3 things as before/)).toBeVisible();
});

test('a comparison of three chains takes 10 presses', async ({ page, server }) => {
  await bringOwn(page, server.address, 'Row');
  await page.goto(`${server.address}/work`);
  const hand = new Hand(page);
  const panel = page.getByRole('dialog');
  const option = (name: RegExp) => panel.getByRole('listitem').getByRole('button', { name });
  await hand.press(page.getByRole('link', { name: 'New comparison', exact: true }));
  await hand.press(page.getByRole('button', { name: 'Add a rig' }));
  await hand.press(option(/^Corrie Shearwater Row/));
  await hand.press(option(/^Corrie Row 24 mm/));
  await hand.press(page.getByRole('region', { name: 'Rig C' }).getByRole('button', { name: /^Row 24 mm.*: swap/ }));
  for (const lens of ['24 mm f/2.8', '35 mm f/1.8', '85 mm f/1.8']) {
    await hand.press(panel.getByRole('checkbox', { name: `Corrie Row ${lens} in a row` }));
  }
  await hand.press(panel.getByRole('button', { name: 'Make a row of these 3' }));
  await expect(page.getByRole('region', { name: /^Rig [A-H]$/ })).toHaveCount(3);
  await expect(page.getByRole('button', { name: /^Row 85 mm.*: swap/ })).toBeVisible();
  expect(hand.presses).toBeLessThanOrEqual(10);
});

test('a production with a place and two shots takes 15 presses, and is answered from one’s own gear alone', async ({ page, server }) => {
  await bringOwn(page, server.address, 'Day');
  // The demo comes back beside: it stays out of answers about one's own work all the same.
  await page.request.put(`${server.address}/api/demo`, { data: { isHere: true }, headers: { Origin: server.address } });
  await page.goto(`${server.address}/work`);
  const hand = new Hand(page);
  const field = (label: string) => page.getByLabel(label, { exact: true });
  await hand.press(page.getByRole('button', { name: 'New production', exact: true }));
  await hand.press(page.getByRole('main').getByRole('button', { name: 'New shot' }));
  await hand.type(field('Name of the shot'), 'At the bench');
  await hand.type(field('Name of the place'), 'Workshop');
  await hand.type(field('Length'), '6 m');
  await hand.type(field('Width'), '4 m');
  await hand.type(field('To behind'), '1.5 m');
  await hand.key('Escape');
  await page
    .getByRole('heading', { level: 1 })
    .first()
    .evaluate(() => (document.activeElement as HTMLElement).blur());
  await hand.key('n');
  await hand.type(field('Name of the shot'), 'Hands');
  expect(hand.presses).toBeLessThanOrEqual(15);
  const fits = page.getByRole('region', { name: 'What fits' });
  await expect(fits.getByRole('list', { name: 'Rigs that give it' }).getByRole('listitem').first()).toContainText('Shearwater Day');
  await expect(fits).not.toContainText('Tern');
});

test('the tour of a first visit goes in four steps, is skipped, and is found again', async ({ page, server }) => {
  await page.addInitScript(() => {
    sessionStorage.setItem('tour', 'taken');
    if (sessionStorage.getItem('fresh') === null) localStorage.removeItem('juxtopsis.tour');
    sessionStorage.setItem('fresh', 'no');
  });
  await page.goto(`${server.address}/work`);
  const tour = page.getByRole('complementary', { name: 'Tour' });
  await expect(tour).toContainText('1 of 4');
  await tour.getByRole('button', { name: 'To the Shelf' }).click();
  await expect(page).toHaveURL(/\/shelf$/);
  for (let i = 0; i < 3; i++) await tour.getByRole('button', { name: 'Next' }).click();
  await tour.getByRole('button', { name: 'Done' }).click();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await expect(tour).toHaveCount(0);
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Find anything' }).fill('tour');
  await page.keyboard.press('Enter');
  await expect(tour).toContainText('1 of 4');
  await tour.getByRole('button', { name: 'Skip the tour' }).click();
  await expect(tour).toHaveCount(0);
});

test('one search finds shots, places, gear, work and commands from anywhere', async ({ page, server }) => {
  await page.request.put(`${server.address}/api/demo`, { data: { isHere: true }, headers: { Origin: server.address } });
  await page.goto(`${server.address}/shelf`);
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  const find = async (words: string) => {
    const box = page.getByRole('combobox', { name: 'Find anything' });
    // What was entered before is taken when it is found: until then the dialog of before stands.
    await expect(box).toHaveCount(0);
    // A page that has only just been drawn may not listen yet.
    await expect(async () => {
      await page.keyboard.press('Control+k');
      await expect(box).toBeVisible({ timeout: 2000 });
    }).toPass();
    await box.fill(words);
  };
  const option = (name: RegExp) => page.getByRole('option', { name });
  await find('sail loft');
  await expect(option(/^Place\s*Sail loft/)).toBeVisible();
  await option(/^Place\s*Sail loft/).click();
  await expect(page).toHaveURL(/\/brief\/.*shot=/);
  await find('shipwright speaks');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the shot')).toHaveValue('The shipwright speaks');
  await find('tern r');
  await option(/^Gear\s*Selkie Tern R/).click();
  await expect(page.getByRole('dialog', { name: 'Selkie Tern R' })).toBeVisible();
  await page.keyboard.press('Escape');
  await find('no such thing anywhere');
  await expect(page.getByText('Nothing has these words.')).toBeVisible();
});

test('what could not be read stands there still when one comes back, by shot, by panel and over links', async ({ page, server }) => {
  await page.request.put(`${server.address}/api/demo`, { data: { isHere: true }, headers: { Origin: server.address } });
  await page.goto(`${server.address}/brief/10f7a7e0-0000-4000-8000-0000000000a1`);
  const length = page.getByLabel('Length', { exact: true });
  const shots = page.getByRole('region', { name: 'Shots' });
  await shots.getByRole('button', { name: /^1\. / }).click();
  await length.fill('as far as it goes');
  await shots.getByRole('button', { name: /^2\. / }).click();
  await expect(length).not.toHaveValue('as far as it goes');
  await expect(length).toHaveAttribute('aria-invalid', 'false');
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await page.goBack();
  await shots.getByRole('button', { name: /^1\. / }).click();
  await expect(length).toHaveValue('as far as it goes');
  await expect(length).toHaveAttribute('aria-invalid', 'true');
  await length.press('Escape');
  await shots.getByRole('button', { name: /^2\. / }).click();
  await shots.getByRole('button', { name: /^1\. / }).click();
  await expect(length).toHaveAttribute('aria-invalid', 'false');

  await page.goto(`${server.address}/bench/10f7a7e0-0000-4000-8000-000000000001`);
  await page.getByRole('button', { name: 'Place, light' }).click();
  const panel = page.getByRole('dialog');
  const brightness = panel.getByRole('textbox', { name: 'Brightness', exact: true });
  await brightness.fill('rather dim');
  await panel.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Place, light' }).click();
  await expect(brightness).toHaveValue('rather dim');
  await panel.getByRole('button', { name: 'Go to find' }).click();
  await panel.getByRole('button', { name: 'Go to place and light' }).click();
  await expect(brightness).toHaveAttribute('aria-invalid', 'true');
});
