import { judgeLoads, type JointVerdict } from '../model/judge-load';
import { meetsStop, stalledTorque, turningTorque, type Rested } from '../model/mount-load';
import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import type { PlacedDrive } from '../../drive/place/drive';
import { reader } from '../../../build/lin';
import { isSupport } from '../../../kit/types';
import { exact, say } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import { RANK, type Verdict } from '../../../checks/finding';
import { judge, plainVerdict, said } from '../../../checks/judge';

export const supportNeed: Check = {
  id: 'support.need',
  title: 'Lens support',
  short: 'needs a support',
  says: 'Whether the lens wants or needs a support: by the load on the weakest joint, by play in it, by a strong drive, by a hand on the barrel. House rules: no standard exists.',
  formula:
    'what the joint bears (its maker’s number, or the house rule, half behind a joint with play) - moment of what hangs on it; ok below the load that is advised',
  run(built) {
    const { lens } = built;
    if (!built.closed || !lens) return [];
    const stand = standOf(built);
    const joints = judgeLoads(built);
    const open = joints.filter((j) => !j.held);
    if (open.length === 0) {
      const who = joints[0]?.held ?? null;
      if (who === null) return [];
      return [
        plainVerdict({
          id: 'support.need',
          about: [lens.id],
          station: stand.value(stand.seat),
          state: 'ok',
          why: `${lens.name} is held up by ${who}.`,
          sum: 'two points of contact',
          basis: '[trade] two points of contact',
        }),
      ];
    }
    const all = [
      ...open.map((j) => need(built, stand, j)),
      ...stand.drives.flatMap((d) => strong(built, stand, d)),
      ...hand(built, stand),
    ];
    // The worst of them speaks; among equals the one with least in hand.
    const first = all.reduce((m, v) =>
      RANK[v.state] < RANK[m.state] ||
      (v.state === m.state && (v.margin?.value ?? Infinity) < (m.margin?.value ?? Infinity))
        ? v
        : m,
    );
    const worst = beside(built) ? { ...said(first), why: `${first.why} ${BESIDE}` } : first;
    const { margin } = worst;
    if (!margin) return [worst];
    // Inside the tolerances another of them can be the worst: its margin is promised as well.
    const may = all.filter((v) => v.state !== 'ok' || v === first).flatMap((v) => v.margin ?? []);
    return [
      {
        ...said(worst),
        margin: {
          ...margin,
          lo: Math.min(...all.flatMap((v) => v.margin?.lo ?? []), margin.lo),
          hi: Math.max(...may.map((m) => m.hi)),
        },
      },
    ];
  },
};

const BESIDE =
  'With the camera upright a support stands beside the lens: it holds it up only where it closes around the barrel.';

/** The camera is upright, and what would hold the lens up from below does not. */
function beside({ rig, kit }: Built): boolean {
  return (
    rig.upright !== undefined &&
    (rig.supports ?? []).some((s) => {
      const part = kit.get(s.part);
      return isSupport(part) && part.around !== true;
    })
  );
}

/** One joint: as `mount.load` has it, and tight from the load on that the house advises. */
function need(built: Built, stand: Stand, j: JointVerdict): Verdict {
  const { verdict, limit, joint, moment } = j;
  const lens = built.lens!;
  const { bearer } = joint;
  const base = {
    id: 'support.need',
    key: 'support.need',
    about: [...new Set([lens.id, bearer.id])],
    station: stand.value(stand.seat),
    basis: limit.own ? verdict.basis : `${ruleBasis('support.require')}; no standard exists`,
  };
  if (verdict.state === 'unknown')
    return {
      ...said(verdict),
      ...base,
      why: verdict.why.replace(
        /^What hangs on .* is not known/,
        `Whether ${lens.name} needs a support is not known`,
      ),
    };
  const on = `the mount of ${bearer.name}`;
  const play = limit.halved ? ', half of what is usual for the play in it' : '';
  if (verdict.state === 'fail')
    return {
      ...said(verdict),
      ...base,
      why: `${lens.name} needs a support: ${say(moment!, 'N m')} hang on ${on}, over the ${say(limit.value, 'N m')} ${limit.own ? 'its maker allows' : 'the house allows'}${play}.`,
    };
  const most = limit.value - (verdict.margin?.lo ?? NaN);
  const upTo =
    (moment ?? 0) < limit.advise && most > limit.advise
      ? `, inside the tolerances up to ${exact(most, 2)},`
      : '';
  const over = (verdict.margin?.lo ?? 0) < limit.value - limit.advise - 1e-9;
  if (verdict.state === 'ok' && !over)
    return {
      ...said(verdict),
      ...base,
      why: `${lens.name} needs no support: ${say(moment!, 'N m')} hang on ${on}.`,
    };
  return {
    ...said(verdict),
    ...base,
    state: 'tight',
    why:
      verdict.state === 'tight' && (moment ?? 0) <= limit.value && !/hang on/.test(verdict.why)
        ? verdict.why
        : `A support under ${lens.name} is advised: ${say(moment!, 'N m')}${upTo} hang on ${on}${play}; the house advises one from ${say(limit.advise, 'N m')} on.`,
  };
}

/** A drive that pushes the lens sideways whatever it weighs. */
function strong(built: Built, stand: Stand, d: PlacedDrive): Verdict[] {
  const lens = built.lens!;
  if (d.part.kind !== 'motor' || !d.gear?.teeth) return [];
  const limit = built.rules['support.motor'];
  const run = (torque: Rested, stalls: boolean): Verdict => {
    const inputs = [...torque.inputs];
    const from = reader(inputs);
    return judge({
      id: 'support.need',
      key: 'support.need',
      about: [lens.id, d.part.id],
      station: stand.value(d.gearAt),
      inputs,
      margin: (x) => limit - torque.f(from(x)),
      unit: 'N m',
      limit: { value: limit, unit: 'N m', rule: 'support.motor' },
      why: (o) =>
        o.state === 'ok'
          ? `${d.part.name} turns the ring with ${say(limit - o.value, 'N m')}: no support for its sake.`
          : stalls
            ? `Against its stop ${d.part.name} pushes with ${say(limit - o.value, 'N m')}; from ${exact(limit, 2)} on a support under ${lens.name} is advised whatever it weighs.`
            : `${d.part.name} turns the ring with ${say(limit - o.value, 'N m')}, over the ${exact(limit, 2)} that push a lens sideways whatever it weighs: put a support under ${lens.name}.`,
      sum: (o) => `${say(limit - o.value, 'N m')} at the gear against ${exact(limit, 2)}`,
      lacking: (missing) =>
        `How hard ${d.part.name} pushes ${lens.name} is not known: ${missing} missing.`,
      basis: ruleBasis('support.motor'),
    });
  };
  const turning = run(turningTorque(built, d), false);
  if (turning.state === 'fail' || turning.state === 'unknown' || !meetsStop(d)) return [turning];
  const stalled = run(stalledTorque(built, d), true);
  return [
    turning,
    stalled.state === 'fail' ? { ...said(stalled), state: 'tight', margin: null } : stalled,
  ];
}

/** A hand that pulls on the barrel shakes the lens: a support stops it. Common practice, no source. */
function hand(built: Built, stand: Stand): Verdict[] {
  const { lens, rig } = built;
  if (!lens || !rig.hand) return [];
  return [
    plainVerdict({
      id: 'support.need',
      about: [lens.id],
      station: stand.value(stand.seat),
      state: 'tight',
      why: `A hand turns the ${rig.hand} ring on the barrel: a support under ${lens.name} stops the shake.`,
      sum: 'a hand on the barrel',
      basis: '[trade] a hand on the barrel asks for a support',
    }),
  ];
}
