import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ts from 'typescript';

/** What writes skeletons, run on a copy of the areas. */

const root = join(__dirname, '../..');
const AREAS = 'src/core/areas';
let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nelvix-new-'));
  cpSync(join(root, AREAS), join(folder, AREAS), { recursive: true });
  for (const f of [
    'src/core/roles/roles.ts',
    'src/core/kit/fields.ts',
    'src/core/figure/figures.ts',
  ])
    cpSync(join(root, f), join(folder, f));
  cpSync(join(root, '.prettierrc.json'), join(folder, '.prettierrc.json'));
});
afterEach(() => rmSync(folder, { recursive: true }));

const make = (...words: string[]) =>
  spawnSync(process.execPath, [join(root, 'scripts/new.mjs'), ...words], {
    cwd: folder,
    encoding: 'utf8',
  });
const text = (file: string) => readFileSync(join(folder, AREAS, file), 'utf8');
/** Whether a file reads as TypeScript; its types are looked at where it is used. */
const reads = (file: string) =>
  ts.transpileModule(text(file), { reportDiagnostics: true }).diagnostics?.length === 0;

test('a check is one file with its test, and one line', () => {
  const r = make('check', 'space.far-away');
  expect([r.status, r.stderr]).toEqual([0, '']);
  expect(text('space/checks/far-away.ts')).toContain("id: 'space.far-away'");
  expect(text('space/checks/far-away.test.ts')).toContain('spaceFarAway');
  const before = readFileSync(join(root, AREAS, 'space/area.ts'), 'utf8');
  // However the list is laid out: without what was asked for it is what it was.
  const bare = (t: string) => t.replace(/\s/g, '').replaceAll(',]', ']');
  const without = bare(text('space/area.ts'))
    .replace("import{spaceFarAway}from'./checks/far-away';", '')
    .replace(',spaceFarAway]', ']');
  expect(without).toBe(bare(before));
  expect(text('space/area.ts')).toMatch(/checks: \[[^\]]*spaceFarAway,?\s*\]/);
  for (const f of ['space/area.ts', 'space/checks/far-away.ts', 'space/checks/far-away.test.ts'])
    expect([f, reads(f)]).toEqual([f, true]);
});

test('an area is one folder and one line, and takes its first check', () => {
  expect(make('area', 'weather').status).toBe(0);
  expect(text('registry.ts')).toMatch(/readonly Area\[\] = \[[^\]]*weather,?\s*\];/);
  expect(make('check', 'weather.rain').status).toBe(0);
  expect(text('weather/area.ts')).toContain('checks: [weatherRain]');
  for (const f of ['registry.ts', 'weather/area.ts', 'weather/checks/rain.ts'])
    expect([f, reads(f)]).toEqual([f, true]);
});

test('a kind is one entry, and one for its drawing', () => {
  const before = text('support/kit/kinds.ts');
  expect(make('kind', 'support.head')).toMatchObject({ status: 0, stderr: '' });
  const after = text('support/kit/kinds.ts');
  expect(after).toMatch(/head: \{\s+one: 'head',/);
  // Nothing that was there is gone, and the kind is nowhere else.
  for (const line of before.split('\n')) expect(after).toContain(line);
  expect(readFileSync(join(folder, 'src/core/kit/fields.ts'), 'utf8')).toBe(
    readFileSync(join(root, 'src/core/kit/fields.ts'), 'utf8'),
  );
  expect(reads('support/kit/kinds.ts')).toBe(true);
  expect(text('support/kit/figure.ts')).toMatch(/head: \(pen\) => \{/);
  expect(reads('support/kit/figure.ts')).toBe(true);
  expect(make('kind', 'support.head')).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('has head already'),
  });
});

test('the first kind of an area brings its table, and one line', () => {
  expect(make('kind', 'sight.finder-arm')).toMatchObject({ status: 0, stderr: '' });
  expect(text('sight/kit/kinds.ts')).toContain("'finder-arm': {");
  const fields = readFileSync(join(folder, 'src/core/kit/fields.ts'), 'utf8');
  expect(fields).toMatch(/const ALL = \{[^}]*\.\.\.sight,?\s*\}/);
  expect(text('sight/kit/figure.ts')).toContain("'finder-arm': (pen) => {");
  const figures = readFileSync(join(folder, 'src/core/figure/figures.ts'), 'utf8');
  expect(figures).toMatch(/DrawFigure>> = \{[^}]*\.\.\.sight,?\s*\}/);
});

test('a role is one file with its test, and one line', () => {
  expect(make('role', 'joints.head-plate')).toMatchObject({ status: 0, stderr: '' });
  expect(text('joints/roles/head-plate.ts')).toContain("id: 'head-plate'");
  const roles = readFileSync(join(folder, 'src/core/roles/roles.ts'), 'utf8');
  expect(roles).toMatch(/readonly Role\[\] = \[[^\]]*headPlateRole,?\s*\];/);
  for (const f of ['joints/roles/head-plate.ts', 'joints/roles/head-plate.test.ts'])
    expect([f, reads(f)]).toEqual([f, true]);
});

test('what is there is not written over, and what it cannot make is said', () => {
  const pair = text('space/checks/pair.ts');
  expect(make('check', 'space.pair')).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('is there already; nothing was written'),
  });
  expect(text('space/checks/pair.ts')).toBe(pair);
  for (const [words, why] of [
    [['check', 'nowhere.x'], 'there is no such area'],
    [['check', 'Space.Vent'], 'small letters and dashes'],
    [['check', 'space'], 'AREA.NAME'],
    [['area', '../x'], 'small letters'],
    [['planet', 'mars'], 'npm run new'],
    [[], 'npm run new'],
  ] as const)
    expect(make(...words)).toMatchObject({ status: 2, stderr: expect.stringContaining(why) });
});
