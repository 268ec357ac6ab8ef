import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from './bench';

interface ReferenceCase {
  input: Record<string, number>;
}

const cases = JSON.parse(
  readFileSync(join(__dirname, '../Juxtopsis.Core.Tests/Reference/thin-lens-cases.json'), 'utf8'),
) as ReferenceCase[];

const ofScene = ['subjectDistanceMm', 'backgroundDistanceMm', 'deliveryAspect'];

function request({ input }: ReferenceCase): string {
  const leaves = Object.entries(input);
  const rig = Object.fromEntries(leaves.filter(([name]) => !ofScene.includes(name)));
  const wider = { ...rig, focalLengthMm: input['focalLengthMm']! * 0.7, recordedWidthPx: 4096, recordedHeightPx: 2304 };
  return JSON.stringify({
    scene: { ...Object.fromEntries(leaves.filter(([name]) => ofScene.includes(name))), deliveryWidthPx: 3840 },
    rigs: [rig, wider],
    yardstick: 1,
  });
}

const refused = [
  '',
  'null',
  '{"scene":{"subjectDistanceMm":NaN},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":2000},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":2000},"rigs":[{"sensorWidthMm":36,"sensorHeightMm":24,"fNumber":2}]}',
  '{"scene":{"subjectDistanceMm":2000,"colour":1},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":"2000"},"rigs":[]}',
  '{"scene":{"subjectDistanceMm":3000,"backgroundDistanceMm":1},"rigs":[{"sensorWidthMm":1e308,"sensorHeightMm":0,"focalLengthMm":-1,"fNumber":1e999}]}',
];

test('browser and server give the same answers to the last digit', async ({ page, server }) => {
  expect(cases).toHaveLength(60);
  const requests = [...cases.map(request), ...refused];
  await page.goto(`${server.address}/health`);
  const inBrowser = await page.evaluate(async (bodies) => {
    const address = '/_framework/dotnet.js';
    // eslint-disable-next-line @typescript-eslint/no-unsafe-assignment -- the runtime's own module has no types
    const { dotnet } = await import(address);
    /* eslint-disable @typescript-eslint/no-unsafe-assignment, @typescript-eslint/no-unsafe-call, @typescript-eslint/no-unsafe-member-access, @typescript-eslint/no-unsafe-return -- likewise */
    const { getAssemblyExports, getConfig } = await dotnet.create();
    const core = (await getAssemblyExports(getConfig().mainAssemblyName)).Juxtopsis.Browser.Exports;
    return bodies.map((body) => core.Evaluate(body)) as string[];
    /* eslint-enable */
  }, requests);

  for (const [i, body] of requests.entries()) {
    const answer = await page.request.post(`${server.address}/api/evaluate`, {
      data: Buffer.from(body),
      headers: { 'Content-Type': 'application/json' },
    });
    expect(inBrowser[i], `request ${i}`).toBe(await answer.text());
  }
});
