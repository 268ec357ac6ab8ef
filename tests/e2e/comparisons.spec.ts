import { expect, test } from './bench';

test('the list opens, renames, duplicates, deletes with undo, and restores', async ({ bench }) => {
  const { page } = bench;
  const name = `Hull in the shed ${Date.now()}`;
  await page.getByLabel('Name of the comparison').fill(name);
  await expect(bench.saving).toHaveText(/^Saved/);
  await page.getByRole('link', { name: 'Work' }).click();
  const row = (text: string) => page.getByRole('listitem').filter({ has: page.getByRole('link', { name: text, exact: true }) });
  await expect(row(name)).toBeVisible();

  await page.getByRole('button', { name: `Rename ${name}`, exact: true }).click();
  const renamed = `${name}, wide`;
  await page.getByLabel(`New name for ${name}`).fill(renamed);
  await page.keyboard.press('Enter');
  await expect(row(renamed)).toBeVisible();

  await page.getByRole('button', { name: `Duplicate ${renamed}`, exact: true }).click();
  await expect(row(`${renamed} (copy)`)).toBeVisible();

  await page.getByRole('button', { name: `Delete ${renamed} (copy)`, exact: true }).click();
  await expect(row(`${renamed} (copy)`)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(`${renamed} (copy)`)).toBeVisible();

  await page.getByRole('button', { name: `Delete ${renamed}`, exact: true }).click();
  await expect(row(renamed)).toHaveCount(0);
  await page.getByRole('tab', { name: 'Deleted' }).click();
  await row(renamed).getByRole('button', { name: 'Restore' }).click();
  await expect(row(renamed)).toHaveCount(0);
  await page.getByRole('tab', { name: 'Current' }).click();
  await row(renamed).getByRole('link', { name: 'Open' }).click();
  await expect(page.getByLabel('Name of the comparison')).toHaveValue(renamed);
});

test('a deleted comparison can be looked at and restored from its address', async ({ bench }) => {
  const id = bench.page.url().split('/').at(-1)!;
  await bench.page.request.delete(`${bench.address}/api/comparisons/${id}`);
  await bench.page.reload();
  await expect(bench.page.getByText('This comparison was deleted.')).toBeVisible();
  await bench.page.getByRole('button', { name: 'Restore it' }).click();
  await expect(bench.page.getByText('This comparison was deleted.')).toHaveCount(0);
});
