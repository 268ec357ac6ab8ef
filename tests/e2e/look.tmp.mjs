import { chromium } from '@playwright/test';
const [, , address] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('console', (m) => m.type() === 'error' && console.log('console', m.text()));
page.on('pageerror', (e) => console.log('PAGEERROR', e.stack));
const shot = async (path, name, wait = 3500) => {
  await page.goto(`${address}${path}`);
  await page.waitForTimeout(wait);
  await page.screenshot({ path: `/tmp/${name}.png` });
};
const id = (n) => `/bench/10f7a7e0-0000-4000-8000-00000000000${n}`;
await shot(id(4), 'b1', 6000);
await page
  .getByRole('button', { name: /^Parts of rig A|Do with rig A/ })
  .first()
  .click();
await page
  .getByRole('menuitem', { name: /^Parts, and|More of this/ })
  .click({ timeout: 2000 })
  .catch(() => {});
await page.waitForTimeout(2500);
await page.screenshot({ path: '/tmp/b2.png' });
await page.setViewportSize({ width: 1720, height: 960 });
await page.waitForTimeout(3500);
await page.screenshot({ path: '/tmp/b3.png' });
await page.setViewportSize({ width: 1440, height: 900 });
await shot('/brief', 'p1', 6000);
await page.setViewportSize({ width: 390, height: 844 });
await shot(id(4), 'b4', 4000);
await browser.close();
