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

test('the table: every check in every configuration, what changes, and back to the rig', async ({
  page,
}) => {
  await open(page, '/configurations');
  await goToRig(page, 'Lockside');
  const table = page.getByRole('table', { name: 'Checks in every configuration' });
  await expect(table.getByRole('button', { name: 'Size of the rig, cabin: fails' })).toBeVisible();
  // What has nothing to say is not called ok.
  await expect(table.getByRole('button', { name: /^Size of the rig, studio/ })).toHaveCount(0);
  await expect(
    page.getByRole('heading', { name: 'The lens set in every configuration' }),
  ).toBeVisible();
  const changes = page.getByRole('region', { name: 'What changes' });
  await changes.getByLabel('to', { exact: true }).selectOption({ label: 'shoulder' });
  await expect(changes.getByText('Spar arm: 36.0 mm forward')).toBeVisible();
  await expect(changes.getByText('2 x 1/4-20 UNC x 18.0 mm more')).toBeVisible();
  await changes
    .getByRole('button', { name: 'Spar arm: from hole 3 to hole 6: as the rig has it again' })
    .click();
  await expect(changes.getByText('Spar arm: 36.0 mm forward')).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: Spar arm as Lockside/ }).click();
  await expect(changes.getByText('Spar arm: 36.0 mm forward')).toBeVisible();
  for (const theme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: theme });
    const axe = await new AxeBuilder({ page }).analyze();
    expect(axe.violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')).toEqual(
      [],
    );
  }
  // A cell opens that configuration at its finding, and what is other there is marked.
  await table.getByRole('button', { name: /^Bite of the screws, shoulder: fails/ }).click();
  await expect(page.getByRole('button', { name: /^Configuration: shoulder/ })).toBeVisible();
  await expect(finding(page, /bottoms out/)).toBeVisible();
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await page.getByRole('tab', { name: 'Joints' }).click();
  await expect(page.getByText('shoulder: from hole 3 to hole 6')).toBeVisible();
  await page.getByRole('button', { name: /^Spar arm as Lockside, on the shoulder has it/ }).click();
  await expect(page.getByText('shoulder: from hole 3 to hole 6')).toHaveCount(0);
});

test('the rig on every body: totals, what is other, and one put on', async ({ page }) => {
  await open(page, '/configurations');
  await goToRig(page, 'Lockside');
  const bodies = page.getByRole('region', { name: 'Other bodies' });
  await expect(bodies.getByText('the same outside, the same holes; to be hired')).toBeVisible();
  await expect(bodies.getByText(/18\.0 mm narrower, .*holes of Orrin Box not known/)).toBeVisible();
  await bodies.getByRole('button', { name: 'Put Pellin Deep on' }).click();
  await expect(bodies.getByRole('button', { name: 'Put Pellin Pocket on' })).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Put Pellin Deep on/ }).click();
  await expect(bodies.getByRole('button', { name: 'Put Pellin Deep on' })).toBeVisible();
});

test('the camera on its side: frames lie across the chip, the views say which side is on top', async ({
  page,
}) => {
  await open(page);
  await goToRig(page, 'Tug');
  await expect(page.getByText('9:16 1215 x 2160')).toBeVisible();
  await page.getByRole('button', { name: /^framed for/ }).click();
  await page
    .getByLabel('camera', { exact: true })
    .selectOption({ label: 'upright, its left side on top' });
  await page.keyboard.press('Escape');
  await expect(page.getByText('9:16 2160 x 3840')).toBeVisible();
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await expect(
    page.getByRole('group', { name: /^The rig from the front, .* camera left is on top/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Camera upright/ }).click();
  await expect(page.getByRole('group', { name: /camera left is on top/ })).toHaveCount(0);
});

test('on a phone the table scrolls by itself and nothing else does', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, '/configurations');
  await goToRig(page, 'Lockside');
  await expect(page.getByRole('table', { name: 'Checks in every configuration' })).toBeVisible();
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth + 1),
  ).toBe(true);
});
