import { standOf } from '../build/stand';
import { given, type Given } from '../build/given';
import { givens, of, plus } from '../build/lin';
import { modeSize } from '../build/circle';
import { belowFrame } from '../rods/lengths';
import { exact, mm } from '../quantity/say';
import type { Check } from './check';
import type { Verdict } from './finding';
import { judge, lacking, plainVerdict } from './judge';
import { asFunction } from '../build/lin';

export const rodsInFrame: Check = {
  id: 'rods.in-frame',
  title: 'Rod tips in the picture',
  short: 'rods in shot',
  says: 'Whether the tips of the rods stand in the picture that the chip sees.',
  formula: 'in it if y + r > -(z - z pupil) tan(v / 2) and |x| - r < (z - z pupil) tan(h / 2)',
  run(built) {
    const stand = standOf(built);
    const { lens, mode, body } = built;
    if (!lens || !mode || !body || !stand.drop || !stand.system) return [];
    const drop = stand.drop;
    const rod = stand.system.rod / 2;
    const cc = stand.system.centres / 2;
    const front = stand.rods.filter((r) => r.use.place !== 'rear');
    const rows = lens.pupil ?? [];
    const f = built.focal.known?.value ?? null;
    let near = 0;
    rows.forEach((r, i) => {
      if (f !== null && Math.abs((r.focal ?? f) - f) < Math.abs((rows[near]!.focal ?? f) - f))
        near = i;
    });
    const pupil: Given = rows[near]
      ? given(lens, 'pupil', String(near), 'behind')
      : { ...given(lens, 'pupil'), unit: 'mm', known: null };
    const length = given(lens, 'length');
    const rim = plus(stand.seat, of(length));
    const [w, h] = modeSize(built);
    return front.map((r): Verdict => {
      const all = [r.to, rim, drop];
      const inputs = [
        ...new Set([
          ...givens(all),
          pupil,
          w,
          h,
          built.focal,
          built.squeeze,
          ...built.magnifications,
        ]),
      ];
      const [tip, rimAt, dropAt] = all.map((l) => asFunction(l, inputs));
      const at = (g: Given) => inputs.indexOf(g);
      const base = {
        id: 'rods.in-frame',
        key: `rods.in-frame:${r.use.id}`,
        about: [r.rods.id, lens.id],
        station: stand.value(r.to),
        basis: '[math]',
      };
      // A tip that stands behind the glass is out of sight whatever the rest is.
      const rimNow = stand.value(rim);
      if (stand.missing([r.to, rim]).length === 0 && stand.value(r.to) <= rimNow - 60)
        return plainVerdict({
          ...base,
          state: 'ok',
          why: `${r.rods.name} end ${mm(rimNow - stand.value(r.to))} behind the front of ${lens.name}.`,
          sum: `tip ${exact(stand.value(r.to), 1)}, rim ${exact(rimNow, 1)}`,
        });
      if (!rows[near] && inputs.every((g) => g === pupil || g.known))
        return plainVerdict({
          ...base,
          state: 'unknown',
          why: `Whether the rods stand in the picture is not known: entrance pupil of ${lens.name} missing.`,
          sum: 'No sum.',
          measure: lacking([pupil]),
        });
      return judge({
        ...base,
        inputs,
        margin: (x) => {
          const m = built.magnifications.reduce((p, g) => p * x[at(g)]!, 1);
          const focal = x[at(built.focal)]! * m;
          const z = rimAt!(x) - x[at(pupil)]!;
          const out = belowFrame(
            { x: cc, y: -dropAt!(x), z: tip!(x), r: rod },
            z,
            Math.atan(x[at(h)]! / 2 / focal),
            Math.atan((x[at(w)]! * x[at(built.squeeze)]!) / 2 / focal),
          );
          return Math.min(out, 1000);
        },
        wanted: 2,
        unit: 'mm',
        limit: null,
        why: (o) =>
          o.value < 0
            ? `The tips of ${r.rods.name} stand ${mm(-o.value)} in the picture at ${exact(built.focal.known!.value, 0)} mm.`
            : `The tips of ${r.rods.name} stay ${o.value >= 999 ? 'behind what the lens sees' : `${mm(o.value)} below the picture`}.`,
        sum: (o) =>
          `tip at ${exact(stand.value(r.to), 1)}, ${exact(stand.value(drop), 1)} below the axis; the frame's edge lies ${exact(o.value, 1)} mm above it`,
        lacking: (missing) =>
          `Whether the rods stand in the picture is not known: ${missing} missing.`,
      });
    });
  },
};
