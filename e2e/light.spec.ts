import { expect, test } from '@playwright/test';
import { finding, findings, goToRig, kept, open } from './open';

test('lamps, profile and hard light: said on the light panel, judged, taken by a fix, and back', async ({
  page,
}) => {
  await open(page);
  await goToRig(page, 'Lift bridge');
  await page.getByRole('tab', { name: 'Light' }).click();
  const tab = page.getByRole('tabpanel');
  const flicker = finding(page, /180\u00b0 at 24 fps under 50 Hz can flicker: 172\.8\u00b0/);
  await expect(flicker).toBeVisible();
  await flicker.click();
  await findings(page)
    .getByRole('button', { name: /Set the shutter to 172\.8\u00b0/ })
    .click();
  await expect(tab.getByLabel('shutter, deg')).toHaveValue('172.8');
  await expect(finding(page, /can flicker/)).toHaveCount(0);
  // Without lamps on the mains nothing is said of them.
  await tab.getByLabel('lamps on mains').selectOption({ label: 'none' });
  await expect(finding(page, /no flicker/)).toHaveCount(0);
  await expect(tab.getByLabel('profile')).toHaveValue('film');
  await tab.getByLabel('ISO').fill('25600');
  await page.keyboard.press('Enter');
  await expect(finding(page, /ISO 25600 is 2\.68 stops from the nearest base/)).toBeVisible();
  // The light from above strikes the glass until it stands higher.
  await expect(
    finding(page, /The light from above at 45\u00b0 strikes the front glass/),
  ).toBeVisible();
  await tab.getByLabel('off the axis, deg').fill('70');
  await page.keyboard.press('Enter');
  await expect(finding(page, /strikes the front glass/)).toHaveCount(0);
  await tab.getByLabel('flare is wanted').click();
  await expect(tab.getByLabel('flare is wanted')).toBeChecked();
  await expect(finding(page, /no flare, and it is wanted/)).toBeVisible();
  await tab.getByLabel('hard light from').selectOption({ label: 'nowhere in particular' });
  await expect(tab.getByLabel('flare is wanted')).toHaveCount(0);
  await kept(page);
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+z');
  await expect(tab.getByLabel('shutter, deg')).toHaveValue('180');
});

test('the wheel of the body: turned in on the light panel, and its stops count', async ({
  page,
}) => {
  await open(page);
  await page.getByRole('tab', { name: 'Light' }).click();
  const tab = page.getByRole('tabpanel');
  await expect(tab.getByLabel('filter wheel')).toHaveValue('clear');
  await tab.getByLabel('filter wheel').selectOption({ label: 'ND 1.2, 4.00 stops' });
  await expect(tab.getByText('Pellin Pocket, ND 1.2 turned in')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(tab.getByLabel('filter wheel')).toHaveValue('clear');
});

test('a plate that can be set stands where the rods come out right, or where it is put', async ({
  page,
}) => {
  await open(page);
  await goToRig(page, 'Wheelhouse');
  await page.goto('/model');
  await page.getByRole('tab', { name: 'On the rig' }).click();
  const panel = page.getByRole('tabpanel');
  await panel.getByLabel('put', { exact: true }).selectOption({ label: 'Beam bridge, studio' });
  const set = panel.getByLabel('set to');
  await expect(set).toHaveValue('');
  await expect(panel.getByText(/found|where the rods come out right/).first()).toBeVisible();
  await set.fill('66');
  await page.keyboard.press('Enter');
  await expect(set).toHaveValue('66');
  await page.keyboard.press('Control+z');
  await expect(set).toHaveValue('');
});

test('what tries fixes ended by itself: it is said, and the next question has an answer', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const Real = window.Worker;
    let first = true;
    window.Worker = class extends Real {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        if (!first) return;
        first = false;
        // It dies under its first question.
        this.postMessage = () => {
          this.terminate();
          setTimeout(() => this.dispatchEvent(new Event('error')), 20);
        };
      }
    };
  });
  await open(page);
  await expect(
    page.getByText(/What tries fixes ended by itself; it is started again/),
  ).toBeVisible();
  // Another finding is asked about, and a new worker answers.
  const other = findings(page)
    .getByRole('button', { name: /^fails/ })
    .nth(1);
  await other.click();
  await expect(page.getByText(/ended by itself/)).toHaveCount(0, { timeout: 30_000 });
});
