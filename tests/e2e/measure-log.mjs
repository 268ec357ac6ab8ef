// Measures margins and tests in the browser's core, and the log with two thousand takes.
import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import { median, ms } from './large-shelf.mjs';

const address = process.argv[2];
const many = 2000;
const get = async (path) => (await fetch(`${address}${path}`)).json();
const put = async (path, body) => {
  const made = await fetch(`${address}${path}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-None-Match': '*' },
    body: JSON.stringify(body),
  });
  if (!made.ok) throw new Error(`${path}: ${made.status} ${await made.text()}`);
};

const bench = (await get('/api/comparisons/10f7a7e0-0000-4000-8000-000000000001')).document.setup;
const setups = [1, 2, 6].map((n) => ({
  ...bench,
  yardstick: '',
  rigs: Array.from({ length: n }, (_, i) => ({ ...bench.rigs[i % bench.rigs.length], id: `r${i}`, chain: undefined })),
}));
const tests = [2, 9, 200].map((n) => ({
  kind: 'focalLength',
  setup: { usedWidthMm: 36, focalLengthMm: 50 },
  readings: Array.from({ length: n }, (_, i) => {
    const distanceMm = 1000 + 40 * i;
    return { distanceMm, widthMm: (36 * (distanceMm - 100)) / 48.6 + ((i * 7) % 5) - 2 };
  }),
}));

const production = randomUUID();
const demo = await get('/api/productions/10f7a7e0-0000-4000-8000-0000000000a1');
const pattern = (await get('/api/takes?production=10f7a7e0-0000-4000-8000-0000000000a1'))
  .map(({ take }) => take)
  .filter((take) => take.rig);
await put(`/api/productions/${production}`, {
  name: 'A long season',
  document: { ...demo.document, bags: [], sheets: [], chooseFrom: null },
});
for (let i = 0; i < many; i += 20) {
  await Promise.all(
    Array.from({ length: 20 }, (_, j) => {
      const take = pattern[(i + j) % pattern.length];
      const takenAt = new Date(Date.parse('2027-04-19T06:00:00Z') + (i + j) * 60_000).toISOString();
      return put(`/api/takes/${randomUUID()}`, { ...take, productionId: production, takenAt, number: 1 + ((i + j) % 900), photoId: null });
    }),
  );
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
await page.goto(`${address}/api/health`);
const core = await page.evaluate(
  async ({ setups, tests }) => {
    const { dotnet } = await import('/_framework/dotnet.js');
    const { getConfig, getAssemblyExports } = await dotnet.create();
    const door = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports;
    const times = (act) =>
      Array.from({ length: 60 }, () => {
        const began = performance.now();
        act();
        return performance.now() - began;
      }).slice(20);
    return {
      figures: setups.map((setup) => times(() => door.Evaluate(JSON.stringify(setup)))),
      margins: setups.map((setup) => times(() => door.Margins(JSON.stringify(setup)))),
      tests: tests.map((test) => times(() => door.Measure(JSON.stringify(test), false))),
    };
  },
  { setups, tests },
);

await page.addInitScript(() => window.localStorage.setItem('juxtopsis.tour', 'done'));
const opened = performance.now();
await page.goto(`${address}/brief/${production}/log`);
await page
  .getByRole('status')
  .filter({ hasText: `${many} takes` })
  .waitFor({ timeout: 60_000 });
const listed = performance.now() - opened;
await page.waitForTimeout(4000);
const presses = await page.evaluate(async () => {
  const times = [];
  for (let i = 0; i < 12; i++) {
    const began = performance.now();
    [...document.querySelectorAll('button')].find((button) => button.textContent === 'Note a take').click();
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
    times.push(performance.now() - began);
    await new Promise((done) => setTimeout(done, 1500));
  }
  return times.slice(2);
});
const learning = performance.now();
await page.getByRole('button', { name: 'What was used' }).click();
await page
  .getByRole('img', { name: /Rests on/ })
  .first()
  .waitFor({ timeout: 60_000 });
const learnt = performance.now() - learning;
await browser.close();

[1, 2, 6].forEach((n, i) =>
  console.log(
    `  ${n} rigs: all figures ${ms(core.figures[i])}; how far off each may be ${ms(core.margins[i])}, ${(median(core.margins[i]) / median(core.figures[i])).toFixed(1)} times as long`,
  ),
);
[2, 9, 200].forEach((n, i) => console.log(`  a test of ${n} readings: ${ms(core.tests[i])}`));
console.log(
  `  ${many} takes, at 390 px: from opening the log to its list ${(listed / 1000).toFixed(1)} s; a take noted ${ms(presses)}; what was used, drawn ${learnt.toFixed(0)} ms`,
);
