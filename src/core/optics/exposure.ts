/** Exposure: what a stack of filters costs and what the light asks for. Stops throughout. */

/** Exposure time, s. Source: 180 degrees at 24 frames a second is 1/48 s. */
export function shutterTime(angle: number, fps: number): number {
  return angle / (360 * fps);
}

/**
 * Shutter angles whose exposures are whole swings of lamps on the mains, smallest first, degrees.
 * Source: light swings at twice the frequency of the mains; `t = k / (2 f)`.
 *
 * @param mains frequency, Hz
 */
export function safeAngles(fps: number, mains: number): number[] {
  const most = Math.floor((2 * mains) / fps + 1e-9);
  const first = Math.max(1, most - MOST_SWINGS + 1);
  return Array.from(
    { length: Math.max(0, most - first + 1) },
    (_, i) => (360 * fps * (first + i)) / (2 * mains),
  );
}

/** Slow frame rates have thousands of safe angles: those of the longest exposures are told. */
const MOST_SWINGS = 500;

/** The safe angle nearest to one; null when an exposure is shorter than a swing at any. */
export function safeAngle(angle: number, fps: number, mains: number): number | null {
  const most = Math.floor((2 * mains) / fps + 1e-9);
  if (most < 1) return null;
  const k = Math.min(most, Math.max(1, Math.round((angle * 2 * mains) / (360 * fps))));
  return (360 * fps * k) / (2 * mains);
}

/** Whether every frame meets the lamps at the same point of their swing: nothing pulses. */
export function steady(fps: number, mains: number): boolean {
  const swings = (2 * mains) / fps;
  return Math.abs(swings - Math.round(swings)) < 1e-6;
}

/** Stops of a density: 0.3 is one stop. Source: density is the decimal logarithm of opacity. */
export function stopsOfDensity(density: number): number {
  return density / Math.log10(2);
}

export function densityOfStops(stops: number): number {
  return stops * Math.log10(2);
}

/**
 * Stop that a scene asks for without any filter. Source: definition of exposure value,
 * `2^EV = N^2 / t` at ISO 100.
 *
 * @param ev exposure value at ISO 100; @param time s
 */
export function sceneStop(ev: number, iso: number, time: number): number {
  return Math.sqrt(2 ** ev * (iso / 100) * time);
}

/**
 * Exposure value at ISO 100 of an illuminance. Source: incident meters, `N^2 / t = E S / C` with
 * C = 250 lx s for a flat receptor, inside the range ISO 2720 gives.
 */
export function evOfLux(lux: number): number {
  return Math.log2(lux / 2.5);
}

/** Stops between two T-stops: positive when `from` is the smaller opening. */
export function stopsBetween(from: number, to: number): number {
  return 2 * Math.log2(from / to);
}

/** A filter that can be put somewhere. */
export interface NdChoice {
  id: string;
  stops: number;
  /** How many of it there are. */
  count: number;
  /** Slots it goes into. */
  slots: readonly string[];
  /** Not on hand: would have to be hired. */
  hire: boolean;
}

export interface NdAnswer {
  /** Which filter goes into which slot. */
  put: { slot: string; filter: string }[];
  stops: number;
  /** Chosen less needed, stops. */
  error: number;
}

/**
 * Filters that take a wanted number of stops, in the slots that are free. Of those within the
 * tolerance the fewest pieces win, then what is on hand, then the smallest error; when none is
 * within it, the smallest error does, with the fewest pieces. Nothing at all is an answer too.
 */
export function chooseNd(
  need: number,
  slots: readonly string[],
  filters: readonly NdChoice[],
  tolerance: number,
): NdAnswer {
  let best: { answer: NdAnswer; key: number[] } | null = null;
  // Of filters that are alike no more are of use than there are slots.
  const alike = new Map<string, number>();
  const usable = filters.filter((f) => {
    if (f.count <= 0 || !f.slots.some((s) => slots.includes(s))) return false;
    const key = `${f.stops} ${f.hire} ${f.slots.join()}`;
    const there = alike.get(key) ?? 0;
    alike.set(key, there + f.count);
    return there < slots.length;
  });
  const chosen: NdChoice[] = [];
  const consider = () => {
    const stops = chosen.reduce((sum, f) => sum + f.stops, 0);
    const error = stops - need;
    const off = Math.round(Math.abs(error) * 1e9) / 1e9;
    const hire = chosen.filter((f) => f.hire).length;
    const within = off <= tolerance + 1e-9;
    const key = within ? [0, chosen.length, hire, off] : [1, off, chosen.length, hire];
    if (best && !less(key, best.key)) return;
    const put = assign(chosen, slots);
    if (put) best = { answer: { put, stops, error }, key };
  };
  const search = (from: number, left: number) => {
    consider();
    if (left === 0) return;
    for (let i = from; i < usable.length; i++) {
      const f = usable[i]!;
      if (chosen.filter((c) => c === f).length >= f.count) continue;
      chosen.push(f);
      search(i, left - 1);
      chosen.pop();
    }
  };
  search(0, slots.length);
  return best!.answer;
}

function less(a: readonly number[], b: readonly number[]): boolean {
  for (let i = 0; i < a.length; i++) {
    if (a[i]! !== b[i]!) return a[i]! < b[i]!;
  }
  return false;
}

/** A slot for each filter, or null when they do not all find one. */
function assign(
  filters: readonly NdChoice[],
  slots: readonly string[],
): { slot: string; filter: string }[] | null {
  const taken = new Map<string, number>();
  const place = (i: number, seen: Set<string>): boolean => {
    for (const s of filters[i]!.slots) {
      if (!slots.includes(s) || seen.has(s)) continue;
      seen.add(s);
      const holder = taken.get(s);
      if (holder === undefined || place(holder, seen)) {
        taken.set(s, i);
        return true;
      }
    }
    return false;
  };
  for (let i = 0; i < filters.length; i++) if (!place(i, new Set())) return null;
  return [...taken.entries()]
    .map(([slot, i]) => ({ slot, filter: filters[i]!.id }))
    .sort((a, b) => slots.indexOf(a.slot) - slots.indexOf(b.slot));
}
