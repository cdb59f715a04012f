import type { Built } from '../../../build/build';
import { Memo } from '../../../build/memo';
import { standOf, type Stand } from '../../../stand/stand';
import { node } from '../../../engine/reads';
import type { StandSolid, Piece } from '../../../place/setting';
import type { Given } from '../../../build/given';
import { reader, type Read } from '../../../build/lin';
import { judgedFrames, type Judged } from '../../front/model/judged';
import { pyramid, reachOf, sights, type Seen, type Sight } from '../../front/model/sight';
import { distance } from '../../../solids/distance';
import { apart } from '../../../solids/solid';
import { nameOf, pieceOf } from '../../space/model/clearance';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import { RANK, type Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict, said } from '../../../checks/judge';

/** Nearer to the picture than this it is worked out with its tolerances, mm. */
const NEAR = 30;

/** What light passes through, and rods, are judged elsewhere. */
function ownCheck(s: StandSolid): boolean {
  return (
    s.role === 'rod' ||
    s.role === 'sweep' ||
    /^(lens|box|swing|screen)$/.test(s.piece) ||
    /^(thread|gear|link):/.test(s.piece)
  );
}

export const sightView: Check = {
  id: 'sight.view',
  slow: true,
  title: 'Parts in the picture',
  short: 'in the picture',
  says: 'Whether any part of the rig stands in the picture: every solid ahead of the entrance pupil against what each delivery frame and the chip see, at the wide end of a zoom and where it is set. What the light passes through, and the tips of the rods, have checks of their own.',
  formula: 'distance of the solid from the pyramid of the picture',

  run(built) {
    const { lens, body, mode } = built;
    const stand = standOf(built);
    if (!lens || !body || !mode || !stand.standing) return [];
    const station = stand.value(stand.seat);
    const list = sights(built);
    const missing = [...new Set(list.flatMap((s) => s.inputs))].filter((g) => !g.known);
    const own = stand.solids.filter((s) => !ownCheck(s));
    if (own.length === 0) return [];
    if (missing.length > 0)
      return [
        plainVerdict({
          id: 'sight.view',
          about: [...new Set([lens.id, ...own.map((s) => pieceOf(stand, s).part)])],
          station,
          state: 'unknown',
          why: `Whether a part of the rig stands in the picture is not known: ${inWords(missing.map((g) => g.label))} missing.`,
          sum: 'No sum.',
          basis: '[math]',
          measure: lacking(missing),
        }),
      ];
    const picture = built.once(PICTURE);
    const known = own.filter((s) => s.known);
    const out = known.flatMap((s) => inPicture(stand, s, picture));
    const findings = worstOfEach(out);
    const blind = stand.pieces.filter((p) => p.solids.some((s) => !s.known && !ownCheck(s)));
    if (blind.length > 0) {
      findings.push(notKnown(blind, station));
    }
    if (findings.length > 0) return findings;
    return [
      plainVerdict({
        id: 'sight.view',
        about: [lens.id],
        station,
        state: 'ok',
        why: 'No part of the rig stands in the picture.',
        sum: `${known.length} solids against ${judgedFrames(built).length} frames`,
        basis: '[math]',
      }),
    ];
  },
};

/** What is seen, and by which rules what stands near it is judged. */
interface Picture {
  views: readonly { sight: Sight; judged: Judged; seen: Seen }[];
  air: number;
  lens: string;
  /** Where it is set, mm, for a setting that does not say. */
  focal: number;
  /** Outside every delivery frame it is thrown away, unless the house wants the whole chip. */
  thrownAway: boolean;
}

const PICTURE = node('the picture and its rules', (built: Built): Picture => {
  const nominal: Read = (g: Given) => g.known?.value ?? 0;
  const judged = judgedFrames(built);
  return {
    views: sights(built).flatMap((sight) =>
      judged.map((j) => ({ sight, judged: j, seen: sight.seen(nominal, j) })),
    ),
    air: built.rules['sight.air'],
    lens: built.lens!.id,
    focal: built.focal.known?.value ?? NaN,
    thrownAway: built.frames.length > 0 && built.rules['coverage.clean-gate'] < 0.5,
  };
});

const NONE: readonly Verdict[] = [];

/** Pictures that a solid is remembered in: while a lens is dragged each is another one. */
const PICTURES = 4;

/** What stands near the picture of one solid: once for as long as it and the picture stand. */
function inPicture(stand: Stand, s: StandSolid, picture: Picture): readonly Verdict[] {
  return s.layer.memo
    .once(s, () => new Memo())
    .once(inPicture, () => new Memo(PICTURES))
    .once(picture, () => lookAt(stand, s, picture));
}

function lookAt(stand: Stand, s: StandSolid, picture: Picture): readonly Verdict[] {
  const out: Verdict[] = [];
  const until = s.extent[5] + s.loose + 50;
  const near = NEAR + picture.air;
  for (const { sight, judged, seen } of picture.views) {
    // Most are far beside it: their extents say so at once.
    if (apart(s.extent, reachOf(seen, until)) - s.loose > near) continue;
    const view = pyramid(seen, until);
    if (!view || distance(s.solid, view) - s.loose > near) continue;
    const v = inView(stand, s, picture, sight, judged, until);
    if (v.state !== 'ok') out.push(v);
  }
  return out.length > 0 ? out : NONE;
}

function inView(
  stand: Stand,
  s: StandSolid,
  { air, lens, focal, thrownAway }: Picture,
  sight: Sight,
  j: Judged,
  until: number,
): Verdict {
  const inputs = [...new Set([...s.inputs, ...sight.inputs])];
  const from = reader(inputs);
  const name = nameOf(stand, s);
  const piece = pieceOf(stand, s);
  const chip = j.frame === null;
  const f = sight.situation.setting.focal ?? focal;
  const v = judge({
    id: 'sight.view',
    key: `sight.view:${s.piece}`,
    pieces: [s.piece],
    about: [...new Set([piece.part, lens])],
    frame: j.frame?.id ?? null,
    station: (s.extent[2] + s.extent[5]) / 2,
    inputs,
    margin: (x) => {
      const read = from(x);
      const view = pyramid(sight.seen(read, j), until);
      return view ? distance(s.make(read), view) : NEAR;
    },
    wanted: air,
    unit: 'mm',
    limit: { value: air, unit: 'mm', rule: 'sight.air' },
    assumed: piece.assumed ?? sight.situation.assumed,
    why: (o) => {
      const where = chip ? 'the chip sees' : `the ${j.name} frame sees`;
      const big = name[0]!.toUpperCase() + name.slice(1);
      return o.value < 0
        ? `${big} stands ${sayLength(-o.value)} in what ${where} at ${exact(f, 0)} mm.`
        : `${big} stays ${sayLength(o.value)} beside what ${where} at ${exact(f, 0)} mm; ${sayLength(air)} are wanted.`;
    },
    sum: (o) =>
      `distance to the pyramid of the picture ${sayLength(o.value, 1)} (${exact(o.lo, 1)} to ${exact(o.hi, 1)})`,
    lacking: (missing) => `Whether ${name} stands in the picture is not known: ${missing} missing.`,
    basis: ruleBasis('sight.air'),
  });
  return chip && v.state === 'fail' && thrownAway ? { ...said(v), state: 'tight' } : v;
}

/** One finding a piece: the worst, a delivery frame before the chip. */
function worstOfEach(all: readonly Verdict[]): Verdict[] {
  const worst = new Map<string, Verdict>();
  for (const v of all) {
    const m = worst.get(v.key);
    if (
      !m ||
      RANK[v.state] < RANK[m.state] ||
      (v.state === m.state && (v.margin?.value ?? 0) < (m.margin?.value ?? 0))
    )
      worst.set(v.key, v);
  }
  return [...worst.values()];
}

/** Pieces with a size or place that nobody knows. */
function notKnown(blind: readonly Piece[], station: number): Verdict {
  const lost = [...new Set(blind.flatMap((p) => p.missing))];
  return plainVerdict({
    id: 'sight.view',
    key: 'sight.view:unknown',
    about: [...new Set(blind.map((p) => p.part))],
    station,
    state: 'unknown',
    why: `Whether ${inWords([...new Set(blind.map((p) => p.name))].slice(0, 4))} ${blind.length > 1 ? 'stand' : 'stands'} in the picture is not known: ${lost.length} ${lost.length === 1 ? 'number is' : 'numbers are'} missing.`,
    sum: 'No sum.',
    basis: '[math]',
    measure: lacking(lost),
  });
}
