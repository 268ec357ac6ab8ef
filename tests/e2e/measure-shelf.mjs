// Measures the Shelf in Chromium with 5 000 things on it, and the chain of a rig in the browser's core.
import { chromium } from '@playwright/test';

const address = process.argv[2];
const things = 5000;
const median = (values, share = 0.5) => [...values].sort((a, b) => a - b)[Math.floor(values.length * share)];
const say = (values) => `median ${median(values).toFixed(0)} ms, 95th ${median(values, 0.95).toFixed(0)} ms`;

// Lenses of four mounts, told apart by every number that a search looks at.
const mounts = ['K-bay', 'K-bay S', 'Thole', 'Sill'];
const header = 'Name,Maker,Mount,Focal length (mm),Long end (mm),Widest aperture,Weight (g),Made for,Price';
const rows = Array.from({ length: things - 149 }, (_, i) => {
  const from = 8 + ((i * 37) % 290);
  const to = i % 3 === 0 ? from * 2 : '';
  return `Measured ${i},Tallow ${i % 40},${mounts[i % 4]},${from},${to},${(1.2 + (i % 17) / 4).toFixed(2)},${90 + ((i * 13) % 1400)},${i % 2 ? 'Full frame' : 'APS-C'},${50 + (i % 900)}`;
});
const began = performance.now();
const brought = await fetch(`${address}/api/shelf/import?file=lenses.csv&write=true`, {
  method: 'POST',
  headers: { 'Content-Type': 'text/csv' },
  body: [header, ...rows].join('\n'),
});
const { added, written } = await brought.json();
console.log(
  `  ${added} lenses brought in from a table and ${written ? 'written' : 'not written'} in ${((performance.now() - began) / 1000).toFixed(1)} s`,
);

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${address}/work?kind=comparison`);
await page.waitForSelector('li');
await page.waitForTimeout(1500);

/** In the page: does something, and tells when what is looked for is painted. */
const until = (act, there) =>
  page.evaluate(
    async ([act, there]) => {
      const began = performance.now();
      new Function(`return ${act}`)()();
      const seen = new Function(`return ${there}`)();
      return new Promise((done) => {
        const look = () => (seen() ? requestAnimationFrame(() => setTimeout(() => done(performance.now() - began))) : setTimeout(look, 2));
        look();
      });
    },
    [act.toString(), there.toString()],
  );

const opened = [];
for (let i = 0; i < 12; i++) {
  opened.push(
    await until(
      () => document.querySelector('a[href="/shelf"]').click(),
      () => document.querySelector('ul[aria-label=Gear] li'),
    ),
  );
  await page.getByRole('link', { name: 'Work' }).click();
  await page.waitForSelector('h1:has-text("Work")');
}
console.log(
  `  with ${things} things, from pressing Shelf to its first rows: the first time ${opened[0].toFixed(0)} ms, then ${say(opened.slice(1))} (aim: 300 ms)`,
);

// Each a question not asked before, so that no answer is there already.
await page.goto(`${address}/shelf?kind=lens`);
await page.waitForSelector('ul[aria-label=Gear] li');
const filtered = [];
for (let i = 0; i < 40; i++) {
  const text = `"under ${300 + i} g tallow"`;
  filtered.push(
    await until(
      `() => { const f = document.querySelector('input[type=search]'); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(f, ${text}); f.dispatchEvent(new Event('input', { bubbles: true })); }`,
      `() => document.querySelector('[aria-label="Understood as"]')?.textContent.includes('weighs ${300 + i} g')`,
    ),
  );
}
console.log(`  from typing to the new rows: ${say(filtered)} (aim: 100 ms)`);

const answers = await page.evaluate(async () => {
  const all = [];
  for (let i = 0; i < 60; i++) {
    const began = performance.now();
    await (
      await fetch(`/api/shelf?kind=lens&q=${encodeURIComponent(`fast wide under ${400 + i} g that covers full frame on K-bay`)}`)
    ).json();
    all.push(performance.now() - began);
  }
  return all;
});
console.log(`  the server's answer to a typed question alone: ${say(answers)}`);

const chain = await page.evaluate(async () => {
  const { dotnet } = await import('/_framework/dotnet.js');
  const { getAssemblyExports, getConfig } = await dotnet.create();
  const core = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports;
  const { rigs } = (await (await fetch('/api/comparisons/10f7a7e0-0000-4000-8000-000000000004')).json()).document.setup;
  const request = JSON.stringify({ chain: rigs[0].chain, rig: { ...rigs[0], chain: null }, deliveryAspect: 16 / 9 });
  const all = [];
  for (let i = 0; i < 400; i++) {
    const began = performance.now();
    JSON.parse(core.Assemble(request, false));
    if (i >= 200) all.push(performance.now() - began);
  }
  return all;
});
console.log(
  `  the core in the browser, parts of a rig put together: median ${median(chain).toFixed(1)} ms, 95th ${median(chain, 0.95).toFixed(1)} ms`,
);

const swap = await page.evaluate(async () => {
  const { rigs } = (await (await fetch('/api/comparisons/10f7a7e0-0000-4000-8000-000000000004')).json()).document.setup;
  const all = [];
  for (let i = 0; i < 12; i++) {
    const body = JSON.stringify({
      setup: { chain: rigs[0].chain, deliveryAspect: 16 / 9, rig: { ...rigs[0], chain: null, fNumber: 2.8 + i / 100 } },
      place: 2,
    });
    const began = performance.now();
    await (await fetch('/api/shelf/options', { method: 'POST', body, headers: { 'Content-Type': 'application/json' } })).json();
    all.push(performance.now() - began);
  }
  return all;
});
console.log(`  what fits in place of a lens, ${things} things tried with all ways to join them: ${say(swap)}`);
await browser.close();
