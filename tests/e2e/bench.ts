import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { startServer, type Running } from './server';

export { expect };

/** Wide enough for a panel beside figures: on less it takes their place. */
const viewport = { width: 1680, height: 900 };

/**
 * Each worker has a server, a database and a browser of its own, whose cache keeps the core from one test to the next; each test
 * gets a page that remembers nothing, on a fresh comparison where it asks for one.
 */
export const test = base.extend<{ bench: Bench; pictures: boolean; looksAgain: boolean }, { server: Running; kept: BrowserContext }>({
  kept: [
    async ({ playwright, launchOptions }, use) => {
      const folder = await mkdtemp(join(tmpdir(), 'juxtopsis-e2e-'));
      const context = await playwright.chromium.launchPersistentContext(folder, {
        ...launchOptions,
        viewport,
        colorScheme: 'light',
        // A hand waits until what opens has opened; a test presses it on its way, and misses it.
        reducedMotion: 'reduce',
      });
      await use(context);
      await context.close();
      await rm(folder, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  context: async ({ kept, server }, use) => {
    const cleaner = await kept.newPage();
    await cleaner.goto(`${server.address}/health`);
    await cleaner.evaluate(async () => {
      localStorage.clear();
      await Promise.all(
        (await indexedDB.databases()).map(({ name }) => new Promise((done) => (indexedDB.deleteDatabase(name!).onsuccess = done))),
      );
    });
    await cleaner.close();
    await use(kept);
    await kept.unrouteAll({ behavior: 'ignoreErrors' });
    await Promise.all(
      kept
        .pages()
        .slice(1)
        .map((page) => page.close()),
    );
    await kept.setOffline(false);
  },
  // Software draws pictures slowly; tests that are not about them see the drawn frames that stand in for them.
  pictures: [false, { option: true }],
  // A page that is not in sight does not look whether others changed something; tests of what two do at once want that.
  looksAgain: [true, { option: true }],
  page: async ({ context, pictures, looksAgain }, use) => {
    const page = await context.newPage();
    // The tour of a first visit lies beside what a test does; the newcomer's test takes it.
    await page.addInitScript(() => sessionStorage.getItem('tour') ?? localStorage.setItem('juxtopsis.tour', 'done'));
    if (!looksAgain) {
      await page.addInitScript(() => Object.defineProperty(document, 'hidden', { get: () => true }));
    }
    if (!pictures) {
      await page.addInitScript(() => {
        window.Worker = new Proxy(window.Worker, {
          construct(worker, [address, options]: [URL, WorkerOptions?]) {
            if (options?.name === 'pictures') throw new Error('No pictures here.');
            return new worker(address, options);
          },
        });
      });
    }
    await page.setViewportSize(viewport);
    await page.emulateMedia({ colorScheme: 'light' });
    await use(page);
  },
  server: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads the pattern
    async ({}, use, info) => {
      const server = await startServer(`jux_test_e2e_${process.pid}_${info.workerIndex}`);
      await use(server);
      await server.stop();
    },
    { scope: 'worker' },
  ],
  bench: async ({ page, server }, use) => {
    const bench = new Bench(page, server.address);
    await bench.startNew();
    await use(bench);
  },
});

/** Nothing on the page, or in a part of it, keeps anyone out: in the light page and in the dark one. */
export async function expectNobodyKeptOut(page: Page, within?: string): Promise<void> {
  for (const colorScheme of ['light', 'dark'] as const) {
    // Colours that go over from one light to the other are neither halfway.
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    // The page answers when it comes to it.
    await page.waitForFunction((dark) => {
      const [r = 0, g = 0, b = 0] = getComputedStyle(document.body)
        .backgroundColor.match(/[\d.]+/g)!
        .map(Number);
      return (r + g + b) / 3 < 128 === dark;
    }, colorScheme === 'dark');
    // No frame of another origin is on any page: what it takes to look into those, and to list what passes, is most of the time.
    const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
    // Names, roles and order are the same in either light.
    if (colorScheme === 'dark') axe.withRules('color-contrast');
    const found = await (within ? axe.include(within) : axe).analyze();
    expect(
      found.violations.map((v) => [v.id, v.nodes.map((n) => n.target)]),
      `${colorScheme} page`,
    ).toEqual([]);
  }
  await page.emulateMedia({ colorScheme: 'light' });
}

/** The Bench as a person handles it. */
export class Bench {
  constructor(
    readonly page: Page,
    readonly address: string,
  ) {}

  async startNew(): Promise<void> {
    await this.page.goto(`${this.address}/new`);
    await this.page.waitForURL(/\/bench\/[0-9a-f-]{36}$/);
    await expect(this.saving).toHaveText(/^Saved/);
  }

  async open(path: string): Promise<void> {
    await this.page.goto(this.address + path);
    await expect(this.rig('A')).toBeVisible();
  }

  get saving(): Locator {
    return this.page.getByRole('status').first();
  }

  rig(letter: string): Locator {
    return this.page.getByRole('region', { name: `Rig ${letter}`, exact: true });
  }

  /** What is the same for all rigs. */
  get scene(): Locator {
    return this.page.getByRole('region', { name: /^Scene/ });
  }

  /** Makes two fields contradict each other; what comes back mends them. */
  async contradict(): Promise<() => Promise<void>> {
    const set = async (farthest: string) => {
      await this.page.getByRole('button', { name: 'Place, light' }).click();
      await this.panel.getByLabel('Camera not nearer').fill('1 m');
      await this.panel.getByLabel('Camera not farther').fill(farthest);
      if (farthest === '50 cm') {
        await expect(this.panel.getByRole('alert')).toBeVisible();
      }
      await this.panel.getByRole('button', { name: 'Close', exact: true }).click();
    };
    await set('50 cm');
    return () => set('9 m');
  }

  /** Does something with a whole rig. */
  async do(letter: string, what: string): Promise<void> {
    await this.page.getByRole('button', { name: `Do with rig ${letter}` }).click();
    await this.page.getByRole('menuitem', { name: what }).click();
  }

  /** A field of the scene, or of a rig. */
  field(label: string, letter?: string): Locator {
    return (letter ? this.rig(letter) : this.page.getByRole('region', { name: /^Scene/ })).getByLabel(label, { exact: true });
  }

  async type(text: string, label: string, letter?: string): Promise<void> {
    await this.field(label, letter).fill(text);
  }

  /** Shows another group of figures. */
  async showTopic(name: string): Promise<void> {
    await this.page.getByRole('region', { name: 'Figures' }).getByRole('combobox').click();
    await this.page.getByRole('option', { name, exact: true }).click();
  }

  /** What stands open at the side. */
  get panel(): Locator {
    return this.page.getByRole('dialog');
  }

  /** A cell of the figures: the rig's own, or what it differs from the yardstick. */
  figure(row: string, column: 'A' | 'B' | 'difference'): Locator {
    const cells = this.page.locator(`tr[data-row="${row}"] td`);
    return column === 'A' ? cells.nth(0) : column === 'B' ? cells.nth(1) : this.page.locator(`tr[data-row="${row}"] td.difference`);
  }

  handle(name: 'Camera' | 'Subject' | 'What is behind'): Locator {
    return this.page.getByRole('slider', { name: new RegExp(`^${name}`) });
  }
}
