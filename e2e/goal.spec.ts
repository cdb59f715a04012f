import { expect, test, type Page } from '@playwright/test';
import { findings, goToRig, kept, open } from './open';

/** What is shot, kept with the job; and what a rig may weigh. */

const shot = (page: Page) => page.getByRole('region', { name: 'What is shot' });

test('said once, it stays with the job, is undone, and says what it ranks', async ({ page }) => {
  await open(page, '/jobs');
  await expect(shot(page)).toContainText('Say how it is held');
  await shot(page).getByLabel('held').selectOption({ label: 'on the shoulder' });
  await expect(shot(page)).toContainText('Fixes that add less to what is carried come first');
  await shot(page).getByLabel('hours without a change').fill('a while');
  await page.keyboard.press('Tab');
  await expect(page.getByText('Hours, like 1.5; 100 at most.')).toBeVisible();
  await shot(page).getByLabel('hours without a change').fill('1,5');
  await page.keyboard.press('Tab');
  await kept(page);
  await page.reload();
  await expect(shot(page).getByLabel('held')).toHaveValue('shoulder');
  await expect(shot(page).getByLabel('hours without a change')).toHaveValue('1.5');
  await page.getByRole('button', { name: /^Undo: What is shot: 1,5 hours/ }).click();
  await page.getByRole('button', { name: /^Undo: What is shot: on the shoulder/ }).click();
  await expect(shot(page).getByLabel('held')).toHaveValue('-');
});

test('a rig that is begun brings what it was begun for', async ({ page }) => {
  await open(page, '/begin');
  await page.getByRole('radio', { name: /^Gimbal/ }).check();
  await page
    .getByRole('button', { name: /^(Take|Begin|Open|Put)/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Rig: Gimbal/ })).toBeVisible();
  await page.getByRole('link', { name: 'Job', exact: true }).click();
  await expect(shot(page).getByLabel('held')).toHaveValue('gimbal');
});

test('what a rig may weigh is typed in any unit, and is a finding', async ({ page }) => {
  await open(page, '/model');
  await goToRig(page, 'Lockside');
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await page.getByRole('tab', { name: 'On the rig' }).click();
  const field = page.getByLabel('mass at most');
  await field.fill('heavy');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A mass, like 4500 or 4.5 kg.')).toBeVisible();
  await field.fill('4.5 kg');
  await page.keyboard.press('Enter');
  await expect(field).toHaveValue('4500');
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(findings(page)).toContainText(
    /The rig weighs \d+ g: \d+ g more than the 4500 g it may/,
  );
});
