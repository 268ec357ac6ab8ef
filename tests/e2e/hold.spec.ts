import { expect, test, type Bench } from './bench';

const thin = '\u2009';

/** Opens what is held and presses some of it. */
async function hold(bench: Bench, ...things: string[]): Promise<void> {
  await bench.page.getByRole('button', { name: 'Hold', exact: true }).click();
  for (const thing of things) {
    await bench.panel.getByRole('checkbox', { name: thing }).check();
  }
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
}

const bar = (bench: Bench) => bench.page.getByRole('region', { name: 'What is held' });

test('with framing, blur and light held, a longer lens moves back, and says what gave', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'More of rig A' }).click();
  await bench.panel.getByLabel('Sensitivity', { exact: true }).fill('800');
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
  const before = {
    field: await bench.figure('Field at subject', 'A').textContent(),
    blur: await bench.figure('Blur behind', 'A').textContent(),
  };
  await hold(bench, 'Framing', 'Blur behind', 'Light');
  await expect(bar(bench)).toContainText('framing, blur, light');
  await bench.type('85', 'Focal length', 'A');
  await expect(bench.field('Stands at', 'A')).not.toHaveValue('');
  await expect(bench.figure('Field at subject', 'A')).toHaveText(before.field!);
  await expect(bench.figure('Blur behind', 'A')).toHaveText(before.blur!);
  await expect(bar(bench)).toContainText(/2\.5 m → .* m\. What is behind looks .*× as large beside the subject\. .* ISO 800 → /);
  // Each camera stands where it is, and is moved there.
  const own = bench.page.getByRole('slider', { name: 'Camera of rig A: distance to the subject' });
  await expect(own).toBeVisible();
  await expect(bench.handle('Camera').last()).toBeVisible();
  // One change, one step back: distance, aperture and sensitivity as well.
  await bench.page.keyboard.press('Control+z');
  await expect(bench.field('Focal length', 'A')).toHaveValue(`35${thin}mm`);
  await expect(own).toHaveCount(0);
  // The place let go of and held again: with both, a hand that moves the focal length itself wins.
  await hold(bench, 'Place');
  await bench.type('50', 'Focal length', 'A');
  await expect(bar(bench)).toContainText('The framing gave');
  await bar(bench).getByRole('button', { name: 'Let go' }).click();
  await bench.type('60', 'Focal length', 'A');
  await expect(bar(bench)).toHaveCount(0);
});

test('a hand that comes back where it began leaves everything as it was', async ({ bench }) => {
  await hold(bench, 'Framing');
  await bench.page.getByRole('button', { name: 'Place, light' }).click();
  await bench.panel.getByLabel('Camera not farther').fill('3m');
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
  const before = await bench.figure('Field at subject', 'A').textContent();
  const focal = bench.field('Focal length', 'A');
  // Far past what the room allows, and back, without a pause.
  for (const mm of ['60', '300', '900', '35']) {
    await focal.fill(mm);
  }
  await expect(bench.figure('Field at subject', 'A')).toHaveText(before!);
  await expect(bar(bench)).not.toContainText('as far as the room goes');
  await bench.page.waitForTimeout(1000);
  await focal.fill('300');
  await expect(bar(bench)).toContainText('3 m is as far as the room goes');
});

test('all are brought to the yardstick, and where they are alike the others follow the one that is changed', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'Hold', exact: true }).click();
  await bench.panel.getByRole('checkbox', { name: 'Framing' }).check();
  await bench.panel.getByRole('checkbox', { name: 'Place' }).check();
  await bench.panel.getByRole('checkbox', { name: 'Blur behind' }).check();
  await bench.panel.getByRole('switch', { name: /^All rigs alike/ }).check();
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(bench.figure('Field at subject', 'difference')).toHaveText(/^[+−]?0\.0%$/);
  await expect(bench.figure('Blur behind', 'difference')).toHaveText(/^[+−]?0\.0%$/);
  await bench.type('4', 'Aperture', 'A');
  await expect(bench.figure('Blur behind', 'difference')).toHaveText(/^[+−]?0\.0%$/);
  await bar(bench).getByRole('button', { name: 'Let go' }).click();
  // One rig alone, by moving.
  await bench.type('50', 'Focal length', 'B');
  await bench.do('B', 'Give it the yardstick’s framing, by moving');
  await expect(bench.figure('Field at subject', 'difference')).toHaveText(/^[+−]?0\.0%$/);
  await expect(bench.field('Stands at', 'B')).not.toHaveValue('');
  await bench.do('B', 'Stand where the scene says');
  await expect(bench.field('Stands at', 'B')).toHaveCount(0);
});

test('a row at one framing on two bodies, each from where it must stand', async ({ bench }) => {
  await bench.do('A', 'Make a row of focal lengths');
  await bench.panel.getByLabel('Focal lengths, mm').fill('25 50 100');
  await bench.panel.getByRole('checkbox', { name: /^B/ }).check();
  await bench.panel.getByLabel('Seen from').click();
  await bench.page.getByRole('option', { name: /^where each frames/ }).click();
  await bench.panel.getByRole('button', { name: 'Make the row' }).click();
  const heights = bench.page.locator('tr[data-row="Field at subject"] td:not(.difference)');
  await expect(heights).toHaveCount(6);
  expect(new Set(await heights.allTextContents()).size).toBe(1);
  const distances = await bench.page.locator('tr[data-row="Camera to subject"] td:not(.difference)').allTextContents();
  expect(new Set(distances).size).toBe(6);
  await expect(bench.page.getByRole('slider', { name: /^Camera of rig/ })).toHaveCount(6);
});

test('microphone and room stand on the ground line; a field’s edge is pulled to zoom', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'Place, light' }).click();
  await bench.panel.getByLabel('Microphone').fill('70cm');
  await bench.panel.getByLabel('Camera not farther').fill('4m');
  await bench.panel.getByLabel('Camera not nearer').fill('1m');
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
  const slider = (name: RegExp) => bench.page.getByRole('slider', { name });
  await slider(/^Microphone/).press('ArrowLeft');
  await expect(slider(/^Microphone/)).toHaveAttribute('aria-valuenow', '800');
  await slider(/^End of the room/).press('ArrowRight');
  await expect(slider(/^End of the room/)).toHaveAttribute('aria-valuenow', '3900');
  await slider(/^Nearest that the camera/).press('ArrowLeft');
  await expect(slider(/^Nearest that the camera/)).toHaveAttribute('aria-valuenow', '1100');
  await bench.showTopic('Focus, depth');
  await expect(bench.figure('Microphone', 'B')).toHaveText('80.0cm');
  // Pulled outwards at a third of the way to the wall: a wider field wants a shorter lens.
  const edge = bench.page.locator('line[data-edge="B1"]');
  await edge.scrollIntoViewIfNeeded();
  const [x, y] = await edge.evaluate((line: SVGLineElement) => {
    const at = line.getPointAtLength(0.2 * line.getTotalLength()).matrixTransform(line.getScreenCTM()!);
    return [at.x, at.y] as const;
  });
  const before = parseFloat(await bench.field('Focal length', 'B').inputValue());
  await expect(bench.page.locator('.MuiBackdrop-root')).toHaveCount(0);
  await bench.page.mouse.move(x, y);
  await bench.page.mouse.down();
  await bench.page.mouse.move(x, y + 12, { steps: 3 });
  await bench.page.mouse.up();
  expect(parseFloat(await bench.field('Focal length', 'B').inputValue())).toBeLessThan(before);
});
