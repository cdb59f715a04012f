import type { Built } from '../build/build';
import { constant, exactly, given, type Given } from '../build/given';
import { glassShift, USUAL_INDEX } from '../optics/backfocus';
import { exact, signed } from '../quantity/say';
import { absolute, spread } from '../quantity/spread';
import { isReducer, type Adapter } from '../kit/types';
import type { Check } from './check';
import type { Verdict } from './finding';
import { judge, plainVerdict } from './judge';
import { chipStop, chipStopValue } from '../build/chip-stop';
import { confusion } from './mount-flange';

interface Plate {
  thickness: Given;
  index: Given;
  /** +1: there but not allowed for; -1: allowed for but not there. */
  sign: 1 | -1;
  what: string;
  part: string;
  indexAssumed: boolean;
}

function indexOf(part: Adapter | { id: string; name: string; kind: string }, key: string): Given {
  return given(part as Adapter, key);
}

/** Plane glass behind the lens that is there but not allowed for, or the other way round. */
function plates(built: Built): Plate[] {
  const list: Plate[] = [];
  for (const { link, use } of built.links) {
    if (isReducer(link) || link.slotGlass === undefined) continue;
    const inside = (use.slot ?? 'glass') === 'glass';
    const allowed = link.slotAllowedFor === true;
    if (inside === allowed) continue;
    const index = indexOf(link, 'slotIndex');
    list.push({
      thickness: given(link, 'slotGlass'),
      index: index.known ? index : { ...index, known: exactly(USUAL_INDEX) },
      sign: inside ? 1 : -1,
      what: inside ? `the glass in ${link.name}` : `the empty slot of ${link.name}`,
      part: link.id,
      indexAssumed: !index.known,
    });
  }
  const { body, lens } = built;
  if (body && lens && lens.expectedGlass !== undefined) {
    const index = given(body, 'stackIndex');
    const used = index.known ? index : { ...index, known: exactly(USUAL_INDEX) };
    list.push({
      thickness: given(body, 'stackGlass'),
      index: used,
      sign: 1,
      what: `the glass over the chip of ${body.name}`,
      part: body.id,
      indexAssumed: !index.known,
    });
    list.push({
      thickness: given(lens, 'expectedGlass'),
      index: used,
      sign: -1,
      what: `the glass ${lens.name} is designed for`,
      part: lens.id,
      indexAssumed: !index.known,
    });
  }
  return list;
}

export const mountGlassPath: Check = {
  id: 'mount.glass-path',
  title: 'Glass behind the lens',
  short: 'focus shifts',
  says: 'Whether plane glass behind the lens (a drop-in filter, a filter stack) moves focus by more than the depth of focus. Pulling a drop-in filter out moves it back.',
  formula: 't (1 - 1/n) for each plate not allowed for, against N c',
  run(built) {
    if (!built.closed || !built.body || !built.lens) return [];
    const slots = built.links.filter(
      ({ link }) => !isReducer(link) && link.slotGlass !== undefined,
    );
    const list = plates(built);
    const about = [
      built.body.id,
      ...slots.map((s) => s.link.id),
      ...new Set(list.map((p) => p.part)),
    ].filter((id, i, all) => all.indexOf(id) === i);
    if (list.length === 0) {
      if (slots.length === 0) return [];
      return [
        plainVerdict({
          id: 'mount.glass-path',
          about,
          state: 'ok',
          why: `The glass behind the lens is as ${slots.map((s) => s.link.name).join(' and ')} allows for. Pulling it out moves focus.`,
          sum: 'no glass that is not allowed for: shift 0 mm',
          basis: '[math]',
        }),
      ];
    }
    const conf = confusion(built);
    const stops = chipStop(built);
    const c = constant('circle of confusion', 'mm', conf ? exactly(conf.c) : null);
    const inputs = [...list.flatMap((p) => [p.thickness, p.index]), ...stops, c];
    const shift = (x: readonly number[]) =>
      list.reduce((sum, p, i) => sum + p.sign * glassShift(x[2 * i]!, x[2 * i + 1]!), 0);
    const k = list.length * 2;
    const depth = (x: readonly number[]) =>
      chipStopValue(built, x.slice(k, k + stops.length)) * x[x.length - 1]!;
    const ready = inputs.every((g) => g.known !== null);
    const ranges = inputs.map((g) => g.known!);
    const s = ready ? spread(ranges.slice(0, k), shift) : null;
    const d = ready ? spread(ranges, depth) : null;
    const assumed = list.some((p) => p.indexAssumed)
      ? 'The index of the glass is taken as 1.517.'
      : null;
    const verdict: Verdict = judge({
      id: 'mount.glass-path',
      about,
      station: 0,
      inputs,
      margin: (x) => depth(x) - shift(x),
      after: (o) => {
        const a = absolute(s!);
        return { ...o, value: d!.value - a.value, lo: d!.lo - a.hi, hi: d!.hi - a.lo };
      },
      unit: 'mm',
      limit: d ? { value: d.value, unit: 'mm', rule: null } : null,
      assumed,
      why: (o) => {
        const by = `${exact(Math.abs(s!.value), 2)} mm ${s!.value >= 0 ? 'back' : 'forward'}`;
        const what = list.map((p) => p.what).join(' and ');
        return o.state === 'ok'
          ? `Focus moves ${by} through ${what}, inside the depth of focus of \u00b1${exact(d!.value, 3)} mm.`
          : o.state === 'fail'
            ? `Focus moves ${by} through ${what}; the depth of focus is \u00b1${exact(d!.value, 3)} mm. ${s!.value < 0 ? 'Put clear glass of the same thickness in.' : 'The marks no longer read right.'}`
            : `Focus moves ${by} (${signed(s!.lo, 2)} to ${signed(s!.hi, 2)}) through ${what}; the depth of focus is \u00b1${exact(d!.value, 3)} mm.`;
      },
      sum: (o) =>
        `shift = sum of t (1 - 1/n) = ${list.map((p) => `${p.sign < 0 ? '-' : ''}${exact(p.thickness.known!.value, 2)} x (1 - 1/${exact(p.index.known!.value, 3)})`).join(' + ')} = ${signed(s!.value, 3)} mm; N c = ${exact(d!.value, 4)} mm; margin ${exact(o.value, 3)} mm`,
      lacking: (missing) => `How far glass moves focus is not known: ${missing} missing.`,
      basis: '[math]',
    });
    return [verdict];
  },
};
