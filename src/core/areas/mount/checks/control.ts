import type { Check } from '../../../checks/check';
import { inWords, plainVerdict } from '../../../checks/judge';
import type { Measurement } from '../../../checks/finding';

export const mountControl: Check = {
  id: 'mount.control',
  title: 'Aperture control',
  short: 'no aperture',
  says: 'Whether a lens with an electronic aperture can be stopped down through everything that stands between it and the body.',
  formula: 'electronic lens: body drives it and every piece passes it on',
  run(built) {
    const { lens, body, links } = built;
    if (!built.closed || !lens || !body) return [];
    const about = [lens.id, ...links.map((l) => l.link.id), body.id];
    const id = 'mount.control';
    const basis = '[trade] common practice, no source';
    const sum = [
      `${lens.name}: ${lens.aperture ?? 'not said'}`,
      ...links.map(
        ({ link }) =>
          `${link.name}: ${link.passesControl === undefined ? 'not said' : link.passesControl ? 'passes it' : 'does not pass it'}`,
      ),
      `${body.name}: ${body.control === undefined ? 'not said' : body.control === 'electronic' ? 'drives it' : 'cannot'}`,
    ].join('; ');
    const ask = (
      part: { id: string; name: string },
      field: string,
      label: string,
    ): Measurement => ({
      path: ['kit', part.id, field],
      part: part.id,
      label: `${label} of ${part.name}`,
      unit: '',
      share: 1,
      missing: true,
    });
    if (lens.aperture === 'manual')
      return [
        plainVerdict({
          id,
          about,
          state: 'ok',
          why: `${lens.name} has an aperture ring of its own.`,
          sum,
          basis,
        }),
      ];
    if (lens.aperture === undefined)
      return [
        plainVerdict({
          id,
          about,
          state: 'unknown',
          why: `Nobody has said whether ${lens.name} has an aperture ring or wants electronics.`,
          sum,
          measure: [ask(lens, 'aperture', 'aperture')],
          basis,
        }),
      ];
    const blocks = links.filter(({ link }) => link.passesControl === false).map((l) => l.link.name);
    if (body.control === 'none') blocks.push(body.name);
    if (blocks.length > 0)
      return [
        plainVerdict({
          id,
          about,
          state: 'fail',
          why: `${lens.name} has an electronic aperture and ${inWords(blocks)} ${blocks.length > 1 ? 'do' : 'does'} not pass it on: it stays where it was last set.`,
          sum,
          basis,
        }),
      ];
    const silent = [
      ...links
        .filter(({ link }) => link.passesControl === undefined)
        .map(({ link }) => ask(link, 'passesControl', 'aperture control')),
      ...(body.control === undefined ? [ask(body, 'control', 'aperture control')] : []),
    ];
    if (silent.length > 0)
      return [
        plainVerdict({
          id,
          about,
          state: 'unknown',
          why: `${lens.name} has an electronic aperture; ${inWords(silent.map((s) => s.label))} ${silent.length > 1 ? 'are' : 'is'} not known.`,
          sum,
          measure: silent.map((s) => ({ ...s, share: 1 / silent.length })),
          basis,
        }),
      ];
    return [
      plainVerdict({
        id,
        about,
        state: 'ok',
        why: `${body.name} drives the aperture of ${lens.name}${links.length > 0 ? ' through everything between them' : ''}.`,
        sum,
        basis,
      }),
    ];
  },
};
