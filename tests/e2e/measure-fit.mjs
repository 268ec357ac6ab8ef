// Measures what fits, in the browser's core: 200 lenses, 40 modes and all adapters of the demo, for each shot of the demo production; and a drag on the Brief.
import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import { largeShelf, lensesWanted, median, ms } from './large-shelf.mjs';

const address = process.argv[2];
const { file, modes, adapters } = await largeShelf(address);
const [{ id }] = await (await fetch(`${address}/api/productions`)).json();
const { document } = await (await fetch(`${address}/api/productions/${id}`)).json();
const requests = document.shots.map((shot) => ({
  location: document.locations.find((p) => p.id === shot.locationId),
  shot,
  delivery: document.delivery,
  most: 40,
}));
const day = { locations: document.locations, shots: document.shots, delivery: document.delivery };

// For the day's filters: 40 filters and 20 rings of the usual threads, and every place in full sun.
const threads = [49, 52, 55, 58, 62, 67, 72, 77, 82];
const filterOf = (i) => {
  const [threadMm, stops] = [threads[(4 * i) % threads.length], 1 + (i % 10)];
  const kind = i % 5 === 0 ? { effect: 'variable', stopsMost: stops + 3, thicknessMm: 8 } : { effect: 'neutralDensity', thicknessMm: 4 };
  return {
    kind: 'filter',
    id: randomUUID(),
    name: `ND ${stops}, ${threadMm} mm, ${i}`,
    stops,
    threadMm,
    frontThreadMm: threadMm,
    weightG: 40 + i,
    ...kind,
  };
};
const ringOf = (i) => {
  const [threadMm, frontThreadMm] = [threads[i % threads.length], threads[(i + 1 + (i % 4)) % threads.length]];
  return {
    kind: 'stepRing',
    id: randomUUID(),
    name: `Ring ${threadMm} to ${frontThreadMm}, ${i}`,
    threadMm,
    frontThreadMm,
    thicknessMm: 3,
    weightG: 20 + i,
  };
};
const filters = { filters: Array.from({ length: 40 }, (_, i) => filterOf(i)), rings: Array.from({ length: 20 }, (_, i) => ringOf(i)) };
const inTheSun = document.locations.map((place) => ({ ...place, brightnessEv: 15, levels: [] }));
const filterFile = JSON.stringify({ ...JSON.parse(file), items: [...JSON.parse(file).items, ...filters.filters, ...filters.rings] });

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
const page = await browser.newPage();
await page.goto(`${address}/health`);
const measured = await page.evaluate(
  async ({ file, requests, day, filterFile, inTheSun }) => {
    const { dotnet } = await import('/_framework/dotnet.js');
    const { getAssemblyExports, getConfig } = await dotnet.create();
    const door = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports;
    const took = (act) => {
      const began = performance.now();
      act();
      return performance.now() - began;
    };
    const opening = took(() => {
      door.FitRead(file);
      door.FitOpen();
    });
    const preparing = took(() => {
      while (door.FitPrepare(50) < 1);
    });
    const ask = (request) => {
      let answer = '';
      const asking = took(() => door.FitAsk(JSON.stringify(request), false));
      const searching = took(() => door.FitStep(1e9));
      const answering = took(() => (answer = JSON.parse(door.FitAnswer(false))));
      return { asking, searching, answering, looked: answer.looked, fits: answer.fitCount };
    };
    requests.forEach(ask);
    const warm = [1, 2, 3].flatMap(() => requests.map(ask));
    const whole = took(() => {
      door.DayAsk(JSON.stringify(day), false);
      while (door.DayStep(1e9) < 1);
      JSON.parse(door.DayAnswer(false));
    });
    // Each shot with its best rig; of shots that nothing gives, with that of the shot before.
    let chosen = null;
    const shots = requests.map(({ shot, delivery }) => {
      const lit = { ...shot, levelId: null };
      door.FitAsk(JSON.stringify({ location: inTheSun.find((p) => p.id === shot.locationId), shot: lit, delivery, most: 1 }), false);
      door.FitStep(1e9);
      const rig = JSON.parse(door.FitAnswer(false)).fits.find((fit) => fit.rig.lens !== fit.rig.body)?.rig;
      chosen = rig ? { body: rig.body, mode: rig.mode, lens: rig.lens, links: rig.links, front: rig.front, punchIn: rig.punchIn } : chosen;
      return { ...lit, chosen };
    });
    door.FitRead(filterFile);
    door.FitOpen();
    const filterDay = JSON.stringify({ locations: inTheSun, shots, delivery: day.delivery });
    let served = null;
    const filterTimes = Array.from({ length: 6 }, () => took(() => (served = JSON.parse(door.FilterDay(filterDay, false)))));
    return { opening, preparing, warm, whole, filterTimes, served };
  },
  { file, requests, day, filterFile, inTheSun },
);

// In the page, with the demo's own shelf: the first answer, and a hand that moves the subject.
await page.setViewportSize({ width: 1280, height: 800 });
await page.goto('about:blank');
const opened = performance.now();
await page.goto(`${address}/brief/${id}`);
await page.waitForSelector('section[aria-label="What fits"] li', { timeout: 60_000 });
const first = performance.now() - opened;
await page.waitForTimeout(10_000);
await page.getByRole('button', { name: /^5\. / }).click();
await page.waitForTimeout(1500);
const box = await page.getByRole('slider', { name: 'Subject, from what is behind it' }).boundingBox();
const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
await page.evaluate(() => {
  const frames = [];
  const answers = [];
  let last = performance.now();
  const frame = () => {
    const now = performance.now();
    frames.push(now - last);
    last = now;
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
  const list = document.querySelector('section[aria-label="What fits"]');
  new MutationObserver(() => answers.push(performance.now())).observe(list, { subtree: true, childList: true, characterData: true });
  Object.assign(window, { measured: { frames, answers } });
});
await page.mouse.move(x, y);
await page.mouse.down();
for (let i = 0; i < 80; i++) {
  await page.mouse.move(x + (i % 40 < 20 ? i % 20 : 20 - (i % 20)), y);
  await page.waitForTimeout(16);
}
await page.mouse.up();
const { frames, answers } = await page.evaluate(() => window.measured);
const gaps = answers.slice(1).map((at, i) => at - answers[i]);
await browser.close();

const { opening, preparing, warm, whole, filterTimes, served } = measured;
console.log(`  ${lensesWanted} lenses, ${modes} modes, ${adapters} adapters: ${warm[0].looked} settings of rigs for each shot`);
console.log(`  the shelf is read in ${opening.toFixed(0)} ms and put together in ${preparing.toFixed(0)} ms, once`);
console.log(`  a shot is asked and all rigs are looked through: ${ms(warm.map((w) => w.asking + w.searching))} (aim: 150 ms)`);
console.log(`  the answer is made, told and read: ${ms(warm.map((w) => w.answering))}`);
console.log(`  together: ${ms(warm.map((w) => w.asking + w.searching + w.answering))}`);
console.log(`  the fewest things for ${day.shots.length} shots: ${whole.toFixed(0)} ms`);
const kit = served.kits[0];
console.log(
  `  the filters of the day, ${day.shots.length} shots, 40 filters, 20 rings: first ${filterTimes[0].toFixed(0)} ms, then ${ms(filterTimes.slice(1))} (aim: 200 ms); ${kit?.shots.length} shots take ${kit?.filters.length} filters and ${kit?.rings.length} rings, ${served.isProven ? 'proven' : 'not proven'}, ${served.impossible.length} impossible, ${served.withoutRig.length} without a rig`,
);
console.log(`  in the page: from opening to the first answer ${(first / 1000).toFixed(1)} s (core, shelf and all rigs put together)`);
console.log(
  `  a drag of the subject: a frame every ${median(frames).toFixed(0)} ms, 95th ${median(frames, 0.95).toFixed(0)} ms; the list anew every ${median(gaps).toFixed(0)} ms, 95th ${median(gaps, 0.95).toFixed(0)} ms`,
);
