import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { chosen, entries, finding, kept, open, tabTo, openPart, VIEWS } from './open';

async function serious(page: Page) {
  const result = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return result.violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 4)
          .join(', ')}`,
    );
}

for (const theme of ['bench', 'set'])
  for (const view of VIEWS)
    test(`axe finds nothing serious on ${view}, ${theme}`, async ({ page, context, baseURL }) => {
      await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
      await open(page, view);
      expect(await serious(page)).toEqual([]);
    });

for (const theme of ['bench', 'set'])
  test(`axe finds nothing serious on what opens, ${theme}`, async ({ page, context, baseURL }) => {
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
    await open(page);
    await page.getByRole('button', { name: /^lens: / }).click();
    await entries(page).first().waitFor();
    expect(await serious(page), 'a list').toEqual([]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('.');
    await page.keyboard.type('marl');
    expect(await serious(page), 'the command line').toEqual([]);
    await page.keyboard.press('Escape');
    await open(page, '/kit');
    const sheet = await openPart(page, 'Marl 24');
    await sheet.waitFor();
    expect(await serious(page), 'a sheet').toEqual([]);
    await sheet.getByRole('button', { name: 'All as a list' }).click();
    expect(await serious(page), 'a sheet as a list').toEqual([]);
    await open(page, '/carry');
    for (const tab of ['Held', 'Masses', 'Measure', 'Log']) {
      await page.getByRole('tab', { name: tab }).click();
      if (tab === 'Masses') await page.getByText(/, on it now$/).waitFor();
      expect(await serious(page), `carry, ${tab}`).toEqual([]);
    }
    await open(page, '/jobs');
    await page.getByRole('button', { name: 'New, empty' }).click();
    await page.getByText('The kit is empty.').waitFor();
    await page.getByRole('link', { name: 'Rig', exact: true }).click();
    await page.getByText('put a body here').waitFor();
    expect(await serious(page), 'an empty rig').toEqual([]);
  });

test('the whole flow by keyboard alone', async ({ page }) => {
  await open(page);
  await tabTo(page, /^Rig: /);
  await page.keyboard.press('Enter');
  // The list comes when it is first asked for: one types once it is there.
  await entries(page).first().waitFor();
  await page.keyboard.type('wheel');
  await page.getByRole('option', { name: /Wheelhouse/ }).waitFor();
  await page.keyboard.press('Enter');
  await expect(chosen(page, 'lens', 'Marl 24')).toBeVisible();
  await tabTo(page, /^records: /);
  await page.keyboard.press('Enter');
  await entries(page).first().waitFor();
  await page.keyboard.type('open');
  await page.keyboard.press('Enter');
  await expect(chosen(page, 'records', 'open gate 3:2')).toBeVisible();
  await tabTo(page, /Record in Super 35 crop/);
  await page.keyboard.press('Enter');
  await expect(chosen(page, 'records', 'Super 35 crop')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(chosen(page, 'records', 'open gate 3:2')).toBeVisible();
  await tabTo(page, /^lens: /);
  await page.keyboard.press('Enter');
  await entries(page).first().waitFor();
  await page.keyboard.type('wherry');
  await page.getByRole('option', { name: /Wherry/ }).waitFor();
  await page.keyboard.press('Enter');
  await expect(chosen(page, 'adapters', 'Ferrule PL to 20')).toBeVisible();
  await tabTo(page, /show the sum/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  // The focus goes back to what was pressed.
  await expect(page.locator('button:focus')).toHaveAccessibleName(/show the sum/);
  await page.keyboard.press('.');
  await expect(page.getByRole('combobox', { name: 'Command line' })).toBeFocused();
  await page.keyboard.type('go kit');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Kit of Lock Nine' })).toBeVisible();
  await tabTo(page, /^find/);
  await page.keyboard.type('marl 24');
  await page.keyboard.press('Enter');
  const circle = page.getByRole('dialog').getByLabel('diameter, image circle', { exact: true });
  for (let i = 0; i < 30 && !(await circle.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('44+-0.1 measured');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Escape');
  await kept(page);
  await expect(
    page.getByRole('button', { name: /^Undo: Correct diameter, image circle of Marl 24/ }),
  ).toBeEnabled();
});

test('nothing goes to another host, nothing breaks the policy, no script or style without its nonce', async ({
  page,
  baseURL,
}) => {
  const foreign: string[] = [];
  const said: string[] = [];
  page.on('request', (r) => {
    if (!r.url().startsWith(baseURL!) && !/^(blob|data):/.test(r.url())) foreign.push(r.url());
  });
  page.on('console', (m) => {
    if (m.type() === 'error' || /Content Security Policy/i.test(m.text())) said.push(m.text());
  });
  page.on('pageerror', (e) => said.push(e.message));
  const response = await page.goto('/');
  const policy = response!.headers()['content-security-policy']!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(policy).not.toContain('unsafe-inline');
  expect(policy).not.toContain('unsafe-eval');
  for (const view of VIEWS) await open(page, view);
  await open(page);
  await page.getByRole('button', { name: /^lens: / }).click();
  await entries(page).first().waitFor();
  await page.keyboard.press('Escape');
  await page.keyboard.press('.');
  await page.getByRole('dialog').waitFor();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Job', exact: true }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export Lock Nine' }).click();
  await download;
  expect(foreign).toEqual([]);
  expect(said).toEqual([]);
});

test('readable at 390 px: no view runs off the side', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const view of VIEWS) {
    await open(page, view);
    const over = await page.evaluate(
      () => document.documentElement.scrollWidth - window.innerWidth,
    );
    expect(over, view).toBeLessThanOrEqual(0);
  }
  await open(page);
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
  await expect(finding(page, /too shallow/)).toBeVisible();
});

test('at 1280 x 800 line, plate, choices and the first finding are on screen without scrolling', async ({
  page,
}) => {
  await open(page);
  for (const place of [
    page.getByRole('group', { name: 'What the rig is made of' }),
    page.getByRole('region', { name: 'The line' }),
    page.getByRole('region', { name: 'The plate' }),
    finding(page, /too shallow/),
    page.getByRole('button', { name: 'Use Narrows 0.71 for the Pocket instead' }),
  ]) {
    const box = (await place.boundingBox())!;
    expect(box.y).toBeGreaterThanOrEqual(0);
    expect(box.y + box.height).toBeLessThanOrEqual(801);
  }
});

test('buttons are as large as a gloved thumb wants', async ({ page }) => {
  for (const view of VIEWS) {
    await open(page, view);
    const small = await page.evaluate(() =>
      [
        ...document.querySelectorAll(
          'button, a, select, input:not([type=checkbox], [type=radio], [type=file]), [role=button]',
        ),
      ]
        .filter(
          (e) =>
            (e as HTMLElement).checkVisibility?.() &&
            !e.closest('.sr-only') &&
            !e.classList.contains('sr-only'),
        )
        .map((e) => ({
          r: e.getBoundingClientRect(),
          t: e.getAttribute('aria-label') ?? e.textContent ?? '',
        }))
        .filter(({ r }) => r.width > 1 && (r.height < 43.5 || r.width < 24))
        .map(({ r, t }) => `${t.slice(0, 40)} ${Math.round(r.width)} x ${Math.round(r.height)}`),
    );
    expect(small, view).toEqual([]);
  }
});

test('five thousand parts: found at once, under 300 MB', async ({ page }) => {
  await open(page, '/jobs');
  const job = JSON.parse(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
  for (let i = 0; i < 5000; i++)
    job.kit.push({
      id: `lens-${i}`,
      kind: 'lens',
      name: `Stock lens ${i}`,
      mount: 'slr-44.00-54',
      focal: 10 + (i % 290),
      imageCircle: [{ diameter: 40 + (i % 8) }],
    });
  await page.getByLabel('Import a job').setInputFiles({
    name: 'large.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(job)),
  });
  await page.getByRole('button', { name: 'Take it in as a copy' }).click();
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(chosen(page, 'lens', 'Sedge 18-35')).toBeVisible({
    timeout: 30_000,
  });
  await page.getByRole('button', { name: /^lens: / }).click();
  await page.keyboard.type('stock lens 4321');
  await expect(page.getByRole('option', { name: /Stock lens 4321/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(chosen(page, 'lens', 'Stock lens 4321')).toBeVisible();
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  const all = job.kit.length;
  await expect(page.getByText(`${all} of ${all}`)).toBeVisible();
  // Only the rows in sight are made; the last one is there when one goes to the end.
  const table = page.getByRole('table', { name: 'Parts of the kit' });
  await expect(table).toHaveAttribute('aria-rowcount', String(all + 1));
  expect(await table.getByRole('row').count()).toBeLessThan(60);
  await table.evaluate((e) => e.scrollTo(0, e.scrollHeight));
  await expect(table.getByRole('button', { name: /^Stock lens 4999/ })).toBeVisible();
  await page.getByRole('searchbox', { name: 'find' }).fill('4999');
  await expect(page.getByText(`1 of ${all}`)).toBeVisible();
  const session = await page.context().newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  const { metrics } = await session
    .send('Performance.enable')
    .then(() => session.send('Performance.getMetrics'));
  const heap = metrics.find((m) => m.name === 'JSHeapTotalSize')!.value / 1024 / 1024;
  test.info().annotations.push({ type: 'heap', description: `${heap.toFixed(0)} MB` });
  expect(heap).toBeLessThan(300);
});

test('at 200 % of 1280 x 800 everything is still there: nothing runs off, all can be reached', async ({
  browser,
  baseURL,
}) => {
  // What a browser makes of it: half as many pixels of the page, each twice as large.
  const context = await browser.newContext({
    baseURL,
    viewport: { width: 640, height: 400 },
    deviceScaleFactor: 2,
    storageState: {
      cookies: [],
      origins: [{ origin: baseURL!, localStorage: [{ name: 'nelvix.welcomed', value: '1' }] }],
    },
  });
  const page = await context.newPage();
  for (const view of VIEWS) {
    await open(page, view);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBe(640);
    // What stays at the top and the bottom leaves more than half of the window to the view.
    const bars = await page.evaluate(() => {
      const tall = (e: Element | null) => e?.getBoundingClientRect().height ?? 0;
      return (
        tall(document.querySelector('header')) +
        tall(document.querySelector('[aria-label="At hand"]'))
      );
    });
    expect(bars, view).toBeLessThan(200);
  }
  await open(page);
  await page
    .getByRole('group', { name: 'At hand' })
    .getByRole('button', { name: /^Findings/ })
    .click();
  const first = page.getByRole('dialog').locator('li[data-key] button').first();
  await first.scrollIntoViewIfNeeded();
  const box = (await first.boundingBox())!;
  expect(box.y).toBeGreaterThanOrEqual(0);
  expect(box.x + box.width).toBeLessThanOrEqual(640);
  await context.close();
});

test('a screen reader comes to the parts of the rig view in the order in which one works', async ({
  page,
}) => {
  await open(page);
  await expect(page.getByRole('region', { name: 'Findings' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Measure next' })).toBeVisible();
  const order = await page.evaluate(() =>
    [
      ...document.querySelectorAll(
        'header, nav, main, section[aria-label], [role=group][aria-label], h1, h2',
      ),
    ]
      .filter((e) => e.getClientRects().length > 0 || e.matches('.sr-only'))
      .map(
        (e) =>
          e.getAttribute('aria-label') ??
          (e.matches('h1, h2') ? (e as HTMLElement).innerText : e.tagName.toLowerCase()),
      ),
  );
  const wanted = [
    'header',
    'main',
    'What the rig is made of',
    'The line',
    'The plate',
    'Findings',
    'Measure next',
  ];
  const at = wanted.map((w) => order.findIndex((o) => o.includes(w)));
  expect(Object.fromEntries(wanted.map((w, i) => [w, at[i]! >= 0]))).toEqual(
    Object.fromEntries(wanted.map((w) => [w, true])),
  );
  expect(at).toEqual([...at].sort((a, b) => a - b));
  // Every place has one heading of the first rank, and it names what is open.
  for (const view of VIEWS) {
    await open(page, view);
    await expect(page.getByRole('heading', { level: 1 }), view).toHaveCount(1);
  }
});
