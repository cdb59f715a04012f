import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import { glassShift, USUAL_INDEX } from '../../../optics/backfocus';
import { exact } from '../../../quantity/say';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict, said } from '../../../checks/judge';
import { errorFormula, glassPlates, hasSlot } from '../model/flange';
import { mountFlange } from './flange';

export const mountGlassPath: Check = {
  id: 'mount.glass-path',
  title: 'Glass behind the lens',
  short: 'focus shifts',
  says: 'How far plane glass behind the lens (a drop-in filter, a filter stack) moves focus, and whether the sum of it and all flange errors stays inside the depth of focus. Pulling a drop-in filter out moves focus.',
  formula: 't (1 - 1/n) for each plate, taken from the flange error; the sum against N c',
  run(built) {
    const { body, lens } = built;
    if (!built.closed || !body || !lens) return [];
    const slots = built.links.filter(({ link }) => hasSlot(link));
    const plates = glassPlates(built);
    if (slots.length === 0 && plates.length === 0) return [];
    const about = [
      ...new Set([body.id, ...slots.map((s) => s.link.id), ...plates.map((p) => p.part)]),
    ];
    const base = { id: 'mount.glass-path', key: 'mount.glass-path', about, station: 0 };
    const [focus] = mountFlange.run(built);
    if (!focus) return [];
    const tested = errorFormula(built)?.tested !== null;
    const known = plates.every((p) => p.thickness.known && p.index.known);
    const shift = plates.reduce(
      (sum, p) =>
        sum + p.sign * glassShift(p.thickness.known?.value ?? NaN, p.index.known?.value ?? NaN),
      0,
    );
    const empty = slots.filter((s) => !plates.some((p) => p.part === s.link.id));
    const what = plates.map((p) => p.what).join(' and ');
    if (tested)
      return [
        plainVerdict({
          ...base,
          state: focus.state,
          margin: focus.margin,
          why: `What the glass behind the lens does is in the mark test of these pieces. Pulling it out, or putting it in, moves focus.`,
          sum: focus.sum,
          basis: focus.basis,
        }),
      ];
    const missing = plates.filter((p) => !p.thickness.known).map((p) => p.thickness.label);
    const moves =
      plates.length === 0
        ? `The slot of ${empty.map((s) => s.link.name).join(' and ')} is empty${withoutIt(empty)}`
        : known
          ? `Focus moves ${exact(Math.abs(shift), 2)} mm ${shift >= 0 ? 'back' : 'forward'} through ${what}`
          : `How far ${what} moves focus is not known: ${missing.join(' and ')} missing`;
    const taken =
      known && plates.some((p) => p.indexAssumed)
        ? ` The index of the glass is taken as ${USUAL_INDEX}.`
        : '';
    const comes: Record<Verdict['state'], string> = {
      ok: '; with all flange errors it comes out inside the depth of focus. Pulling it out moves focus.',
      tight: '; with all flange errors it may or may not stay inside the depth of focus.',
      fail: `; with all flange errors it comes out beyond the depth of focus.${empty.length > 0 ? ' Put clear glass of the thickness it is made for in.' : ''}`,
      unknown: '.',
    };
    return [{ ...said(focus), ...base, frame: null, why: `${moves}${comes[focus.state]}${taken}` }];
  },
};

/** How far focus moves for want of the glass an adapter is made for, where that is known. */
function withoutIt(empty: readonly { link: Built['links'][number]['link'] }[]): string {
  const shift = empty.reduce((sum, { link }) => {
    if ((link as { slotAllowedFor?: boolean }).slotAllowedFor !== true) return sum;
    const index = given(link, 'slotIndex').known?.value ?? USUAL_INDEX;
    return sum + glassShift(given(link, 'slotGlass').known?.value ?? NaN, index);
  }, 0);
  return shift > 0
    ? `: without the glass it is made for focus moves ${exact(shift, 2)} mm forward`
    : '';
}
