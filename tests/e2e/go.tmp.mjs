import { see, bench, brief, done } from './see.tmp.mjs';
await see('light', bench + '?view=light');
await see('hold', bench + '?view=light', { act: async (p) => { await p.getByRole('button', { name: 'In which order settings give way' }).click(); } });
await see('phone', bench + '?view=light', { w: 390, h: 844, dark: true, act: async (p) => { await p.evaluate(() => document.querySelector('[data-below]').scrollIntoView()); } });
await done();
