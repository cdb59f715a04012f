import fc from 'fast-check';
import { build } from '../build/build';
import { check } from '../areas/checks';
import type { Verdict } from '../checks/finding';
import { RANK } from '../checks/finding';
import { massOf } from '../areas/carry/model/balance';
import { configurationTable } from '../set/configurations';
import { anyRig, demoRigs, demoStandings, type Subject } from './rigs';

/** One clash, one moment, one state: what two checks say of one thing is the same. */
function disagreements(s: Subject): string[] {
  const all = check(build(s.job, s.rig));
  const out: string[] = [];
  const worst = (list: readonly Verdict[]) =>
    list.reduce<Verdict | null>((m, v) => (!m || RANK[v.state] < RANK[m.state] ? v : m), null);
  // A drive that has no place fouls something, and one that fouls nothing has a place.
  for (const u of s.rig.drives ?? []) {
    const room = all.find((v) => v.key === `drive.reach:${u.id}:room`);
    const pairs = all.filter(
      (v) => v.id === 'space.pair' && v.key.split(/[:|]/).join(' ').includes(`drive ${u.id}`),
    );
    const pair = worst(pairs.filter((v) => v.state === 'fail'));
    if (room?.state === 'fail' && !pair)
      out.push(`${room.key} fails and no pair of it does: ${room.why}`);
  }
  // The moment on one joint is one number against one limit.
  const loads = all.filter((v) => v.id === 'mount.load');
  for (const need of all.filter((v) => v.id === 'support.need' && v.margin?.unit === 'N m')) {
    const w = worst(loads);
    // A motor that pushes sideways has a limit of its own, whatever hangs on the mount.
    const motor = need.limit?.rule === 'support.motor';
    if (w && need.state === 'fail' && w.state !== 'fail' && !motor)
      out.push(`${need.key} fails, no mount does: ${need.why} | ${w.why}`);
    if (w && w.state === 'fail' && need.state !== 'fail')
      out.push(`${w.key} fails, ${need.key} is ${need.state}: ${w.why} | ${need.why}`);
  }
  const at = all.find((v) => v.id === 'mount.flange');
  const glass = all.find((v) => v.id === 'mount.glass-path');
  if (at && glass && glass.margin && at.state !== glass.state)
    out.push(`${at.key} is ${at.state}, ${glass.key} is ${glass.state}`);
  for (const v of all) {
    const m = v.margin;
    if (m && !(m.lo <= m.value + 1e-9 && m.value <= m.hi + 1e-9))
      out.push(`${v.key}: ${m.value} is not between ${m.lo} and ${m.hi}`);
    if (/([A-Z][\w' ]+) behind \1/.test(v.why)) out.push(`${v.key}: ${v.why}`);
    if (/ 0\.00 mm too | 0\.0 % /.test(v.why)) out.push(`${v.key}: ${v.why}`);
  }
  const keys = new Set<string>();
  for (const v of all) {
    if (keys.has(v.key)) out.push(`two findings are called ${v.key}`);
    keys.add(v.key);
  }
  return out;
}

describe('agreement', () => {
  test.each(demoRigs)('%s', (_name, s) => {
    expect(disagreements(s)).toEqual([]);
  });

  test('random rigs', () => {
    fc.assert(
      fc.property(anyRig, (s) => {
        expect(disagreements(s)).toEqual([]);
      }),
      { numRuns: 250 },
    );
  }, 300_000);

  test('what the rig weighs is one number: beside its configurations, and as it is carried', () => {
    let compared = 0;
    for (const [name, { job, rig }] of [...demoRigs, ...demoStandings]) {
      const column = configurationTable(job, [rig]).columns[0]!;
      const mass = massOf(build(job, rig));
      if (column.unweighed > 0 || mass === null || !Number.isFinite(mass.value)) continue;
      compared++;
      expect([name, column.mass]).toEqual([name, expect.closeTo(mass.value, 6)]);
    }
    expect(compared).toBeGreaterThan(5);
  });
});
