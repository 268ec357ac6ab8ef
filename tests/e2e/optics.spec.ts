import { expect, expectNobodyKeptOut, test } from './bench';

const thin = '\u2009';

test('a press on a figure opens its working with one’s own values, and it follows them', async ({ bench }) => {
  await bench.type('50', 'Focal length', 'A');
  await bench.type('2.6 m', 'To the subject');
  await bench.page.getByRole('button', { name: /^Rig A Field at subject/ }).click();
  await expect(bench.panel).toHaveAccessibleName('Field at subject');
  // D = 2600, f = 50: s = (2600 + √(2600² − 4·50·2600))/2 = 2549.00; m = 0.0200077.
  const steps = bench.panel.getByRole('list', { name: 'Steps' });
  await expect(steps).toContainText('s = (D + √(D² − 4·f·D))/2');
  await expect(steps).toContainText('(2600 + √(2600² − 4·50·2600))/2');
  await expect(steps).toContainText('= 2549 mm');
  await bench.type('3.2 m', 'To the subject');
  await expect(steps).toContainText('(3200 + √(3200² − 4·50·3200))/2');
  await bench.page.getByRole('button', { name: 'Close', exact: true }).press('Escape');
  await expect(bench.panel).toHaveCount(0);
  await expect(bench.page.getByRole('button', { name: /^Rig A Field at subject/ })).toBeFocused();
});

test('while a field is at fault, panels keep the answers of before and say so', async ({ bench }) => {
  await bench.page.getByRole('button', { name: /^Rig B Field at subject/ }).click();
  const steps = bench.panel.getByRole('list', { name: 'Steps' });
  const before = await steps.textContent();
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
  const mend = await bench.contradict();
  await bench.page.getByRole('button', { name: /^Rig B Field at subject/ }).click();
  await expect(bench.panel).toContainText('A field is at fault');
  await expect(steps).toHaveText(before!);
  for (const [to, said] of [
    ['Go to conventions', 'Crop factor by'],
    ['Go to find', '60 cm upright'],
  ] as const) {
    await bench.panel.getByRole('button', { name: to }).click();
    await expect(bench.panel).toContainText(said);
  }
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
  await mend();
  await bench.page.getByRole('button', { name: /^Rig B Field at subject/ }).click();
  await expect(bench.panel).not.toContainText('A field is at fault');
});

test('figures are reached and opened by keyboard', async ({ bench }) => {
  const first = bench.page.getByRole('button', { name: /^Rig A Used area/ });
  await first.focus();
  await first.press('ArrowRight');
  await bench.page.keyboard.press('ArrowDown');
  await expect(bench.page.getByRole('button', { name: /^Rig B Used pixels/ })).toBeFocused();
  await bench.page.keyboard.press('Enter');
  await expect(bench.panel).toContainText('does not exist for this rig');
  await bench.page.keyboard.press('Escape');
  await expect(bench.page.getByRole('button', { name: /^Rig B Used pixels/ })).toBeFocused();
});

test('the chain of crops shows each link', async ({ bench }) => {
  // 23.5 / 19.9 = 1.18 by widths; a reducer of 0.71 and an extender of 1.4 make 0.994.
  await bench.type('19.9x13.2', 'Area, mm', 'B');
  await bench.type('0.71 × 1.4', 'Reducer', 'B');
  await bench.page.getByRole('button', { name: 'More of rig B' }).click();
  await bench.panel.getByLabel('Whole sensor, mm').fill('23.5x15.6');
  await bench.showTopic('Crop, pixels');
  await expect(bench.figure('Links', 'B')).toHaveText(/^1\.53×1\.18×1\.0\d×0\.99$/);
  await bench.page.getByRole('button', { name: /^Rig B Whole chain/ }).click();
  await expect(bench.panel.getByRole('list', { name: 'Steps' })).toContainText('k = k₁·k₂');
});

test('conventions say what they would change, are saved with the comparison and can be one’s own default', async ({ bench }) => {
  await bench.page.getByRole('button', { name: /^Conventions:/ }).click();
  const across = bench.panel.getByRole('radio', { name: /^Diagonal/ });
  await expect(bench.panel).toContainText('Changes nothing here.');
  // APS-C, 23.5 × 15.6, delivered 16:9: 36/23.5 = 1.53 delivered, 43.267/28.206 = 1.53 by diagonal; equivalents 53.6 and 53.7.
  await expect(bench.panel).toContainText(`B: Equivalent 53.6${thin}mm → 53.7${thin}mm`);
  await across.check();
  await expect(bench.figure('Equivalent', 'B')).toHaveText('53.7mm');
  await expect(bench.page.getByRole('button', { name: /^Conventions:.*crop by bare diagonals/ })).toBeVisible();
  await bench.panel.getByRole('button', { name: 'Use these for new comparisons' }).click();
  await expect(bench.saving).toHaveText(/^Saved/);
  await bench.page.reload();
  await expect(bench.figure('Equivalent', 'B')).toHaveText('53.7mm');
  await bench.startNew();
  await expect(bench.page.getByRole('button', { name: /^Conventions:.*crop by bare diagonals/ })).toBeVisible();
});

test('a circle by pixels and one by the eye come with their sizes', async ({ bench }) => {
  await bench.page.getByRole('button', { name: /^Conventions:/ }).click();
  await bench.panel.getByRole('radio', { name: /^Delivered pixels/ }).check();
  await bench.panel.getByLabel('Pixels across the circle').fill('3');
  await bench.showTopic('Focus, depth');
  // 3 of 3840 pixels on 36 mm: 0.0281 mm.
  await expect(bench.figure('Circle', 'A')).toHaveText('0.0281mm');
  await bench.panel.getByLabel('Pixels across the circle').fill('0');
  await expect(bench.panel.getByRole('alert')).toHaveText(/outside 0\.1 px to 1000 px/);
  await bench.panel.getByLabel('Pixels across the circle').press('Escape');
  await bench.panel.getByRole('radio', { name: /^Eye and distance/ }).check();
  // 36 mm · 2500 · tan(1′) / 1200 = 0.0218 mm.
  await expect(bench.figure('Circle', 'A')).toHaveText('0.0218mm');
});

test('what is known of a lens goes before the plain lens, and what it has not is said', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'More of rig A' }).click();
  const field = (label: string) => bench.panel.getByLabel(label, { exact: true });
  await field('Zoom range').fill('24-70');
  await field('Widest aperture').fill('2.8-4');
  await field('Nearest focus').fill('38 cm');
  await field('Largest ratio').fill('1:3.3');
  await bench.type('70', 'Focal length', 'A');
  await expect(bench.rig('A').getByRole('button', { name: /what to know: The lens opens to ƒ4 at most at 70 mm/ })).toBeVisible();
  await expect(bench.figure('Light as set', 'A')).toHaveText('ƒ4.0');
  await bench.showTopic('Focus, depth');
  await expect(bench.figure('Nearest focus', 'A')).toHaveText('38.0cm');
  await bench.type('38 cm', 'To the subject');
  await expect(bench.figure('Ratio', 'A')).toHaveText('0.30×');
  await bench.type('37 cm', 'To the subject');
  await expect(bench.rig('A').getByText('Too close to focus')).toBeVisible();
  await field('Close-up lens').fill('+3');
  await expect(bench.rig('A').getByText('Too close to focus')).toHaveCount(0);
  await field('Zoom range').fill('70-24');
  await expect(bench.panel.getByRole('alert')).toHaveText(/runs backwards/);
});

test('light tells the filter, the sensitivity and the flicker', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'Place, light' }).click();
  // 25 fps at 180° is 1/50 s; ƒ2.8 at ISO 800: log2(2.8²·50·100/800) = 5.61, and 0.04 for focusing at 2.5 m; EV 12 leaves 6.3 stops: a filter of six.
  await bench.panel.getByLabel('Brightness').fill('EV 12');
  await bench.panel.getByRole('button', { name: 'Go to more of rig A' }).click();
  await bench.panel.getByLabel('Sensitivity', { exact: true }).fill('ISO 800');
  await bench.showTopic('Light, motion');
  await expect(bench.figure('Exposure time', 'A')).toHaveText('1/50s');
  await expect(bench.figure('Light left over', 'A')).toHaveText('+6.3st');
  await expect(bench.figure('Filter to offer', 'A')).toHaveText('+6.0st');
  await bench.panel.getByLabel('Fixed filter').fill('ND64');
  await expect(bench.figure('Light left over', 'A')).toHaveText('+0.3st');
  await bench.panel.getByRole('button', { name: 'Go to place and light' }).click();
  await bench.panel.getByLabel('Timeline').fill('24');
  await expect(bench.figure('Without flicker', 'A')).toHaveText('172.8°');
  await bench.page.keyboard.press('Escape');
  await bench
    .rig('A')
    .getByRole('button', { name: /what to know/ })
    .click();
  await expect(bench.panel).toContainText('Set the shutter to 172.8°');
});

test('asked backwards, each rig answers what to set or what stops it', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'Place, light' }).click();
  await bench.panel.getByLabel('Camera not farther').fill('1.6');
  await bench.page.getByRole('button', { name: 'Find', exact: true }).click();
  await bench.panel.getByLabel('Fills the picture').fill('1m');
  // Full frame 35 mm at 16:9: m = 20.25/1000, D = 35·(1.02025)²/0.02025 = 1.799 m, beyond the room; there s = 1564.2, m = 0.022888 and 20.25/m = 884.8 mm.
  await expect(bench.panel).toContainText(
    '1.6 m is as far as the room goes; there it frames 88.48 cm, not 1 m upright, which wants 1.799 m.',
  );
  await expect(bench.panel).toContainText('The room is too short by 19.91 cm');
  await bench.panel.getByLabel('Fills the picture').fill('80cm');
  await bench.panel.getByRole('button', { name: 'Set it on rig A' }).click();
  await expect(bench.page.getByRole('button', { name: /^Rig A Field at subject 1\.42/ })).toBeVisible();
  await bench.page.keyboard.press('Control+z');
  await expect(bench.field('To the subject')).toHaveValue(`2.5${thin}m`);
  await bench.panel.getByRole('combobox').first().click();
  await bench.page.getByRole('option', { name: 'Sharp from here to there' }).click();
  await bench.panel.getByLabel('Sharp from').fill('2m');
  await bench.panel.getByLabel('Sharp to').fill('3m');
  await bench.panel.getByRole('button', { name: 'Set it on rig B' }).click();
  await expect(bench.figure('From', 'B')).toHaveText('2.00m');
  await expect(bench.figure('To', 'B')).toHaveText('3.00m');
  // Beyond what is behind, which then goes along.
  await bench.panel.getByLabel('Sharp to').fill('20m');
  await bench.panel.getByLabel('Sharp from').fill('6m');
  await bench.panel.getByRole('button', { name: 'Set it on rig B' }).click();
  await expect(bench.figure('From', 'B')).toHaveText('6.00m');
  await expect(bench.page.getByRole('alert')).toHaveCount(0);
  await bench.panel.getByLabel('Sharp to').fill('1m');
  await expect(bench.panel.getByRole('alert')).toHaveText('The sharp zone ends before it begins.');
});

test('sentences speak the person’s unit', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'Show feet and inches' }).click();
  await bench.type('3"', 'To the subject');
  await expect(bench.rig('A').getByText(/3″ is nearer than this lens can focus; its limit is 5\.51″/)).toBeVisible();
});

test('no panel keeps anyone out, in the light page and the dark one', async ({ bench }) => {
  for (const name of [/^Rig A From/, /^More of rig A/, /^Place, light/, /^Find$/, /^Hold/, /^Conventions:/]) {
    await bench.page.getByRole('button', { name }).click();
    await expect(bench.panel).toBeVisible();
    await expectNobodyKeptOut(bench.page, '[role=dialog]');
    await bench.page.keyboard.press('Escape');
  }
});

test('panels fit a phone', async ({ bench }) => {
  await bench.page.setViewportSize({ width: 360, height: 740 });
  for (const name of [/^Rig A From/, /^More of rig A/, /^Place, light/, /^Find$/, /^Hold/, /^Conventions:/]) {
    await bench.page.getByRole('button', { name }).click();
    expect(await bench.page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
    expect(await bench.panel.evaluate((panel) => panel.querySelector('div:last-child')!.scrollWidth <= panel.clientWidth)).toBe(true);
    await bench.page.keyboard.press('Escape');
  }
});
