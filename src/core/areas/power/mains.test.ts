import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import type { Job, Rig } from '../../kit/types';
import { findings } from '../../solve/fixes';
import { demoRigs, demoStandings } from '../../properties/rigs';
import { exactly } from '../../test-kit';
import { cautions } from '../cautions';
import { checkRig } from '../checks';
import { weightsOf } from '../carry/model/weighed';
import { putOn } from '../moves';
import { feedsOn, inTheDark } from './model/fed';
import { reachOf } from './model/run';
import { mainsOn, outletsOn, swapped } from './model/outlets';
import { sourcesOn } from './model/sources';
import { swapsOn } from './model/swap';
import { powerTree } from './model/tree';
import { setAway } from './moves/feed';

/** What gives from the mains, from beside the rig. */

const [, tug] = demoRigs.find(([n]) => n === 'Tug, body B')!;
const rig: Rig = {
  ...tug.rig,
  mains: [{ id: 'quay', part: 'quay', away: 1200 }],
  outlet: { from: 'quay', id: 'dc', lead: 'warp' },
};
const job: Job = { ...tug.job, rigs: tug.job.rigs.map((r) => (r.id === rig.id ? rig : r)) };
const seen = (j: Job = job, r: Rig = rig) => {
  const built = build(j, r, shared(j));
  const said = checkRig(j, r);
  return { built, said, key: (k: string) => said.find((v) => v.key === k) };
};
const withRig = (change: (r: Rig) => Rig, j: Job = job): [Job, Rig] => {
  const r = change(rig);
  return [{ ...j, rigs: j.rigs.map((x) => (x.id === r.id ? r : x)) }, r];
};
const away = (mm: number | undefined) =>
  withRig((r) => ({ ...r, mains: r.mains!.map((m) => ({ ...m, away: mm })) }));

test('it feeds the camera, and the pack lasts longer for it', () => {
  const { built, key } = seen();
  expect(inTheDark(built)).toEqual([]);
  expect(key('power.volts:body')!.state).not.toBe('unknown');
  expect(key('power.amps:quay/dc')!.state).toBe('ok');
  expect(sourcesOn(built).flatMap((s) => s.feeds.map((f) => f.device.id))).toEqual(['monitor']);
  const [, base] = demoRigs.find(([n]) => n === 'Tug, body B')!;
  const hours = (j: Job, r: Rig) =>
    checkRig(j, r).find((v) => v.key === 'power.hours:plate')!.margin!.value;
  expect(hours(job, rig)).toBeGreaterThan(2 * hours(base.job, base.rig));
});

test('it is no part of what the rig weighs or stands of, and no pack that is changed', () => {
  const { built } = seen();
  expect(weightsOf(built).map((w) => w.part.id)).not.toContain('quay');
  expect(swapsOn(built).map((s) => s.id)).not.toContain('quay');
  const { said } = seen({
    ...job,
    kit: job.kit.map((p) => (p.id === 'quay' ? { ...p, mass: exactly(9000) } : p)),
  });
  const masses = (list: typeof said) =>
    list.filter((v) => /mass|carry\.(hang|hand|slide)/.test(v.id)).map((v) => [v.key, v.margin]);
  expect(masses(said)).toEqual(masses(seen().said));
  const out = outletsOn(built).find((o) => o.from === 'quay')!;
  expect(out).toMatchObject({ mains: true, packs: ['quay'] });
  expect(swapped(out)).toBe(false);
});

test.each([
  // Warp lead is 1500 long to 10; a tenth more than the way is wanted.
  [1200, 'ok'],
  [1400, 'tight'],
  [1495, 'tight'],
  [1600, 'fail'],
  [undefined, 'unknown'],
] as const)('its lead over a way of %s mm: %s', (mm, state) => {
  const { key } = seen(...away(mm));
  const v = key('cable.length:body')!;
  expect(v.state).toBe(state);
  if (state === 'tight' || state === 'fail') expect(v.wanted[0]).toMatch(/^a lead of at least /);
  if (state === 'unknown') expect(v.why).toMatch(/how far the one is from the rig nobody said\.$/);
});

test('a lead that does not say how long it is reaches nowhere for sure', () => {
  const bare = {
    ...job,
    kit: job.kit.map((p) => (p.id === 'warp' ? { ...p, length: undefined } : p)),
  } as Job;
  expect(seen(bare, rig).key('cable.length:body')!.state).toBe('unknown');
});

test.each([
  [500, 'yes', 'ok'],
  [1400, 'maybe', 'tight'],
  [2000, 'no', 'tight'],
  [undefined, 'maybe', 'unknown'],
] as const)('a lead of 1500 mm as a second one over %s mm: %s', (mm, reach, state) => {
  const [j, r] = away(mm);
  const two = { ...j, kit: j.kit.map((p) => (p.id === 'warp' ? { ...p, count: 2 } : p)) } as Job;
  const { built, key } = seen(two, r);
  const f = feedsOn(built).find((x) => x.device.list === 'body')!;
  expect(reachOf(built, f.device, f.from)(f.lead!)).toBe(reach);
  expect(key('cable.spare:body')!.state).toBe(state);
});

test('what lies on the floor is not laid out, and so not ok', () => {
  const { key } = seen();
  expect(key('cable.bend:body')!.state).toBe('unknown');
  expect(key('cable.tie:body')).toBeUndefined();
});

test('without it nothing that hung on it is ok; without its numbers nothing is known', () => {
  const gone = seen(...withRig((r) => ({ ...r, mains: [] })));
  for (const k of ['power.volts:body', 'power.amps:quay/dc', 'cable.length:body'])
    expect(gone.key(k)!.state).toBe('unknown');
  expect(gone.key('power.hours:plate')!.state).toBe('unknown');
  const bare = {
    ...job,
    kit: job.kit.map((p) =>
      p.id === 'quay' ? { ...p, outlets: [{ id: 'dc', name: 'DC outlet' }] } : p,
    ),
  } as Job;
  const open = seen(bare, rig);
  expect(open.key('power.volts:body')!.state).toBe('unknown');
  expect(open.key('power.amps:quay/dc')!.state).toBe('unknown');
});

test('it is drawn among the sources, and is warned of', () => {
  const { built, said } = seen();
  const tree = powerTree(built, said);
  expect(tree.nodes.find((n) => n.id === 'pack quay')).toMatchObject({
    name: 'Quay',
    line: 'from the mains',
  });
  expect(tree.edges).toContainEqual(
    expect.objectContaining({ from: 'pack quay', to: 'outlet quay/dc' }),
  );
  expect(cautions(built, said).join(' ')).toMatch(/Mains on the set: keep it dry/);
});

test('it is put beside a rig, its way is said, and both stand in the file', () => {
  const [, base] = demoRigs.find(([n]) => n === 'Tug, body B')!;
  const quay = base.job.kit.find((p) => p.id === 'quay')!;
  const on = applyEdit(base.job, putOn(base.job, base.rig, quay)!);
  const now = on.doc.rigs.find((r) => r.id === base.rig.id)!;
  const [m] = mainsOn(build(on.doc, now, shared(on.doc)));
  expect(m!.part.id).toBe('quay');
  const far = applyEdit(on.doc, setAway(now, m!.use, 'Quay', 3000));
  const again = readJob(writeJob(far.doc));
  if (!again.ok) throw new Error(JSON.stringify(again));
  expect(again.value.rigs.find((r) => r.id === base.rig.id)!.mains).toEqual([
    { id: m!.use.id, part: 'quay', away: 3000 },
  ]);
});

test('a lead that is too short for the mains gives way to the long one, although that is then no spare', () => {
  const canal = demoStandings.find(([n]) => n.endsWith('on the mains'))![1];
  const f = findings(canal.job, canal.rig).find((x) => x.key === 'cable.length:body')!;
  expect(f.state).toBe('fail');
  expect(f.why).toMatch(/too short, by 590 mm at the least: Quay is 1200 mm from the rig\.$/);
  expect(f.fixes[0]).toMatchObject({
    title: 'Feed Orrin Box from DC outlet of Quay by Warp lead',
  });
});
