import { readFileSync, writeFileSync } from 'node:fs';
import { build } from '../core/build/build';
import { lackingForShading, shadingView } from '../core/areas/front/model/view';
import { situation, type Setting } from '../core/areas/front/model/situations';
import { writeMapCsv } from '../core/format/map-csv';
import { problemSentence } from '../core/format/problem';
import { jobOf } from '../core/doc/read';
import { rigIn } from '../core/doc/layers';
import type { JobDoc } from '../core/kit/kept';
import { operateAs } from '../core/kit/operator';
import { readOperator } from '../core/kit/read-operator';
import { readDoc } from '../core/format/read-job';
import { report, reportText } from '../core/report/report';
import { configurationReports, configurationText } from './configurations';
import { sharedReport, type Helper } from './share';
import type { Job, Rig } from '../core/kit/types';

export { serve, startHelper } from './share';

const USAGE = `Usage: nelvix check FILE [--json] [--verdicts] [--configuration NAME] [--profile FILE]
       nelvix configurations FILE [--json]
       nelvix map FILE --rig RIG [--focal MM] [--stop T] [--focus M] [--size 96x54] [--out CSV]

check   checks every rig of a job file with the same core as the application; with
        --verdicts without trying fixes; with --configuration the rigs that have one of that
        name, as they stand in it; with --profile who holds them: heights in mm, what they
        can just hold in g, as {"shoulder": 1480, "one": 9000}. It is in no job file.
        Exit 0: nothing fails. 1: something fails. 2: the file cannot be used.
configurations
        lays every rig that has configurations beside each of them: what gets worse, what
        comes off, goes on, moves and is set otherwise, screws and tools.
        Exit 0: laid beside each other. 2: the file cannot be used.
map     writes the shading of the chip of one rig (its id or name) as CSV: what stands in
        front, the falloff of the lens, that of a reducer, hard cuts and what causes them.
        Without --focal, --stop and --focus (metres, or "infinity") at the worst of all settings.
        Exit 0: written. 2: not, and why.
`;

type Say = (text: string) => void;

/**
 * Runs the terminal command.
 *
 * @param args words behind the command
 * @param help starts a second thread to share the work with, where there is one
 * @returns exit code
 */
export function main(
  args: readonly string[],
  out: Say,
  err: Say,
  help: (() => Helper) | null = null,
): number {
  if (args.includes('--help')) {
    out(USAGE);
    return 0;
  }
  const who = args.indexOf('--profile');
  if (args[0] === 'check' && who >= 0)
    return withProfile(args[who + 1], err, () =>
      // One thread: the other one would not know who it is.
      main([...args.slice(0, who), ...args.slice(who + 2)], out, err),
    );
  const [command, ...rest] = args.filter((a) => a !== '--json' && a !== '--verdicts');
  const at = rest.indexOf('--configuration');
  if (command === 'check' && at >= 0) {
    const [, name] = rest.splice(at, 2);
    return configured(rest, name, args, out, err);
  }
  const plain = args.includes('--verdicts');
  if (command === 'check')
    return check(rest, args.includes('--json'), plain ? 'verdicts' : help, out, err);
  if (command === 'configurations' && !plain)
    return beside(rest, args.includes('--json'), out, err);
  if (command === 'map' && !plain && !args.includes('--json')) return map(rest, out, err);
  const unknown = args.find((w) => w.startsWith('-'));
  err(unknown ? `There is no ${unknown} here.\n${USAGE}` : USAGE);
  return 2;
}

/** Runs with who is in a file; says what is wrong with it, and runs nothing then. */
function withProfile(file: string | undefined, err: Say, run: () => number): number {
  const no = (why: string) => {
    err(`--profile: ${why}\n`);
    return 2;
  };
  if (file === undefined) return no('expected a file.');
  let own: unknown;
  try {
    own = JSON.parse(readFileSync(file, 'utf8'));
  } catch (e) {
    return no(e instanceof SyntaxError ? `${file} is not JSON.` : `${file} cannot be read.`);
  }
  const read = readOperator(own);
  if (!read.ok) return no(`${file}: ${read.error}`);
  operateAs(read.value);
  try {
    return run();
  } finally {
    operateAs(null);
  }
}

/** The job in the one file that is named; null where there is none, or it cannot be used. */
function onlyDoc(words: readonly string[], err: Say): JobDoc | null {
  const unknown = words.find((w) => w.startsWith('-'));
  if (unknown === undefined && words.length === 1) return docFrom(words[0]!, err);
  err(unknown ? `There is no ${unknown} here.\n${USAGE}` : USAGE);
  return null;
}

/** Lays the rigs of a job beside their configurations. */
function beside(words: readonly string[], json: boolean, out: Say, err: Say): number {
  const doc = onlyDoc(words, err);
  if (!doc) return 2;
  const reports = configurationReports(doc);
  out(json ? `${JSON.stringify(reports, null, 2)}\n` : configurationText(reports));
  return 0;
}

/** Checks the rigs of a job that have a configuration of a name, as they stand in it. */
function configured(
  words: readonly string[],
  name: string | undefined,
  args: readonly string[],
  out: Say,
  err: Say,
): number {
  const doc = onlyDoc(words, err);
  if (!doc) return 2;
  const rigs = doc.rigs.flatMap((rig) => {
    const own = rig.configurations?.find((c) => c.id === name || c.name === name);
    return own ? [{ ...rigIn(rig, own.id), name: `${rig.name}, ${own.name}` }] : [];
  });
  if (rigs.length === 0) {
    const all = doc.rigs.flatMap((r) =>
      (r.configurations ?? []).map((c) => `${c.name} (of ${r.name})`),
    );
    err(
      `--configuration: found ${name === undefined ? 'nothing' : JSON.stringify(name)}, expected ${all.length > 0 ? `one of ${all.join(', ')}` : 'one that a rig of this job has: none has any'}.\n`,
    );
    return 2;
  }
  const job = jobOf({ ...doc, rigs });
  const r = report(job, !args.includes('--verdicts'));
  out(args.includes('--json') ? `${JSON.stringify(r, null, 2)}\n` : reportText(job, r));
  return r.counts.fail > 0 ? 1 : 0;
}

/** Reads a job, or says everything that is wrong with it. */
function jobFrom(file: string, err: Say, found: () => void = () => undefined): Job | null {
  const doc = docFrom(file, err, found);
  return doc && jobOf(doc);
}

function docFrom(file: string, err: Say, found: () => void = () => undefined): JobDoc | null {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (e) {
    const code = (e as NodeJS.ErrnoException).code;
    err(
      `${file}: ${code === 'ENOENT' ? 'there is no such file' : `cannot be read (${code ?? 'unknown reason'})`}.\n`,
    );
    return null;
  }
  found();
  const doc = readDoc(text);
  if (doc.ok) return doc.value;
  for (const p of doc.problems) err(`${problemSentence(p)}\n`);
  return null;
}

function check(
  words: readonly string[],
  json: boolean,
  how: 'verdicts' | (() => Helper) | null,
  out: Say,
  err: Say,
): number {
  const unknown = words.find((w) => w.startsWith('-'));
  if (unknown || words.length !== 1) {
    err(unknown ? `There is no ${unknown} here.\n${USAGE}` : USAGE);
    return 2;
  }
  let helper: Helper | null = null;
  // It starts while the file is looked through.
  const job = jobFrom(words[0]!, err, () => {
    if (typeof how === 'function') helper = how();
  });
  if (!job) return 2;
  const r = helper ? sharedReport(job, helper) : report(job, how !== 'verdicts');
  out(json ? `${JSON.stringify(r, null, 2)}\n` : reportText(job, r));
  return r.counts.fail > 0 ? 1 : 0;
}

const OPTIONS = ['--rig', '--focal', '--stop', '--focus', '--size', '--out'];
/** Largest map that is written, points a side. */
const LARGEST = 2000;

function map(words: readonly string[], out: Say, err: Say): number {
  const refuse = (sentence: string) => {
    err(`${sentence}\n`);
    return 2;
  };
  const given = new Map<string, string>();
  const files: string[] = [];
  for (let i = 0; i < words.length; i++) {
    const w = words[i]!;
    if (!w.startsWith('--')) files.push(w);
    else if (!OPTIONS.includes(w)) return refuse(`There is no ${w} here.\n${USAGE}`);
    else if (words[i + 1] === undefined) return refuse(`${w}: expected a value behind it.`);
    else given.set(w, words[++i]!);
  }
  if (files.length !== 1) return refuse(USAGE.trimEnd());
  const job = jobFrom(files[0]!, err);
  if (!job) return 2;
  const named = given.get('--rig');
  const rig: Rig | undefined =
    named === undefined && job.rigs.length === 1
      ? job.rigs[0]
      : job.rigs.find((r) => r.id === named || r.name === named);
  if (!rig)
    return refuse(
      `--rig: found ${named === undefined ? 'nothing' : JSON.stringify(named)}, expected one of ${job.rigs.map((r) => `${r.id} (${r.name})`).join(', ')}.`,
    );
  const number = (key: string, least: number): number | null | undefined => {
    const text = given.get(key);
    if (text === undefined) return undefined;
    const n = Number(text.replace(',', '.'));
    return Number.isFinite(n) && n >= least ? n : null;
  };
  const focal = number('--focal', 1);
  const stop = number('--stop', 0.3);
  const focus =
    given.get('--focus') === 'infinity' ? Infinity : (number('--focus', 0.01) ?? undefined);
  for (const [key, value] of [
    ['--focal', focal],
    ['--stop', stop],
  ] as const)
    if (value === null)
      return refuse(`${key}: found ${JSON.stringify(given.get(key))}, expected a number.`);
  if (given.has('--focus') && focus === undefined)
    return refuse(
      `--focus: found ${JSON.stringify(given.get('--focus'))}, expected metres or infinity.`,
    );
  const size = /^(\d+)x(\d+)$/.exec(given.get('--size') ?? '96x54');
  const nx = Number(size?.[1]);
  const ny = Number(size?.[2]);
  if (!size || nx < 1 || ny < 1 || nx > LARGEST || ny > LARGEST)
    return refuse(
      `--size: found ${JSON.stringify(given.get('--size'))}, expected two numbers from 1 to ${LARGEST}, like 96x54.`,
    );
  const built = build(job, rig);
  const worst = shadingView(built, null, null);
  const asked = focal !== undefined || stop !== undefined || focus !== undefined;
  const base: Setting = worst?.situation.setting ?? { focal: null, focus: Infinity, stop: 'used' };
  const sit = asked
    ? situation(built, {
        focal: base.focal === null ? null : (focal ?? base.focal),
        focus: focus === undefined ? Infinity : focus * 1000,
        stop: stop ?? 'used',
      })
    : (worst?.situation ?? null);
  const csv = sit ? writeMapCsv(built, sit, nx, ny) : null;
  if (!sit || !csv) {
    const missing = lackingForShading(built);
    return refuse(
      `${rig.name}: the shading is not known: ${missing.length > 0 ? `${missing.join(', ')} missing` : 'it needs a body with a mode and a lens'}.`,
    );
  }
  const file = given.get('--out');
  if (file === undefined) {
    out(csv);
    return 0;
  }
  try {
    writeFileSync(file, csv);
  } catch (e) {
    return refuse(
      `${file}: cannot be written (${(e as NodeJS.ErrnoException).code ?? 'unknown reason'}).`,
    );
  }
  out(`${rig.name} at ${sit.label}: ${nx} x ${ny} points in ${file}\n`);
  return 0;
}
