// Makes the demo's frozen sheet anew: freezes the demo's frames on a server that runs with the demo data, and takes what was frozen out to
// src/Juxtopsis.Data/Demo/sheet/. Usage: node tests/e2e/demo-sheet.mjs http://127.0.0.1:5480
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';

const base = process.argv[2] ?? 'http://127.0.0.1:5480';
const production = '10f7a7e0-0000-4000-8000-0000000000a1';
const sheet = '10f7a7e0-0000-4000-8000-00000000a701';
const folder = new URL('../../src/Juxtopsis.Data/Demo/sheet/', import.meta.url);

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(() => window.localStorage.setItem('juxtopsis.tour', 'done'));
await page.goto(`${base}/brief/${production}/sheets?sheet=${sheet}`);
await page.getByText('from 52.5').first().waitFor({ timeout: 60_000 });
const [put] = await Promise.all([
  page.waitForRequest((request) => request.method() === 'PUT' && /\/api\/sheets\/[0-9a-f-]+$/.test(request.url()), { timeout: 120_000 }),
  page.getByRole('button', { name: 'Freeze' }).click(),
]);
await page.getByRole('button', { name: 'Make a link' }).waitFor({ timeout: 120_000 });
const frozen = put.postDataJSON();
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
for (const { id } of frozen.shots.flatMap((shot) => shot.options)) {
  const response = await fetch(`${put.url()}/pictures/${id}`);
  writeFileSync(new URL(`${id}.jpg`, folder), Buffer.from(await response.arrayBuffer()));
}
writeFileSync(new URL('frozen.json', folder), `${JSON.stringify(frozen, null, 1)}\n`);
await fetch(put.url(), { method: 'DELETE' });
await browser.close();
