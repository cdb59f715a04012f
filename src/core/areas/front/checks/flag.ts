import type { Built } from '../../../build/build';
import { frontOf } from '../place/front';
import { flagSight, flagStands } from '../model/flags';
import { cornersOf, judgedFrames } from '../model/judged';
import { nominal } from '../model/looks';
import { situations, type Situation } from '../model/situations';
import { clearance } from '../../../pupil/aperture';
import { exact, sayLength } from '../../../quantity/say';
import { spread, type Spread } from '../../../quantity/spread';
import { lightShade } from '../../light/model/shade';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge } from '../../../checks/judge';

export const frontFlag: Check = {
  id: 'front.flag',
  slow: true,
  title: 'Flags',
  short: 'flag in frame',
  says: 'Whether each flag stays out of every delivery frame, how far it can still come down, and how low a light it shades then; whether a hard light that was said strikes the front glass, or where flare is wanted, whether it does.',
  formula:
    'distance of the tip from the axis - height of the beam there; shade: atan((tip height + half the glass) / distance to the glass)',

  run(built) {
    const front = frontOf(built);
    const { box } = front;
    const shade = lightShade(built);
    // Without body and mode there is no frame that a flag could stand in.
    if (!box || !built.lens || !built.body || !built.mode) return shade;
    return [
      ...box.flags.map(({ leaf, use }) => verdict(built, leaf.id, leaf.name, use.angle)),
      ...shade,
    ];
  },
};

function verdict(built: Built, id: string, name: string, angle: number): Verdict {
  const front = frontOf(built);
  const b = front.box!.box;
  const index = front.edges.findIndex((e) => e.key === `flag:${id}`);
  // What is said of it takes searches: made when it is read.
  let looked: ReturnType<typeof flagSight>;
  const sight = () => (looked ??= flagSight(built, id))!;
  // A smaller pupil stays farther from every edge: the widest stop in use decides.
  const every = situations(built);
  const open = (built.stop.known?.value ?? Infinity) <= built.rules['front.deep-stop'];
  const all = open ? every.filter((s) => s.setting.stop === 'used') : every;
  const frames = judgedFrames(built).filter((j) => j.frame || built.frames.length === 0);
  /** Least room over the corners of all frames, from those inputs that move flag, beam or corners. */
  const roomAt = (sit: Situation): Spread => {
    const x = nominal(sit)!;
    const corners = frames.map((j) => cornersOf(sit, j));
    const moves = sit.inputs.flatMap((_, i) =>
      i >= sit.frontInputs || front.edges[index]!.needs.includes(i) ? [i] : [],
    );
    const s = spread(
      moves.map((i) => sit.inputs[i]!.known!),
      (y) => {
        moves.forEach((i, k) => (x[i] = y[k]!));
        const { apertures, pupil, distance } = sit.scene(x, [index]);
        let least = Infinity;
        for (const of of corners)
          for (const t of of(x))
            least = Math.min(least, clearance(apertures[0]!, pupil, distance, t.tx, t.ty));
        return least;
      },
    );
    const shares = sit.inputs.map((_, i) => s.shares[moves.indexOf(i)] ?? 0);
    return { ...s, shares };
  };
  // Which setting of the lens sees most of it can be another one inside the tolerances.
  const ready = flagStands(front, id) && every.every((s) => nominal(s) !== null);
  const each = ready ? all.map((s) => ({ s, spread: roomAt(s) })) : [];
  const least = each.reduce<(typeof each)[number] | null>(
    (m, e) => (m === null || e.spread.lo < m.spread.lo ? e : m),
    null,
  );
  const sit = least?.s ?? all.find((s) => nominal(s) === null) ?? all[0];
  const v = judge({
    id: 'front.flag',
    key: `front.flag:${id}`,
    about: [b.id],
    station:
      sit && nominal(sit) && index >= 0 ? sit.scene(nominal(sit)!).apertures[index]!.z : null,
    inputs: sit?.inputs ?? [],
    spread: () => ({
      value: Math.min(...each.map((e) => e.spread.value)),
      lo: least!.spread.lo,
      hi: Math.min(...each.map((e) => e.spread.hi)),
      shares: least!.spread.shares,
    }),
    unit: 'mm',
    limit: { value: 0, unit: 'mm', rule: null },
    assumed: sit?.assumed ?? null,
    why: (o) => {
      const s = sight();
      const { side } = s.leaf;
      const shade = (deg: number | null) =>
        deg === null
          ? ''
          : ` it shades the glass from light ${side === 'top' ? 'higher' : side === 'bottom' ? 'lower' : 'farther to the side'} than ${exact(deg, 0)} degrees`;
      const low =
        s.lowest === null
          ? ' It is in the frame even fully open.'
          : ` It can come to ${exact(s.lowest, 0)} degrees;${shade(s.shadesAtLowest)} there.`;
      return o.state === 'fail'
        ? `The ${name} of ${b.name} stands ${sayLength(-o.value)} in the frame at ${s.situation.label}.${low}`
        : `The ${name} of ${b.name} is ${sayLength(o.value)} out of the frame at ${exact(angle, 0)} degrees;${shade(s.shades)}.${low}`;
    },
    sum: (o) =>
      `room at the tip ${sayLength(o.value, 1)} (${exact(o.lo, 1)} to ${exact(o.hi, 1)}) at ${sight().situation.label}`,
    lacking: (missing) =>
      `Whether the ${name} of ${b.name} stands in the frame is not known: ${missing} missing.`,
    basis: '[math]',
  });
  return v;
}
