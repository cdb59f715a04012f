import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bundleTerminal, TERMINAL } from './steps.mjs';

/**
 * Speed of advice from the terminal, as ratios in one run, read by hand: against an empty Node
 * process and against the demo. Each run is held against an empty process (or the demo) right
 * before it, because a machine is fast and slow by turns, and the middle one of the ratios counts.
 */
if (!bundleTerminal()) process.exit(2);
const DEMO = 'data/demo/lock-nine.nelvix.json';
const folder = mkdtempSync(join(tmpdir(), 'nelvix-bench-'));
const run = `require(${JSON.stringify(join(process.cwd(), TERMINAL))}).main(process.argv.slice(1), () => {}, (t) => process.stderr.write(t))`;

function took(args) {
  const from = process.hrtime.bigint();
  const r = spawnSync(process.execPath, args, { stdio: ['ignore', 'ignore', 'inherit'] });
  if (r.status !== 0) throw new Error(`ended with ${r.status}: ${args.slice(2).join(' ')}`);
  return Number(process.hrtime.bigint() - from) / 1e6;
}
const middle = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];

/** Runs one after the other in turn; the middle ratio of the two counts. */
function held(what, args, against, name, runs, most) {
  const pairs = Array.from({ length: runs }, () => {
    const base = took(against);
    const own = took(args);
    return { own, ratio: own / base };
  });
  console.log(
    `${what.padEnd(44)} ${middle(pairs.map((p) => p.own))
      .toFixed(0)
      .padStart(6)} ms  ${middle(pairs.map((p) => p.ratio))
      .toFixed(1)
      .padStart(5)} x ${name}${most ? ` (at most ${most})` : ''}`,
  );
}
const check = (file, ...more) => ['-e', run, '--', 'check', file, ...more];
const written = (name, job) => {
  const file = join(folder, name);
  writeFileSync(file, JSON.stringify(job));
  return file;
};
const demo = () => JSON.parse(readFileSync(DEMO, 'utf8'));

/** The demo with many more adapters between the mounts it has. */
function adapters(n) {
  const job = demo();
  const own = job.kit.filter((p) => p.kind === 'adapter');
  for (let i = 0; own.length + i < n; i++)
    job.kit.push({ ...own[i % own.length], id: `more-${i}`, name: `More ${i}` });
  return job;
}

/** The demo with a rental house around it. */
function parts(n) {
  const job = demo();
  const own = [...job.kit];
  for (let i = 0; job.kit.length < n; i++) {
    const p = own[i % own.length];
    job.kit.push({ ...p, id: `${p.id}-${i}`, name: `${p.name} ${i}` });
  }
  return job;
}

mkdirSync(folder, { recursive: true });
const EMPTY = ['-e', ''];
held('an empty node process', EMPTY, EMPTY, 'itself', 15);
held('the demo, every fix of every finding', check(DEMO), EMPTY, 'empty', 15, 12);
held('the demo, verdicts only', check(DEMO, '--verdicts'), EMPTY, 'empty', 15, 5);
const many = check(written('a.json', adapters(110)));
held('the demo with 110 adapters', many, check(DEMO), 'demo', 5, 3);
const house = written('p.json', parts(15_000));
held('the demo with 15,000 parts, verdicts', check(house, '--verdicts'), EMPTY, 'empty', 5);
held('the demo with 15,000 parts', check(house), EMPTY, 'empty', 5, 30);
rmSync(folder, { recursive: true });
