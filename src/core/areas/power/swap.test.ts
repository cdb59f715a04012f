import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { worst } from '../../checks/finding';
import { applyEdit } from '../../edit/edit';
import type { Change, Job } from '../../kit/types';
import type { Outlet } from '../../engine/part';
import type { Fitting, Part } from '../../kit/types';
import { anyRig, demoRigs, demoStandings, type Subject } from '../../properties/rigs';
import { fixesFor } from '../../solve/fixes';
import { checkRig } from '../checks';
import { demo } from '../../test-kit';
import { deadOn, deviceKey, feedsOn } from './model/fed';
import { saySwap, swapsOn } from './model/swap';
import { powerTree } from './model/tree';

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
    // What another pack stands behind still has volts somewhere: it goes dark where that is said.
    const drops = new Set(
      feedsOn(built).flatMap((f) => (f.out && f.out.packs.length > 1 ? [deviceKey(f.device)] : [])),
    );
    expect(
      [...s.dark, ...s.stays]
        .map(deviceKey)
        .filter((k) => !drops.has(k))
        .sort(),
    ).toEqual(lost);
    for (const d of s.stays) expect(d.part.ownPack).toBe(true);
    for (const d of [...s.dark, ...s.held, ...s.open]) expect(d.part.ownPack).not.toBe(true);
    for (const d of [...s.held, ...s.open]) expect(lost).not.toContain(deviceKey(d));
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

describe('two packs on one plate', () => {
  const standing = demoStandings.find(([name]) => name.includes('long night'))![1];
  const said = (change: (o: Outlet) => Outlet = (o) => o, kit: (p: Part) => Part = (p) => p) => {
    const job = {
      ...standing.job,
      kit: standing.job.kit.map((p) =>
        kit(
          p.id === 'raft-2' ? ({ ...p, outlets: (p as Fitting).outlets!.map(change) } as Part) : p,
        ),
      ),
    };
    const list = checkRig(job, standing.rig).filter((v) => v.id === 'power.swap');
    return (key: string) => list.find((v) => v.key === `power.swap:${key}`);
  };

  test('the screen goes dark, the camera stays up; by the outlet that is held it is cured', () => {
    expect(said()('body')!.state).toBe('ok');
    const screen = said()('fitted:monitor')!;
    expect(screen.state).toBe('tight');
    expect(screen.why).toMatch(
      /^Pane 5 goes dark while a pack is changed: 8 V outlet of Double raft/,
    );
    const base = shared(standing.job);
    const built = build(standing.job, standing.rig, base);
    const fixes = fixesFor(built, screen, base);
    expect(fixes.map((f) => f.then)).toContainEqual(
      expect.stringMatching(/^Pane 5 stays up .*held 8 V outlet of Double raft goes on/),
    );
    const list = swapsOn(built);
    expect(list).toHaveLength(2);
    for (const s of list) {
      expect(s.dark.map((d) => d.part.name)).toEqual(['Pane 5']);
      expect(saySwap(s)).toContain('Pellin Pocket stays up by the other pack on the plate');
      expect(saySwap(s)).not.toContain('Stop recording');
    }
  });

  test('what nobody said of the outlet is not known, of the camera as of the screen', () => {
    const bare = said((o) => ({ ...o, swap: undefined }));
    for (const key of ['body', 'fitted:monitor']) {
      expect(bare(key)!.state).toBe('unknown');
      expect(bare(key)!.why).toMatch(/nobody said/);
    }
  });

  test('a camera that goes dark fails, whatever the house says of screens; its own battery cures it', () => {
    const drops = (o: Outlet): Outlet => ({ ...o, swap: 'drops' });
    expect(said(drops)('body')!.state).toBe('fail');
    expect(said(drops)('body')!.why).toMatch(/what it writes is lost/);
    const own = (p: Part) => (p.id === 'body-b' ? ({ ...p, ownPack: true } as Part) : p);
    expect(said(drops, own)('body')!.state).toBe('ok');
  });

  test('a house that wants everything up fails the screen', () => {
    const job = { ...standing.job, rules: { set: 'strict' as const } };
    const v = checkRig(job, standing.rig).find((x) => x.key === 'power.swap:fitted:monitor')!;
    expect(v.state).toBe('fail');
  });

  test('an outlet that is gone leaves the question open, and one pack asks none', () => {
    const gone = standing.job.kit.map((p) =>
      p.id === 'raft-2'
        ? ({ ...p, outlets: (p as Fitting).outlets!.filter((o) => o.id !== 'v8') } as Part)
        : p,
    );
    const v = checkRig({ ...standing.job, kit: gone }, standing.rig);
    expect(v.find((x) => x.key === 'power.swap:fitted:monitor')!.state).toBe('unknown');
    const one = {
      ...standing.rig,
      fitted: standing.rig.fitted!.filter((u) => u.id !== 'battery-2'),
    };
    expect(checkRig(standing.job, one).filter((x) => x.id === 'power.swap')).toEqual([]);
  });
});

test.each(demoStandings)(
  'no device is drawn better than what is said of it: %s',
  (_n, { job, rig }) => {
    const verdicts = checkRig(job, rig);
    for (const n of powerTree(build(job, rig, shared(job)), verdicts).nodes) {
      if (!n.device) continue;
      const own = verdicts.filter(
        (v) => v.id.startsWith('power.') && v.key.endsWith(`:${deviceKey(n.device!)}`),
      );
      if (own.length > 0)
        expect([n.name, n.state]).toEqual([n.name, worst(own.map((v) => v.state))]);
    }
  },
);
