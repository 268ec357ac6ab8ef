import { expect, expectNobodyKeptOut, test } from './bench';

test('the ladders of light: told against the yardstick, then from the brightness of the scene; moved by key and hand, opened by a press', async ({
  bench,
}) => {
  test.slow();
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

  // An aperture closed by a whole stop with Shift takes a stop more, in the field too.
  await bench.type('2.8', 'Aperture', 'A');
  await expect(rung('Aperture of rig A')).toHaveAttribute('aria-valuetext', /^ƒ2\.8, takes 3/);
  await rung('Aperture of rig A').press('Shift+ArrowDown');
  await expect(bench.field('Aperture', 'A')).toHaveValue('ƒ4');

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

test('on a phone the ladders stand one below the other', async ({ bench }) => {
  const { page } = bench;
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  const tops = await page
    .getByRole('region', { name: /^Light of rig / })
    .evaluateAll((all) => all.map((one) => one.getBoundingClientRect()));
  expect(tops).toHaveLength(2);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});
