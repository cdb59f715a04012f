import { demo } from '../../../test-kit';
import type { Job, Part, Rig } from '../../../kit/types';
import { draws } from '../../../pupil/oracles';
import { known } from '../../../quantity/quantity';
import { usesOn } from '../../../roles/uses';
import { checkRig } from '../../checks';
import { setLimits } from '../moves/fitted';
import { applyEdit } from '../../../edit/edit';

const grams = (value: number, tol = 0) => ({ value, tol, from: 'measured' as const });

/** A body and blocks beside it, of these masses. */
function job(limit: number | undefined, ...masses: (ReturnType<typeof grams> | undefined)[]): Job {
  const part = (id: string, mass: ReturnType<typeof grams> | undefined): Part =>
    ({ id, kind: id === 'p0' ? 'body' : 'grip', name: id, ...(mass ? { mass } : {}) }) as Part;
  const kit = masses.map((m, i) => part(`p${i}`, m));
  const rig = {
    id: 'r',
    name: 'Rig',
    body: 'p0',
    lens: null,
    between: [],
    frames: [],
    fitted: kit.slice(1).map((p) => ({ id: `f-${p.id}`, part: p.id, on: 'top' })),
    ...(limit === undefined ? {} : { limits: { mass: limit } }),
  } as unknown as Rig;
  return { format: 'nelvix-job', version: 5, id: 'j', name: 'J', kit, rigs: [rig] };
}

const said = (j: Job) => checkRig(j, j.rigs[0]!).filter((v) => v.id === 'space.mass');

describe('the mass of a rig', () => {
  test('is the sum of its parts, each as often as it is on', () => {
    const two = job(3000, grams(1000), grams(400), grams(600));
    two.rigs[0]!.fitted!.push({ ...two.rigs[0]!.fitted![0]!, id: 'again' });
    const [v] = said(two);
    expect(v!.state).toBe('ok');
    expect(v!.margin!.value).toBeCloseTo(3000 - 1000 - 2 * 400 - 600, 9);
    expect(v!.why).toBe('The rig weighs 2400 g, 600 g under the 3000 g it may.');
  });

  test.each([
    [1999, 'fail'],
    [2001, 'ok'],
  ])('of 2000 g against %d g', (limit, state) => {
    expect(said(job(limit, grams(1500), grams(500)))[0]!.state).toBe(state);
  });

  test('inside the tolerances it may go or not', () => {
    const [v] = said(job(2010, grams(1500, 10), grams(500, 10)));
    expect(v!.state).toBe('tight');
    expect([v!.margin!.lo, v!.margin!.hi]).toEqual([-10, 30]);
  });

  test('nobody weighed one of them: not known, and that one is to be weighed', () => {
    const [v] = said(job(2000, grams(500), undefined));
    expect(v!.state).toBe('unknown');
    expect(v!.measure.map((m) => m.part)).toEqual(['p1']);
  });

  test('a part that is not in the kit, or nothing at all, is never ok', () => {
    const gone = job(2000, grams(500), grams(100));
    gone.kit.pop();
    expect(said(gone)[0]!.state).toBe('unknown');
    const none = job(2000);
    none.rigs[0]!.body = null;
    expect(said(none)[0]!.state).toBe('unknown');
  });

  test('without a limit nothing is said of it', () => {
    expect(said(job(undefined, grams(500)))).toEqual([]);
  });

  test('ten thousand draws of the demo stay inside its interval and fill it', () => {
    const base = demo();
    const id = base.rigs[0]!.id;
    const limited = applyEdit(base, setLimits(base.rigs[0]!, { mass: 9000 })).doc;
    const rig = limited.rigs.find((r) => r.id === id)!;
    const v = checkRig(limited, rig).find((x) => x.id === 'space.mass')!;
    const parts = usesOn(rig).map((p) => limited.kit.find((k) => k.id === p)!);
    const masses = parts.map((p) => known(p.mass, 'mass'));
    if (masses.some((m) => m === null)) {
      expect(v.state).toBe('unknown');
      return;
    }
    const ids = [...new Set(parts.map((p) => p.id))];
    const rnd = draws(7);
    let [least, most] = [Infinity, -Infinity];
    for (let n = 0; n < 10_000; n++) {
      const drawn = new Map(
        ids.map((p) => {
          const m = known(limited.kit.find((k) => k.id === p)!.mass, 'mass')!;
          // The ends are drawn, too: a sum of many fills its interval only there.
          const u = n % 2 ? (n % 4 === 1 ? 1 : -1) : 2 * rnd() - 1;
          return [p, m.value + u * m.tol];
        }),
      );
      const margin = 9000 - parts.reduce((s, p) => s + drawn.get(p.id)!, 0);
      least = Math.min(least, margin);
      most = Math.max(most, margin);
    }
    expect(least).toBeGreaterThanOrEqual(v.margin!.lo - 1e-6);
    expect(most).toBeLessThanOrEqual(v.margin!.hi + 1e-6);
    expect(most - least).toBeGreaterThan(0.95 * (v.margin!.hi - v.margin!.lo));
  });
});
