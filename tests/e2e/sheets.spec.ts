import { execFileSync } from 'node:child_process';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, expectNobodyKeptOut, test } from './bench';

const demo = '10f7a7e0-0000-4000-8000-0000000000a1';

/** A production of its own, with the demo's shots under names of their own. */
async function copied(address: string, part: object = {}): Promise<string> {
  const id = crypto.randomUUID();
  const { document } = (await (await fetch(`${address}/api/productions/${demo}`)).json()) as {
    document: { bags: object[]; locations: object[]; shots: object[] };
  };
  const made = await fetch(`${address}/api/productions/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-None-Match': '*' },
    body: JSON.stringify({
      name: 'Neap tide',
      document: {
        ...document,
        bags: document.bags.map((bag) => ({ ...bag, id: crypto.randomUUID() })),
        locations: document.locations.map((place, i) => ({ ...place, name: `Berth ${i + 1}` })),
        shots: document.shots.map((shot, i) => ({ ...shot, name: `Take ${i + 1}` })),
        sheets: [],
        ...part,
      },
    }),
  });
  expect(made.status).toBe(201);
  return id;
}

const sheet = (kind: string, part: object = {}) => ({ id: crypto.randomUUID(), kind, feet: false, ...part });

/** A file that a press brings, and what the tools for PDF say of it. */
async function pdf(page: Page, press: () => Promise<void> = () => page.getByRole('button', { name: 'PDF', exact: true }).click()) {
  const [file] = await Promise.all([page.waitForEvent('download'), press()]);
  const folder = await mkdtemp(join(tmpdir(), 'juxtopsis-pdf-'));
  const path = join(folder, 'sheet.pdf');
  await file.saveAs(path);
  const run = (tool: string, ...more: string[]) =>
    execFileSync(tool, [...more, path, ...(tool === 'pdftotext' ? ['-'] : [])], { encoding: 'utf8' });
  const pages = run('pdftotext', '-layout').split('\f').slice(0, -1);
  const said = {
    name: file.suggestedFilename(),
    pages,
    text: pages.join('\n'),
    info: run('pdfinfo'),
    fonts: run('pdffonts'),
    images: run('pdfimages', '-list').split('\n').slice(2).filter(Boolean),
  };
  await rm(folder, { recursive: true });
  return said;
}

const rig = { id: 'r1', name: 'Full frame, 35 mm', sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 35, fNumber: 2.8 };
const scene = { subjectDistanceMm: 2200, backgroundDistanceMm: 3900, deliveryAspect: 16 / 9 };

async function comparison(address: string, part: object, more: object = {}): Promise<string> {
  const id = crypto.randomUUID();
  const made = await fetch(`${address}/api/comparisons/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-None-Match': '*' },
    body: JSON.stringify({ name: 'Loft', document: { schemaVersion: 5, note: '', setup: { scene, rigs: [rig], ...more }, ...part } }),
  });
  expect(made.status, await made.text()).toBe(201);
  return `${address}/bench/${id}?view=sheets`;
}

test('a lens sheet in PDF says what the core says, in letters of its own, on paper of its size', async ({ page, server }) => {
  const distancesMm = [500, 1000, 2000, 5000, 12000];
  const fNumbers = [2.8, 5.6, 11];
  await page.goto(await comparison(server.address, { sheets: [sheet('lens', { title: 'Lenses', distancesMm, fNumbers, paper: 'a5' })] }));
  await expect(page.getByRole('article', { name: 'Page 1 of 1' })).toBeVisible();
  await expectNobodyKeptOut(page);
  const said = await pdf(page);
  expect(said.name).toBe('Lenses Lens sheet.pdf');
  expect(said.info).toContain('Pages:           1');
  // A5: 148 × 210 mm.
  expect(said.info).toMatch(/Page size: +419\.5\d* x 595\.2/);
  expect(said.images).toEqual([]);
  // Every face is embedded, as a subset, and can be read back.
  const fonts = said.fonts.trim().split('\n').slice(2);
  expect(fonts.length).toBeGreaterThan(1);
  expect(fonts.every((line) => / yes yes yes /.test(line))).toBe(true);
  const unit = (mm: number, of: number) => (of < 1000 ? (mm / 10).toFixed(1) : (mm / 1000).toFixed(of < 10_000 ? 2 : 1));
  for (const distance of distancesMm) {
    const row = said.text.split('\n').find((line) => line.trim().startsWith(unit(distance, distance)))!;
    const { reports } = (await (
      await fetch(`${server.address}/api/evaluate`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          scene,
          rigs: fNumbers.map((fNumber, i) => ({ ...rig, id: `r${i}`, fNumber, subjectDistanceMm: distance })),
        }),
      })
    ).json()) as { reports: { figures: Record<string, number | null> }[] };
    const [first] = reports;
    expect(row, `${distance}`).toContain(
      `${unit(first!.figures['fieldWidthMm']!, distance)} × ${unit(first!.figures['fieldHeightMm']!, distance)}`,
    );
    for (const { figures } of reports) {
      const far = figures['depthOfFieldFarMm'];
      const near = figures['depthOfFieldNearMm']!;
      const finer = far != null && far - near < (distance < 1000 ? 0.4 : 40) ? 1 : 0;
      expect(finer, 'this test reckons with usual digits').toBe(0);
      expect(row).toContain(`${unit(near, distance)}–${far == null ? '∞' : unit(far, distance)}`);
    }
  }
  expect(said.text).toContain('circle 1/1500');
});

test('a page is changed where it stands, by hand and key; undo takes it back; it is saved', async ({ page, server }) => {
  const id = await copied(server.address, { sheets: [sheet('shots', { title: 'Day one' })] });
  const path = `${server.address}/brief/${id}/sheets`;
  await page.goto(path);
  const paper = page.getByRole('article').first();
  await expect(paper.getByText('Take 11')).toBeVisible();
  await expect(paper.getByText(/^Plover/).first()).toBeVisible();
  // A shot without a rig says so in its place.
  await expect(paper.getByText(/^No rig is/).first()).toBeVisible();

  await page.getByRole('textbox', { name: 'Title of the sheet' }).fill('Second day');
  await page.keyboard.press('Enter');
  await expect(paper.locator('svg').getByText('Second day')).toBeVisible();
  await page.getByRole('textbox', { name: 'Remark of Take 2' }).fill('Mind the tide');
  await page.keyboard.press('Escape');
  await expect(paper.locator('svg').getByText('Mind the tide')).toBeVisible();

  const titles = async () => (await paper.locator('svg text').allTextContents()).filter((text) => /^Take \d+$/.test(text));
  expect((await titles()).slice(0, 3)).toEqual(['Take 1', 'Take 2', 'Take 3']);
  const act = async (thing: string, action: string) => {
    await page.getByRole('button', { name: thing, exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('menuitem', { name: action }).click();
  };
  await act('Take 1', 'Move later');
  await expect.poll(async () => (await titles()).slice(0, 3)).toEqual(['Take 2', 'Take 1', 'Take 3']);
  await act('Take 3', 'Leave it out');
  await expect.poll(async () => (await titles()).slice(0, 3)).toEqual(['Take 2', 'Take 1', 'Take 4']);
  await act('Column Unit', 'Leave this column out');
  await expect(paper.locator('svg').getByText('Unit', { exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(paper.locator('svg').getByText('Unit', { exact: true })).toBeVisible();

  await page.getByRole('combobox', { name: 'Decimals' }).click();
  await page.getByRole('option', { name: '3,2' }).click();
  await expect(paper.locator('svg').getByText('12,1 m')).toBeVisible();
  await page.getByRole('combobox', { name: 'Shots by' }).click();
  await page.getByRole('option', { name: 'place' }).click();
  await expect(paper.locator('svg').getByText('Berth 1', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Put back' }).click();

  await expect(page.getByText(/^Saved/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('article').first().locator('svg').getByText('Second day')).toBeVisible();
  await expect(page.getByRole('article').locator('svg').getByText('Mind the tide')).toBeVisible();
});

test('a shot list in PDF holds every shot once, whole, with plans to scale', async ({ page, server }) => {
  const long = `Имя и 撮影 ${'very long '.repeat(7)}`.slice(0, 80).trim();
  const id = await copied(server.address, { sheets: [sheet('shots')] });
  const production = (await (await fetch(`${server.address}/api/productions/${id}`)).json()) as { document: { shots: { name: string }[] } };
  production.document.shots[1]!.name = long;
  await fetch(`${server.address}/api/productions/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': '"1"' },
    body: JSON.stringify({ name: 'Neap tide', document: production.document }),
  });
  await page.goto(`${server.address}/brief/${id}/sheets`);
  await expect(page.getByText(/^Plover/).first()).toBeVisible();
  const said = await pdf(page);
  for (let shot = 1; shot <= 16; shot++) {
    if (shot !== 2) expect(said.text.match(new RegExp(`\\bTake ${shot}\\b`, 'g')), `Take ${shot}`).toHaveLength(1);
  }
  // Letters that are in the file are text; those that no file has are pictures that carry theirs.
  expect(said.text).toContain('Имя и');
  expect(said.text).toContain('撮影');
  expect(said.images.length).toBeGreaterThan(0);
  expect(said.text).toMatch(/Berth 4, from above/);
  expect(said.text).toMatch(/open, 1:\d+/);
});

test('no network: a PDF is made all the same, and pictures that cannot be drawn are told', async ({ page, context, server }) => {
  await page.goto(await comparison(server.address, { sheets: [sheet('frames')] }));
  await expect(page.getByText('This browser draws no pictures here.')).toBeVisible();
  await page.waitForResponse((response) => /noto-sans-math.*woff$/.test(response.url()));
  await page.waitForTimeout(1000);
  await context.setOffline(true);
  await page.getByRole('textbox', { name: 'Title of the sheet' }).fill('In a field');
  const said = await pdf(page);
  expect(said.text).toContain('In a field');
  expect(said.text).toContain('35 mm at ƒ2.8');
  await expect(page.getByText('Saved without a picture')).toBeVisible();
  await page.getByRole('button', { name: 'Freeze' }).click();
  await expect(page.getByText('The server cannot be reached.').first()).toBeVisible();
});

test('rigs that cannot focus, rows, a packing list, a test plan and scales are good pages', async ({ page, server }) => {
  await page.goto(
    await comparison(
      server.address,
      { sheets: [sheet('frames'), sheet('row', { focalLengthsMm: [24, 35, 50] }), sheet('scales', { stripLengthMm: 150 })] },
      {
        rigs: [
          { ...rig, lens: { minimumFocusDistanceMm: 5000 } },
          { ...rig, id: 'r2', name: 'Near' },
        ],
      },
    ),
  );
  const tab = (name: string) => page.getByRole('group', { name: 'Sheets' }).getByRole('button', { name: new RegExp(`^${name}`) });
  await expect(
    page
      .getByRole('article')
      .getByText(/5\.00 m|focus/)
      .first(),
  ).toBeVisible();
  await tab('Row').click();
  await expect(page.getByRole('article').getByText('24 mm').first()).toBeVisible();
  const row = await pdf(page);
  const post = async (path: string, body: object): Promise<unknown> =>
    (
      await fetch(`${server.address}${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).json();
  const { reports } = (await post('/api/evaluate', { scene, rigs: [rig] })) as { reports: { figures: { fieldHeightMm: number } }[] };
  const { rigs } = (await post('/api/solve', {
    setup: { scene, rigs: [{ ...rig, focalLengthMm: 50 }] },
    goal: 'distance',
    sizeMm: reports[0]!.figures.fieldHeightMm,
    isAcross: false,
  })) as { rigs: { subjectDistanceMm: number }[][] };
  const distance = rigs[0]![0]!.subjectDistanceMm;
  expect(row.text).toContain(`from ${(distance / 1000).toFixed(2)} m`);
  expect(row.text).toContain(`room ${((distance + 1700) / 1000).toFixed(2)} m`);
  await tab('Scales').click();
  const scales = await pdf(page);
  expect(scales.text).toContain('100 mm');
  expect(scales.text).toContain('150 mm from');
  const id = await copied(server.address, { sheets: [sheet('pack'), sheet('test')] });
  await page.goto(`${server.address}/brief/${id}/sheets`);
  await expect(page.getByText(/things · /)).toBeVisible();
  const pack = await pdf(page);
  expect(pack.text).toMatch(/Lenses/);
  await tab('Test plan').click();
  await expect(page.getByText('Width seen at a taped').first()).toBeVisible();
  const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()]);
  expect(await readFile(await csv.path(), 'utf8')).toContain('"Thing","Measure","Marked"');
});

test.describe('with pictures', () => {
  test.use({ pictures: true });

  test('frames go to a producer by a link, come back answered, and the link is withdrawn', async ({
    page,
    server,
    playwright,
    launchOptions,
  }) => {
    const shots = (
      (await (await fetch(`${server.address}/api/productions/${demo}`)).json()) as {
        document: { shots: { id: string; chosen?: object }[] };
      }
    ).document.shots;
    const kept = new Set([shots[12]!.id, shots[14]!.id]);
    const alternative = {
      body: '29923f70-01b3-5241-aaad-79a592a1f4f8',
      mode: 'Full width 17:9',
      lens: 'ede5b782-e67c-55c2-8646-5518c505665d',
      name: 'Redan + 20 mm ƒ1.8',
    };
    const items = shots.map(({ id }) => ({ id, leftOut: !kept.has(id), ...(id === shots[12]!.id && { alternatives: [alternative] }) }));
    // What others have brought to this server since does not come into it.
    const { gear } = (await (await fetch(`${server.address}/api/demo`)).json()) as { gear: string[] };
    const chooseFrom = crypto.randomUUID();
    const bags = [{ id: chooseFrom, name: 'Lent', lines: gear.map((thing) => ({ id: thing })) }];
    const id = await copied(server.address, {
      bags,
      chooseFrom,
      sheets: [sheet('frames', { title: 'For approval', isLandscape: true, items })],
    });
    await page.goto(`${server.address}/brief/${id}/sheets`);
    await expect(page.getByText('B Redan, 20 mm ƒ1.8')).toBeVisible();
    const file = await pdf(page);
    expect(file.images).toHaveLength(3);
    // Printed from the browser: the same pages, nothing of the screen around them.
    const folder = await mkdtemp(join(tmpdir(), 'juxtopsis-print-'));
    await page.pdf({ path: join(folder, 'print.pdf'), preferCSSPageSize: true, printBackground: true });
    const printed = execFileSync('pdftotext', ['-layout', join(folder, 'print.pdf'), '-'], { encoding: 'utf8' });
    expect(execFileSync('pdfinfo', [join(folder, 'print.pdf')], { encoding: 'utf8' })).toMatch(
      /Pages: +1\n[\s\S]*Page size: +84[12][.\d]* x 59[45]/,
    );
    expect(printed).toContain('For approval');
    expect(printed).not.toContain('Decimals');
    await rm(folder, { recursive: true });
    // What else fits is offered as an alternative, once it is found, and taken back.
    await page.getByRole('button', { name: '15 Take 15', exact: true }).focus();
    await page.keyboard.press('Enter');
    await page
      .getByRole('menuitem', { name: /^Or with/ })
      .first()
      .click();
    await expect(page.getByRole('article').getByText(/^B /)).toHaveCount(2);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('article').getByText(/^B /)).toHaveCount(1);
    await page.getByRole('button', { name: 'Freeze' }).click();
    await page.getByLabel('For', { exact: true }).fill('Oda');
    await page.getByRole('button', { name: 'Make a link' }).click();
    const link = await page.getByLabel('Address of the link').inputValue();

    // Somebody else, on a phone, who has never been here.
    const browser = await playwright.chromium.launch(launchOptions);
    try {
      const visitor = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
      const asked: string[] = [];
      visitor.on('request', (request) => asked.push(new URL(request.url()).pathname));
      await visitor.goto(link);
      await expect(visitor.getByRole('heading', { name: 'For approval' })).toBeVisible();
      await expect(visitor.getByRole('img', { name: '13 Take 13, B' })).toBeVisible();
      expect(await visitor.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
      await expectNobodyKeptOut(visitor);
      await visitor.getByRole('button', { name: 'B it is' }).click();
      await expect(visitor.getByText('Type your name at the top first')).toBeVisible();
      await visitor.getByLabel(/^Your name/).fill('Oda Brenwick');
      await visitor.getByRole('button', { name: 'B it is' }).click();
      await expect(visitor.getByText('1 of 2 answered')).toBeVisible();
      const heron = visitor.getByRole('region', { name: '15 Take 15' });
      await heron.getByRole('textbox').fill('Too tight');
      await heron.getByRole('button', { name: 'Not like this' }).click();
      await expect(visitor.getByText('2 of 2 answered')).toBeVisible();
      // The page of a visitor asks for nothing of the crew, and keeps nothing of it.
      expect(asked.filter((path) => path.startsWith('/api/') && !path.startsWith('/api/shared'))).toEqual([]);
      expect(asked.some((path) => path.includes('_framework'))).toBe(false);
      expect(await visitor.evaluate(async () => (await indexedDB.databases()).length)).toBe(0);
      expect(asked.join()).not.toContain(link.split('#')[1]!);

      await page.reload();
      await page
        .getByRole('group', { name: 'Sheets' })
        .getByRole('button', { name: /2 answered/ })
        .click();
      await expect(page.getByText('Yes B — Oda Brenwick', { exact: false })).toBeVisible();
      await expect(page.getByText('Nothing on it has changed.')).toBeVisible();
      await page.goto(`${server.address}/brief/${id}?shot=${shots[14]!.id}`);
      await expect(page.getByRole('list', { name: 'Answers' })).toContainText('Not like this: Too tight');
      await expect(page.getByRole('button', { name: /^15\. Take 15/ })).toContainText('not like this');

      // The work goes on: the sheet that was sent stays, and says what has changed.
      await page.goto(`${server.address}/brief/${id}?shot=${shots[12]!.id}`);
      await page.getByRole('button', { name: '13. Take 13' }).click();
      await page.getByLabel('Name of the shot').fill('The launch, again');
      await expect(page.getByText(/^Saved/)).toBeVisible();
      await page.getByRole('link', { name: /^Sheets/ }).click();
      await page
        .getByRole('group', { name: 'Sheets' })
        .getByRole('button', { name: /2 answered/ })
        .click();
      await expect(page.getByText('is The launch, again', { exact: false }).first()).toBeVisible();
      await expect(page.getByRole('article').getByText('Take 13', { exact: true })).toBeVisible();

      await page.getByRole('button', { name: 'Withdraw' }).click();
      await expect(page.getByText(/withdrawn/)).toBeVisible();
      await visitor.reload();
      await expect(visitor.getByRole('heading', { name: 'This link was withdrawn' })).toBeVisible();
      await visitor.goto(`${server.address}/sheet#${'A'.repeat(43)}`);
      await expect(visitor.getByRole('heading', { name: 'This link opens nothing' })).toBeVisible();
    } finally {
      await browser.close();
    }
  });
});
