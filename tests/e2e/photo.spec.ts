import { expect, test, type Bench } from './bench';

/** EXIF of a still: 28 mm as on 36 × 24, taken at 52.1° north and 4.3° east. */
function exif(): Buffer {
  const tiff = Buffer.alloc(180);
  const entry = (at: number, tag: number, type: number, count: number, value: number) => {
    tiff.writeUInt16BE(tag, at);
    tiff.writeUInt16BE(type, at + 2);
    tiff.writeUInt32BE(count, at + 4);
    // Short values and letters lie at the left of their four bytes.
    tiff.writeUInt32BE(type === 3 ? value * 0x10000 : type === 2 ? value * 0x1000000 : value, at + 8);
  };
  const degrees = (at: number, whole: number, minutes: number) =>
    [whole, 1, minutes, 1, 0, 1].forEach((n, i) => tiff.writeUInt32BE(n, at + 4 * i));
  tiff.write('MM\0*', 0, 'latin1');
  tiff.writeUInt32BE(8, 4);
  tiff.writeUInt16BE(2, 8);
  entry(10, 0x8769, 4, 1, 40);
  entry(22, 0x8825, 4, 1, 60);
  tiff.writeUInt16BE(1, 40);
  entry(42, 0xa405, 3, 1, 28);
  tiff.writeUInt16BE(4, 60);
  entry(62, 1, 2, 2, 'N'.charCodeAt(0));
  entry(74, 2, 5, 3, 120);
  entry(86, 3, 2, 2, 'E'.charCodeAt(0));
  entry(98, 4, 5, 3, 150);
  degrees(120, 52, 6);
  degrees(150, 4, 18);
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  const head = Buffer.alloc(4);
  head.writeUInt16BE(0xffe1, 0);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([head, body]);
}

/** A still in four upright stripes: dark, red, blue, dark. */
async function still(bench: Bench): Promise<Buffer> {
  const jpeg = Buffer.from(
    await bench.page.evaluate(() => {
      const canvas = document.createElement('canvas');
      Object.assign(canvas, { width: 1600, height: 900 });
      const context = canvas.getContext('2d')!;
      ['#111111', '#cc2222', '#2222cc', '#111111'].forEach((colour, i) => {
        context.fillStyle = colour;
        context.fillRect(400 * i, 0, 400, 900);
      });
      return canvas.toDataURL('image/jpeg', 0.9).split(',')[1]!;
    }),
    'base64',
  );
  return Buffer.concat([jpeg.subarray(0, 2), exif(), jpeg.subarray(2)]);
}

/** The colour of a frame's picture at a share of its width, halfway up. */
const colourAt = (bench: Bench, rig: number, share: number) =>
  bench.page.evaluate(
    ([index, x]) => {
      const canvas = document.querySelector<HTMLCanvasElement>(`main canvas[data-rig="${index}"]`)!;
      return [...canvas.getContext('2d')!.getImageData(Math.floor(canvas.width * x!), canvas.height / 2, 1, 1).data];
    },
    [rig, share],
  );

test('a still becomes the place: every rig is cut from it, and a wider one says so', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'Place, light' }).click();
  await bench.panel
    .getByLabel('A still of the place')
    .setInputFiles({ name: 'scout.jpg', mimeType: 'image/jpeg', buffer: await still(bench) });
  await expect(bench.panel.getByRole('status')).toHaveText('The file tells 28 mm, as on 36 × 24.');
  await expect(bench.panel.getByLabel('Its focal length')).toHaveValue('28\u2009mm');
  await expect(bench.panel.getByAltText(/^The photograph/)).toBeVisible();

  // Nothing of the file but its picture was stored, and the location only stays when it is asked for.
  const address = (await bench.panel.getByAltText(/^The photograph/).getAttribute('src'))!;
  const stored = await (await bench.page.request.get(bench.address + address)).body();
  expect(stored.includes('Exif')).toBe(false);
  expect(stored.subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
  await bench.panel.getByRole('button', { name: 'Keep the location' }).click();
  await expect(bench.panel.getByText('Taken at 52.10000°, 4.30000°.')).toBeVisible();
  await bench.panel.getByRole('button', { name: 'Forget it' }).click();
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();

  // A sees little more than half of 28 mm with 56: from its left edge to its right, red and then blue.
  await bench.type('56', 'Focal length', 'A');
  await expect.poll(async () => (await colourAt(bench, 0, 0.1))[0]).toBeGreaterThan(150);
  await expect.poll(async () => (await colourAt(bench, 0, 0.9))[2]).toBeGreaterThan(150);
  await expect(bench.rig('A').getByText(/wider than the photograph/)).toHaveCount(0);
  // With 14 mm it sees the stripes in its middle, and the rest is not known.
  await bench.type('14', 'Focal length', 'A');
  await expect(bench.rig('A').getByText(/^\d+ % wider than the photograph$/)).toBeVisible();
  await expect.poll(async () => (await colourAt(bench, 0, 0.4))[0]).toBeGreaterThan(150);
  await expect.poll(async () => (await colourAt(bench, 0, 0.1))[0]).toBeGreaterThan(90);
  // From elsewhere there is no such photograph.
  await bench.do('B', 'Stand at its own distance');
  await bench.field('Stands at', 'B').fill('4m');
  await expect(bench.rig('B').getByText(/^The photograph was taken from elsewhere/)).toBeVisible();
  // It is stored with the comparison.
  await expect(bench.saving).toHaveText(/^Saved/);
  await bench.page.reload();
  await expect(bench.rig('A').getByText(/wider than the photograph/)).toBeVisible();
});

test('what is no picture is refused in words, and one that is deleted is missed in words', async ({ bench }) => {
  await bench.page.getByRole('button', { name: 'Place, light' }).click();
  const input = bench.panel.getByLabel('A still of the place');
  await input.setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('<svg onload=alert(1)>') });
  await expect(bench.panel.getByRole('status')).toHaveText('This browser cannot read the file as a picture. Save it as JPEG or PNG.');
  await input.setInputFiles({ name: 'scout.jpg', mimeType: 'image/jpeg', buffer: await still(bench) });
  await expect(bench.panel.getByLabel('Its focal length')).toBeVisible();
  await bench.panel.getByLabel('Taken with').click();
  await bench.page.getByRole('option', { name: /^Rig A/ }).click();
  await expect(bench.panel.getByLabel('Its sensor, mm')).toHaveValue('36×24');
  await bench.panel.getByRole('button', { name: 'Delete it' }).click();
  await expect(bench.panel.getByRole('status')).toHaveText(/^The photograph is deleted\./);
  // Undone, the scene names it again; the page says that it is gone.
  await bench.panel.getByRole('button', { name: 'Close', exact: true }).click();
  await bench.page.keyboard.press('Control+z');
  await expect(bench.saving).toHaveText(/^Saved/);
  await bench.page.reload();
  await expect(bench.rig('A').getByText(/^The photograph cannot be loaded/)).toBeVisible();
  await bench.page.getByRole('button', { name: 'Place, light' }).click();
  await bench.panel.getByRole('button', { name: 'Bring the photograph back' }).click();
  await expect(bench.panel.getByRole('status')).toHaveText('The photograph is back.');
  await bench.page.reload();
  await expect(bench.rig('A').getByText(/^The photograph cannot be loaded/)).toHaveCount(0);
});
