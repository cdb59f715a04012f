import { expect, test, type Page } from '@playwright/test';
import { choose, chosen, finding, goToRig, kept, open } from './open';

/** Places, and what is in sight in all of them. */

const heightOf = async (page: Page, name: string) =>
  (await page.getByRole(name as 'banner').boundingBox())!.height;

test('rig, lens and how it stands are in sight in every place, and switched from there', async ({
  page,
}) => {
  await open(page);
  const places = page.getByRole('navigation', { name: 'Places' }).getByRole('link');
  const names = [
    'Job',
    'Kit',
    'Rig',
    'Model',
    'Carry',
    'Power',
    'Lens set',
    'Configurations',
    'Compare',
    'Rules',
  ];
  await expect(places).toHaveCount(names.length);
  for (const [i, name] of names.entries()) await expect(places.nth(i)).toHaveAccessibleName(name);
  const standing = page.getByRole('banner').getByRole('button', { name: /^Findings: / });
  const said = (await standing.getAttribute('aria-label'))!;
  expect(said).toMatch(/^Findings: \d+ fails, \d+ tight/);
  for (const name of names) {
    await page.getByRole('link', { name, exact: true }).click();
    await expect(page).toHaveTitle(`${name} - Nelvix`);
    await expect(page.getByRole('button', { name: /^Rig: Tug/ })).toBeVisible();
    await expect(chosen(page, 'lens', 'Sedge 18-35')).toBeVisible();
    await expect(standing).toHaveAttribute('aria-label', said);
  }
  // Another lens goes on from the rules, and the rig stands otherwise.
  await choose(page, 'lens', 'Marl 35');
  await expect(chosen(page, 'lens', 'Marl 35')).toBeVisible();
  await expect(standing).not.toHaveAttribute('aria-label', said);
  await page.keyboard.press('Control+z');
  await expect(standing).toHaveAttribute('aria-label', said);
});

test('findings open at the side of any place, one area at a time; a fix is taken there', async ({
  page,
}) => {
  await open(page, '/kit');
  const side = page.getByRole('complementary', { name: 'Findings of Tug, body B' });
  const standing = page.getByRole('banner').getByRole('button', { name: /^Findings: / });
  await expect(side).toBeHidden();
  await standing.click();
  await expect(side).toBeVisible();
  await expect(side.getByRole('listitem').first()).toBeVisible();
  // All of them: they come a moment after the first.
  await expect.poll(() => side.locator('li[data-key]').count()).toBeGreaterThan(10);
  const all = await side.locator('li[data-key]').count();
  await side.getByLabel('Findings of which area').selectOption({ label: 'Front, 3' });
  // What is open are its findings, and nothing of another area.
  await expect(side.getByText(/polariser 77 cuts all corners of the 2.39 frame/)).toBeVisible();
  await expect(side.getByText(/rear group of Narrows/)).toBeHidden();
  expect(await side.locator('li[data-key]').count()).toBeLessThan(all);
  await side.getByRole('button', { name: /^Use Eddy round polariser 82/ }).click();
  await expect(side.getByText(/polariser 77 cuts all corners/)).toBeHidden();
  await kept(page);
  // It goes along to the next place, and shuts where it was opened.
  await page.getByRole('link', { name: 'Rules', exact: true }).click();
  await expect(side).toBeVisible();
  await side.getByRole('tab', { name: 'Measure next' }).click();
  await expect(side.getByRole('list').first()).toBeVisible();
  await standing.click();
  await expect(side).toBeHidden();
});

test('the line runs along the top where the rig is the subject: a pin leads to its finding', async ({
  page,
}) => {
  await open(page, '/set');
  const strip = page.getByRole('region', { name: 'The line, thin' });
  await expect(strip).toBeVisible();
  const pin = strip.getByRole('button', { name: /^fails here/ }).last();
  const said = (await pin.getAttribute('aria-label'))!.replace(/^.*?: /, '');
  await pin.click();
  const side = page.getByRole('complementary', { name: 'Findings of Tug, body B' });
  await expect(side.getByRole('button', { name: said })).toHaveAttribute('aria-expanded', 'true');
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await expect(strip).toBeHidden();
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await expect(strip).toBeVisible();
  // The model shows findings itself: the tab is turned to.
  await page.getByRole('tab', { name: 'On the rig' }).click();
  await page
    .getByRole('banner')
    .getByRole('button', { name: /^Findings: / })
    .click();
  await expect(page.getByRole('tab', { name: 'Findings' })).toHaveAttribute(
    'aria-selected',
    'true',
  );
  await expect(finding(page, said)).toBeVisible();
});

test('nothing wraps at 1280 with long names', async ({ page }) => {
  await open(page, '/jobs');
  const height = await heightOf(page, 'banner');
  const name = 'A job with a name of sixty letters, as they are on call sheets';
  const field = page.getByRole('textbox', { name: 'open:' });
  await field.fill(name.slice(0, 60));
  await field.press('Enter');
  await expect(page.getByRole('banner').getByText(name.slice(0, 60))).toBeVisible();
  await goToRig(page, 'Canal');
  for (const place of ['Rig', 'Model', 'Lens set', 'Compare', 'Kit', 'Rules']) {
    await page.getByRole('link', { name: place, exact: true }).click();
    await expect(page).toHaveTitle(`${place} - Nelvix`);
    expect(await heightOf(page, 'banner')).toBe(height);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(1280);
  }
});

test('on a phone findings and what to measure are one tap away in every place', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/', '/model', '/set', '/kit', '/rules']) {
    await open(page, path);
    const hand = page.getByRole('group', { name: 'At hand' });
    await hand.getByRole('button', { name: /^Findings \d+/ }).click();
    const sheet = page.getByRole('dialog', { name: 'Tug, body B' });
    await expect(sheet.locator('li[data-key]').first()).toBeVisible();
    await page.keyboard.press('Escape');
    await hand.getByRole('button', { name: 'Measure next' }).click();
    await expect(sheet.getByRole('heading', { name: 'Measure next' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(sheet).toBeHidden();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  }
  await page.getByRole('group', { name: 'At hand' }).getByRole('button', { name: /go to/ }).click();
  await page.getByRole('dialog').getByRole('link', { name: 'Lens set' }).click();
  await expect(page.getByRole('heading', { name: /^Lens set on/ })).toBeVisible();
});

test('an address of before leads to where it stands now, an unknown one to what is known', async ({
  page,
}) => {
  await page.goto('/elevations');
  await expect(page).toHaveURL(/\/model$/);
  const gone = await page.goto('/nowhere');
  expect(gone!.status()).toBe(404);
});

test('what is typed before the command line is there is not lost', async ({ page }) => {
  // Its code comes slowly: everything that comes after the first picture waits.
  let held = true;
  await page.route('**/_next/static/chunks/**', async (route) => {
    while (held && (await page.locator('[data-ready=true]').count()) > 0)
      await new Promise((go) => setTimeout(go, 50));
    await route.continue();
  });
  await open(page);
  await page.keyboard.press('.');
  await page.keyboard.type('go lens setX');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Enter');
  await expect(page).toHaveTitle('Rig - Nelvix');
  held = false;
  await expect(page).toHaveTitle('Lens set - Nelvix');
});
