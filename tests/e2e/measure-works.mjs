// Measures lists of saved work: 2 000 comparisons, listed and found by typing; and the Brief where the shelf has 5 000 things.
import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';

const address = process.argv[2];
const wanted = 2000;
const median = (values, share = 0.5) => [...values].sort((a, b) => a - b)[Math.floor(values.length * share)];
const ms = (value) => `${value.toFixed(0)} ms`;
const pause = (time) => new Promise((done) => setTimeout(done, time));

const [{ id }] = await (await fetch(`${address}/api/comparisons`)).json();
const { document } = await (await fetch(`${address}/api/comparisons/${id}`)).json();
const words = ['keel', 'hull', 'tide', 'slip', 'mast', 'loft', 'weir', 'bank'];
for (let i = 0; i < wanted;) {
  const batch = await Promise.all(
    Array.from({ length: 20 }, (_, k) =>
      fetch(`${address}/api/comparisons/${randomUUID()}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json', 'If-None-Match': '*' },
        body: JSON.stringify({ name: `${words[(i + k) % 8]} ${words[Math.floor((i + k) / 8) % 8]} ${i + k}`, document }),
      }),
    ),
  );
  i += batch.filter((answer) => answer.ok).length;
  if (batch.some((answer) => answer.status === 429)) await pause(500);
}

async function took(path) {
  const times = [];
  for (let i = 0; i < 30; i++) {
    const began = performance.now();
    await (await fetch(address + path)).text();
    times.push(performance.now() - began);
  }
  return `median ${ms(median(times))}, 95th ${ms(median(times, 0.95))}`;
}

console.log(`  ${wanted} comparisons: the first hundred listed, from asking to the whole answer: ${await took('/api/comparisons')}`);
console.log(`  the last hundred of them: ${await took(`/api/comparisons?skip=${wanted - 100}`)}`);
console.log(
  `  found by two words: ${await took('/api/comparisons?search=keel+weir')}; by one that none has: ${await took('/api/comparisons?search=nothing')}`,
);

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${address}/work?kind=comparison`);
const field = page.getByLabel('Find by name or note');
await page.getByRole('listitem').first().waitFor();
const typed = [];
for (const word of words) {
  for (const letter of [1, 2, 3, 4]) {
    const began = performance.now();
    const answered = page.waitForResponse((response) => response.url().includes(`search=${word.slice(0, letter)}`));
    await field.fill(word.slice(0, letter));
    await answered;
    await page.waitForFunction(
      (text) => [...globalThis.document.querySelectorAll('main li')].slice(0, 3).every((row) => row.textContent.includes(text)),
      letter === 4 ? word : '',
      { polling: 'raf' },
    );
    typed.push(performance.now() - began);
  }
  await field.fill('');
}
console.log(`  from a typed letter to its rows in the page: median ${ms(median(typed))}, 95th ${ms(median(typed, 0.95))}`);
await page.close();

const { onShelf } = await (await fetch(`${address}/api/shelf?take=1`)).json();
const [production] = await (await fetch(`${address}/api/productions`)).json();
const opened = [];
for (let i = 0; i < 4; i++) {
  const brief = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const began = performance.now();
  await brief.goto(`${address}/brief/${production.id}`);
  await brief
    .getByRole('button', { name: /to the Bench/ })
    .first()
    .waitFor({ timeout: 120_000 });
  opened.push(performance.now() - began);
  await brief.close();
}
console.log(
  `  ${onShelf} things on the Shelf: from opening the Brief to its first answer: first ${ms(opened[0])}, then median ${ms(median(opened.slice(1)))}`,
);
await browser.close();
