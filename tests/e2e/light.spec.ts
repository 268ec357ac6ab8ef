import { expect, expectNobodyKeptOut, test } from './bench';

test('the ladders of light: told against the yardstick, then from the brightness of the scene; moved by key and hand, opened by a press', async ({
  bench,
}) => {
  const { page } = bench;
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  await expect(page).toHaveURL(/view=light$/);
  const ladders = page.getByRole('region', { name: 'Light', exact: true });
  const rung = (name: string) => ladders.getByRole('slider', { name });
  await expect(ladders).toContainText('Neither the brightness of the scene nor the sensitivity of rig A is known.');

  // A key gives the yardstick a sensitivity: from then on the others are told against it.
  await rung('Sensitivity of rig A').press('ArrowUp');
  await expect(rung('Sensitivity of rig A')).toHaveAttribute('aria-valuetext', /^ISO 125, gives 0\.3/);
  await expect(ladders).toContainText('told against rig A');
  await rung('Sensitivity of rig B').press('ArrowDown');
  await rung('Sensitivity of rig B').press('ArrowUp');
  await expect(ladders.getByRole('region', { name: 'Light of rig B' })).toContainText('ISO 100');

  await ladders.getByRole('button', { name: /Say how bright it is/ }).click();
  // By a name too: what is usual of its range.
  await page.getByRole('dialog').getByRole('combobox', { name: 'Light', exact: true }).click();
  await page.getByRole('option', { name: /^Bright overcast · EV 12 to 14/ }).click();
  await expect(rung('Brightness of the scene, rig A')).toHaveAttribute('aria-valuetext', 'EV 13');
  // What is told of no name takes the brightness away, and the ladders go by the yardstick again.
  await page.getByRole('dialog').getByRole('combobox', { name: 'Light', exact: true }).click();
  await page.getByRole('option', { name: 'Not known' }).click();
  await expect(rung('Brightness of the scene, rig A')).toHaveCount(0);
  // Shutters without flicker, of which one is set by a press.
  const shutters = page.getByRole('group', { name: 'Shutters without flicker' });
  await expect(shutters).toContainText('25 fps, lamps on 60 Hz');
  await shutters.getByRole('button', { name: /^90°.*1\/100/ }).click();
  await expect(rung('Shutter of rig A')).toHaveAttribute('aria-valuetext', /^1\/100/);
  await page.getByRole('dialog').getByRole('textbox', { name: 'Brightness', exact: true }).fill('EV 14');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await expect(rung('Brightness of the scene, rig A')).toHaveAttribute('aria-valuetext', 'EV 14');
  await expect(ladders.getByRole('region', { name: 'Light of rig A' })).toContainText('too bright');

  await expectNobodyKeptOut(page);

  // An aperture closed by a whole stop with Shift takes a stop more.
  const taken = async () => Number(/takes ([\d.]+)/.exec((await rung('Aperture of rig A').getAttribute('aria-valuetext'))!)![1]);
  const before = await taken();
  await rung('Aperture of rig A').press('Shift+ArrowDown');
  await expect.poll(taken).toBeCloseTo(before + 1, 1);

  // A hand drags the filter of A down: it takes more light, in thirds of a stop.
  const filter = rung('Filter of rig A');
  const box = (await filter.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 60, { steps: 6 });
  await page.mouse.up();
  await expect(filter).toHaveAttribute('aria-valuetext', /takes [2-9]/);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(filter).toHaveAttribute('aria-valuetext', /^no filter/);

  await rung('Shutter of rig A').press('Enter');
  await expect(page.getByRole('dialog', { name: /Step of the shutter/ })).toContainText('log₂');
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(ladders).toBeVisible();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(ladders).toHaveCount(0);
});

test('what is free gives way in the person’s order, what is pinned stays, and pins that contradict are named', async ({ bench }) => {
  const { page } = bench;
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  const ladders = page.getByRole('region', { name: 'Light', exact: true });
  const rung = (name: string) => ladders.getByRole('slider', { name: `${name} of rig A` });
  const said = (name: string) => rung(name).getAttribute('aria-valuetext');
  const a = ladders.getByRole('region', { name: 'Light of rig A' });

  // Settings that looked right there say how bright it was: log2(2.8²·50) + 3 − 3.
  await page.getByRole('button', { name: 'Place, light' }).click();
  const brightness = page.getByRole('dialog').getByRole('textbox', { name: 'Brightness', exact: true });
  await brightness.fill('ISO 800 ƒ2.8 1/50 ND8');
  await expect(ladders.getByRole('slider', { name: 'Brightness of the scene, rig A' })).toHaveAttribute('aria-valuetext', 'EV 8.6');
  await brightness.fill('ISO 800 1/50');
  await expect(page.getByRole('dialog')).toContainText('lacks an aperture');
  await brightness.fill('EV 11');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();

  await rung('Sensitivity').press('ArrowUp');
  await expect(a).toContainText('too bright');
  // What is left over is a bar as high as it is, and a line when it is right.
  const left = async () => (await a.locator('rect[data-end]').boundingBox())!.height;
  expect(await left()).toBeGreaterThan(20);
  await ladders.getByRole('button', { name: 'Set rig A right' }).click();
  await expect(a).toContainText(/0\.0.st/);
  expect(await left()).toBeLessThan(2);
  await expect(rung('Filter')).toHaveAttribute('aria-valuetext', /takes [1-9]/);
  await expect(rung('Sensitivity')).toHaveAttribute('aria-valuetext', /^ISO 125/);

  // Kept: an aperture that opens is made up for by the filter; pinned, by the sensitivity, which first falls and then may rise.
  await ladders.getByRole('switch', { name: 'Keep the light' }).check();
  const filter = await said('Filter');
  await rung('Aperture').press('Shift+ArrowUp');
  await expect.poll(() => said('Filter')).not.toBe(filter);
  await expect(a).toContainText(/0\.0.st/);
  const pin = (name: string) => a.getByRole('button', { name: `Pin the ${name} of rig A` });
  await pin('filter').click();
  await expect(pin('filter')).toHaveAttribute('aria-pressed', 'true');
  const pinned = await said('Filter');
  await rung('Aperture').press('Shift+ArrowDown');
  await expect(rung('Sensitivity')).toHaveAttribute('aria-valuetext', /^ISO 2[45]\d,/);
  expect(await said('Filter')).toBe(pinned);
  await expect(a).toContainText(/0\.0.st/);

  // By key too; with the shutter pinned as well nothing is left that could give.
  await rung('Sensitivity').press('p');
  await expect(pin('sensitivity')).toHaveAttribute('aria-pressed', 'true');
  await pin('shutter').press('Enter');
  await rung('Aperture').press('Shift+ArrowDown');
  await expect(page.getByRole('region', { name: 'What is held' })).toContainText('1 stop too dark');
  await page.getByRole('button', { name: 'In which order settings give way' }).click();
  await expect(page.getByRole('dialog')).toContainText(
    'The filter, the sensitivity and the shutter are pinned, and the light is held. Let go of the filter',
  );
  // The shutter before all others, by two presses; let go of, it gives.
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Shutter gives earlier' }).click();
  await expect(page.getByRole('list', { name: 'What gives for the light' }).getByRole('listitem').first()).toContainText('Shutter');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await pin('shutter').click();
  await expect(pin('shutter')).toHaveAttribute('aria-pressed', 'false');
  const shutter = await said('Shutter');
  await rung('Aperture').press('ArrowUp');
  await expect.poll(() => said('Shutter')).not.toBe(shutter);
  await expectNobodyKeptOut(page);

  // It is all kept with the comparison, and each press was a step of undo.
  await page.reload();
  await expect(pin('filter')).toHaveAttribute('aria-pressed', 'true');
  await expect(ladders.getByRole('switch', { name: 'Keep the light' })).toBeChecked();
});

test('a zoom that closes is told at both ends, with what gives in between; a held shutter, slow motion and a variable filter too', async ({
  bench,
}) => {
  const { page, panel } = bench;
  await page.getByRole('button', { name: 'More of rig A' }).click();
  for (const [name, text] of [
    ['Zoom range', '24-70'],
    ['Widest aperture', '3.5-5.6'],
    ['Frames a second', '100'],
    ['Sensitivity', '800'],
    ['Variable filter', '2-5'],
    // A time in place of an angle, at the rate that it captures; empty, the scene's counts again.
    ['Its own shutter', '1/400'],
  ] as const) {
    await panel.getByLabel(name, { exact: true }).fill(text);
  }
  await panel.getByLabel('Its own shutter', { exact: true }).blur();
  await expect(panel.getByLabel('Its own shutter', { exact: true })).toHaveValue('90°');
  await panel.getByLabel('Its own shutter', { exact: true }).fill('');
  await panel.getByRole('button', { name: 'Close', exact: true }).click();
  await bench.type('3.5', 'Aperture', 'A');
  await page.getByRole('button', { name: 'Place, light' }).click();
  await panel.getByRole('textbox', { name: 'Brightness', exact: true }).fill('EV 12');
  await panel.getByRole('textbox', { name: 'Movement', exact: true }).fill('2');
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  const a = page.getByRole('region', { name: 'Light of rig A' });
  await expect(a).toContainText(/Zoomed: 24.mm ƒ3\.5 \+[\d.]+.st · 70.mm ƒ5\.6 \+?[−\d.]+.st\. To keep the light through the zoom:/);
  await expect(a).toContainText(/Slow motion 4×: 2.s of movement lasts 8.s, and costs 2.st\./);
  await expect(a).toContainText(/Variable filter, 2 to 5.st: /);

  // A time that is held costs nothing more; one longer than the frame is told.
  await panel.getByRole('textbox', { name: 'Shutter time', exact: true }).fill('1/200');
  await expect(a).toContainText('costs no light');
  await panel.getByRole('textbox', { name: 'Shutter time', exact: true }).fill('1/50');
  await panel.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('region', { name: 'Rig A', exact: true }).getByText('The lens opens to').click();
  await expect(panel).toContainText('A frame lasts 1/100 s, and the shutter’s time is longer');
});

test('on a phone the ladders stand one below the other', async ({ bench }) => {
  const { page } = bench;
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  const each = page.getByRole('region', { name: /^Light of rig / });
  await expect(each).toHaveCount(2);
  const [first, second] = await each.evaluateAll((all) => all.map((one) => one.getBoundingClientRect()));
  expect(second!.top).toBeGreaterThanOrEqual(first!.bottom);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});

test('filters of the shelf are put before a rig with their rings, and the fewest for the day are told', async ({ page, server }) => {
  await page.goto(`${server.address}/brief/10f7a7e0-0000-4000-8000-0000000000a1`);
  await page
    .getByRole('button', { name: /Walking and talking/ })
    .first()
    .click();
  await expect(page.getByRole('combobox', { name: 'Place' })).toContainText('Slipway');
  // In its own light: another level of the place, made and taken away again.
  await page.getByRole('button', { name: 'Light and more of this place' }).click();
  const lit = page.getByRole('combobox', { name: 'Lit in this shot' });
  await expect(lit).toContainText('Full sun at noon');
  await lit.click();
  await page.getByRole('option', { name: 'At another time…' }).click();
  await page.getByLabel('This light is called').fill('Fog');
  await page.getByRole('textbox', { name: 'or measured' }).fill('EV 11');
  await expect(lit).toContainText('Fog · EV 11');
  await page.getByRole('button', { name: 'Delete this light' }).click();
  await expect(lit).toContainText('As usual · EV 14');
  await lit.click();
  await page.getByRole('option', { name: /^Full sun at noon/ }).click();

  await page.getByRole('button', { name: 'Fewest things' }).click();
  const day = page.getByRole('region', { name: 'Filters for the day' });
  await expect(day).toContainText(/\d filters?.*: the fewest/);
  await day.getByRole('button', { name: 'Shot by shot' }).first().click();
  await expect(day).toContainText('The launch');
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  await page.getByText('chosen Plover').first().click();
  await page.getByRole('button', { name: 'To the Bench', exact: true }).first().click();
  // What stands above moves as the comparison is told to be saved, and a press on its way misses.
  await page.waitForURL(/\/bench\//);
  await expect(page.getByRole('status').first()).toHaveText(/^Saved/);
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  const a = page.getByRole('region', { name: 'Light of rig A' });
  await expect(a).toContainText('too bright');
  await page.getByRole('button', { name: 'Filters for rig A' }).click();
  const panel = page.getByRole('dialog', { name: 'Filters for this rig' });
  const way = panel.getByRole('button', { name: /^Ring 55 to 77 mm, then Variable ND 2–5 stops, 77 mm: leaves/ });
  await way.click();
  await expect(a).toContainText(/Variable filter, 2 to 5.st: /);
  await panel.getByRole('button', { name: /^Take off Variable/ }).click();
  await expect(a).not.toContainText('Variable filter');
});
