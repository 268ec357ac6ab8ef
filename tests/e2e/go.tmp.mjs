import { see, done } from './see.tmp.mjs';
await see('m3', '/bench/10f7a7e0-0000-4000-8000-000000000005?view=match', { wait: 6000, act: async (p) => { await p.getByRole('button', { name: 'Cut together' }).click(); await p.getByRole('button', {name:'Find lenses'}).click(); await p.waitForTimeout(5000);} });
await done();
