import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bundleTerminal, TERMINAL } from './steps.mjs';

/**
 * Speed of advice from the terminal, as ratios in one run, read by hand: against an empty Node
 * process and against the demo. Each is the best of a few runs, because others use this machine too.
 */
if (!bundleTerminal()) process.exit(2);
const DEMO = 'data/demo/lock-nine.nelvix.json';
const folder = mkdtempSync(join(tmpdir(), 'nelvix-bench-'));
const run = `require(${JSON.stringify(join(process.cwd(), TERMINAL))}).main(process.argv.slice(1), () => {}, (t) => process.stderr.write(t))`;

function best(runs, args) {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const from = process.hrtime.bigint();
    const r = spawnSync(process.execPath, args, { stdio: ['ignore', 'ignore', 'inherit'] });
    if (r.status !== 0) throw new Error(`ended with ${r.status}: ${args.slice(2).join(' ')}`);
    least = Math.min(least, Number(process.hrtime.bigint() - from) / 1e6);
  }
  return least;
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
const empty = best(7, ['-e', '']);
const say = (what, ms, against, name, most) =>
  console.log(
    `${what.padEnd(44)} ${ms.toFixed(0).padStart(6)} ms  ${(ms / against).toFixed(1).padStart(5)} x ${name}${most ? ` (at most ${most})` : ''}`,
  );
say('an empty node process', empty, empty, 'itself');
const whole = best(3, check(DEMO));
say('the demo, every fix of every finding', whole, empty, 'empty', 12);
say('the demo, verdicts only', best(3, check(DEMO, '--verdicts')), empty, 'empty', 5);
say(
  'the demo with 110 adapters',
  best(2, check(written('a.json', adapters(110)))),
  whole,
  'demo',
  3,
);
say(
  'the demo with 15,000 parts, verdicts',
  best(2, check(written('p.json', parts(15_000)), '--verdicts')),
  empty,
  'empty',
);
say(
  'the demo with 15,000 parts',
  best(1, check(written('p.json', parts(15_000)))),
  empty,
  'empty',
  30,
);
rmSync(folder, { recursive: true });
