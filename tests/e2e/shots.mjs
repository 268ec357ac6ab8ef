// Makes the pictures in docs/screenshots/ from the demo data.
import { chromium } from '@playwright/test';

const [address, folder] = process.argv.slice(2);
const demo = (n) => `/bench/10f7a7e0-0000-4000-8000-00000000000${n}`;
/** The small body of the demo. */
const skiff = '8798cb2f-bace-5eec-987c-4eed8c0d1fcf';
const wide = { width: 1280, height: 800 };

/** Framing and blur held, and a longer lens put on: what gave is said. */
async function hold(page) {
  await page.getByRole('button', { name: 'Hold', exact: true }).click();
  await page.getByRole('checkbox', { name: 'Framing' }).check();
  await page.getByRole('checkbox', { name: 'Blur behind' }).check();
  await page.getByRole('region', { name: 'Rig B', exact: true }).getByLabel('Focal length').fill('40');
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

/** A row of focal lengths, each from where it frames alike. */
async function row(page) {
  await page.getByRole('button', { name: 'Do with rig A' }).click();
  await page.getByRole('menuitem', { name: 'Make a row' }).click();
  await page.getByLabel('Focal lengths, mm').fill('18 25 40 60 90 150');
  await page.getByLabel('Seen from').click();
  await page.getByRole('option', { name: /^where each frames/ }).click();
  await page.getByRole('button', { name: 'Make the row' }).click();
}

const production = '/brief/10f7a7e0-0000-4000-8000-0000000000a1';

/** Opens a shot of the production, and waits for the strip's pictures. */
const shot = (number) => async (page) => {
  await page.getByRole('button', { name: new RegExp(`^${number}\\. `) }).click();
  await page.waitForTimeout(12_000);
};

/** The bags for all shots. */
async function day(page) {
  await shot(5)(page);
  await page.getByRole('button', { name: 'Fewest things' }).click();
  await page.getByRole('region', { name: 'What one rig does' }).waitFor();
}

/** What comes near a look. */
async function match(page) {
  await page.getByRole('list', { name: 'What comes near, the nearest first' }).waitFor();
  await page.waitForTimeout(2500);
}

/** Two cameras that cut together. */
async function cut(page) {
  await page.getByRole('button', { name: 'Cut together' }).click();
  await page.getByRole('combobox', { name: 'The one that leads' }).click();
  await page.getByRole('option', { name: /^B Dabchick/ }).click();
  await page.getByRole('button', { name: 'Find lenses' }).click();
  await page.getByRole('region', { name: 'As soft behind as the lead is now' }).waitFor();
}

const shots = [
  { name: 'brief', path: production, viewport: wide, act: shot(5) },
  { name: 'brief-day', path: production, viewport: wide, act: day },
  { name: 'bench', path: demo(1), viewport: wide },
  { name: 'closer', path: demo(1), viewport: wide, press: /^Look closer at rig A/, wait: 25_000 },
  { name: 'bench-phone', path: demo(2), viewport: { width: 390, height: 844 } },
  { name: 'working', path: demo(1), viewport: wide, press: /^Rig B From/ },
  { name: 'conventions', path: demo(3), viewport: wide, press: /^Conventions/ },
  { name: 'find', path: demo(1), viewport: wide, press: /^Find$/ },
  { name: 'chain', path: demo(4), viewport: wide },
  { name: 'parts', path: demo(4), viewport: wide, colorScheme: 'dark', press: /^28 mm/ },
  { name: 'shelf', path: `/shelf?kind=lens&camera=${skiff}`, viewport: wide },
  { name: 'shelf-lens', path: `/shelf?q=fast&camera=${skiff}`, viewport: wide, press: /^Dunlin 18–35 mm ƒ1.8$/ },
  { name: 'shelf-phone', path: '/shelf?q=wide+zoom', viewport: { width: 390, height: 844 } },
  { name: 'work', path: '/work', viewport: wide },
  { name: 'match', path: `${demo(6)}?view=match`, viewport: wide, act: match },
  // Last, since they change the comparison.
  { name: 'match-cut', path: `${demo(5)}?view=match`, viewport: wide, colorScheme: 'dark', act: cut },
  { name: 'light', path: `${demo(2)}?view=light`, viewport: wide, act: light },
  { name: 'hold', path: demo(1), viewport: wide, colorScheme: 'dark', act: hold },
  { name: 'bench-row', path: demo(1), viewport: wide, act: row },
];

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking'],
});
for (const { name, path, viewport, colorScheme = 'light', press, act, wait = 400 } of shots) {
  const page = await browser.newPage({ viewport, colorScheme });
  await page.addInitScript(() => window.localStorage.setItem('juxtopsis.tour', 'done'));
  await page.goto(address + path);
  await page.waitForSelector('tr[data-row], li, [data-testid=pair]');
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
