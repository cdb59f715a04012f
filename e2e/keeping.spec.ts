import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { choose, chosen, finding, goToRig, kept, open, openPart } from './open';

/** Everything the browser holds of the open job, straight from its database. */
async function stored(page: Page): Promise<any> {
  return page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const request = indexedDB.open('nelvix');
        request.onerror = () => reject(request.error);
        request.onsuccess = () => {
          const t = request.result.transaction(['jobs', 'parts', 'history']);
          const get = (store: string) =>
            new Promise<any[]>((done) => {
              const all = t.objectStore(store).getAll();
              all.onsuccess = () => done(all.result);
            });
          void Promise.all([get('jobs'), get('parts'), get('history')]).then(
            ([jobs, parts, history]) => {
              request.result.close();
              resolve({ jobs, parts, history });
            },
          );
        };
      }),
  );
}

test('killed in the middle of two hundred random edits: the last kept one is there, undo works', async ({
  context,
}) => {
  let page = await context.newPage();
  await open(page);
  let seed = 20261124;
  const random = (n: number) => {
    seed = (Math.imul(seed, 1103515245) + 12345) & 0x7fffffff;
    return seed % n;
  };
  let confirmed = '';
  for (let i = 0; i < 200; i++) {
    const what = random(4);
    if (what === 0) {
      await page.getByRole('button', { name: /^Lens: / }).focus();
      await page.keyboard.press(random(2) ? 'ArrowRight' : 'ArrowLeft');
    } else if (what === 1) {
      await page.getByRole('button', { name: /^Body: / }).focus();
      await page.keyboard.press('ArrowRight');
    } else if (what === 2) {
      await page.getByRole('button', { name: /^Between body and lens/ }).focus();
      await page.keyboard.press('ArrowRight');
    } else {
      await page.keyboard.press('Control+z');
    }
    if (i === 120) {
      await kept(page);
      const strip = page.getByRole('group', { name: 'What the rig is made of' });
      confirmed =
        (await strip
          .getByRole('button')
          .evaluateAll((all) => all.map((b) => b.getAttribute('aria-label')).join(' | '))) ?? '';
      // More edits are under way when the tab dies.
      await page.getByRole('button', { name: /^Lens: / }).focus();
      for (let k = 0; k < 5; k++) void page.keyboard.press('ArrowRight').catch(() => undefined);
      const session = await context.newCDPSession(page);
      const dead = page.waitForEvent('crash');
      void session.send('Page.crash').catch(() => undefined);
      await dead;
      page = await context.newPage();
      await open(page);
      const now = await page
        .getByRole('group', { name: 'What the rig is made of' })
        .getByRole('button')
        .evaluateAll((all) => all.map((b) => b.getAttribute('aria-label')).join(' | '));
      // What was confirmed is there, or one of the later steps that got through; never an older state.
      const history = (await stored(page)).history
        .filter((h: any) => h.undone === 0)
        .map((h: any) => h.edit.title);
      expect(history.length).toBeGreaterThan(0);
      if (now !== confirmed) expect(history.at(-1)).toMatch(/^Put /);
    }
  }
  await kept(page);
  const all = await stored(page);
  expect(all.jobs).toHaveLength(1);
  expect(all.parts.map((p: any) => p.id).sort()).toEqual([...all.jobs[0].order].sort());
  // Back to the very beginning, step by step.
  const nothing = page.getByRole('button', { name: 'Nothing to undo' });
  for (let i = 0; i < 600 && (await nothing.count()) === 0; i++)
    await page.keyboard.press('Control+z');
  await expect(nothing).toBeDisabled();
  await kept(page);
  const demo = JSON.parse(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
  const { kit: _kit, ...rest } = demo;
  expect((await stored(page)).jobs[0].doc).toEqual(rest);
});

test('closed and opened again: all there, also the rig that was open', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Canal');
  await choose(page, 'records', /17:9 full width/);
  await kept(page);
  await page.reload();
  await expect(chosen(page, 'records', '17:9 full width')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Rig: Canal/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Undo: Record in 17:9/ })).toBeEnabled();
});

test('two windows: what one changes the other shows, and fields do not overwrite each other', async ({
  context,
}) => {
  const a = await context.newPage();
  const b = await context.newPage();
  await open(a);
  await open(b);
  await choose(a, 'lens', /Marl 35/);
  await kept(a);
  await expect(chosen(b, 'lens', 'Marl 35')).toBeVisible();
  await choose(b, 'records', /16:9/);
  await kept(b);
  await expect(chosen(a, 'records', '16:9')).toBeVisible();
  await expect(chosen(a, 'lens', 'Marl 35')).toBeVisible();
});

test('out as one file, into an empty browser, the same job', async ({ page, browser }) => {
  await open(page);
  await choose(page, 'lens', /Marl 50/);
  await page.getByRole('link', { name: 'Job', exact: true }).click();
  const done = (p: Page) => p.getByRole('region', { name: 'Done in Lock Nine' });
  await expect(done(page)).toContainText(/Put Marl 50 on/);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export Lock Nine' }).click();
  const file = await (await download).path();
  expect((await download).suggestedFilename()).toBe('lock-nine.nelvix.json');
  const backup = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  const backupFile = await (await backup).path();

  const other = await (await browser.newContext()).newPage();
  await open(other, '/jobs');
  await other.getByLabel('Import a job').setInputFiles(file);
  // The demo is here under the same id: what differs is shown, and a copy is had for the asking.
  await expect(other.getByRole('region', { name: 'Lock Nine in the file and here' })).toContainText(
    'Marl 50 in place of Sedge 18-35',
  );
  await other.getByRole('button', { name: 'Take it in as a copy' }).click();
  await other.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(chosen(other, 'lens', 'Marl 50')).toBeVisible();
  await other.getByRole('link', { name: 'Job', exact: true }).click();
  // Who put it on goes along in the file.
  await expect(done(other)).toContainText(/Put Marl 50 on/);
  await other.getByLabel('Restore a backup').setInputFiles(backupFile);
  await expect(other.getByText('1 job is back.')).toBeVisible();
  await expect(other.getByRole('button', { name: /^Open Lock Nine/ })).toHaveCount(3);
  await other.context().close();
});

test('a file of an older version comes in as it was, and its drive can be set', async ({
  page,
}) => {
  await open(page, '/jobs');
  await page
    .getByLabel('Import a job')
    .setInputFiles('src/core/format/fixtures/lock-nine.v3.nelvix.json');
  await page.getByRole('button', { name: 'Take it in as a copy' }).click();
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(chosen(page, 'lens', 'Sedge 18-35')).toBeVisible();
  await expect(page.getByText(/Lath 150 end 41.6 mm short/).first()).toBeVisible();
  await choose(page, 'lens', /Marl 35/);
  await kept(page);
  await page.reload();
  await expect(chosen(page, 'lens', 'Marl 35')).toBeVisible();
  const all = await stored(page);
  const rig = all.jobs.find((j: any) => j.id !== 'lock-nine').doc.rigs[0];
  expect(rig.uses.find((u: any) => u.id === 'lens').part).toBe('marl-35');
  expect(rig.lens).toBeUndefined();
});

test('a broken file names every place and changes nothing', async ({ page }) => {
  await open(page, '/jobs');
  const bad = JSON.parse(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
  bad.kit[0].width = 'wide';
  bad.rigs[1].uses[1].part = 7;
  await page.getByLabel('Import a job').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(bad)),
  });
  const alert = page.getByRole('alert').filter({ hasText: 'not taken in' });
  await expect(alert).toContainText('2 places are wrong. Nothing was changed.');
  await expect(alert).toContainText('kit[0].width: found "wide", expected a number in mm');
  await expect(alert).toContainText('rigs[1].uses[1].part: found 7');
  expect((await stored(page)).jobs).toHaveLength(1);
  await page.getByLabel('Import a job').setInputFiles({
    name: 'huge.json',
    mimeType: 'application/json',
    buffer: Buffer.alloc(30 * 1024 * 1024, 0x61),
  });
  await expect(alert).toContainText('(file): found 30.0 MB');
});

test('names are text, whatever they hold', async ({ page }) => {
  await open(page, '/jobs');
  const job = JSON.parse(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
  const evil = '<img src=x onerror="window.hit=1"><script>window.hit=1</script>';
  job.name = evil;
  for (const p of job.kit) p.name = `${evil} ${p.id}`.slice(0, 120);
  for (const r of job.rigs) {
    r.name = evil;
    r.frames[0].name = '<b>2.39</b>';
  }
  await page.getByLabel('Import a job').setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(job)),
  });
  await page.getByRole('button', { name: 'Take it in as a copy' }).click();
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Rig: <img src=x/ })).toBeVisible();
  await expect(finding(page, /The rear group of <img src=x/)).toBeVisible();
  for (const view of ['Lens set', 'Compare', 'Kit', 'Job']) {
    await page.getByRole('link', { name: view, exact: true }).click();
    await expect(page.getByText('<img src=x').first()).toBeVisible();
  }
  expect(await page.evaluate(() => (window as any).hit)).toBeUndefined();
  expect(await page.locator('img').count()).toBe(0);
});

test('a kit comes in from CSV in one step, and goes again in one', async ({ page }) => {
  await open(page, '/kit');
  const csv =
    'name,mount,focal_mm,image_circle\nReed 28,slr-44.00-54,28,46+-0.5 measured\nReed 75,slr-44.00-54,75,46';
  await page
    .getByLabel('Import a list')
    .setInputFiles({ name: 'reeds.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  // What was read stands there first; nothing is stored before it is taken.
  const read = page.getByRole('region', { name: 'reeds.csv as it was read' });
  await expect(read.getByRole('row').filter({ hasText: 'Reed 28' })).toContainText('46');
  await expect(page.getByRole('button', { name: /^Reed/ })).toHaveCount(0);
  await read.getByRole('button', { name: 'Take these 2 in' }).click();
  await expect(read).toHaveCount(0);
  await page.getByRole('searchbox', { name: 'find' }).fill('reed');
  await expect(page.getByRole('button', { name: /^Reed 28/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo: Import reeds.csv' }).click();
  await expect(page.getByRole('button', { name: /^Reed/ })).toHaveCount(0);
  await page.getByLabel('Import a list').setInputFiles({
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name,mount,focal_mm\nA,pl,long'),
  });
  await expect(page.getByRole('alert').filter({ hasText: 'not taken in' })).toContainText(
    'line 2, focal_mm: found "long"',
  );
});

test('a part taken out of the kit, and a binned job, come back', async ({ page }) => {
  await open(page, '/kit');
  await openPart(page, 'Sedge 18-35');
  await page.getByRole('dialog').getByRole('button', { name: 'Take out of the kit' }).click();
  await expect(page.getByRole('button', { name: /^Sedge/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await expect(page.getByText('put a lens here')).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Take Sedge/ }).click();
  await expect(chosen(page, 'lens', 'Sedge 18-35')).toBeVisible();
  await page.getByRole('link', { name: 'Job', exact: true }).click();
  await page.getByRole('button', { name: 'Bin Lock Nine' }).click();
  await expect(page.getByText('There is no job in this browser.')).toBeVisible();
  await page.getByRole('button', { name: 'Take Lock Nine out of the bin' }).click();
  await expect(page.getByRole('button', { name: 'Open Lock Nine' })).toBeVisible();
});

test('no room left: it says so, keeps the change on the page, and stores it when there is room', async ({
  page,
}) => {
  await open(page);
  await kept(page);
  // The browser refuses every write, as it does when the disk is full.
  await page.evaluate(() => {
    const own = IDBObjectStore.prototype;
    const put = own.put;
    (window as any).makeRoom = () => (own.put = put);
    own.put = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await choose(page, 'lens', /Marl 50/);
  await expect(page.getByRole('alert').filter({ hasText: 'no room left' })).toContainText(
    'export the job to a file',
  );
  await expect(chosen(page, 'lens', 'Marl 50')).toBeVisible();
  await page.evaluate(() => (window as any).makeRoom());
  await page.getByRole('button', { name: 'Try again' }).click();
  await kept(page);
  await page.reload();
  await expect(chosen(page, 'lens', 'Marl 50')).toBeVisible();
});

test('a file of the job that is here: what differs is shown, taken each by itself, undone', async ({
  page,
}) => {
  await open(page, '/jobs');
  const job = JSON.parse(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
  const lens = job.kit.find((p: any) => p.name === 'Marl 35');
  lens.mass = { value: 555, tol: 2, from: 'measured' };
  lens.owner = 'van 2';
  job.kit.push({ id: 'own-screen', kind: 'monitor', name: 'Own screen' });
  job.rigs[0].stop = 4;
  const file = {
    name: 'from-a-colleague.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(job)),
  };
  await page.getByLabel('Import a job').setInputFiles(file);
  const beside = page.getByRole('region', { name: 'Lock Nine in the file and here' });
  await expect(beside).toContainText('3 things in the file are other. Nothing is taken yet.');
  await expect(beside.getByRole('group', { name: 'Own screen' })).toContainText('only in the file');
  await beside.getByRole('checkbox', { name: /^mass .* to 555 \u00b12$/ }).check();
  await beside.getByRole('button', { name: 'Take what is marked' }).click();
  await expect(beside).toBeHidden();
  await kept(page);
  expect((await stored(page)).jobs).toHaveLength(1);
  // What was taken is the same now, and the rest is still other.
  await page.getByLabel('Import a job').setInputFiles(file);
  await expect(beside.getByRole('group', { name: 'Marl 35' })).toContainText('van 2');
  await expect(beside.getByText(/to 555/)).toHaveCount(0);
  await beside.getByRole('button', { name: 'Take all' }).click();
  await kept(page);
  await page.getByLabel('Import a job').setInputFiles(file);
  await expect(beside).toContainText('The file says the same.');
  await beside.getByRole('button', { name: 'Leave it' }).click();
  await page.getByRole('button', { name: 'Undo: Take from the file' }).click();
  await page.getByRole('button', { name: 'Undo: Take from the file' }).click();
  await page.getByLabel('Import a job').setInputFiles(file);
  await expect(beside).toContainText('3 things in the file are other.');
});
