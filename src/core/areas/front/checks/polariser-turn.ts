import { frontOf } from '../place/front';
import { boxStation, threadStation } from '../place/layout';
import { mustTurn } from '../../light/model/light';
import { isFilter, isReducer } from '../../../kit/types';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict } from '../../../checks/judge';

export const frontPolariserTurn: Check = {
  id: 'front.polariser-turn',
  title: 'Filters that must be turned',
  short: 'cannot be turned',
  says: 'Whether a polariser, variable ND or streak filter sits where it can be turned: in a rotating stage, or on the thread with nothing over it.',
  formula: 'stage rotates',
  run(built) {
    const { box, thread } = frontOf(built);
    const list: Verdict[] = [];
    const say = (
      key: string,
      part: string,
      about: string[],
      state: Verdict['state'],
      why: string,
      station: number | null,
    ) =>
      list.push(
        plainVerdict({
          id: 'front.polariser-turn',
          key: `front.polariser-turn:${key}`,
          about: [part, ...about],
          station,
          state,
          why,
          sum: why,
          basis: '[trade]',
        }),
      );
    for (const s of box?.stages ?? []) {
      if (!s.filter || s.out) continue;
      if (s.filter.type === undefined && s.filter.mustRotate === undefined)
        say(
          s.stage.id,
          s.filter.id,
          [box!.box.id],
          'unknown',
          `Whether ${s.filter.name} has to be turned is not known: it does not say what it does.`,
          boxStation(built, s.stage.id),
        );
      if (!mustTurn(s.filter)) continue;
      if (s.stage.rotates === undefined)
        say(
          s.stage.id,
          s.filter.id,
          [box!.box.id],
          'unknown',
          `${s.filter.name} has to be turned; whether ${s.stage.name} of ${box!.box.name} rotates is not known.`,
          boxStation(built, s.stage.id),
        );
      else
        say(
          s.stage.id,
          s.filter.id,
          [box!.box.id],
          s.stage.rotates ? 'ok' : 'fail',
          s.stage.rotates
            ? `${s.filter.name} turns in ${s.stage.name}.`
            : `${s.filter.name} has to be turned, and ${s.stage.name} of ${box!.box.name} is fixed.`,
          boxStation(built, s.stage.id),
        );
    }
    for (const t of thread) {
      if (!isFilter(t.part)) continue;
      if (box && t.part.type === undefined && t.part.mustRotate === undefined)
        say(
          `thread-${t.index}`,
          t.part.id,
          [box.box.id],
          'unknown',
          `Whether ${t.part.name} has to be turned is not known: it does not say what it does.`,
          threadStation(built, t.index),
        );
      if (!mustTurn(t.part)) continue;
      say(
        `thread-${t.index}`,
        t.part.id,
        box ? [box.box.id] : [],
        box ? 'tight' : 'ok',
        box
          ? `${t.part.name} has to be turned, and ${box.box.name} stands over it: it comes off each time.`
          : `${t.part.name} turns on the thread.`,
        threadStation(built, t.index),
      );
    }
    for (const { link, use } of built.links)
      if (!isReducer(link) && link.slotType === 'polariser' && (use.slot ?? 'glass') === 'glass')
        say(
          `slot-${link.id}`,
          link.id,
          [],
          'tight',
          `The polariser in ${link.name} sits behind the lens: turn it by its wheel, and set focus again after.`,
          null,
        );
    return list;
  },
};
