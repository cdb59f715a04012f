import { strToU8, zipSync } from 'fflate';
import { writeKitCsv } from '../format/csv-write';
import { KINDS } from '../kit/fields';
import { demo } from '../test-kit';
import Papa from 'papaparse';
import { gridOfText, isOwnList, textOf } from './grid';
import { readList } from './list';
import { gridOfWorkbook } from './workbook';
import { workbook } from './workbook.fixture';

const bytes = (s: string) => new TextEncoder().encode(s);

describe('a file as a table', () => {
  test.each([',', ';', '\t', '|'])('parted by %j', (d) => {
    const text = [
      ['name', 'kind', 'note'],
      ['Reed 28', 'lens', 'soft'],
      ['Reed 75', 'lens', 'sharp'],
    ]
      .map((r) => r.join(d))
      .join('\r\n');
    expect(gridOfText(bytes(text)).grid.slice(0, 2)).toEqual([
      ['name', 'kind', 'note'],
      ['Reed 28', 'lens', 'soft'],
    ]);
  });

  test('letters as they were saved; what is not UTF-8 says so', () => {
    expect(textOf(bytes('\u00d8 77'))).toEqual({ text: '\u00d8 77', note: null });
    // 0xD8 is the letter in Windows-1252, and the beginning of nothing in UTF-8.
    const old = textOf(new Uint8Array([0xd8, 0x20, 0x37, 0x37]));
    expect(old.text).toBe('\u00d8 77');
    expect(old.note).toMatch(/not UTF-8/);
    expect(gridOfText(bytes('\ufeffname,kind\na,lens')).grid[0]).toEqual(['name', 'kind']);
    expect(gridOfText(bytes('name,kind\n"a,lens')).notes[0]).toMatch(/never closed/);
  });

  // Written by hand after ECMA-376, so that the reader is not held against itself.
  test('a workbook: texts, figures, the first sheet with anything on it', async () => {
    const file = workbook([
      ['Empty', []],
      [
        'Lenses',
        [
          ['Item', 'Category', 'Front OD (in)', 'Wt (g)'],
          ['Reed 28', 'Lens', 3.15, 530],
        ],
      ],
      ['Prices', [['a'], ['b']]],
    ]);
    const list = (await gridOfWorkbook(file))!;
    expect(list.grid).toEqual([
      ['Item', 'Category', 'Front OD (in)', 'Wt (g)'],
      ['Reed 28', 'Lens', '3.15', '530'],
    ]);
    expect(list.notes[0]).toMatch(/sheet Lenses; not from Prices/);
    expect(readList(list.grid).rows[0]!.part).toMatchObject({ frontDiameter: 80.01, mass: 530 });
    // What is an archive and no workbook, and what is cut off, is nothing.
    expect(await gridOfWorkbook(zipSync({ 'a.txt': strToU8('x') }))).toBeNull();
    expect(await gridOfWorkbook(file.slice(0, file.length / 2))).toBeNull();
    // Small as a file, and more than any list once it is unpacked.
    const bomb = zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(160 * 1024 * 1024) });
    expect(await gridOfWorkbook(bomb)).toBeNull();
  });

  test('what Nelvix writes itself is told from what others keep', () => {
    const job = demo();
    for (const kind of KINDS) {
      const parts = job.kit.filter((p) => p.kind === kind);
      const grid = Papa.parse<string[]>(writeKitCsv(kind, parts)).data;
      expect([kind, isOwnList(grid)]).toEqual([kind, true]);
    }
    expect(isOwnList([['name', 'kind', 'weight']])).toBe(false);
    expect(isOwnList([['Item', 'Qty']])).toBe(false);
    expect(isOwnList([])).toBe(false);
  });
});
