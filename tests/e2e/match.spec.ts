import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { expect, expectNobodyKeptOut, test } from './bench';

const reached = '10f7a7e0-0000-4000-8000-000000000005';
const missed = '10f7a7e0-0000-4000-8000-000000000006';

/** A comparison like one of the demo's, so that no test sees what another did. */
async function copyOf(page: Page, address: string, id: string): Promise<string> {
  const { document } = (await (await page.request.get(`${address}/api/comparisons/${id}`)).json()) as { document: object };
  const copy = randomUUID();
  const answer = await page.request.put(`${address}/api/comparisons/${copy}`, {
    data: { name: 'A copy', document },
    headers: { 'If-None-Match': '*' },
  });
  expect(answer.status()).toBe(201);
  return copy;
}

const answers = (page: Page) => page.getByRole('list', { name: 'What comes near, the nearest first' }).getByRole('button');
const rest = (page: Page, aspect: string) =>
  page.getByRole('region', { name: 'What makes the look' }).getByRole('row', { name: aspect }).getByRole('cell').nth(2);

test('a look that the shelf misses: by how much, what would close the gap, and that on the wish list', async ({ page, server }) => {
  const said: string[] = [];
  page.on('pageerror', (error) => said.push(error.message));
  await page.goto(`${server.address}/bench/${await copyOf(page, server.address, missed)}`);
  await page.getByRole('button', { name: 'Match', exact: true }).click();
  await expect(page).toHaveURL(/view=match$/);
  await expect(answers(page).first()).toContainText('85 mm ƒ1.8');
  const pair = page.getByRole('region', { name: 'Look and answer' });
  await expect(pair).toContainText('short of blur: it opens no farther');
  await expect(rest(page, 'Blur behind')).toHaveText('−0.4 st');
  await expect(rest(page, 'Distance')).toHaveText('0.0 %');

  // The distance may give way: it is met no longer, and more of the rest is.
  await page.getByRole('combobox', { name: 'How much distance counts' }).click();
  await page.getByRole('option', { name: '× 1', exact: true }).click();
  await expect(rest(page, 'Distance')).not.toHaveText('0.0 %');
  await expect(pair).toContainText('From ');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(rest(page, 'Distance')).toHaveText('0.0 %');

  // A pin within a tolerance.
  await page.getByRole('combobox', { name: 'How much angle counts' }).click();
  await page.getByRole('option', { name: 'must' }).click();
  await page.getByRole('combobox', { name: 'How nearly angle must be met' }).click();
  await page.getByRole('option', { name: /2.%/ }).click();
  await expect(rest(page, 'Angle')).toHaveText(/^[+−]?[012]\.\d.%$/);

  // Blur at a further distance.
  await page.getByRole('textbox', { name: 'and at' }).fill('1m');
  await expect(page.getByText(/^1\.00.m: [+−]?\d\.\d.st$/)).toBeVisible();

  const missing = page.getByRole('region', { name: 'What would close the gap' });
  await expect(missing).toContainText(/A \d+(\.\d)? mm ƒ\d\.\d lens for the K-bay mount/);
  await missing.getByRole('button', { name: 'Wish for it' }).first().click();
  await expect(missing.getByRole('status')).toContainText('wished for');
  await page.getByRole('switch', { name: 'What is wished for too' }).check();
  await expect(answers(page).first()).toContainText(/mm ƒ1\.\d/);
  await expect(rest(page, 'Blur behind')).toHaveText('0.0 st');
  await expectNobodyKeptOut(page);
  expect(said).toEqual([]);
});

test('the plot is walked by keys, a point shows its frame, and an answer goes to the Bench', async ({ page, server }) => {
  await page.goto(`${server.address}/bench/${await copyOf(page, server.address, reached)}?view=match`);
  await expect(answers(page).first()).toHaveAttribute('aria-pressed', 'true');
  const plot = page.getByRole('listbox', { name: 'What comes near, from left to right' });
  const picked = plot.locator('[aria-selected=true]');
  await expect(plot.locator('[data-front]')).toHaveCount(1);
  await picked.focus();
  const first = await picked.getAttribute('aria-label');
  await page.keyboard.press('ArrowRight');
  await expect(picked).not.toHaveAttribute('aria-label', first!);
  await expect(picked).toBeFocused();
  const name = (await picked.getAttribute('aria-label'))!.split(':')[0]!;
  await expect(page.getByText(name).first()).toBeVisible();

  // Other axes.
  await page.getByRole('combobox', { name: 'Across' }).click();
  await page.getByRole('option', { name: 'weight' }).click();
  await expect(picked).toHaveAttribute('aria-label', /weight [\d.]+.k?g/);

  await page.getByRole('button', { name: 'Outlines' }).click();
  await expect(
    page
      .getByTestId('pair')
      .locator('text', { hasText: /^[AD]$/ })
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Why another sensor/ }).click();
  await expect(page.getByText(/The look has a pupil of 52\.6 mm/)).toBeVisible();

  await page.getByRole('button', { name: 'Onto the Bench' }).click();
  await page.getByRole('button', { name: 'Compare' }).click();
  await expect(page.getByRole('region', { name: 'Rig D', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('region', { name: 'Rig D', exact: true })).toHaveCount(0);
});

test('cameras of the Bench get lenses that cut together, none of them twice', async ({ page, server }) => {
  await page.goto(`${server.address}/bench/${await copyOf(page, server.address, reached)}?view=match`);
  await page.getByRole('button', { name: 'Cut together' }).click();
  await expect(page.getByText('The one that leads has no body of the shelf: let another lead.')).toBeVisible();
  await page.getByRole('combobox', { name: 'The one that leads' }).click();
  await page.getByRole('option', { name: /^B Dabchick/ }).click();
  await page.getByRole('button', { name: 'Find lenses' }).click();
  const kept = page.getByRole('region', { name: 'As soft behind as the lead is now' });
  await expect(kept.getByRole('row')).toHaveCount(3);
  const lens = (row: number) => kept.getByRole('row').nth(row).getByRole('cell').nth(1).innerText();
  expect(await lens(1)).not.toBe(await lens(2));
  await kept.getByRole('button', { name: 'Set the Bench so' }).click();
  await expect(kept).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('combobox', { name: 'The one that leads' })).toContainText('A The look');
});

test('a saved look is laid on another Bench, with what counts of it, and what is chosen goes to the shot', async ({ page, server }) => {
  // From a shot of the production to the Bench.
  await page.goto(`${server.address}/brief/10f7a7e0-0000-4000-8000-0000000000a1`);
  await page.getByRole('region', { name: 'What fits' }).getByRole('button', { name: 'To the Bench' }).first().click();
  await page.waitForURL(/\/bench\//);
  await page.getByRole('button', { name: 'Match', exact: true }).click();
  await page.getByRole('button', { name: 'Use a saved look' }).click();
  await page.getByRole('menuitem', { name: /^Look: two on the plank/ }).click();
  await expect(page.getByRole('combobox', { name: 'The look is that of' })).toContainText('full frame, 50 mm ƒ0.95');
  await expect(answers(page).first()).toBeVisible();
  await page.getByRole('button', { name: 'Choose for the shot' }).click();
  await expect(page.getByText(/is done with .* \+ /)).toBeVisible();
});

test('a look is described in words, and what contradicts itself is said', async ({ page, server }) => {
  await page.goto(`${server.address}/bench/${await copyOf(page, server.address, missed)}?view=match`);
  await expect(answers(page).first()).toBeVisible();
  const words = page.getByRole('textbox', { name: 'or describe one' });
  await words.fill('full frame 85 mm ƒ1.4 46°');
  await words.press('Enter');
  await expect(page.getByText(/^That contradicts itself: 85 mm on Full frame takes in 23\.\d°, not 46°/)).toBeVisible();
  await words.fill('super 35 32 mm f2 at 3m');
  await words.press('Enter');
  await expect(page.getByRole('combobox', { name: 'The look is that of' })).toContainText('super 35 32 mm f2 at 3m');
  await expect(page.getByRole('region', { name: 'What makes the look' }).getByRole('row', { name: 'Distance' })).toContainText('3.00');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('combobox', { name: 'The look is that of' })).toContainText('44 × 33');
});

test('on a phone the look comes first and nothing is wider than the page', async ({ page, server }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${server.address}/bench/${await copyOf(page, server.address, reached)}?view=match`);
  await expect(answers(page).first()).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  await expectNobodyKeptOut(page);
});
