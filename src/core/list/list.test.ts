import fc from 'fast-check';
import Papa from 'papaparse';
import { FIELDS, KINDS } from '../kit/fields';
import { known } from '../quantity/quantity';
import { demo } from '../test-kit';
import { mergeParts } from '../solve/merge';
import { applyEdit } from '../edit/edit';
import { mountIndex } from '../areas/mount/kit/standards';
import { decimalComma, plainFigure, readAmount } from './amount';
import { cellField, kindInName, kindOfCell, matchColumns } from './match';
import { headingLine, readList, templateOf, troublesOf, type ListReading } from './list';

const grid = (csv: string) => Papa.parse<string[]>(csv, { skipEmptyLines: false }).data;
const MOUNTS = [...mountIndex(demo()).values()].map(({ id, name }) => ({ id, name }));
const read = (csv: string, chosen = {}) => readList(grid(csv), chosen, MOUNTS);
const part = (l: ListReading, name: string) =>
  l.rows.find((r) => r.name === name)!.part as unknown as Record<string, unknown>;

describe('amounts', () => {
  // Inch and pound by definition: NIST SP 811, appendix B.
  test.each([
    ['77.2', 'mm', 77.2],
    ['77,2', 'mm', 77.2],
    ['7.72 cm', 'mm', 77.2],
    ['3 1/32"', 'mm', 76.99375],
    ['3.04 in', 'mm', 77.216],
    ["1'", 'mm', 304.8],
    ['2.4 kg', 'g', 2400],
    ['2,4kg', 'g', 2400],
    ['5 lb', 'g', 2267.96185],
    ['5 lb 3 oz', 'g', 2353.010419],
    ['12 oz', 'g', 340.194278],
    ['1 lbf-in', 'N m', 0.112985],
    ['T2.8', 'T', 2.8],
    ['f/1.4', 'f', 1.4],
    ['1 234,5', 'g', 1234.5],
    ["1'234.5", 'g', 1234.5],
    ['1,234.5', 'g', 1234.5],
    ['1.234,5', 'g', 1234.5],
    ['1,234,567', 'mm', 1234567],
    ['300\u00b0', 'deg', 300],
  ])('%s as %s', (text, unit, value) => {
    const a = readAmount(text, unit);
    expect(a).toMatchObject({ ok: true });
    expect(a.ok && a.value).toBeCloseTo(value, 5);
  });

  test('a figure that reads in two ways is not read, but where the list tells', () => {
    expect(readAmount('1,250', 'g')).toMatchObject({ ok: false });
    expect(readAmount('1,250', 'g', 1, false)).toEqual({ ok: true, value: 1250 });
    expect(readAmount('1,250', 'g', 1, true)).toEqual({ ok: true, value: 1.25 });
    expect(readAmount('0,250', 'g')).toEqual({ ok: true, value: 0.25 });
    expect(decimalComma(['1,250', '12,5'])).toBe(true);
    expect(decimalComma(['1,250', '12.5'])).toBe(false);
    expect(decimalComma(['12,5', '12.5'])).toBeNull();
    expect(decimalComma(['1,250'])).toBeNull();
    expect(decimalComma(['1.234,5'])).toBe(true);
    expect(plainFigure('1,234,567', null)).toBe('1234567');
  });

  test('tolerances and guesses', () => {
    expect(readAmount('80 +- 0.5', 'mm')).toEqual({ ok: true, value: 80, tol: 0.5 });
    expect(readAmount('3" \u00b1 1/16"', 'mm')).toEqual({ ok: true, value: 76.2, tol: 1.5875 });
    expect(readAmount('3" \u00b1 1', 'mm')).toMatchObject({ ok: true, value: 76.2 });
    expect(readAmount('ca. 80', 'mm')).toEqual({ ok: true, value: 80, from: 'guess' });
    expect(readAmount('80?', 'mm')).toEqual({ ok: true, value: 80, from: 'guess' });
    for (const bad of ['', 'long', '12 kg', '8 +- x', '1 +- 2 +- 3', '--', '1/0'])
      expect(readAmount(bad, 'mm')).toMatchObject({ ok: false });
  });

  test('whatever is written as a number comes back, with either mark and any thousands', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_99 }),
        fc.constantFrom(',', '.'),
        fc.constantFrom('', ' ', "'", '\u00a0', 'other'),
        (n, decimal, thousand) => {
          const [whole, cents] = [Math.floor(n / 100), String(n % 100).padStart(2, '0')];
          const sep = thousand === 'other' ? (decimal === ',' ? '.' : ',') : thousand;
          const text = `${String(whole).replace(/\B(?=(\d{3})+$)/g, sep)}${decimal}${cents}`;
          const a = readAmount(text, 'g');
          expect([text, a.ok && a.value]).toEqual([text, n / 100]);
        },
      ),
    );
  });
});

describe('headings and kinds', () => {
  test('the headings of a template are the fields they came from, for every kind', () => {
    for (const kind of KINDS) {
      const headings = templateOf(kind);
      const fields = FIELDS[kind].filter((f) => cellField(f) && f.key !== 'name');
      const found = matchColumns(headings, kind, new Set([0, 1]));
      fields.forEach((f, i) =>
        expect([kind, headings[i + 2], found.get(i + 2)]).toEqual([kind, headings[i + 2], f.key]),
      );
    }
  });

  test.each([
    ['Front \u00d8 (mm)', 'lens', 'frontDiameter'],
    ['Front OD', 'lens', 'frontDiameter'],
    ['Weight [lb]', 'lens', 'mass'],
    ['Qty', 'lens', 'count'],
    ['FL', 'lens', 'focal'],
    ['T-stop', 'lens', 'tStop'],
    ['Max. T', 'lens', 'tStop'],
    ['Image Circle', 'lens', 'imageCircle'],
    ['Coverage (mm)', 'lens', 'imageCircle'],
    ['Min. focus', 'lens', 'closeFocus'],
    ['Filter thread', 'lens', 'filterThread'],
    ['Lenght', 'lens', 'length'],
    ['Remarks', 'lens', 'notes'],
    ['From whom', 'battery', 'owner'],
    ['Wh', 'battery', 'wattHours'],
    ['Length', 'rods', 'length'],
    ['Length', 'handle', 'depth'],
  ] as const)('%s of a %s', (heading, kind, key) => {
    expect(matchColumns([heading], kind).get(0)).toBe(key);
  });

  test('what says nothing goes into nothing', () => {
    for (const h of ['', '#', 'Serial no. of invoice', 'Price', 'Insurance value', 'Bag', 'xyz'])
      expect([h, matchColumns([h], 'lens').get(0)]).toEqual([h, undefined]);
  });

  test('kinds by the words of the trade', () => {
    expect(kindOfCell('Lenses')).toBe('lens');
    expect(kindOfCell('Matte Box')).toBe('matte-box');
    expect(kindOfCell('Battery plate')).toBe('battery-plate');
    expect(kindOfCell('spoon')).toBeNull();
    expect(kindInName('V-lock battery plate, 15 mm')).toBe('battery-plate');
    expect(kindInName('50mm T2.0 no. 4')).toBe('lens');
    expect(kindInName('Box of tape')).toBeNull();
    for (const k of KINDS) expect([k, kindOfCell(k.replace(/-/g, ' '))]).toEqual([k, k]);
  });
});

describe('a list as people keep it', () => {
  test('mixed kinds, inches and grams, headings in any order', () => {
    const l = read(
      [
        'Qty,Item,Type,Front OD (in),Weight,Coverage,Mount,Remarks,Invoice',
        '1,Reed 28,Lens,"3.15","1.2 kg",46.3 mm,PL,"soft, at T2",A-1',
        '2,Lath 300,Rods,,0.5 lb,,,,A-2',
        ',,,,,,,,',
        '1,Weir hood,Matte box,,450 g,,,,',
      ].join('\n'),
    );
    expect(troublesOf(l)).toEqual([]);
    expect(l.rows.map((r) => r.kind)).toEqual(['lens', 'rods', 'matte-box']);
    expect(part(l, 'Reed 28')).toMatchObject({
      frontDiameter: 80.01,
      mass: 1200,
      imageCircle: [{ diameter: 46.3 }],
      mount: 'pl',
      notes: 'soft, at T2',
      count: 1,
    });
    expect(part(l, 'Lath 300')).toMatchObject({ mass: 226.796185, count: 2 });
    // Named as not used: nothing goes missing without a word.
    expect(l.unused.map((c) => l.headings[c])).toEqual(['Invoice']);
  });

  test('semicolons, decimal commas, a title and an empty line before the headings', () => {
    const text = [
      'Objektive;;;',
      ';;;',
      'Name;Kind;Focal length;Max T;Length (mm)',
      'Reed 28;lens;28;1,5;84,5',
      'Reed 24-70;lens;24-70;2,8;1.204,5',
      'Reed 75;lens;75;2;1,204',
    ].join('\n');
    const l = read(text);
    expect(headingLine(grid(text))).toBe(2);
    expect(l.matching.comma).toBe(true);
    expect(part(l, 'Reed 28')).toMatchObject({ focal: 28, tStop: 1.5, length: 84.5 });
    expect(part(l, 'Reed 24-70')).toMatchObject({ focal: 24, focalTo: 70, length: 1204.5 });
    expect(part(l, 'Reed 75')).toMatchObject({ length: 1.204 });
  });

  test('three sizes in one cell, in the order that the heading says', () => {
    const l = read(
      'item,kind,Dimensions (L x W x H)\nPane 5,monitor,30 x 120 x 90 mm\nKeel,battery,"2 x 4 x 5 in"',
    );
    expect(part(l, 'Pane 5')).toMatchObject({ depth: 30, width: 120, height: 90 });
    expect(part(l, 'Keel')).toMatchObject({ depth: 50.8, width: 101.6, height: 127 });
  });

  test('what is not understood is marked with what, where and what was expected', () => {
    const l = read(
      'name,kind,weight,mount,length\nA,lens,heavy,my own,80\nB,spoon,1,,\n,lens,2,,\nC,lens,1.250,,9999',
    );
    expect(troublesOf(l)).toEqual([
      expect.stringMatching(/^Line 2, A: "heavy" under weight is not a number\.$/),
      expect.stringMatching(/^Line 2, A: "my own" under mount is no mount of the list under Kit/),
      expect.stringMatching(/^Line 3, B: What kind of part this is, is not understood/),
      expect.stringMatching(/^Line 4: It has no name/),
      expect.stringMatching(/^Line 5, C: "1.250" under weight reads in two ways/),
      expect.stringMatching(
        /^Line 5, C: "9999" under length is out of bounds: length is from 0 to 2000 mm\.$/,
      ),
    ]);
    // What was understood of a line is taken in; what was not is left as not known.
    expect(part(l, 'A')).toMatchObject({ length: 80 });
    expect(part(l, 'A')).not.toHaveProperty('mass');
    expect(l.rows[1]!.part).toBeNull();
  });

  test('a kind that is not known is named where the line is taken as something else', () => {
    const l = read('name,kind,weight\nReed lens,spoon,900\nMarl,lens,800\nMoor,lens,700');
    expect(troublesOf(l)).toEqual([
      expect.stringMatching(/^Line 2, Reed lens: "spoon" under kind is no kind that is known/),
    ]);
    expect(l.rows[0]!.part).toMatchObject({ kind: 'lens', mass: 900 });
  });

  test('a name that is too long is said, and not cut', () => {
    const at = (n: number) => read(`name,kind,weight\n${'n'.repeat(n)},lens,900`);
    expect(troublesOf(at(120))).toEqual([]);
    expect(at(121).rows[0]!.part).toBeNull();
    expect(troublesOf(at(121))[0]).toMatch(/Its name has 121 letters; 120 at most/);
  });

  test('a choice over what was found holds, and what it displaces goes', () => {
    const csv = 'name,dia,thread\nReed 28,80,77';
    const l = read(csv, { whole: 'lens' });
    expect(part(l, 'Reed 28')).toMatchObject({ frontDiameter: 80, filterThread: 77 });
    const other = read(csv, { whole: 'lens', columns: { 1: 'frontClear', 2: '' } });
    expect(part(other, 'Reed 28')).toMatchObject({ frontClear: 80 });
    expect(part(other, 'Reed 28')).not.toHaveProperty('filterThread');
    expect(other.unused).toEqual([2]);
  });

  test('parts that are there already are found by kind and name, changed and not doubled', () => {
    const job = demo();
    const text = 'name,kind,weight\nmarl 35,lens,540 g\nNew one,lens,400 g';
    const l = readList(grid(text), {}, MOUNTS, job.kit);
    expect(l.rows.map((r) => r.same?.name ?? null)).toEqual(['Marl 35', null]);
    const { edit, added, changed } = mergeParts(
      job,
      l.rows.map((r) => r.part!),
    );
    expect([added, changed]).toEqual([1, 1]);
    const { doc, inverse } = applyEdit(job, edit);
    expect(doc.kit.length).toBe(job.kit.length + 1);
    const now = doc.kit.find((p) => p.id === l.rows[0]!.same!.id)!;
    expect(now).toMatchObject({ mass: 540, kind: 'lens' });
    // The rest of it stays as it was, and one undo takes all of it back.
    expect(Object.keys(now).length).toBe(Object.keys(l.rows[0]!.same!).length);
    expect(applyEdit(doc, inverse).doc).toEqual(job);
  });

  test('what a kind does not say, sizes that are none, and lines beyond the last are named', () => {
    const l = read(
      'item,kind,focal,size\nReed,lens,28,\nLath,rods,50,\nPane,monitor,,big\nKeel,battery,,1 x 2 x 3',
    );
    expect(troublesOf(l)).toEqual([
      'Line 3, Lath: "50" under focal is nothing that it says: a pair of rods.',
      'Line 4, Pane: "big" under size is not three sizes of it: a monitor.',
    ]);
    const long = [['name', 'kind'], ...Array.from({ length: 5003 }, (_, i) => [`L${i}`, 'rods'])];
    const many = readList(long);
    expect([many.rows.length, many.beyond]).toEqual([5000, 3]);
    // Chosen by hand, that the list does not tell outranks what it seems to tell.
    const csv = 'name,kind,weight\nA,lens,"1,250"\nB,lens,"12,5"';
    expect(read(csv).matching.comma).toBe(true);
    expect(read(csv, { comma: null }).matching.comma).toBeNull();
  });

  test('what was measured on the piece stays, whatever a list says', () => {
    const job = demo();
    const text = 'name,kind,front diameter,weight\nmarl 35,lens,79,540 g';
    const { rows } = readList(grid(text), {}, MOUNTS, job.kit);
    const front = rows[0]!.cells.find((c) => c.key === 'frontDiameter');
    expect(front).toMatchObject({ stays: true, read: '79 mm' });
    expect(rows[0]!.part).not.toHaveProperty('frontDiameter');
    expect(rows[0]!.part).toMatchObject({ mass: 540 });
  });

  test('nothing of a list is lost: each cell is read, marked, or in a column that is named', () => {
    const cell = fc.oneof(
      fc.constantFrom(
        '',
        ' ',
        'lens',
        'Lens',
        'rods',
        'name',
        'weight (lb)',
        '80',
        '1,250',
        '12,5 kg',
        '3"',
        'x',
        '?',
        'n/a',
        '=1+1',
        '__proto__',
        '1e999',
        '4 x 5 x 6',
        '\u0000',
        'T2',
      ),
      fc.string({ maxLength: 12 }),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 6 }), { maxLength: 8 }), (g) => {
        const l = readList(g, {}, MOUNTS);
        for (const r of l.rows) {
          if (r.part === null) {
            expect(r.trouble).not.toBeNull();
            continue;
          }
          const cells = g[r.line - 1]!;
          cells.forEach((text, c) => {
            const m = l.matching;
            if (/^(|-+|\u2013|\u2014|n\/?a|none|unknown|\?+|tbc|tbd)$/i.test(text.trim())) return;
            if (l.unused.includes(c)) return;
            if (c === m.name) {
              expect(r.name).toBe(text.trim());
              return;
            }
            // What the kind is taken from is the kind, or is marked like any other cell.
            if (c === m.kind && kindOfCell(text) === r.kind) return;
            const seen = r.cells.filter((x) => x.column === c);
            expect([c, text, seen.length]).not.toEqual([c, text, 0]);
            for (const x of seen) expect((x.read === null) !== (x.trouble === null)).toBe(true);
          });
        }
        for (const r of l.rows)
          if (r.part) expect(Object.getPrototypeOf(r.part)).toBe(Object.prototype);
      }),
      { numRuns: 400 },
    );
  });

  test('what was written for the demo in lists of any look is read as it was', () => {
    const job = demo();
    const lenses = job.kit.filter((p) => p.kind === 'lens');
    const one = (v: unknown) => known(v as never)?.value ?? null;
    const inches = (v: number | null) =>
      v === null ? '' : `${(v / 25.4).toFixed(4).replace('.', ',')} in`;
    const rows = lenses.map((p) => {
      const x = p as unknown as Record<string, unknown>;
      return [
        p.name,
        inches(one(x.length)),
        inches(one(x.frontDiameter)),
        one(x.mass) ?? '',
        'Lens',
      ];
    });
    const csv = Papa.unparse([['What', 'Length', 'Front', 'Wt (g)', 'Category'], ...rows], {
      delimiter: ';',
    });
    const l = read(csv);
    expect(troublesOf(l)).toEqual([]);
    for (const p of lenses) {
      const mine = part(l, p.name);
      const x = p as unknown as Record<string, unknown>;
      for (const key of ['length', 'frontDiameter', 'mass']) {
        const v = one(x[key]);
        if (v === null) expect(mine).not.toHaveProperty(key);
        else expect(one(mine[key])).toBeCloseTo(v, 2);
      }
    }
  });
});
