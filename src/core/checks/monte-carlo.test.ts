import { fieldAt, FIELDS, isKind, type Field } from '../kit/fields';
import { build, buildAfresh } from '../build/build';
import { standOf } from '../stand/stand';
import type { Job, Lens, Part, Rig } from '../kit/types';
import { partsOn } from '../roles/uses';
import { mountIndex, STANDARD_MOUNTS } from '../areas/mount/kit/standards';
import { known, type QuantityInput } from '../quantity/quantity';
import { demo, exactly, testAdapter, testBody, testJob, testLens, testReducer } from '../test-kit';
import type { Check } from './check';
import { frontFlag } from '../areas/front/checks/flag';
import { frontVignette } from '../areas/front/checks/vignette';
import { coverage } from '../areas/coverage/area';
import { front } from '../areas/front/area';
import { light } from '../areas/light/area';
import { OPTICAL } from '../areas/mount/checks/optical';
import { CHECKS } from '../areas/checks';
import { tried } from './tried';
import { draws as random } from '../pupil/oracles';

/**
 * The interval of every margin, held against draws of the world it speaks of: every quantity of
 * every part on the rig is replaced by one exact value from inside its tolerance, the whole rig is
 * checked again, and the margin that comes out must lie in the interval that was promised.
 */

const DRAWS = 10_000;

/** The checks that follow beams through the front: drawn apart, since each takes a while. */
const BEAMS: readonly Check[] = [frontVignette, frontFlag];
/** What the light passes, and how the camera is set to it. */
const REST = [...coverage.checks, ...OPTICAL, ...front.checks, ...light.checks].filter(
  (c) => !BEAMS.includes(c),
);
/** What stands under and beside, and what hangs on what; the light on those rigs too. */
const BESIDE = CHECKS.filter(
  (c) => light.checks.includes(c) || (!BEAMS.includes(c) && !REST.includes(c)),
);

type Slot = { write: (value: number) => void; lo: number; hi: number };

/** Frame lines are drawn with the stated squeeze: a setting, not a dimension. */
const SETTINGS = new Set(['squeeze', 'focal', 'focalTo']);

/** Every quantity of a part as a slot that a draw can be written into. */
function slots(part: Part): Slot[] {
  const list: Slot[] = [];
  const walk = (fields: readonly Field[], node: Record<string, unknown>) => {
    for (const f of fields) {
      if (SETTINGS.has(f.key)) continue;
      if (f.type === 'quantity') {
        const k = known(node[f.key] as QuantityInput, f.cls);
        if (k)
          list.push({
            lo: k.lo,
            hi: k.hi,
            write: (v) => {
              node[f.key] = exactly(v);
            },
          });
      } else if (f.type === 'rows')
        for (const row of (node[f.key] as Record<string, unknown>[] | undefined) ?? [])
          walk(f.fields, row);
    }
  };
  if (isKind(part.kind)) walk(FIELDS[part.kind], part as unknown as Record<string, unknown>);
  return list;
}

/**
 * What is set by hand on the front, and what only the front asks for: focal length as it really
 * is, the f-stop behind a T-stop.
 */
function frontSlots(rig: Rig, kit: Part[]): Slot[] {
  const list: Slot[] = [];
  const { light } = rig;
  if (light?.at !== undefined)
    list.push({ lo: light.at - 2, hi: light.at + 2, write: (v) => (light.at = v) });
  for (const f of rig.box?.flags ?? [])
    list.push({ lo: f.angle - 0.5, hi: f.angle + 0.5, write: (v) => (f.angle = v) });
  const lens = kit.find((p) => p.id === rig.lens) as Lens;
  for (const key of ['focal', 'focalTo'] as const) {
    const k = known(lens[key], 'length');
    if (!k) continue;
    // The ends of a zoom are called by their printed figures: tables and setting follow the name.
    const rows = (lens.pupil ?? []).filter((r) => r.focal === k.value);
    const set = rig.focal === k.value;
    list.push({
      lo: k.lo,
      hi: k.hi,
      write: (v) => {
        lens[key] = exactly(v);
        for (const r of rows) r.focal = v;
        if (set) rig.focal = v;
      },
    });
  }
  // Close up the field of a prime that nobody measured there is off by up to a twentieth.
  const f = known(lens.focal, 'length');
  if (f && lens.focalTo === undefined && lens.focalClose === undefined)
    list.push({
      lo: Math.min(f.lo, f.value * 0.95),
      hi: Math.max(f.hi, f.value * 1.05),
      write: (v) => (lens.focalClose = exactly(v)),
    });
  // How far the pupil comes forward for a corner, where nobody looked.
  const most = 0.06 * (known(lens.length, 'length')?.value ?? 0);
  for (const row of lens.pupil ?? [])
    if (row.walk === undefined)
      list.push({ lo: 0, hi: most, write: (v) => (row.walk = exactly(v)) });
  const t = known(lens.tStop, 'stop');
  if (t && lens.fStop === undefined)
    list.push({
      lo: 0.85,
      hi: 1,
      write: (v) => (lens.fStop = exactly(known(lens.tStop, 'stop')!.value * v)),
    });
  return list;
}

/** A clamp is set against a rule. */
function stationSlots({ box }: Rig): Slot[] {
  return box?.station === undefined
    ? []
    : [{ lo: box.station - 0.5, hi: box.station + 0.5, write: (v) => (box.station = v) }];
}

function contains(
  job: Job,
  rig: Rig,
  seed: number,
  draws: number,
  checks: readonly Check[] = REST,
): { checked: Set<string> } {
  const run = (j: Job, r: Rig) => {
    const built = buildAfresh(j, r);
    return checks.flatMap((c) => c.run(built).map((v) => tried(built, c, v)));
  };
  const promised = run(job, rig);
  const next = random(seed);
  const copy = structuredClone(job);
  const used = partsOn(rig);
  // What fills the packs at night, and all that it fills, is on no rig; nor cards for later, and what copies them.
  const atNight = new Set(['charger', 'battery', 'reader', 'card']);
  copy.kit = copy.kit.filter((p) => used.has(p.id) || atNight.has(p.kind));
  const again = copy.rigs.find((r) => r.id === rig.id)!;
  const all: Slot[] = [
    ...copy.kit.flatMap(slots),
    ...stationSlots(again),
    ...(checks === BEAMS ? frontSlots(again, copy.kit) : []),
  ];
  const mounts = mountIndex(copy);
  // Throats are drawn as well; between two pieces the flange distance of a standard cancels out.
  const faces = JSON.stringify(copy.kit);
  copy.mounts = STANDARD_MOUNTS.filter((m) => faces.includes(`"${m.id}"`)).map((m) => ({ ...m }));
  for (const m of copy.mounts) {
    const throat = known(m.throat, 'length');
    if (throat)
      all.push({
        lo: throat.lo,
        hi: throat.hi,
        write: (v) => {
          m.throat = exactly(v);
        },
      });
  }
  for (const p of copy.kit) {
    if (p.kind !== 'body' && p.kind !== 'lens') continue;
    const part = p as { mount?: string; flange?: QuantityInput };
    const flange = mounts.get(part.mount ?? '')?.flange;
    // A piece that does not give its own flange distance has that of its mount, within tolerance.
    if (part.flange === undefined && flange)
      all.push({
        lo: flange.lo,
        hi: flange.hi,
        write: (v) => {
          part.flange = exactly(v);
        },
      });
  }
  const checked = new Set<string>();
  const reached = new Map<string, { lo: number; hi: number }>();
  for (let d = 0; d < draws; d++) {
    // Half of the draws stand at the ends of their tolerances, where the extremes are.
    const corner = d % 2 === 1;
    for (const s of all) {
      const t = next();
      s.write(corner ? (t < 0.5 ? s.lo : s.hi) : s.lo + (s.hi - s.lo) * t);
    }
    // What is changed is another document with other parts; nothing is read twice of one part.
    const verdicts = run(
      { ...copy, mounts: copy.mounts.map((m) => ({ ...m })), kit: copy.kit.map((p) => ({ ...p })) },
      again,
    );
    for (const v of verdicts) {
      if (!v.margin) continue;
      const p = promised.find((x) => x.key === v.key);
      if (!p?.margin) continue;
      if (v.margin.value < p.margin.lo - 1e-7 || v.margin.value > p.margin.hi + 1e-7)
        throw new Error(
          `${v.key}: drew ${v.margin.value}, promised ${p.margin.lo} to ${p.margin.hi}`,
        );
      checked.add(v.id);
      const r = reached.get(v.key) ?? { lo: Infinity, hi: -Infinity };
      reached.set(v.key, {
        lo: Math.min(r.lo, v.margin.value),
        hi: Math.max(r.hi, v.margin.value),
      });
      // A state that was sure stays what it was.
      if (p.state === 'ok' && !p.basis.includes('[tried]') && v.state === 'fail')
        throw new Error(`${v.key} was sure to be ok`);
      if (p.state === 'fail' && v.state !== 'fail') throw new Error(`${v.key} was sure to fail`);
    }
  }
  // The promise is not only safe but sharp: the draws reach nearly all of it.
  for (const p of promised) {
    const r = reached.get(p.key);
    if (!r || !p.margin) continue;
    const width = p.margin.hi - p.margin.lo;
    // Where no tolerance can change the state one bound stands for all of them: safe, not sharp.
    if (checks === BESIDE) continue;
    // Advice is tight at worst: its best case is 0 whatever the numbers are.
    if (p.state === 'tight' && p.margin.hi === 0) continue;
    expect(r.hi - r.lo).toBeGreaterThanOrEqual(0.8 * width - 1e-9);
  }
  return { checked };
}

describe('intervals hold what they claim', () => {
  const job = demo();
  const everything = new Set<string>();
  const beside = new Set<string>();

  test.each(job.rigs.map((r) => [r.name, r] as const))('%s', (_name, rig) => {
    // The first rig has nearly every check on it; the others need fewer draws.
    const draws = rig === job.rigs[0] ? DRAWS : DRAWS / 5;
    for (const id of contains(job, rig, 7, draws).checked) everything.add(id);
  });

  test.each(job.rigs.filter((r) => r.thread || r.box).map((r) => [r.name, r] as const))(
    'beams at the front: %s',
    (_name, rig) => {
      for (const id of contains(job, rig, 13, 800, BEAMS).checked) everything.add(id);
    },
  );

  test.each(job.rigs.map((r) => [r.name, r] as const))(
    'under and beside: %s',
    (_name, rig) => {
      // Where an arm was swung to is a setting: it stays when the numbers turn out otherwise.
      // A lens without gears gets the strap that its fix would close on it.
      const bare = rig.id === 'towpath-vintage';
      const geared: Rig = bare ? { ...rig, gears: [{ part: 'bight', turns: 'focus' }] } : rig;
      const set: Rig = {
        ...geared,
        drives: rig.drives?.map((use, i) => {
          const d = standOf(build(job, geared)).drives[i]!;
          return d.angle === null
            ? use
            : { ...use, side: d.side, flipped: d.flipped, angle: (d.angle * 180) / Math.PI };
        }),
      };
      const fixed = { ...job, rigs: job.rigs.map((r) => (r === rig ? set : r)) };
      for (const id of contains(fixed, set, 17, 300, BESIDE).checked) beside.add(id);
    },
    60_000,
  );

  test('a rig with glass in a slot, and one with a reducer behind an adapter', () => {
    const slot = testJob(
      {
        body: testBody({
          stackGlass: { value: 2, tol: 0.2 },
          stackIndex: { value: 1.52, tol: 0.01 },
        }),
        lens: testLens({
          expectedGlass: { value: 2.1, tol: 0.3 },
          imageCircle: [{ diameter: 44 }],
        }),
        links: [
          testAdapter({
            slotGlass: { value: 2, tol: 0.1 },
            slotIndex: { value: 1.517, tol: 0.01 },
          }),
        ],
      },
      { between: [{ part: 'adapter', slot: 'glass' }] },
    );
    const two = testJob({
      links: [
        testReducer({
          magnification: { value: 0.71, tol: 0.01 },
          exitCircle: { value: 44, tol: 0.6 },
          backFocus: { value: 0.01, tol: 0.02 },
          fastestStop: { value: 1.4, tol: 0.1 },
        }),
        testAdapter({
          lensMount: 'm42',
          bodyMount: 'slr-44.00-54',
          length: { value: 1.46, tol: 0.05 },
          play: { value: 0.1, tol: 0.05 },
        }),
      ],
      lens: testLens({
        mount: 'm42',
        tStop: { value: 2, tol: 0.1 },
        imageCircle: [{ diameter: { value: 61, tol: 1 } }],
        rearProtrusion: { value: 5, tol: 0.6 },
        rearDiameter: { value: 41, tol: 1.5 },
      }),
    });
    for (const j of [slot, two])
      for (const id of contains(j, j.rigs[0], 11, DRAWS).checked) everything.add(id);
  });

  test('every check that has a margin was drawn', () => {
    expect([...everything].sort()).toEqual([
      'coverage.chip',
      'coverage.frame',
      'coverage.pixels',
      'coverage.reducer-exit',
      'front.exposure',
      'front.flag',
      'front.leak',
      'front.matte-height',
      'front.matte-travel',
      'front.stack',
      'front.vignette',
      'mount.chain',
      'mount.flange',
      'mount.glass-path',
      'mount.play',
      'mount.rear-depth',
      'mount.throat',
    ]);
    expect([...beside].sort()).toEqual([
      'cable.bend',
      'cable.length',
      'cable.tie',
      'carry.balance-fore',
      'carry.balance-side',
      'carry.hang',
      'carry.head',
      'carry.headroom',
      'carry.legs',
      'carry.mass',
      'carry.stand',
      'carry.touch',
      'drive.interference',
      'drive.reach',
      'drive.ring-fit',
      'drive.torque',
      'drive.travel',
      'drive.turn',
      'front.exposure',
      'joint.fits',
      'joint.gap',
      'joint.load-path',
      'joint.screw',
      'joint.twist',
      'media.day',
      'media.minutes',
      'media.offload',
      'media.speed',
      'mount.load',
      'power.amps',
      'power.charge',
      'power.day',
      'power.hours',
      'power.volts',
      'rods.drop',
      'rods.grip',
      'rods.in-frame',
      'rods.lens-clear',
      'rods.proud',
      'rods.reach-front',
      'rods.reach-rear',
      'space.envelope',
      'space.lens-change',
      'space.pair',
      'space.sweep',
      'space.vent',
      'support.foot',
      'support.height',
      'support.need',
    ]);
    // mount.control has no number to be uncertain about.
    expect(fieldAt('lens', ['aperture'])!.type).toBe('choice');
  });
});
