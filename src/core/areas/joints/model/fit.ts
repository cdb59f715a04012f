import { given, type Given } from '../../../build/given';
import type { Part } from '../../../kit/types';
import { interfaceType, RODS, type InterfaceType } from '../kit/interfaces';
import type { Interface } from '../kit/parts';
import { firstHoles, heldBy } from '../kit/pattern';

/** Whether two interfaces are of a sort to go together, numbers aside. */
export type Meets =
  /** They are; `numbers` says which of its numbers decide. */
  | { can: true; numbers: 'none' | 'clamp' | 'holes'; standard: boolean }
  | { can: false; because: string }
  /** Something that decides it is not said. */
  | { can: null; missing: { of: 'host' | 'guest'; key: keyof Interface; what: string }[] };

const no = (because: string): Meets => ({ can: false, because });

/** Sorts that a standard makes go together; the others only share a name. */
const STANDARD: ReadonlySet<string> = new Set(['thread', 'shoe', 'rosette']);

/**
 * Whether a host can take a guest by what the two are: same standard or class, one that holds and
 * one that is held, pins with holes for them, as many holes as there are screws.
 */
export function meets(host: Interface, guest: Interface): Meets {
  const missing = (['type', 'side'] as const).flatMap((key) =>
    [['host', host] as const, ['guest', guest] as const].flatMap(([of, i]) =>
      i[key] === undefined
        ? [{ of, key, what: key === 'type' ? 'standard' : 'which side it is' }]
        : [],
    ),
  );
  const [h, g] = [interfaceType(host.type), interfaceType(guest.type)];
  if (h && g && h !== g) return no(`the one is ${h.name}, the other ${g.name}`);
  if (host.side === 'guest') return no('both of them are held and neither holds');
  if (guest.side === 'host') return no('both of them hold and neither is held');
  if (host.side === 'either' && guest.side === 'either' && RODS.includes(host.type ?? ''))
    return no('both of them are rods and neither closes on the other');
  if (missing.length > 0 || !h || !g) return { can: null, missing };
  const named = h.family === 'own' || h.id === 'quick';
  if (named && host.pattern !== undefined && guest.pattern !== undefined && !sameName(host, guest))
    return no(`the one is ${host.pattern}, the other ${guest.pattern}`);
  const half = (host.pattern === undefined) !== (guest.pattern === undefined);
  if ((h.family === 'own' && !sameName(host, guest)) || (named && half))
    return {
      can: null,
      missing: [['host', host] as const, ['guest', guest] as const].flatMap(([of, i]) =>
        i.pattern === undefined
          ? [{ of, key: 'pattern' as const, what: 'name of its pattern' }]
          : [],
      ),
    };
  if (guest.pinned === true && host.pinned !== true) return no('its pins have no holes to go into');
  const turned = screwSides(h, host, guest);
  if (turned) return turned;
  if (firstHoles(host, guest).length === 0)
    return no(`it takes ${heldBy(host, guest).held} holes of ${host.count ?? 1}`);
  if (h.family === 'slide') return { can: true, numbers: 'clamp', standard: false };
  if ((guest.count ?? 1) > 1) return { can: true, numbers: 'holes', standard: true };
  return { can: true, numbers: 'none', standard: STANDARD.has(h.family) };
}

/** One side has the screw and the other the thread; null when they do. */
function screwSides(type: InterfaceType, host: Interface, guest: Interface): Meets | null {
  if (type.pitch === undefined) return null;
  const [h, g] = [screwed(host), screwed(guest)];
  if (h !== null && g !== null)
    return h === g
      ? no(h === 'screw' ? 'both of them are screws' : 'both of them are holes')
      : null;
  return {
    can: null,
    missing: [['host', host] as const, ['guest', guest] as const].flatMap(([of, i]) =>
      screwed(i) === null ? [{ of, key: 'depth' as const, what: 'screw or depth of thread' }] : [],
    ),
  };
}

/** Whether it is a screw or a thread to take one; null while it says neither. */
function screwed(i: Interface): 'screw' | 'thread' | null {
  if (i.length !== undefined || i.captive === true) return 'screw';
  return i.depth !== undefined || i.through === true ? 'thread' : null;
}

const sameName = (a: Interface, b: Interface) =>
  a.pattern !== undefined &&
  b.pattern !== undefined &&
  a.pattern.trim().toLowerCase() === b.pattern.trim().toLowerCase();

/** The numbers by which a clamp closes on what it slides on. */
export interface Closing {
  /** Of what is clamped, and of the clamp. */
  width: Given;
  from: Given;
  to: Given;
  run: Given;
  clamp: Given;
}

/** One side is clamped, the other clamps: whichever of the two says what it closes on. */
export function closing(
  host: { part: Part; i: Interface },
  guest: { part: Part; i: Interface },
): Closing {
  const clamps = (i: Interface) =>
    i.from !== undefined || i.to !== undefined || i.clamp !== undefined;
  const [slid, clamp] = clamps(host.i) && !clamps(guest.i) ? [guest, host] : [host, guest];
  const of = (x: { part: Part; i: Interface }, key: string) =>
    given(x.part, 'interfaces', x.i.id, key);
  // A rod is as wide and as long as it is.
  const rod = slid.part.kind === 'rod';
  return {
    width: rod ? given(slid.part, 'width') : of(slid, 'width'),
    run: rod ? given(slid.part, 'depth') : of(slid, 'run'),
    from: of(clamp, 'from'),
    to: of(clamp, 'to'),
    clamp: of(clamp, 'clamp'),
  };
}

/**
 * How much of a clamp sits on what it is clamped to, mm: both lie on one line, the clamp with its
 * middle `slide` from the middle of the other.
 */
export function clampedLength(run: number, clamp: number, slide: number): number {
  return Math.min(run / 2, slide + clamp / 2) - Math.max(-run / 2, slide - clamp / 2);
}

/**
 * Whether the numbers of the two let them go together: false where none inside their tolerances
 * does, null where one is missing or only some of them do.
 */
export function fitsByNumbers(
  host: { part: Part; i: Interface },
  guest: { part: Part; i: Interface },
  holes: number,
): boolean | null {
  const m = meets(host.i, guest.i);
  if (m.can !== true) return m.can;
  if (m.numbers === 'holes') {
    const own = given(guest.part, 'interfaces', guest.i.id, 'spacing').known;
    const theirs = given(host.part, 'interfaces', host.i.id, 'spacing').known;
    if (!own || !theirs) return null;
    const { step, held } = heldBy(host.i, guest.i);
    // Half of what they are off by goes to either side, as in the check.
    const share = (held - 1) / 2;
    const off = Math.abs(own.value - theirs.value * step);
    if (share * off <= holes) return true;
    return share * (off - own.tol - step * theirs.tol) <= holes ? null : false;
  }
  if (m.numbers === 'clamp') {
    const c = closing(host, guest);
    if (!c.width.known || !c.from.known || !c.to.known) return null;
    return c.width.known.hi >= c.from.known.lo && c.width.known.lo <= c.to.known.hi;
  }
  return m.standard ? true : null;
}
