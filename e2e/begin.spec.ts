import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { finding, findings, open } from './open';

/** Somebody who has never been here: nothing is kept in the browser. */
test.use({ storageState: { cookies: [], origins: [] } });

const strip = (page: Page) => page.getByRole('complementary', { name: 'What this is' });

test('a first visit is told what this is, once', async ({ page }) => {
  await open(page);
  await expect(strip(page)).toContainText('Lock Nine, is made up');
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id)).toEqual([]);
  await strip(page).getByRole('button', { name: 'What is wrong, and why' }).click();
  await expect(findings(page).locator('[aria-expanded=true]').first()).toBeVisible();
  await strip(page).getByRole('button', { name: 'Do not show this again' }).click();
  await expect(strip(page)).toHaveCount(0);
  await page.reload();
  await expect(page.locator('[data-ready=true]')).toBeVisible();
  await page.waitForTimeout(1000);
  await expect(strip(page)).toHaveCount(0);
});

test('from nothing to a sure verdict on coverage and one clearance of a rig of one\u2019s own, in few acts', async ({
  page,
}) => {
  let acts = 0;
  const act = async (what: Promise<unknown>) => {
    acts++;
    await what;
  };
  /** What was measured is typed where it is asked for, beside the finding. */
  const measure = async (label: string, value: string) => {
    const field = findings(page).getByLabel(label, { exact: true });
    await act(field.fill(value));
    await act(field.press('Enter'));
  };
  await open(page);
  await act(strip(page).getByRole('link', { name: 'Begin your own' }).click());
  await act(page.getByRole('radio', { name: /^Interview/ }).check());
  await act(
    page.getByLabel('Body', { exact: true }).selectOption({ label: 'Mirrorless body, full frame' }),
  );
  await act(
    page
      .getByLabel('Lens', { exact: true })
      .selectOption({ label: '24-70 mm photo zoom, full frame' }),
  );
  await expect(page.getByText('Putting it together ...')).toHaveCount(0);
  await act(page.getByRole('button', { name: 'Begin with this rig' }).click());
  await expect(page.getByRole('button', { name: /^Rig: Interview/ })).toBeVisible();

  const corners = finding(page, /may or may not reach the corners of full frame/);
  await act(corners.click());
  await measure('image circle of 24-70 mm photo zoom, full frame', '46.4+-0.3');
  await expect(finding(page, /may or may not reach the corners of full frame/)).toHaveCount(0);

  const air = /On-camera microphone stands .* mm from the tilting screen/;
  await act(finding(page, air).click());
  await measure('height of On-camera microphone', '62+-1');
  await expect(
    finding(page, /microphone stands .* from the tilting screen .* inside the tolerances/),
  ).toHaveCount(0);
  expect(acts).toBeLessThanOrEqual(25);
});

test('a typical part goes into a kit, and says that it is a guess', async ({ page }) => {
  await open(page, '/kit');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByPlaceholder(/50 mm prime/).fill('7 in');
  await page.getByRole('option', { name: /On-camera screen, 7 in/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('textbox', { name: 'name' })).toHaveValue('On-camera screen, 7 in');
  // Every number of it says that it is guessed: by its sign on the drawing, by a word in the list.
  await expect(sheet.getByRole('textbox', { name: 'width', exact: true })).toHaveValue(/^~\d/);
  await sheet.getByRole('button', { name: 'All as a list' }).click();
  const sources = sheet.getByRole('combobox', { name: /^where / });
  expect(await sources.count()).toBeGreaterThan(3);
  for (const s of await sources.all()) await expect(s).toHaveValue('guess');
  // Nobody said that there is one.
  await expect(sheet.getByRole('textbox', { name: 'pieces on hand' })).toHaveValue('0');
});

test('on a phone the beginning is read and done without a sideways scroll', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, '/begin');
  await expect(page.getByRole('button', { name: 'Begin with this rig' })).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
});

test('? says what one is looking at, the keys and the words; by pointer too', async ({ page }) => {
  await open(page, '/model');
  const help = page.getByRole('dialog', { name: 'What am I looking at' });
  // Help is loaded after the view; until then there is nobody to hear the key.
  await expect(async () => {
    if (!(await help.isVisible())) await page.keyboard.press('?');
    await expect(help).toBeVisible({ timeout: 2_000 });
  }).toPass();
  await expect(help.getByRole('heading', { name: 'Model' })).toBeVisible();
  await help.getByLabel('Glossary').fill('flange');
  await expect(help.getByText('from the mount face to the image plane, mm')).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(help).toHaveCount(0);
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('button', { name: '? Help', exact: true }).click();
  await expect(help.getByRole('heading', { name: 'Kit' })).toBeVisible();
});

test('every place that is empty says what it is for and offers the one next act', async ({
  page,
}) => {
  await open(page, '/jobs');
  await page.getByRole('button', { name: 'New, empty' }).click();
  await expect(page.getByText('The kit is empty.')).toBeVisible();
  const main = page.getByRole('main');
  for (const path of ['/', '/model', '/set']) {
    await open(page, path);
    await expect(main.getByRole('link', { name: 'Begin a rig' })).toBeVisible();
  }
  await open(page, '/configurations');
  await expect(main.getByRole('button', { name: 'New configuration' })).toBeVisible();
  await open(page, '/compare');
  await main.getByRole('button', { name: 'Copy Rig 1' }).click();
  await expect(main.getByLabel('subject from A, m')).toBeVisible();
  // What is typical stands in for what nobody has: one press says that it is there.
  await open(page, '/kit');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByPlaceholder(/50 mm prime/).fill('5 in');
  await page.getByRole('option', { name: /On-camera screen, 5 in/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'It is on hand' }).click();
  await expect(sheet.getByRole('button', { name: 'It is on hand' })).toHaveCount(0);
});

test('the rigs of a job stand beside each other, each with what is said of it, and open at a press', async ({
  page,
}) => {
  await open(page, '/jobs');
  const rigs = page.getByRole('region', { name: 'Rigs of this job' });
  await expect(rigs.getByRole('listitem')).toHaveCount(8);
  const lockside = rigs.getByRole('button', { name: /^Lockside, on the shoulder/ });
  await expect(lockside).toHaveAccessibleName(/5 configurations.*4 fail.*14 tight.*1 unknown/);
  await expect(rigs.locator('[aria-current=true]')).toHaveAccessibleName(/^Tug, body B/);
  await lockside.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Rig: Lockside/ })).toBeVisible();
  await expect(page.getByRole('group', { name: /^The rig from the side/ })).toBeVisible();
});
