import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { finding, findings, goToRig, open } from './open';

/** What stands under and beside the camera: elevations, drives, rods, a rig from nothing. */

async function elevations(page: Page, rig?: string) {
  await open(page);
  if (rig) await goToRig(page, rig);
  await page.getByRole('link', { name: 'Elevations' }).click();
  await expect(page.getByRole('group', { name: /^The rig from the side/ })).toBeVisible();
}

test('rods too short: caught with the shortest stock length, cleared by one press, undone', async ({
  page,
}) => {
  await elevations(page);
  const short = finding(page, /Lath 150 end 41\.6 mm short of the front of Pintle wheel/);
  await expect(short).toContainText('200 mm (7.9 in) is the shortest stock length that reaches');
  await short.click();
  await findings(page).getByRole('button', { name: 'Use Lath 200 instead' }).click();
  await expect(short).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: Use Lath 200 instead/ }).click();
  await expect(short).toBeVisible();
});

test('a drive along the rods: arrow keys, then dragged as one step, then left to find its place', async ({
  page,
}) => {
  await elevations(page, 'Wheelhouse');
  const grip = page
    .getByRole('group', { name: /^The rig from the side/ })
    .getByRole('slider', { name: 'Pintle wheel along the rods' });
  const start = Number(await grip.getAttribute('aria-valuenow'));
  await grip.focus();
  await page.keyboard.press('ArrowRight');
  await expect(grip).toHaveAttribute('aria-valuenow', String(start + 1));
  await page.keyboard.press('Shift+ArrowRight');
  await expect(grip).toHaveAttribute('aria-valuenow', String(start + 11));
  await expect(finding(page, /runs off the focus gear of Marl 24/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Clamp Pintle wheel at/ }).click();
  await expect(grip).toHaveAttribute('aria-valuenow', String(start));
  const box = (await grip.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y, { steps: 8 });
  await expect(grip).not.toHaveAttribute('aria-valuenow', String(start));
  await page.mouse.up();
  const dragged = page.getByRole('button', { name: /^Undo: Clamp Pintle wheel at/ });
  await dragged.click();
  await expect(grip).toHaveAttribute('aria-valuenow', String(start));
});

test('views and parts go out as files', async ({ page }) => {
  await elevations(page, 'Canal');
  for (const [name, file] of [
    ['SVG', 'canal-anamorphic.svg'],
    ['DXF', 'canal-anamorphic.dxf'],
    ['CSV', 'canal-anamorphic-parts.csv'],
  ] as const) {
    const [saved] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ]);
    expect(saved.suggestedFilename()).toBe(file);
  }
});

test('the form: another outlet turns the motor, a support finds its place and height', async ({
  page,
}) => {
  await elevations(page, 'Canal');
  await expect(finding(page, /Ratchet motor stalls on 5 V outlet/)).toBeVisible();
  await page.getByRole('tab', { name: 'Under and beside' }).click();
  await page.getByLabel('fed from').selectOption({ label: '8 V outlet of Raft plate, 8 V' });
  await page.getByLabel('put a support').selectOption({ label: 'Prop tall' });
  await expect(page.getByText(/mm, \d+\.\d touches/)).toBeVisible();
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(finding(page, /Ratchet motor stalls/)).toHaveCount(0);
});

for (const theme of ['bench', 'set'])
  test(`axe finds nothing serious on the elevations, ${theme}`, async ({
    page,
    context,
    baseURL,
  }) => {
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
    await elevations(page);
    for (const tab of ['Findings', 'Under and beside', 'Measure next']) {
      await page.getByRole('tab', { name: tab }).click();
      await page.waitForTimeout(300);
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(
        violations
          .filter((v) => v.impact === 'serious' || v.impact === 'critical')
          .map(
            (v) =>
              `${v.id}: ${v.nodes
                .map((n) => n.target.join(' '))
                .slice(0, 3)
                .join(', ')}`,
          ),
        tab,
      ).toEqual([]);
    }
  });
