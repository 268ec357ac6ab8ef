// How long sheets take: a frames sheet of 16 shots as PDF, a lens sheet as PDF, typing on a sheet of 200 shots, in Chromium with software rendering.
// Usage: node tests/e2e/measure-sheets.mjs http://127.0.0.1:5480 (a server with the demo data)
import { chromium } from '@playwright/test';

const base = process.argv[2] ?? 'http://127.0.0.1:5480';
const demo = '10f7a7e0-0000-4000-8000-0000000000a1';
const json = async (response) => (await response).json();
const post = (path, body) =>
  json(fetch(base + path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }));
const { document } = await json(fetch(`${base}/api/productions/${demo}`));
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

/** Every shot with the best of what fits, else with what it has. */
const chosen = await Promise.all(
  document.shots.map(async (shot) => {
    if (shot.chosen) return shot.chosen;
    const location = document.locations.find((place) => place.id === shot.locationId);
    const { fits, misses } = await post('/api/fit', { location, shot, delivery: document.delivery, most: 1 });
    const rig = (fits[0] ?? misses[0]?.nearest)?.rig;
    return (
      rig && {
        body: rig.body,
        mode: rig.mode,
        lens: rig.lens,
        links: rig.links,
        front: rig.front,
        punchIn: rig.punchIn,
        name: `${rig.bodyName} + ${rig.lensName}`,
      }
    );
  }),
);

async function production(times, kind) {
  const id = globalThis.crypto.randomUUID();
  const shots = Array.from({ length: times }, (_, i) => ({
    ...document.shots[i % 16],
    id: globalThis.crypto.randomUUID(),
    name: `Take ${i + 1}`,
    chosen: chosen[i % 16] ?? null,
  }));
  const sheets = [{ id: globalThis.crypto.randomUUID(), kind, isLandscape: kind === 'frames' }];
  const made = await fetch(`${base}/api/productions/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-None-Match': '*' },
    body: JSON.stringify({ name: 'Measured', document: { ...document, shots, bags: [], chooseFrom: null, sheets } }),
  });
  if (made.status !== 201) throw new Error(await made.text());
  return id;
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });

async function opened(id) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => window.localStorage.setItem('juxtopsis.tour', 'done'));
  await page.goto(`${base}/brief/${id}/sheets`);
  await page.getByRole('article').first().waitFor({ timeout: 60_000 });
  await page
    .getByText(/being worked out|being put together/)
    .first()
    .waitFor({ state: 'detached', timeout: 120_000 });
  await page.waitForTimeout(6000);
  return page;
}

async function pdf(page) {
  const began = Date.now();
  await Promise.all([page.waitForEvent('download', { timeout: 180_000 }), page.getByRole('button', { name: 'PDF', exact: true }).click()]);
  return Date.now() - began;
}

const made = [];
const frames = await production(16, 'frames');
made.push(frames);
const page = await opened(frames);
const without = await page.getByText('No rig is chosen').count();
console.log(`frames, 16 shots (${16 - without} with pictures): PDF ${await pdf(page)} ms, again ${await pdf(page)} ms`);
await page.close();

const lens = await production(16, 'lens');
made.push(lens);
const lenses = await opened(lens);
console.log(
  `lens sheet, ${await lenses.getByText('Picture and sharp zone, in').count()} rigs: PDF ${await pdf(lenses)} ms, again ${await pdf(lenses)} ms`,
);
await lenses.close();

const many = await production(200, 'frames');
made.push(many);
const long = await opened(many);
const title = long.getByRole('textbox', { name: 'Title of the sheet' });
await title.focus();
const keys = [];
for (const key of 'Two hundred shots') {
  keys.push(
    await long.evaluate(async (letter) => {
      const field = window.document.activeElement;
      const began = performance.now();
      Object.getOwnPropertyDescriptor(window.HTMLTextAreaElement.prototype, 'value').set.call(field, field.value + letter);
      field.dispatchEvent(new window.Event('input', { bubbles: true }));
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
      return performance.now() - began;
    }, key),
  );
  await long.waitForTimeout(120);
}
console.log(
  `typing on a sheet of 200 shots, ${await long.getByRole('article').count()} pages: median ${median(keys).toFixed(0)} ms a letter, longest ${Math.max(...keys).toFixed(0)} ms`,
);
for (const id of made) await fetch(`${base}/api/productions/${id}`, { method: 'DELETE' });
await browser.close();
