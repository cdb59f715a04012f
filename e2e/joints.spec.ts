import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { finding, findings, goToRig, kept, open, tabTo } from './open';

/** What holds what: where a part could go, what carries, screws and tools. */

async function joints(page: Page) {
  await open(page, '/model');
  await goToRig(page, 'Lockside');
  await expect(page.getByRole('group', { name: /^The rig from the side/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Joints' }).click();
  await expect(page.getByRole('heading', { name: 'What the rig is held by' })).toBeVisible();
}

const side = (page: Page) => page.getByRole('group', { name: /^The rig from the side/ });

test('a part is chosen, every place that holds it lights up ranked, one is pressed, undone', async ({
  page,
}) => {
  await joints(page);
  await page.getByLabel('where could').selectOption({ label: 'Cleat shoe mount, shoe mount' });
  await expect(
    page.getByRole('heading', { name: 'Where could Cleat shoe mount go?' }),
  ).toBeVisible();
  const first = page
    .getByRole('list')
    .getByRole('button', { name: /front shoe of Stirrup handle/ });
  await expect(first).toContainText('Brings no new finding.');
  const pin = side(page).getByRole('button', { name: /^Put it on front shoe of Stirrup handle/ });
  await expect(pin).toBeVisible();
  await pin.click();
  await expect(page.getByText('shoe foot in front shoe of Stirrup handle')).toBeVisible();
  await expect(pin).toHaveCount(0);
  await page
    .getByRole('button', { name: /^Undo: Put Cleat shoe mount on front shoe of Stirrup handle/ })
    .click();
  await expect(page.getByText('shoe foot in front shoe of Stirrup handle')).toHaveCount(0);
});

test('a part that is on moves, with what it carries; a hole further, a turn, as it was again', async ({
  page,
}) => {
  await joints(page);
  const hole = page.getByLabel('hole', { exact: true }).first();
  await expect(hole).toHaveValue('2');
  await hole.selectOption({ label: 'from hole 5 of 9' });
  await expect(page.getByRole('button', { name: /^Undo: Put Spar arm in hole 5/ })).toBeVisible();
  // On the drawing the same is a grip: one arrow, one hole.
  const grip = side(page).getByRole('slider', { name: 'Spar arm, hole of holes of the bar' });
  await expect(grip).toHaveAttribute('aria-valuenow', '4');
  await grip.focus();
  await page.keyboard.press('ArrowRight');
  await expect(grip).toHaveAttribute('aria-valuenow', '5');
  await kept(page);
  await page.reload();
  await expect(side(page).getByRole('slider', { name: /^Spar arm, hole/ })).toHaveAttribute(
    'aria-valuenow',
    '5',
  );
});

test('an arm that turns on its screw: two 1/4 to one pinned 3/8 is offered and cures it', async ({
  page,
}) => {
  await joints(page);
  await page.getByRole('tab', { name: 'Findings' }).click();
  await finding(page, /Spar arm with Pane 5 pull on the single screw/).click();
  await findings(page)
    .getByRole('button', { name: /^Put Spar arm on holes of the bar of Stirrup handle by Bollard/ })
    .click();
  await expect(finding(page, /Spar arm with Pane 5 pull on the single screw/)).toHaveCount(0);
  await page.getByRole('tab', { name: 'Joints' }).click();
  await expect(page.getByText('pinned root in pinned hole of Bollard plate')).toBeVisible();
  await expect(page.getByText(/2 x 1\/4-20 UNC, 9\.6 mm/)).toBeVisible();
});

test('above a head one joint alone fails; a second tie clears it', async ({ page }) => {
  await joints(page);
  await page.getByLabel('above a head, or on a vehicle').check();
  await page.getByRole('tab', { name: 'Findings' }).click();
  const alone = finding(page, /Above a head Pane 5 hangs by one joint alone/);
  await alone.click();
  await findings(page).getByRole('button', { name: 'A second tie on Pane 5' }).click();
  await expect(alone).toHaveCount(0);
});

test('by keyboard alone: choose a part, go to the best place, put it there', async ({ page }) => {
  await joints(page);
  await tabTo(page, /^where could/);
  await page.keyboard.type('Cleat');
  await expect(
    page.getByRole('heading', { name: 'Where could Cleat shoe mount go?' }),
  ).toBeVisible();
  await expect(page.getByRole('list').getByRole('button', { name: /front shoe/ })).toBeVisible();
  await tabTo(page, /front shoe of Stirrup handle/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('shoe foot in front shoe of Stirrup handle')).toBeVisible();
});

for (const theme of ['light', 'dark'] as const)
  test(`joints and places in ${theme}: nothing for axe to find`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: theme });
    await joints(page);
    const look = async () =>
      (await new AxeBuilder({ page }).analyze()).violations.map((v) => `${v.id}: ${v.help}`);
    expect(await look()).toEqual([]);
    await page.getByLabel('where could').selectOption({ label: 'Cleat shoe mount, shoe mount' });
    await expect(page.getByRole('list').getByRole('button', { name: /front shoe/ })).toBeVisible();
    expect(await look()).toEqual([]);
  });

test('on a phone the joints are read without a sideways scroll', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await joints(page);
  const wide = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(wide).toBeLessThanOrEqual(0);
  await expect(page.getByRole('heading', { name: 'Tools' })).toBeAttached();
});
