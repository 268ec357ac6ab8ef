// Measures bags in the browser's core, on the demo's shelf and day: what three bags weigh, cost and reach, what one does, and the front of the best on several axes.
import { chromium } from '@playwright/test';
import { ms } from './large-shelf.mjs';

const address = process.argv[2];
const get = async (path) => (await fetch(`${address}/api/${path}`)).json();
const file = JSON.stringify(await get('shelf/export.json'));
const { document } = await get('productions/10f7a7e0-0000-4000-8000-0000000000a1');
const { locations, shots, delivery, bags } = document;
const axes = [
  ['lenses', 'weight'],
  ['undone', 'lenses'],
  ['undone', 'weight'],
  ['things', 'price'],
  ['weight', 'hire'],
  ['weight', 'price'],
  ['changes', 'things'],
  ['changes', 'weight'],
];

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
const page = await browser.newPage();
await page.goto(`${address}/health`);
const told = await page.evaluate(
  async ({ file, axes, locations, shots, delivery, bags }) => {
    const { dotnet } = await import('/_framework/dotnet.js');
    const { getAssemblyExports, getConfig } = await dotnet.create();
    const door = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports;
    door.FitRead(file);
    door.FitOpen();
    while (door.FitPrepare(50) < 1);
    const timed = (work) => {
      const began = performance.now();
      const answer = work();
      return { ms: performance.now() - began, answer };
    };
    const three = () => timed(() => JSON.parse(door.Bags(JSON.stringify({ bags, delivery }), false))).ms;
    const day = () =>
      timed(() => {
        door.BagDayAsk(JSON.stringify({ bag: bags[0], locations, shots, delivery }), false);
        while (door.BagDayStep(24) < 1);
        return door.BagDayAnswer(false);
      }).ms;
    const front = ([one, other]) =>
      timed(() => {
        door.FrontAsk(JSON.stringify({ locations, shots, delivery, one, other }), false);
        while (door.FrontStep(24) < 1);
        return JSON.parse(door.FrontAnswer(false));
      });
    const first = front(axes[0]);
    const fronts = axes.map((pair) => {
      const { ms, answer } = front(pair);
      return { pair, ms, points: answer.points.length, proven: answer.points.every((p) => p.isProven) && !answer.isCut };
    });
    three();
    day();
    return { three: [1, 2, 3, 4, 5].map(three), day: [1, 2, 3, 4, 5].map(day), first: first.ms, fronts };
  },
  { file, axes, locations, shots, delivery, bags },
);
await browser.close();
const ofServer = [];
for (const [one, other] of [axes[0], ...axes]) {
  const began = performance.now();
  await fetch(`${address}/api/bags/front`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ locations, shots, delivery, one, other }),
  }).then((answer) => answer.json());
  ofServer.push(performance.now() - began);
}
console.log(`  three bags: weight, cost, reach, holes and what fills them: ${ms(told.three)}`);
console.log(`  what one bag does in a day of ${shots.length} shots: ${ms(told.day)}`);
console.log(`  the front of lenses and weight, the first time (the shots are asked): ${told.first.toFixed(0)} ms`);
for (const [i, { pair, ms: took, points, proven }] of told.fronts.entries()) {
  console.log(
    `  the front of ${pair.join(' and ')}, shots asked before: ${took.toFixed(0)} ms, ${points} points${proven ? ', proven' : ', NOT proven'}; of the server, shots and all: ${ofServer[i + 1].toFixed(0)} ms`,
  );
}
