import { expect, test } from '@playwright/test';
import { workbook } from '../src/core/list/workbook.fixture';
import { kept, open } from './open';

/** The kit as a table, and lists as people keep them. */

const table = (page: import('@playwright/test').Page) =>
  page.getByRole('table', { name: 'Parts of the kit' });

test('sorted, filtered by kind, columns chosen and remembered', async ({ page }) => {
  await open(page, '/kit');
  const rows = table(page).getByRole('row');
  await expect(rows.nth(1)).toContainText('Orrin Box');
  await table(page).getByRole('button', { name: 'mass, g' }).click();
  await expect(table(page).getByRole('columnheader', { name: 'mass, g' })).toHaveAttribute(
    'aria-sort',
    'ascending',
  );
  await table(page).getByRole('button', { name: 'mass, g' }).click();
  const heaviest = Number(
    (await rows.nth(1).getByRole('cell').nth(5).innerText()).replace(/[^\d].*$/, ''),
  );
  const next = Number(
    (await rows.nth(2).getByRole('cell').nth(5).innerText()).replace(/[^\d].*$/, ''),
  );
  expect(heaviest).toBeGreaterThanOrEqual(next);
  await page
    .getByRole('group', { name: 'Kinds' })
    .getByRole('button', { name: /^risers/ })
    .click();
  await expect(rows).toHaveCount(3);
  await expect(page.getByText(/^2 of \d+$/)).toBeVisible();
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('checkbox', { name: 'owner or tag' }).uncheck();
  await page.keyboard.press('Escape');
  await expect(table(page).getByRole('columnheader', { name: 'owner or tag' })).toHaveCount(0);
  await page.reload();
  await expect(table(page).getByRole('columnheader', { name: 'mass, g' })).toBeVisible();
  await expect(table(page).getByRole('columnheader', { name: 'owner or tag' })).toHaveCount(0);
});

test('many at once: owner and count in one step each; a part goes onto the rig from its row', async ({
  page,
}) => {
  await open(page, '/kit');
  await page.getByRole('searchbox', { name: 'find' }).fill('lath');
  await table(page).getByRole('checkbox', { name: 'Select all that are shown' }).check();
  const bar = page.getByRole('group', { name: 'What is selected' });
  await expect(bar.getByText(/^\d selected$/)).toBeVisible();
  const n = Number((await bar.getByText(/selected$/).innerText()).split(' ')[0]);
  await bar.getByLabel('owner or tag').fill('van 2');
  await bar.getByRole('button', { name: 'Set it on all' }).click();
  await expect(table(page).getByRole('cell', { name: 'van 2' })).toHaveCount(n);
  await page.getByRole('button', { name: `Undo: Owner or tag of ${n} parts` }).click();
  await expect(table(page).getByRole('cell', { name: 'van 2' })).toHaveCount(0);
  await bar.getByLabel('pieces on hand').fill('0');
  await bar.getByRole('button', { name: 'Set the count on all' }).click();
  await expect(table(page).getByRole('cell', { name: 'to hire' })).toHaveCount(n);
  await bar.getByRole('button', { name: 'Take them out' }).click();
  await expect(table(page).getByRole('checkbox', { name: /^Select Lath/ })).toHaveCount(0);
  await page.getByRole('button', { name: `Undo: Take ${n} parts out of the kit` }).click();
  await expect(table(page).getByRole('checkbox', { name: /^Select Lath/ })).toHaveCount(n);
  await page.getByRole('searchbox', { name: 'find' }).fill('marl 50');
  await table(page)
    .getByRole('row')
    .filter({ hasText: 'Marl 50' })
    .getByRole('button', { name: /, on Tug, body B$/ })
    .click();
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(
    page
      .getByRole('banner')
      .getByRole('button', { name: /Marl 50/ })
      .first(),
  ).toBeVisible();
});

const LIST = [
  'Qty;Item;Category;Front OD (in);Weight;Coverage;Mount;Invoice',
  '1;Reed 28;Lens;3,15;1,2 kg;46,3 mm;PL;A-1',
  '2;Lath 310;Rods;;0,5 lb;;;A-2',
  '1;Weir hood;Matte box;;heavy;;;',
  '3;Spoon;Cutlery;;;;;',
].join('\n');

test('a list of any look: shown as it was understood, changed by one choice, one undo', async ({
  page,
}) => {
  await open(page, '/kit');
  const file = { name: 'camera.csv', mimeType: 'text/csv', buffer: Buffer.from(LIST) };
  await page.getByLabel('Import a list').setInputFiles(file);
  const read = page.getByRole('region', { name: 'camera.csv as it was read' });
  await expect(read.getByText('1 cell not understood')).toBeVisible();
  await expect(read.getByText('Not used: Invoice.')).toBeVisible();
  const reed = read.getByRole('row').filter({ hasText: 'Reed 28' });
  await expect(reed).toContainText('front diameter 80.01 mm (3,15)');
  await expect(reed).toContainText('mass 1200 g (1,2 kg)');
  await expect(read.getByRole('row').filter({ hasText: 'Weir hood' })).toContainText(
    '"heavy" under Weight is not a number.',
  );
  await expect(read.getByRole('row').filter({ hasText: 'Spoon' })).toContainText('not taken in');
  await read.getByLabel('Front OD (in) goes into').selectOption({ label: 'clear front' });
  await expect(reed).toContainText('clear front 80.01 mm');
  await read.getByRole('button', { name: 'Take these 3 in' }).click();
  await page.getByRole('searchbox', { name: 'find' }).fill('reed');
  await expect(table(page).getByRole('button', { name: /^Reed 28/ })).toBeVisible();
  await kept(page);
  // The same list again: the choice is remembered, and nothing is doubled.
  await page.getByLabel('Import a list').setInputFiles(file);
  await expect(reed).toContainText('clear front');
  await expect(reed).toContainText('there already, with the same numbers');
  await read.getByRole('button', { name: 'Leave it' }).click();
  await page.getByRole('button', { name: 'Undo: Import camera.csv' }).click();
  await expect(table(page).getByRole('button', { name: /^Reed 28/ })).toHaveCount(0);
});

test('a workbook is read, a large one too; what is none says so', async ({ page }) => {
  test.setTimeout(60_000);
  await open(page, '/kit');
  const rows = Array.from({ length: 4000 }, (_, i) => [
    `Stock prime ${i}`,
    'lens',
    80 + (i % 20) / 10,
    'a line of remarks that nobody reads, to make the file as large as they get',
  ]);
  await page.getByLabel('Import a list').setInputFiles({
    name: 'stock.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer: Buffer.from(
      workbook([['Stock', [['Item', 'Type', 'Front (mm)', 'Remarks'], ...rows]]]),
    ),
  });
  const read = page.getByRole('region', { name: 'stock.xlsx as it was read' });
  await expect(read.getByText(/^stock.xlsx: 4000 lines/)).toBeVisible({ timeout: 30_000 });
  await read.getByRole('button', { name: 'Take these 4000 in' }).click();
  await page.getByRole('searchbox', { name: 'find' }).fill('stock prime 3999');
  await expect(table(page).getByRole('button', { name: /^Stock prime 3999/ })).toBeVisible();
  await page.getByLabel('Import a list').setInputFiles({
    name: 'broken.xlsx',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK\u0003\u0004 and nothing more'),
  });
  await expect(page.getByText(/broken.xlsx was not read: .*no workbook/)).toBeVisible();
});

test('on a phone the kit is a list without a sideways scroll', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, '/kit');
  await expect(table(page).getByRole('button', { name: /^Orrin Box/ })).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
});
