import { at, type Lin } from '../../../build/lin';
import type { Built } from '../../../build/build';
import type { SeenPiece, Weighing } from '../../../kit/types';
import { exact, sayLength, sayMass } from '../../../quantity/say';
import { hangingOn } from '../../joints/model/seats';
import { balanceOf, centreOf, degrees, leaning } from './balance';
import { HANGS } from './hold';
import { isOf, measuredOf, weighedAs } from './rows';
import { endsOfTotal, weightsOf } from './weighed';
import { unweighed } from './weights';

/** What is measured, and of what. */
export interface Measuring {
  what: Weighing['what'];
  axis?: Weighing['axis'];
  /** A use on the rig: it and all that hangs on it were on the scale; the whole rig when absent. */
  only?: string;
}

interface Ends {
  value: number;
  lo: number;
  hi: number;
}

/** What would be measured by all that is known so far; null where that says nothing. */
export function forecastOf(built: Built, m: Measuring): Ends | null {
  if (m.what === 'scale') return massOfSome(built, m.only);
  if (m.only !== undefined || m.axis === undefined) return null;
  if (m.what === 'edge') {
    const q = centreOf(built)[{ x: 0, y: 1, z: 2 }[m.axis] as 0 | 1 | 2];
    return q.inputs.some((g) => g.known === null) ? null : endsOf(q.spread());
  }
  const b = balanceOf(built);
  if (!b || !HANGS.has(b.hold.kind) || m.axis === 'y') return null;
  if (b.above.inputs.some((g) => g.known === null) || b.above.spread().hi >= 0) return null;
  const s = leaning(b, m.axis === 'z' ? b.fore : b.side).spread();
  return { value: degrees(s.value), lo: degrees(s.lo), hi: degrees(s.hi) };
}

const endsOf = ({ value, lo, hi }: Ends): Ends => ({ value, lo, hi });

/** Keys of what is measured; null for all of it. */
function some(built: Built, only: string | undefined): ReadonlySet<string> | null {
  return only === undefined ? null : new Set(hangingOn(built, only));
}

function massOfSome(built: Built, only: string | undefined): Ends | null {
  const keys = some(built, only);
  const list = weightsOf(built).filter((w) => !keys || keys.has(w.key));
  if (list.length === 0) return null;
  return endsOfTotal({
    inputs: list.map((w) => w.mass),
    counts: list.map(() => 1),
  });
}

const round = (x: number) => Math.round(x * 100) / 100 + 0;

/**
 * A measurement as it is kept: what was on and where, so that it stays true of what is moved later.
 *
 * @param id of the record; @param value g, mm or degrees
 */
export function weighingOf(
  built: Built,
  id: string,
  m: Measuring,
  value: Weighing['value'],
  when: string,
): Weighing {
  const keys = some(built, m.only);
  const on = unweighed(built)
    .filter((w) => !keys || keys.has(w.key))
    .map((w): SeenPiece => {
      const known = w.at.every((l) => Number.isFinite(l.loose));
      const three = (f: (k: 0 | 1 | 2) => number) =>
        [round(f(0)), round(f(1)), round(f(2))] as const;
      return {
        part: w.part.id,
        key: w.key,
        at: three((k) => w.middle[k]),
        size: three((k) => w.size[k]),
        off: three((k) => valueAt(w.at[k]) - w.middle[k]),
        ...(known ? { loose: three((k) => w.at[k].loose + 0.01) } : {}),
      };
    });
  const b = m.what === 'hung' ? balanceOf(built) : null;
  const forecast = forecastOf(built, m);
  const hold = b && ([0, 1, 2] as const).map((k) => valueAt(b.hold.at[k]));
  return {
    id,
    parts: [...new Set(on.map((s) => s.part))],
    rig: built.rig.id.split(' ')[0]!,
    when,
    what: m.what,
    value,
    ...(m.axis === undefined ? {} : { axis: m.axis }),
    on,
    ...(hold ? { hold: [round(hold[0]!), round(hold[1]!), round(hold[2]!)] as const } : {}),
    ...(b && built.rig.upright ? { upright: built.rig.upright } : {}),
    ...(forecast
      ? {
          forecast: {
            value: round(forecast.value),
            lo: round(forecast.lo),
            hi: round(forecast.hi),
          },
        }
      : {}),
  };
}

const valueAt = (l: Lin) => at(l, (g) => g.known?.value ?? 0);

/** A line of the log: what was measured, what had been forecast, and what came of it. */
export interface LogLine {
  id: string;
  when: string;
  what: string;
  measured: string;
  forecast: string;
  /** How far off the forecast was; empty where there was none. */
  off: string;
  state: 'inside' | 'outside' | 'none';
  /** It is of this rig, so that its places count here. */
  here: boolean;
  /** The numbers of the parts cannot explain it. */
  against: boolean;
}

/** `5.42 kg`, `38 mm ahead of the image plane`, `4.9 deg nose down`. */
export function sayMeasured(m: Pick<Weighing, 'what' | 'axis'>, value: number): string {
  if (m.what === 'scale') return sayMass(value);
  const [more, less] = WAYS[m.what][m.axis ?? 'z'];
  const size = Math.abs(value);
  return m.what === 'edge'
    ? `${sayLength(size, 0)} ${value >= 0 ? more : less}`
    : `${exact(size, 1)} deg ${value >= 0 ? more : less}`;
}

const WAYS = {
  edge: {
    x: ['to camera right of the axis', 'to camera left of the axis'],
    y: ['over the axis', 'under the axis'],
    z: ['ahead of the image plane', 'behind the image plane'],
  },
  hung: {
    x: ['right side down', 'left side down'],
    y: ['', ''],
    z: ['nose down', 'nose up'],
  },
} as const;

const WHAT = { scale: 'on a scale', edge: 'on an edge', hung: 'as it hangs' } as const;

/** The log of a job, latest first, forecast beside what came. */
export function logOf(built: Built): LogLine[] {
  return [...(built.job.weighings ?? [])].reverse().map((w): LogLine => {
    const value = weighedAs(w);
    const f = w.forecast;
    const all =
      w.parts.length === 1
        ? (built.kit.get(w.parts[0]!)?.name ?? 'one part')
        : `${w.on.length} pieces`;
    const inside = !!f && !!value && value.hi >= f.lo && value.lo <= f.hi;
    return {
      id: w.id,
      when: w.when ?? '',
      what: `${all} ${WHAT[w.what]}`,
      measured: value ? sayMeasured(w, value.value) : 'no number',
      forecast: f ? saySpan(w, f) : 'nothing could be forecast',
      off: f && value ? offBy(w, value.value - f.value) : '',
      state: f && value ? (inside ? 'inside' : 'outside') : 'none',
      here: w.what === 'scale' || isOf(w, built),
      against: measuredOf(built).against.has(w.id),
    };
  });
}

const between = (w: Pick<Weighing, 'what'>, f: { lo: number; hi: number }) =>
  w.what === 'scale'
    ? `${sayMass(f.lo)} to ${sayMass(f.hi)}`
    : w.what === 'edge'
      ? `${sayLength(f.lo, 0)} to ${sayLength(f.hi, 0)}`
      : `${exact(f.lo, 1)} to ${exact(f.hi, 1)} deg`;

/** A forecast as it is said: `5.42 kg (5.38 to 5.46 kg)`. */
export const saySpan = (m: Measuring, f: { value: number; lo: number; hi: number }): string =>
  `${sayMeasured(m, f.value)} (${between(m, f)})`;

function offBy(w: Weighing, by: number): string {
  const more = by >= 0;
  if (w.what === 'scale')
    return `${sayMass(Math.abs(by))} ${more ? 'heavier' : 'lighter'} than forecast`;
  const [up, down] = { x: ['right', 'left'], y: ['up', 'down'], z: ['ahead', 'back'] }[
    w.axis ?? 'z'
  ] as [string, string];
  return w.what === 'edge'
    ? `${sayLength(Math.abs(by), 0)} farther ${more ? up : down} than forecast`
    : `${exact(Math.abs(by), 1)} deg more ${more ? sayDown(w) : 'the other way'} than forecast`;
}

const sayDown = (w: Weighing) => WAYS.hung[w.axis ?? 'z'][0];

/** What may be weighed by itself with all that hangs on it: what something hangs on. */
export function scalable(built: Built): { use: string; name: string }[] {
  return (built.rig.fitted ?? [])
    .map((u) => ({
      use: u.id,
      name: built.kit.get(u.part)?.name ?? u.part,
      n: hangingOn(built, u.id).length,
    }))
    .filter((u) => u.n > 1)
    .map(({ use, name, n }) => ({ use, name: `${name} and what is on it (${n} pieces)` }));
}

/** A correction in words: the name apart, so that it can be pressed. */
export interface CorrectedLine {
  part: string;
  of: 'mass' | 'x' | 'y' | 'z';
  name: string;
  text: string;
}

/** What the log corrected, most first: `: 655 g (640 to 670 g), was 620 g (595 to 645 g)`. */
export function correctedWords(built: Built): CorrectedLine[] {
  const m = measuredOf(built);
  return [...m.corrections]
    .sort((a, b) => weight(b) - weight(a))
    .map((c) => {
      const say = c.of === 'mass' ? sayMass : (v: number) => sayLength(v, 0);
      const what = c.of === 'mass' ? '' : `, ${AXIS_WORDS[c.of]}`;
      const range = `${say(c.now.lo)} to ${say(c.now.hi)}`;
      const was = c.was
        ? `was ${say(c.was.value)} (${say(c.was.lo)} to ${say(c.was.hi)})`
        : 'was not known';
      const text = `${what}: ${say(c.now.value)} (${range}), ${was}`;
      return { part: c.part, of: c.of, name: c.name, text };
    });
}

const AXIS_WORDS = {
  x: 'its weight off the middle to camera right',
  y: 'its weight off the middle upwards',
  z: 'its weight off the middle forwards',
} as const;

const weight = (c: ReturnType<typeof measuredOf>['corrections'][number]) =>
  c.was === null ? Infinity : 1 - (c.now.hi - c.now.lo) / Math.max(1e-9, c.was.hi - c.was.lo);

/** Whether a rig can be hung, and so its lean be read. */
export const hangs = (built: Built): boolean => {
  const by = built.rig.carry?.by;
  return by !== undefined && HANGS.has(by);
};
