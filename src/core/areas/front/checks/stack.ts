import { boxStation, threadStation } from '../place/layout';
import { glassOf, polarises, type Glass } from '../../light/model/light';
import { fieldOfView } from '../../../optics/field';
import { modeSize, framingSqueeze } from '../../../build/circle';
import { exact } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, lacking, plainVerdict } from '../../../checks/judge';

/** From this field on a variable ND shows its cross before its end, degrees. Common practice, no source. */
const WIDE = 60;

export const frontStack: Check = {
  id: 'front.stack',
  title: 'The stack of filters',
  short: 'filters clash',
  says: 'How many pieces of glass stand in front, and whether two of them polarise: a polariser before a variable ND is a second variable ND. A variable ND shows a dark cross past its end, sooner on wide lenses.',
  formula: 'pieces <= rule; polarising pieces <= 1',
  run(built) {
    const glass = glassOf(built).filter((g) => g.place.kind !== 'wheel');
    if (glass.length === 0) return [];
    const list: Verdict[] = [];
    const placeOf = ({ place }: Glass) =>
      place.kind === 'thread'
        ? threadStation(built, place.index)
        : place.kind === 'tray'
          ? boxStation(built, place.stage)
          : null;
    const ahead = glass.filter((g) => g.place.kind !== 'slot');
    const most = built.rules['front.glass-pieces'];
    const about = glass.map((g) => g.part.id);
    if (ahead.length > 0)
      list.push(
        plainVerdict({
          id: 'front.stack',
          key: 'front.stack:pieces',
          about,
          state: ahead.length > most ? 'tight' : 'ok',
          margin: {
            value: most - ahead.length,
            lo: most - ahead.length,
            hi: most - ahead.length,
            unit: '',
          },
          limit: { value: most, unit: '', rule: 'front.glass-pieces' },
          why:
            ahead.length > most
              ? `${ahead.length} pieces of glass in front, ${most} wanted at most: softer, and more flare.`
              : `${ahead.length} ${ahead.length === 1 ? 'piece' : 'pieces'} of glass in front: ${inWords(ahead.map((g) => g.part.name))}.`,
          sum: ahead.map((g) => `${g.part.name} ${g.where}`).join(', '),
          basis: ruleBasis('front.glass-pieces'),
        }),
      );
    const poles = glass.filter((g) => polarises(g.type));
    if (poles.length > 1)
      list.push(
        plainVerdict({
          id: 'front.stack',
          key: 'front.stack:crossed',
          about: poles.map((g) => g.part.id),
          station: placeOf(poles[0]!),
          state: 'fail',
          why: `${inWords(poles.map((g) => `${g.part.name} ${g.where}`))} cross: two polarisers darken each other by anything from nothing to black, and unevenly. Take one out.`,
          sum: `${poles.length} polarising pieces`,
          basis: '[trade] a variable ND is two polarisers',
        }),
      );
    const nameless = glass.filter((g) => g.type === undefined);
    if (nameless.length > 0)
      list.push(
        plainVerdict({
          id: 'front.stack',
          key: 'front.stack:kind',
          about: nameless.map((g) => g.part.id),
          state: 'unknown',
          why: `What ${inWords(nameless.map((g) => g.part.name))} does is not known: it may polarise.`,
          sum: 'the type of a filter is not known',
          basis: '[trade]',
        }),
      );
    for (const g of glass) {
      if (g.type !== 'variable-nd' || poles.length > 1) continue;
      const range = [g.least, g.most].filter((q) => !q.known);
      const [w] = modeSize(built);
      const lost = [...range, ...[w, built.focal, ...built.magnifications].filter((q) => !q.known)];
      let f = built.focal.known?.value ?? null;
      for (const m of built.magnifications) f = f !== null && m.known ? f * m.known.value : null;
      const field =
        w.known && f !== null ? fieldOfView(w.known.value * framingSqueeze(built), f) : null;
      const wide = field !== null && field > WIDE;
      list.push(
        plainVerdict({
          id: 'front.stack',
          key: 'front.stack:variable',
          about: [g.part.id],
          state: lost.length > 0 ? 'unknown' : wide ? 'tight' : 'ok',
          why:
            range.length > 0
              ? `The range of ${g.part.name} is not known; past its end it shows a dark cross.`
              : lost.length > 0
                ? `${g.part.name} shows a dark cross before its end on wide lenses; how wide this one is is not known: ${inWords(lost.map((q) => q.label))} is missing.`
                : `${g.part.name} goes from ${exact(g.least.known!.value, 1)} to ${exact(g.most.known!.value, 1)} stops; past its end it shows a dark cross${wide ? `, and at ${exact(field, 0)} degrees across it shows before that` : ''}.`,
          sum:
            range.length > 0
              ? 'range not known'
              : `field ${field === null ? 'not known' : `${exact(field, 1)} deg`}, from ${WIDE} deg on a cross shows early`,
          measure: lacking(lost),
          basis: '[trade]',
        }),
      );
    }
    return list;
  },
};
