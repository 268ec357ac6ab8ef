import type { Page } from '@playwright/test';
import { expect, expectNobodyKeptOut, test } from './bench';

const demo = '10f7a7e0-0000-4000-8000-0000000000a1';

/** The Brief as a person handles it. */
class Brief {
  constructor(
    readonly page: Page,
    readonly address: string,
  ) {}

  async open(id = demo): Promise<void> {
    await this.page.goto(`${this.address}/brief/${id}`);
    await expect(this.rigs).not.toHaveCount(0);
  }

  async startNew(): Promise<void> {
    await this.page.goto(`${this.address}/work?kind=production`);
    await this.page.getByRole('button', { name: 'New production', exact: true }).click();
    await this.page.waitForURL(/\/brief\/[0-9a-f-]{36}$/);
  }

  async go(name: string): Promise<void> {
    await this.page.getByRole('button', { name: new RegExp(`^\\d+\\. ${name}`) }).click();
    await expect(this.page.getByLabel('Name of the shot')).toHaveValue(name);
  }

  get fits() {
    return this.page.getByRole('region', { name: 'What fits' });
  }

  /** The rigs that are told of, whether they give the shot or not. */
  get rigs() {
    return this.fits.getByRole('listitem');
  }

  /** How many rigs give the shot. */
  async count(): Promise<number> {
    return parseInt(await this.fits.getByRole('button', { name: /^\d+ give it$/ }).innerText(), 10);
  }

  /** The count when it no longer changes: after the last of some fields was typed the answer of before may stand a moment. */
  async settledCount(): Promise<number> {
    let count = await this.count();
    await expect(async () => {
      const before = count;
      await this.page.waitForTimeout(700);
      count = await this.count();
      expect(count).toBe(before);
    }).toPass();
    return count;
  }

  field(label: string) {
    return this.page.getByLabel(label, { exact: true });
  }
}

test('a production, a place and a shot are made, the best proposal goes to the Bench, and a wall is heeded', async ({ page, server }) => {
  const said: string[] = [];
  page.on('console', (message) => ['error', 'warning'].includes(message.type()) && said.push(message.text()));
  page.on('pageerror', (error) => said.push(error.message));
  const brief = new Brief(page, server.address);
  await brief.startNew();
  await page.getByLabel('Name of the production').fill('Neap tide');
  await page.getByRole('button', { name: 'New shot' }).first().click();
  await brief.field('Name of the shot').fill('The caulker');
  await brief.field('Name of the place').fill('Rope walk');
  await brief.field('Length').fill('5m');
  await brief.field('Width').fill('3.2m');
  await brief.field('To behind').fill('1.2m');
  await expect(brief.rigs).not.toHaveCount(0);

  // A medium shot of 1.75 m: from head to waist, 40 % of it, under 8 % of headroom.
  await expect(brief.field('or its height')).toHaveAttribute('placeholder', '76.1 cm'.replace(' ', '\u2009'));
  const many = await brief.settledCount();
  expect(many).toBeGreaterThan(50);

  // Every proposal keeps within the room: 5 m − 1.2 m − 0.9 m for tripod and operator.
  const best = await brief.rigs.first().innerText();
  const from = parseFloat(/from\s*([\d.]+)/.exec(best)![1]!);
  expect(from).toBeLessThanOrEqual(2.9);

  // The wall comes nearer by key and by hand: fewer rigs find room.
  const wall = page.getByRole('slider', { name: 'Length of the place' });
  await wall.focus();
  await wall.press('Shift+ArrowLeft');
  await expect(brief.field('Length')).toHaveValue('4\u2009m');
  await expect.poll(() => brief.count()).toBeLessThan(many);
  const fewer = await brief.count();
  const grip = (await wall.boundingBox())!;
  await page.mouse.move(grip.x + grip.width / 2, grip.y + 12);
  await page.mouse.down();
  await page.mouse.move(grip.x + grip.width / 2 - 60, grip.y + 12, { steps: 4 });
  await page.mouse.up();
  await expect.poll(() => brief.count()).toBeLessThan(fewer);
  await page.keyboard.press('Control+z');
  await expect(brief.field('Length')).toHaveValue('4\u2009m');
  await page.keyboard.press('Control+z');
  await expect(brief.field('Length')).toHaveValue('5\u2009m');
  await expect.poll(() => brief.count()).toBe(many);

  const name = (await brief.rigs.first().locator('.rig').getAttribute('title'))!.split(' · ')[0]!;
  await brief.rigs.first().getByRole('button').first().click();
  await brief.rigs.first().getByRole('button', { name: 'Choose for this shot' }).click();
  await expect(brief.rigs.first().getByText('chosen', { exact: true })).toBeVisible();
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
  await brief.rigs.first().getByRole('button', { name: 'To the Bench' }).click();
  await page.waitForURL(/\/bench\//);
  await expect(page.getByLabel('Name of the comparison')).toHaveValue('Neap tide: The caulker');
  await expect(page.getByLabel('Name of rig A')).toHaveValue(new RegExp(name.split(',')[0]!));
  await expect(page.getByRole('region', { name: 'Rig A', exact: true })).toBeVisible();

  // What was made is there again, with what was chosen.
  await page.getByRole('link', { name: 'Production', exact: true }).click();
  await expect(brief.field('Name of the shot')).toHaveValue('The caulker');
  await expect(brief.rigs.first().getByText('chosen', { exact: true })).toBeVisible();
  expect(said).toEqual([]);
});

test('what nothing gives says by how much, and one press makes the change that lets it', async ({ page, server }) => {
  const brief = new Brief(page, server.address);
  await brief.open();
  await brief.go('By the door, soft behind');
  await expect(brief.fits.getByText('Nothing gives this shot as it stands.')).toBeVisible();
  await expect(brief.rigs.first()).toContainText('Not open enough for so soft a background, by');
  await brief.rigs
    .first()
    .getByRole('button', { name: /^Subject .* off what is behind/ })
    .click();
  await expect.poll(() => brief.count()).toBeGreaterThan(0);
  await expect(brief.rigs.first()).toContainText(/blur\s*2\.0/);

  // It is this shot's own change: the others at the place stay, and it is undone in one step.
  await expect(brief.field('To behind, here')).not.toHaveValue('35\u2009cm');
  await brief.go('The shipwright speaks');
  await expect(brief.field('To behind')).toHaveValue('1\u2009m');
  await page.keyboard.press('Control+z');
  await brief.go('By the door, soft behind');
  await expect(brief.fits.getByText('Nothing gives this shot as it stands.')).toBeVisible();

  await brief.go('The sailmaker, head to foot');
  await expect(brief.rigs.first()).toContainText('must go back farther than there is room');
  await brief.rigs.first().getByRole('button', { name: 'Look along the other side' }).click();
  await expect.poll(() => brief.count()).toBeGreaterThan(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
});

test('what cannot be says so, and what is typed wrong changes nothing', async ({ page, server }) => {
  const brief = new Brief(page, server.address);
  await brief.startNew();
  await page.getByRole('button', { name: 'New shot' }).first().click();
  await expect(brief.rigs).not.toHaveCount(0);
  const many = await brief.count();
  await brief.field('Length').fill('long');
  await expect(page.getByRole('alert').first()).toBeVisible();
  expect(await brief.count()).toBe(many);
  await brief.field('Length').press('Escape');

  // A room that ends before the subject, and one shorter than any rig.
  await brief.field('Length').fill('1.2m');
  await expect(brief.fits.getByRole('alert')).toContainText('beyond the end of the place');
  await brief.field('Length').fill('2m');
  await expect(brief.rigs.first()).toContainText('No place for it');

  // A subject larger than the room.
  await brief.field('Length').fill('6m');
  await brief.field('Height').last().fill('1.5m');
  await expect(brief.fits.getByRole('alert')).toContainText('25 cm taller than the place');
  await brief.field('Height').last().fill('2.6m');

  // No gear to choose from.
  await page.getByRole('button', { name: 'Delivery, units, bag' }).click();
  await page.getByRole('combobox', { name: 'Gear to choose from' }).click();
  await page.getByRole('option', { name: 'Only what is ticked' }).click();
  const ticks = page.getByRole('group', { name: 'Lenses' }).getByRole('checkbox', { checked: true });
  const cameras = page.getByRole('group', { name: 'Cameras with their lens' }).getByRole('checkbox', { checked: true });
  const ticked = await ticks.count();
  await ticks.first().click();
  await expect(ticks).toHaveCount(ticked - 1);
  await page.getByRole('button', { name: 'No lenses' }).click();
  await page.getByRole('button', { name: 'No cameras with their lens' }).click();
  await expect(ticks).toHaveCount(0);
  await expect(cameras).toHaveCount(0);
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(brief.fits.getByRole('alert')).toContainText('there is no lens that fits a camera');

  // A place whose measures do not hold together keeps from saving, and says what to mend.
  await brief.field('To behind').fill('');
  await expect(page.getByText('needs the distance from the subject to what is behind it')).toBeVisible();
  await expect(page.getByRole('status').first()).toHaveText('Not saved: mend the marked field');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
});

test('the fewest things for the day by what counts, and what one rig does', async ({ page, server }) => {
  const brief = new Brief(page, server.address);
  await brief.open();
  const all = await brief.count();
  await page.getByRole('button', { name: 'Fewest things' }).click();
  const dialog = page.getByRole('dialog');
  // All shots are asked, and all bags looked through: seconds where both cores are busy with other pages.
  await expect(dialog.getByRole('heading', { name: /the best by what counts/ })).toBeVisible();
  await expect(dialog.getByText('The search ended before it was proven')).toHaveCount(0);
  await expect(dialog.getByText('Nothing here does 6. By the door, soft behind; 7. The sailmaker')).toBeVisible();
  await expect(dialog.getByText(/^Cannot do /)).toBeVisible();

  // Shot by shot it says which rig; and what counts first can be another thing.
  await dialog.getByRole('button', { name: 'Shot by shot' }).first().click();
  await expect(dialog.getByRole('region', { name: /the best by what counts/ }).getByRole('row')).toHaveCount(14);
  await dialog.getByRole('button', { name: /adapters$/ }).click();
  await expect(dialog.getByRole('button', { name: '1 adapters' })).toBeVisible();
  await expect(dialog.getByRole('heading', { name: /^\d+ bod(y|ies), \d+ lens(es)?: the best by what counts/ })).toBeVisible();
  await expect(dialog.getByRole('region', { name: 'What one rig does' }).getByRole('row')).toHaveCount(16);
  await dialog.getByRole('button', { name: 'Choose only from this bag' }).first().click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect.poll(() => brief.count()).toBeLessThan(all);
  await page.keyboard.press('Control+z');
  await expect.poll(() => brief.count()).toBe(all);
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
});

test('a tube that would help is put on by one press, and goes to the Bench with the rig', async ({ page, server }) => {
  const brief = new Brief(page, server.address);
  await brief.open();
  await brief.go('A rivet');
  await brief.fits.getByRole('button', { name: /do not$/ }).click();
  await brief.fits
    .getByRole('button', { name: /^Add Tube/ })
    .first()
    .click();
  await brief.fits.getByRole('button', { name: /give it$/ }).click();
  const chosen = brief.rigs.filter({ hasText: 'chosen' }).first();
  await expect(chosen).toContainText('Tube');
  await chosen.getByRole('button').first().click();
  await brief.rigs.filter({ hasText: 'chosen' }).first().getByRole('button', { name: 'To the Bench' }).click();
  await page.waitForURL(/\/bench\//);

  // What was promised is what the Bench says: 24 mm upright, in focus.
  await expect(page.getByRole('region', { name: 'Rig A', exact: true })).toBeVisible();
  await expect(page.getByText('Too close to focus')).toHaveCount(0);
  await expect(page.getByText('Too far to focus')).toHaveCount(0);
  await page.goBack();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
});

test('a rule that is turned off shows what comes then', async ({ page, server }) => {
  const brief = new Brief(page, server.address);
  await brief.open();
  await brief.go('The plank gives, slowed');
  const kept = await brief.count();
  await page.getByRole('button', { name: 'Delivery, units, bag' }).click();
  await page.getByRole('checkbox', { name: 'The mode offers the very frame rate' }).uncheck();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect.poll(() => brief.count()).toBeGreaterThan(kept);
  await page.keyboard.press('Control+z');
  await expect.poll(() => brief.count()).toBe(kept);
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
});

test('shots are gone through and the place is changed by keys alone; nothing keeps anyone out', async ({ page, server }) => {
  const brief = new Brief(page, server.address);
  await brief.open();
  await brief.go('The shipwright speaks');
  await page.getByRole('button', { name: /^5\. / }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(brief.field('Name of the shot')).toHaveValue('By the door, soft behind');
  await page.keyboard.press('ArrowLeft');
  const subject = page.getByRole('slider', { name: 'Subject, from what is behind it' });
  await subject.focus();
  await subject.press('ArrowRight');
  await expect(brief.field('To behind')).toHaveValue('1.1\u2009m');
  await page.keyboard.press('Control+z');
  await expect(brief.field('To behind')).toHaveValue('1\u2009m');
  await page.getByRole('button', { name: 'More of this shot' }).click();
  await page.getByRole('button', { name: 'Light and more of this place' }).click();
  await expectNobodyKeptOut(page);
  await page.setViewportSize({ width: 360, height: 760 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
});

test('a shot and its comparison know each other, and a rig of the Bench becomes the shot’s choice', async ({ page, server }) => {
  const brief = new Brief(page, server.address);
  await page.goto(`${server.address}/brief/10f7a7e0-0000-4000-8000-0000000000a1`);
  await brief.go('Two people on one plank');
  await brief.fits.getByRole('button', { name: /^Best \d to the Bench$/ }).click();
  await page.waitForURL(/\/bench\//);
  await expect(page.getByRole('region', { name: 'Rig B', exact: true })).toBeVisible();
  const name = await page.getByLabel('Name of rig B').inputValue();
  await page.getByRole('button', { name: 'Do with rig B' }).click();
  await page.getByRole('menuitem', { name: 'Choose it for the shot' }).click();
  await expect(page.getByText(/^“Two people on one plank.*” is done with /)).toBeVisible();
  await page.getByRole('link', { name: 'To its shot' }).click();
  await expect(brief.field('Name of the shot')).toHaveValue('Two people on one plank');
  await expect(
    brief.rigs
      .filter({ hasText: name.split(',')[0]! })
      .getByText('chosen', { exact: true })
      .first(),
  ).toBeVisible();
  await brief.fits.getByRole('link', { name: 'Its comparison' }).click();
  await page.waitForURL(/\/bench\//);
  await expect(page.getByLabel('Name of rig B')).toHaveValue(name);
});

test('two change the same production: nothing is overwritten, and a deleted one comes back', async ({ page, server }) => {
  const brief = new Brief(page, server.address);
  await brief.startNew();
  await page.getByRole('button', { name: 'New shot' }).first().click();
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
  const id = page.url().split('/').at(-1)!;
  const stored = `${server.address}/api/productions/${id}`;
  const { document, revision } = (await (await page.request.get(stored)).json()) as { document: { note: string }; revision: number };
  document.note = 'Theirs';
  await page.request.put(stored, { data: { name: 'Theirs', document }, headers: { 'If-Match': `"${revision}"` } });
  await brief.field('Name of the shot').fill('Mine');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Someone else changed this production too');
  await expect(dialog).toContainText('Theirs');
  await dialog.getByRole('button', { name: 'Mine as a copy' }).click();
  await expect(page).not.toHaveURL(new RegExp(id));
  await expect(page.getByLabel('Name of the production')).toHaveValue('New production (my version)');
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);

  await page.getByRole('link', { name: 'Productions' }).click();
  const row = page.getByRole('listitem').filter({ hasText: '(my version)' });
  await row.getByRole('button', { name: 'Delete' }).click();
  await expect(row).toHaveCount(0);
  await page.getByRole('tab', { name: 'Deleted' }).click();
  await page.getByRole('listitem').filter({ hasText: '(my version)' }).first().getByRole('button', { name: 'Restore' }).click();
  await page.getByRole('tab', { name: 'Current' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: '(my version)' })).toHaveCount(1);
});
