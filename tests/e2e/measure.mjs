// Measures the page in Chromium: what is downloaded, when it can be used, and how long a drag takes to reach the figures.
import { chromium } from '@playwright/test';

const address = process.argv[2];
const demo = `${address}/bench/10f7a7e0-0000-4000-8000-000000000001`;
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking'],
});
const median = (values, share = 0.5) => [...values].sort((a, b) => a - b)[Math.floor(values.length * share)];
const kB = (bytes) => `${(bytes / 1000).toFixed(0)} kB`;

const opened = [];
const sizes = { script: 0, core: 0, fonts: 0, all: 0 };
for (let i = 0; i < 5; i++) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  if (i === 0) {
    const session = await context.newCDPSession(page);
    const urls = new Map();
    await session.send('Network.enable');
    session.on('Network.responseReceived', (e) => urls.set(e.requestId, new URL(e.response.url).pathname));
    session.on('Network.loadingFinished', (e) => {
      const path = urls.get(e.requestId) ?? '';
      sizes.all += e.encodedDataLength;
      if (path.startsWith('/_framework/')) sizes.core += e.encodedDataLength;
      else if (path.endsWith('.js')) sizes.script += e.encodedDataLength;
      else if (path.endsWith('.woff2')) sizes.fonts += e.encodedDataLength;
    });
  }
  await page.goto(demo, { waitUntil: 'commit' });
  const at = await page.evaluate(
    () =>
      new Promise((done) => {
        const look = () =>
          document.querySelector('tr[data-row]') ? requestAnimationFrame(() => done(performance.now())) : setTimeout(look, 4);
        look();
      }),
  );
  opened.push(at);
  await page.waitForTimeout(500);
  await context.close();
}
console.log(
  `  first download: ${kB(sizes.all)} in all; JavaScript before WebAssembly ${kB(sizes.script)} (aim: under 350 kB), core ${kB(sizes.core)}, fonts ${kB(sizes.fonts)}`,
);
console.log(`  usable after ${median(opened).toFixed(0)} ms, empty cache, median of 5 (aim: 2500 ms)`);

/** Watches, in the page, how long it takes from each move of the hand to the change it makes, and to the frame that shows it. */
function watch(selector) {
  window.drag = { work: [], painted: [] };
  let from = 0;
  addEventListener('pointermove', () => (from = performance.now()), true);
  new MutationObserver(() => {
    if (from === 0) return;
    const began = from;
    from = 0;
    window.drag.work.push(performance.now() - began);
    const channel = new MessageChannel();
    channel.port1.onmessage = () => window.drag.painted.push(performance.now() - began);
    requestAnimationFrame(() => channel.port2.postMessage(0));
  }).observe(document.querySelector(selector), { subtree: true, characterData: true, childList: true });
}

async function drag(page, x, y, isUpright = false) {
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 0; i < 300; i++) {
    const by = 60 * Math.sin(i / 11);
    await page.mouse.move(x + (isUpright ? 0 : by), y + (isUpright ? by : 0));
  }
  await page.mouse.up();
  return page.evaluate(() => window.drag);
}

// The floor: a page of one line that changes one number a move, on the same machine in the same minute.
const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await bare.setContent('<p>0</p>');
await bare.evaluate(() => {
  const text = document.querySelector('p').firstChild;
  let moves = 0;
  addEventListener('pointermove', () => (text.data = String((moves += 1))));
});
await bare.evaluate(watch, 'p');
const floor = await drag(bare, 400, 400);
await bare.close();

const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(demo);
await page.waitForSelector('tr[data-row]');
await page.waitForTimeout(1000);
await page.evaluate(watch, 'table');
const box = await page.getByRole('slider', { name: /^Subject/ }).boundingBox();
const { work, painted } = await drag(page, box.x + box.width / 2, box.y + box.height / 2);
const say = (values) => `median ${median(values).toFixed(1)} ms, 95th ${median(values, 0.95).toFixed(1)} ms`;
console.log(`  a drag, from the hand's event to the new figures in the page: ${say(work)} (${work.length} moves)`);
console.log(`  a drag, from the hand's event to the painted frame: ${say(painted)} (aim: median 16 ms)`);
console.log(
  `  the same of a page with one changing number: ${say(floor.painted)}; ours is ${(median(painted) / median(floor.painted)).toFixed(2)} times that`,
);

// The shutter of six rigs on their ladders: it moves a step of every one of them.
const six = await browser.newPage({ viewport: { width: 1440, height: 900 } });
await six.goto(`${demo}?view=light`);
await six.waitForSelector('tr[data-row]');
for (let i = 0; i < 4; i++) {
  await six.getByRole('button', { name: 'Do with rig A' }).click();
  await six.getByRole('menuitem', { name: 'Put one like it beside it' }).click();
}
await six.waitForTimeout(1500);
await six.evaluate(watch, '[aria-label=Light]');
const shutter = six.getByRole('slider', { name: 'Shutter of rig A' });
await shutter.scrollIntoViewIfNeeded();
const rung = await shutter.boundingBox();
const ladder = await drag(six, rung.x + rung.width / 2, rung.y + rung.height / 2, true);
console.log(
  `  a drag of the shutter on the ladders of six rigs, to the painted frame: ${say(ladder.painted)} (${ladder.painted.length} steps; aim: median 16 ms)`,
);
await six.getByRole('button', { name: 'Undo' }).click();
for (let i = 0; i < 4; i++) await six.keyboard.press('Control+z');
await six.waitForTimeout(1000);
await six.close();

const calls = await page
  .evaluate(async () => {
    const path = '/_framework/dotnet.js';
    const { dotnet } = await import(path);
    const { getAssemblyExports, getConfig } = await dotnet.create();
    const core = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports;
    const id = location.pathname.split('/').at(-1);
    const setup = (await (await fetch(`/api/comparisons/${id}`)).json()).document.setup;
    const again = setup.rigs.map((rig, i) => ({ ...rig, id: window.crypto.randomUUID(), focalLengthMm: rig.focalLengthMm + i + 2 }));
    const four = { ...setup, rigs: [...setup.rigs, ...again] };
    four.rigs[3].lens = { minimumFocusDistanceMm: 250, maximumMagnification: 0.15 };
    const times = (what, warm, count) => {
      const all = [];
      for (let i = 0; i < warm + count; i++) {
        const began = performance.now();
        what();
        if (i >= warm) all.push(performance.now() - began);
      }
      return all;
    };
    // A question that is refused is answered quickly.
    if (core.Evaluate(JSON.stringify(four))[0] !== 0) throw new Error('four rigs are refused');
    const figure = { setup: four, rig: 1, figure: 'depthOfFieldFarMm' };
    return {
      two: times(() => core.Evaluate(JSON.stringify(setup)), 400, 400),
      four: times(() => core.Evaluate(JSON.stringify(four)), 400, 400),
      words: times(() => JSON.parse(core.Words(JSON.stringify(four), false)), 200, 200),
      working: times(() => JSON.parse(core.Working(JSON.stringify(figure), false)), 200, 200),
      conventions: times(() => JSON.parse(core.Conventions(JSON.stringify(four), false)), 40, 40),
    };
  })
  .catch((error) => console.log(`  the core was not measured: ${error}`));
for (const [name, what] of [
  ['two', 'two rigs with all figures'],
  ['four', 'four rigs with all figures (aim: median under 6 ms)'],
  ['words', 'the sentences of four rigs'],
  ['working', 'the working of one figure among four rigs'],
  ['conventions', 'all conventions with what each would change, four rigs'],
]) {
  console.log(`  the core in the browser, ${what}: ${say(calls[name])}`);
}
await browser.close();
