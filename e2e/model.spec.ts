import AxeBuilder from '@axe-core/playwright';
import { createHash } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { goToRig, open } from './open';

/** The rig as a model that is turned: looked at, taken apart, cut, pressed; and without graphics. */

async function turned(page: Page, rig?: string) {
  await open(page, '/model');
  if (rig) await goToRig(page, rig);
  await page.getByRole('button', { name: 'Turn it' }).click();
  await expect(picture(page)).toBeVisible();
}

const picture = (page: Page) => page.getByRole('img', { name: /as a model/ });
const button = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

/** What is in the picture now. */
async function seen(page: Page): Promise<string> {
  // Two frames: one to draw, one to be sure that it was.
  await page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
  );
  return createHash('sha1')
    .update(await picture(page).screenshot())
    .digest('hex');
}

/** Where the name of a piece stands in the picture, px. */
async function nameOf(page: Page, name: string) {
  const box = await page.locator('figure').getByText(name, { exact: true }).boundingBox();
  return box!;
}

test('each standard view looks from where it says, also from the front', async ({ page }) => {
  await turned(page, 'Lockside');
  await button(page, 'Names').click();
  await button(page, 'Camera right').click();
  const corner = await seen(page);
  // From camera right the lens is ahead of the body, to the right.
  expect((await nameOf(page, 'Sedge 18-35')).x).toBeGreaterThan(
    (await nameOf(page, 'Gunnel dovetail')).x - 200,
  );
  await button(page, 'Front').click();
  expect(await seen(page)).not.toBe(corner);
  // A grip at camera right stands at the left for who looks from the subject.
  const middle = await picture(page).boundingBox();
  const axis = middle!.x + middle!.width / 2;
  expect((await nameOf(page, 'Fender grip')).x).toBeLessThan(axis);
  await button(page, 'Rear').click();
  await seen(page);
  expect((await nameOf(page, 'Fender grip')).x).toBeGreaterThan(axis - 60);
});

test('by keys alone: turned, moved, zoomed, from part to part, back to the whole rig', async ({
  page,
}) => {
  await turned(page);
  await picture(page).focus();
  await seen(page);
  const first = await nameOf(page, 'Pellin Pocket');
  for (const key of ['ArrowLeft', 'Shift+ArrowUp', '+', '3', '0']) {
    const before = await seen(page);
    await page.keyboard.press(key);
    if (key !== '0') expect(await seen(page)).not.toBe(before);
  }
  await page.keyboard.press('7');
  await seen(page);
  const again = await nameOf(page, 'Pellin Pocket');
  expect(again.x).toBeCloseTo(first.x, 0);
  expect(again.y).toBeCloseTo(first.y, 0);
  await page.keyboard.press('PageDown');
  const said = page.getByRole('figure').getByRole('status');
  await expect(said).not.toBeEmpty();
  const one = await said.textContent();
  await page.keyboard.press('PageDown');
  await expect(said).not.toHaveText(one!);
  await page.keyboard.press('PageUp');
  await expect(said).toHaveText(one!);
});

test('by hand: dragged round, wheel, pointed at, taken apart, cut through', async ({ page }) => {
  await turned(page);
  const box = (await picture(page).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  let last = await seen(page);
  const changed = async () => {
    const now = await seen(page);
    expect(now).not.toBe(last);
    last = now;
  };
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 120, y - 30, { steps: 4 });
  await page.mouse.up();
  await changed();
  await page.mouse.wheel(0, -300);
  await changed();
  await page.getByLabel('Taken apart').fill('1');
  await changed();
  // Nothing stands in the same place any more: no pins on it.
  await expect(page.getByRole('figure').getByRole('button', { name: /^fails?:/i })).toHaveCount(0);
  await page.getByLabel('Taken apart').fill('0');
  await page.getByLabel('Section', { exact: true }).selectOption({ label: 'across' });
  await changed();
  await button(page, 'Perspective').click();
  await changed();
  await button(page, 'Sweeps').click();
  await changed();
  await button(page, 'Load path').click();
});

test('what fouls is pinned and opens its finding; another configuration is tinted and worded', async ({
  page,
}) => {
  await turned(page, 'Lockside');
  const pin = page.getByRole('figure').getByRole('button', { name: /would have to stand in/ });
  await pin.first().click();
  await expect(pin.first()).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Against').selectOption({ label: 'studio' });
  const other = page.getByRole('region', { name: 'Other than studio' });
  await expect(other).toContainText('added: Fender grip');
  await expect(other).toContainText('swapped: Pane 5 in place of Pane 7');
});

test('places that are free are pins in it, as on the views', async ({ page }) => {
  await turned(page, 'Lockside');
  await page.getByRole('tab', { name: 'Joints' }).click();
  await page.getByLabel('where could').selectOption({ label: 'Cleat shoe mount, shoe mount' });
  const place = page.getByRole('figure').getByRole('button', { name: /^Put it on front shoe/ });
  await place.click();
  await expect(page.getByText('shoe foot in front shoe of Stirrup handle')).toBeVisible();
});

test('without graphics, and when they are taken away, the three views stand in with a word', async ({
  page,
}) => {
  await turned(page);
  await page.evaluate(() => {
    const gl = document.querySelector('canvas')!.getContext('webgl2')!;
    gl.getExtension('WEBGL_lose_context')!.loseContext();
  });
  await expect(page.getByText('The device took its graphics away.')).toBeVisible();
  await expect(page.getByRole('group', { name: /^The rig from the side/ })).toBeVisible();
  await page.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });
  await open(page, '/model');
  await page.getByRole('button', { name: 'Turn it' }).click();
  await expect(page.getByText('This browser draws no models')).toBeVisible();
  await expect(page.getByRole('group', { name: /^The rig from the side/ })).toBeVisible();
});

test('for everybody: axe, targets, a phone', async ({ page }) => {
  await turned(page);
  const axe = await new AxeBuilder({ page }).analyze();
  expect(axe.violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
  for (const b of await page
    .getByRole('group', { name: /^(Look from|Show)$/ })
    .getByRole('button')
    .all()) {
    const box = (await b.boundingBox())!;
    expect(box.height).toBeGreaterThanOrEqual(44);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(picture(page)).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
});
