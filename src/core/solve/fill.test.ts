import { build, shared } from '../build/build';
import { demo } from '../test-kit';
import { withChanges } from '../edit/edit';
import { hostsOn, isSlide, seatingsFor, takenOf } from '../areas/joints/model/free';
import { namedSeats } from '../areas/joints/model/seats';
import { isFitting } from '../kit/types';
import { usesOn } from '../roles/uses';
import { fillsFor, freeHosts } from './fill';

/** What is free, and what of the kit would go there: against places asked part by part. */

const job = demo();
const rig = job.rigs.find((r) => r.id === 'lockside-b')!;
const base = shared(job);
const built = build(job, rig, base);
const free = freeHosts(built);

test('what is free is what nothing is in, and what is full is not listed', () => {
  for (const h of hostsOn(built)) {
    const own = free.find((f) => f.key === `${h.piece} ${h.i.id}`);
    if (isSlide(h.i)) continue;
    const left = (h.i.count ?? 1) - takenOf(built, h).size;
    if (left === 0) expect(own).toBeUndefined();
    else if ((h.i.count ?? 1) > 1) expect(own!.free).toMatch(new RegExp(`^${left} of `));
    else expect(own!.free).toMatch(/^free, /);
  }
  // The stud of the arm has the screen on it; the shoe has the microphone.
  expect(free.map((f) => f.name)).not.toContain('shoe of Trellis cage');
});

test('as many parts are said to go there as are found part by part, and each is put there', () => {
  const on = usesOn(rig);
  for (const f of free) {
    const would = job.kit.filter(
      (p) =>
        isFitting(p) &&
        on.filter((id) => id === p.id).length < Math.max(1, p.count ?? 1) &&
        seatingsFor(built, p).some((s) => `${s.host.piece} ${s.host.i.id}` === f.key),
    );
    expect(f.parts).toBe(would.length);
    const fills = fillsFor(built, base, f.key);
    expect(fills.length).toBe(would.length);
    for (const fill of fills) {
      const next = withChanges(job, fill.edit.changes);
      const now = build(
        next,
        next.rigs.find((r) => r.id === rig.id)!,
        shared(next),
      );
      const id = fill.edit.changes[0]!.path[3]!;
      const seat = namedSeats(now).find((s) => s.use.id === id)!;
      expect(`${seat.host.piece} ${seat.at.id}`).toBe(f.key);
    }
    // Ranked by what they bring.
    const fails = fills.map((x) => x.more.fail);
    expect(fails).toEqual([...fails].sort((a, b) => a - b));
  }
  expect(free.some((f) => f.parts > 0)).toBe(true);
});

test('a rail that nobody measured says that it does not know how much is free', () => {
  const kit = job.kit.map((p) =>
    p.id === 'trellis'
      ? {
          ...p,
          interfaces: (p as unknown as { interfaces: { id: string }[] }).interfaces.map((i) =>
            i.id === 'right-rail' ? { ...i, run: undefined } : i,
          ),
        }
      : p,
  ) as typeof job.kit;
  const next = { ...job, kit };
  const own = freeHosts(build(next, rig)).find((f) => /right-rail/.test(f.key));
  expect(own!.free).toMatch(/how much is free is not known/);
});
