import { buildSync } from 'esbuild';
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/**
 * A kind that is new, entered where kinds are entered and nowhere else: what it is then, everywhere.
 * Tried on a copy of the core with a slate in it.
 */

const root = join(__dirname, '../..');
const CORE = 'src/core';
let folder = '';
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** One entry more in a list of a file of the copy. */
function enter(file: string, before: string, entry: string): void {
  const path = join(folder, CORE, file);
  const text = readFileSync(path, 'utf8');
  expect(text).toContain(before);
  writeFileSync(path, text.replace(before, `${entry}${before}`));
}

const ASKED = `
import { readFileSync } from 'node:fs';
import { putOn } from './src/core/areas/moves';
import { checkRig } from './src/core/areas/checks';
import { build } from './src/core/build/build';
import { elevation } from './src/core/drawing/elevation';
import { toSvg } from './src/core/drawing/svg';
import { applyEdit } from './src/core/edit/edit';
import { figureOf } from './src/core/figure/figures';
import { layOut } from './src/core/figure/layout';
import { readJob, writeJob } from './src/core/format/read-job';
import { FIELDS, KIND_NAME, KINDS } from './src/core/kit/fields';
import { kindCounts, kitRows } from './src/core/list/kit-rows';
import { readList, templateOf } from './src/core/list/list';
import { modelOf } from './src/core/model/model';
import { addPart } from './src/core/solve/kit-moves';
import { classesOf, partOf } from './src/core/shelf/shelf';
import { explain } from './src/core/words/explain';

const read = readJob(readFileSync(process.argv[2], 'utf8'));
const demo = read.value;
const shelf = classesOf('slate');
const part = { ...partOf(shelf[0]), id: 'h', name: 'Own slate' };
let job = applyEdit(demo, addPart(demo, part)).doc;
const kept = readJob(writeJob(job));
const edit = putOn(job, job.rigs[0], part);
job = applyEdit(job, edit).doc;
const rig = job.rigs[0];
const built = build(job, rig);
const use = rig.fitted.find((u) => u.part === 'h');
const key = 'fitted:' + use.id;
const figure = figureOf(part);
const laid = layOut(figure, { width: 600, tall: 300, label: { w: 60, h: 16 }, step: 20, most: 4 });
const headings = templateOf('slate');
const list = readList([['kind', ...headings], ['slate', ...headings.map((h) => (h === 'name' ? 'Own two' : ''))]]);
console.log(JSON.stringify({
  kind: KINDS.includes('slate') && KIND_NAME.slate,
  fields: FIELDS.slate.map((f) => f.key),
  shelf: shelf.map((t) => t.name),
  kept: kept.ok && kept.value.kit.find((p) => p.id === 'h').width,
  row: kitRows(job).find((r) => r.part.id === 'h'),
  counted: kindCounts(job.kit).find((k) => k.kind === 'slate'),
  template: templateOf('slate'),
  list: list.rows.map((r) => ({ kind: r.kind, name: r.name ?? r.part?.name })),
  dimensions: laid.views.reduce((n, v) => n + v.labels.length, 0),
  drawn: elevation(built, 'side').outlines.filter((o) => o.piece === key).map((o) => o.name),
  paper: toSvg(built).includes('Own slate'),
  model: modelOf(built).pieces.filter((p) => p.key === key).map((p) => p.kind),
  said: checkRig(job, rig).filter((v) => v.about.includes('h')).map((v) => v.id + ' ' + v.state),
  word: explain('slates'),
}));
`;

test('it is on the shelf, in the figures, the kit, lists, files, views, model and on paper', () => {
  folder = mkdtempSync(join(tmpdir(), 'nelvix-kind-'));
  cpSync(join(root, CORE), join(folder, CORE), { recursive: true });
  cpSync(join(root, '.prettierrc.json'), join(folder, '.prettierrc.json'));
  const made = spawnSync(process.execPath, [join(root, 'scripts/new.mjs'), 'kind', 'space.slate'], {
    cwd: folder,
    encoding: 'utf8',
  });
  expect([made.status, made.stderr]).toEqual([0, '']);
  // What stands against the camera has the fields of that, is one of those, and has a class.
  const kinds = join(folder, CORE, 'areas/space/kit/kinds.ts');
  const text = readFileSync(kinds, 'utf8');
  const entry = /slate: \{\s+one: 'slate',\s+many: 'slates',\s+fields: \[COMMON.*\],/;
  expect(text).toMatch(entry);
  writeFileSync(
    kinds,
    text.replace(entry, "slate: { one: 'slate', many: 'slates', fields: fitting(),"),
  );
  enter('areas/space/kit/parts.ts', "  'cage',\n  'handle',", "  'slate',\n");
  enter(
    'areas/space/kit/typical.ts',
    "  cage('full'",
    "  block('slate', 'fluid', 'Film slate', 'pan tilt', [[80, 160], [90, 170], [90, 180], [900, 4000]], ['small and large bowls', 'by its payload']),\n",
  );
  writeFileSync(join(folder, 'asked.ts'), ASKED);
  buildSync({
    entryPoints: [join(folder, 'asked.ts')],
    bundle: true,
    platform: 'node',
    format: 'cjs',
    outfile: join(folder, 'asked.cjs'),
    nodePaths: [join(root, 'node_modules')],
    logLevel: 'error',
  });
  const run = spawnSync(
    process.execPath,
    [join(folder, 'asked.cjs'), join(root, 'data/demo/lock-nine.nelvix.json')],
    { encoding: 'utf8' },
  );
  expect([run.status, run.stderr]).toEqual([0, '']);
  const is = JSON.parse(run.stdout);
  expect(is).toMatchObject({
    kind: { one: 'slate', many: 'slates' },
    shelf: ['Film slate'],
    kept: { value: 120, tol: 40, from: 'guess' },
    row: { kind: 'slate', count: 0, rigs: [expect.any(String)] },
    counted: { kind: 'slate', n: 1 },
    drawn: ['Own slate'],
    paper: true,
    model: ['slate'],
    word: { word: 'slate' },
  });
  expect(is.fields).toEqual(expect.arrayContaining(['name', 'width', 'height', 'depth', 'mass']));
  expect(is.template.join()).toMatch(/width/);
  expect(is.dimensions).toBeGreaterThan(0);
  expect(is.list).toEqual([{ kind: 'slate', name: 'Own two' }]);
  expect(is.said.length).toBeGreaterThan(0);
});
