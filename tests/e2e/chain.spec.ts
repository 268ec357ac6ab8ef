import { Bench, expect, test } from './bench';

const part = (bench: Bench, letter: string, name: RegExp) =>
  bench
    .rig(letter)
    .getByRole('group', { name: `Parts of rig ${letter}` })
    .getByRole('button', { name });
const option = (bench: Bench, name: RegExp) => bench.panel.getByRole('listitem').getByRole('button', { name });

/** Builds rig B of a small body and an old zoom through whatever joins them. */
async function build(bench: Bench): Promise<void> {
  await bench.do('B', 'Build it from the shelf');
  await option(bench, /^Wherry Skiff/).click();
  await bench.panel.getByLabel('Find a part').fill('dunlin 24');
  await option(bench, /^Dunlin 24–70/).click();
  await expect(part(bench, 'B', /^Thole to Sill, reducer 0.71/)).toBeVisible();
}

test('a rig is built from the shelf and its figures are those of its parts', async ({ bench }) => {
  await build(bench);
  await expect(bench.page.getByLabel('Name of rig B')).toHaveValue('Skiff, 24–70 mm ƒ2.8');
  await bench.type('24', 'Zoom 24–70', 'B');
  // 24 mm × 0.71, and full frame trimmed to 16:9 over 9.73 mm of height.
  await expect(bench.figure('Equivalent', 'B')).toHaveText(/^35\.5/);
  await expect(bench.figure('Light as set', 'B')).toHaveText('ƒ2.0');
  await bench.panel.getByRole('button', { name: 'Close' }).click();
  await bench.rig('B').getByLabel('Recording mode').click();
  await bench.page.getByRole('option', { name: 'Electronic zoom' }).click();
  await expect(bench.figure('Equivalent', 'B')).toHaveText(/^50\.7/);
  await bench.page.keyboard.press('Control+z');
  await expect(bench.figure('Equivalent', 'B')).toHaveText(/^35\.5/);
});

test('focal length stays in the zoom and aperture within what the lens has', async ({ bench }) => {
  await build(bench);
  await bench.type('200', 'Zoom 24–70', 'B');
  await bench.type('f/1', 'Aperture', 'B');
  await bench.field('Aperture', 'B').blur();
  await expect(bench.field('Aperture', 'B')).toHaveValue('ƒ2.8');
  await expect(bench.field('Zoom 24–70', 'B')).toHaveValue(/^70\smm$/);
  await bench.field('Zoom 24–70', 'B').press('ArrowUp');
  await expect(bench.field('Zoom 24–70', 'B')).toHaveValue(/^70\smm$/);
});

test('a part is swapped by keyboard; what does not fit says why and how to mend it', async ({ bench }) => {
  await build(bench);
  await bench.panel.getByRole('button', { name: 'Close' }).press('Enter');
  await part(bench, 'B', /^Thole to Sill/).press('Enter');
  await expect(bench.panel.getByRole('status')).toHaveText(/of \d+ fit, best first/);
  await expect(option(bench, /^Oakum Cleat to K-bay, does not fit/)).toContainText('ends in K-bay; Skiff takes Sill');
  await option(bench, /^Oakum Thole to Sill, reducer 0.64/).press('Enter');
  await expect(bench.panel.getByText('Thole to Sill, reducer 0.64 gains 1.29 stops of light')).toBeVisible();

  await part(bench, 'B', /^24–70 mm/).press('Enter');
  await bench.panel.getByLabel('Find a part').fill('dunlin 18–35');
  await option(bench, /^Dunlin 18–35/).press('Enter');
  await expect(bench.panel.getByText(/leaves .* % of the picture dark/)).toBeVisible();
  await expect(bench.panel.getByText(/Use the mode Electronic zoom/)).toBeVisible();
  await expect(part(bench, 'B', /^18–35 mm ƒ1.8, at fault/)).toBeVisible();
});

test('a filter of another thread brings the ring that it needs, in its place', async ({ bench }) => {
  await build(bench);
  await bench.rig('B').getByRole('button', { name: 'Add a part to rig B' }).click();
  await bench.panel.getByLabel('Find a part').fill('variable');
  await expect(option(bench, /^Lanthorn Variable ND 2–5/)).toContainText('Through Ring 82 to 77');
  await bench.panel.getByLabel('Find a part').press('Enter');
  await expect(part(bench, 'B', /^Ring 82 to 77/)).toBeVisible();
  await expect(part(bench, 'B', /^Variable ND 2–5/)).toBeVisible();
  await expect(bench.panel.getByText(/mm long/)).toBeVisible();
});

test('a built rig outlives a reload and its gear being deleted, and can become bare numbers', async ({ bench }) => {
  await build(bench);
  await expect(bench.saving).toHaveText(/^Saved/);
  const found = (await (
    await bench.page.request.get(`${bench.address}/api/shelf?q=${encodeURIComponent('24–70 mm ƒ2.8 Dunlin')}`)
  ).json()) as { items: { item: { id: string } }[] };
  const outcome = (await (await bench.page.request.delete(`${bench.address}/api/shelf/${found.items[0]!.item.id}`)).json()) as {
    retired: boolean;
  };
  expect(outcome.retired).toBe(true);
  await bench.page.reload();
  await expect(part(bench, 'B', /^24–70 mm/)).toBeVisible();
  await bench.page.getByRole('button', { name: 'Parts of rig B, and what they make' }).click();
  await expect(bench.panel.getByText('No longer offered on the Shelf: Dunlin 24–70 mm ƒ2.8.')).toBeVisible();
  const equivalent = await bench.figure('Equivalent', 'B').textContent();
  await bench.panel.getByRole('button', { name: 'Keep the numbers, let go of the parts' }).click();
  await expect(bench.rig('B').getByLabel('Area, mm')).toHaveValue('17.3×9.731');
  await expect(bench.figure('Equivalent', 'B')).toHaveText(equivalent!);
  await bench.page.request.post(`${bench.address}/api/shelf/${found.items[0]!.item.id}/restore`);
});

test('without the server the rig keeps its parts, and says that others cannot be looked for', async ({ bench }) => {
  await build(bench);
  await bench.page.route('**/api/shelf/**', (route) => route.abort());
  await part(bench, 'B', /^24–70 mm/).click();
  await expect(bench.panel.getByRole('alert')).toContainText('The rig keeps its parts');
  await bench.panel.getByRole('button', { name: 'Close' }).click();
  await bench.type('50', 'Zoom 24–70', 'B');
  await expect(bench.figure('On the sensor', 'B')).toHaveText(/^35\.5/);
});

test('several lenses from the shelf make a row on one body', async ({ bench }) => {
  await build(bench);
  await bench.panel.getByRole('button', { name: 'Close' }).click();
  await bench.do('B', 'Make a row of focal lengths');
  await bench.panel.getByRole('button', { name: 'Or a row of several lenses from the shelf' }).click();
  const row = bench.panel.getByRole('button', { name: 'Tick two or more for a row' });
  await expect(row).toBeDisabled();
  for (const lens of [/^Wherry 15 mm/, /^Wherry 25 mm/, /^Wherry 42 mm/]) {
    await bench.panel.getByRole('checkbox', { name: lens }).check();
  }
  await bench.panel.getByRole('button', { name: 'Make a row of these 3' }).click();
  await expect(bench.page.getByRole('region', { name: /^Rig [A-L]$/ })).toHaveCount(3);
  await expect(bench.page.getByLabel('Name of rig C')).toHaveValue('Skiff, 42 mm ƒ1.7');
  await expect(bench.field('Focal length', 'C')).toHaveValue(/^42\.5\smm$/);
  await bench.page.keyboard.press('Control+z');
  await expect(bench.page.getByRole('region', { name: /^Rig [A-L]$/ })).toHaveCount(2);
});
