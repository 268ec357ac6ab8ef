// Measures the search for a look in the browser's core, on 200 lenses, 40 modes and all adapters of the demo; cameras that cut together; and a letter typed on the page.
import { chromium } from '@playwright/test';
import { largeShelf, lensesWanted, ms } from './large-shelf.mjs';

const address = process.argv[2];
const { file, modes, adapters } = await largeShelf(address);
const looks = [
  [36, 24, 50, 0.95, 1800, 6000],
  [44, 33, 110, 2, 2000, 9000],
  [36, 24, 85, 1.4, 2200, 3900],
  [24.9, 18.7, 32, 2, 3000, 8000],
].map(([sensorWidthMm, sensorHeightMm, focalLengthMm, fNumber, subjectDistanceMm, backgroundDistanceMm]) => ({
  setup: {
    scene: { subjectDistanceMm, backgroundDistanceMm, deliveryAspect: 16 / 9, deliveryWidthPx: 3840 },
    rigs: [{ id: 'r1', sensorWidthMm, sensorHeightMm, focalLengthMm, fNumber }],
  },
  most: 40,
}));
const free = looks.map((look) => ({ ...look, aspects: { distance: { weight: 1 } } }));

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
const page = await browser.newPage();
await page.goto(`${address}/health`);
const { pinned, moving, cuts } = await page.evaluate(
  async ({ file, looks, free }) => {
    const { dotnet } = await import('/_framework/dotnet.js');
    const { getAssemblyExports, getConfig } = await dotnet.create();
    const door = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports;
    door.FitRead(file);
    door.FitOpen();
    while (door.FitPrepare(50) < 1);
    const ask = (request) => {
      const began = performance.now();
      door.LookAsk(JSON.stringify(request), false);
      while (door.LookStep(24) < 0.5);
      JSON.parse(door.LookAnswer(false));
      const first = performance.now() - began;
      while (door.LookStep(24) < 1);
      const answer = JSON.parse(door.LookAnswer(false));
      return { first, all: performance.now() - began, looked: answer.looked, isProven: answer.isProven };
    };
    const three = (requests) => [1, 2, 3].flatMap(() => requests.map(ask));
    looks.forEach(ask);
    free.forEach(ask);
    const { items } = JSON.parse(file);
    const bodies = items.filter((item) => item.kind === 'body');
    const cut = (count) => {
      const rigs = bodies.slice(0, count).map(({ modes: [mode] }, i) => ({
        id: `r${i + 1}`,
        sensorWidthMm: mode.areaWidthMm,
        sensorHeightMm: mode.areaHeightMm,
        focalLengthMm: 2 * mode.areaHeightMm,
        fNumber: 2.8,
      }));
      const setup = { scene: { subjectDistanceMm: 3000, backgroundDistanceMm: 8000, deliveryAspect: 16 / 9 }, rigs };
      const cameras = rigs.map(({ id }, i) => ({ rig: id, body: bodies[i].id }));
      const began = performance.now();
      const refused = door.CutAsk(JSON.stringify({ setup, cameras }), false);
      while (door.CutStep(20) < 1);
      const answer = JSON.parse(door.CutAnswer(false));
      return {
        count,
        ms: performance.now() - began,
        refused,
        isProven: answer.kept?.isProven,
        say: answer.kept?.say ?? answer.misses[0]?.message,
      };
    };
    return { pinned: three(looks), moving: three(free), cuts: [2, 3, 4, 5].map(cut) };
  },
  { file, looks, free },
);
await browser.close();

console.log(`  ${lensesWanted} lenses, ${modes} modes, ${adapters} adapters: ${pinned[0].looked} settings of rigs for each look`);
for (const [name, runs] of [
  ['the camera stays', pinned],
  ['the camera may move', moving],
]) {
  console.log(`  ${name}: the first answer, told and read: ${ms(runs.map((r) => r.first))} (aim: 150 ms)`);
  console.log(
    `  ${name}: all, proven and told: ${ms(runs.map((r) => r.all))} (aim: 500 ms); ${runs.filter((r) => r.isProven).length} of ${runs.length} proven`,
  );
}
for (const { count, ms: took, isProven, say, refused } of cuts) {
  console.log(
    `  ${count} cameras cut together, both ways: ${took.toFixed(0)} ms, ${isProven ? 'proven' : 'not proven'}. ${refused ?? say}`,
  );
}
