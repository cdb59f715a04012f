import fc from 'fast-check';
import { build, shared } from '../build/build';
import { checkRig } from '../areas/checks';
import { said } from '../checks/judge';
import { applyEdit } from '../edit/edit';
import type { Frame, Job, JobGoal, Mode } from '../kit/types';
import { largestInRectangle } from '../optics/coverage';
import { GOALS } from '../shelf/goals';
import { demo } from '../test-kit';
import { findingsOf } from './fixes';
import { standOf } from '../stand/stand';
import {
  asksOf,
  burden,
  byAsks,
  goalMeans,
  inTheHand,
  isCarried,
  lightestFirst,
  modesFor,
  setGoal,
} from './goal';
import { byTroubleFor, placesFor, placeWords } from './places';

/** How it is shot ranks; hours that are wanted are what power and cards are held against, and judged there. */
const { goal: _hours, ...bare } = demo();
const job: Job = bare;
const withGoal = (goal: JobGoal | undefined): Job => ({ ...job, ...(goal ? { goal } : {}) });

describe('what is shot', () => {
  test('is set and taken away again, and leaves nothing behind', () => {
    const edit = setGoal(job, 'hold', 'shoulder', 'on the shoulder');
    const { doc, inverse } = applyEdit(job, edit);
    expect(doc.goal).toEqual({ hold: 'shoulder' });
    expect(applyEdit(doc, inverse).doc).toEqual(job);
    expect(applyEdit(doc, setGoal(doc, 'hold', undefined, 'held')).doc.goal).toBeUndefined();
  });

  test('changes no finding of any rig', () => {
    for (const rig of job.rigs)
      for (const { how, id } of GOALS)
        expect(checkRig(withGoal({ shot: id, ...how }), rig).map(said)).toEqual(
          checkRig(job, rig).map(said),
        );
  });

  test.each(job.rigs.map((r) => [r.name, r] as const))(
    'ranks the fixes of %s by what is carried, and only then',
    (_name, rig) => {
      const fixesOf = (goal: JobGoal | undefined) => {
        const own = withGoal(goal);
        const base = shared(own);
        const built = build(own, rig, base);
        return findingsOf(built, base).map((f) => ({
          key: f.key,
          fixes: f.fixes.map((x) => ({
            title: x.title,
            state: x.state,
            more: burden(
              { hold: 'hand' },
              built,
              build(
                applied(own, x),
                applied(own, x).rigs.find((r) => r.id === rig.id)!,
              ),
            ),
          })),
        }));
      };
      const applied = (own: Job, x: { title: string; change: unknown }) =>
        applyEdit(own, { title: x.title, changes: x.change as never }).doc;
      const carried = fixesOf({ hold: 'shoulder' });
      expect(fixesOf({ hold: 'legs' })).toEqual(fixesOf(undefined));
      for (const { fixes } of carried)
        for (let i = 1; i < fixes.length; i++) {
          const [a, b] = [fixes[i - 1]!, fixes[i]!];
          // Of the same state a heavier one only stands first where the other gives something up.
          if (a.state === b.state && a.more > b.more + 1e-9)
            expect(b.title).toMatch(/off|without|leave|take/i);
        }
    },
  );

  test('on legs nobody carries it', () => {
    expect(isCarried({ hold: 'legs' })).toBe(false);
    expect(isCarried(undefined)).toBe(false);
    const b = build(job, job.rigs[0]!);
    const bare = build(job, { ...job.rigs[0]!, fitted: [] });
    expect(burden({ hold: 'legs' }, b, bare)).toBe(0);
    expect(burden({ hold: 'hand' }, b, bare)).toBeLessThanOrEqual(0);
  });
});

describe('what else the goal asks for', () => {
  const GOALS_ASKED: readonly JobGoal[] = [
    { grip: 'free' },
    { light: 'night' },
    { crew: 'alone', hold: 'hand' },
    { grip: 'free', light: 'night', crew: 'alone', hold: 'shoulder' },
  ];

  test.each(job.rigs.map((r) => [r.name, r] as const))(
    'orders the fixes of %s by just that, of those that come to the same',
    (_name, rig) => {
      for (const goal of GOALS_ASKED) {
        const own = withGoal(goal);
        const base = shared(own);
        const built = build(own, rig, base);
        for (const f of findingsOf(built, base)) {
          const asked = f.fixes.map((x) => {
            const after = applyEdit(own, { title: x.title, changes: x.change }).doc;
            const then = build(
              after,
              after.rigs.find((r) => r.id === rig.id)!,
            );
            return { x, asks: asksOf(goal, built, then, x.parts) };
          });
          for (let i = 1; i < asked.length; i++) {
            const [a, b] = [asked[i - 1]!, asked[i]!];
            if (a.x.state !== b.x.state || byAsks(a.asks, b.asks) <= 0) continue;
            // What asks more only stands first where the other gives something up, or is not sure.
            expect(`${b.x.title} ${b.x.cost ?? ''}`).toMatch(/off|without|leave|take|measure/i);
          }
        }
      }
    },
  );

  test('what stands in the room of the hand, against points thrown at every piece', () => {
    let found = 0;
    for (const rig of job.rigs) {
      const built = build(job, rig);
      const { pieces } = standOf(built);
      const body = pieces.find((p) => p.is === 'body')!.solids[0]!;
      const [, y0, z0, x1, y1, z1] = body.extent;
      const hit = pieces.filter(
        (p) =>
          p.is === 'fitted' &&
          p.solids.some(({ known, moving, extent: e }) => {
            if (!known || moving) return false;
            for (let i = 0; i < 4000; i++) {
              // Halton's points fill a box evenly, without a seed.
              const [x, y, z] = [2, 3, 5].map((b, k) => e[k]! + halton(i, b) * (e[k + 3]! - e[k]!));
              if (x! > x1 && x! < x1 + 45 && y! > y0 && y! < y1 && z! > z0 && z! < z1) return true;
            }
            return false;
          }),
      );
      const said = inTheHand(built).map((p) => p.key);
      // Points may miss a sliver; they never find what is not said.
      for (const p of hit) expect([rig.id, said.includes(p.key)]).toEqual([rig.id, true]);
      expect(said.length - hit.length).toBeLessThanOrEqual(1);
      found += said.length;
    }
    expect(found).toBeGreaterThan(0);
  });

  test('places: the room of the hand, a tool, a fan come after what is wrong there, before the rest', () => {
    const rig = job.rigs.find((r) => r.id === 'lockside-b')!;
    const goal: JobGoal = { grip: 'free', crew: 'alone', sound: 'camera' };
    const own = withGoal(goal);
    const base = shared(own);
    const built = build(own, rig, base);
    const seen = { hand: 0, tool: 0, fan: 0 };
    for (const id of ['spar', 'bittern', 'yoke-15', 'cleat']) {
      const places = placesFor(built, base, base.kit.get(id)!);
      for (const p of places) {
        seen.hand += Number(p.inHand);
        seen.tool += Number(!p.tool);
        seen.fan += Number(p.fan !== null);
        expect(placeWords(p).includes('where the hand holds')).toBe(p.inHand);
        expect(p.fan === null).toBe(id !== 'bittern');
      }
      const wrong = (p: (typeof places)[number]) =>
        [p.more.fail, p.more.unknown, p.more.tight].join();
      for (let i = 1; i < places.length; i++) {
        const [a, b] = [places[i - 1]!, places[i]!];
        if (wrong(a) !== wrong(b)) continue;
        expect(Number(a.inHand)).toBeLessThanOrEqual(Number(b.inHand));
        if (a.inHand === b.inHand) expect(Number(a.tool)).toBeLessThanOrEqual(Number(b.tool));
        if (a.inHand === b.inHand && a.tool === b.tool)
          expect(b.fan?.away ?? 0).toBeLessThanOrEqual(a.fan?.away ?? 0);
      }
      // Nobody asked: nothing of it is said, or ranks.
      for (const p of placesFor(build(job, rig), shared(job), base.kit.get(id)!))
        expect([p.inHand, p.tool, p.fan]).toEqual([false, false, null]);
      expect([...places].sort(byTroubleFor(goal))).toEqual(places);
    }
    expect(seen.hand).toBeGreaterThan(0);
    expect(seen.tool).toBeGreaterThan(0);
    expect(seen.fan).toBeGreaterThan(0);
  });

  test('a cage that is open at the grip comes first, one of which nobody says so does not', () => {
    const cage = (id: string, more: object) =>
      ({ id, kind: 'cage', name: id, ...more }) as unknown as Job['kit'][number];
    const list = [cage('shut', { mass: 100 }), cage('open', { openRight: true, mass: 400 })];
    expect(lightestFirst({ grip: 'free' }, list).map((p) => p.id)).toEqual(['open', 'shut']);
    expect(lightestFirst({ hold: 'hand' }, list).map((p) => p.id)).toEqual(['shut', 'open']);
    expect(lightestFirst({}, list)).toBe(list);
  });

  test('what it says it does', () => {
    expect(goalMeans({ grip: 'free' })).toContain('own grip comes last');
    expect(goalMeans({ hours: 2 })).toContain('Hours are held against batteries and cards.');
    expect(goalMeans({ crew: 'crew', light: 'daylight', sound: 'none' })).not.toMatch(
      /alone|night|fan|hours/i,
    );
  });
});

/** The i-th number of van der Corput's sequence in a base (J. H. Halton, 1960). */
function halton(i: number, base: number): number {
  let f = 1;
  let r = 0;
  for (let n = i + 1; n > 0; n = Math.floor(n / base)) {
    f /= base;
    r += f * (n % base);
  }
  return r;
}

describe('recording modes by the frames', () => {
  const mode = fc.record({
    id: fc.uuid(),
    name: fc.constant('m'),
    w: fc.option(fc.double({ min: 1, max: 60, noNaN: true }), { nil: undefined }),
    h: fc.double({ min: 1, max: 40, noNaN: true }),
  }) as fc.Arbitrary<Mode>;
  const frame = fc
    .double({ min: 0.4, max: 3, noNaN: true })
    .map((aspect) => ({ id: 'f', name: 'f', aspect }) as Frame);

  test('are the same modes, the largest picture first, unknown ones last', () => {
    fc.assert(
      fc.property(
        fc.array(mode, { maxLength: 12 }),
        fc.array(frame, { minLength: 1, maxLength: 3 }),
        (modes, frames) => {
          const sorted = modesFor(frames, modes);
          expect(new Set(sorted)).toEqual(new Set(modes));
          expect(sorted).toHaveLength(modes.length);
          const area = (m: Mode) =>
            Math.min(
              ...frames.map((f) => {
                const r = largestInRectangle(f.aspect, m.w as number, m.h as number);
                return r.w * r.h;
              }),
            );
          const known = sorted.filter((m) => m.w !== undefined);
          expect(sorted.slice(0, known.length)).toEqual(known);
          for (let i = 1; i < known.length; i++)
            expect(area(known[i - 1]!)).toBeGreaterThanOrEqual(area(known[i]!) - 1e-9);
        },
      ),
    );
  });

  test('without a frame they stand as they are listed', () => {
    const modes = [{ id: 'b' }, { id: 'a' }] as Mode[];
    expect(modesFor([], modes)).toBe(modes);
  });
});

describe('what could be put on', () => {
  test('stands lightest first where it is carried, what nobody weighed last, and none is lost', () => {
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.integer({ min: 0, max: 40 }), { nil: undefined }), { maxLength: 12 }),
        fc.constantFrom('hand', 'shoulder', 'gimbal', 'legs', undefined),
        (masses, hold) => {
          const parts = masses.map((mass, i) => ({ id: `p${i}`, kind: 'arm', name: `${i}`, mass }));
          const ranked = lightestFirst(
            hold ? { hold } : undefined,
            parts as never[],
          ) as unknown as typeof parts;
          expect(new Set(ranked)).toEqual(new Set(parts));
          if (!isCarried(hold ? { hold } : undefined)) {
            expect(ranked).toEqual(parts);
            return;
          }
          ranked.slice(1).forEach((p, i) => {
            const [a, b] = [ranked[i]!, p];
            expect(a.mass ?? 1e9).toBeLessThanOrEqual(b.mass ?? 1e9);
            // Alike ones stay as they are listed.
            if (a.mass === b.mass) expect(Number(a.name)).toBeLessThan(Number(b.name));
          });
        },
      ),
    );
  });

  test('it says what the goal changes, and only that', () => {
    expect(goalMeans({})).toMatch(/Say how it is held.*Say what it is for/);
    expect(goalMeans({ hold: 'gimbal' })).toMatch(/low places before high ones/);
    expect(goalMeans({ hold: 'legs' })).not.toMatch(/low places/);
    expect(goalMeans({ shot: 'interview' })).toMatch(/modes that leave most/);
  });
});
