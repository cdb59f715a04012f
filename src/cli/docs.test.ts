import { ruleName } from '@/core/rules/names';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { suggest } from '../core/command/command';
import { AREAS } from '../core/areas/registry';
import { CHECKS } from '../core/areas/checks';
import { FIELDS, KINDS } from '../core/kit/fields';
import { validateJob } from '../core/format/read-job';
import { JOB_VERSION } from '../core/format/version';
import { parseQuantity } from '../core/quantity/parse';
import { RULES } from '../core/rules/rules';
import { demo } from '../core/test-kit';
import { main } from './nelvix';

/** What README and docs say, held to the code wherever a script can. */

const root = join(__dirname, '../..');
const text = (file: string) => readFileSync(join(root, file), 'utf8');
const README = text('README.md');
const DOCS = [
  'README.md',
  'CONTRIBUTING.md',
  'docs/architecture.md',
  'docs/format.md',
  'docs/checks.md',
  'docs/light.md',
  'docs/glossary.md',
  ...readdirSync(join(root, 'docs/decisions')).map((f) => `docs/decisions/${f}`),
];
const scripts = (JSON.parse(text('package.json')) as { scripts: Record<string, string> }).scripts;

describe('README', () => {
  test('every npm command that is named is there, and the two that do everything', () => {
    const named = DOCS.flatMap((d) => [...text(d).matchAll(/npm run (?:--silent )?([\w:]+)/g)]);
    expect(named.length).toBeGreaterThan(10);
    for (const [, name] of named) expect(Object.keys(scripts)).toContain(name);
    expect(scripts.demo).toBe('node scripts/demo.mjs');
    expect(scripts.check).toBe('node scripts/check.mjs');
    expect(text('.ci/run')).toMatch(/npm run --silent check/);
  });

  test('every link leads somewhere, every picture is made by the script and shown', () => {
    for (const d of DOCS)
      for (const [, to] of text(d).matchAll(/\]\(([^)#]+)[^)]*\)/g))
        if (!/^https?:/.test(to!))
          expect([d, to, existsSync(join(root, d, '..', to!))]).toEqual([d, to, true]);
    const shown = [...README.matchAll(/docs\/screenshots\/([\w-]+)\.png/g)].map((m) => m[1]);
    const made = [
      ...text('scripts/screenshots.mjs').matchAll(/^ {2,4}(?:\{ )?name: '([\w-]+)'/gm),
    ].map((m) => m[1]);
    const there = readdirSync(join(root, 'docs/screenshots')).map((f) => f.replace('.png', ''));
    expect(there.sort()).toEqual([...made].sort());
    expect([...new Set(shown)].sort()).toEqual([...made].sort());
    expect(there.length).toBeLessThan(20);
  });

  test('port, limit of the first load and Node are those of the scripts', () => {
    expect(README).toContain('(4170, or `PORT`)');
    expect(text('scripts/demo.mjs')).toContain('4170');
    expect(README).toContain('limit 240 kB');
    expect(text('docs/architecture.md')).toContain('at most 240 kB');
    expect(text('scripts/first-load.mjs')).toMatch(/LIMIT = 240;/);
    expect(README).toContain('Node 20');
    expect(JSON.parse(text('package.json')).engines.node).toBe('>=20');
  });

  test('what it types into the command line does something', () => {
    const job = demo();
    const line = /`\.` opens the command line: (.+)/.exec(README)![1]!;
    const words = [...line.matchAll(/`([^`]+)`/g)].map((m) => m[1]!);
    expect(words.length).toBeGreaterThan(3);
    const found = new Map(
      [...text('src/views/places-words.ts').matchAll(/'([^']+)': '([^']+)'/g)].map(
        ([, to, words]) => [to!, words!] as const,
      ),
    );
    const places = text('src/views/places.ts');
    const goals = [...places.matchAll(/to: '([^']+)',\s+name: '([^']+)'/g)].map(([, to, name]) => ({
      to: to!,
      name: name!,
      words: found.get(to!) ?? '',
    }));
    expect(goals.every((g) => g.words !== '')).toBe(true);
    expect(goals.length).toBeGreaterThan(6);
    for (const w of words)
      expect([w, suggest(job, job.rigs[0]!, w, goals).length > 0]).toEqual([w, true]);
  });

  test('numbers as they come off the calipers are read', () => {
    const list = /calipers: (.+?)\. Mark/s.exec(README)![1]!;
    const typed = [...list.matchAll(/`([^`]+)`/g)].map((m) => m[1]!);
    expect(typed).toContain('77.2+-0.1');
    for (const t of typed) expect([t, parseQuantity(t, 'mm').ok]).toEqual([t, true]);
  });

  test('the terminal commands it shows run and end as it says', () => {
    const folder = mkdtempSync(join(tmpdir(), 'nelvix-docs-'));
    const before = process.cwd();
    process.chdir(root);
    try {
      const shown = [...README.matchAll(/nelvix -- (.+)/g)].map((m) => m[1]!.split(' '));
      expect(shown.length).toBeGreaterThan(3);
      for (const args of shown) {
        const out = args.indexOf('--out');
        if (out >= 0) args[out + 1] = join(folder, args[out + 1]!);
        let said = '';
        let wrong = '';
        const code = main(
          args,
          (t) => (said += t),
          (t) => (wrong += t),
        );
        // The demo has trouble in it: 1. A map is written: 0.
        expect([args.join(' '), code]).toEqual([args.join(' '), args[0] === 'map' ? 0 : 1]);
        if (args.includes('--json')) expect(() => JSON.parse(said) as unknown).not.toThrow();
        if (out >= 0) expect(statSync(args[out + 1]!).size).toBeGreaterThan(1000);
      }
      let wrong = '';
      expect(
        main(
          ['check', 'nowhere.json'],
          () => undefined,
          (t) => (wrong += t),
        ),
      ).toBe(2);
      expect(wrong).toContain('there is no such file');
    } finally {
      process.chdir(before);
      rmSync(folder, { recursive: true });
    }
  }, 60_000);
});

describe('documents', () => {
  test('the layout names every folder of the core, and only folders and files that are there', () => {
    const said = text('docs/architecture.md');
    const tree = said.slice(said.indexOf('```'), said.indexOf('```', 3 + said.indexOf('```')));
    for (const folder of ['src/core', 'src/core/areas'])
      for (const e of readdirSync(join(root, folder), { withFileTypes: true }))
        if (e.isDirectory()) expect([e.name, tree.includes(`${e.name}/`)]).toEqual([e.name, true]);
    expect(AREAS.map((a) => a.id)).toEqual([
      ...new Set(AREAS.map((a) => a.id).filter((id) => tree.includes(`    ${id}/`))),
    ]);
    for (const [, file] of said.matchAll(/`((?:[\w-]+\/)*[\w-]+\.tsx?)`/g)) {
      const core = ['src/core', 'src/core/areas', 'src/views'].flatMap((f) =>
        readdirSync(join(root, f)).map((d) => `${f}/${d}/`),
      );
      const places = ['', 'src/', 'src/core/', ...core];
      expect([file, places.some((p) => existsSync(join(root, p, file!)))]).toEqual([file, true]);
    }
  });

  test('what is made from the code is as the code has it now', () => {
    const files = ['checks.md', 'light.md', 'format.md', 'nelvix-job.schema.json', 'edit.svg'];
    files.push('shelf.md', '../src/views/help/glossary.json');
    const before = files.map((f) => text(`docs/${f}`));
    const checks = before[0]!;
    for (const c of CHECKS) expect(checks).toContain(`## ${c.id}\n\n${c.title}. ${c.says}`);
    for (const r of RULES) expect(checks).toContain(`| \`${r.id}\` | ${ruleName(r.id)} |`);
    const format = before[2]!;
    for (const k of KINDS)
      for (const f of FIELDS[k])
        expect([k, f.key, format.includes(`- \`${f.key}\`: ${f.label}`)]).toEqual([k, f.key, true]);
    expect(format).toContain(`"version": ${JOB_VERSION},`);
    expect(format.match(/"version": \d+,/)![0]).toBe(`"version": ${JOB_VERSION},`);
    const example = JSON.parse(/```json\n([\s\S]+?)```/.exec(format)![1]!) as unknown;
    expect(validateJob(example)).toMatchObject({ ok: true });
    execFileSync(join(root, 'node_modules/.bin/tsx'), ['scripts/write-docs.ts'], { cwd: root });
    expect(files.map((f) => text(`docs/${f}`))).toEqual(before);
  }, 60_000);

  test('nothing in them is of a machine, a registry or a session', () => {
    for (const d of DOCS)
      expect(text(d)).not.toMatch(/\/work\/|\/root\/|registry\.npmjs|\bsession\b/i);
  });
});

describe('glossary and decisions', () => {
  test('what the glossary calls a name of the code is one, in the order of the alphabet', () => {
    const source = sources(join(root, 'src'))
      .map((f) => readFileSync(f, 'utf8'))
      .join('\n');
    const rows = text('docs/glossary.md')
      .split('\n')
      .filter((l) => /^\| [a-z]/.test(l) && !l.startsWith('| the trade'))
      .map((l) => l.split('|').map((c) => c.trim()));
    expect(rows.length).toBeGreaterThan(30);
    for (const [, trade, code] of rows)
      for (const [, name] of code!.matchAll(/`([^`]+)`/g))
        expect([
          trade,
          name,
          new RegExp(`\\b${name!.replace('.', '\\.')}\\b`).test(source),
        ]).toEqual([trade, name, true]);
    const words = rows.map(([, trade]) => trade!);
    expect(words).toEqual([...words].sort((a, b) => a.localeCompare(b)));
  });

  test('every decision stands in the index, and says what else there was and why', () => {
    const index = text('docs/decisions/README.md');
    const files = readdirSync(join(root, 'docs/decisions')).filter((f) => f !== 'README.md');
    expect(files.length).toBeGreaterThan(4);
    for (const f of files) {
      expect(index).toContain(`(${f})`);
      for (const word of ['**Decided.**', '**Else there was.**', '**Why.**'])
        expect([f, text(`docs/decisions/${f}`).includes(word)]).toEqual([f, true]);
    }
  });
});

/** Every source file below a folder. */
function sources(dir: string): string[] {
  return readdirSync(dir, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory()
      ? sources(join(dir, e.name))
      : /\.tsx?$/.test(e.name)
        ? [join(dir, e.name)]
        : [],
  );
}
