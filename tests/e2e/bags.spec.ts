import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, expectNobodyKeptOut, test } from './bench';

const demo = '10f7a7e0-0000-4000-8000-0000000000a1';

/** A production of its own, with the demo's shots and bags. */
async function copied(address: string): Promise<string> {
  const id = crypto.randomUUID();
  const { document } = (await (await fetch(`${address}/api/productions/${demo}`)).json()) as {
    document: { bags: { id: string }[]; locations: object[]; shots: object[] };
  };
  const bags = document.bags.map((bag) => ({ ...bag, id: crypto.randomUUID() }));
  // Under names of their own: other tests look for those of the demo.
  const locations = document.locations.map((place, i) => ({ ...place, name: `Berth ${i + 1}` }));
  const shots = document.shots.map((shot, i) => ({ ...shot, name: `Take ${i + 1}` }));
  const made = await fetch(`${address}/api/productions/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-None-Match': '*' },
    body: JSON.stringify({ name: 'Neap tide', document: { ...document, bags, locations, shots } }),
  });
  expect(made.status).toBe(201);
  return `${address}/brief/${id}/bags`;
}

/** A day far from the demo's bookings and from those of the other tests. */
const dayOf = (n: number) => `2028-0${n}-01`;

const bag = (page: Page, mark: string) => page.getByRole('region', { name: new RegExp(`^Bag ${mark}: `) });
const view = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click();

async function bookedBag(page: Page, mark: string, day: string) {
  const form = page.getByRole('region', { name: `Book bag ${mark}` });
  await form.getByLabel('From').fill(`${day}T08:00`);
  await form.getByLabel('To', { exact: true }).fill(`${day}T18:00`);
  await form.getByRole('button', { name: /^Book/ }).click();
  return form;
}

test('from a production to the best bag, packed, booked, out, and back with something damaged', async ({ page, server }) => {
  const said: string[] = [];
  page.on('pageerror', (error) => said.push(error.message));
  await page.goto(await copied(server.address));
  await expect(bag(page, 'A').getByText('6 of 8 shots')).toBeVisible();
  await expect(bag(page, 'C').getByText('4 of 4 shots')).toBeVisible();

  // The front: each point has less of one thing and more of the other, and a press packs it.
  await view(page, 'The best bag');
  const front = page.getByRole('list', { name: 'Bags, the fewest first' });
  await expect(front.getByRole('listitem')).toHaveCount(2);
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await expect(page.getByText('not proven')).toHaveCount(0);
  await front.getByRole('button').last().click();
  await expect(page.getByRole('region', { name: 'The bag that is picked' })).toContainText('2 lenses');
  await view(page, 'Pack this bag');
  await expect(bag(page, 'D').getByText('14 of 16 shots')).toBeVisible();

  // Packed by typing, counted by hand, and held against a limit.
  await page.getByRole('combobox', { name: 'Pack something' }).fill('rain');
  await page.getByRole('option', { name: 'Capstan Rain cover' }).click();
  await page.getByRole('button', { name: /^One more: Capstan Rain cover/ }).click();
  await expect(page.getByLabel(/^Capstan Rain cover in bag D: 2$/)).toBeVisible();
  const details = page.getByRole('region', { name: 'Bag D by itself' });
  await details.getByLabel('Weight').fill('5kg');
  await expect(details.getByText(/^The bag weighs .* 5 kg is its limit/)).toBeVisible();
  await details.getByLabel('Weight').fill('50kg');
  await expect(details.getByText(/^The bag weighs/)).toHaveCount(0);
  await details
    .getByRole('button', { name: /^Pack \d+ × / })
    .first()
    .click();
  await expectNobodyKeptOut(page);

  // Booked, and not twice: who has it is said, and nothing of it is booked.
  await view(page, 'Who has it');
  const form = await bookedBag(page, 'D', dayOf(3));
  await expect(form.getByRole('status')).toHaveText(/things booked/);
  const other = await bookedBag(page, 'A', dayOf(3));
  await expect(other.getByText(/has it from 2028-03-01 08:00 until 2028-03-01 19:00\./)).toBeVisible();
  await expect(other.getByText('Nothing was booked.')).toBeVisible();
  await bookedBag(page, 'A', dayOf(4));
  await expect(other.getByRole('status')).toHaveText(/19 things booked/);
  await other.getByRole('button', { name: /^Cancel 19 bookings/ }).click();
  await expect(other.getByRole('button', { name: 'Book it' })).toBeVisible();
  await form.getByRole('button', { name: /^Cancel/ }).click();
  await expect(form.getByRole('button', { name: 'Book it' })).toBeVisible();
  await expectNobodyKeptOut(page);

  // Out and back on a phone.
  await page.setViewportSize({ width: 390, height: 844 });
  await view(page, 'Out and back');
  const list = page.getByRole('region', { name: /^Packing list of bag D/ });
  await list.getByRole('checkbox', { name: 'Capstan Rain cover: packed' }).click();
  await list.getByRole('checkbox', { name: 'Capstan Fluid head: packed' }).click();
  await expect(list.getByRole('heading')).toContainText('out, 3 of');
  await list.getByRole('button', { name: 'Back', exact: true }).click();
  await list.getByRole('checkbox', { name: 'Capstan Fluid head: back' }).click();
  await list.getByRole('combobox', { name: 'State of Capstan Rain cover' }).click();
  await page.getByRole('option', { name: 'damaged' }).click();
  await list.getByLabel('What is wrong with Capstan Rain cover').fill('Torn at the seam');
  await list.getByLabel('What is wrong with Capstan Rain cover').press('Enter');
  await expectNobodyKeptOut(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

  // The next bag says so.
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.reload();
  await view(page, 'Side by side');
  await expect(page.getByText('one, damaged, Torn at the seam')).toBeVisible();
  await view(page, 'Out and back');
  await list.getByRole('combobox', { name: 'State of Capstan Rain cover' }).click();
  await page.getByRole('option', { name: 'works', exact: true }).click();
  expect(said).toEqual([]);
});

test('a hole is filled from the shelf, bags are told apart by what differs, and go out and come in as files', async ({ page, server }) => {
  await page.goto(await copied(server.address));
  const hole = page.getByRole('button', { name: /^Hole in bag B on Selkie Tern, 35 mm to 85 mm/ });
  await hole.press('Enter');
  const fills = page.getByRole('region', { name: 'What fills the hole' });
  await expect(fills.getByText('Selkie 24–70 mm ƒ2.8')).toBeVisible();
  await fills.getByRole('button', { name: 'Pack it' }).first().click();
  await expect(hole).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(hole).toHaveCount(1);

  // What is in all of them is not what one looks for first.
  const things = page.getByRole('region', { name: 'Things' });
  await expect(things.getByRole('rowheader').first()).toHaveText('In some of them');

  // Taken out as a table and brought in again, the bags stand beside those that are here.
  const [table] = await Promise.all([page.waitForEvent('download'), view(page, 'CSV')]);
  expect(await readFile(await table.path(), 'utf8')).toContain('Selkie 24–70 mm ƒ2.8');
  await page.getByLabel('Bring bags in').setInputFiles(await table.path());
  await expect(page.getByText('3 bags brought in.')).toBeVisible();
  await expect(bag(page, 'F')).toBeVisible();
  const [json] = await Promise.all([page.waitForEvent('download'), view(page, 'JSON')]);
  expect((JSON.parse(await readFile(await json.path(), 'utf8')) as { bags: unknown[] }).bags).toHaveLength(6);
  await page
    .getByLabel('Bring bags in')
    .setInputFiles({ name: 'odd.csv', mimeType: 'text/csv', buffer: Buffer.from('What,Is\nit,then\n') });
  await expect(page.getByText('The first line must name the columns: Bag, and Thing or Id.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(bag(page, 'F')).toHaveCount(0);
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
});

test('a production without bags says what to do first', async ({ page, server }) => {
  await page.goto(`${server.address}/work?kind=production`);
  await page.getByRole('button', { name: 'New production', exact: true }).click();
  await page.waitForURL(/\/brief\/[0-9a-f-]{36}$/);
  await page.getByRole('link', { name: /^Bags/ }).click();
  await expect(page.getByText('No bag yet')).toBeVisible();
  await page.getByRole('button', { name: 'New bag' }).first().click();
  await expect(page.getByText('Nothing is packed yet')).toBeVisible();
  await page
    .getByRole('button', { name: 'Pack what the shots chose' })
    .or(page.getByRole('button', { name: 'Add what the shots chose' }))
    .click();
  await expect(page.getByText('No shot has a rig yet')).toBeVisible();
});
