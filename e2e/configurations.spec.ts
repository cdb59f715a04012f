import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { finding, goToRig, kept, open } from './open';

/** One rig, several configurations: switched, edited, made, named, taken away. */

const chosen = (page: Page) => page.getByRole('button', { name: /^Configuration: / });

async function as(page: Page, name: string | RegExp) {
  await chosen(page).click();
  await page.getByRole('option', { name }).click();
}

test('switched from the head of the page: what is off is off, and the findings are those of it', async ({
  page,
}) => {
  await open(page);
  await goToRig(page, 'Lockside');
  await expect(finding(page, /Spar arm with Pane 5 pull/)).toBeVisible();
  await as(page, 'cabin');
  await expect(chosen(page)).toHaveAccessibleName(
    'Configuration: cabin. What you change belongs to it alone. Choose another',
  );
  await expect(finding(page, /Spar arm with Pane 5 pull/)).toHaveCount(0);
  await expect(finding(page, /Pane 5/)).toHaveCount(0);
  await as(page, 'the rig itself');
  await expect(finding(page, /Spar arm with Pane 5 pull/)).toBeVisible();
});

test('an edit in one belongs to it, is undone, and stays through a reload', async ({ page }) => {
  await open(page, '/model');
  await goToRig(page, 'Lockside');
  await as(page, 'cabin');
  await page.getByRole('tab', { name: 'Joints' }).click();
  const turn = page.getByLabel('turned by', { exact: true }).first();
  await turn.fill('15');
  await turn.press('Enter');
  await kept(page);
  await as(page, 'the rig itself');
  await expect(turn).toHaveValue('');
  await page.reload();
  await as(page, 'cabin');
  await page.getByRole('tab', { name: 'Joints' }).click();
  await expect(turn).toHaveValue('15');
  await page.getByRole('button', { name: /^Undo: Turn / }).click();
  await expect(turn).toHaveValue('');
});

test('made, named, copied and taken away; axe finds nothing', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Wheelhouse');
  await chosen(page).click();
  await page.getByRole('button', { name: 'New configuration' }).click();
  await expect(chosen(page)).toHaveAccessibleName(/^Configuration: configuration\./);
  // The list stays open: a new one is named right there.
  const name = page.getByLabel('name', { exact: true });
  await name.fill('low angle');
  await name.press('Enter');
  await expect(chosen(page)).toHaveAccessibleName(/^Configuration: low angle\./);
  const found = (await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id);
  expect(found).toEqual([]);
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(chosen(page)).toHaveAccessibleName(/^Configuration: the rig itself/);
});
