import { ruleValues } from '../rules/rules';
import type { Job, Part, Rig, Weighing } from '../kit/types';
import type { Subject } from './rigs';

const OTHER: Record<string, string> = { left: 'right', right: 'left' };
/** A screen at the rear is hinged at camera left, or at camera right. */
const SCREEN: Record<string, string> = {
  ...OTHER,
  rear: 'rear-right',
  'rear-right': 'rear',
};
const turned = (x: unknown) => (typeof x === 'string' ? (OTHER[x] ?? x) : x);
const negated = (x: unknown) => (typeof x === 'number' ? -x + 0 : x);

/** A number as it is written, with its tolerance, on the other side of the axis. */
const negatedQuantity = (x: unknown) =>
  typeof x === 'number'
    ? -x + 0
    : { ...(x as { value: number }), value: -(x as { value: number }).value + 0 };

function over(o: object, fields: Record<string, (x: unknown) => unknown>): Record<string, unknown> {
  const copy = { ...o } as Record<string, unknown>;
  for (const [k, f] of Object.entries(fields)) if (copy[k] !== undefined) copy[k] = f(copy[k]);
  return copy;
}

/** A part as its mirror image: sides exchanged; focus rings turn the other way. */
function part(p: Part): Part {
  const sides = p as { openLeft?: boolean; openRight?: boolean };
  const open =
    sides.openLeft === undefined && sides.openRight === undefined
      ? {}
      : { openLeft: sides.openRight, openRight: sides.openLeft };
  return over(
    { ...p, ...open },
    {
      screenSide: (x) => SCREEN[x as string] ?? x,
      swing: turned,
      sides: turned,
      flags: (list) => (list as object[]).map((f) => over(f, { side: turned })),
      interfaces: (list) =>
        (list as object[]).map((i) => over(i, { face: turned, x: negatedQuantity })),
      inletFace: turned,
      inletX: negatedQuantity,
      outlets: (list) =>
        (list as object[]).map((o) => over(o, { face: turned, x: negatedQuantity })),
      ports: (list) => (list as object[]).map((o) => over(o, { face: turned, x: negatedQuantity })),
      vents: (list) => (list as object[]).map((v) => over(v, { face: turned })),
    },
  ) as unknown as Part;
}

/** What a lead is tied to on its way: sides exchanged. */
const ties = (of: unknown) =>
  over(of as object, {
    via: (list) =>
      (list as object[]).map((t) => over(t, { face: turned, x: (x) => -(x as number) + 0 })),
  });

function rig(r: Rig): Rig {
  return over(r, {
    outlet: ties,
    signals: (list) => (list as object[]).map(ties),
    upright: turned,
    carry: (c) => over(c as object, { x: negated }),
    frames: (list) => (list as object[]).map((f) => over(f, { x: negated })),
    light: (l) => over(l as object, { from: turned }),
    box: (b) =>
      over(b as object, {
        trays: (list) => (list as object[]).map((t) => over(t, { turn: negated })),
      }),
    drives: (list) =>
      (list as object[]).map((d) =>
        over(d, { side: turned, angle: (a) => mirrorAngle(a as number), outlet: ties }),
      ),
    fitted: (list) =>
      (list as object[]).map((f) =>
        over(f, {
          on: turned,
          x: negated,
          turn: negated,
          outlet: ties,
          positions: (ps) => (ps as object[]).map((p) => over(p, { turn: negated })),
        }),
      ),
  }) as unknown as Rig;
}

/** What was measured, seen in the mirror: places and lean to the side change sides. */
function weighing(w: Weighing): Weighing {
  const across = (v: unknown) => {
    const [x, y, z] = v as [number, number, number];
    return [-x + 0, y, z];
  };
  const side = w.axis === 'x';
  return over(w, {
    value: (v) => (side ? negatedQuantity(v) : v),
    upright: turned,
    hold: across,
    on: (list) => (list as object[]).map((s) => over(s, { at: across, off: across })),
    forecast: (f) => {
      const { value, lo, hi } = f as { value: number; lo: number; hi: number };
      return side ? { value: -value + 0, lo: -hi + 0, hi: -lo + 0 } : f;
    },
  }) as unknown as Weighing;
}

const mirrorAngle = (a: number) => {
  const m = 180 - a;
  return m > 360 ? m - 360 : m;
};

/** The whole job in a mirror, with the house's side for a drive that says none. */
export function mirrored({ job, rig: r }: Subject): Subject {
  const side = ruleValues(job.rules)['drive.side'];
  const next: Job = {
    ...job,
    kit: job.kit.map(part),
    rigs: job.rigs.map(rig),
    ...(job.weighings ? { weighings: job.weighings.map(weighing) } : {}),
    rules: {
      set: job.rules?.set ?? 'house',
      values: { ...job.rules?.values, 'drive.side': side === 0 ? 1 : 0 },
    },
  };
  return { job: next, rig: next.rigs.find((x) => x.id === r.id)! };
}
