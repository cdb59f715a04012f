import { AXES, numbered, type Filed, type Side, type Table } from './filed';

/** A number that is added to every weight: which, and how often above and below. */
interface Added {
  j: number;
  a: number;
  b: number;
  lacks: boolean;
}

/** What is added to every weight, each number once. */
function addedTo(table: Table, over: Side, under: Side): Added[] {
  const list: Added[] = [];
  const add = (s: Side, key: 'a' | 'b') => {
    for (const { g, k } of s.plus?.terms ?? []) {
      if (k === 0 && g.known !== null) continue;
      const j = numbered(table, g);
      const before = list.find((x) => x.j === j);
      if (before) before[key] += k;
      else list.push({ j, a: 0, b: 0, lacks: g.known === null, [key]: k });
    }
  };
  add(over, 'a');
  add(under, 'b');
  return list;
}

/** Room to work in, grown as it is needed: what is laid out in it stands until the next is. */
class Room {
  over = new Float64Array(0);
  under = new Float64Array(0);
  from = new Int32Array(1);
  i = new Int32Array(0);
  a = new Float64Array(0);
  b = new Float64Array(0);
  lo = new Float64Array(0);
  hi = new Float64Array(0);
  overs = new Float64Array(0);
  unders = new Float64Array(0);
  each = new Float64Array(0);
  /** Ends of one weight along x, y and z. */
  readonly least = new Float64Array(3);
  readonly most = new Float64Array(3);
  // Which of what is added a number is, and in which weight that came last: neither, mostly.
  added = new Int32Array(0);
  done = new Int32Array(0);

  hold(weights: number, numbers: number, terms: number): void {
    if (this.over.length < weights) {
      for (const key of ['over', 'under', 'overs', 'unders'] as const)
        this[key] = new Float64Array(2 * weights);
      this.from = new Int32Array(2 * weights + 1);
    }
    if (this.each.length < numbers) {
      this.each = new Float64Array(2 * numbers);
      this.added = new Int32Array(2 * numbers).fill(-1);
      this.done = new Int32Array(2 * numbers).fill(-1);
    }
    if (this.i.length < terms) {
      this.i = new Int32Array(2 * terms);
      for (const key of ['a', 'b', 'lo', 'hi'] as const) this[key] = new Float64Array(2 * terms);
    }
  }
}

const room = new Room();

/** Both sums of a quotient by weights. */
interface Sums {
  /** How many weights; their masses by place in the table. */
  n: number;
  mass: Int32Array;
  /** Constants of both sums, and where the terms of each weight begin. */
  over: Float64Array;
  under: Float64Array;
  from: Int32Array;
  a: Float64Array;
  b: Float64Array;
}

/** What the interval of a quotient wants: terms with their ends, numbers along one axis put together. */
export interface Ends extends Sums {
  table: Table;
  lo: Float64Array;
  hi: Float64Array;
  /** Nothing but masses stands below. */
  mean: boolean;
  /** Room for both sums of each weight, and for something of each number. */
  overs: Float64Array;
  unders: Float64Array;
  each: Float64Array;
}

/** What its formula wants: each number by itself, once in a weight, by its place in the table. */
export interface Rows extends Sums {
  i: Int32Array;
  each: Float64Array;
}

/** What both layouts of a quotient begin with. */
function begun(f: Filed, over: Side, under: Side) {
  const { table, at } = f;
  const list = addedTo(table, over, under);
  const w = f.mass.length;
  // Three more for each weight: what is along one axis only.
  let terms = w * (list.length + 3);
  for (const { i } of at) terms += i.length;
  room.hold(w, table.numbers.length, terms);
  list.forEach(({ j }, n) => (room.added[j] = n));
  const o = AXES.map((axis) => over[axis] ?? 0);
  const u = AXES.map((axis) => under[axis] ?? 0);
  const used = AXES.reduce((bits, _, k) => bits | (o[k] !== 0 || u[k] !== 0 ? 1 << k : 0), 0);
  const [plusOver, plusUnder] = [over.plus?.c ?? 0, under.plus?.c ?? 0];
  for (let p = 0; p < w; p++) {
    const { c } = at[p]!;
    const on = f.on[p] === 1;
    room.over[p] = o[0]! * c[0]! + o[1]! * c[1]! + o[2]! * c[2]! + (on ? plusOver : 0);
    room.under[p] = u[0]! * c[0]! + u[1]! * c[1]! + u[2]! * c[2]! + (on ? plusUnder : 0);
  }
  room.from[0] = 0;
  return { list, w, o, u, used };
}

const forget = (list: readonly Added[]) => {
  for (const { j } of list) room.added[j] = room.done[j] = -1;
};

/** A quotient of what was filed, each number by itself: what stands in both sums once. */
export function rowsOf(f: Filed, over: Side, under: Side): Rows {
  const { list, w, o, u, used } = begun(f, over, under);
  const { added, done, i, a, b } = room;
  const { value } = f.table;
  let end = 0;
  for (let p = 0; p < w; p++) {
    const on = f.on[p] === 1;
    const { i: which, axes, k } = f.at[p]!;
    for (let t = 0; t < which.length; t++) {
      if ((axes[t]! & used) === 0) continue;
      const j = which[t]!;
      let ka = o[0]! * k[3 * t]! + o[1]! * k[3 * t + 1]! + o[2]! * k[3 * t + 2]!;
      let kb = u[0]! * k[3 * t]! + u[1]! * k[3 * t + 1]! + u[2]! * k[3 * t + 2]!;
      const n = added[j]!;
      if (on && n >= 0) {
        ka += list[n]!.a;
        kb += list[n]!.b;
        done[j] = p;
      }
      // What moves both as the rig does cancels; what is missing is an input all the same.
      if (ka === 0 && kb === 0 && !Number.isNaN(value[j]!)) continue;
      a[end] = ka;
      b[end] = kb;
      i[end++] = j;
    }
    if (on)
      for (const { j, a: ka, b: kb, lacks } of list) {
        if (done[j] === p || (ka === 0 && kb === 0 && !lacks)) continue;
        a[end] = ka;
        b[end] = kb;
        i[end++] = j;
      }
    room.from[p + 1] = end;
  }
  forget(list);
  return {
    n: w,
    mass: f.mass,
    over: room.over,
    under: room.under,
    from: room.from,
    a,
    b,
    i,
    each: room.each,
  };
}

/** A quotient of what was filed, as its interval is worked out; every number of it has to be known. */
export function endsOf(f: Filed, over: Side, under: Side): Ends {
  const { list, w, o, u, used } = begun(f, over, under);
  const { added, done, a, b, lo, hi, from, least, most } = room;
  const { table } = f;
  const [low, high] = [table.lo, table.hi];
  let end = 0;
  let mean = true;
  for (let p = 0; p < w; p++) {
    const on = f.on[p] === 1;
    const { i: which, axes, k, lo: ownLo, hi: ownHi } = f.at[p]!;
    for (let axis = 0; axis < 3; axis++) {
      least[axis] = ownLo[axis]!;
      most[axis] = ownHi[axis]!;
    }
    for (let t = 0; t < which.length; t++) {
      const j = which[t]!;
      const n = on ? added[j]! : -1;
      const bits = axes[t]!;
      const axis = bits === 1 ? 0 : bits === 2 ? 1 : bits === 4 ? 2 : -1;
      if ((n < 0 && axis >= 0) || (bits & used) === 0) continue;
      let ka = o[0]! * k[3 * t]! + o[1]! * k[3 * t + 1]! + o[2]! * k[3 * t + 2]!;
      let kb = u[0]! * k[3 * t]! + u[1]! * k[3 * t + 1]! + u[2]! * k[3 * t + 2]!;
      if (n >= 0) {
        ka += list[n]!.a;
        kb += list[n]!.b;
        done[j] = p;
        if (axis >= 0) {
          // It is taken out of what stands together: by itself it may cancel.
          const factor = k[3 * t + axis]!;
          least[axis]! -= factor * (factor > 0 ? low[j]! : high[j]!);
          most[axis]! -= factor * (factor > 0 ? high[j]! : low[j]!);
        }
      }
      if (ka === 0 && kb === 0) continue;
      a[end] = ka;
      b[end] = kb;
      lo[end] = low[j]!;
      hi[end++] = high[j]!;
      if (kb !== 0) mean = false;
    }
    for (let axis = 0; axis < 3; axis++) {
      if ((used & (1 << axis)) === 0) continue;
      a[end] = o[axis]!;
      b[end] = u[axis]!;
      lo[end] = least[axis]!;
      hi[end++] = most[axis]!;
      if (u[axis] !== 0) mean = false;
    }
    if (on)
      for (let n = 0; n < list.length; n++) {
        const { j, a: ka, b: kb } = list[n]!;
        if (done[j] === p || (ka === 0 && kb === 0)) continue;
        a[end] = ka;
        b[end] = kb;
        lo[end] = low[j]!;
        hi[end++] = high[j]!;
        if (kb !== 0) mean = false;
      }
    from[p + 1] = end;
  }
  forget(list);
  const { over: c, under: d, overs, unders, each } = room;
  return {
    table,
    n: w,
    mass: f.mass,
    over: c,
    under: d,
    from,
    a,
    b,
    lo,
    hi,
    mean,
    overs,
    unders,
    each,
  };
}

/** The numbers that rows rest on by their place in the table, each once, as they come up. */
export function restsOn(r: Rows): number[] {
  const out: number[] = [];
  const seen = r.each.fill(0);
  for (let p = 0; p < r.n; p++) {
    const m = r.mass[p]!;
    if (seen[m] === 0) {
      seen[m] = 1;
      out.push(m);
    }
    const end = r.from[p + 1]!;
    for (let t = r.from[p]!; t < end; t++) {
      const j = r.i[t]!;
      if (seen[j] !== 0) continue;
      seen[j] = 1;
      out.push(j);
    }
  }
  return out;
}
