import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { chosen, choose, kept, open } from './open';

/** What the server says of itself, and what is left when something in the browser is broken. */

test('the server takes questions only, and every answer carries its policy', async ({
  request,
  page,
  baseURL,
}) => {
  for (const method of ['POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS'])
    for (const path of ['/', '/kit', '/icon.svg']) {
      const r = await request.fetch(path, { method });
      expect(r.status(), `${method} ${path}`).toBe(405);
      expect(r.headers().allow).toBe('GET, HEAD');
    }
  const answers: [string, Record<string, string>][] = [];
  page.on('response', (r) => {
    if (r.url().startsWith(baseURL!)) answers.push([r.url(), r.headers()]);
  });
  await open(page);
  await expect.poll(() => page.workers().length).toBeGreaterThan(0);
  expect(answers.length).toBeGreaterThan(8);
  for (const [url, headers] of answers) {
    expect(headers['x-content-type-options'], url).toBe('nosniff');
    expect(headers['content-security-policy'], url).toContain("connect-src 'self'");
  }
  // A worker has the policy of its own response: it cannot send anything elsewhere either.
  for (const w of page.workers()) {
    const blocked = await w.evaluate(
      () =>
        new Promise<string>((resolve) => {
          addEventListener('securitypolicyviolation', (e) =>
            resolve((e as SecurityPolicyViolationEvent).effectiveDirective),
          );
          void fetch('https://example.invalid/').catch(() => undefined);
          setTimeout(() => resolve('nothing stopped it'), 2000);
        }),
    );
    expect(blocked).toBe('connect-src');
    const file = await request.get(w.url());
    expect(file.headers()['content-security-policy']).toContain("connect-src 'self'");
  }
});

/** Writes a row past the application, as a failing disk or another version would. */
function writeRow(page: Page, row: unknown) {
  return page.evaluate(
    (r) =>
      new Promise<void>((resolve, reject) => {
        const asked = indexedDB.open('nelvix');
        asked.onerror = () => reject(asked.error ?? new Error('no database'));
        asked.onsuccess = () => {
          const t = asked.result.transaction('jobs', 'readwrite');
          t.objectStore('jobs').put(r);
          t.oncomplete = () => {
            asked.result.close();
            resolve();
          };
          t.onerror = () => reject(t.error ?? new Error('not written'));
        };
      }),
    row,
  );
}

test('a damaged row hides nothing else and can be saved as it lies', async ({ page }) => {
  await open(page);
  await kept(page);
  await writeRow(page, { id: 'wreck', name: 7, rigs: 'gone', keel: [1, 2] });
  await open(page, '/jobs');
  await expect(page.getByText(/Lock Nine/).first()).toBeVisible();
  await expect(page.getByText(/damaged: it cannot be opened/)).toBeVisible();
  await page.goto('/rescue');
  const row = page.getByRole('listitem').filter({ hasText: 'damaged' });
  await expect(row).toHaveCount(1);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    row.getByRole('button', { name: /^Save/ }).click(),
  ]);
  const text = await readFile(await download.path(), 'utf8');
  expect(text).toContain('"keel"');
  expect(JSON.stringify(JSON.parse(text))).toContain('[1,2]');
  // The sound one is there as well, whole.
  const sound = page.getByRole('listitem').filter({ hasText: 'Lock Nine' });
  const [whole] = await Promise.all([
    page.waitForEvent('download'),
    sound.getByRole('button', { name: /^Save/ }).click(),
  ]);
  expect(await readFile(await whole.path(), 'utf8')).toContain('sedge-18-35');
});

test('a job that another window adds shows here', async ({ page, context }) => {
  await open(page, '/jobs');
  await expect(page.getByRole('button', { name: /^Open Job 2|^Job 2/ })).toHaveCount(0);
  const other = await context.newPage();
  await open(other, '/jobs');
  await other.getByRole('button', { name: 'New, empty' }).click();
  await expect(page.getByText('Job 2').first()).toBeVisible();
});

test('the database deleted under the page: the job stays, and is written anew', async ({
  page,
}) => {
  await open(page);
  await kept(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const gone = indexedDB.deleteDatabase('nelvix');
        gone.onsuccess = () => resolve();
        gone.onerror = () => resolve();
        gone.onblocked = () => resolve();
      }),
  );
  await choose(page, 'lens', /Marl 50/);
  await expect(chosen(page, 'lens', 'Marl 50')).toBeVisible();
  // Either it is kept again by itself, or it is said and one press writes it anew.
  const again = page.getByRole('button', { name: 'Try again' });
  const sign = page.getByTestId('save');
  await expect(async () => {
    if (await again.isVisible()) await again.click();
    expect(await sign.textContent()).toBe('saved');
  }).toPass();
  await page.reload();
  await expect(chosen(page, 'lens', 'Marl 50')).toBeVisible();
});
