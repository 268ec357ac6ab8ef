import { chromium } from '@playwright/test';
export const address = 'http://127.0.0.1:5999';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
export const bench = '/bench/2cc906b6-2ce9-4160-98cf-cf72ffd824bc', brief = '/brief/57564f6d-4e52-4d66-862b-1cf5d00844fa';
export async function see(name, path, { w = 1280, h = 800, dark = false, act, wait = 3500 } = {}) {
  const page = await browser.newPage({ viewport: { width: w, height: h }, colorScheme: dark ? 'dark' : 'light' });
  page.setDefaultTimeout(8000);
  page.on('pageerror', (e) => console.log('PAGEERROR', e.stack.slice(0, 900)));
  await page.addInitScript(() => localStorage.setItem('juxtopsis.tour', 'done'));
  await page.goto(address + path);
  await page.waitForTimeout(wait);
  try { if (act) { await act(page); await page.waitForTimeout(1200); } } catch (e) { console.log(name, String(e).slice(0, 400)); }
  console.log(name, await page.evaluate(() => ({ sx: document.documentElement.scrollWidth, cw: document.documentElement.clientWidth, sh: document.documentElement.scrollHeight })));
  await page.screenshot({ path: `/tmp/see-${name}.png` });
  await page.close();
}
export const done = () => browser.close();
