import { expect, test } from '@playwright/test';
import { goToRig, kept, open, openPart } from './open';

/** The drawing of a part: its numbers read and typed where they are measured. */

test('a number is typed on the drawing, Tab goes on round the piece, undo takes it back', async ({
  page,
}) => {
  await open(page, '/kit');
  const sheet = await openPart(page, 'Weir box');
  const drawing = sheet.getByRole('region', { name: 'Drawing of Weir box' });
  await expect(drawing.getByText('2 are not known yet')).toBeVisible();
  const opening = drawing.getByRole('textbox', { name: 'back opening' });
  await expect(opening).toHaveValue('');
  await expect(opening).toHaveAttribute('placeholder', '?');
  await opening.click();
  // What it is, and what it is measured with.
  await expect(drawing.getByText(/^back opening.*\(calipers\)/)).toBeVisible();
  await drawing.getByLabel('what is typed was').selectOption('measured');
  await opening.click();
  await page.keyboard.type('4 1/2"');
  await page.keyboard.press('Tab');
  await expect(opening).toHaveValue('114.3');
  // The focus is on the next number of the drawing.
  await expect(drawing.locator('input:focus')).toHaveCount(1);
  await expect(drawing.locator('input:focus')).not.toHaveAccessibleName('back opening');
  await opening.click();
  await expect(drawing.getByLabel('where back opening is from')).toHaveValue('measured');
  await page.keyboard.press('Escape');
  await kept(page);
  await page.getByRole('button', { name: /^Undo: Give back opening of Weir box/ }).click();
  await openPart(page, 'Weir box');
  await expect(opening).toHaveValue('');
});

test('what cannot be is said in a sentence, and what stood there stays', async ({ page }) => {
  await open(page, '/kit');
  const sheet = await openPart(page, 'Marl 35');
  const length = sheet.getByRole('textbox', { name: 'length', exact: true });
  await expect(length).toHaveValue('84');
  await length.fill('long');
  await page.keyboard.press('Enter');
  await expect(
    sheet.getByRole('alert').filter({ hasText: '"long" is not a length' }),
  ).toBeAttached();
  await page.keyboard.press('Escape');
  await expect(length).toHaveValue('84');
  await length.fill('9999');
  await page.keyboard.press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('length has to be from 0 to 2000 mm');
});

test('a ring opens on the drawing; a number of a table that is not there begins it', async ({
  page,
}) => {
  await open(page, '/kit');
  const sheet = await openPart(page, 'Marl 35');
  const drawing = sheet.getByRole('region', { name: 'Drawing of Marl 35' });
  await expect(drawing.getByRole('textbox', { name: 'width, focus ring' })).toHaveCount(0);
  const ring = drawing.getByRole('button', { name: 'focus ring' });
  await ring.click();
  await expect(ring).toHaveAttribute('aria-pressed', 'true');
  const width = drawing.getByRole('textbox', { name: 'width, focus ring' });
  await width.fill('13.5+-0.1');
  await page.keyboard.press('Enter');
  const teeth = drawing.getByRole('textbox', { name: 'teeth of its gear, focus ring' });
  await teeth.fill('12,5');
  await page.keyboard.press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('has to be a whole number');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Close' }).click();
  // The list says the same.
  await openPart(page, 'Marl 35');
  await sheet.getByRole('button', { name: 'All as a list' }).click();
  await expect(sheet.getByRole('textbox', { name: 'width' }).first()).toHaveValue('13.5 \u00b10.1');
  // A part of which nothing is known has its drawing, too.
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByPlaceholder(/50 mm prime/).fill('lens');
  await page.getByRole('option', { name: 'lens', exact: true }).click();
  const fresh = page.getByRole('dialog', { name: 'New lens' });
  const behind = fresh.getByRole('textbox', { name: 'behind the rim, entrance pupil' });
  await behind.fill('31');
  await page.keyboard.press('Enter');
  await expect(behind).toHaveValue('31');
  await kept(page);
});

test('another of its kind is laid over it, and what the two say otherwise stands below', async ({
  page,
}) => {
  await open(page, '/kit');
  const sheet = await openPart(page, 'Marl 35');
  await sheet.getByLabel('lay over it').selectOption({ label: 'Marl 24' });
  const table = sheet.getByRole('table', { name: 'What Marl 35 and Marl 24 say otherwise' });
  await expect(table.getByRole('row').filter({ hasText: 'focal length' })).toContainText(
    '\u221211',
  );
});

test('on a phone the drawing goes on one column, without a sideways scroll of the page', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, '/kit');
  const sheet = await openPart(page, 'Marl 35');
  await expect(sheet.getByRole('textbox', { name: 'length', exact: true })).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
});

test('a hole is put where the drawing is pressed, or in the middle of a face by keys; undo takes it off', async ({
  page,
}) => {
  await open(page, '/kit');
  const sheet = await openPart(page, 'Trellis cage');
  const drawing = sheet.getByRole('region', { name: 'Drawing of Trellis cage' });
  const put = drawing.getByRole('button', { name: 'Put a hole, shoe or rail on it' });
  const shoe = drawing.getByRole('button', { name: 'right accessory shoe' });
  await expect(shoe).toHaveCount(0);
  await put.click();
  await drawing.getByLabel('standard or class').selectOption('accessory shoe');
  // Between its holes, on the side one looks at from camera right.
  const five = drawing.locator('svg').getByText('5', { exact: true });
  const at = (await five.boundingBox())!;
  await page.mouse.click(at.x - 25, at.y + 30);
  await expect(shoe).toHaveAttribute('aria-pressed', 'true');
  const up = drawing.getByRole('textbox', { name: /^up from the middle of the face/ });
  await expect(up).toHaveValue(/-\d+ ±3/);
  await kept(page);
  // By keys alone: the middle of its top.
  await put.focus();
  await page.keyboard.press('Enter');
  await expect(drawing.getByLabel('standard or class')).toBeFocused();
  await drawing.getByRole('button', { name: 'top', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(drawing.getByRole('button', { name: 'top 1/4-20 UNC' })).toBeVisible();
  await kept(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo: Put top 1\/4-20 UNC on Trellis cage/ }).click();
  await page.getByRole('button', { name: /^Undo: Put right accessory shoe/ }).click();
  await openPart(page, 'Trellis cage');
  await expect(shoe).toHaveCount(0);
});

test('a socket is put on the drawing of a part: the lead knows its way then, and lies there in the model', async ({
  page,
}) => {
  await open(page, '/model');
  await goToRig(page, 'Tug');
  const lead = page.getByRole('button', { name: /^Tie Lanyard lead, Raft plate to Pane 5: way/ });
  // In each of the three views.
  await expect(lead).toHaveCount(3);
  const before = (await lead.first().getAttribute('aria-label'))!;
  await page.goto('/kit');
  const sheet = await openPart(page, 'Pane 5');
  const drawing = sheet.getByRole('region', { name: 'Drawing of Pane 5' });
  await drawing.getByRole('button', { name: 'Put a hole, shoe, rail or socket on it' }).click();
  await drawing.getByLabel('standard or class').selectOption('its inlet');
  await expect(drawing.getByLabel('it', { exact: true })).toHaveCount(0);
  await drawing.getByRole('button', { name: 'camera left', exact: true }).click();
  const inlet = drawing.getByRole('button', { name: /\d inlet$/ });
  await expect(inlet).toHaveAttribute('aria-pressed', 'true');
  await expect(drawing.getByRole('textbox', { name: /^inlet up/ })).toHaveValue(/^~?0 ±3/);
  await kept(page);
  await page.keyboard.press('Escape');
  await page.goto('/model');
  await expect(lead).toHaveCount(3);
  await expect(lead.first()).not.toHaveAttribute('aria-label', before);
  await page.getByRole('button', { name: /^Undo: Put its inlet on Pane 5/ }).click();
  await expect(lead.first()).toHaveAttribute('aria-label', before);
  await page.goto('/power');
  await page.getByRole('tab', { name: 'Fed by' }).click();
  const screen = page.getByRole('heading', { name: 'Pane 5' }).locator('..');
  await expect(screen).toContainText(/way \d+ mm to \d+ mm, \d ties? on the way/);
});
