import { readFile, writeFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, test } from './bench';

const gear = (page: Page) => page.getByRole('list', { name: 'Gear' }).getByRole('listitem');
const thing = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const panel = (page: Page) => page.getByRole('dialog');
const find = (page: Page) => page.getByLabel('Find gear');
const names = (page: Page) => gear(page).getByRole('button').allTextContents();

test('typing finds, says what it understood, and the address keeps it', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf`);
  await expect(find(page)).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('fast wide under 400 g that covers full frame on K-bay');
  await expect.poll(() => names(page)).toEqual(['Selkie 20 mm ƒ1.8', 'Selkie 28 mm ƒ2']);
  await expect(page.getByRole('status', { name: 'Understood as' })).toContainText('weighs 400 g or less');
  await page.reload();
  await expect.poll(() => names(page)).toEqual(['Selkie 20 mm ƒ1.8', 'Selkie 28 mm ƒ2']);
  await page.getByRole('button', { name: 'Take out: like 28 mm or shorter' }).click();
  await expect.poll(async () => (await names(page)).length).toBeGreaterThan(2);
  await find(page).fill('no such thing anywhere');
  await expect(page.getByText('Nothing meets that')).toBeVisible();
  await page.getByRole('button', { name: 'Show everything' }).click();
  await expect.poll(async () => (await names(page)).length).toBeGreaterThanOrEqual(30);
});

test('choices narrow, and a camera turns focal lengths into equivalents', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf`);
  await page
    .getByRole('group', { name: 'Kind' })
    .getByRole('button', { name: /^Lenses/ })
    .click();
  await page.getByLabel('Equivalents for').click();
  await page.getByRole('option', { name: 'Wherry Skiff' }).click();
  await find(page).fill('12–35');
  // 12 mm on 17.3 × 9.73: full frame trimmed to 16:9 is 2.081 times as wide.
  await expect(gear(page)).toHaveCount(1);
  await expect(gear(page).getByRole('img')).toHaveAttribute('aria-label', 'Like 25 to 73 ƒ2.8 on full frame');
  await find(page).fill('dunlin 18–35');
  await expect(gear(page)).toHaveCount(1);
  await expect(gear(page).first()).toContainText('through Thole to Sill, reducer 0.71');
  await expect(gear(page).getByRole('img').first()).toHaveAttribute('aria-label', 'Like 27 to 52 ƒ1.3 on full frame');
});

test('a lens is added, kept, changed by two, and deleted with undo, by keyboard alone', async ({ page, server }) => {
  const name = `Tallow 40 ${Date.now()}`;
  await page.goto(`${server.address}/shelf?kind=lens`);
  await page.getByRole('button', { name: 'Add a lens' }).focus();
  await page.keyboard.press('Enter');
  await expect(panel(page)).toBeVisible();
  await panel(page).getByLabel('Name', { exact: true }).focus();
  await page.keyboard.type(name);
  await panel(page).getByLabel('Focal length', { exact: true }).focus();
  await page.keyboard.type('70');
  await page.keyboard.press('Tab');
  await page.keyboard.type('24');
  await panel(page).getByRole('button', { name: 'Add to the shelf' }).focus();
  await page.keyboard.press('Enter');
  await expect(panel(page).getByText('The long end of the zoom is shorter than the short end.')).toBeVisible();
  await panel(page).getByLabel('Focal length', { exact: true }).fill('40mm');
  await panel(page).getByLabel('Long end', { exact: true }).fill('');
  await panel(page).getByLabel('Weight').fill('0.3kg');
  await panel(page).getByRole('button', { name: 'Add to the shelf' }).press('Enter');
  await expect(page.getByText('is kept.')).toBeVisible();

  await find(page).fill(name);
  await thing(page, name).press('Enter');
  await expect(panel(page).getByLabel('Weight')).toHaveValue('300 g');
  const item = (
    (await (await page.request.get(`${server.address}/api/shelf?q=${encodeURIComponent(name)}`)).json()) as {
      items: { item: { id: string } }[];
    }
  ).items[0]!.item;
  await page.request.put(`${server.address}/api/shelf/${item.id}`, { data: { ...item, weightG: 310 }, headers: { 'If-Match': '"1"' } });
  await panel(page)
    .locator('summary', { hasText: /^Money/ })
    .press('Enter');
  await panel(page).getByLabel('Price to buy').fill('200');
  await panel(page).getByRole('button', { name: 'Keep changes' }).press('Enter');
  await expect(panel(page).getByText('theirs differs from yours in weight, price to buy')).toBeVisible();
  await panel(page).getByRole('button', { name: 'Take theirs' }).press('Enter');
  await expect(panel(page).getByLabel('Weight')).toHaveValue('310 g');
  await panel(page).getByRole('button', { name: 'Delete' }).press('Enter');
  await expect(page.getByText('Nothing meets that')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).press('Enter');
  await expect(thing(page, name)).toBeVisible();
});

test('a half filled form is kept over Esc, a link, Back and a reload, and what cannot be read is not dropped', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf?kind=lens`);
  const add = page.getByRole('button', { name: 'Add a lens' });
  const weight = panel(page).getByLabel('Weight');
  await add.click();
  await panel(page).getByLabel('Name', { exact: true }).fill('Half a lens');
  await panel(page).getByLabel('Focal length', { exact: true }).fill('40');
  await weight.fill('heavy');
  await expect(panel(page).getByText('“heavy” is not read as weight')).toBeVisible();
  await panel(page).getByRole('button', { name: 'Add to the shelf' }).click();
  await expect(panel(page).getByText('“heavy” in Weight cannot be read')).toBeVisible();

  await page.keyboard.press('Escape');
  await expect(page.getByText('What you typed of “Half a lens” is kept here')).toBeVisible();
  await page.getByRole('link', { name: 'Work' }).click();
  await page.goBack();
  await add.click();
  await expect(panel(page).getByText('Here is what you had typed before.')).toBeVisible();
  await expect(panel(page).getByLabel('Focal length', { exact: true })).toHaveValue('40 mm');
  await expect(weight).toHaveValue('heavy');
  await page.reload();
  await add.click();
  await expect(weight).toHaveValue('heavy');

  await weight.fill('unknown');
  // A T-number is light, not blur: it goes to its own field.
  await panel(page).getByLabel('Widest aperture', { exact: true }).fill('T2.1');
  await weight.focus();
  await expect(panel(page).getByLabel('T-number', { exact: true })).toHaveValue(/^2\.1/);
  await expect(panel(page).getByLabel('Widest aperture', { exact: true })).toHaveValue('');
  await panel(page).getByRole('button', { name: 'Add to the shelf' }).click();
  await expect(page.getByText('is kept.')).toBeVisible();
  await add.click();
  await expect(panel(page).getByLabel('Name', { exact: true })).toHaveValue('');
  await expect(panel(page).getByText('Here is what you had typed before.')).toHaveCount(0);
  await page.keyboard.press('Escape');

  // Deleted, it is listed and put back.
  await find(page).fill('Half a lens');
  await thing(page, 'Half a lens').click();
  await panel(page).getByRole('button', { name: 'Delete' }).click();
  await expect(thing(page, 'Half a lens')).toHaveCount(0);
  await page.getByRole('button', { name: /^Deleted \(/ }).click();
  const deleted = page.getByRole('dialog', { name: 'Deleted from the shelf' });
  await deleted.getByRole('listitem').filter({ hasText: 'Half a lens' }).getByRole('button', { name: 'Put back' }).click();
  await deleted.getByRole('button', { name: 'Close' }).click();
  await expect(thing(page, 'Half a lens')).toBeVisible();
});

test('a thing is duplicated and retired; a mount in use is not deleted', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf?q=${encodeURIComponent('37 mm')}&kind=lens`);
  await thing(page, 'Gannow 37 mm ƒ2.8 screw').click();
  await panel(page).getByRole('button', { name: 'Duplicate' }).click();
  await panel(page).getByRole('button', { name: 'Add to the shelf' }).click();
  await thing(page, 'Gannow 37 mm ƒ2.8 screw (copy)').click();
  await panel(page).getByRole('button', { name: 'Retire' }).click();
  await expect(thing(page, 'Gannow 37 mm ƒ2.8 screw (copy)')).toHaveCount(0);
  await page.getByRole('button', { name: 'Retired' }).click();
  await expect(thing(page, 'Gannow 37 mm ƒ2.8 screw (copy)')).toBeVisible();

  await page.goto(`${server.address}/shelf?kind=mount`);
  await thing(page, 'Gudgeon').click();
  await panel(page).getByRole('button', { name: 'Delete' }).click();
  await expect(panel(page).getByText('Gudgeon is named by')).toBeVisible();
});

test('a thing that is opened while another is being saved stays open', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf?q=Selkie&kind=lens`);
  let save: () => void = () => undefined;
  const pressed = new Promise<void>((done) => (save = done));
  await page.route('**/api/shelf/*', async (route) => {
    if (route.request().method() === 'PUT') await pressed;
    await route.continue();
  });
  await thing(page, 'Selkie 20 mm ƒ1.8').click();
  await panel(page).getByLabel('Weight').fill('311 g');
  await panel(page).getByRole('button', { name: 'Keep' }).click();
  await thing(page, 'Selkie 28 mm ƒ2').click();
  const other = panel(page).getByLabel('Name');
  const name = await other.inputValue();
  save();
  await expect(page.getByText('is kept')).toBeVisible();
  await expect(other).toHaveValue(name);
});

test('a table is looked through before it is brought in, and the shelf is taken out', async ({ page, server }, info) => {
  await page.goto(`${server.address}/shelf`);
  await page.getByRole('button', { name: 'Bring in' }).click();
  const file = info.outputPath('lenses.csv');
  const rows = 'Name,Maker,Mount,Focal length (mm),Weight (g)\nBrought,Tallow,K-bay,45,260\n';
  await writeFile(file, `${rows}Broken,Tallow,K-bay,wide,\n`);
  await page.getByTestId('file').setInputFiles(file);
  await expect(panel(page).getByText('1 to add, 0 to change, 0 the same already, 1 refused.')).toBeVisible();
  await expect(panel(page).getByText(/“wide” is not read as/)).toBeVisible();
  await expect(panel(page).getByRole('button', { name: 'Write' })).toBeDisabled();
  await writeFile(file, rows);
  await page.getByTestId('file').setInputFiles(file);
  await panel(page).getByRole('button', { name: 'Write 1 thing' }).click();
  await expect(page.getByText('1 added, 0 changed from lenses.csv.')).toBeVisible();

  await page.getByRole('button', { name: 'Take out' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Everything, as JSON' }).click(),
  ]);
  expect(await readFile(await download.path(), 'utf8')).toContain('"name": "Brought"');
});

test('lenses stand side by side, to scale', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf?kind=lens&q=old`);
  await page.getByLabel('Dunlin 28 mm ƒ2.8 old side by side with others').check();
  await page.getByLabel('Dunlin 105 mm ƒ2.5 old side by side with others').check();
  const drawing = page.getByRole('region', { name: 'Side by side' }).getByRole('img', { name: /from the side, to scale/ });
  // Barrels: 40 and 78 mm long lenses, less mount collar and front, keep their proportion.
  const [short, long] = await drawing.locator('g').evaluateAll((groups) => groups.map((g) => (g as SVGGElement).getBBox().width));
  expect(long! / short!).toBeCloseTo(78 / 40, 2);
});

test('arrow keys go from row to row, and Enter opens', async ({ page, server }) => {
  await page.goto(`${server.address}/shelf?kind=support&order=name`);
  await gear(page).first().getByRole('button').focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(panel(page)).toHaveAccessibleName('Capstan Fluid head, heavy');
  await page.keyboard.press('Escape');
  await expect(panel(page)).toHaveCount(0);
});
