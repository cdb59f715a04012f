import { expect, type Locator, type Page } from '@playwright/test';

/** Every place that is looked at by all. */
export const VIEWS = [
  '/',
  '/model',
  '/carry',
  '/power',
  '/set',
  '/configurations',
  '/compare',
  '/kit',
  '/rules',
  '/jobs',
];

/** Opens a view and waits until the job is there. */
export async function open(page: Page, path = '/') {
  await page.goto(path);
  await expect(page.locator('[data-ready=true]')).toBeVisible();
}

/** Waits until what is printed are the sheets, not the screen. */
export async function paperReady(page: Page) {
  await page.locator('html[data-sheets=ready]').waitFor();
}

/** Waits until everything done so far is kept in the browser. */
export async function kept(page: Page) {
  await expect(page.getByTestId('save')).toHaveText('saved');
}

export function findings(page: Page): Locator {
  return page.getByRole('region', { name: 'Findings' });
}

export function finding(page: Page, text: string | RegExp): Locator {
  return findings(page).getByRole('button', { name: text }).first();
}

/** Chooses on the strip above the line. */
export async function choose(page: Page, what: string, name: string | RegExp) {
  await page.getByRole('button', { name: new RegExp(`^${what}: `) }).click();
  await page.getByRole('option', { name }).first().click();
}

export async function goToRig(page: Page, name: string) {
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.getByRole('option', { name: new RegExp(name) }).click();
  await expect(page.getByRole('button', { name: new RegExp(`^Rig: ${name}`) })).toBeVisible();
}

/** The button that shows what is chosen, at the top; the drawing has buttons of like names. */
export function chosen(page: Page, what: string, name: string): Locator {
  return page
    .getByRole('group', { name: 'What the rig is made of' })
    .or(page.getByRole('banner'))
    .getByRole('button', { name: `${what}: ${name}` });
}

/** Entries of the list that stands open; form fields have options too. */
export function entries(page: Page): Locator {
  return page.locator('[cmdk-item]');
}

/** Tabs until something with this name has the focus. */
export async function tabTo(page: Page, name: RegExp, most = 120) {
  const seen: string[] = [];
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => {
      const e = document.activeElement;
      const said = (e as HTMLInputElement | null)?.labels?.[0]?.textContent ?? e?.textContent ?? '';
      return e ? `${e.getAttribute('aria-label') ?? ''} ${said}`.trim() : '';
    });
    if (name.test(label)) return;
    seen.push(label.slice(0, 40));
  }
  throw new Error(`the keyboard never came to ${String(name)}, only to ${seen.join(' | ')}`);
}

/** Adds a part of a kind to the kit, where the kit is looked at. */
export async function addPart(page: Page, kind: string): Promise<void> {
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByPlaceholder(/50 mm prime/).fill(kind);
  await page.getByRole('option', { name: kind, exact: true }).click();
}

/** Opens a part of the kit by its name, where the kit is looked at. */
export async function openPart(page: Page, name: string): Promise<Locator> {
  await page.getByRole('searchbox', { name: 'find' }).fill(name);
  await page
    .getByRole('table')
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
  return page.getByRole('dialog', { name });
}
