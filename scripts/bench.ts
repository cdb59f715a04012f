import { readFileSync } from 'node:fs';
import { build, shared } from '../src/core/build/build';
import { check } from '../src/core/checks/registry';
import { searchParts } from '../src/core/command/search';
import { readJob } from '../src/core/format/read-job';
import type { Adapter, Job, Lens, Part, Rig } from '../src/core/kit/types';
import { findChains, linksOf } from '../src/core/mounts/chains';
import { mountIndex, STANDARD_MOUNTS } from '../src/core/mounts/registry';
import { readings } from '../src/core/readings/readings';
import { applyEdit } from '../src/core/solve/edit';
import { findings } from '../src/core/solve/fixes';
import { setField } from '../src/core/solve/moves';
import { emptyJob } from '../src/core/solve/rigs';

/** Times of what an edit sets off. Run by `npm run bench`; numbers of one run are comparable. */
function time(runs: number, f: (i: number) => unknown): { p50: number; p95: number } {
  for (let i = 0; i < Math.min(runs, 300); i++) f(i);
  const t: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    f(i);
    t.push(performance.now() - start);
  }
  t.sort((a, b) => a - b);
  return { p50: t[Math.floor(runs * 0.5)]!, p95: t[Math.floor(runs * 0.95)]! };
}

function line(what: string, t: { p50: number; p95: number }, note = '') {
  console.log(
    `${what.padEnd(56)} p50 ${t.p50.toFixed(3).padStart(8)} ms   p95 ${t.p95.toFixed(3).padStart(8)} ms  ${note}`,
  );
}

const read = readJob(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
if (!read.ok) throw new Error('the demo cannot be read');
const demo = read.value;
const rig = demo.rigs[0]!;

/** Everything the page computes between an edit and the next picture. */
const respond = (job: Job, r: Rig) => {
  const base = shared(job);
  const built = build(job, r, base);
  const verdicts = check(built).map((v) => v.why);
  return [verdicts, readings(built)];
};
const edited = (job: Job, i: number) =>
  applyEdit(
    job,
    setField(
      job,
      ['kit', 'sedge-18-35', 'imageCircle', '0', 'diameter'],
      29 + (i % 30) / 10,
      'circle',
    ),
  ).doc;

const empty = emptyJob('Empty', 'empty');
const none = time(4000, () => respond(empty, empty.rigs[0]!));
const checks = time(4000, () => check(build(demo, rig, shared(demo))));
const answer = time(4000, (i) => respond(edited(demo, i), rig));
line('empty rig: checks, sentences and figures', none);
line('demo rig: all checks', checks, `${(checks.p50 / none.p50).toFixed(1)} x the empty rig`);
line(
  'demo rig: an edit, checks, sentences and figures',
  answer,
  `${(answer.p50 / none.p50).toFixed(1)} x; wanted p95 under 2`,
);
line(
  'demo rig: every fix of every finding tried',
  time(60, () => findings(demo, rig)),
);

const ids = STANDARD_MOUNTS.map((m) => m.id);
const kit: Part[] = Array.from({ length: 5000 }, (_, i) => {
  if (i % 4 === 0) {
    const lens: Lens = {
      id: `l${i}`,
      kind: 'lens',
      name: `Lens ${i} of ${i % 97}`,
      mount: ids[i % ids.length],
      focal: 10 + (i % 300),
    };
    return lens;
  }
  const adapter: Adapter = {
    id: `a${i}`,
    kind: 'adapter',
    name: `Adapter ${i}`,
    lensMount: ids[i % ids.length],
    bodyMount: ids[(i * 7) % ids.length],
    length: 1 + (i % 40),
  };
  return adapter;
});
const large: Job = { ...demo, kit: [...demo.kit, ...kit] };
const words = ['lens 4096', 'adapter 77', 'marl', '300mm', 'zzz'];
line(
  '5,000 parts: search by words',
  time(400, (i) => searchParts(large.kit, words[i % words.length]!)),
  'wanted under 50',
);
line(
  '5,000 parts: adapter search, screw lens to mirrorless',
  time(100, () =>
    findChains({
      bodyMount: 'ml-20.00-51.6',
      lensMount: 'm42',
      links: linksOf(large.kit),
      mounts: mountIndex(large),
      enough: 20,
    }),
  ),
);
line(
  '5,000 parts: an edit, checks, sentences and figures',
  time(300, (i) => respond(edited(large, i), rig)),
);
