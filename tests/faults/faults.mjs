// What no default run has the time for: kills under writes, hostile floods, browsers through outages. Run by ./dev test --faults, which
// starts a server that is watched over, with a database of its own.
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import { deflateRawSync } from 'node:zlib';
import { chromium } from '@playwright/test';

const [address, cluster, pidFile, killsText = '50'] = process.argv.slice(2);
const kills = Number(killsText);
let passed = 0;
let failed = 0;

function check(what, ok, said = '') {
  if (ok) passed++;
  else failed++;
  console.log(`  ${ok ? 'ok     ' : 'FAILED '} ${what}${said === '' ? '' : `: ${said}`}`);
}

const serverPid = () => Number(readFileSync(pidFile, 'utf8'));
const databasePid = () => Number(readFileSync(`${cluster}/postmaster.pid`, 'utf8').split('\n')[0]);

/** Asks, and gives up after some time; null when nobody answers. */
async function ask(path, options = {}, ms = 8000) {
  try {
    const response = await fetch(address + path, { ...options, signal: AbortSignal.timeout(ms) });
    const body = await response.text();
    return { status: response.status, body };
  } catch {
    return null;
  }
}

async function well(ms = 60_000) {
  const until = performance.now() + ms;
  while (performance.now() < until) {
    const answer = await ask('/health', {}, 2000);
    if (answer?.status === 200) return true;
    await pause(100);
  }
  return false;
}

const documentOf = (n) => ({ schemaVersion: 4, note: `value ${n}` });
const put = (id, revision, n, ms) =>
  ask(
    `/api/productions/${id}`,
    {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', ...(revision === 0 ? { 'If-None-Match': '*' } : { 'If-Match': `"${revision}"` }) },
      body: JSON.stringify({ name: 'Written under kills', document: documentOf(n) }),
    },
    ms,
  );
const read = async (id) => JSON.parse((await ask(`/api/productions/${id}`)).body);

/** Writes one piece over and over, as a page does: what is acknowledged is noted, what is not is tried again. */
async function writer(state, goesOn) {
  while (goesOn()) {
    const n = state.n + 1;
    const answer = await put(state.id, state.revision, n);
    if (answer?.status === 200 || answer?.status === 201) {
      const stored = JSON.parse(answer.body);
      Object.assign(state, { n, acknowledged: n, revision: stored.revision });
      state.count++;
    } else if (answer?.status === 412) {
      // An answer was lost: what is there is what was sent before it was.
      const { current } = JSON.parse(answer.body);
      state.revision = current.revision;
      state.n = Number(current.document.note.split(' ')[1]);
    } else if (answer !== null && answer.status < 500) {
      state.faults.push(`${answer.status} ${answer.body.slice(0, 200)}`);
      await pause(50);
    } else {
      await pause(50);
    }
  }
}

async function underKills() {
  const states = Array.from({ length: 8 }, () => ({ id: randomUUID(), n: 0, revision: 0, acknowledged: 0, count: 0, faults: [] }));
  let going = true;
  const writers = states.map((state) => writer(state, () => going));
  let back = 0;
  for (let i = 0; i < kills; i++) {
    await pause(150 + Math.random() * 350);
    try {
      process.kill(i % 2 === 0 ? serverPid() : databasePid(), 'SIGKILL');
    } catch {
      // It is being started again just now; that counts as one too.
    }
    // Four or fewer in a minute are an accident; more and the watch gives up, as it should.
    if (await well()) back++;
    await pause(Number(process.env.JUXTOPSIS_FAULT_PAUSE ?? 0));
  }
  going = false;
  await Promise.all(writers);
  check(`after each of ${kills} kills the server came back without a person`, back === kills, `${back}`);
  const lost = [];
  for (const state of states) {
    const stored = await read(state.id);
    const n = Number(stored.document.note.split(' ')[1]);
    if (n < state.acknowledged) lost.push(`${state.id}: ${n} of ${state.acknowledged}`);
  }
  const count = states.reduce((sum, state) => sum + state.count, 0);
  check(`none of ${count} acknowledged writes is lost`, lost.length === 0 && count > 0, lost.join(', '));
  check(
    'no write was refused for a reason of ours',
    states.every((s) => s.faults.length === 0),
    states
      .flatMap((s) => s.faults)
      .slice(0, 3)
      .join(' | '),
  );
}

/** A ZIP archive of one file, made by hand so that it can lie. */
function zipOf(name, text) {
  const data = deflateRawSync(text, { level: 9 });
  const head = (signature, extra) => {
    const h = Buffer.alloc(extra ? 46 : 30);
    h.writeUInt32LE(signature, 0);
    h.writeUInt16LE(20, extra ? 6 : 4);
    h.writeUInt16LE(8, extra ? 10 : 8);
    h.writeUInt32LE(data.length, extra ? 20 : 18);
    h.writeUInt32LE(text.length, extra ? 24 : 22);
    h.writeUInt16LE(name.length, extra ? 28 : 26);
    return h;
  };
  const local = Buffer.concat([head(0x04034b50, false), Buffer.from(name), data]);
  const central = Buffer.concat([head(0x02014b50, true), Buffer.from(name)]);
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt16LE(1, 8);
  end.writeUInt16LE(1, 10);
  end.writeUInt32LE(central.length, 12);
  end.writeUInt32LE(local.length, 16);
  return Buffer.concat([local, central, end]);
}

const setup = { scene: { subjectDistanceMm: 2000 }, rigs: [{ sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 35, fNumber: 2.8 }] };
const pieces = [
  'null',
  '[]',
  '{}',
  '1e999',
  '-0',
  '"\\ud800"',
  '"\\u0000"',
  '{"a":{"a":{"a":{}}}}',
  '[null]',
  'true',
  '"x"',
  '-1',
  '1e-320',
  '99999999999999999999',
];

/** A body with something in it gone wrong. */
function hostile(random) {
  const text = JSON.stringify(setup);
  const at = Math.floor(random() * text.length);
  switch (Math.floor(random() * 4)) {
    case 0:
      return text.slice(0, at);
    case 1:
      return text.slice(0, at) + String.fromCharCode(Math.floor(random() * 300)) + text.slice(at + 1);
    case 2:
      return text.replace(/:([^,:{}[\]]+)/, `:${pieces[Math.floor(random() * pieces.length)]}`);
    default:
      return text.replace(/"(\w+)":/g, (all) => (random() < 0.15 ? `"${Math.floor(random() * 9)}":` : all));
  }
}

async function underFloods() {
  let seed = 7;
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const bombs = [
    ['deep.xml', Buffer.from(`<lensdatabase>${'<lens>'.repeat(60_000)}`)],
    ['lenses.zip', zipOf('lenses.csv', Buffer.from(`name\n${'x\n'.repeat(4_000_000)}`))],
    ['shelf.zip', zipOf('shelf.json', Buffer.from(`{"format":"juxtopsis-shelf","version":1,"items":[1${',1'.repeat(8_000_000)}]}`))],
    ['shelf.json', Buffer.from('['.repeat(1_000_000))],
    ['lenses.csv', Buffer.from(`name,${'a,'.repeat(100_000)}\n`)],
  ];
  const production = await read('10f7a7e0-0000-4000-8000-0000000000a1');
  const { locations, shots, delivery } = production.document;
  const day = JSON.stringify({ locations, shots, delivery });
  const paths = [
    '/api/evaluate',
    '/api/solve',
    '/api/hold',
    '/api/working',
    '/api/conventions',
    '/api/assemble',
    '/api/fit',
    '/api/day',
    '/api/shelf/options',
  ];
  const statuses = {};
  const slow = [];
  let going = true;
  const watching = (async () => {
    while (going) {
      const from = performance.now();
      const answer = await ask('/health', {}, 5000);
      slow.push(answer === null ? Infinity : performance.now() - from);
      await pause(100);
    }
  })();
  const note = (path, answer) => {
    const status = answer?.status ?? 'none';
    statuses[status] = (statuses[status] ?? 0) + 1;
    if (status === 500) console.log(`          500 at ${path}`);
  };
  const flood = Array.from({ length: 16 }, async (_, lane) => {
    for (let i = 0; i < 250; i++) {
      const path = paths[Math.floor(random() * paths.length)];
      note(path, await ask(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: hostile(random) }, 30_000));
      if (lane < 3 && i % 60 === 5) {
        const [file, body] = bombs[(lane + i) % bombs.length];
        note(
          file,
          await ask(
            `/api/shelf/import?file=${file}`,
            { method: 'POST', headers: { 'Content-Type': 'application/octet-stream' }, body },
            60_000,
          ),
        );
      }
    }
  });
  // Thirty ask for a day at once, and most leave before it is told.
  const askers = Array.from({ length: 30 }, (_, i) =>
    ask('/api/day', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: day }, i % 3 === 0 ? 60_000 : 1500).then((a) =>
      note('/api/day', a),
    ),
  );
  await Promise.all([...flood, ...askers]);
  going = false;
  await watching;
  const worst = Math.max(...slow);
  console.log(`          statuses ${JSON.stringify(statuses)}`);
  check('no hostile request is a fault of ours', statuses[500] === undefined);
  check('/health answers within a second all the while', worst < 1000, `${Math.round(worst)} ms at worst of ${slow.length}`);
  const peak = Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${serverPid()}/status`, 'utf8'))[1]) / 1024;
  check('the server stays under 1 GB', peak < 1024, `${Math.round(peak)} MB at most`);
}

async function throughOutages() {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking'] });
  const people = await Promise.all(
    ['Ada', 'Ben'].map(async (name) => {
      const page = await (await browser.newContext()).newPage();
      await page.goto(`${address}/new`);
      await page.waitForURL(/\/bench\/[0-9a-f-]{36}$/);
      const field = page.getByLabel('Name of the comparison');
      await field.fill(name);
      await page
        .getByText(/^Saved/)
        .first()
        .waitFor();
      return { name, page, field, id: page.url().split('/').at(-1), left: null };
    }),
  );
  for (let round = 1; round <= 5; round++) {
    process.kill(round % 2 === 0 ? databasePid() : serverPid(), 'SIGKILL');
    for (const person of people) {
      await person.field.fill(`${person.name} ${round}`);
    }
    if (round === 3) {
      // One reloads as soon as the server answers, before the database does; the other goes to another piece of work.
      await people[0].page.waitForTimeout(300);
      while ((await ask('/', {}, 1000))?.status !== 200) await pause(100);
      await people[0].page.reload();
      await people[0].page.getByLabel('Name of the comparison').waitFor();
    }
    await well();
    await pause(Number(process.env.JUXTOPSIS_FAULT_PAUSE ?? 0));
  }
  for (const person of people) {
    let stored = '';
    for (let i = 0; i < 100 && stored !== `${person.name} 5`; i++) {
      stored = JSON.parse((await ask(`/api/comparisons/${person.id}`))?.body ?? '{}').name ?? '';
      await pause(200);
    }
    check(`what ${person.name} typed through five outages is stored`, stored === `${person.name} 5`, stored);
  }
  await browser.close();
}

if (!(await well())) {
  check('the server is well before anything is done to it', false);
} else {
  console.log(`Floods and bombs`);
  await underFloods();
  console.log('Two browsers through outages');
  await throughOutages();
  console.log(`${kills} kills of server and database under writes`);
  await underKills();
}
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
