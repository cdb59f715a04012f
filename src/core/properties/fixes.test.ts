import fc from 'fast-check';
import { build, shared } from '../build/build';
import { check, CHECKS } from '../areas/checks';
import { comesNearer } from '../solve/hold';
import type { Verdict } from '../checks/finding';
import { fixesFor } from '../solve/fixes';
import { onHand } from '../kit/types';
import { RANK } from '../checks/finding';
import { anyRig, changed, demoRigs, type Subject } from './rigs';

/** Findings that are lower than they were: by key where it is still there. */
function lowered(before: readonly Verdict[], after: readonly Verdict[]): Verdict[] {
  const was = new Map(before.map((v) => [v.key, v]));
  return after.filter((v) => {
    const b = was.get(v.key);
    return b !== undefined && RANK[v.state] < RANK[b.state];
  });
}

/** Pieces that stand on a rig more often than there are. */
function usedTooOften({ job, rig }: Subject): string[] {
  const count = new Map<string, number>();
  const add = (id: string | undefined | null) => {
    if (id) count.set(id, (count.get(id) ?? 0) + 1);
  };
  for (const list of [rig.between, rig.thread, rig.under, rig.rods, rig.gears, rig.supports])
    for (const u of list ?? []) add(u.part);
  for (const u of rig.drives ?? []) [u.part, u.arm].forEach(add);
  for (const u of rig.fitted ?? []) add(u.part);
  for (const t of rig.box?.trays ?? []) add(t.filter);
  return [...count]
    .filter(([id, n]) => n > Math.max(1, onHand(job.kit.find((p) => p.id === id)!)))
    .map(([id]) => id);
}

function broken(s: Subject): string[] {
  const base = shared(s.job);
  const built = build(s.job, s.rig, base);
  const before = check(built);
  const out: string[] = [];
  const twice = new Set(usedTooOften(s));
  for (const v of before)
    for (const fix of fixesFor(built, v, base)) {
      const next = changed(s, fix.change);
      const after = check(build(next.job, next.rig));
      const low = lowered(before, after).filter((l) => !fix.cost?.includes(l.why.slice(0, 30)));
      for (const l of low)
        out.push(`${v.key}: ${fix.title} lowers ${l.key} to ${l.state}: ${l.why}`);
      const again = after.find((a) => a.key === v.key);
      const own = CHECKS.find((c) => c.id === v.id)!;
      if (again && RANK[again.state] <= RANK[v.state] && !comesNearer(own, v, again))
        out.push(`${v.key}: ${fix.title} leaves it ${again.state}`);
      for (const id of usedTooOften(next))
        if (!twice.has(id)) out.push(`${v.key}: ${fix.title} uses ${id} more often than there is`);
      // Taking the very step back must not be offered for what came of it.
      for (const a of after.filter((x) => x.state !== 'ok').slice(0, 3))
        for (const back of fixesFor(build(next.job, next.rig), a, shared(next.job))) {
          const home = changed(next, back.change);
          if (JSON.stringify(home.rig) === JSON.stringify(s.rig))
            out.push(`${v.key}: ${fix.title}, then ${a.key}: ${back.title} leads back`);
        }
    }
  return out;
}

describe('offered fixes', () => {
  test.each(demoRigs)(
    '%s',
    (_name, s) => {
      expect(broken(s)).toEqual([]);
    },
    120_000,
  );

  test('random rigs', () => {
    fc.assert(
      fc.property(anyRig, (s) => {
        expect(broken(s)).toEqual([]);
      }),
      { numRuns: 6 },
    );
  }, 600_000);
});
