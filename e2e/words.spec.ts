import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { explain } from '../src/core/words/explain';
import { goToRig, open, openPart, VIEWS } from './open';

/** Every label on every screen says what it means; names are what the job itself calls something. */

const job = JSON.parse(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8')) as {
  name: string;
  kit: { name: string; modes?: { name: string }[] }[];
  rigs: { name: string; frames?: { name: string }[]; configurations?: { name: string }[] }[];
};
const NAMES = [
  job.name,
  ...job.kit.flatMap((p) => [p.name, ...(p.modes ?? []).map((m) => m.name)]),
  ...job.rigs.flatMap((r) => [
    r.name,
    ...(r.frames ?? []).map((f) => f.name),
    ...(r.configurations ?? []).map((c) => c.name),
  ]),
].map((n) => n.toLowerCase());

/** What is written beside fields and over columns, as it is on the screen now. */
function labels(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll('label, th, dt, legend, input, select, [role=slider]')]
      .filter((e) => e.getClientRects().length > 0)
      .map((e) => {
        const field = e as HTMLInputElement;
        const own = e.matches('label, th, dt, legend') ? (e as HTMLElement).innerText : null;
        return (
          own ??
          e.getAttribute('aria-label') ??
          [...(field.labels ?? [])].map((l) => l.innerText).join(' ')
        )
          .replace(/\s+/g, ' ')
          .trim();
      }),
  );
}

test('on every view every label has a meaning, or is a name of this job', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Lockside');
  const silent = new Map<string, string>();
  let seen = 0;
  const look = async (where: string) => {
    for (const l of await labels(page)) {
      seen++;
      const named = NAMES.some((n) => l.toLowerCase().includes(n));
      if (l !== '' && !named && !explain(l)) silent.set(l, where);
    }
  };
  for (const view of VIEWS) {
    await open(page, view);
    await expect(
      page.getByRole('main').locator('label, th, dt, legend, input').first(),
    ).toBeVisible();
    await look(view);
    if (view !== '/' && view !== '/model') continue;
    for (const name of await page.getByRole('tab').allInnerTexts()) {
      await page.getByRole('tab', { name, exact: true }).click();
      await look(`${view}, ${name}`);
    }
  }
  expect(seen).toBeGreaterThan(200);
  expect([...silent].map(([l, where]) => `${where}: ${l}`)).toEqual([]);
});

test('a field says what it means when it has the focus, and to a screen reader', async ({
  page,
}) => {
  await open(page, '/jobs');
  const crew = page.getByRole('combobox', { name: 'crew' });
  await crew.focus();
  const said = page.getByRole('tooltip');
  await expect(said).toHaveText(/^crew: alone or with others/);
  await expect(crew).toHaveAccessibleDescription(/alone or with others/);
  await page.keyboard.press('Escape');
  await expect(said).toHaveCount(0);
  await expect(crew).toHaveAccessibleDescription('');
  // By pointer, on a head of a column; and it goes when one goes on.
  await page.getByRole('link', { name: 'Compare', exact: true }).click();
  await page.getByRole('rowheader', { name: 'hyperfocal distance' }).hover();
  await expect(said).toContainText('focused there, all from half of it');
  const box = (await said.boundingBox())!;
  expect(box.x).toBeGreaterThanOrEqual(0);
  expect(box.x + box.width).toBeLessThanOrEqual(1280);
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id)).toEqual([]);
  await page.mouse.move(2, 700);
  await expect(said).toHaveCount(0);
});

test('a number of a part says what it is measured with and in what unit', async ({ page }) => {
  await open(page, '/kit');
  const sheet = await openPart(page, 'Marl 24');
  await sheet.getByRole('button', { name: 'All as a list' }).click();
  await sheet.getByRole('textbox', { name: 'mass', exact: true }).focus();
  await expect(page.getByRole('tooltip')).toHaveText(
    'mass: on the scale, as it goes on the rig; by scale; in grams',
  );
});

test('help lists the words of the screen, and can have them keep still', async ({ page }) => {
  await open(page, '/jobs');
  await page.getByRole('button', { name: '? Help', exact: true }).click();
  const help = page.getByRole('dialog', { name: 'What am I looking at' });
  const here = help.locator('section', { hasText: 'Words on this screen' });
  await expect(here.getByText('hours without a change')).toBeVisible();
  await expect(here.getByText('how long it has to run on what is on it')).toBeVisible();
  await here.getByRole('checkbox').uncheck();
  await page.keyboard.press('Escape');
  await page.getByRole('combobox', { name: 'sound' }).focus();
  await page.waitForTimeout(1500);
  await expect(page.getByRole('tooltip')).toHaveCount(0);
  await page.reload();
  await expect(page.locator('[data-ready=true]')).toBeVisible();
  await page.getByRole('combobox', { name: 'crew' }).focus();
  await page.waitForTimeout(1500);
  await expect(page.getByRole('tooltip')).toHaveCount(0);
});

test('a tap on a word says what it means, on a phone', async ({ browser, baseURL }) => {
  const context = await browser.newContext({
    baseURL,
    hasTouch: true,
    viewport: { width: 390, height: 844 },
  });
  const page = await context.newPage();
  await open(page, '/compare');
  const word = page.getByRole('rowheader', { name: 'pixel pitch' });
  await word.scrollIntoViewIfNeeded();
  await word.tap();
  const said = page.getByRole('tooltip');
  await expect(said).toContainText('width of the chip over the pixels across it');
  const box = (await said.boundingBox())!;
  expect(box.x).toBeGreaterThanOrEqual(0);
  expect(box.x + box.width).toBeLessThanOrEqual(390);
  await context.close();
});
