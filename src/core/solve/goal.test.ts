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
import { burden, goalMeans, isCarried, lightestFirst, modesFor, setGoal } from './goal';

const job = demo();
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
