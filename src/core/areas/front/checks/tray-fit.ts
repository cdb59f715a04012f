import { frontOf } from '../place/front';
import { boxStation } from '../place/layout';
import { given } from '../../../build/given';
import { stageFit } from '../../light/model/light';
import { tray } from '../kit/trays';
import type { Check } from '../../../checks/check';
import type { State, Verdict } from '../../../checks/finding';
import { lacking, plainVerdict } from '../../../checks/judge';

export const frontTrayFit: Check = {
  id: 'front.tray-fit',
  tried: () => true,
  title: 'Filters in their trays',
  short: 'filter does not fit',
  says: 'Whether each filter goes into the tray it is put in, with or without an insert.',
  formula: 'size of the glass = size of the tray, within 1 mm',
  run(built) {
    const { box } = frontOf(built);
    if (!box) return [];
    const list: Verdict[] = [];
    for (const s of box.stages) {
      if (!s.filter || s.out) continue;
      const f = s.filter;
      const fit = stageFit(box.box, s.stage.id, f);
      const t = tray(s.stage.tray);
      const sizes = [t, tray(s.stage.tray2)].filter((x) => x !== null);
      const named = sizes.map((x) => x.name).join(' or ');
      const where = `${s.stage.name} of ${box.box.name}${named ? ` (${named})` : ''}`;
      const state: State = (
        { fits: 'ok', insert: 'tight', no: 'fail', unknown: 'unknown' } as const
      )[fit];
      const lost = !t
        ? [given(box.box, 'stages', s.stage.id, 'tray')]
        : f.shape === 'round'
          ? [given(f, 'diameter')]
          : [given(f, 'width'), given(f, 'height')].filter((g) => !g.known);
      list.push(
        plainVerdict({
          id: 'front.tray-fit',
          key: `front.tray-fit:${s.stage.id}`,
          about: [f.id, box.box.id],
          station: boxStation(built, s.stage.id),
          state,
          why: {
            fits: `${f.name} goes into ${where}.`,
            insert: `${f.name} is smaller than ${where}: it needs an insert.`,
            no:
              f.shape === 'screw'
                ? `${f.name} screws in; ${where} takes plates.`
                : `${f.name} does not go into ${where}.`,
            unknown: `Whether ${f.name} goes into ${where} is not known: a size is missing.`,
          }[fit],
          sum:
            sizes.length > 0
              ? `tray ${sizes.map((x) => (x.round ? `${x.w} round` : `${x.w} x ${x.h}`)).join(' or ')} mm`
              : 'tray size not known',
          measure: fit === 'unknown' && t ? lacking(lost) : [],
          basis: '[trade] tray sizes',
        }),
      );
    }
    return list;
  },
};
