import type { RodSystem } from '../kit/systems';
import type { Built } from '../../../build/build';
import type { PlacedRods } from '../../../place/setting';
import { standOf, type Stand } from '../../../stand/stand';
import { asFunction, givens, reader, type Lin } from '../../../build/lin';
import { judgedFrames } from '../../front/model/judged';
import { sights, type Sight } from '../../front/model/sight';
import { belowFrame } from '../model/lengths';
import { exact, sayLength } from '../../../quantity/say';
import type { Check } from '../../../checks/check';
import { RANK, type Verdict } from '../../../checks/finding';
import { judge, plainVerdict } from '../../../checks/judge';

export const rodsInFrame: Check = {
  id: 'rods.in-frame',
  title: 'Rod tips in the picture',
  short: 'rods in shot',
  says: 'Whether the tips of the rods stand in the picture that the chip sees: at the wide end of a zoom, and where it is set.',
  formula: 'in it if y + r > -(z - z pupil) tan(v / 2) and |x| - r < (z - z pupil) tan(h / 2)',
  run(built) {
    const stand = standOf(built);
    const { lens } = built;
    if (!lens || !built.body || !built.mode) return [];
    const { drop, system } = stand;
    return stand.rods
      .filter((r) => r.use.place !== 'rear')
      .map((r): Verdict => {
        const base = {
          id: 'rods.in-frame',
          key: `rods.in-frame:${r.use.id}`,
          about: [r.rods.id, lens.id],
          station: stand.value(r.to),
          basis: '[math]',
        };
        if (!drop || !system)
          return plainVerdict({
            ...base,
            state: 'unknown',
            why: `Whether the rods stand in the picture is not known: ${drop ? 'which rods they are' : 'what they hang on (no plate)'} is not said.`,
            sum: 'No sum.',
          });
        const at = (sight: Sight) => tipAt(built, stand, r, sight, { drop, system, base });
        const all = sights(built).map(at);
        return all.reduce((m, v) =>
          RANK[v.state] < RANK[m.state] ||
          (v.state === m.state && (v.margin?.value ?? 0) < (m.margin?.value ?? 0))
            ? v
            : m,
        );
      });
  },
};

/** The tip of a pair against what the lens sees in one situation. */
function tipAt(
  built: Built,
  stand: Stand,
  r: PlacedRods,
  s: Sight,
  { drop, system, base }: { drop: Lin; system: RodSystem; base: Base },
): Verdict {
  const chip = judgedFrames(built).find((j) => j.frame === null)!;
  const rod = system.rod / 2;
  const cc = r.rods.single ? 0 : system.centres / 2;
  const inputs = [...new Set([...s.inputs, ...givens([r.to, drop])])];
  const from = reader(inputs);
  const tip = asFunction(r.to, inputs);
  const low = asFunction(drop, inputs);
  return judge({
    ...base,
    inputs,
    margin: (x) => {
      const read = from(x);
      const t = s.corners(read, chip)[3]!;
      const out = belowFrame(
        { x: cc, y: -low(x), z: tip(x), r: rod },
        s.pupil(read, t),
        Math.atan(Math.abs(t.ty)),
        Math.atan(Math.abs(t.tx)),
      );
      return Math.min(out, 1000);
    },
    wanted: 2,
    unit: 'mm',
    limit: null,
    assumed: s.situation.assumed,
    why: (o) =>
      o.value < 0
        ? `The tips of ${r.rods.name} stand ${sayLength(-o.value)} in the picture at ${exact(s.situation.setting.focal ?? built.focal.known!.value, 0)} mm.`
        : `The tips of ${r.rods.name} stay ${o.value >= 999 ? 'behind what the lens sees' : `${sayLength(o.value)} below the picture`}.`,
    sum: (o) =>
      `tip at ${exact(stand.value(r.to), 1)}, ${exact(stand.value(drop), 1)} below the axis; the frame's edge lies ${sayLength(o.value, 1)} above it`,
    lacking: (missing) => `Whether the rods stand in the picture is not known: ${missing} missing.`,
  });
}

type Base = Pick<Verdict, 'id' | 'key' | 'about' | 'station' | 'basis'>;
