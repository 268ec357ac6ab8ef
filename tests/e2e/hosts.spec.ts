import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from './bench';

const reference = join(__dirname, '../Juxtopsis.Core.Tests/Reference');
const read = (name: string) => JSON.parse(readFileSync(join(reference, name), 'utf8')) as unknown;
const plain = read('thin-lens-cases.json') as { input: Record<string, number> }[];
const full = read('full-cases.json') as { input: { scene: object; conventions: object; rigs: Record<string, unknown>[] } }[];

const ofScene = ['subjectDistanceMm', 'backgroundDistanceMm', 'deliveryAspect'];

function request({ input }: { input: Record<string, number> }): object {
  const { opticsMagnification = 1, ...leaves } = input;
  const rig = { ...Object.fromEntries(Object.entries(leaves).filter(([name]) => !ofScene.includes(name))), optics: [opticsMagnification] };
  const wider = { ...rig, focalLengthMm: input['focalLengthMm']! * 0.7, recordedWidthPx: 4096, recordedHeightPx: 2304 };
  return {
    scene: { ...Object.fromEntries(Object.entries(leaves).filter(([name]) => ofScene.includes(name))), deliveryWidthPx: 3840 },
    rigs: [rig, { ...wider, id: 'wider' }],
    yardstick: 'wider',
  };
}

const refused = [
  '',
  'null',
  '{"scene":{"subjectDistanceMm":NaN},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":2000},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":2000},"rigs":[{"sensorWidthMm":36,"sensorHeightMm":24,"fNumber":2}]}',
  '{"scene":{"subjectDistanceMm":2000,"colour":1},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":"2000"},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":2000},"conventions":{"crop":"sideways"},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":3000,"backgroundDistanceMm":1},"rigs":[{"sensorWidthMm":1e308,"sensorHeightMm":0,"focalLengthMm":-1,"fNumber":1e999}]}',
];

interface Door {
  Evaluate: (json: string) => Float64Array;
  Words: (json: string, feet: boolean) => string;
  Working: (json: string, feet: boolean) => string;
  Solve: (json: string, feet: boolean) => string;
  Hold: (json: string, feet: boolean) => string;
  Assemble: (json: string, feet: boolean) => string;
  Conventions: (json: string, feet: boolean) => string;
  Figures: () => string[];
}

type Numbers = Record<string, number | null>;

interface Gear {
  kind: string;
}

/** Chains of the demo's gear, some that work and some that do not: every lens, on bodies in turn, through adapters and behind filters. */
function chainsOf(shelf: unknown): { path: string; body: string }[] {
  const { items } = shelf as { items: Gear[] };
  const of = (kind: string) => items.filter((item) => item.kind === kind);
  const turn = <T>(list: T[], i: number) => list[i % list.length]!;
  const mounts = of('mount');
  return of('lens').map((lens, i) => {
    const adapter = i % 3 === 0 ? [] : [turn(of('adapter'), i)];
    const gear = [
      turn(of('body'), i),
      ...adapter,
      lens,
      turn(of('stepRing'), i),
      turn(of('filter'), i),
      turn(of('attachment'), i),
      turn(of('support'), i),
    ];
    const parts = gear.slice(0, 3 + (i % 5)).map((item) => ({ item, revision: 1 }));
    return {
      path: 'assemble',
      body: JSON.stringify({
        chain: { parts, mounts },
        rig: {
          sensorWidthMm: 36,
          sensorHeightMm: 24,
          focalLengthMm: 20 + i,
          fNumber: 2 + i / 10,
          punchIn: 1 + i / 50,
          mountErrorMm: i / 1000,
        },
        deliveryAspect: 16 / 9,
      }),
    };
  });
}

test('browser and server give the same answers to the last digit', async ({ page, server }) => {
  expect(plain).toHaveLength(60);
  const setups = [...plain.map(request), ...full.map((c) => c.input)];
  const bodies = setups.map((setup) => JSON.stringify(setup));
  const figures = ['depthOfFieldFarMm', 'cropChain', 'leftOverStops'];
  const asked = [
    ...full.flatMap((c) => figures.map((figure) => ({ path: 'working', body: JSON.stringify({ setup: c.input, rig: 0, figure }) }))),
    ...full.flatMap(({ input: setup }) =>
      [
        { goal: 'distance', sizeMm: 700 },
        { goal: 'focalLength', sizeMm: 1200, isAcross: true },
        { goal: 'depth', fromMm: 900, toMm: 1400 },
        { goal: 'blur', share: 0.013 },
        { goal: 'range' },
      ].map((question) => ({ path: 'solve', body: JSON.stringify({ setup, ...question }) })),
    ),
    // Each rig twice as long, and on a small sensor brought to the first: everything that can follow does.
    ...full.map(({ input }) => {
      const setup = { ...input, rigs: [input.rigs[0]!, { ...input.rigs[0]!, sensorWidthMm: 17.3, sensorHeightMm: 13 }] };
      const after = { ...setup, rigs: setup.rigs.map((rig) => ({ ...rig, focalLengthMm: 2 * Number(rig['focalLengthMm']) })) };
      return { path: 'hold', body: JSON.stringify({ before: setup, after, framing: true, blur: true, light: true, leader: 0 }) };
    }),
    ...full
      .filter(({ input }) => 'brightnessEv' in input.scene)
      .map(({ input }) => {
        const body = { before: input, after: input, exposeRight: true, lightGives: ['shutter', 'aperture'], pinned: [['filter']] };
        return { path: 'hold', body: JSON.stringify(body) };
      }),
    ...full.map((c) => ({ path: 'conventions', body: JSON.stringify(c.input) })),
    ...chainsOf(await (await page.request.get(`${server.address}/api/shelf/export.json`)).json()),
  ];

  await page.goto(`${server.address}/health`);
  const inBrowser = await page.evaluate(
    async ({ bodies, refused, asked }) => {
      const address = '/_framework/dotnet.js';
      /* eslint-disable @typescript-eslint/no-unsafe-assignment, @typescript-eslint/no-unsafe-call, @typescript-eslint/no-unsafe-member-access -- the runtime's own module has no types */
      const { dotnet } = await import(address);
      const { getAssemblyExports, getConfig } = await dotnet.create();
      const door = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports as Door;
      /* eslint-enable */
      const doors: Record<string, (json: string, feet: boolean) => string> = {
        working: door.Working,
        solve: door.Solve,
        hold: door.Hold,
        conventions: door.Conventions,
        assemble: door.Assemble,
      };
      return {
        names: door.Figures().filter((_, i) => i % 6 === 0),
        // NaN and infinity do not survive the way out of the page as JSON, so they go as text.
        numbers: bodies.map((body) => Array.from(door.Evaluate(body), String)),
        words: bodies.map((body) => door.Words(body, true)),
        refusals: refused.map((body) => [Array.from(door.Evaluate(body), String).join(), door.Words(body, false)]),
        answers: asked.map(({ path, body }) => doors[path]!(body, false)),
      };
    },
    { bodies, refused, asked },
  );

  const post = async (path: string, body: string) => {
    const answer = await page.request.post(`${server.address}/api/${path}`, {
      data: Buffer.from(body),
      headers: { 'Content-Type': 'application/json' },
    });
    return answer.text();
  };
  const { names } = inBrowser;
  for (const [i, body] of bodies.entries()) {
    const answer = JSON.parse(await post('evaluate?units=feet', body)) as {
      reports: { figures: Numbers; differences: Numbers; reasons: object[] }[];
    };
    const text = (value: number | null | undefined) => (value === undefined ? 'NaN' : value === null ? 'Infinity' : String(value));
    const theirs = answer.reports.flatMap((report) =>
      [report.figures, report.differences].flatMap((numbers) => names.map((name) => text(numbers[name]))),
    );
    // The first number is for the whole row, and the first of each rig tells its reasons, which are compared in words.
    const each = 1 + 2 * names.length;
    const ours = inBrowser.numbers[i]!.slice(1).filter((_, n) => n % each !== 0);
    expect(ours, `request ${i}`).toEqual(theirs);
    expect((JSON.parse(inBrowser.words[i]!) as { reasons: object[] }).reasons).toEqual(answer.reports.map((r) => r.reasons));
  }
  for (const [i, body] of refused.entries()) {
    expect(inBrowser.refusals[i], `refusal ${i}`).toEqual(['1', await post('evaluate', body)]);
  }
  for (const [i, { path, body }] of asked.entries()) {
    expect(inBrowser.answers[i], `${path} ${i}`).toBe(await post(path, body));
  }
});

interface FitDoor {
  FitRead: (json: string) => void;
  FitOpen: () => void;
  FitPrepare: (pairs: number) => number;
  FitAsk: (json: string, feet: boolean) => string | null;
  FitStep: (rigs: number) => number;
  FitAnswer: (feet: boolean) => string;
  DayAsk: (json: string, feet: boolean) => string | null;
  DayStep: (rigs: number) => number;
  DayAnswer: (feet: boolean) => string;
  FilterDay: (json: string, feet: boolean) => string;
  LookAsk: (json: string, feet: boolean) => string | null;
  LookStep: (rigs: number) => number;
  LookAnswer: (feet: boolean) => string;
  CutAsk: (json: string, feet: boolean) => string | null;
  CutStep: (some: number) => number;
  CutAnswer: (feet: boolean) => string;
  Bags: (json: string, feet: boolean) => string;
  BagDayAsk: (json: string, feet: boolean) => string | null;
  BagDayStep: (rigs: number) => number;
  BagDayAnswer: (feet: boolean) => string;
  FrontAsk: (json: string, feet: boolean) => string | null;
  FrontStep: (some: number) => number;
  FrontAnswer: (feet: boolean) => string;
}

test('what fits is the same in browser and server, however small the steps', async ({ page, server }) => {
  const get = async (path: string) => (await page.request.get(`${server.address}/api/${path}`)).json() as Promise<unknown>;
  const shelf = JSON.stringify(await get('shelf/export.json'));
  const { document } = (await get('productions/10f7a7e0-0000-4000-8000-0000000000a1')) as {
    document: { locations: { id: string }[]; shots: { locationId: string; criterion: string }[]; delivery: object; bags: object[] };
  };
  const { locations, shots, delivery } = document;
  const fits = shots.map((shot) => JSON.stringify({ location: locations.find((p) => p.id === shot.locationId), shot, delivery, most: 12 }));
  const refused = ['{', '{"location":{}}', fits[0]!.replace('"heightMm":2600', '"heightMm":-1'), fits[0]!.replace('"most":12', '"most":0')];
  const day = JSON.stringify({ locations, shots, delivery });

  // Bags, what one does in a day, and the front of the best on two axes.
  const bags = JSON.stringify({ bags: document.bags, delivery, marginPercent: 7, taxPercent: 19 });
  const bagDay = JSON.stringify({ bag: document.bags[1], locations, shots, delivery });
  const front = JSON.stringify({ locations, shots, delivery, one: 'undone', other: 'weight' });

  // Looks with and without a pin, blur at several distances; and two cameras of the demo that cut together.
  const { document: saved } = (await get('comparisons/10f7a7e0-0000-4000-8000-000000000005')) as {
    document: { setup: { rigs: { id: string; chain?: { parts: { item: { id: string } }[] } | null }[] } };
  };
  const bare = { ...saved.setup, rigs: saved.setup.rigs.map((rig) => ({ ...rig, chain: undefined })) };
  const looks = [
    { setup: bare, most: 30 },
    { setup: bare, most: 5, alsoBehindMm: [500, null], aspects: { distance: { weight: 1 }, light: { weight: 1 } } },
    { setup: bare, aspects: { blur: { weight: 1, pinned: true, tolerance: 0.2 } }, tie: 'weight', most: 8 },
    { setup: bare, most: 0 },
  ].map((look) => JSON.stringify(look));
  const built = saved.setup.rigs.filter((rig) => rig.chain);
  const cut = JSON.stringify({
    setup: { ...bare, yardstick: built[0]!.id },
    cameras: built.map((rig) => ({ rig: rig.id, body: rig.chain!.parts[0]!.item.id, movesShare: 0.5 })),
  });

  await page.goto(`${server.address}/health`);
  const ours = await page.evaluate(
    async ({ shelf, fits, refused, day, looks, cut, bags, bagDay, front }) => {
      const address = '/_framework/dotnet.js';
      /* eslint-disable @typescript-eslint/no-unsafe-assignment, @typescript-eslint/no-unsafe-call, @typescript-eslint/no-unsafe-member-access -- the runtime's own module has no types */
      const { dotnet } = await import(address);
      const { getAssemblyExports, getConfig } = await dotnet.create();
      const door = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports as FitDoor;
      /* eslint-enable */
      door.FitRead(shelf);
      door.FitOpen();
      while (door.FitPrepare(37) < 1);
      const ask = (body: string) => {
        const refusal = door.FitAsk(body, true);
        while (door.FitStep(101) < 1);
        return refusal ?? door.FitAnswer(true);
      };
      const answers = [...fits, ...refused].map(ask);
      door.DayAsk(day, false);
      while (door.DayStep(500) < 1);
      const look = (body: string) => {
        const refusal = door.LookAsk(body, true);
        while (door.LookStep(53) < 1);
        return refusal ?? door.LookAnswer(true);
      };
      door.CutAsk(cut, true);
      while (door.CutStep(11) < 1);
      door.BagDayAsk(bagDay, true);
      while (door.BagDayStep(13) < 1);
      door.FrontAsk(front, true);
      while (door.FrontStep(29) < 1);
      return {
        answers,
        day: door.DayAnswer(false),
        filters: door.FilterDay(day, false),
        looks: looks.map(look),
        cut: door.CutAnswer(true),
        bags: door.Bags(bags, true),
        bagDay: door.BagDayAnswer(true),
        front: door.FrontAnswer(true),
      };
    },
    { shelf, fits, refused, day, looks, cut, bags, bagDay, front },
  );
  const post = async (path: string, body: string) =>
    (
      await page.request.post(`${server.address}/api/${path}`, { data: Buffer.from(body), headers: { 'Content-Type': 'application/json' } })
    ).text();
  for (const [i, body] of [...fits, ...refused].entries()) {
    expect(ours.answers[i], `shot ${i + 1}`).toBe(await post('fit?units=feet', body));
  }
  expect(ours.day).toBe(await post('day', day));
  expect(ours.filters).toBe(await post('filters', day));
  for (const [i, body] of looks.entries()) {
    expect(ours.looks[i], `look ${i + 1}`).toBe(await post('look?units=feet', body));
  }
  expect(ours.cut).toBe(await post('cut?units=feet', cut));
  expect(ours.bags).toBe(await post('bags?units=feet', bags));
  expect(ours.bagDay).toBe(await post('bags/day?units=feet', bagDay));
  expect(ours.front).toBe(await post('bags/front?units=feet', front));
});
