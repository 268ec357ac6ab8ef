import type { Browser } from '@playwright/test';
import type { components } from '../../web/src/api/schema';
import { Bench, expect, expectNobodyKeptOut, test } from './bench';

type Stored = components['schemas']['ComparisonOutput'];

async function someoneElse(browser: Browser, bench: Bench): Promise<Bench> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const other = new Bench(await context.newPage(), bench.address);
  await other.open(new URL(bench.page.url()).pathname);
  return other;
}

const stored = (bench: Bench) => `${bench.address}/api/comparisons/${bench.page.url().split('/').at(-1)!}`;

/** Somebody elsewhere changes the focal length of rig A on top of what is stored now. */
async function theyType(bench: Bench, focalLengthMm: number): Promise<void> {
  const { request } = bench.page;
  const { name, document, revision } = (await (await request.get(stored(bench))).json()) as Stored;
  document.setup.rigs[0]!.focalLengthMm = focalLengthMm;
  const answer = await request.put(stored(bench), { data: { name, document }, headers: { 'If-Match': `"${revision}"` } });
  expect(answer.status()).toBe(200);
}

/** The focal length of rig A that others see at an address of a comparison. */
const seenByOthers = async (bench: Bench, address: string): Promise<number> =>
  ((await (await bench.page.request.get(address)).json()) as Stored).document.setup.rigs[0]!.focalLengthMm;

test('what is done is there again: named, closed, opened', async ({ bench, browser }) => {
  await bench.page.getByLabel('Name of the comparison').fill('Bending bench');
  await bench.type('40', 'Focal length', 'A');
  await expect(bench.saving).toHaveText(/^Saved/);
  const state = await bench.page.context().storageState();
  const context = await browser.newContext({ storageState: state });
  const back = new Bench(await context.newPage(), bench.address);
  await back.open('/');
  await expect(back.page.getByLabel('Name of the comparison')).toHaveValue('Bending bench');
  await expect(back.field('Focal length', 'A')).toHaveValue('40\u2009mm');
  await context.close();
});

test('a pasted control character does not keep a name from being saved', async ({ bench }) => {
  await bench.page.getByLabel('Name of the comparison').fill('Tide\u0007gauge');
  await bench.page.getByLabel('Name of rig A').fill('Loose\u0000camera');
  await bench.page.getByLabel('Note', { exact: true }).fill('two\nlines');
  await expect(bench.page.getByLabel('Name of the comparison')).toHaveValue('Tide gauge');
  await expect(bench.page.getByLabel('Name of rig A')).toHaveValue('Loose camera');
  await expect(bench.saving).toHaveText(/^Saved/);
  await bench.page.reload();
  await expect(bench.page.getByLabel('Note', { exact: true })).toHaveValue('two lines');
});

test('the address shows someone else the same', async ({ bench, browser }) => {
  await bench.page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await bench.type('9:16', 'Delivered shape');
  await bench.page.getByRole('button', { name: 'Copy link' }).click();
  await expect(bench.page.getByText('Link copied')).toBeVisible();
  expect(await bench.page.evaluate(() => navigator.clipboard.readText())).toBe(bench.page.url());
  const other = await someoneElse(browser, bench);
  await expect(other.field('Delivered shape')).toHaveValue('9:16');
  await expect(other.figure('Equivalent', 'B')).toHaveText((await bench.figure('Equivalent', 'B').textContent())!);
});

test('someone else’s change is shown when one comes back to the page', async ({ bench }) => {
  await theyType(bench, 24);
  await bench.page.evaluate(() => window.dispatchEvent(new Event('focus')));
  await expect(bench.field('Focal length', 'A')).toHaveValue('24\u2009mm');
});

test('what a quick hand does while the comparison is still being fetched stands', async ({ bench }) => {
  const path = new URL(bench.page.url()).pathname;
  await bench.page.getByRole('link', { name: 'Work' }).click();
  await expect(bench.page.getByRole('heading', { name: 'Work' })).toBeVisible();
  let answer = () => {};
  const typed = new Promise<void>((done) => (answer = done));
  await bench.page.route(`**/api${path.replace('bench', 'comparisons')}`, async (route) => {
    const response = await route.fetch();
    if (route.request().method() === 'GET') {
      await typed;
    }
    await route.fulfill({ response });
  });
  await bench.page.goBack();
  await bench.type('85', 'Focal length', 'A');
  answer();
  await bench.page.waitForTimeout(400);
  // Looked at once: waiting would let a later refresh hide the loss.
  expect(await bench.field('Focal length', 'A').inputValue()).toMatch(/^85/);
  await expect(bench.saving).toHaveText(/^Saved/);
  await bench.page.unrouteAll();
  await bench.page.reload();
  await expect(bench.field('Focal length', 'A')).toHaveValue('85\u2009mm');
});

test.describe('two at once', () => {
  test.use({ looksAgain: false });

  for (const choice of ['All theirs', 'All mine', 'Mine as a copy'] as const) {
    test(`two people change the same comparison: ${choice}`, async ({ bench }) => {
      const [page, address] = [bench.page.url(), stored(bench)];
      await theyType(bench, 24);
      await bench.type('85', 'Focal length', 'A');
      const dialog = bench.page.getByRole('dialog', { name: 'Someone else changed this comparison too' });
      await expect(dialog.getByRole('row', { name: 'A: focal length 85 mm 24 mm' })).toBeVisible();
      await dialog.getByRole('button', { name: choice }).click();
      await expect(dialog).toHaveCount(0);
      await expect(bench.saving).toHaveText(/^Saved/);

      await expect(bench.field('Focal length', 'A')).toHaveValue(choice === 'All theirs' ? '24\u2009mm' : '85\u2009mm');
      expect(await seenByOthers(bench, address)).toBe(choice === 'All mine' ? 85 : 24);
      if (choice === 'Mine as a copy') {
        expect(bench.page.url()).not.toBe(page);
        await bench.page.reload();
        await expect(bench.page.getByLabel('Name of the comparison')).toHaveValue(/\(my version\)$/);
        await expect(bench.field('Focal length', 'A')).toHaveValue('85\u2009mm');
      }
    });
  }

  test('two people change different things of one comparison: both are kept, and undo asks before it takes theirs back', async ({
    bench,
  }) => {
    await theyType(bench, 24);
    await bench.type('85', 'Focal length', 'B');
    const dialog = bench.page.getByRole('dialog', { name: 'Someone else changed this comparison too' });
    await expect(dialog.getByText('You changed different things; they go together.')).toBeVisible();
    await expect(dialog.getByText(/^A: focal length: .* → 24 mm$/)).toBeVisible();
    await dialog.getByRole('button', { name: 'Keep both changes' }).click();
    await expect(bench.saving).toHaveText(/^Saved/);
    await expect(bench.field('Focal length', 'A')).toHaveValue('24\u2009mm');
    await expect(bench.field('Focal length', 'B')).toHaveValue('85\u2009mm');
    expect(await seenByOthers(bench, stored(bench))).toBe(24);

    await bench.page.getByRole('button', { name: 'Undo', exact: true }).click();
    const asked = bench.page.getByRole('dialog', { name: 'This would take back what somebody else did' });
    await asked.getByRole('button', { name: 'Leave it' }).click();
    await expect(bench.field('Focal length', 'A')).toHaveValue('24\u2009mm');
    await bench.page.getByRole('button', { name: 'Undo', exact: true }).click();
    await asked.getByRole('button', { name: 'Take theirs back' }).click();
    await expect(bench.field('Focal length', 'A')).not.toHaveValue('24\u2009mm');
    await expect(bench.field('Focal length', 'B')).toHaveValue('85\u2009mm');
  });

  test('where both changed the same, a choice for each is kept', async ({ bench }) => {
    await theyType(bench, 24);
    // Both are typed before the server says no: the dialog that comes of it lies over the fields.
    let typed = () => {};
    const both = new Promise<void>((done) => (typed = done));
    await bench.page.route(stored(bench), async (route) => {
      await both;
      await route.continue();
    });
    await bench.type('85', 'Focal length', 'A');
    await bench.type('4', 'Aperture', 'B');
    typed();
    const dialog = bench.page.getByRole('dialog', { name: 'Someone else changed this comparison too' });
    await dialog.getByRole('group', { name: 'Whose to keep: A: focal length' }).getByRole('button', { name: 'Theirs' }).click();
    await dialog.getByRole('button', { name: 'Keep what is chosen' }).click();
    await expect(bench.saving).toHaveText(/^Saved/);
    await expect(bench.field('Focal length', 'A')).toHaveValue('24\u2009mm');
    await expect(bench.field('Aperture', 'B')).toHaveValue(/4/);
  });

  test('what was before is told with who did it, and any of it comes back as a step that undo takes back again', async ({ bench }) => {
    const { page } = bench;
    await theyType(bench, 24);
    await bench.type('85', 'Focal length', 'A');
    await page.getByRole('dialog').getByRole('button', { name: 'All mine' }).click();
    await expect(bench.saving).toHaveText(/^Saved/);
    await page.getByRole('button', { name: 'Before', exact: true }).click();
    const past = page.getByRole('dialog', { name: 'What was before' });
    await expect(past.getByRole('button', { name: /as it is stored now/ })).toContainText('in this browser');
    await past.getByRole('button', { name: /somebody else/ }).click();
    await expect(past.getByText('A: focal length: 85 mm → 24 mm')).toBeVisible();
    await expectNobodyKeptOut(page, '[role=dialog]');
    await past.getByRole('button', { name: 'Bring this state back' }).click();
    await expect(bench.field('Focal length', 'A')).toHaveValue('24\u2009mm');
    await expect(bench.saving).toHaveText(/^Saved/);
    expect(await seenByOthers(bench, stored(bench))).toBe(24);
    await page.keyboard.press('Control+z');
    await expect(bench.field('Focal length', 'A')).toHaveValue('85\u2009mm');
  });

  test('someone deletes what one is changing: it can be kept', async ({ bench }) => {
    await bench.page.request.delete(stored(bench));
    await bench.type('85', 'Focal length', 'A');
    const dialog = bench.page.getByRole('dialog', { name: 'Someone deleted this comparison while you changed it' });
    await dialog.getByRole('button', { name: 'Keep mine, restore it' }).click();
    await expect(bench.saving).toHaveText(/^Saved/);
    expect(await seenByOthers(bench, stored(bench))).toBe(85);
  });
});

test('a comparison that cannot be saved is taken out as a file, and brought in again', async ({ bench, server }) => {
  const { page } = bench;
  await page.getByLabel('Name of the comparison').fill('Taken out');
  await expect(bench.saving).toHaveText(/^Saved/);
  server.database.cut();
  await bench.type('85', 'Focal length', 'A');
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Take out as a file' }).click()]);
  server.database.mend();
  await expect(bench.saving).toHaveText(/^Saved/);
  const before = page.url();
  await page.getByRole('link', { name: 'Work' }).click();
  await page
    .getByLabel('A file to bring in')
    .setInputFiles({ name: 'notes.json', mimeType: 'application/json', buffer: Buffer.from('[1]') });
  await expect(page.getByText(/^notes.json is no work of this application/)).toBeVisible();
  await page.getByLabel('A file to bring in').setInputFiles(await download.path());
  await page.waitForURL(/\/bench\/[0-9a-f-]{36}$/);
  expect(page.url()).not.toBe(before);
  await expect(page.getByLabel('Name of the comparison')).toHaveValue('Taken out');
  await expect(bench.field('Focal length', 'A')).toHaveValue('85\u2009mm');
});

test('unsaved work that was left is told in the list and goes by itself when the database is back', async ({ bench, server }) => {
  const name = `Left in a hurry ${Date.now()}`;
  await bench.page.getByLabel('Name of the comparison').fill(name);
  await expect(bench.saving).toHaveText(/^Saved/);
  server.database.cut();
  await bench.type('85', 'Focal length', 'A');
  await bench.page.getByRole('link', { name: 'Work' }).click();
  await expect(bench.page.getByText(`“${name}” has changes that are not saved yet.`)).toBeVisible();
  await expect(bench.page.getByRole('link', { name: 'Work' })).toContainText('1 not saved');
  server.database.mend();
  await expect(bench.page.getByText(`“${name}” has changes that are not saved yet.`)).toHaveCount(0);
  await bench.page.getByRole('link', { name, exact: true }).click();
  await expect(bench.field('Focal length', 'A')).toHaveValue('85\u2009mm');
});

test('with the database away the page computes, keeps the change over a reload, and saves when it is back', async ({
  bench,
  server,
  browser,
}) => {
  server.database.cut();
  await bench.type('85', 'Focal length', 'A');
  await expect(bench.figure('Equivalent', 'A')).toHaveText('85.0mm');
  await expect(bench.saving).toHaveText(/Cannot save now/);
  const health = await bench.page.request.get(`${bench.address}/health`);
  expect(health.status()).toBe(503);
  expect(await health.text()).toContain('"name":"database","status":"down"');

  await bench.page.reload();
  await expect(bench.field('Focal length', 'A')).toHaveValue('85\u2009mm');
  await bench.type('100', 'Focal length', 'B');
  await expect(bench.figure('On the sensor', 'B')).toHaveText('100mm');

  server.database.mend();
  await expect(bench.saving).toHaveText(/^Saved/);
  const other = await someoneElse(browser, bench);
  await expect(other.field('Focal length', 'A')).toHaveValue('85\u2009mm');
  await expect(other.field('Focal length', 'B')).toHaveValue('100\u2009mm');
});

test('with the database away a newcomer can work on a new comparison', async ({ browser, server }) => {
  server.database.cut();
  try {
    const page = await (await browser.newContext()).newPage();
    await page.goto(server.address);
    const bench = new Bench(page, server.address);
    await expect(bench.rig('B')).toBeVisible();
    await expect(bench.saving).toHaveText(/Cannot save now/);
    server.database.mend();
    await expect(bench.saving).toHaveText(/^Saved/);
  } finally {
    server.database.mend();
  }
});

test('an address of nothing says so', async ({ page, server }) => {
  await page.goto(`${server.address}/bench/00000000-0000-4000-8000-00000000dead`);
  await expect(page.getByRole('heading', { name: 'No such comparison' })).toBeVisible();
  await page.goto(`${server.address}/nowhere`);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
});
