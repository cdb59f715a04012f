import Ajv2020 from 'ajv/dist/2020';
import fc from 'fast-check';
import Papa from 'papaparse';
import { readFileSync } from 'node:fs';
import { checkRig } from '../areas/checks';
import { KINDS, FIELDS } from '../kit/fields';
import { turnRanges } from '../kit/ranges';
import type { Job, Lens, Part } from '../kit/types';
import { demo, demoPath, testJob, testLens } from '../test-kit';
import { readBackup, writeBackup } from './backup';
import { columns, kindOfHeader } from './csv-columns';
import { readKitCsv } from './csv';
import { writeKitCsv } from './csv-write';
import { jobOf } from '../doc/read';
import { docOf } from '../doc/write';
import { joiOf } from './joi';
import { jobJsonSchema } from './json-schema';
import { migrate, MIGRATIONS, JOB_VERSION } from './migrate';
import { describe as inShort, pathText, problemSentence } from './problem';
import {
  jobProblems,
  LARGEST_FILE,
  readDoc,
  readJob,
  schemaProblems,
  validateJob,
  writeDoc,
  writeJob,
} from './read-job';
import { report, reportText } from '../report/report';
import { JOB_SHAPE } from './shape';

const text = readFileSync(demoPath(), 'utf8');
const problemsOf = (t: string) => {
  const r = readJob(t);
  return r.ok ? [] : r.problems;
};
const broken = (change: (j: any) => void): string => {
  const j = JSON.parse(text);
  change(j);
  return JSON.stringify(j);
};

describe('reading a job', () => {
  test('the demo is valid and survives a round trip to the letter', () => {
    const read = readDoc(text);
    expect(read.ok && writeDoc(read.value)).toBe(text);
    // Also by way of what is read.
    expect(JSON.parse(writeJob(demo()))).toEqual(JSON.parse(text));
    expect(readJob(writeJob(demo()))).toMatchObject({ ok: true });
  });

  test('fields and kinds that are not known survive', () => {
    const t = broken((j) => {
      j.mood = { colour: ['cold'] };
      j.rigs[0].smell = [{ part: 'later' }];
      j.rigs[0].uses.push({ id: 'w', role: 'weather', part: 'rain', set: { wet: true } });
      j.rigs[0].uses[0].shine = 3;
      j.rigs[0].joints.push({ id: 'w', kind: 'hang', guest: { use: 'w' }, knots: 2 });
      j.rigs[0].links.push({ id: 'v', kind: 'smoke', from: { use: 'w' }, to: { use: 'body' } });
      j.records.push({ id: 'x', kind: 'dream', about: {}, data: { of: 'sheep' } });
      j.kit[0].shutter = 'global';
      j.kit[5].imageCircle = undefined;
      j.kit.push({ id: 'nd', kind: 'filter', name: 'ND', stops: 2, size: { w: 101.6 } });
    });
    const r = readDoc(t);
    expect(r.ok && JSON.parse(writeDoc(r.value))).toEqual(JSON.parse(t));
    expect(r.ok && docOf(jobOf(r.value)).records).toEqual(JSON.parse(t).records);
  });

  test('a writer writes what it read: bare numbers stay bare', () => {
    const r = readJob(text);
    expect(r.ok && writeJob(r.value)).toContain('"width": 110');
  });

  test.each([
    [
      'a length that is text',
      (j: any) => (j.kit[0].width = '110'),
      'kit[0].width',
      '"110"',
      /a number in mm from 0 to 600/,
    ],
    [
      'NaN as text',
      (j: any) => (j.kit[2].length = { value: 'NaN' }),
      'kit[2].length.value',
      '"NaN"',
      /a number in mm/,
    ],
    [
      'a negative tolerance',
      (j: any) => (j.kit[2].length = { value: 24, tol: -1 }),
      'kit[2].length.tol',
      '-1',
      /0 or more/,
    ],
    [
      'a made-up source',
      (j: any) => (j.kit[2].length = { value: 24, from: 'dream' }),
      'kit[2].length.from',
      '"dream"',
      /measured/,
    ],
    [
      'a huge number',
      (j: any) => (j.kit[0].modes[1].w = 1e12),
      'kit[0].modes[1].w',
      '1000000000000',
      /from 0.5 to 200/,
    ],
    ['null for a number', (j: any) => (j.kit[0].width = null), 'kit[0].width', 'null', /a number/],
    ['an empty name', (j: any) => (j.kit[0].name = ''), 'kit[0].name', '""', /1 to 120/],
    ['no name', (j: any) => delete j.kit[0].name, 'kit[0].name', 'nothing', /1 to 120/],
    ['an id with a slash', (j: any) => (j.kit[0].id = 'a/b'), 'kit[0].id', '"a/b"', /an id/],
    [
      'an id twice',
      (j: any) => (j.kit[1].id = j.kit[0].id),
      'kit[1].id',
      '"body-a"',
      /not used twice/,
    ],
    [
      'a lens that is not there',
      (j: any) => (j.rigs[0].uses[1].part = 'gone'),
      'rigs[0].uses[1].part',
      '"gone"',
      /a lens in the kit/,
    ],
    [
      'a lens as a body',
      (j: any) => (j.rigs[0].uses[0].part = 'marl-18'),
      'rigs[0].uses[0].part',
      '"marl-18"',
      /a body in the kit/,
    ],
    [
      'a mode of another body',
      (j: any) => (j.rigs[0].mode = 's35'),
      'rigs[0].mode',
      '"s35"',
      /a mode of Pellin Pocket/,
    ],
    [
      'a frame without aspect',
      (j: any) => delete j.rigs[0].frames[0].aspect,
      'rigs[0].frames[0].aspect',
      'nothing',
      /a number from 0.05/,
    ],
    ['a list that is an object', (j: any) => (j.kit = {}), 'kit', 'an object', /a list/],
    [
      'a rule out of range',
      (j: any) => (j.rules.values = { 'mount.reach': 99 }),
      'rules.values["mount.reach"]',
      '99',
      /0.01 to 2/,
    ],
    [
      'a flag as text',
      (j: any) => (j.kit[2].foot = 'yes'),
      'kit[2].foot',
      '"yes"',
      /true or false/,
    ],
    [
      'a lens set with a stranger',
      (j: any) => (j.lensSet = [{ id: 'marl-18' }, { id: 'x' }]),
      'lensSet[1].id',
      '"x"',
      /a lens in the kit/,
    ],
    [
      'an adapter that is a lens',
      (j: any) => (j.rigs[0].uses[2].part = 'marl-18'),
      'rigs[0].uses[2].part',
      '"marl-18"',
      /adapter or reducer/,
    ],
  ])('%s', (_what, change, path, found, expected) => {
    const [first] = problemsOf(broken(change));
    expect(first!.path).toBe(path);
    expect(first!.found).toBe(found);
    expect(first!.expected).toMatch(expected);
  });

  test('all problems are named at once', () => {
    const list = problemsOf(
      broken((j) => {
        j.kit[0].width = 'wide';
        j.kit[3].length = { value: null };
        j.rigs[1].frames[0].scale = 7;
      }),
    );
    expect(list.map((p) => p.path)).toEqual([
      'kit[0].width',
      'kit[3].length.value',
      'rigs[1].frames[0].scale',
    ]);
    expect(problemSentence(list[0]!)).toBe(
      'kit[0].width: found "wide", expected a number in mm from 0 to 600, or {value, tol, from}.',
    );
  });

  test('files that are none', () => {
    expect(problemsOf('')[0]).toMatchObject({ path: '(file)', found: 'an empty file' });
    expect(problemsOf('{"a": 1,\n "b": ]')[0]!.found).toContain('no valid JSON');
    expect(problemsOf('[]')[0]).toMatchObject({ path: '(file)', found: 'a list of 0' });
    expect(problemsOf('"hello"')[0]!.path).toBe('(file)');
    expect(problemsOf('{"format": "other"}')[0]).toMatchObject({
      path: 'format',
      found: '"other"',
    });
    expect(problemsOf('\ufeff' + text)).toEqual([]);
  });

  test('keys that reach into the language', () => {
    const t = text.replace('"mass": 780', '"mass": 780, "__proto__": {"polluted": 1}');
    expect(problemsOf(t)[0]).toMatchObject({
      path: 'kit[0].__proto__',
      found: 'a field called __proto__',
    });
    expect(({} as any).polluted).toBeUndefined();
  });

  test('nesting ten thousand deep', () => {
    const deep = '['.repeat(10_000) + ']'.repeat(10_000);
    expect(problemsOf(`{"format":"nelvix-job","version":1,"x":${deep}}`)[0]!.found).toBe(
      'very deep nesting',
    );
  });

  test('fifty megabytes are refused by size before anything is parsed', () => {
    const big = `{"format":"nelvix-job","note":"${'x'.repeat(50 * 1024 * 1024)}"}`;
    expect(problemsOf(big)[0]).toMatchObject({ path: '(file)', found: '50.0 MB' });
    expect(LARGEST_FILE).toBe(25 * 1024 * 1024);
  });

  test('newer files are refused with a clear word, older ones without a way too', () => {
    expect(problemsOf(broken((j) => (j.version = JOB_VERSION + 1)))[0]).toMatchObject({
      path: 'version',
      found: `version ${JOB_VERSION + 1}`,
    });
    expect(problemsOf(broken((j) => (j.version = JOB_VERSION + 1)))[0]!.expected).toContain(
      'newer Nelvix',
    );
    expect(problemsOf(broken((j) => (j.version = 0)))[0]!.path).toBe('version');
    expect(problemsOf(broken((j) => delete j.version))[0]!.found).toBe('no version');
    expect(problemsOf(broken((j) => (j.version = '1')))[0]!.path).toBe('version');
  });
});

/**
 * The demo with one of its rigs, what is on that, and one other part of every fourth kind: together as
 * many sorts of places to hit as in the whole, and a thousand files can be gone through. Which,
 * goes by `i`.
 */
function slim(i: number) {
  const doc = JSON.parse(text);
  const rig = doc.rigs[i % doc.rigs.length];
  const on = JSON.stringify(rig);
  const kinds = new Map<string, string>();
  doc.kit.forEach((p: any, n: number) => {
    if (!kinds.has(p.kind) || (n + i) % 3 === 0) kinds.set(p.kind, p.id);
  });
  const other = new Set([...kinds.values()].filter((_, n) => (n + i) % 4 === 0));
  doc.kit = doc.kit.filter((p: any) => other.has(p.id) || on.includes(`"${p.id}"`));
  doc.rigs = [rig];
  return doc;
}

test('the slim demos are whole files, and together have every part and every rig', () => {
  const parts = new Set<string>();
  const rigs = new Set<string>();
  const whole = JSON.parse(text);
  for (let i = 0; i < 3 * whole.rigs.length; i++) {
    const doc = slim(i);
    expect(problemsOf(JSON.stringify(doc))).toEqual([]);
    for (const p of doc.kit) parts.add(p.kind);
    for (const r of doc.rigs) rigs.add(r.id);
  }
  expect([...parts].sort()).toEqual([...new Set<string>(whole.kit.map((p: any) => p.kind))].sort());
  expect(rigs.size).toBe(whole.rigs.length);
});

describe('a thousand malformed files', () => {
  type At = { node: any; key: string | number };
  /** Every place in a document that something can be done to. */
  function places(doc: unknown): At[] {
    const list: At[] = [];
    const walk = (node: any) => {
      if (node === null || typeof node !== 'object') return;
      for (const key of Array.isArray(node) ? node.keys() : Object.keys(node)) {
        list.push({ node, key: key as string });
        walk(node[key]);
      }
    };
    walk(doc);
    return list;
  }
  const poison: fc.Arbitrary<unknown> = fc.oneof(
    fc.constantFrom<unknown>(
      null,
      true,
      '',
      'NaN',
      'Infinity',
      '-1',
      '<img src=x onerror=alert(1)>',
      [],
      {},
      [[[]]],
      1e308,
      -1e308,
      5e-324,
      0.5,
      -0,
      { value: {} },
      { value: 1, tol: 'x' },
      { id: 'body-a' },
    ),
    fc.integer(),
    fc.string(),
    fc.constant(null).map(() => JSON.parse('{"__proto__": {"polluted": true}}')),
    fc.constant(null).map(() => JSON.parse('['.repeat(60) + ']'.repeat(60))),
    fc.jsonValue(),
  );

  test('never throws, never half-reads, always names a path', () => {
    const whole = joiOf(JOB_SHAPE);
    let refused = 0;
    let read = 0;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(), poison, fc.boolean()), { minLength: 1, maxLength: 4 }),
        fc.option(fc.nat(), { nil: undefined }),
        fc.nat(),
        (hits, cut, which) => {
          const doc = slim(which);
          for (const [n, value, remove] of hits) {
            const all = places(doc);
            const { node, key } = all[n % all.length]!;
            if (remove && !Array.isArray(node)) delete node[key];
            else node[key] = value;
          }
          let t = JSON.stringify(doc);
          if (cut !== undefined && cut % 4 === 0) t = t.slice(0, cut % t.length);
          const r = readDoc(t);
          // Part by part it says the same as the one schema of the whole document.
          if (doc !== null && typeof doc === 'object' && !Array.isArray(doc)) {
            const paths = (list: readonly { path: string }[]) => list.map((p) => p.path).sort();
            expect(paths(jobProblems(doc))).toEqual(paths(schemaProblems(whole, doc)));
          }
          if (r.ok) {
            // What was let in can be computed with and written out again unchanged, but for ranges
            // that stood the wrong way round.
            const given = JSON.parse(t) as Job;
            const kit = given.kit.map((p) => turnRanges(p).part);
            const now = JSON.parse(writeDoc(r.value)) as object;
            if ((r.notes ?? []).every((n) => n.includes('wrong way round')))
              expect(now).toEqual({ ...given, kit });
            const job = jobOf(r.value);
            // Trying every fix takes a second: a report whole now and then, else what it rests on.
            const said = JSON.stringify(
              read++ % 20 === 0 ? report(job) : job.rigs.map((rig) => checkRig(job, rig)),
            );
            // A name may say NaN; a number may not come out as one.
            if (!t.includes('NaN')) expect(said.includes('NaN')).toBe(false);
          } else {
            refused++;
            expect(r.problems.length).toBeGreaterThan(0);
            for (const p of r.problems) {
              expect(p.path.length).toBeGreaterThan(0);
              expect(p.found.length).toBeGreaterThan(0);
              expect(p.expected.length).toBeGreaterThan(0);
            }
          }
          expect(({} as any).polluted).toBeUndefined();
        },
      ),
      { numRuns: 1000 },
    );
    expect(refused).toBeGreaterThan(500);
  });
});

describe('JSON Schema and Joi say the same', () => {
  const ajv = new Ajv2020({ strict: false, allErrors: false });
  const valid = ajv.compile(jobJsonSchema());
  const joi = joiOf(JOB_SHAPE);

  test('the demo passes both', () => {
    expect(valid(JSON.parse(text))).toBe(true);
    expect(schemaProblems(joi, JSON.parse(text))).toEqual([]);
  });

  test('on mutated files', () => {
    const values = fc.constantFrom<unknown>(
      null,
      0,
      -1,
      1,
      0.5,
      41,
      1e9,
      'x',
      '',
      'electronic',
      'body-a',
      true,
      [],
      {},
      { value: 3 },
      { value: 3, tol: -1 },
      { value: '3' },
      { value: 3, from: 'guess' },
      [{}],
      ['a'],
    );
    let refused = 0;
    fc.assert(
      fc.property(fc.nat(), values, fc.nat(), (n, value, which) => {
        const doc = slim(which);
        const all: { node: any; key: string }[] = [];
        const walk = (node: any) => {
          if (node === null || typeof node !== 'object') return;
          for (const key of Object.keys(node)) {
            all.push({ node, key });
            walk(node[key]);
          }
        };
        walk(doc);
        const at = all[n % all.length]!;
        at.node[at.key] = value;
        const a = valid(doc) as boolean;
        const b = schemaProblems(joi, doc).length === 0;
        if (!b) refused++;
        expect([a, at.key, value]).toEqual([b, at.key, value]);
      }),
      { numRuns: 1500 },
    );
    expect(refused).toBeGreaterThan(300);
  });

  test('the published file is the schema', () => {
    const file = JSON.parse(
      readFileSync(`${__dirname}/../../../docs/nelvix-job.schema.json`, 'utf8'),
    );
    expect(file).toEqual(jobJsonSchema());
  });
});

describe('migration', () => {
  // A made-up past: version 8 called the kit "gear", version 9 had no rigs.
  const steps = {
    8: ({ gear, ...d }: Record<string, unknown>) => ({ ...d, kit: gear }),
    9: (d: Record<string, unknown>) => ({ rigs: [], ...d }),
  };
  test('goes step by step to the version wanted', () => {
    const m = migrate({ version: 8, gear: [1], own: 'kept' }, 10, steps);
    expect(m).toEqual({ ok: true, from: 8, doc: { version: 10, kit: [1], rigs: [], own: 'kept' } });
  });
  test('a gap in the steps is said, not jumped', () => {
    expect(migrate({ version: 7 }, 10, steps)).toMatchObject({ ok: false, found: 'version 7' });
  });
  test('the present version needs no step, and every older one has one', () => {
    expect(migrate({ version: JOB_VERSION })).toMatchObject({ ok: true });
    for (let v = 1; v < JOB_VERSION; v++) expect(MIGRATIONS[v]).toBeDefined();
  });
});

describe('version 1 files, from before the front of the rig', () => {
  const v1 = readFileSync(`${__dirname}/fixtures/lock-nine.v1.nelvix.json`, 'utf8');

  test('a job of version 1 reads as it is, and is written as the present version', () => {
    const r = readJob(v1);
    expect(r.ok ? r.value : r.problems).toEqual({ ...JSON.parse(v1), version: JOB_VERSION });
  });

  test('what was carried under names that mean something now is kept: where it reads, else aside', () => {
    const j = JSON.parse(v1);
    j.kit.push({ id: 'nd', kind: 'filter', name: 'ND', stops: 2, type: 'grey', colour: 'warm' });
    j.kit.push({ id: 'up', kind: 'riser', name: 'Up', thickness: 'three', carried: { since: 1 } });
    j.kit.find((p: any) => p.id === 'marl-18').frontClear = 'wide';
    j.kit.find((p: any) => p.id === 'marl-24').frontClear = 71;
    j.rigs[0].box = 'a cardboard one';
    j.rigs[1].thread = [{ part: 'nowhere' }];
    const r = readJob(JSON.stringify(j));
    expect(r.ok ? [] : r.problems).toEqual([]);
    const job = r.ok ? (r.value as any) : null;
    const part = (id: string) => job.kit.find((p: any) => p.id === id);
    expect(part('nd')).toEqual({
      id: 'nd',
      kind: 'filter',
      name: 'ND',
      stops: 2,
      colour: 'warm',
      carried: { type: 'grey' },
    });
    expect(part('up').carried).toEqual({ since: 1, thickness: 'three' });
    expect(part('marl-18')).toMatchObject({ carried: { frontClear: 'wide' } });
    expect(part('marl-18').frontClear).toBeUndefined();
    expect(part('marl-24').frontClear).toBe(71);
    expect(job.rigs[0]).toMatchObject({ carried: { box: 'a cardboard one' } });
    expect(job.rigs[1]).toMatchObject({ carried: { thread: [{ part: 'nowhere' }] } });
    // And it can be read again.
    expect(readJob(writeJob(job)).ok).toBe(true);
  });

  test('any value under any of the new names: read whole, nothing lost', () => {
    const names = ['thread', 'box', 'under', 'light'];
    fc.assert(
      fc.property(
        fc.jsonValue({ maxDepth: 2 }),
        fc.constantFrom(...names),
        fc.constantFrom('frontClear', 'pupil', 'lengthClose', 'frontRotates', 'falloff'),
        (value, rigName, lensName) => {
          const text = JSON.stringify(value);
          fc.pre(!text.includes('__proto__'));
          const j = JSON.parse(v1);
          j.rigs[0][rigName] = value;
          j.kit.find((p: any) => p.id === 'marl-35')[lensName] = value;
          const r = readJob(JSON.stringify(j));
          if (!r.ok) throw new Error(JSON.stringify(r.problems));
          const lens = r.value.kit.find((p) => p.id === 'marl-35') as any;
          expect([lens[lensName], lens.carried?.[lensName]]).toContainEqual(JSON.parse(text));
          expect((r.value.rigs[0] as any).carried[rigName]).toEqual(JSON.parse(text));
        },
      ),
      { numRuns: 200 },
    );
  }, 30_000);
});

const v4 = readFileSync(`${__dirname}/fixtures/lock-nine.v4.nelvix.json`, 'utf8');
const v3 = readFileSync(`${__dirname}/fixtures/lock-nine.v3.nelvix.json`, 'utf8');

describe('version 2 files, from before what stands under and beside', () => {
  const v2 = readFileSync(`${__dirname}/fixtures/lock-nine.v2.nelvix.json`, 'utf8');

  test('a job of version 2 reads as it is, and is written as the present version', () => {
    const r = readJob(v2);
    expect(r.ok ? r.value : r.problems).toEqual({ ...JSON.parse(v2), version: JOB_VERSION });
  });

  test('what was carried under names that mean something now is kept: where it reads, else aside', () => {
    const j = JSON.parse(v2);
    j.kit.push({ id: 'r', kind: 'rods', name: 'R', length: 200, rods: 'wooden' });
    j.kit.push({ id: 'h', kind: 'handle', name: 'H', width: 'broad' });
    j.kit.find((p: any) => p.id === 'marl-18').rings = 'two';
    j.kit.find((p: any) => p.id === 'body-a').watts = 24;
    j.rigs[0].drives = [{ id: 'x', part: 'nowhere', turns: 'focus' }];
    j.rigs.find((r: any) => r.id === 'anamorphic').under[0].station = 'left';
    const r = readJob(JSON.stringify(j));
    expect(r.ok ? [] : r.problems).toEqual([]);
    const job = r.ok ? (r.value as any) : null;
    const part = (id: string) => job.kit.find((p: any) => p.id === id);
    expect(part('r')).toMatchObject({ length: 200, carried: { rods: 'wooden' } });
    expect(part('h').carried).toEqual({ width: 'broad' });
    expect(part('marl-18')).toMatchObject({ carried: { rings: 'two' } });
    expect(part('body-a').watts).toBe(24);
    expect(job.rigs[0].carried.drives[0].part).toBe('nowhere');
    expect(job.rigs.find((x: any) => x.id === 'anamorphic').under[0].carried).toEqual({
      station: 'left',
    });
    expect(readJob(writeJob(job)).ok).toBe(true);
  });

  test('what leads nowhere is said with its path', () => {
    const j = JSON.parse(v3) as any;
    j.rigs[0].drives[0].part = 'lath-150';
    j.rigs[0].fitted[2].to = 'battery';
    j.rigs[4].drives[0].outlet = { from: 'plate', id: 'v99' };
    const r = readJob(JSON.stringify(j));
    expect(r.ok ? [] : r.problems.map((p) => p.path)).toEqual([
      'rigs[0].drives[0].part',
      'rigs[0].fitted[2].to',
      'rigs[4].drives[0].outlet',
    ]);
  });
});

describe('version 3 files, whose rigs were lists by role', () => {
  test('a job of version 3 reads as it is, and is written as the present version', () => {
    const r = readJob(v3);
    expect(r.ok ? r.value : r.problems).toEqual({ ...JSON.parse(v3), version: JOB_VERSION });
    // The same job as version 4 wrote it, before its vents were asked for.
    const since = JSON.parse(v4) as { kit: { vents?: unknown }[] };
    expect(since.kit.filter((p) => p.vents)).toHaveLength(1);
    for (const p of since.kit) delete p.vents;
    expect(r.ok && JSON.parse(writeJob(r.value))).toEqual({ ...since, version: JOB_VERSION });
  });

  test('names that mean something now are kept aside', () => {
    const j = JSON.parse(v3);
    j.records = 'a shoebox';
    j.rigs[0].joints = 7;
    j.rigs[0].drives[0].mood = 'stiff';
    Object.assign(j.rigs[1], { lens: null, footTied: true, hand: 'zoom' });
    const r = readDoc(JSON.stringify(j));
    if (!r.ok) throw new Error(JSON.stringify(r.problems));
    expect(r.value).toMatchObject({ carried: { records: 'a shoebox' } });
    expect(r.value.rigs[0]).toMatchObject({ carried: { joints: 7 } });
    expect(r.value.rigs[1]).toMatchObject({ carried: { footTied: true, hand: 'zoom' } });
    expect(r.value.rigs[0]!.uses.find((u) => u.role === 'drive')).toMatchObject({
      carried: { mood: 'stiff' },
    });
    expect(readDoc(writeDoc(r.value))).toMatchObject({ ok: true });
  });

  test('ids of numbers alone, ids that two lists share, and two of one part get names of their own', () => {
    const j = JSON.parse(v3);
    const rig = j.rigs[3];
    rig.fitted[0].id = '7';
    rig.fitted[1].to = '7';
    rig.drives[0].id = 'rods';
    rig.drives[0].outlet.from = '7';
    rig.thread = [{ part: 'vnd-77' }, { part: 'vnd-77' }];
    const r = readDoc(JSON.stringify(j));
    if (!r.ok) throw new Error(JSON.stringify(r.problems));
    const uses = r.value.rigs[3]!.uses.map((u) => u.id);
    expect(new Set(uses).size).toBe(uses.length);
    const read = jobOf(r.value).rigs[3]!;
    expect(read.fitted![1]!.to).toBe(read.fitted![0]!.id);
    expect(read.drives![0]!.outlet!.from).toBe(read.fitted![0]!.id);
    expect(read.thread!.map((t) => t.part)).toEqual(['vnd-77', 'vnd-77']);
    expect(readDoc(writeDoc(r.value))).toMatchObject({ ok: true });
  });
});

describe('uses, joints and links that lead nowhere', () => {
  const doc = () => JSON.parse(text) as any;
  const said = (j: unknown) => problemsOf(JSON.stringify(j)).map((p) => problemSentence(p));

  test.each<[string, (rig: any) => void, RegExp]>([
    ['a part of another kind', (r) => (r.uses[1].part = 'cill-plate'), /uses\[1\]\.part: .*a lens/],
    ['an id twice', (r) => r.uses.push({ ...r.uses[5] }), /uses\[\d+\]\.id: .*not used twice/],
    ['two lenses', (r) => r.uses.push({ ...r.uses[1], id: 'l2' }), /stands on a rig once/],
    ['nothing that seats it', (r) => r.joints.splice(0, 1), /uses\[1\]\.id: .*seats it too/],
    [
      'a joint of its id for another',
      (r) => (r.joints[0].guest.use = 'body'),
      /of this id that seats/,
    ],
    [
      'a drive that turns nothing',
      (r) => delete r.uses[7].set,
      /uses\[7\]\.set\.turns: found nothing/,
    ],
    ['rods at no end', (r) => delete r.joints[5].place, /which end it is at/],
    ['an id that is a number', (r) => (r.uses[0].id = '9'), /begins with a letter/],
    ['a null', (r) => (r.focal = null), /focal: found null, expected a number/],
    ['hosts in a circle', (r) => (r.joints[8].host = { use: 'monitor', face: 'top' }), /no circle/],
    ['a mode of another body', (r) => (r.mode = 'open-gate'), /a mode of Pellin Pocket/],
  ])('%s is said with its place', (_what, change, sentence) => {
    const j = doc();
    change(j.rigs[0]);
    expect(said(j)).toContainEqual(expect.stringMatching(sentence));
  });

  test('what a box has not', () => {
    const j = doc();
    const rig = j.rigs.find((r: any) => r.id === 'anamorphic');
    const box = rig.uses.find((u: any) => u.role === 'box');
    box.set.mask = 'none';
    box.set.flags.under = { angle: 3 };
    rig.joints.find((x: any) => x.kind === 'tray').host.interface = 's9';
    rig.links[0].from.port = 'v99';
    const sentences = said(j);
    for (const s of [
      /set\.mask: .*a mask of/,
      /set\.flags: .*a flag of/,
      /"s9".*a stage of/,
      /"v99".*an outlet of/,
    ])
      expect(sentences).toContainEqual(expect.stringMatching(s));
  });

  test('what two windows can leave is put right and said', () => {
    const j = doc();
    const rig = j.rigs[0];
    rig.uses = rig.uses.filter((u: any) => u.id !== 'handle');
    rig.joints = rig.joints.filter((x: any) => x.id !== 'handle');
    rig.joints.push({ id: 'loose', kind: 'tie', guest: { use: 'gone' } });
    rig.links.push({ id: 'v', kind: 'video', from: { use: 'gone' }, to: { use: 'body' } });
    const r = readDoc(JSON.stringify(j));
    if (!r.ok) throw new Error(JSON.stringify(r.problems));
    expect(r.notes).toEqual([
      'Tug, body B: monitor stands against the camera now: it led to handle, which is not on the rig.',
      'Tug, body B: the joint loose was left out: it led to gone, which is not on the rig.',
      'Tug, body B: the link v was left out: it led to gone, which is not on the rig.',
    ]);
    expect(readDoc(writeDoc(r.value))).toEqual({ ok: true, value: r.value });
  });
});

describe('kit as CSV', () => {
  const job = demo();
  test.each(KINDS)('%s goes out and comes back', (kind) => {
    const own = job.kit.filter((p) => p.kind === kind);
    const parts: Part[] = own.length > 0 ? own : [{ id: 'one', kind, name: `One ${kind}` } as Part];
    const csv = writeKitCsv(kind, parts);
    const r = readKitCsv(csv);
    expect(r.ok ? r.value.kinds : r.problems).toEqual([kind]);
    expect(r.ok && r.value.parts).toEqual(parts);
  });

  test('columns carry their unit and are told apart by kind', () => {
    expect(columns('lens')).toEqual(
      expect.arrayContaining(['front_diameter_mm', 'focal_mm', 'image_circle', 't_stop_t']),
    );
    for (const kind of KINDS) {
      // Kinds that say the same of themselves carry a column that names them.
      const named = columns(kind).includes('kind');
      if (!named) expect(kindOfHeader(columns(kind))).toBe(kind);
      expect(new Set(columns(kind)).size).toBe(FIELDS[kind].length + (named ? 2 : 1));
    }
    expect(kindOfHeader(['wine', 'year'])).toBeNull();
  });

  test('a column called kind says outright what the lines are', () => {
    const r = readKitCsv('kind,name,thickness_mm\nring,Hoop,3.2');
    expect(r.ok && r.value.kinds).toEqual(['ring']);
    expect(r.ok && r.value.parts).toEqual([
      { id: 'hoop', kind: 'ring', name: 'Hoop', thickness: 3.2 },
    ]);
  });

  test('a matte box with its stages, masks and flags in one line', () => {
    const r = readKitCsv(
      'id,name,attach,opening_mm,stages,mouth_w_mm,flags\nb,Box,clip-on,114.2+-0.1 measured,rear|rear stage|4x5.65|12|138|97|yes||;front|front stage|4x5.65|22|138|97|no|yes|10,164,top|top flag|top|58|57|110|-10|90',
    );
    expect(r.ok ? r.value.parts[0] : r.problems).toMatchObject({
      kind: 'matte-box',
      opening: { value: 114.2, tol: 0.1, from: 'measured' },
      stages: [
        { id: 'rear', tray: '4x5.65', z: 12, clearW: 138, clearH: 97, rotates: true },
        { id: 'front', rotates: false, removable: true, shorter: 10 },
      ],
      flags: [{ id: 'top', side: 'top', offset: 57, from: -10, to: 90 }],
    });
  });

  test('what people type in a sheet: spaces, inches, one figure for the circle, no ids', () => {
    const r = readKitCsv(
      'name,mount,focal_mm,front_diameter_mm,image_circle,aperture\r\n"Reed 32","slr-44.00-54",32,"3 1/8""",46.1+-0.5 measured,manual\r\n\r\nReed 32,pl,~33,,,',
    );
    expect(r.ok && r.value.parts).toEqual([
      {
        id: 'reed-32',
        kind: 'lens',
        name: 'Reed 32',
        mount: 'slr-44.00-54',
        focal: 32,
        frontDiameter: 79.375,
        imageCircle: [{ diameter: { value: 46.1, tol: 0.5, from: 'measured' } }],
        aperture: 'manual',
      },
      {
        id: 'reed-32-2',
        kind: 'lens',
        name: 'Reed 32',
        mount: 'pl',
        focal: { value: 33, from: 'guess' },
      },
    ]);
  });

  test('all problems with line and column, and nothing is taken in', () => {
    const r = readKitCsv(
      'id,name,focal_mm,aperture,mass_g\na,A,wide,manual,12\nb,,25,sideways,1\na,C,-3,,',
    );
    expect(r.ok).toBe(false);
    const said = r.ok ? [] : r.problems.map(problemSentence);
    expect(said).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^line 2, focal_mm: found "wide", expected a number in mm/),
        expect.stringMatching(/^line 3, name: found nothing/),
        expect.stringMatching(/^line 3, aperture: found "sideways", expected manual or electronic/),
        expect.stringMatching(/^line 4, id: found "a"/),
        expect.stringMatching(/^line 4, focal_mm: found -3, expected a number in mm from 1/),
      ]),
    );
  });

  test('no header, no name, doubled or dangerous columns', () => {
    expect(readKitCsv('')).toMatchObject({ ok: false });
    expect(readKitCsv('wine,year\nred,1999')).toMatchObject({ ok: false });
    expect(readKitCsv('id,focal_mm,mount\na,1,pl')).toMatchObject({ ok: false });
    expect(readKitCsv('name,focal_mm,focal_mm\na,1,2')).toMatchObject({ ok: false });
    expect(readKitCsv('name,focal_mm,mount,__proto__\na,1,pl,x')).toMatchObject({ ok: false });
    expect(readKitCsv('name,focal_mm,mount\na,1,pl,x')).toMatchObject({ ok: false });
  });

  test('cells that a spreadsheet would run are written as text and come back as they were', () => {
    const lens = testLens({ name: '=1+1', notes: '@home', owner: '+49 not a number' });
    const csv = writeKitCsv('lens', [lens]);
    expect(csv).toContain("'=1+1");
    expect(csv).not.toMatch(/(^|,)=1/m);
    const r = readKitCsv(csv);
    expect(r.ok && r.value.parts[0]).toEqual(lens);
  });

  test('fields of later versions are carried along in columns that say so', () => {
    const r = readKitCsv('name,focal_mm,mount,carried: coating\nA,25,pl,single');
    expect(r.ok && (r.value.parts[0] as any).coating).toBe('single');
    expect(r.ok && writeKitCsv('lens', r.value.parts)).toContain('carried: coating');
  });

  const listProblems = (text: string) => {
    const r = readKitCsv(text);
    return r.ok ? [] : r.problems.map(problemSentence);
  };

  test('the kind is read line by line, by its word', () => {
    const r = readKitCsv(
      'kind,name,mount,thickness_mm,axis_to_base_mm\ncamera body,X,,,\nbody,Orrin,pl,,48\nthread ring,Hoop,,3,\nRiser,Up,,6,',
    );
    expect(r.ok ? [] : r.problems.map(problemSentence)).toEqual([
      expect.stringMatching(/^line 2, kind: found "camera body", expected a kind of part/),
    ]);
    const good = readKitCsv(
      'kind,name,mount,thickness_mm,axis_to_base_mm\nbody,Orrin,pl,,48\nthread ring,Hoop,,3,\nRiser,Up,,6,',
    );
    expect(good.ok && good.value.parts.map((p) => p.kind)).toEqual(['body', 'ring', 'riser']);
    expect(listProblems('kind,name,mount,thickness_mm\nbody,X,pl,\nring,Hoop,pl,3')[0]).toContain(
      'line 3, mount: found "pl", expected nothing: thread rings do not say that of themselves',
    );
  });

  test('what could be read in two ways stops the list: thousands or decimals', () => {
    for (const cell of ['1.180', '1,180', '12.500+-1', '1.180.000'])
      expect(listProblems(`name,mount,mass_g,focal_mm\nA,pl,"${cell}",25`)).toEqual([
        expect.stringContaining('a figure that reads in one way'),
      ]);
    const r = readKitCsv('name,mount,mass_g,focal_mm\nA,pl,1180,25.4\nB,pl,0.125,"25,4"');
    expect(r.ok && r.value.parts.map((p) => p.mass)).toEqual([1180, 0.125]);
    // What we write ourselves reads in one way only.
    fc.assert(
      fc.property(fc.double({ min: 1, max: 3000, noNaN: true }), (v) => {
        const value = Math.round(v * 1000) / 1000;
        const back = readKitCsv(
          writeKitCsv('lens', [testLens({ focal: { value, tol: value / 8 } })]),
        );
        expect(back.ok && (back.value.parts[0] as Lens).focal).toEqual({ value, tol: value / 8 });
      }),
    );
  });

  test('a column, a mount or a word that is not known stops it, with its place', () => {
    expect(listProblems('name,focal_mm,mount,lense_coating\nA,25,pl,x')[0]).toMatch(
      /^line 1, column 4: found "lense_coating", expected a column of lenses/,
    );
    expect(listProblems('name,focal_mm,mount\nA,25,elk')[0]).toMatch(/^line 2, mount: found "elk"/);
    const r = readKitCsv('name,focal_mm,mount,aperture\nA,25,PL,manual ring');
    expect(r.ok && r.value.parts[0]).toMatchObject({ mount: 'pl', aperture: 'manual' });
    const own = readKitCsv('name,focal_mm,mount\nA,25,our own', null, [
      { id: 'own-x', name: 'Our own' },
    ]);
    expect(own.ok && own.value.parts[0]).toMatchObject({ mount: 'own-x' });
  });

  test('a header that several kinds fit as well, and text that is not UTF-8, are refused', () => {
    expect(listProblems('name,thickness_mm,mass_g\nA,3,20')[0]).toContain('a column called kind');
    expect(listProblems('name,focal_mm,mount\nJ\ufffdrg,25,pl')[0]).toContain('not UTF-8');
    expect(listProblems('n\u0000a\u0000m\u0000e')[0]).toContain('not UTF-8');
  });

  test('whatever a cell begins with it is no formula, and comes back as it was', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('=', '+', '-', '@', '\t', "'", "''", '-4', '+1+cmd|', 'a'),
        fc.string({ maxLength: 12, unit: 'grapheme-ascii' }),
        (head, tail) => {
          const notes = `${head}${tail}`.trim();
          const csv = writeKitCsv('lens', [testLens({ notes })]);
          const cells = Papa.parse<string[]>(csv).data.flat();
          for (const c of cells)
            expect(/^[=+\-@\t]/.test(c) && !/^[+-]?\d+(\.\d+)?(e[+-]?\d+)?$/i.test(c)).toBe(false);
          const back = readKitCsv(csv);
          expect(back.ok && (back.value.parts[0]!.notes ?? '')).toBe(notes);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('random bytes and mutated lists never throw and never come in half', () => {
    const base = writeKitCsv(
      'lens',
      job.kit.filter((p) => p.kind === 'lens'),
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(base.length), fc.string({ maxLength: 3 })), { maxLength: 6 }),
        (cuts) => {
          let text = base;
          for (const [at, put] of cuts) text = text.slice(0, at) + put + text.slice(at + 1);
          const r = readKitCsv(text);
          if (r.ok) {
            expect(readKitCsv(writeKitCsv(r.value.kinds[0] ?? 'lens', r.value.parts)).ok).toBe(
              true,
            );
          } else expect(r.problems.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('hostile files', () => {
  test('a list of a million is refused at once, wherever it stands', () => {
    const million = `[${'{},'.repeat(999_999)}{}]`;
    for (const t of [
      text.replace('"kit": [', `"kit": ${million}, "x": [`),
      text.replace('"rigs": [', `"rigs": ${million}, "y": [`),
      `{"format":"nelvix-job","version":4,"id":"a","name":"A","rigs":[],"kit":[{"id":"l","kind":"lens","name":"L","outline":${million}}]}`,
    ]) {
      const r = readJob(t);
      expect(r.ok ? [] : r.problems.map(problemSentence)).toEqual([
        expect.stringMatching(/found a list of 1000000, expected a list of at most \d+/),
      ]);
    }
  });

  test('twenty thousand bad parts: what is wrong is said as far as anyone reads it', () => {
    const doc = JSON.parse(text) as { kit: unknown[] };
    doc.kit = Array.from({ length: 20_000 }, (_, i) => ({ id: `p${i}`, kind: 'lens', name: 7 }));
    const r = validateJob(doc);
    expect(r.ok).toBe(false);
    if (r.ok) return;
    expect(r.problems.length).toBeLessThan(1500);
    expect(r.problems[0]!.path).toBe('kit[0].name');
  });

  test('ranges that stand the wrong way round are turned, and it is said', () => {
    const r = readJob(
      broken((j) => {
        const support = j.kit.find((p: any) => p.kind === 'lens-support');
        support.postFrom = 60;
        support.postTo = 20;
      }),
    );
    expect(r.ok && r.notes).toEqual([expect.stringContaining('stood the wrong way round')]);
    expect(r.ok && r.value.kit.find((p) => p.kind === 'lens-support')).toMatchObject({
      postFrom: 20,
      postTo: 60,
    });
  });
});

describe('backup', () => {
  test('goes out and comes back', () => {
    const jobs = [docOf(demo()), docOf(testJob())];
    const r = readBackup(writeBackup(jobs));
    expect(r.ok && r.value).toEqual(JSON.parse(JSON.stringify(jobs)));
  });
  test('one bad job and nothing is restored; the path leads into the backup', () => {
    const bad = JSON.parse(writeBackup([docOf(demo()), docOf(testJob())]));
    bad.jobs[1].kit[0].name = 5;
    const r = readBackup(JSON.stringify(bad));
    expect(r.ok ? [] : r.problems.map((p) => p.path)).toEqual(['jobs[1].kit[0].name']);
    for (const t of [
      '{}',
      '[]',
      '{"format":"nelvix-backup","version":9,"jobs":[]}',
      '{"format":"nelvix-backup","version":1}',
      'x',
    ])
      expect(readBackup(t).ok).toBe(false);
  });
});

describe('report', () => {
  test('counts every finding of every rig and is plain data', () => {
    const r = report(demo());
    expect(r).toMatchObject({ format: 'nelvix-report', version: 1 });
    expect(JSON.parse(JSON.stringify(r))).toEqual(r);
    const states = r.rigs.flatMap((x) => x.findings.map((f) => f.state));
    for (const s of ['ok', 'tight', 'fail', 'unknown'] as const)
      expect(r.counts[s]).toBe(states.filter((x) => x === s).length);
    for (const f of r.rigs.flatMap((x) => x.findings))
      expect(Object.keys(f)).toEqual(
        expect.arrayContaining([
          'id',
          'about',
          'state',
          'margin',
          'limit',
          'why',
          'sum',
          'fixes',
          'measure',
          'basis',
        ]),
      );
  });
  test('as text: worst first, fixes below', () => {
    const t = reportText(demo(), report(demo()));
    expect(t).toContain('FAIL    mount.rear-depth');
    expect(t).toContain('try: Use Narrows 0.71 for the Pocket instead (then ok)');
    expect(t.trim().split('\n').at(-1)).toMatch(/^\d+ fail, \d+ tight, \d+ unknown, \d+ ok$/);
  });
});

test('paths and values in words', () => {
  expect(pathText([])).toBe('(file)');
  expect(pathText(['kit', 3, 'imageCircle', 0, 'd'])).toBe('kit[3].imageCircle[0].d');
  expect(pathText(['rules', 'values', 'mount.play'])).toBe('rules.values["mount.play"]');
  expect(inShort(undefined)).toBe('nothing');
  expect(inShort('y'.repeat(90))).toMatch(/^text "y{40}"\.\.\.$/);
  expect(inShort([1, 2])).toBe('a list of 2');
  expect(validateJob(5).ok).toBe(false);
});

/** What the demo says of its rigs besides since. */
const LATER = { roles: ['carrier', 'lead', 'card'], joints: ['below', 'plug', 'slot'] };

describe('version 4 files, from before parts named what they hold each other by', () => {
  test('a job of version 4 reads as it is, and is written as the present version', () => {
    const r = readDoc(v4);
    expect(r.ok ? r.value : r.problems).toEqual({ ...JSON.parse(v4), version: JOB_VERSION });
    // What the demo says since: its rigs of before stand as they stood.
    const now = readDoc(readFileSync(demoPath(), 'utf8'));
    if (!r.ok || !now.ok) throw new Error('cannot be read');
    // The demo says more of some of them by now: how they stand in a configuration.
    const itself = now.value.rigs.slice(0, r.value.rigs.length).map((rig) => ({
      ...rig,
      configurations: undefined,
      // How it is carried came later, too.
      carry: undefined,
      uses: rig.uses.filter((u) => !LATER.roles.includes(u.role)),
      joints: rig.joints.filter((j) => !LATER.joints.includes(j.kind)),
      // What feeds a motor was said already, without its lead.
      links: rig.links
        .filter((l) => rig.uses.find((u) => u.id === l.to.use)?.role === 'drive')
        .map(({ lead: _, ...l }) => l),
    }));
    expect(r.value.rigs.every((rig) => rig.configurations === undefined)).toBe(true);
    expect(itself).toEqual(r.value.rigs);
  });

  test('names that mean something now are kept aside, and the rule goes over to its new name', () => {
    const j = JSON.parse(v4);
    j.rules = { set: 'house', values: { 'carry.twist': 0.5, 'space.air': 3 } };
    j.kit.push({ id: 'b', kind: 'bracket', name: 'B', width: 'broad', interfaces: 'two' });
    j.kit.push({ id: 'c', kind: 'bracket', name: 'C', width: 20 });
    j.kit.find((p: any) => p.id === 'stirrup').interfaces = [{ name: 'no id' }];
    j.rigs[0].hold = 7;
    j.rigs[0].joints[1].tight = 'very';
    const seat = j.rigs[0].joints.find((x: any) => x.id === 'monitor');
    seat.place.slide = 'far';
    const r = readDoc(JSON.stringify(j));
    if (!r.ok) throw new Error(JSON.stringify(r.problems));
    const part = (id: string) => r.value.kit.find((p) => p.id === id) as any;
    expect(r.value.rules!.values).toEqual({ 'joint.twist': 0.5, 'space.air': 3 });
    expect(part('b').carried).toEqual({ width: 'broad', interfaces: 'two' });
    expect(part('c').width).toBe(20);
    expect(part('stirrup').carried.interfaces).toHaveLength(1);
    expect(r.value.rigs[0]).toMatchObject({ carried: { hold: 7 } });
    expect(r.value.rigs[0]!.joints[1]).toMatchObject({ carried: { tight: 'very' } });
    expect(r.value.rigs[0]!.joints.find((x) => x.id === 'monitor')!.place).toMatchObject({
      carried: { slide: 'far' },
    });
    expect(readDoc(writeDoc(r.value))).toMatchObject({ ok: true });
    // An older file with such parts too: parts are read alike in every version.
    const old = JSON.parse(v3);
    old.kit.push({ id: 'b', kind: 'bracket', name: 'B', width: 'broad' });
    old.rigs[0].fitted[0].at = 9;
    const read = readDoc(JSON.stringify(old));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.kit.at(-1)).toMatchObject({ carried: { width: 'broad' } });
  });

  test('two interfaces of one id are said with their place', () => {
    const j = JSON.parse(readFileSync(demoPath(), 'utf8'));
    const at = j.kit.findIndex((p: any) => p.id === 'stirrup');
    j.kit[at].interfaces[1].id = 'feet';
    const r = readDoc(JSON.stringify(j));
    expect(r.ok ? [] : r.problems.map((p) => p.path)).toEqual([`kit[${at}].interfaces[1].id`]);
  });
});
