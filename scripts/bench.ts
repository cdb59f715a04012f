import { deserialize, serialize } from 'node:v8';
import { build, buildAfresh, shared } from '../src/core/build/build';
import { standOf } from '../src/core/stand/stand';
import { check, CHECKS } from '../src/core/areas/checks';
import { allOf, hear, newsOf, sayAll, type News, type Said } from '../src/core/checks/news';
import { patched, patchOf, type JobPatch } from '../src/core/doc/patch';
import { pairsTested } from '../src/core/areas/space/model/clearance';
import { searchParts } from '../src/core/command/search';
import type { Adapter, Job, Lens, Part, Rig } from '../src/core/kit/types';
import { findChains, linksOf } from '../src/core/areas/mount/model/chains';
import { mountIndex, STANDARD_MOUNTS } from '../src/core/areas/mount/kit/standards';
import { readings } from '../src/core/readings/readings';
import { applyEdit } from '../src/core/edit/edit';
import { findingsOf, fixesFor } from '../src/core/solve/fixes';
import { setField } from '../src/core/solve/kit-moves';
import { emptyJob } from '../src/core/solve/rigs';
import { measureNext } from '../src/core/solve/measure-next';
import { situations } from '../src/core/areas/front/model/situations';
import { sweepAt, sweepPlan, sweepSettings } from '../src/core/areas/front/model/sweep';
import { mapOf, shadingView } from '../src/core/areas/front/model/view';
import type { Aperture } from '../src/core/pupil/aperture';
import { sceneStack, shadingMap, type Scene } from '../src/core/pupil/map';
import { byChords, draws, fixedRays } from '../src/core/pupil/oracles';
import { crowded } from './crowded.mjs';
import { demo, line, rig, section, time } from './bench-tools';
import './bench-carry';
import './bench-power';
import { jointed } from './jointed.mjs';

/** Times of what an edit sets off. Run by `npm run bench`; numbers of one run are comparable. */
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

section('edits', () => {
  const empty = emptyJob('Empty', 'empty');
  const none = time(4000, () => respond(empty, empty.rigs[0]!));
  const checks = time(4000, () => check(buildAfresh(demo, rig, shared(demo))));
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
    time(20, () => findingsOf(buildAfresh(demo, rig), shared(demo))),
  );
});

section('kit', () => {
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
});

section('shading', () => {
  // The shading map: 96 x 54 points through 12 apertures as a rig has them, some of which cut.
  const circle = (z: number, r: number): Aperture => ({ kind: 'circle', z, cx: 0, cy: 0, r });
  const window = (z: number, hw: number, hh: number, cy = 0, turn = 0): Aperture => ({
    kind: 'rectangle',
    z,
    cx: 0,
    cy,
    hw,
    hh,
    turn,
  });
  const scene: Scene = {
    pupil: { z: 0, r: 7 },
    distance: Infinity,
    apertures: [
      circle(40, 42),
      circle(43, 41),
      circle(48, 44),
      circle(52, 46),
      window(62, 70, 49, -3),
      circle(64, 66),
      window(74, 70, 49, -3, 0.1),
      window(86, 70, 49, -3),
      window(120, 96, 60, -3),
      window(124, 94, 50, -3),
      { kind: 'edge', z: 190, nx: 0, ny: 1, d: 74 },
      { kind: 'edge', z: 190, nx: -1, ny: 0, d: 128 },
    ],
  };
  const field = { nx: 96, ny: 54, left: -0.62, right: 0.62, bottom: -0.35, top: 0.35 };
  const over = (at: (tx: number, ty: number) => number) => {
    const sum = new Float64Array(field.nx * field.ny);
    for (let j = 0; j < field.ny; j++)
      for (let i = 0; i < field.nx; i++)
        sum[j * field.nx + i] = at(
          field.left + ((field.right - field.left) * i) / (field.nx - 1),
          field.bottom + ((field.top - field.bottom) * j) / (field.ny - 1),
        );
    return sum;
  };
  const stack = sceneStack(scene);
  const through = fixedRays(256, draws(1));
  const touched = shadingMap(scene, field).fraction.filter((f) => f < 1).length;
  console.log(
    `\nshading map ${field.nx} x ${field.ny}, ${scene.apertures.length} apertures, ${Math.round((touched / (field.nx * field.ny)) * 100)} % of the points shaded`,
  );
  const area = time(120, () => shadingMap(scene, field));
  // A bad box: its mask and the filter frames are all too small, and every corner is dark.
  const dark: Scene = {
    ...scene,
    apertures: [
      ...scene.apertures,
      window(124, 44, 26, -3),
      window(74, 40, 24, -3),
      circle(52, 26),
    ],
  };
  const shaded = shadingMap(dark, field).fraction.filter((f) => f < 1).length;
  const bad = time(60, () => shadingMap(dark, field));
  const badWhole = time(20, () => shadingMap(dark, field, { cull: false }));
  const whole = time(40, () => shadingMap(scene, field, { cull: false }));
  const chords = time(80, () => over((tx, ty) => byChords(stack, tx, ty, 32)));
  const plain = time(40, () => over((tx, ty) => byChords(stack, tx, ty, 32, false)));
  const rays = time(20, () => over((tx, ty) => through(stack, tx, ty)));
  const ratio = (t: { p50: number }) => `${(t.p50 / area.p50).toFixed(1)} x the map`;
  line('exact areas, culled (the map)', area, 'wanted under 6');
  line('exact areas, nothing culled', whole, `${ratio(whole)}; wanted 4`);
  line(
    `a bad box, ${Math.round((shaded / (field.nx * field.ny)) * 100)} % of the points shaded`,
    bad,
    `${(badWhole.p50 / bad.p50).toFixed(1)} x faster than with nothing culled`,
  );
  line('32 chords, culled', chords, ratio(chords));
  line('32 chords, nothing culled', plain, ratio(plain));
  line('256 rays', rays, `${ratio(rays)}; wanted 10`);
});

section('front', () => {
  for (const r of demo.rigs.filter((x) => x.thread || x.box)) {
    const base = shared(demo);
    const built = build(demo, r, base);
    const verdicts = check(built);
    line(
      `${r.name}: all checks`,
      time(400, () => check(buildAfresh(demo, r, base))),
      'wanted p95 under 8',
    );
    line(
      `${r.name}: map of the plate`,
      time(60, () => mapOf(built, shadingView(built, null, null)!.situation)),
    );
    line(
      `${r.name}: fixes of its worst finding, in the worker`,
      time(10, () => fixesFor(buildAfresh(demo, r, base), verdicts[0]!, base)),
    );
    line(
      `${r.name}: measuring list, in the worker`,
      time(10, () => measureNext(buildAfresh(demo, r, base), base)),
    );
    const settings = [...sweepSettings(sweepPlan(built))];
    line(
      `${r.name}: full sweep of ${settings.length} settings, in the worker`,
      time(10, () => settings.map((s) => sweepAt(buildAfresh(demo, r, base), s))),
      `${situations(built).length} of them are looked at with every edit; wanted under 1000`,
    );
  }
});

section('beside', () => {
  const first: Record<string, number> = {};
  for (const n of [20, 80, 320]) {
    const { job, rig: r } = crowded(demo, n) as { job: Job; rig: Rig };
    const base = shared(job);
    const all = (next: Rig, j = job, b = base) => check(build(j, next, b)).map((v) => v.why).length;
    const say = (what: string, t: { p50: number; p95: number }, note: string) => {
      first[what] ??= t.p50;
      line(`${n} parts, ${what}`, t, `${(t.p50 / first[what]).toFixed(1)} x 20 parts${note}`);
    };
    say(
      'a drive dragged along the rods',
      time(400, (i) =>
        all({ ...r, drives: r.drives!.map((d) => ({ ...d, station: 70 + (i % 40) })) }),
      ),
      n === 80 ? '; wanted p95 under 8' : '',
    );
    const corrected = (part: string, field: string, from: number) => (i: number) => {
      const value = { value: from + (i % 30) / 10, from: 'measured' } as const;
      const j = applyEdit(job, setField(job, ['kit', part, field], value, field)).doc;
      return all(j.rigs[0]!, j, shared(j));
    };
    say('a length of the lens corrected', time(200, corrected('sedge-18-35', 'length', 134)), '');
    // All that hangs on the camera moves: nothing is left of what was worked out before.
    say('a height of the body corrected', time(100, corrected(r.body!, 'height', 90)), '');
    const whole = build(job, r, base);
    const stand = standOf(whole);
    check(whole);
    const solids = stand.solids.length;
    const pairs = (solids * (solids - 1)) / 2;
    const tested = pairsTested(stand);
    first.tested ??= tested;
    first.pairs ??= pairs;
    console.log(
      `${' '.repeat(14)}${solids} solids, ${tested} pairs measured of ${pairs}: ${(tested / first.tested).toFixed(1)} x those of 20 parts, all pairs are ${(pairs / first.pairs).toFixed(1)} x`,
    );
  }
});

/**
 * What checks cost the page's own thread where a worker runs them: what is other of the job is found
 * and written there, what is other of what is said is read back and put in its order. Messages are
 * written and read as the browser does it; who writes pays for the writing.
 */
function shareOfThePage(name: string, job: Job, next: (i: number) => Rig) {
  let here = job;
  let there = job;
  let told: Said = sayAll(build(job, job.rigs[0]!), CHECKS);
  let heard = hear(null, structuredClone(newsOf(null, told)))!;
  const spent: number[] = [];
  time(100, (i) => {
    const after = { ...job, rigs: [next(i)] };
    let start = performance.now();
    const sent = serialize(patchOf(here, after));
    let own = performance.now() - start;
    here = after;
    there = patched(there, deserialize(sent) as JobPatch);
    const now = sayAll(build(there, there.rigs[0]!), CHECKS);
    const news = serialize(newsOf(told, now));
    told = now;
    start = performance.now();
    heard = hear(heard, deserialize(news) as News)!;
    const all = allOf(heard, CHECKS);
    own += performance.now() - start;
    spent.push(own);
    return all.length;
  });
  const list = spent.slice(100).sort((a, b) => a - b);
  line(
    `${name}, a bar with all on it: what of it is the page's`,
    { p50: list[list.length >> 1]!, p95: list[Math.floor(list.length * 0.95)]! },
    'the rest in a worker; wanted p95 under 8',
  );
}

section('joints', () => {
  const first: Record<string, number> = {};
  for (const n of [20, 80, 160]) {
    const { job, rig: r, joints } = jointed(demo, n) as { job: Job; rig: Rig; joints: number };
    const base = shared(job);
    const all = (next: Rig, j = job, b = base) => check(build(j, next, b)).map((v) => v.why).length;
    const say = (what: string, t: { p50: number; p95: number }, note = '') => {
      first[what] ??= t.p50;
      line(
        `${n} parts, ${joints} joints, ${what}`,
        t,
        `${(t.p50 / first[what]).toFixed(1)} x 20 parts${note}`,
      );
    };
    const note = n === 80 ? '; wanted p95 under 8' : '';
    const moved = (id: string, to: (i: number) => object) => (i: number) =>
      all({ ...r, fitted: r.fitted!.map((u) => (u.id === id ? { ...u, ...to(i) } : u)) });
    const last = r.fitted![r.fitted!.length - 1]!.id;
    say(
      'a part taken from hole to hole',
      time(
        300,
        moved(last, (i) => ({ n: 26 + (i % 5) })),
      ),
      note,
    );
    say(
      'a part turned on its joint',
      time(
        300,
        moved(last, (i) => ({ turn: i % 30 })),
      ),
      note,
    );
    const bar = r.fitted!.find((u) => u.part === 'bar')!.id;
    say(
      'a bar with all on it',
      time(
        200,
        moved(bar, (i) => ({ n: i % 2 })),
      ),
      note,
    );
    const corrected = (i: number) => {
      const value = { value: 80 + (i % 30), from: 'measured' } as const;
      const j = applyEdit(job, setField(job, ['kit', 'block', 'mass'], value, 'mass')).doc;
      return all(j.rigs[0]!, j, shared(j));
    };
    say('the mass of every block corrected', time(100, corrected), note);
    say(
      'all checks, nothing known from before',
      time(60, () => check(buildAfresh(job, r, base)).length),
    );
    shareOfThePage(`${n} parts, ${joints} joints`, job, (i) => ({
      ...r,
      fitted: r.fitted!.map((u) => (u.id === bar ? { ...u, n: i % 2 } : u)),
    }));
    const whole = build(job, r, base);
    const verdicts = check(whole);
    console.log(
      `${' '.repeat(14)}${standOf(whole).solids.length} solids, ${verdicts.length} findings, ${verdicts.filter((v) => v.id.startsWith('joint.')).length} of them of joints`,
    );
  }
});
