import type { Built } from '../../../build/build';
import type { Verdict } from '../../../checks/finding';
import type { MatteBox, Body } from '../../../kit/types';
import { frontOf } from '../place/front';
import { boxStation } from '../place/layout';
import { exact, sayLength, sayRange, bareLength } from '../../../quantity/say';
import { absolute } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import { attachUnknown } from '../model/attach';
import { judge, plainVerdict } from '../../../checks/judge';

export const frontMatteHeight: Check = {
  id: 'front.matte-height',
  title: 'Height of a box on rods',
  short: 'box off centre',
  says: 'Whether the rods, or the single rod that it stands on, come out at the height that a box on rods is made for; off by that much, it stands off centre and shades one side. A box that is held by the lens as well pulls on the mount instead.',
  formula:
    'axis to base + risers under the body + plate top to rods - risers under the rods - height of the rod system',
  run(built) {
    const { box, drop } = frontOf(built);
    const { body } = built;
    if (!box || box.box.attach === 'clip-on' || !body) return [];
    if (box.box.attach === undefined)
      return [
        attachUnknown(
          built,
          box.box,
          'front.matte-height',
          [box.box.id, body.id],
          `How high ${box.box.name} stands`,
        ),
      ];
    const b = box.box;
    if (!drop) return [noPlate(built, b, body)];
    const limit = built.rules['front.height-limit'];
    const wanted = built.rules['front.height-off'];
    const inputs = [...drop.inputs, drop.standard];
    const n = drop.inputs.length;
    let off = { value: 0, lo: 0, hi: 0 };
    return [
      judge({
        id: 'front.matte-height',
        about: [b.id, body.id, ...(built.rig.under ?? []).map((u) => u.part)],
        station: boxStation(built),
        inputs,
        margin: (x) => drop.value(x.slice(0, n)) - x[n]!,
        after: (s) => {
          off = s;
          const a = absolute(s);
          return { ...s, value: limit - a.value, lo: limit - a.hi, hi: limit - a.lo };
        },
        wanted: Math.max(0, limit - wanted),
        unit: 'mm',
        limit: { value: limit, unit: 'mm', rule: 'front.height-limit' },
        why: (o) => {
          const by = sayLength(Math.abs(off.value), Math.abs(off.value) < 1 ? 2 : 1).replace(
            /[.,]0 mm$/,
            ' mm',
          );
          const side = off.value > 0 ? 'low' : 'high';
          const drops = `${drop.single ? `${drop.single.name} runs` : 'the rods come out'} ${sayLength(drop.value(drop.inputs.map((g) => g.known!.value)), 1)} below the axis, it is made for ${bareLength(drop.standard.known!.value, 1)}`;
          if (b.attach === 'both')
            return o.state === 'ok'
              ? `Lens and rods hold ${b.name} at one height, within ${sayLength(Math.max(Math.abs(off.lo), Math.abs(off.hi)))}.`
              : `The rods hold ${b.name} ${by} ${side}er (${sayRange(off.lo, off.hi, 'mm')}) than the lens does: ${drops}. Held by both it pulls on the mount: bring the rods to height, or let one of the two go.`;
          if (o.state === 'ok')
            return `${b.name} stands centred on the lens, within ${sayLength(Math.max(Math.abs(off.lo), Math.abs(off.hi)))}.`;
          return `${b.name} stands ${by} ${side} (${sayRange(off.lo, off.hi, 'mm')}): ${drops}.`;
        },
        sum: () =>
          `${drop.inputs.map((g) => `${g.label} ${exact(g.known!.value, 1)}`).join(', ')}: ${exact(drop.value(drop.inputs.map((g) => g.known!.value)), 2)} - ${exact(drop.standard.known!.value, 2)} = ${sayLength(off.value, 2)}`,
        lacking: (missing) => `How high ${b.name} stands is not known: ${missing} missing.`,
        basis: `[trade] ${ruleBasis('front.height-limit')}`,
      }),
    ];
  },
};

function noPlate(built: Built, b: MatteBox, body: Body): Verdict {
  return plainVerdict({
    id: 'front.matte-height',
    about: [b.id, body.id],
    station: boxStation(built),
    state: 'unknown',
    why: `Nobody said what the rods hang on: put a plate under ${body.name}, then the height of ${b.name} is known.`,
    sum: 'No sum: no plate.',
    basis: '[math]',
  });
}
