import type { Built } from '../../../build/build';
import { constant } from '../../../build/given';
import { shadeFrom } from '../../front/model/shade';
import type { Side } from '../../../kit/types';
import { exact, plain } from '../../../quantity/say';
import type { Verdict } from '../../../checks/finding';
import { judge } from '../../../checks/judge';

const FROM: Record<Side, string> = {
  top: 'above',
  bottom: 'below',
  left: 'camera left',
  right: 'camera right',
};

/**
 * Whether the front glass is kept out of a hard light from one side; or, where flare is wanted,
 * whether that light reaches it.
 */
export function lightShade(built: Built): Verdict[] {
  const { light } = built.rig;
  const { lens } = built;
  if (!lens || light?.from === undefined) return [];
  const side = light.from;
  const shade = shadeFrom(built, side);
  if (!shade) return [];
  const from = FROM[side];
  const inputs = [
    ...shade.inputs,
    constant(
      `how far the light from ${from} stands off the axis`,
      'deg',
      light.at === undefined
        ? null
        : { value: light.at, tol: 2, from: 'guess', lo: light.at - 2, hi: light.at + 2 },
    ),
  ];
  const last = inputs.length - 1;
  const wanted = light.flare === true;
  const at = light.at === undefined ? '' : ` at ${plain(light.at)}\u00b0`;
  const by = shade.by ? ` of ${shade.by.label}` : '';
  return [
    judge({
      id: 'front.flag',
      key: 'front.flag:light',
      about: [...new Set([lens.id, ...(shade.by ? [shade.by.part] : [])])],
      inputs,
      margin: (x) => (wanted ? shade.angle(x) - x[last]! : x[last]! - shade.angle(x)),
      // Flare is a look, no fault: tight at worst.
      after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
      unit: 'deg',
      limit: null,
      assumed: shade.assumed,
      why: (o) => {
        const reached = wanted ? o.value >= 0 : o.value < 0;
        if (reached)
          return `The light from ${from}${at} strikes the front glass${wanted ? ': flare, as wanted' : ': it flares and takes contrast'}.${shade.by && !wanted ? ` The shade${by} begins at ${exact(angleNow(shade, inputs), 0)}\u00b0.` : ''}`;
        return `The shade${by} keeps the light from ${from}${at} off the front glass${wanted ? ': no flare, and it is wanted' : ''}; it begins at ${exact(angleNow(shade, inputs), 0)}\u00b0.`;
      },
      sum: (o) =>
        `shade begins at ${exact(angleNow(shade, inputs), 1)}\u00b0, light at ${plain(light.at!)}\u00b0: ${exact(o.value, 1)}\u00b0`,
      lacking: (missing) =>
        `Whether the light from ${from} strikes the front glass is not known: ${missing} missing.`,
      basis: '[math]',
    }),
  ];
}

function angleNow(
  shade: NonNullable<ReturnType<typeof shadeFrom>>,
  inputs: readonly { known: { value: number } | null }[],
): number {
  return shade.angle(inputs.map((g) => g.known!.value));
}
