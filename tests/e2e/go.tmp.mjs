import { see, done } from './see.tmp.mjs';
const low = '/brief/10f7a7e0-0000-4000-8000-0000000000a1';
let url = '';
await see('bench11', low, { wait: 6000, act: async (p) => { await p.getByText('Walking and talking').first().click(); await p.waitForTimeout(2500); await p.getByRole('button', { name: /to the Bench/ }).first().click(); await p.waitForTimeout(3000); await p.getByText('Light', { exact: true }).first().click(); await p.waitForTimeout(1500); url = p.url().replace('http://127.0.0.1:5999',''); } });
await see('filters11', url, { act: async (p) => { await p.getByRole('button', { name: 'Filters for rig A' }).click(); await p.waitForTimeout(1500);} });
await see('right11', url, { dark: true, act: async (p) => { await p.getByRole('button', { name: 'Set all right' }).click(); await p.waitForTimeout(800); await p.mouse.wheel(0, 300); } });
console.log(url);
await done();
