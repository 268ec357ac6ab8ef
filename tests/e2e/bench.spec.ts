import { readFile } from 'node:fs/promises';
import { expect, test, Bench } from './bench';

test('the address opens the Bench with two demo rigs', async ({ page, server }) => {
  await page.goto(server.address);
  await expect(page.getByLabel('Name of the comparison')).toHaveValue('Sail loft: half the sensor, the same picture');
  const bench = new Bench(page, server.address);
  await expect(bench.rig('A')).toBeVisible();
  await expect(bench.rig('B')).toBeVisible();
  await expect(bench.rig('C')).toHaveCount(0);
  // 36 / 17.3 = 2.081; 25 × 0.71 × 2.081 = 36.9; 1.8 × 0.71 = 1.278.
  await expect(bench.figure('Crop factor', 'B')).toHaveText('2.08×');
  await expect(bench.figure('Equivalent', 'B')).toHaveText('36.9mm');
  await expect(bench.figure('Light as set', 'B')).toHaveText('ƒ1.3');
});

test('every figure follows what is typed, at once', async ({ bench }) => {
  await bench.type('50', 'Focal length', 'A');
  await expect(bench.figure('Equivalent', 'A')).toHaveText('50.0mm');
  await bench.type('f/4', 'Aperture', 'A');
  await expect(bench.figure('Light as set', 'A')).toHaveText('ƒ4.0');
  await bench.type('0.71x', 'Reducer', 'A');
  await expect(bench.figure('On the sensor', 'A')).toHaveText('35.5mm');
  await expect(bench.figure('Light as set', 'A')).toHaveText('ƒ2.8');
  await bench.type('18 x 12', 'Area, mm', 'A');
  await expect(bench.figure('Crop factor', 'A')).toHaveText('2.00×');
  await bench.type('4000x2667', 'Recorded pixels', 'A');
  // 18 mm at 16:9 keeps the full width: 4000 px across, 10.125 of 12 mm up.
  await expect(bench.figure('Used pixels', 'A')).toHaveText('4000×2250');
  await bench.type('2x', 'Squeeze', 'B');
  await expect(bench.figure('On the sensor', 'B')).toHaveText('17.5/35.0mm');
  await bench.type('2', 'Punch-in', 'B');
  await bench.type('2.39', 'Delivered shape');
  await expect(bench.figure('Used area', 'A')).toHaveText('18.0×7.5mm');
  await bench.showTopic('Crop, pixels');
  await expect(bench.figure('Bare, by diagonal', 'B')).toHaveText('3.07×');
});

test('the format picker sets the area', async ({ bench }) => {
  await bench.rig('B').getByRole('combobox').click();
  await bench.page.getByRole('option', { name: 'Four Thirds type' }).click();
  await expect(bench.field('Area, mm', 'B')).toHaveValue('17.3×13');
  await bench.type('17.3 x 12.9', 'Area, mm', 'B');
  await expect(bench.rig('B').getByRole('combobox')).toHaveText('Own size');
});

test('distances are read as people write them', async ({ bench }) => {
  for (const [text, shown] of [
    [`10'6"`, '3.2 m'],
    ['320 cm', '3.2 m'],
    ['3m', '3 m'],
    ['0,5', '50 cm'],
  ] as const) {
    await bench.type(text, 'To the subject');
    await bench.field('To the subject').press('Enter');
    await expect(bench.field('To the subject')).toHaveValue(shown.replace(' ', '\u2009'));
  }
  await bench.type('inf', 'To what is behind');
  await bench.showTopic('Focus, depth');
  await expect(bench.figure('Field behind', 'A')).toHaveText('∞');
  await bench.page.getByRole('button', { name: 'Show feet and inches' }).click();
  await bench.type('10', 'To the subject');
  await bench.field('To the subject').press('Tab');
  await expect(bench.field('To the subject')).toHaveValue('10′');
});

test('the frame is drawn in true perspective', async ({ bench }) => {
  // Full frame, 50 mm: D = 2101.25 → s = 2050, m = 1/40, field 16:9 is 20.25·40 = 810 mm high. 1750/810 = 2.160 frames.
  await bench.type('50', 'Focal length', 'A');
  await bench.type('2101.25 mm', 'To the subject');
  await bench.type('2050 mm', 'To what is behind');
  const frame = bench.rig('A').getByRole('img', { name: /^Frame/ });
  await expect(frame).toHaveAccessibleName(/216 per cent/);
  const sizes = await frame.evaluate((svg) => {
    const heights = [...svg.querySelectorAll('g[aria-hidden]')].map((g) => g.getBoundingClientRect().height);
    return { heights, height: svg.getBoundingClientRect().height };
  });
  const [behind, subject] = sizes.heights.map((h) => h / sizes.height) as [number, number];
  expect(subject).toBeGreaterThan(2.1);
  expect(subject).toBeLessThan(2.22);
  // The background is twice as far from the lens: half the size.
  expect(behind / subject).toBeCloseTo(0.5, 2);
});

test('a focal length that is none is refused beside the field and changes nothing', async ({ bench }) => {
  const before = await bench.figure('Equivalent', 'A').textContent();
  const field = bench.field('Focal length', 'A');
  for (const text of ['abc', '', '0', '-3', '1e308', 'NaN', '1,000', '9'.repeat(80)]) {
    await field.fill(text);
    await expect(bench.rig('A').getByRole('alert')).toHaveText(/Type|Leave/);
    await expect(field).toHaveAttribute('aria-invalid', 'true');
    await expect(bench.figure('Equivalent', 'A')).toHaveText(before!);
    await field.press('Escape');
    await expect(bench.rig('A').getByRole('alert')).toHaveCount(0);
    await expect(field).toHaveValue('35\u2009mm');
  }
});

test('a subject too close keeps the last good picture and says the limit and the mend', async ({ bench }) => {
  await bench.type('200 mm', 'Focal length', 'B');
  await expect(bench.figure('Field at subject', 'B')).not.toHaveText('—');
  await bench.type('70 cm', 'To the subject');
  await expect(bench.rig('B').getByText('Too close to focus')).toBeVisible();
  await expect(bench.page.getByRole('region', { name: /^Scene/ }).getByRole('alert')).toHaveText(/70 cm is nearer .* 80 cm/);
  await expect(bench.rig('B').locator('g[aria-hidden]')).toHaveCount(2);
  await expect(bench.figure('Field at subject', 'A')).not.toHaveText('—');
  await expect(bench.saving).toHaveText(/^Saved/);
  await bench.type('80 cm', 'To the subject');
  await expect(bench.rig('B').getByText('Too close to focus')).toHaveCount(0);
});

test('fields that contradict each other are told beside them until either is mended', async ({ bench }) => {
  const before = await bench.figure('Blur behind', 'A').textContent();
  const mend = await bench.contradict();
  await expect(bench.figure('Blur behind', 'A')).toHaveText(before!);
  await expect(bench.saving).toHaveText('Not saved: mend the marked field');
  await mend();
  await expect(bench.page.getByRole('alert')).toHaveCount(0);
  await expect(bench.saving).toHaveText(/^Saved/);
});

test('what is behind is told from the subject and stays there when the camera moves, with its distance from the camera beside', async ({
  bench,
}) => {
  await bench.type('1m', 'To what is behind');
  await bench.type('90 cm', 'To the subject');
  await expect(bench.field('To what is behind')).toHaveValue('1\u2009m');
  await expect(bench.scene.getByText('1.90\u2009m from camera')).toBeVisible();
  await bench.do('B', 'Stand at its own distance');
  await bench.type('3m', 'To the subject');
  await expect(bench.field('Stands at', 'B')).toHaveValue('90\u2009cm');
});

test('arrow keys step by what means something', async ({ bench }) => {
  await bench.field('Aperture', 'A').press('ArrowUp');
  await expect(bench.field('Aperture', 'A')).toHaveValue('ƒ3.2');
  await bench.field('Aperture', 'A').press('Shift+ArrowDown');
  await expect(bench.field('Aperture', 'A')).toHaveValue('ƒ2.8');
  await bench.field('To the subject').press('ArrowUp');
  await expect(bench.field('To the subject')).toHaveValue('2.6\u2009m');
});

test('camera, subject and background move by keys', async ({ bench }) => {
  await bench.handle('Camera').focus();
  await bench.page.keyboard.press('ArrowRight');
  await expect(bench.field('To the subject')).toHaveValue('2.4\u2009m');
  await expect(bench.field('To what is behind')).toHaveValue('2.5\u2009m');
  await bench.page.keyboard.press('Shift+ArrowLeft');
  await expect(bench.field('To the subject')).toHaveValue('3.4\u2009m');
  await bench.handle('Subject').press('ArrowRight');
  await expect(bench.field('To the subject')).toHaveValue('3.5\u2009m');
  await expect(bench.field('To what is behind')).toHaveValue('2.4\u2009m');
  await bench.handle('What is behind').press('ArrowLeft');
  await expect(bench.field('To what is behind')).toHaveValue('2.3\u2009m');
  await expect(bench.handle('Subject')).toHaveAttribute('aria-valuetext', '3.50\u2009m');
});

test('a hand drags the subject, and nothing passes through the wall', async ({ bench }) => {
  const before = await bench.figure('Field at subject', 'A').textContent();
  const box = (await bench.handle('Subject').boundingBox())!;
  const { x, y } = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await bench.page.mouse.move(x, y);
  await bench.page.mouse.down();
  await bench.page.mouse.move(x + 60, y, { steps: 6 });
  await expect(bench.figure('Field at subject', 'A')).not.toHaveText(before!);
  const field = bench.field('To the subject');
  expect(parseFloat(await field.inputValue())).toBeGreaterThan(2.5);
  await bench.page.mouse.move(x + 900, y, { steps: 4 });
  await expect(field).toHaveValue('5\u2009m');
  await bench.page.mouse.up();
  await expect(bench.page.getByRole('alert')).toHaveCount(0);
});

test('a hand drags the camera back, and the subject stays before its wall', async ({ bench }) => {
  const box = (await bench.handle('Camera').boundingBox())!;
  await bench.page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await bench.page.mouse.down();
  await bench.page.mouse.move(box.x + box.width / 2 - 80, box.y + box.height / 2, { steps: 5 });
  await bench.page.mouse.up();
  const subject = parseFloat(await bench.field('To the subject').inputValue());
  const behind = parseFloat(await bench.field('To what is behind').inputValue());
  expect(subject).toBeGreaterThan(2.7);
  expect(behind).toBeCloseTo(2.5, 3);
});

test('undo and redo, a drag being one step', async ({ bench }) => {
  await bench.type('85', 'Focal length', 'A');
  await bench.page.waitForTimeout(1000);
  await bench.handle('Camera').focus();
  await bench.page.keyboard.press('ArrowLeft');
  await bench.page.keyboard.press('ArrowLeft');
  await expect(bench.field('To the subject')).toHaveValue('2.7\u2009m');
  await bench.page.keyboard.press('Control+z');
  await expect(bench.field('To the subject')).toHaveValue('2.5\u2009m');
  await bench.page.getByRole('button', { name: 'Undo' }).click();
  await expect(bench.field('Focal length', 'A')).toHaveValue('35\u2009mm');
  await expect(bench.page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await bench.page.keyboard.press('Control+Shift+z');
  await expect(bench.field('Focal length', 'A')).toHaveValue('85\u2009mm');
});

test('the yardstick can be the other rig', async ({ bench }) => {
  // 23.5 against 36 mm wide: 35 mm is 53.6 mm; +53 % seen from A, −35 % seen from B.
  await expect(bench.figure('Equivalent', 'difference')).toHaveText('+53%');
  await bench.page.getByRole('button', { name: 'Make rig B the yardstick' }).click();
  await expect(bench.figure('Equivalent', 'difference')).toHaveText('−35%');
});

test('the keys are listed under ?', async ({ bench }) => {
  await bench.page.keyboard.press('?');
  await expect(bench.page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await bench.page.keyboard.press('Escape');
  await bench.page.keyboard.press('u');
  await expect(bench.field('To the subject')).toHaveValue(/′/);
});

test('rigs are put beside each other, moved, taken away and made into a row, each one step of undo', async ({ bench }) => {
  const letters = bench.page.getByRole('region', { name: /^Rig [A-H]$/ });
  const focal = (letter: string) => bench.field('Focal length', letter);
  await bench.type('85', 'Focal length', 'B');
  await bench.do('B', 'Put one like it beside it');
  await expect(letters).toHaveCount(3);
  await expect(focal('C')).toHaveValue('85\u2009mm');
  await bench.do('A', 'Move right');
  await expect(focal('B')).toHaveValue('35\u2009mm');
  // The yardstick went along with its rig.
  await expect(bench.page.getByRole('button', { name: 'Rig B is the yardstick' })).toBeVisible();
  await bench.do('A', 'Remove');
  await expect(letters).toHaveCount(2);
  await bench.do('A', 'Make a row of focal lengths');
  await bench.panel.getByLabel('Focal lengths, mm').fill('18 25 abc');
  await expect(bench.panel.getByText(/^“abc”/)).toBeVisible();
  await expect(bench.panel.getByRole('button', { name: 'Make the row' })).toBeDisabled();
  await bench.panel.getByLabel('Focal lengths, mm').fill('18, 25, 40 60 90 150mm');
  await bench.panel.getByRole('button', { name: 'Make the row' }).click();
  await expect(letters).toHaveCount(6);
  await expect(focal('F')).toHaveValue('150\u2009mm');
  // Every rig has its column of figures and its sharp zone.
  await expect(bench.page.locator('tr[data-row="Equivalent"] td:not(.difference)')).toHaveCount(6);
  await bench.page.keyboard.press('Control+z');
  await expect(letters).toHaveCount(2);
  await bench.page.keyboard.press('Control+z');
  await expect(letters).toHaveCount(3);
});

test('rigs are sorted by a row, and the figures are taken out as they are shown', async ({ bench }) => {
  await bench.type('85', 'Focal length', 'A');
  const head = bench.page.getByRole('rowheader', { name: 'Field at subject' });
  // 85 mm sees least, and stands first already: so the other way round, with the yardstick along.
  await head.click();
  await expect(bench.field('Focal length', 'B')).toHaveValue('85\u2009mm');
  await expect(bench.page.getByRole('button', { name: 'Rig B is the yardstick' })).toBeVisible();
  await head.click();
  await expect(bench.field('Focal length', 'A')).toHaveValue('85\u2009mm');
  await head.click();
  await expect(bench.field('Focal length', 'B')).toHaveValue('85\u2009mm');
  await bench.page.getByRole('button', { name: 'Take figures and frames out' }).click();
  const download = bench.page.waitForEvent('download');
  await bench.page.getByRole('menuitem', { name: 'Save the figures as CSV' }).click();
  const text = await readFile(await (await download).path(), 'utf8');
  expect(text).toContain('"Essentials","A ');
  expect(text).toMatch(/"Equivalent","[^"]+","[^"]*","85\.0\s?mm"/);
});

test('the ground line turns to the view from above, stays so, and is moved there as well', async ({ bench }) => {
  const ground = bench.page.getByRole('region', { name: 'Ground line' });
  const turn = ground.getByRole('button', { name: 'from the side' });
  await turn.click();
  await bench.page.reload();
  await expect(ground.getByRole('button', { name: 'from above' })).toHaveAttribute('aria-pressed', 'true');
  await bench.handle('Subject').press('ArrowRight');
  await expect(bench.field('To the subject')).toHaveValue('2.6\u2009m');
  // Seen from above, the edges are those of the field across: at the subject they are as far apart as it is wide.
  const edge = await ground
    .locator('line[data-edge="A1"]')
    .first()
    .evaluate((line) => ['x2', 'y2'].map((name) => Number(line.getAttribute(name))));
  const slope = Math.abs(edge[1]! / edge[0]!);
  const wide = Number((await bench.figure('Field at subject', 'A').textContent())!.replace(/[^\d.]/g, ''));
  expect(slope * 2 * 2.6).toBeCloseTo(wide, 1);
});

test('a rig that is looked at closely may be undone, and rigs are not sorted by figures of others', async ({ bench }) => {
  await bench.do('B', 'Put one like it beside it');
  await bench.page.getByRole('button', { name: 'Look closer at rig C' }).click();
  await expect(bench.panel).toBeVisible();
  await bench.page.keyboard.press('Control+z');
  await expect(bench.panel).toHaveCount(0);
  await expect(bench.rig('B')).toBeVisible();
  // Refused: two fields contradict each other. The figures stay those of two rigs, while three are asked for.
  const mend = await bench.contradict();
  await bench.do('B', 'Put one like it beside it');
  await bench.page.getByRole('rowheader', { name: 'Field at subject' }).click();
  await mend();
  await expect(bench.page.getByRole('region', { name: /^Rig [A-H]$/ })).toHaveCount(3);
});

test('a rig is dragged to another place in the row, and the sensors of all lie in one drawing', async ({ bench }) => {
  await bench.type('85', 'Focal length', 'A');
  await bench
    .rig('A')
    .getByRole('img', { name: 'Rig A', exact: true })
    .dragTo(bench.rig('B').getByRole('img', { name: 'Rig B', exact: true }));
  await expect(bench.field('Focal length', 'B')).toHaveValue('85\u2009mm');
  await bench.page.getByRole('button', { name: 'Look closer at rig B' }).click();
  await bench.page.getByRole('button', { name: 'Sensors' }).click();
  const drawing = bench.page.getByRole('img', { name: 'Sensors of all rigs, to one scale' });
  // The larger one, drawn first, is as much wider than the other as the figures say.
  const widths = await drawing
    .locator('rect[stroke-width="3"]')
    .evaluateAll((rects) => rects.map((rect) => Number(rect.getAttribute('width'))));
  expect(widths).toHaveLength(2);
  expect(widths[0]! / widths[1]!).toBeCloseTo(36 / 23.5, 2);
});

test('rows of one’s own stand together, stay after a reload, and go out as they are shown', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'Take figures and frames out' }).click();
  await bench.page.getByRole('menuitem', { name: 'Choose rows of your own' }).click();
  await bench.panel.getByRole('checkbox', { name: 'Crop factor', exact: true }).check();
  await bench.panel.getByRole('checkbox', { name: /^Hyperfocal/ }).check();
  const rows = bench.page.locator('tr[data-row]');
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(rows).toHaveCount(2);
  await bench.page.reload();
  await expect(rows).toHaveCount(2);
  const saving = bench.page.waitForEvent('download');
  await bench.page.getByRole('button', { name: 'Take figures and frames out' }).click();
  await bench.page.getByRole('menuitem', { name: 'Save the figures as CSV' }).click();
  expect((await saving).suggestedFilename()).toContain('My rows');
  await bench.showTopic('Essentials');
  await expect(rows).not.toHaveCount(2);
});
