import fc from 'fast-check';
import { build, shared, type Built } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import type { Change, Job } from '../../kit/types';
import { anyRig, demoStandings, type Subject } from '../../properties/rigs';
import { fixesFor } from '../../solve/fixes';
import { standOf } from '../../stand/stand';
import { demo } from '../../test-kit';
import { check } from '../checks';
import { inside } from '../../solids/oracles';
import { bounds, type Solid } from '../../solids/solid';
import { deviceKey, feedsOn } from './model/fed';
import { roomBefore } from './model/lay';
import { lineOf, linesOn, runAt } from './model/lines';
import { sayLine } from './model/say-line';
import { farthest, reachOf, runOf, tiesFor, tiesOf } from './model/run';
import { tie, withoutItsLead } from './moves/feed';

/** Whether a lead reaches, and whether its plugs fall out. */

const RIG = 'tug-b';
const LEAD = 'lanyard';
const base = demo();

function rigged(changes: readonly Change[] = [], from: Job = base, id = RIG) {
  const job = applyEdit(from, { title: 'x', changes: [...changes] }).doc;
  const rig = job.rigs.find((r) => r.id === id)!;
  const built = build(job, rig, shared(job));
  const said = check(built);
  return { job, rig, built, of: (key: string) => said.find((v) => v.key === key) };
}
const lead = (field: string, value: unknown): Change => ({ path: ['kit', LEAD, field], value });
const SCREEN = 'cable.length:fitted:monitor';
const runTo = (built: Built, key: string) =>
  runOf(
    built,
    feedsOn(built).find((f) => deviceKey(f.device) === key)!,
  )!;

const square = (s: Solid) =>
  s.kind === 'box' && s.axes.every((a) => a.every((v) => v === 0 || Math.abs(v) === 1));

describe('how far a lead has to go', () => {
  /** Points all over a block. */
  function* points(e: readonly number[]) {
    for (let a = 0; a <= 4; a++)
      for (let b = 0; b <= 4; b++)
        for (let c = 0; c <= 4; c++)
          yield [a, b, c].map((t, k) => e[k]! + (t / 4) * (e[k + 3]! - e[k]!));
  }

  test('no two points of the two parts are nearer or farther than it says', () => {
    let [seen, faced] = [0, 0];
    const look = ({ job, rig }: Subject) => {
      const built = build(job, rig, shared(job));
      for (const l of linesOn(built)) {
        const run = runAt(built, l);
        if (!run) continue;
        if (run.sockets.every((s) => s.out)) faced++;
        expect(run.near).toBeLessThanOrEqual(run.far);
        // Over what it is tied to, where somebody said.
        const ties = l.via ? (run.laid()?.ties ?? null) : [];
        if (!ties || ties.length < (l.via?.length ?? 0)) continue;
        const over = (p: readonly number[], q: readonly number[]) =>
          [...ties, q].reduce((sum, x, i) => {
            const from = i === 0 ? p : ties[i - 1]!;
            return sum + Math.hypot(...from.map((v, k) => v - x[k]!));
          }, 0);
        // Blocks and faces that lie along the axes; all of a face, or of a part where nobody said which.
        const [ones, others] = run.sockets.map((s) => s.solids.filter(square).map(bounds));
        for (const a of ones!)
          for (const b of others!)
            for (const p of points(a))
              for (const q of points(b)) {
                const d = over(p, q);
                if (d < run.near - 1e-6 || d > run.far + 1e-6)
                  throw new Error(`${d} is not within ${run.near} to ${run.far}`);
                seen++;
              }
      }
    };
    demoStandings.forEach(([, s]) => look(s));
    fc.assert(fc.property(anyRig, look), { numRuns: 40 });
    expect(seen).toBeGreaterThan(50_000);
    expect(faced).toBeGreaterThan(10);
  });

  test('a lead is too short, may reach, reaches, exactly where the sums say', () => {
    const run = runTo(rigged().built, 'fitted:monitor');
    const [near, far] = [run.near, run.laid()!.most];
    expect(far).toBeGreaterThanOrEqual(run.far);
    const [thin, thick] = [3.4 - 0.2, 3.4 + 0.2];
    const state = (mm: number) =>
      rigged([lead('length', { value: mm, tol: 10, from: 'measured' })]).of(SCREEN)!.state;
    // Bends of four times its thickness at each end, and a tenth of the way as slack.
    // What is offered goes by the same sums.
    const reach = (mm: number) => {
      const { built } = rigged([lead('length', { value: mm, tol: 10, from: 'measured' })]);
      const {
        device,
        from,
        lead: own,
      } = feedsOn(built).find((f) => deviceKey(f.device) === 'fitted:monitor')!;
      return reachOf(built, device, from)(own!);
    };
    const least = near + 8 * thin - 10;
    expect([reach(least - 0.5), reach(least + 0.5)]).toEqual(['no', 'maybe']);
    const all = far + 8 * thick + 10;
    expect([reach(all - 0.5), reach(all + 0.5)]).toEqual(['maybe', 'yes']);
    expect([state(least - 0.5), state(least + 0.5)]).toEqual(['fail', 'tight']);
    const most = 1.1 * far + 8 * thick + 10;
    expect([state(most - 0.5), state(most + 0.5)]).toEqual(['tight', 'ok']);
  });

  test('what is not known is never ok', () => {
    const long = lead('length', 3000);
    expect(rigged([long]).of(SCREEN)!.state).toBe('ok');
    expect(rigged([lead('length', undefined)]).of(SCREEN)!.state).toBe('unknown');
    // How thick it is moves the sum by a few centimetres only: taken as one of them, and said.
    const v = rigged([long, lead('width', undefined)]).of(SCREEN)!;
    expect(v.state).toBe('tight');
    expect(v.why).toContain('nobody said');
    for (const part of ['pane-5', 'raft'])
      expect(
        rigged([long, { path: ['kit', part, 'width'], value: undefined }]).of(SCREEN)!.state,
      ).toBe('unknown');
    // Without a lead nothing is said here: what feeds it says so.
    const none = rigged([
      { path: ['rigs', RIG, 'fitted', 'monitor', 'outlet'], value: { from: 'plate', id: 'v8' } },
    ]);
    expect(none.of(SCREEN)).toBeUndefined();
    expect(none.of('power.volts:fitted:monitor')!.state).not.toBe('ok');
  });

  test('a list of leads says what the check says, and nothing of what nobody knows', () => {
    const words = (changes: readonly Change[]) => {
      const { built, of } = rigged(changes);
      const feed = feedsOn(built).find((f) => deviceKey(f.device) === 'fitted:monitor')!;
      return { said: sayLine(built, lineOf(feed)), why: of(SCREEN)!.why };
    };
    const { said, why } = words([]);
    const [, near, far] =
      /^way (\d+ mm) to (\d+ mm), 2 ties on the way, about \d+ mm left over/.exec(said)!;
    expect(why).toContain(`${near} to ${far} lie between`);
    expect(words([{ path: ['kit', 'pane-5', 'width'], value: undefined }]).said).toBe(
      'its way is not known',
    );
  });

  test('the screen put up on an arm: the short lead does not reach, the other does, and how long is said', () => {
    const { job, rig } = demoStandings.find(([n]) => n.endsWith('screen up'))![1];
    const built = build(job, rig, shared(job));
    const v = check(built).find((x) => x.key === SCREEN)!;
    expect(v.state).toBe('fail');
    expect(v.wanted[0]).toMatch(/at least \d+ mm: sold as \d+ mm/);
    const fixes = fixesFor(built, v, shared(job)).map((f) => f.title);
    expect(fixes).toContain('Feed Pane 5 from 8 V outlet of Raft plate by Lanyard lead');
    const { near, far } = runTo(built, 'fitted:monitor');
    const low = runTo(rigged().built, 'fitted:monitor');
    expect(near).toBeGreaterThan(low.near);
    expect(far).toBeGreaterThan(low.far);
  });
});

describe('the way of a lead along the rig', () => {
  test('it passes through nothing that stands, sampled; nor is it shorter than straight', () => {
    let [ways, points] = [0, 0];
    const look = ({ job, rig }: Subject) => {
      const built = build(job, rig, shared(job));
      const { solids, pieces } = standOf(built);
      const kindOf = new Map(pieces.map((p) => [p.key, p.kind]));
      for (const f of feedsOn(built)) {
        const run = runOf(built, f);
        const laid = run?.laid();
        if (!run || !laid) continue;
        ways++;
        const bare = [run.from, run.to].filter((_, i) => !run.sockets[i]!.out).map((p) => p.key);
        const dummy = [run.from, run.to].some((p) => p.kind === 'dummy-battery');
        // What a lead goes round: all that stands but cages, which are open, and what it comes out of.
        const round = solids.filter(
          (s) =>
            !['sweep', 'tilt', 'travel'].includes(s.role) &&
            kindOf.get(s.piece) !== 'cage' &&
            !bare.includes(s.piece) &&
            !(dummy && s.piece === 'body'),
        );
        expect(laid.length).toBeGreaterThanOrEqual(
          Math.hypot(...laid.points[0]!.map((v, k) => v - laid.points.at(-1)![k]!)) - 1e-6,
        );
        expect(laid.most).toBeGreaterThanOrEqual(laid.length);
        for (let i = 1; i < laid.points.length; i++)
          for (let t = 0; t <= 1; t += 0.05) {
            const p = laid.points[i - 1]!.map((v, k) => v + t * (laid.points[i]![k]! - v));
            for (const s of round)
              if (inside(s.solid, p as never))
                throw new Error(`${f.device.id}: through ${s.name} at ${p.join()}`);
            points++;
          }
      }
    };
    demoStandings.forEach(([, s]) => look(s));
    fc.assert(fc.property(anyRig, look), { numRuns: 60 });
    expect(ways).toBeGreaterThan(15);
    expect(points).toBeGreaterThan(500);
  });

  test('a way that was found before is the one that is found anew, whatever moved in between', () => {
    const ways = (job: Job, rig: Job['rigs'][0]) => {
      const built = build(job, rig, shared(job));
      return feedsOn(built).map((f) => {
        const laid = runOf(built, f)?.laid();
        return laid && { points: laid.points, round: laid.round, most: laid.most };
      });
    };
    let compared = 0;
    for (const [, { job, rig }] of demoStandings.filter(([n]) => n.startsWith('Tug')))
      for (const at of rig.fitted!)
        for (const turn of [0, 40, 90, 0, 180]) {
          const moved = { ...rig, fitted: rig.fitted!.map((u) => (u === at ? { ...u, turn } : u)) };
          const kept = ways(job, moved);
          // Nothing that was worked out before is known of a copy.
          const copy = structuredClone({ job, moved });
          expect(kept).toEqual(ways(copy.job, copy.moved));
          compared += kept.filter(Boolean).length;
        }
    expect(compared).toBeGreaterThan(100);
  });

  test('what nobody said of a socket, or of what may be in the way, is never ok', () => {
    const long = lead('length', 3000);
    const state = (...more: Change[]) => rigged([long, ...more]).of(SCREEN)!;
    expect(state().state).toBe('ok');
    const open = state({ path: ['kit', 'pane-5', 'inletFace'], value: undefined });
    expect(open.state).toBe('tight');
    expect(open.why).toContain('On which face of Pane 5 its socket is nobody said');
    // It is asked for, and where on its face it is after that.
    expect(open.measure[0]!.path).toEqual(['kit', 'pane-5', 'inletFace']);
    const short = rigged([
      lead('length', { value: 240, tol: 10, from: 'measured' }),
      { path: ['kit', 'pane-5', 'inletY'], value: undefined },
    ]).of(SCREEN)!;
    expect(short.state).toBe('tight');
    expect(short.measure.map((m) => m.path.join('/'))).toContain('kit/pane-5/inletY');
    const other = state({ path: ['kit', 'raft', 'outlets', 'v8', 'face'], value: undefined });
    expect(other.state).toBe('tight');
    expect(other.why).toContain('On which face of Raft plate');
    // A part of which nobody knows the size may be in the way.
    const blind = state({ path: ['kit', 'lattice', 'wall'], value: undefined });
    expect(blind.state).not.toBe('ok');
    // Where on its face it is makes it surer.
    const wide = (changes: Change[]) => {
      const run = runTo(rigged([long, ...changes]).built, 'fitted:monitor');
      return farthest(run) - run.near;
    };
    expect(wide([])).toBeLessThan(wide([{ path: ['kit', 'pane-5', 'inletY'], value: undefined }]));
  });

  test('it is tied as often as is said, on its way, no stretch longer than is usual', () => {
    let seen = 0;
    for (const [, { job, rig }] of demoStandings) {
      const built = build(job, rig, shared(job));
      for (const l of linesOn(built)) {
        const laid = runAt(built, l)?.laid();
        if (!laid) continue;
        const most = built.rules['cable.tie'];
        const ties = tiesOf(laid, l.ties ?? tiesFor(laid.length, most));
        const words = / (\d+) ties? on the way/.exec(sayLine(built, l));
        if (!runAt(built, l)!.sockets.some((s) => s.open))
          expect(Number(words?.[1] ?? 0)).toBe(ties.length);
        // Each lies on the way: so far along it as its number says.
        const gap = laid.length / (ties.length + 1);
        if (l.ties === undefined) expect(gap).toBeLessThanOrEqual(most + 1e-9);
        ties.forEach((p) => {
          const off = laid.points.slice(1).map((b, i) => {
            const a = laid.points[i]!;
            const d = Math.hypot(...b.map((v, k) => v - a[k]!));
            return (
              Math.hypot(...p.map((v, k) => v - a[k]!)) +
              Math.hypot(...p.map((v, k) => v - b[k]!)) -
              d
            );
          });
          expect(Math.min(...off)).toBeLessThan(1e-6);
          seen++;
        });
      }
    }
    expect(seen).toBeGreaterThan(5);
  });

  test('a socket on the other side asks for a longer way, round what stands between', () => {
    const at = (face: string) =>
      runTo(
        rigged([
          { path: ['kit', 'raft', 'outlets', 'v14', 'face'], value: face },
          { path: ['kit', 'raft', 'outlets', 'v14', 'y'], value: undefined },
        ]).built,
        'body',
      ).laid();
    const [left, right, rear] = ['left', 'right', 'rear'].map(at);
    expect(right!.length).toBeGreaterThan(left!.length + 100);
    expect(right!.round.length).toBeGreaterThan(0);
    // The pack stands against the rear of its plate: no lead comes out there.
    expect(rear).toBeNull();
    const v = rigged([
      { path: ['kit', 'raft', 'outlets', 'v14', 'face'], value: 'rear' },
      { path: ['kit', 'raft', 'outlets', 'v14', 'y'], value: undefined },
    ]).of('cable.length:body')!;
    expect(v.state).toBe('tight');
    expect(v.why).toContain('No way along the rig was found');
  });
});

describe('plugs that fall out', () => {
  const KEY = 'cable.lock:body';

  test('a plug that is only pushed in is tied, and that is kept', () => {
    const { job, rig, built, of } = rigged();
    const v = of(KEY)!;
    expect(v.state).toBe('tight');
    expect(v.why).toContain('Warp lead is only pushed in at Raft plate (two-pin tap)');
    expect(fixesFor(built, v, shared(job))[0]!.title).toBe('Tie Warp lead at its plugs');
    const feed = feedsOn(built).find((f) => f.device.list === 'body')!;
    const tied = applyEdit(job, tie(rig, feed.device, feed.from, true, 'Warp lead')).doc;
    expect(rigged([], tied).of(KEY)!.state).toBe('ok');
    const again = readJob(writeJob(tied));
    expect(again.ok && rigged([], again.value).of(KEY)!.state).toBe('ok');
    expect(again.ok && again.value).toEqual(tied);
    const own = tied.rigs.find((r) => r.id === RIG)!;
    const back = applyEdit(tied, tie(own, feed.device, own.outlet!, false, 'Warp lead')).doc;
    expect(back).toEqual(job);
  });

  test('both ends lock: ok; one of them is not said: unknown; neither ever by a tie nobody made', () => {
    const warp = (plug: unknown, plugTo: unknown): Change[] => [
      { path: ['kit', 'warp', 'plug'], value: plug },
      { path: ['kit', 'warp', 'plugTo'], value: plugTo },
    ];
    expect(rigged(warp('round-2', 'round-2')).of(KEY)!.state).toBe('ok');
    expect(rigged(warp(undefined, 'round-2')).of(KEY)!.state).toBe('unknown');
    expect(rigged(warp('round-2', undefined)).of(KEY)!.state).toBe('unknown');
    expect(rigged(warp('round-2', 'barrel-21')).of(KEY)!.why).toContain('barrel 5.5 / 2.1');
  });

  test('the picture that is recorded matters, all of it by a house rule', () => {
    const other = 'cable.lock:fitted:monitor';
    expect(rigged().of(other)).toBeUndefined();
    const all: Change = {
      path: ['rules'],
      value: { set: 'house', values: { 'cable.lock-all': 1 } },
    };
    expect(rigged([all]).of(other)!.state).toBe('tight');
  });
});

test('a plate that passes the volts of its pack, and one socket for two: each with its fix', () => {
  const { job, rig } = demoStandings.find(([n]) => n.endsWith('bare plate'))![1];
  const built = build(job, rig, shared(job));
  const said = check(built);
  const of = (key: string) => said.find((v) => v.key === key)!;
  const fixes = (key: string) => fixesFor(built, of(key), shared(job)).map((f) => f.title);
  // Four cells are full at 16.8 V (common practice, no source) and known to 2 %: over the 16 V it runs up to.
  expect(of('power.volts:body').state).toBe('fail');
  expect(of('power.volts:body').why).toMatch(/up to 17\.1 V.*up to 16 V: do not plug it in/);
  expect(fixes('power.volts:body')[0]).toMatch(/^Feed Pellin Pocket from 14\.4 V outlet/);
  expect(of('power.port:plate/tap').state).toBe('fail');
  expect(fixes('power.port:plate/tap').length).toBeGreaterThan(0);
  expect(fixes('power.fit:fitted:monitor')[0]).toMatch(/^Feed Pane 5 from 8 V outlet/);
});

describe('room for a plug and its bend', () => {
  const KEY = 'cable.bend:body';
  const port = (face: string | undefined, more: Record<string, unknown> = {}): Change[] => [
    { path: ['kit', 'raft', 'outlets', 'v14', 'face'], value: face },
    ...['x', 'y', 'z'].map((k): Change => ({
      path: ['kit', 'raft', 'outlets', 'v14', k],
      value: more[k],
    })),
  ];

  test('behind a pack no plug goes in, beside nothing any; of a face that nobody said it is not known', () => {
    const behind = rigged(port('rear', { x: 0, y: 0 })).of(KEY)!;
    expect(behind.state).toBe('fail');
    expect(behind.why).toMatch(
      /^No plug goes into Raft plate for Warp lead: 0 mm .*before Keel 98/,
    );
    expect(behind.wanted).toEqual(['that side of it left free']);
    expect(rigged(port('left', { y: 25 })).of(KEY)!.state).toBe('ok');
    const open = rigged(port(undefined)).of(KEY)!;
    expect(open.state).toBe('unknown');
    expect(open.why).toContain('on which face the socket of Raft plate is nobody said');
    expect(open.measure[0]!.path).toEqual(['kit', 'raft', 'outlets', 'v14', 'face']);
    // Nor is it ok while nobody said which plug, or how thick a lead, goes in there.
    for (const field of ['plug', 'width']) {
      const bare = rigged([
        ...port('left', { y: 25 }),
        { path: ['kit', 'warp', field], value: undefined },
      ]).of(KEY)!;
      expect(bare.state).toBe('tight');
      expect(bare.why).toContain('nobody said');
    }
    expect(rigged(port(undefined)).of('cable.length:body')!.state).toBe('tight');
  });

  test('what is free is what a cylinder that is pushed out of the socket meets first, by sampling', () => {
    let met = 0;
    const look = ({ job, rig }: Subject) => {
      const built = build(job, rig, shared(job));
      const stand = standOf(built);
      const kinds = new Map(stand.pieces.map((p) => [p.key, p.kind]));
      for (const f of feedsOn(built)) {
        const run = runOf(built, f);
        for (const [i, socket] of (run?.sockets ?? []).entries()) {
          const piece = i === 0 ? run!.from : run!.to;
          const room = roomBefore(stand, piece, socket);
          if (!room || !socket.out) continue;
          expect(room.lo).toBeLessThanOrEqual(room.hi);
          const still = stand.solids.filter(
            (s) =>
              s.piece !== piece.key &&
              !['sweep', 'tilt', 'travel'].includes(s.role) &&
              kinds.get(s.piece) !== 'cage',
          );
          // Steps of a millimetre: nothing stands where it says that there is room.
          for (const { at } of socket.points)
            for (let d = 0.5; d < room.lo - 0.5; d++) {
              const p = at.map((v, k) => v + d * socket.out![k]!);
              expect(still.filter((s) => inside(s.solid, p as never)).map((s) => s.name)).toEqual(
                [],
              );
            }
          if (room.lo < 100) met++;
        }
      }
    };
    demoStandings.forEach(([, s]) => look(s));
    for (const face of ['front', 'rear', 'bottom', 'top']) {
      const { job, rig } = rigged(port(face));
      look({ job, rig });
    }
    expect(met).toBeGreaterThan(3);
  });

  test('between an elbow and a straight plug it is tight: which, and what would do', () => {
    const { job, rig } = demoStandings.find(([n]) => n.endsWith('switched outlet'))![1];
    const v = check(build(job, rig, shared(job))).find((x) => x.key === 'cable.bend:body')!;
    expect(v.state).toBe('tight');
    expect(v.why).toContain('before Conch receiver');
    expect(v.wanted).toEqual(['a lead with an elbow plug at Pellin Pocket']);
  });
});

test('a lead that the picture hangs on is there twice, or it is said what to bring', () => {
  const KEY = 'cable.spare:body';
  const painter = (field: string, value: unknown): Change => ({
    path: ['kit', 'painter', field],
    value,
  });
  const v = rigged().of(KEY)!;
  expect(v.state).toBe('ok');
  expect(v.why).toBe('Painter lead is there if Warp lead breaks.');
  // One that would have to be hired, or is too short, is none.
  for (const change of [painter('count', 0), painter('length', { value: 40, tol: 5 })]) {
    const none = rigged([change]).of(KEY)!;
    expect(none.state).toBe('tight');
    expect(none.why).toContain('when it breaks, Pellin Pocket is dark');
    expect(none.wanted[0]).toMatch(/^a second lead from two-pin tap to .*, \d+ mm at the least$/);
  }
  const two = rigged([painter('count', 0), { path: ['kit', 'warp', 'count'], value: 2 }]).of(KEY)!;
  expect(two.state).toBe('ok');
  expect(two.why).toContain('A second Warp lead');
  // What is not known of the other, or of the way, is never a spare.
  for (const field of ['plug', 'plugTo', 'length', 'width'])
    expect(rigged([painter(field, undefined)]).of(KEY)!.state).toBe('unknown');
  for (const path of [
    ['kit', 'body-b', 'inletFace'],
    ['kit', 'pane-5', 'width'],
  ])
    expect(rigged([{ path, value: undefined }]).of(KEY)!.state).toBe('unknown');
  // One that does not reach itself is replaced by the other: then that is no spare any more.
  const warp = (value: unknown): Change => ({ path: ['kit', 'warp', 'length'], value });
  const short = rigged([warp({ value: 40, tol: 5 })]);
  expect(short.of('cable.length:body')!.state).toBe('fail');
  expect(short.of(KEY)!.state).toBe('tight');
  expect(short.of(KEY)!.why).toContain('Painter lead is the only lead that reaches');
  expect(rigged([warp(undefined)]).of(KEY)!.state).toBe('unknown');
  for (const value of [{ value: 40, tol: 5 }, undefined])
    expect(rigged([warp(value), painter('count', 2)]).of(KEY)!.state).toBe('ok');
  // A screen that is only looked at may go dark.
  expect(rigged().of('cable.spare:fitted:monitor')).toBeUndefined();
  const { job, rig } = demoStandings.find(([n]) => n.endsWith('drive on a lead'))![1];
  const weak = check(build(job, rig, shared(job))).find((x) => x.key === KEY)!;
  expect([weak.state, weak.wanted[0]]).toEqual([
    'tight',
    expect.stringMatching(/^a second lead from USB-C to USB-C/),
  ]);
});

describe('ties on the way', () => {
  const TIE = 'cable.tie:fitted:monitor';
  const at = (ties: number | undefined, more: Change[] = []) =>
    rigged([{ path: ['rigs', RIG, 'fitted', 'monitor', 'outlet', 'ties'], value: ties }, ...more]);
  const rule = (value: number): Change => ({ path: ['rules', 'values', 'cable.tie'], value });

  test('nobody said: not known, and how many do; taken as a fix it is ok, one fewer is not', () => {
    const { job, built, of } = at(undefined, [rule(60)]);
    const v = of(TIE)!;
    expect(v.state).toBe('unknown');
    const n = Number(/^(\d+) ties on its way/.exec(v.wanted[0]!)![1]);
    expect(n).toBeGreaterThan(1);
    expect(fixesFor(built, v, shared(job)).map((f) => f.title)).toEqual([
      `Tie Lanyard lead ${n} times on its way`,
    ]);
    expect(at(n, [rule(60)]).of(TIE)!.state).toBe('ok');
    const fewer = at(n - 1, [rule(60)]).of(TIE)!;
    expect(fewer.state).not.toBe('ok');
    expect(fewer.wanted).toEqual(v.wanted);
    expect(at(0, [rule(30)]).of(TIE)!.state).toBe('fail');
  });

  test('as many ties as leave no stretch that is longer, and not one more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 3000, noNaN: true }),
        fc.double({ min: 30, max: 400, noNaN: true }),
        (length, stretch) => {
          const n = tiesFor(length, stretch);
          expect(length / (n + 1)).toBeLessThanOrEqual(stretch + 1e-6);
          if (n > 0) expect(length / n).toBeGreaterThan(stretch - 1e-6);
        },
      ),
    );
    expect([0, 150, 150.1, 300, 301].map((l) => tiesFor(l, 150))).toEqual([0, 0, 1, 1, 2]);
  });

  test('where it goes is not known: no number of ties is ok', () => {
    for (const c of [
      { path: ['kit', 'pane-5', 'inletFace'], value: undefined },
      { path: ['kit', 'pane-5', 'width'], value: undefined },
    ])
      expect(at(50, [c]).of(TIE)!.state).not.toBe('ok');
    expect(at(1).of(TIE)!.state).toBe('ok');
  });

  test('what is said is kept with the link, drawn, listed, and gone with the lead', () => {
    const { job, rig, built } = at(3);
    const read = readJob(writeJob(job));
    expect(read.ok && read.value.rigs.find((r) => r.id === RIG)!.fitted).toEqual(rig.fitted);
    const f = feedsOn(built).find((x) => deviceKey(x.device) === 'fitted:monitor')!;
    expect(sayLine(built, lineOf(f))).toContain('3 ties on the way');
    expect(withoutItsLead(f.from)).toEqual({ from: f.from.from, id: f.from.id });
    const wild = readJob(writeJob(job).replace(/"ties": ?3/, '"ties":-3'));
    expect(wild.ok).toBe(false);
  });

  test('laid out with so many ties, no stretch along the way is longer than wanted where it is ok', () => {
    let [ok, loose] = [0, 0];
    for (const [, { job, rig }] of demoStandings)
      for (const ties of [0, 1, 2, 4]) {
        const tiedRig = {
          ...rig,
          fitted: rig.fitted?.map((u) => (u.outlet ? { ...u, outlet: { ...u.outlet, ties } } : u)),
        };
        const built = build(job, tiedRig, shared(job));
        const most = built.rules['cable.tie'];
        for (const f of feedsOn(built)) {
          if (f.device.list !== 'fitted') continue;
          const v = check(built).find((x) => x.key === `cable.tie:${deviceKey(f.device)}`);
          const laid = runOf(built, f)?.laid();
          if (!v?.margin || !laid) continue;
          // The way walked in small steps, a new stretch begun at each tie.
          const at = tiesOf(laid, ties);
          const reached = (p: readonly number[], q: readonly number[]) =>
            Math.hypot(...p.map((x, k) => x - q[k]!)) < 1;
          let [stretch, longest, next] = [0, 0, 0];
          laid.points.slice(1).forEach((b, i) => {
            const a = laid.points[i]!;
            const d = Math.hypot(...b.map((x, k) => x - a[k]!));
            const steps = Math.max(1, Math.ceil(d / 0.5));
            for (let s = 1; s <= steps; s++) {
              const p = a.map((x, k) => x + ((b[k]! - x) * s) / steps);
              stretch += d / steps;
              longest = Math.max(longest, stretch);
              if (next < at.length && reached(p, at[next]!)) [stretch, next] = [0, next + 1];
            }
          });
          expect(next).toBe(at.length);
          if (v.state === 'ok') {
            ok++;
            expect(longest).toBeLessThanOrEqual(most + 2);
          } else if (v.state === 'fail') {
            loose++;
            expect(longest).toBeGreaterThan(most - 2);
          }
        }
      }
    expect(ok).toBeGreaterThan(10);
    expect(loose).toBeGreaterThan(0);
  });
});
