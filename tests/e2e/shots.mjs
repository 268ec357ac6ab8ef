// Makes the pictures in docs/screenshots/ from the demo data.
import { chromium } from '@playwright/test';

const [address, folder] = process.argv.slice(2);
const demo = (n) => `/bench/10f7a7e0-0000-4000-8000-00000000000${n}`;
/** The small body of the demo. */
const skiff = '8798cb2f-bace-5eec-987c-4eed8c0d1fcf';
const wide = { width: 1280, height: 800 };

/** What was otherwise than planned is known once the shelf is here. */
async function taken(page) {
  await page.getByText('Otherwise than planned', { exact: false }).waitFor({ timeout: 60_000 });
}

/** A bright place, a filter on one rig and a higher sensitivity on the other. */
async function light(page) {
  await page.getByRole('button', { name: 'Place, light' }).click();
  await page.getByRole('textbox', { name: 'Brightness', exact: true }).fill('EV 14');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  const press = async (name, key, times) => {
    for (let i = 0; i < times; i++) await page.getByRole('slider', { name }).press(key);
  };
  await press('Sensitivity of rig A', 'ArrowUp', 1);
  await press('Filter of rig A', 'Shift+ArrowDown', 4);
  await press('Sensitivity of rig B', 'ArrowUp', 3);
  await page.getByRole('button', { name: 'Pin the shutter of rig B' }).click();
  await page.evaluate(() => window.scrollTo(0, 0));
}

const production = '/brief/10f7a7e0-0000-4000-8000-0000000000a1';

/** Opens a shot of the production, and waits for the strip's pictures. */
const shot = (number) => async (page) => {
  await page.getByRole('button', { name: new RegExp(`^${number}\\. `) }).click();
  await page.waitForTimeout(12_000);
};

/** What each bag does of the day. */
async function bags(page) {
  await page.getByText('6 of 8 shots').waitFor({ timeout: 60_000 });
  await page.getByText('4 of 4 shots').waitFor({ timeout: 60_000 });
}

/** The front of two criteria, to its end. */
async function best(page) {
  await page.getByRole('combobox', { name: 'As few or little of' }).click();
  await page.getByRole('option', { name: 'shots left undone' }).click();
  await page.getByRole('list', { name: 'Bags, the fewest first' }).waitFor({ timeout: 90_000 });
  await page.getByRole('progressbar').waitFor({ state: 'detached', timeout: 90_000 });
  await page.getByRole('list', { name: 'Bags, the fewest first' }).getByRole('button').nth(5).click();
}

/** What comes near a look. */
async function match(page) {
  await page.getByRole('list', { name: 'What comes near, the nearest first' }).waitFor();
  await page.waitForTimeout(2500);
}

/** A frozen sheet with its answers. */
async function sheets(page) {
  await page.getByText('Nothing on it has changed.').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
}

/** What the takes tell, with what was wanted and not had. */
async function used(page) {
  await page.locator('button:enabled', { hasText: 'This as CSV' }).waitFor({ timeout: 60_000 });
  await page.locator('[aria-label="By equivalent"] circle').first().waitFor();
}

/** The same as whoever has its link sees it, answered once. */
async function shared(page) {
  await page.getByLabel('For', { exact: true }).fill('The producer');
  await page.getByRole('button', { name: 'Make a link' }).click();
  await page.goto(await page.getByLabel('Address of the link').inputValue());
  await page.reload();
  await page.getByLabel(/^Your name/).fill('Oda Brenwick');
  await page.getByRole('button', { name: 'Yes, like this' }).first().click();
  await page.getByText('1 of 5 answered').waitFor();
}

const shots = [
  { name: 'brief', path: production, viewport: wide, act: shot(5) },
  { name: 'bags', path: `${production}/bags`, viewport: wide, act: bags },
  { name: 'bags-best', path: `${production}/bags?view=best`, viewport: wide, wait: 0, act: best },
  { name: 'bookings', path: `${production}/bags?view=bookings`, viewport: wide, colorScheme: 'dark' },
  { name: 'sheets', path: `${production}/sheets?sheet=10f7a7e0-0000-4000-8000-00000000a710`, viewport: wide, act: sheets },
  {
    name: 'sheet-link',
    path: `${production}/sheets?sheet=10f7a7e0-0000-4000-8000-00000000a710`,
    viewport: { width: 390, height: 844 },
    act: shared,
  },
  { name: 'log', path: `${production}/log?take=10f7a7e0-0000-4000-8000-00000000f126`, viewport: wide, act: taken },
  { name: 'used', path: `${production}/log?view=learn`, viewport: wide, act: used },
  { name: 'test', path: '/shelf/c8943a07-cece-5beb-97da-e5c1430d0947/tests', viewport: wide, colorScheme: 'dark', wait: 1500 },
  { name: 'bench', path: demo(1), viewport: wide },
  { name: 'closer', path: demo(1), viewport: wide, press: /^Look closer at rig A/, wait: 25_000 },
  { name: 'bench-phone', path: demo(2), viewport: { width: 390, height: 844 } },
  { name: 'working', path: demo(1), viewport: wide, press: /^Rig B From/ },
  { name: 'chain', path: demo(4), viewport: wide },
  { name: 'shelf', path: `/shelf?kind=lens&camera=${skiff}`, viewport: wide },
  { name: 'shelf-lens', path: `/shelf?q=fast&camera=${skiff}`, viewport: wide, press: /^Dunlin 18–35 mm ƒ1.8$/ },
  { name: 'work', path: '/work', viewport: wide },
  { name: 'match', path: `${demo(6)}?view=match`, viewport: wide, act: match },
  // Last, since they change the comparison.
  { name: 'light', path: `${demo(2)}?view=light`, viewport: wide, act: light },
];

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking'],
});
for (const { name, path, viewport, colorScheme = 'light', press, act, wait = 400 } of shots) {
  const page = await browser.newPage({ viewport, colorScheme });
  await page.addInitScript(() => window.localStorage.setItem('juxtopsis.tour', 'done'));
  await page.goto(address + path);
  await page.waitForSelector('tr[data-row], li, [data-testid=pair], [role=progressbar], [aria-label="By equivalent"]');
  await page.evaluate(() => document.fonts.ready);
  const rendered = () =>
    [...document.querySelectorAll('canvas')]
      .filter((c) => {
        const { left, right, top, bottom } = c.getBoundingClientRect();
        return right > 0 && bottom > 0 && left < window.innerWidth && top < window.innerHeight;
      })
      .every((c) => Number(c.dataset.samples) >= 64);
  await page
    .waitForFunction(rendered, null, { timeout: 60_000 })
    .catch(() => console.log('  frames in sight only are rendered to their finest'));
  if (act) {
    await act(page);
    await page.waitForTimeout(500);
    await page.waitForFunction(rendered, null, { timeout: 60_000 });
  }
  if (press) {
    await page.getByRole('button', { name: press }).click();
    await page.mouse.move(0, 0);
    await page.waitForTimeout(wait);
  }
  await page.screenshot({ path: `${folder}/${name}.png` });
  console.log(`  ${folder}/${name}.png`);
  await page.close();
}
await browser.close();
