import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import type { Change, Job } from '../../kit/types';
import { anyRig, demoRigs, type Subject } from '../../properties/rigs';
import { demo } from '../../test-kit';
import { deadOn, deviceKey } from './model/fed';
import { saySwap, swapsOn } from './model/swap';

/** What goes dark when a pack is changed. */

const RIG = 'tug-b';
const base = demo();

function swaps(changes: readonly Change[] = [], from: Job = base) {
  const job = applyEdit(from, { title: 'x', changes: [...changes] }).doc;
  const rig = job.rigs.find((r) => r.id === RIG)!;
  return swapsOn(build(job, rig, shared(job)));
}

/** Every outlet of the pack is dead, as on a rig that has the use and not what is in it. */
function deadWithout({ job, rig }: Subject, pack: string): Set<string> {
  const rigs = job.rigs.map((r) =>
    r.id === rig.id ? { ...r, fitted: r.fitted!.filter((u) => u.id !== pack) } : r,
  );
  const pulled = { ...job, rigs };
  const bare = build(
    pulled,
    rigs.find((r) => r.id === rig.id)!,
    shared(pulled),
  );
  return new Set(deadOn(bare).map(deviceKey));
}

function agrees(of: Subject): number {
  const built = build(of.job, of.rig, shared(of.job));
  const before = new Set(deadOn(built).map(deviceKey));
  const list = swapsOn(built);
  for (const s of list) {
    const lost = [...deadWithout(of, s.id)].filter((k) => !before.has(k)).sort();
    // What another pack stands behind still has volts somewhere: nobody said that it carries on.
    expect([...s.dark, ...s.stays].map(deviceKey).sort()).toEqual(lost);
    for (const d of s.stays) expect(d.part.ownPack).toBe(true);
    for (const d of [...s.dark, ...s.open]) expect(d.part.ownPack).not.toBe(true);
    for (const d of s.open) expect(lost).not.toContain(deviceKey(d));
    for (const f of s.pulled) expect(f.from.from).toBe(s.id);
  }
  return list.length;
}

test('what goes dark is what the rig without the pack has no volts for: demo and random rigs', () => {
  const seen = demoRigs.reduce((sum, [, of]) => sum + agrees(of), 0);
  expect(seen).toBeGreaterThan(1);
  fc.assert(
    fc.property(anyRig, (of) => {
      agrees(of);
    }),
    { numRuns: 120 },
  );
});

test('the camera goes dark with its pack, and recording is stopped first', () => {
  const [one] = swaps();
  expect(one!.dark.map(deviceKey)).toContain('body');
  expect(saySwap(one!)).toMatch(/go(es)? dark/);
  expect(saySwap(one!)).toMatch(/Stop recording first\.$/);
});

test('with a battery of its own it stays up, and nothing is said of recording', () => {
  const [one] = swaps([{ path: ['kit', 'body-b', 'ownPack'], value: true }]);
  expect(one!.stays.map(deviceKey)).toContain('body');
  expect(one!.dark.map(deviceKey)).not.toContain('body');
  expect(saySwap(one!)).toMatch(/stays? up on/);
});

test('a pack that nothing is said to hang on: whose feed nobody said is named', () => {
  const fed: Change[] = [{ path: ['rigs', RIG, 'outlet'], value: undefined }];
  const rig = base.rigs.find((r) => r.id === RIG)!;
  for (const list of ['drives', 'fitted'] as const)
    for (const u of rig[list] ?? [])
      fed.push({ path: ['rigs', RIG, list, u.id, 'outlet'], value: undefined });
  for (const s of swaps(fed).map(saySwap))
    expect(s).toMatch(/^Nothing is said to hang on it\. Nobody said what feeds .*Pellin Pocket/);
});
