import { chromium } from '@playwright/test';
const [out, w = '1280', h = '800', scheme = 'light', ...steps] = process.argv.slice(2);
const b = await chromium.launch({ args: ['--no-sandbox'], executablePath: '/usr/bin/chromium' });
const p = await b.newPage({ viewport: { width: +w, height: +h }, colorScheme: scheme });
p.on('pageerror', (e) => console.log('ERR', e.message));
await p.goto('http://127.0.0.1:5480/brief/10f7a7e0-0000-4000-8000-0000000000a1');
await p.waitForTimeout(2500);
for (const s of steps) {
  const [kind, ...rest] = s.split(':'); const v = rest.join(':');
  if (kind === 'shot') { await p.getByRole('button', { name: new RegExp(`^${v}\\. `) }).click(); await p.waitForTimeout(5000); }
  if (kind === 'go') { await p.goto('http://127.0.0.1:5480' + v); await p.waitForTimeout(4000); }
  if (kind === 'btn') { await p.getByRole('button', { name: new RegExp(v) }).first().click(); await p.waitForTimeout(2500); }
  if (kind === 'wait') await p.waitForTimeout(+v);
  if (kind === 'text') { await p.getByText(new RegExp(v)).first().scrollIntoViewIfNeeded(); await p.waitForTimeout(300); }
  if (kind === 'shotpng') { await p.screenshot({ path: v }); }
}
await p.screenshot({ path: out });
await b.close();
