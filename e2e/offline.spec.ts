import { expect, test, type Page } from '@playwright/test';
import { createServer, request, type Server } from 'node:http';
import { readFileSync } from 'node:fs';
import { entries, findings, kept, paperReady } from './open';

/**
 * Without the server: a server of its own stands before the one of the tests and is stopped. The
 * same can hand out the service worker of another build.
 */
class Front {
  private server: Server | null = null;
  /** The build that the service worker says it is of; as it is while null. */
  build: string | null = null;
  address = '';

  constructor(private readonly behind: string) {}

  async open(): Promise<void> {
    this.server = createServer((ask, answer) => {
      const id = readFileSync('.next/BUILD_ID', 'utf8').trim();
      // The other build is the same one under another name.
      const path = this.build === null ? ask.url : ask.url?.replaceAll(this.build, id);
      const to = new URL(path ?? '/', this.behind);
      const headers = { ...ask.headers, host: to.host, 'accept-encoding': 'identity' };
      const onward = request(to, { method: ask.method, headers }, (from) => {
        if (to.pathname !== '/sw.js' || this.build === null) {
          answer.writeHead(from.statusCode ?? 502, from.headers);
          from.pipe(answer);
          return;
        }
        const chunks: Buffer[] = [];
        from.on('data', (c: Buffer) => chunks.push(c));
        from.on('end', () => {
          const text = Buffer.concat(chunks).toString().replaceAll(id, this.build!);
          answer.writeHead(200, {
            'content-type': 'text/javascript',
            'content-security-policy': String(from.headers['content-security-policy'] ?? ''),
            'cache-control': 'no-cache',
          });
          answer.end(text);
        });
      });
      onward.on('error', () => answer.destroy());
      ask.pipe(onward);
    });
    // Its place is kept, so that it comes back where it was.
    const port = this.address === '' ? 0 : Number(new URL(this.address).port);
    await new Promise<void>((go) => this.server!.listen(port, '127.0.0.1', go));
    const at = this.server.address();
    if (at && typeof at === 'object') this.address = `http://127.0.0.1:${at.port}`;
  }

  async close(): Promise<void> {
    const { server } = this;
    this.server = null;
    if (!server) return;
    server.closeAllConnections();
    await new Promise<void>((go) => server.close(() => go()));
  }
}

const welcomed = (page: Page) =>
  page.addInitScript(() => localStorage.setItem('nelvix.welcomed', '1'));
const ready = (page: Page) => expect(page.locator('[data-ready=true]')).toBeVisible();

/** Opens it and waits until it is kept whole. */
async function keptWhole(page: Page, address: string): Promise<void> {
  await welcomed(page);
  await page.goto(address);
  await ready(page);
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null, null, {
    timeout: 60_000,
  });
}

test.use({ serviceWorkers: 'allow' });

let front: Front;
test.beforeEach(async ({ baseURL }) => {
  front = new Front(baseURL!);
  await front.open();
});
test.afterEach(() => front.close());

test('after the server is gone: opened, gone through, edited, in and out, printed', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000);
  const wrong: string[] = [];
  page.on('pageerror', (e) => wrong.push(e.message));
  await keptWhole(page, front.address);
  await front.close();
  await page.reload();
  await ready(page);
  await expect(findings(page).getByRole('button').first()).toBeVisible();
  // From place to place as the router goes, and each of them opened by its address.
  const rail = page.getByRole('navigation').first();
  const names = await rail.getByRole('link').allInnerTexts();
  expect(names.length).toBeGreaterThan(7);
  for (const link of await rail.getByRole('link').all()) {
    await link.click();
    await ready(page);
    await expect(page.locator('main')).not.toBeEmpty();
  }
  for (const path of ['/kit', '/model', '/begin', '/rescue']) {
    await page.goto(`${front.address}${path}`);
    await expect(page.getByRole('heading').first()).toBeVisible();
  }
  // An edit is kept, its fixes come from the worker.
  await page.goto(front.address);
  await ready(page);
  await page.getByRole('button', { name: /^lens: / }).click();
  await entries(page).first().waitFor();
  await page.keyboard.type('marl 50');
  await page.getByRole('option', { name: /Marl 50/ }).waitFor();
  await page.keyboard.press('Enter');
  await kept(page);
  await page.reload();
  await ready(page);
  await expect(page.getByRole('banner').getByText('Marl 50')).toBeVisible();
  await findings(page).getByRole('button', { name: /fails/ }).first().click();
  await expect(findings(page).getByRole('listitem').first()).toBeVisible();
  // A list in by the file worker, the job out by it.
  await page.goto(`${front.address}/kit`);
  await page.getByLabel('Import a list').setInputFiles({
    name: 'few.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('item;type;weight\nReed 28;lens;1,2 kg'),
  });
  await expect(page.getByText('mass 1200 g')).toBeVisible();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await kept(page);
  await page.goto(`${front.address}/jobs`);
  await ready(page);
  await expect(page.getByText('opens on this device without a network')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  expect((await download).suggestedFilename()).toMatch(/^nelvix-backup-/);
  // Paper.
  await page.goto(front.address);
  await ready(page);
  await paperReady(page);
  expect((await page.pdf()).length).toBeGreaterThan(10_000);
  // A window of its own, from nothing but what is kept.
  const other = await context.newPage();
  await other.goto(front.address);
  await ready(other);
  expect(wrong).toEqual([]);
});

test('the theme that was chosen stands also on a page that was kept before', async ({ page }) => {
  await keptWhole(page, front.address);
  await page.getByRole('button', { name: /^Theme/ }).click();
  const theme = await page.evaluate(() => document.documentElement.dataset.theme);
  expect(theme).toMatch(/^(bench|set)$/);
  await front.close();
  await page.reload();
  await ready(page);
  expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe(theme);
});

/** How many windows hold what says that something is edited in them. */
const editing = (page: Page) =>
  page.evaluate(
    async () =>
      (await navigator.locks.query()).held!.filter((l) => l.name === 'nelvix-editing').length,
  );

test('a new version says a word, waits while something is edited, and is taken when asked', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000);
  await keptWhole(page, front.address);
  const other = await context.newPage();
  await welcomed(other);
  await other.goto(front.address);
  await ready(other);
  front.build = 'another-build-0000001';
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update());
  const word = page.getByText('A new version of Nelvix is here.');
  await expect(word).toBeVisible({ timeout: 60_000 });
  await expect(other.getByText('A new version of Nelvix is here.')).toBeVisible();
  // The other window is in the middle of something.
  await other.keyboard.press('.');
  await other.keyboard.type('put');
  await expect.poll(() => editing(other)).toBe(1);
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('still being edited in one of the windows')).toBeVisible();
  await expect(other.getByRole('combobox', { name: 'Command line' })).toHaveValue('put');
  await other.keyboard.press('Escape');
  await expect.poll(() => editing(other)).toBe(0);
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(word).toBeHidden({ timeout: 20_000 });
  await ready(page);
  await ready(other);
  expect(
    await page.evaluate(async () =>
      (await caches.keys()).some((n) => n.includes('another-build-0000001')),
    ),
  ).toBe(true);
});

test('it can be installed: name, icons, first page', async ({ request: ask }) => {
  const manifest = (await (await ask.get('/manifest.webmanifest')).json()) as {
    name: string;
    start_url: string;
    icons: { src: string; sizes: string }[];
  };
  expect(manifest).toMatchObject({ name: 'Nelvix', start_url: '/' });
  for (const icon of manifest.icons) {
    const picture = await ask.get(icon.src);
    expect([icon.src, picture.status()]).toEqual([icon.src, 200]);
    if (!icon.src.endsWith('.png')) continue;
    // Width and height as the file itself says them: bytes 16 to 24 of a PNG.
    const body = await picture.body();
    const size = `${body.readUInt32BE(16)}x${body.readUInt32BE(20)}`;
    expect(size).toBe(icon.sizes);
  }
});
