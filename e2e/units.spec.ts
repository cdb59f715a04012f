import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { findings, goToRig, kept, open, openPart } from './open';

/** Numbers in the units of who reads them; what is stored stays as it is. */

async function choose(page: Page, label: string, name: string) {
  await page.getByRole('region', { name: 'Units' }).getByLabel(label).selectOption({ label: name });
  await expect(page.locator('[data-ready=true]')).toBeVisible();
}

const stored = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string>((done, fail) => {
        const ask = indexedDB.open('nelvix');
        ask.onerror = () => fail(new Error('no database'));
        ask.onsuccess = () => {
          const names = [...ask.result.objectStoreNames];
          const read = ask.result.transaction(names).objectStore('jobs').getAll();
          read.onsuccess = () => {
            ask.result.close();
            done(
              JSON.stringify(
                (read.result as { job?: unknown }[]).map((j) => j.job ?? j),
                (k, v) => (k === 'changed' || k === 'opened' ? undefined : (v as unknown)),
              ),
            );
          };
        };
      }),
  );

test('inches on this device: drawings, findings, fields; nothing that is stored changes', async ({
  page,
}) => {
  await open(page, '/jobs');
  await goToRig(page, 'Lockside');
  await kept(page);
  await page.getByRole('link', { name: 'Job', exact: true }).click();
  const before = await stored(page);
  await choose(page, 'lengths', 'inches');
  await choose(page, 'masses', 'pounds');
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await expect(findings(page)).toContainText('Fender grip by 0.243 in');
  await expect(page.getByRole('group', { name: /^The rig from the side/ })).toContainText(
    '7.87 length of Lath 200',
  );
  // The sum is worked out in millimetres, and says so.
  await page.getByText('how it was worked out').first().click();
  await expect(findings(page)).toContainText(' mm');
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('searchbox', { name: 'find' }).fill('Lath 200');
  await page.getByRole('button', { name: /^Lath 200/ }).click();
  const length = page.getByRole('dialog').getByRole('textbox', { name: 'length', exact: true });
  await expect(length.first()).toHaveValue(/^7\.874/);
  await page.keyboard.press('Escape');
  expect(await stored(page)).toBe(before);
});

test('without a unit a number is in the one that is shown, with one in that', async ({ page }) => {
  await open(page, '/jobs');
  await choose(page, 'lengths', 'inches');
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('searchbox', { name: 'find' }).fill('Lath 200');
  await page.getByRole('button', { name: /^Lath 200/ }).click();
  const length = page
    .getByRole('dialog')
    .getByRole('textbox', { name: 'length', exact: true })
    .first();
  await length.fill('8 in +- 1/64');
  await length.press('Enter');
  await expect(length).toHaveValue(/^8 \u00b10\.0156/);
  await length.fill('210 mm');
  await length.press('Enter');
  await expect(length).toHaveValue(/^8\.2677/);
  await length.fill('8');
  await length.press('Enter');
  await expect(length).toHaveValue(/^8/);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Job', exact: true }).click();
  await choose(page, 'lengths', 'millimetres');
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('searchbox', { name: 'find' }).fill('Lath 200');
  await page.getByRole('button', { name: /^Lath 200/ }).click();
  await expect(length).toHaveValue(/^203\.2/);
});

test('fixes, tried in the worker, speak the same units', async ({ page }) => {
  await open(page, '/jobs');
  await choose(page, 'lengths', 'inches');
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await goToRig(page, 'Lockside');
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await findings(page)
    .getByRole('button', { name: /^fails: Fender grip and Pintle wheel/ })
    .click({ timeout: 20_000 });
  const fixes = findings(page).getByRole('button', { name: /\d in\b/ });
  await expect(fixes.first()).toBeVisible({ timeout: 30_000 });
  await expect(
    findings(page).getByRole('button', { name: /^(Slide|Move|Stand) .*\d mm/ }),
  ).toHaveCount(0);
  const axe = await new AxeBuilder({ page }).analyze();
  expect(axe.violations.map((v) => v.id)).toEqual([]);
});

test('two parts beside each other: mechanics in inches, optics in millimetres', async ({
  page,
}) => {
  await open(page, '/jobs');
  await choose(page, 'lengths', 'inches');
  await open(page, '/kit');
  const sheet = await openPart(page, 'Marl 35');
  await sheet.getByLabel('lay over it').selectOption({ label: 'Marl 24' });
  const table = sheet.getByRole('table', { name: 'What Marl 35 and Marl 24 say otherwise' });
  // 84 and 86 mm.
  const length = table.getByRole('row', { name: /^length, in/ });
  await expect(length).toContainText('3.307');
  await expect(length).toContainText('3.386');
  await expect(length).toContainText('0.0787');
  await expect(table.getByRole('row').filter({ hasText: 'focal length' })).toContainText(
    'focal length, mm',
  );
});

test.describe('a browser that counts with a comma', () => {
  test.use({ locale: 'de-DE' });

  test('shows one, understands both, writes files with a point, and a point can be chosen', async ({
    page,
  }) => {
    await open(page, '/');
    await goToRig(page, 'Lockside');
    await page.getByRole('link', { name: 'Model', exact: true }).click();
    await expect(findings(page)).toContainText('Fender grip by 6,2 mm');
    await page.getByText('how it was worked out').first().click();
    await expect(findings(page)).toContainText(/\d,\d+ mm/);
    const csv = page.waitForEvent('download');
    await page.getByRole('button', { name: 'CSV', exact: true }).click();
    const text = await (await (await csv).createReadStream()).toArray();
    expect(Buffer.concat(text as Buffer[]).toString()).toMatch(/,\d+\.\d+,/);
    await page.getByRole('link', { name: 'Kit', exact: true }).click();
    const sheet = await openPart(page, 'Trellis cage');
    const inside = sheet.getByRole('textbox', { name: 'room inside, across' }).first();
    await expect(inside).toHaveValue('128,4 ±0,2');
    for (const typed of ['128,5 +- 0,2', '128.6 ±0.2']) {
      await inside.fill(typed);
      await page.keyboard.press('Enter');
      await expect(inside).toHaveValue(`${typed.slice(0, 5).replace('.', ',')} ±0,2`);
    }
    await kept(page);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Job', exact: true }).click();
    // A date as it is written there.
    await expect(page.getByText(/changed \d+\.\d+\.\d{4}/)).toBeVisible();
    // The cage is 0.2 mm wider now, half of it on either side.
    await choose(page, 'decimal mark', 'a point: 12.5');
    await page.getByRole('link', { name: 'Model', exact: true }).click();
    await expect(findings(page)).toContainText('Fender grip by 6.1 mm');
    await page.getByRole('link', { name: 'Kit', exact: true }).click();
    await openPart(page, 'Trellis cage');
    await expect(inside).toHaveValue('128.6 ±0.2');
  });
});
