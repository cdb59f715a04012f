import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { chosen, finding, findings, goToRig, kept, open, addPart } from './open';

const plate = (page: Page) => page.getByRole('region', { name: 'The plate' });
const corner = (page: Page, text: RegExp) => plate(page).getByRole('button', { name: text });
const panel = async (page: Page) => {
  await page.getByRole('button', { name: /^in front: / }).click();
  return page.getByRole('dialog', { name: 'In front of the lens' });
};

test('the step-down darkens the wide end: seen in the corners, cleared by the tried fix', async ({
  page,
}) => {
  await open(page);
  const fault = finding(
    page,
    /Rill round polariser 77 cuts all corners of the 2.39 frame at 18 mm/,
  );
  await fault.click();
  await expect(
    corner(page, /^top left corner of the 2.39 frame: black lost, a hard cut, by the Rill/),
  ).toBeVisible();
  await findings(page)
    .getByRole('button', {
      name: 'Use Eddy round polariser 82 in place of Rill round polariser 77',
    })
    .click();
  await expect(finding(page, /Rill round polariser/)).toHaveCount(0);
  await expect(corner(page, /corner of the 2.39 frame/)).toHaveCount(0);
  await kept(page);
  await page.getByRole('button', { name: /^Undo: Use Eddy/ }).click();
  await expect(fault).toBeVisible();
});

test('zoom, stop and focus run through by hand; the worst case comes back at a press', async ({
  page,
}) => {
  await open(page);
  await finding(page, /cuts all corners of the 2.39 frame/).click();
  const zoom = plate(page).getByRole('slider', { name: /^zoom/ });
  await zoom.fill('35');
  await expect(corner(page, /corner of the 2.39 frame/)).toHaveCount(0);
  await zoom.fill('18');
  const stop = plate(page).getByRole('slider', { name: /^stop/ });
  await stop.fill('0');
  await expect(
    corner(page, /top left corner of the 2.39 frame: 1\.\d\d stops lost, a hard cut/),
  ).toBeVisible();
  await plate(page)
    .getByRole('button', { name: /worst case/ })
    .click();
  await expect(corner(page, /top left corner of the 2.39 frame: black lost/)).toBeVisible();
  await plate(page).getByRole('button', { name: 'layers' }).click();
  await page.getByLabel(/falloff of the lens/).check();
  await page.getByLabel(/what stands in front/).uncheck();
  await page.keyboard.press('Escape');
  // At 18 mm behind 0.71 the corner of the frame lies 38.8 degrees off: 4 log2 of its cosine is 1.44.
  await expect(corner(page, /top left corner of the 2.39 frame: 1\.4\d stops lost/)).toBeVisible();
});

test('the box that is 3 mm low: top corners only, the riser mends it', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Canal');
  await expect(finding(page, /Weir box stands 3 mm low/)).toBeVisible();
  await finding(page, /darkens both top corners of the 9:16 frame/).click();
  await expect(corner(page, /^top left corner of the 9:16 frame: 0.44 stops lost/)).toBeVisible();
  await expect(corner(page, /^bottom left corner of the 9:16 frame: 0 stops lost/)).toBeVisible();
  await finding(page, /Weir box stands 3 mm low/).click();
  await findings(page).getByRole('button', { name: 'Put Riser 3 under the rods' }).click();
  await expect(finding(page, /stands 3 mm low/)).toHaveCount(0);
  await kept(page);
});

test('trays, stages, mask and sleeve from one place; each is a step that can be undone', async ({
  page,
}) => {
  await open(page);
  await goToRig(page, 'Canal');
  const form = await panel(page);
  await form.getByLabel('stage 3').selectOption({ label: 'ND 1.2, 4 stops' });
  await expect(page.getByRole('button', { name: 'Undo: Put ND 1.2 in stage 3' })).toBeEnabled();
  await form.getByLabel('stage 3').selectOption({ label: 'stage taken out of the box' });
  await expect(
    page.getByRole('button', { name: 'Undo: Take stage 3 out of the box' }),
  ).toBeEnabled();
  await form.getByLabel('mask').selectOption({ label: 'tall mask' });
  await form.getByLabel('stands at, mm').fill('250');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(
    finding(page, /between Weir box and Wherry 40 anamorphic.*light leaks in/),
  ).toBeVisible();
  await finding(page, /light leaks in/).click();
  await findings(page)
    .getByRole('button', { name: 'Push Weir box back as far as it goes' })
    .click();
  await expect(finding(page, /light leaks in/)).toHaveCount(0);
  for (const name of [
    /^Undo: Push Weir/,
    /^Undo: Stand Weir/,
    /^Undo: Put the tall mask/,
    /^Undo: Take stage 3/,
    /^Undo: Put ND 1.2/,
  ]) {
    await page.getByRole('button', { name }).click();
    await kept(page);
  }
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
});

test('a filter on the thread brings its ring, a box what it is clamped with', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Wheelhouse');
  const form = await panel(page);
  await form
    .getByLabel('screw on')
    .selectOption({ label: 'Eddy round polariser 82, 1.5 stops with Hoop 77 to 82' });
  await expect(form.getByRole('button', { name: /^Hoop 77 to 82/ })).toBeVisible();
  await form.getByRole('button', { name: 'Take Eddy round polariser 82 off' }).click();
  await expect(form.getByRole('button', { name: /^Hoop 77 to 82/ })).toHaveCount(0);
  await form.getByLabel('box', { exact: true }).selectOption({ label: 'Sill box, clip-on' });
  await expect(form.getByLabel('reduction ring')).toHaveValue('reduction-80');
  await page.keyboard.press('Escape');
  await expect(chosen(page, 'in front', 'Sill box')).toBeVisible();
});

test('a flag is dragged down until it touches the frame; one step takes it back', async ({
  page,
}) => {
  await open(page);
  await goToRig(page, 'Canal');
  const flag = page.getByRole('slider', { name: 'top flag' });
  await expect(flag).toHaveAttribute(
    'aria-valuetext',
    /^20°, shades above 4\d°; touches the frame at 1\d degrees/,
  );
  const at = (await flag.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  for (let i = 1; i <= 12; i++)
    await page.mouse.move(at.x + at.width / 2 + 10, at.y + at.height / 2 + i * 6);
  await expect(finding(page, /The top flag of Weir box stands .* in the frame/)).toBeVisible();
  await page.mouse.up();
  await kept(page);
  await expect(finding(page, /The top flag of Weir box stands .* in the frame/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Set the top flag/ }).click();
  await expect(finding(page, /stands .* in the frame/)).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
  // By keys: a degree, with shift ten.
  await flag.press('ArrowDown');
  await expect(flag).toHaveAttribute('aria-valuenow', '19');
  await flag.press('Shift+ArrowUp');
  await expect(flag).toHaveAttribute('aria-valuenow', '29');
});

test('from above: the side flags and the sides of the frame', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Canal');
  const form = await panel(page);
  await form.getByLabel('right flag').check();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('slider', { name: 'top flag' })).toBeVisible();
  const above = page.getByRole('button', { name: 'from above' });
  await above.click();
  await expect(above).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('slider', { name: 'top flag' })).toHaveCount(0);
  const flag = page.getByRole('slider', { name: 'right flag' });
  await expect(flag).toHaveAttribute('aria-valuenow', '45');
  // Camera right is below the axis: up on the screen closes it.
  const at = (await flag.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2 - 20, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => Number(await flag.getAttribute('aria-valuenow'))).toBeLessThan(43);
});

test('the box slides along its rods by pointer and by keys', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Canal');
  const slide = page.getByRole('slider', { name: 'Weir box along its rods' });
  const from = Number(await slide.getAttribute('aria-valuenow'));
  const at = (await slide.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2 + 20, at.y + at.height / 2, { steps: 5 });
  await page.mouse.move(at.x + at.width / 2 + 40, at.y + at.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect
    .poll(async () => Number(await slide.getAttribute('aria-valuenow')))
    .toBeGreaterThan(from + 15);
  await slide.focus();
  const now = Number(await slide.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowRight');
  await expect(slide).toHaveAttribute('aria-valuenow', String(now + 1));
  // It never goes into the lens.
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(slide).toHaveAttribute('aria-valuenow', String(from));
});

test('the full sweep runs in the worker; a cell leads to its picture', async ({ page }) => {
  await open(page);
  await page.getByRole('tab', { name: 'Corners' }).click();
  await page.getByRole('button', { name: 'Sweep zoom, focus, stop' }).click();
  const table = page.getByRole('table', { name: 'Stops lost in the worst corner' });
  await expect(table.getByRole('columnheader')).toHaveCount(13);
  await expect(table.getByRole('button')).toHaveCount(72);
  await table.getByRole('button', { name: /^35 mm, T2, infinity/ }).click();
  await expect(plate(page).getByRole('slider', { name: /^zoom/ })).toHaveValue('35');
  await page.getByLabel('Frame of the sweep').selectOption('chip');
  await expect(
    table.getByRole('button', { name: /^18 mm, T11, infinity: black, hard cut, Rill/ }),
  ).toBeVisible();
  await expect(page.getByText(/along the diagonal/)).toBeVisible();
  await expect(page.locator('.recharts-line')).toHaveCount(3);
});

test('the light: lux or EV, the ND that is missing, put into the free tray', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Canal');
  await page.getByRole('tab', { name: 'Light' }).click();
  const tab = page.getByRole('tabpanel');
  await expect(tab.getByText('3.75 stops too bright: ND 1.1 is missing.')).toBeVisible();
  await tab.getByLabel('light, EV or lx').fill('2560 lx');
  await page.keyboard.press('Enter');
  await expect(tab.getByLabel('light, EV or lx')).toHaveValue('10');
  await expect(tab.getByText('0.75 stops too bright: ND 0.2 is missing.')).toBeVisible();
  await tab.getByRole('button', { name: 'Put ND 0.3 in stage 3' }).click();
  await expect(tab.getByText(/0\.25 stops too dark/)).toBeVisible();
  await tab.getByLabel('fps').fill('fast');
  await page.keyboard.press('Enter');
  await expect(tab.getByText('Like 24.')).toBeVisible();
});

test('a box from nothing: unknown until its numbers are given, then a verdict', async ({
  page,
}) => {
  await open(page, '/kit');
  await addPart(page, 'matte box');
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('name', { exact: true }).first().fill('Own box');
  await page.keyboard.press('Enter');
  await sheet.getByLabel('held by').selectOption('clip-on');
  await sheet.getByLabel('back opening').fill('80.2');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await goToRig(page, 'Wheelhouse');
  const form = await panel(page);
  await form.getByLabel('box', { exact: true }).selectOption({ label: 'Own box, clip-on' });
  await page.keyboard.press('Escape');
  const unknown = finding(page, /unknown: What stands in front of Marl 24 may cut the 2.39 frame/);
  await expect(unknown).toBeVisible();
  await unknown.click();
  for (const [label, value] of [
    ['mouth from its back', '50'],
    ['mouth width', '190'],
    ['mouth height', '120'],
  ] as const) {
    const field = findings(page).getByLabel(`${label} of Own box`, { exact: true }).first();
    await field.fill(`${value}+-0.1`);
    await page.keyboard.press('Enter');
  }
  await expect(unknown).toHaveCount(0);
});

for (const theme of ['bench', 'set'])
  test(`axe finds nothing serious in the tabs and forms of the front, ${theme}`, async ({
    page,
    context,
    baseURL,
  }) => {
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
    await open(page);
    await goToRig(page, 'Canal');
    const serious = async () =>
      (
        await new AxeBuilder({ page })
          .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
          .analyze()
      ).violations
        .filter((v) => v.impact === 'serious' || v.impact === 'critical')
        .map(
          (v) =>
            `${v.id}: ${v.nodes
              .map((n) => n.target.join(' '))
              .slice(0, 3)
              .join(', ')}`,
        );
    await page.getByRole('tab', { name: 'Corners' }).click();
    await page.getByRole('button', { name: 'Sweep zoom, focus, stop' }).click();
    await page.getByRole('table', { name: 'Stops lost in the worst corner' }).waitFor();
    expect(await serious(), 'corners').toEqual([]);
    await page.getByRole('tab', { name: 'Light' }).click();
    await page
      .getByText(/stops too bright/)
      .first()
      .waitFor();
    expect(await serious(), 'light').toEqual([]);
    await panel(page);
    expect(await serious(), 'in front').toEqual([]);
  });

test('the front by keyboard alone: open it, put a filter, run the tabs', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Canal');
  await page.getByRole('button', { name: /^In front of the lens: Weir box/ }).focus();
  await page.keyboard.press('Enter');
  const stage = page.getByRole('dialog').getByLabel('stage 3');
  for (let i = 0; i < 40 && !(await stage.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await expect(stage).toBeFocused();
  await page.keyboard.type('ND 1.2');
  await expect(page.getByRole('button', { name: 'Undo: Put ND 1.2 in stage 3' })).toBeEnabled();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^In front of the lens/ })).toBeFocused();
  await page.getByRole('tab', { name: 'Figures' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('tab', { name: 'Corners' })).toBeFocused();
  await expect(page.getByRole('tabpanel')).toContainText('along the diagonal');
  await page.keyboard.press('.');
  await page.getByPlaceholder(/put marl 35/).fill('take stage 3 out');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('button', { name: 'Undo: Take stage 3 out of the box' }),
  ).toBeEnabled();
});

test('a form for what stands in front leaves the drawing it changes in sight', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Canal');
  const line = (await page.getByRole('region', { name: 'The line' }).boundingBox())!;
  for (const [button, label] of [
    [/^in front/, 'In front of the lens'],
    [/^on the rig/, /^On the rig: plate/],
  ] as const) {
    await page.getByRole('button', { name: button }).click();
    const form = page.getByRole('dialog', { name: label });
    await expect(form.getByText('Under the camera')).toBeVisible();
    await expect
      .poll(async () => (await form.boundingBox())!.y)
      .toBeGreaterThanOrEqual(line.y + line.height);
    const box = (await form.boundingBox())!;
    expect(box.y + box.height).toBeLessThanOrEqual(800);
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(1280);
    await page.keyboard.press('Escape');
    await expect(form).toHaveCount(0);
  }
});
