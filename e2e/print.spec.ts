import { expect, test, type Page } from '@playwright/test';
import { join } from 'node:path';
import { goToRig, open, openPart, paperReady } from './open';

/** Printed to PDF by the browser, read back with a PDF reader: pages, text, and a ruler held to it. */

const MM = 72 / 25.4;

interface Sheet {
  w: number;
  h: number;
  text: string;
  /** Lengths of straight horizontal strokes, mm. */
  strokes: number[];
}

type Matrix = readonly [number, number, number, number, number, number];

const then = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[2] * n[1],
  m[1] * n[0] + m[3] * n[1],
  m[0] * n[2] + m[2] * n[3],
  m[1] * n[2] + m[3] * n[3],
  m[0] * n[4] + m[2] * n[5] + m[4],
  m[1] * n[4] + m[3] * n[5] + m[5],
];

async function printed(page: Page): Promise<Sheet[]> {
  await paperReady(page);
  const data = await page.pdf({ preferCSSPageSize: true });
  const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const fonts = join('node_modules', 'pdfjs-dist', 'standard_fonts/');
  const doc = await pdfjs.getDocument({
    data: new Uint8Array(data),
    standardFontDataUrl: fonts,
    verbosity: 0,
  }).promise;
  const sheets: Sheet[] = [];
  for (let n = 1; n <= doc.numPages; n++) {
    const one = await doc.getPage(n);
    const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = one.view;
    const items = (await one.getTextContent()).items;
    const ops = await one.getOperatorList();
    let now: Matrix = [1, 0, 0, 1, 0, 0];
    const stack: Matrix[] = [];
    const strokes: number[] = [];
    ops.fnArray.forEach((fn, i) => {
      const args = ops.argsArray[i] as unknown[];
      if (fn === pdfjs.OPS.save) stack.push(now);
      else if (fn === pdfjs.OPS.restore) now = stack.pop() ?? now;
      else if (fn === pdfjs.OPS.transform) now = then(now, args as unknown as Matrix);
      else if (fn === pdfjs.OPS.constructPath) {
        const [, [path], box] = args as [number, [Float32Array | null], Float32Array | null];
        if (!path || !box || path.length !== 6 || Math.abs(box[1]! - box[3]!) > 1e-6) return;
        strokes.push((Math.hypot(now[0], now[1]) * Math.abs(box[2]! - box[0]!)) / MM);
      }
    });
    sheets.push({
      w: (x1 - x0) / MM,
      h: (y1 - y0) / MM,
      text: items.map((t) => ('str' in t ? t.str : '')).join(' '),
      strokes,
    });
  }
  return sheets;
}

for (const [paper, w, h] of [
  ['a4', 210, 297],
  ['letter', 215.9, 279.4],
] as const)
  for (const theme of ['bench', 'set'])
    test(`the rig on ${paper}, ${theme}: what is said, the views to scale, what it takes`, async ({
      page,
      context,
      baseURL,
    }) => {
      await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }]);
      await page.addInitScript((p) => localStorage.setItem('nelvix.paper', p), paper);
      await open(page);
      await goToRig(page, 'Lockside');
      const sheets = await printed(page);
      expect(sheets.length).toBeGreaterThan(3);
      // Each of the three views on a sheet of its own, the way round that suits it.
      const drawn = sheets.filter((s) => /^.*1 : [\d.]+/.test(s.text));
      expect(drawn).toHaveLength(3);
      for (const s of sheets) {
        const [short, long] = [Math.min(s.w, s.h), Math.max(s.w, s.h)];
        expect(Math.abs(short - w)).toBeLessThan(0.5);
        expect(Math.abs(long - h)).toBeLessThan(0.5);
        expect(s.text).toContain('Lock Nine / Lockside, on the shoulder');
        expect(s.text).toContain(`of ${sheets.length}`);
      }
      // A ruler held to the first page and to the drawing.
      for (const s of [sheets[0]!, ...drawn])
        expect(s.strokes.some((mm) => Math.abs(mm - 100) < 0.05)).toBe(true);
      const text = sheets
        .map((s) => s.text)
        .join(' ')
        .replace(/\s+/g, ' ');
      expect(text).toContain('Spar arm with Pane 5 pull on the single screw');
      expect(text).toContain('What it takes');
      expect(text).toMatch(/1 : (2\.5|4) /);
      expect(text).toContain('hex key 4 mm');
    });

test('the kit is printed from the kit, and the screen is what it was', async ({ page }) => {
  await open(page, '/kit');
  await expect(
    page.getByRole('table', { name: 'Parts of the kit' }).getByRole('row').nth(3),
  ).toBeVisible();
  const sheets = await printed(page);
  const text = sheets
    .map((s) => s.text)
    .join(' ')
    .replace(/\s+/g, ' ');
  expect(text).toContain('Kit of Lock Nine');
  expect(text).toContain('Pintle wheel');
  expect(text).not.toContain('Export');
  await expect(page.getByRole('button', { name: 'Add', exact: true })).toBeVisible();
  await expect(page.locator('.sheets')).toHaveCount(0);
});

test('a part on paper: drawn to a true scale, every number on it, what is missing to be written in', async ({
  page,
}) => {
  await open(page, '/kit');
  await openPart(page, 'Weir box');
  await expect(page.getByRole('dialog', { name: 'Weir box' })).toBeVisible();
  const sheets = await printed(page);
  const text = sheets
    .map((s) => s.text)
    .join(' ')
    .replace(/\s+/g, ' ');
  expect(text).toContain('Weir box');
  expect(text).toMatch(/Drawn 1:(2|2\.5|4) ?;/);
  expect(text).toContain('214');
  expect(text).toContain('not known: calipers');
  expect(sheets[0]!.strokes.some((mm) => Math.abs(mm - 100) < 0.05)).toBe(true);
  await expect(page.getByRole('dialog', { name: 'Weir box' })).toBeVisible();
});

test('the lens set is printed across, every lens against every mode', async ({ page }) => {
  await open(page);
  await goToRig(page, 'Wheelhouse');
  await page.getByRole('link', { name: 'Lens set', exact: true }).click();
  await expect(page.getByRole('rowheader').nth(2)).toBeVisible();
  const rows = await page.getByRole('rowheader').count();
  const sheets = await printed(page);
  expect(sheets.every((s) => s.w > s.h)).toBe(true);
  const text = sheets.map((s) => s.text).join(' ');
  expect(text).toContain('Lens set on');
  expect(text).toContain('Sedge 18-35');
  expect(rows).toBeGreaterThan(2);
  // A state is a word on paper, never a colour alone.
  expect(text.match(/\b(ok|tight|fails|unknown),/g)!.length).toBeGreaterThan(rows);
  expect(sheets[0]!.strokes.some((mm) => Math.abs(mm - 100) < 0.05)).toBe(true);
});

test('configurations are printed beside each other, with what has to be done in between', async ({
  page,
}) => {
  await open(page);
  await goToRig(page, 'Lockside');
  await page.getByRole('link', { name: 'Configurations', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'studio' }).first()).toBeVisible();
  const sheets = await printed(page);
  const text = sheets
    .map((s) => s.text)
    .join(' ')
    .replace(/\s+/g, ' ');
  for (const name of ['studio', 'shoulder', 'cabin', 'gimbal']) expect(text).toContain(name);
  expect(text).toContain('From the rig itself to cabin');
  expect(text).toMatch(/left off: /);
  expect(text).toMatch(/weighed parts .* g/);
  expect(sheets[0]!.w).toBeGreaterThan(sheets[0]!.h);
});

test('how the rig is carried is printed: findings, marks for every lens, masses, sides to lie on', async ({
  page,
}) => {
  await open(page, '/carry');
  await goToRig(page, 'Locks, long lens');
  const sheets = await printed(page);
  const text = sheets
    .map((s) => s.text)
    .join(' ')
    .replace(/\s+/g, ' ');
  expect(text).toContain('how it is carried');
  expect(text).toContain('Trunnion head');
  expect(text).toContain('Lens by lens');
  expect(text).toContain('Masses, heaviest first');
  expect(text).toContain('To lay it down');
  expect(text).toMatch(/tripod head that bears 3500 g/);
});
