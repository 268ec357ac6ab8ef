// Measures rendered frames in Chromium: coarse pictures while the camera is dragged, the finest at rest, and whether figures wait for them.
import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';

const address = process.argv[2];
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
const median = (values, share = 0.5) => [...values].sort((a, b) => a - b)[Math.floor(values.length * share)] ?? NaN;

/** Watches every frame, and the figures in sight after each move of the hand. */
function watch() {
  window.seen = { pictures: 0, painted: [], work: [] };
  let from = 0;
  addEventListener('pointermove', () => (from = performance.now()), true);
  for (const canvas of document.querySelectorAll('canvas')) {
    new MutationObserver(() => (window.seen.pictures += 1)).observe(canvas, { attributes: true, attributeFilter: ['data-samples'] });
  }
  new MutationObserver(() => {
    if (from === 0) return;
    const began = from;
    from = 0;
    window.seen.work.push(performance.now() - began);
    const channel = new MessageChannel();
    channel.port1.onmessage = () => window.seen.painted.push(performance.now() - began);
    requestAnimationFrame(() => channel.port2.postMessage(0));
  }).observe(document.querySelector('section[aria-label="Rig A"]'), { subtree: true, characterData: true, childList: true });
}

/** Drags the camera for some seconds; with pictures, or without any for comparison. */
async function measure(count, withPictures) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  if (!withPictures) await page.addInitScript(() => delete window.Worker);
  const id = randomUUID();
  const rigs = [18, 25, 40, 60, 90, 150].slice(0, count).map((focalLengthMm) => ({
    id: `r${focalLengthMm}`,
    name: `${focalLengthMm} mm`,
    sensorWidthMm: 36,
    sensorHeightMm: 24,
    focalLengthMm,
    fNumber: 2.8,
  }));
  const setup = { scene: { subjectDistanceMm: 2500, backgroundDistanceMm: 5000, deliveryAspect: 16 / 9 }, rigs };
  await page.request.put(`${address}/api/comparisons/${id}`, {
    headers: { 'If-None-Match': '*' },
    data: { name: 'Measured', document: { schemaVersion: 5, note: '', setup } },
  });
  await page.goto(`${address}/bench/${id}`);
  const finest = (n) => [...document.querySelectorAll('canvas')].filter((c) => Number(c.dataset.samples) >= 64).length === n;
  if (withPictures) await page.waitForFunction(finest, count, { timeout: 120_000 });
  else await page.waitForTimeout(4000);
  await page.evaluate(watch);
  const box = await page.getByRole('slider', { name: /^Camera/ }).boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const began = Date.now();
  for (let i = 0; Date.now() - began < 5000; i++) {
    await page.mouse.move(x + 40 * Math.sin(i / 11), y);
  }
  const seconds = (Date.now() - began) / 1000;
  await page.mouse.up();
  const seen = await page.evaluate(() => window.seen);
  const rest = Date.now();
  if (withPictures) await page.waitForFunction(finest, count, { timeout: 120_000 });
  const refined = Date.now() - rest;
  const canvas = await page.evaluate(
    () =>
      [...document.querySelectorAll('canvas')].map((c) => ({
        width: c.width,
        height: c.height,
        drawCalls: Number(c.dataset.drawCalls),
      }))[0],
  );
  await page.close();
  return { ...seen, seconds, refined, canvas };
}

for (const count of [1, 2, 4, 6]) {
  const drawn = await measure(count, false);
  const { pictures, painted, work, seconds, refined, canvas } = await measure(count, true);
  console.log(
    `  ${count} rig${count > 1 ? 's' : ''}, frames of ${canvas.width} × ${canvas.height}: ${(pictures / seconds).toFixed(1)} coarse pictures a second in all while dragging; ` +
      `64 views of all ${refined} ms after the hand rests; ${canvas.drawCalls} draw calls for 64 views`,
  );
  console.log(
    `    figures meanwhile: in the page after ${median(work).toFixed(1)} ms, painted after ${median(painted).toFixed(1)} ms median, ${median(painted, 0.95).toFixed(1)} ms 95th (aim: median 16 ms); ` +
      `${(median(painted) / median(drawn.painted)).toFixed(2)} times what it is with drawn frames (${median(drawn.painted).toFixed(1)} ms)`,
  );
}
await browser.close();
