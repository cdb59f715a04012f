/**
 * What is fed from one source as a tree: leads, joints of several, converters, devices that take
 * constant watts. Volts V, amps A, ohms, watts W.
 */

/** What hangs on a point of the tree. */
export type Fed =
  | { is: 'device'; id: string; watts: number }
  | { is: 'lead'; id: string; ohms: number; to: Fed }
  /** Several outlets of one thing, at one voltage. */
  | { is: 'outlets'; id: string; to: readonly Fed[] }
  /** It holds the volts of its outlet, and takes for what is drawn there by its efficiency, 0 to 1. */
  | { is: 'converter'; id: string; volts: number; efficiency: number; to: Fed };

/** What comes in at a point: its volts, and what it draws. */
export interface At {
  volts: number;
  amps: number;
}

/** Amps that a branch draws at a voltage, how they change with it, and what comes in at each point. */
interface Drawn {
  amps: number;
  /** dI/dV: below 0, since constant watts draw less at more volts. */
  slope: number;
}

/** Newton's steps end when the volts no longer change by this share. */
const SETTLED = 1e-13;
const MOST_STEPS = 200;

/**
 * Volts and amps at every point.
 *
 * What a branch draws falls with its volts, and ever more slowly (it is convex: so is `P/V`, a sum of
 * such, and such behind a lead). So what is left behind a lead is the greater root of a convex function,
 * and Newton's method that begins above it comes down to it without passing it.
 *
 * @param volts at the source
 * @returns what comes in at each point, by its id; null where some lead does not pass what is drawn
 */
export function feed(volts: number, from: Fed): ReadonlyMap<string, At> | null {
  const solved: Solved = { at: new Map(), behind: new Map() };
  return drawn(volts, from, solved) ? solved.at : null;
}

interface Solved {
  at: Map<string, At>;
  /** Watts that a converter gives out: whatever comes in. Null where what hangs on it cannot be fed. */
  behind: Map<Fed, number | null>;
}

function drawn(volts: number, fed: Fed, solved: Solved): Drawn | null {
  if (!(volts > 0)) return null;
  const own = ownDraw(volts, fed, solved);
  if (own) solved.at.set(fed.id, { volts, amps: own.amps });
  return own;
}

function ownDraw(volts: number, fed: Fed, solved: Solved): Drawn | null {
  switch (fed.is) {
    case 'device':
      return constant(volts, fed.watts);
    case 'outlets': {
      let amps = 0;
      let slope = 0;
      for (const x of fed.to) {
        const one = drawn(volts, x, solved);
        if (!one) return null;
        amps += one.amps;
        slope += one.slope;
      }
      return { amps, slope };
    }
    case 'converter': {
      let watts = solved.behind.get(fed);
      if (watts === undefined) {
        const out = drawn(fed.volts, fed.to, solved);
        watts = out && fed.volts * out.amps;
        solved.behind.set(fed, watts);
      }
      return watts === null ? null : constant(volts, watts / fed.efficiency);
    }
    case 'lead':
      return throughLead(volts, fed.ohms, fed.to, solved);
  }
}

const constant = (volts: number, watts: number): Drawn => ({
  amps: watts / volts,
  slope: -watts / volts ** 2,
});

function throughLead(volts: number, ohms: number, to: Fed, solved: Solved): Drawn | null {
  let left = volts;
  for (let i = 0; i < MOST_STEPS; i++) {
    const end = drawn(left, to, solved);
    if (!end) return null;
    // How much too high it still is, and how fast that falls.
    const over = left + ohms * end.amps - volts;
    const fall = 1 + ohms * end.slope;
    if (Math.abs(over) <= SETTLED * volts)
      return fall > 0 ? { amps: end.amps, slope: end.slope / fall } : null;
    // Past the least of a convex function there is no root above.
    if (fall <= 0) return null;
    const next = left - over / fall;
    if (next >= left) return { amps: end.amps, slope: end.slope / fall };
    left = next;
  }
  return null;
}

/**
 * What {@link feed} comes to for one lead with one device on it, in closed form:
 * `I = 2 P / (V + sqrt(V^2 - 4 R P))`, which stays exact where little is lost.
 *
 * @returns null where the lead does not pass what is drawn
 */
export function overLead(volts: number, ohms: number, watts: number): At | null {
  const under = volts ** 2 - 4 * ohms * watts;
  if (!(volts > 0) || !(under > 0 || watts === 0)) return null;
  const amps = (2 * watts) / (volts + Math.sqrt(under));
  return { volts: volts - amps * ohms, amps };
}

/** A number that is known within two ends. */
export interface Ends {
  lo: number;
  hi: number;
}

/** As {@link Fed}, every number within its ends. */
export type FedWithin =
  | { is: 'device'; id: string; watts: Ends }
  | { is: 'lead'; id: string; ohms: Ends; to: FedWithin }
  | { is: 'outlets'; id: string; to: readonly FedWithin[] }
  | { is: 'converter'; id: string; volts: Ends; efficiency: Ends; to: FedWithin };

/** Volts and amps within their ends. */
export interface AtWithin {
  volts: Ends;
  amps: Ends;
}

/**
 * Volts and amps at every point, as far as the tolerances let them be. Volts rise with those of the
 * source, of a converter and its efficiency, and fall with every watt and every ohm, wherever it is;
 * amps the other way round. So the ends come of two settings, and are exact.
 *
 * @returns by id; null where even at its best some lead does not pass what is drawn; `sure` false where
 *   it may not, the low ends then being those of nothing at all
 */
export function feedWithin(
  volts: Ends,
  from: FedWithin,
): { at: ReadonlyMap<string, AtWithin>; sure: boolean } | null {
  const best = feed(volts.hi, setting(from, 'best'));
  if (!best) return null;
  const worst = feed(volts.lo, setting(from, 'worst'));
  const at = new Map<string, AtWithin>();
  for (const [id, b] of best) {
    const w = worst?.get(id);
    at.set(id, {
      volts: { lo: w?.volts ?? 0, hi: b.volts },
      amps: { lo: b.amps, hi: w?.amps ?? Infinity },
    });
  }
  return { at, sure: worst !== null };
}

function setting(fed: FedWithin, which: 'best' | 'worst'): Fed {
  const best = which === 'best';
  const little = (e: Ends) => (best ? e.lo : e.hi);
  const much = (e: Ends) => (best ? e.hi : e.lo);
  switch (fed.is) {
    case 'device':
      return { ...fed, watts: little(fed.watts) };
    case 'lead':
      return { ...fed, ohms: little(fed.ohms), to: setting(fed.to, which) };
    case 'outlets':
      return { ...fed, to: fed.to.map((x) => setting(x, which)) };
    case 'converter':
      return {
        ...fed,
        volts: much(fed.volts),
        efficiency: much(fed.efficiency),
        to: setting(fed.to, which),
      };
  }
}
