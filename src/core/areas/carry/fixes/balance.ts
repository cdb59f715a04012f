import type { Built } from '../../../build/build';
import { candidate, hire, kitOf, type Candidate, type Generator } from '../../../checks/candidate';
import type { Verdict } from '../../../checks/finding';
import { isCarrier, type Fitting, type Part } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { standOf } from '../../../stand/stand';
import { usesOn } from '../../../roles/uses';
import { seatingsFor } from '../../joints/model/free';
import { reseat, seat } from '../../joints/moves/seat';
import { seatsOf } from '../../joints/model/seats';
import { fit, setFitted, takeFitted } from '../../space/moves/fitted';
import { balanceOf } from '../model/balance';
import { axisHeight } from '../model/heights';
import { balancing, slidersOf, type Slid } from '../model/slides';
import { standingOf } from '../model/standing';
import { putCarrier, swapCarrier } from '../moves/carrier';
import { slide } from '../moves/carry';

/** Findings that a shift along the lens answers. */
const ALONG: ReadonlySet<string> = new Set([
  'carry.balance-fore',
  'carry.hang',
  'carry.slide',
  'carry.stand',
  'carry.gimbal',
  'carry.hand',
  'carry.head',
]);

/** What is carried along for its use and may as well stand where it balances. */
const USEFUL: ReadonlySet<string> = new Set([
  'battery',
  'battery-plate',
  'recorder',
  'monitor',
  'radio',
  'accessory',
  'microphone',
]);

/** As many places of one part are tried as a person would. */
const PLACES = 4;

const whole = (slid: readonly Slid[]): Slid[] =>
  slid
    .map(({ slider, by }) => ({
      slider,
      by: Math.min(slider.to, Math.max(slider.from, Math.round(by))),
    }))
    .filter((s) => Math.abs(s.by) >= 0.5);

/** Slides that balance it, alone and together; to the end where that is all there is. */
export const slideIntoBalance: Generator = (built, v) => {
  if (!ALONG.has(v.id)) return [];
  const ahead = offsetFor(built, v);
  if (ahead === null || Math.abs(ahead) < 0.5) return [];
  const { alone, together } = balancing(slidersOf(built), ahead);
  const edits = [...alone.map((s) => [s]), ...(together ? [together] : [])];
  // As far as it goes, where something stands in the way of all of it or there is not enough of it.
  const ends = slidersOf(built).flatMap((slider): Slid[][] => {
    const want = -ahead / slider.gain;
    const by = Math.min(slider.to, Math.max(slider.from, want));
    return by === want ? [[{ slider, by: by / 2 }]] : [[{ slider, by }], [{ slider, by: by / 2 }]];
  });
  return [...edits, ...ends].flatMap((slid, i): Candidate[] => {
    const by = whole(slid);
    if (by.length === 0) return [];
    const far = by.reduce((sum, s) => sum + Math.abs(s.by), 0);
    const c = candidate(
      slide(built.rig, by),
      0,
      (i < edits.length ? 0.1 : 0.4) + far / 1000 + i / 1e6,
      `slide ${i < edits.length ? i : slid[0]!.slider.id}`,
    );
    return [c];
  });
};

/** How far the centre is ahead of where it should be, mm. */
function offsetFor(built: Built, v: Verdict): number | null {
  const b = balanceOf(built);
  if (!b || b.ahead.inputs.some((g) => g.known === null)) return null;
  const value = b.ahead.f(b.ahead.inputs.map((g) => g.known!.value));
  if (v.id !== 'carry.stand') return value;
  const polygon = standingOf(built)?.polygon ?? [];
  if (polygon.length === 0) return value;
  const z = polygon.map((p) => p[1]);
  const stand = standOf(built);
  return value + stand.value(b.hold.at[2]) - (Math.min(...z) + Math.max(...z)) / 2;
}

/** Useful things elsewhere: a battery back, a screen across, a receiver behind. */
export const moveTheUseful: Generator = (built, v) => {
  if (!ALONG.has(v.id) && v.id !== 'carry.balance-side' && v.id !== 'carry.headroom') return [];
  const top = v.id === 'carry.headroom' ? new Set(v.pieces) : null;
  return seatsOf(built)
    .filter((s) => (top ? top.has(s.piece) : USEFUL.has(s.part.kind)))
    .sort(
      (a, b) =>
        (valueOf(b.part.mass) ?? 0) - (valueOf(a.part.mass) ?? 0) || (a.use.id < b.use.id ? -1 : 1),
    )
    .slice(0, 4)
    .flatMap((s): Candidate[] => {
      const seen = new Set<string>();
      const places = seatingsFor(built, s.part, s.use.id)
        .filter((p) => p.sure !== false)
        .filter((p) => {
          const key = `${p.host.piece} ${p.host.i.id}`;
          const again = seen.has(key) || (p.host.i.id === s.use.at && p.host.use?.id === s.use.to);
          seen.add(key);
          return !again;
        })
        .slice(0, PLACES)
        .map((p, i) =>
          candidate(reseat(built.rig, s.use, s.part, p), 1, 0.5 + i / 100, `move ${s.use.id}`),
        );
      const faces =
        s.use.at === undefined && s.use.on !== 'rods'
          ? (['rear', 'left', 'right', 'top'] as const)
              .filter((on) => on !== s.use.on)
              .map((on, i) =>
                candidate(
                  setFitted(
                    built.rig,
                    s.use.id,
                    { on, x: undefined, y: undefined, z: undefined },
                    `Put ${s.part.name} at the ${on === 'top' || on === 'rear' ? on : `${on} side`}`,
                  ),
                  1,
                  0.6 + i / 100,
                  `face ${s.use.id}`,
                ),
              )
          : [];
      return [...places, ...faces];
    });
};

/** Something useful more, and dead weight where the house lets it: last of all. */
export const addWeight: Generator = (built, v) => {
  if (v.id !== 'carry.balance-fore' && v.id !== 'carry.hang' && v.id !== 'carry.slide') return [];
  const on = new Set(usesOn(built.rig));
  const spare = kitOf(built).filter((p) => !on.has(p.id));
  const dead = built.rules['carry.ballast'] === 1 ? spare.filter(isDead) : [];
  return [...spare.filter((p) => p.kind === 'battery'), ...dead]
    .slice(0, 8)
    .flatMap((p): Candidate[] => {
      const first = seatingsFor(built, p).filter((s) => s.sure === true);
      const behind = first.slice(0, 2).map((s) => seat(built.rig, p, s));
      const plain = fit(built.job, built.rig, p as Fitting);
      const rods =
        (built.rig.rods ?? []).length > 0 && first.length === 0 ? [onRods(built, p)] : [];
      return [plain, ...behind, ...rods].map((edit, i) => ({
        ...candidate(edit, 1, (isDead(p) ? 5 : 2) + i / 100, isDead(p) ? 'lead' : 'more', hire(p)),
        ...(isDead(p) ? { givesUp: true } : {}),
      }));
    });
};

const isDead = (p: Part) => p.kind === 'counterweight';

function onRods(built: Built, p: Part) {
  const stand = standOf(built);
  const back = Math.min(...stand.rods.map((r) => stand.value(r.from)));
  const depth = valueOf((p as Fitting).depth) ?? 60;
  const put = fit(built.job, built.rig, p as Fitting);
  const use = put.changes[0]!.value as { id: string };
  return {
    title: `Put ${p.name} on the rods behind`,
    changes: [
      {
        ...put.changes[0]!,
        value: { id: use.id, part: p.id, on: 'rods', station: Math.round(back + depth) },
      },
    ],
  };
}

/** Another head, legs, gimbal of the kit. */
export const otherCarrier: Generator = (built, v) => {
  if (v.id !== 'carry.head' && v.id !== 'carry.legs' && v.id !== 'carry.gimbal') return [];
  const uses = built.rig.carriers ?? [];
  return uses
    .filter((u) => v.about.includes(u.part))
    .flatMap((u): Candidate[] => {
      const now = built.kit.get(u.part);
      if (!isCarrier(now)) return [];
      return kitOf(built)
        .filter(isCarrier)
        .filter((p) => p.kind === now.kind && p.id !== now.id)
        .map((p) =>
          candidate(
            swapCarrier(built.rig, u.id, p, now.name),
            1,
            0.3 + (valueOf(p.bears) ?? 1e6) / 1e7,
            'carrier',
            hire(p),
          ),
        );
    });
};

/** Legs for a rig whose height nobody can say. */
export const legsUnder: Generator = (built, v) => {
  if (v.id !== 'carry.headroom' || axisHeight(built) !== null) return [];
  const kind = built.rig.carry?.by === 'monopod' ? 'monopod' : 'legs';
  return kitOf(built)
    .filter(isCarrier)
    .filter((p) => p.kind === kind)
    .slice(0, 3)
    .map((p) => candidate(putCarrier(built.rig, p, []), 1, 0.5, 'legs', hire(p)));
};

/** What is lighter, or off. */
export const lighter: Generator = (built, v) => {
  if (v.id !== 'carry.mass' || !v.key.endsWith(':most')) return [];
  const on = new Set(usesOn(built.rig));
  return (built.rig.fitted ?? []).flatMap((u): Candidate[] => {
    const part = built.kit.get(u.part);
    const mass = valueOf(part?.mass);
    if (!part || mass === null || part.kind === 'cage') return [];
    const others = kitOf(built)
      .filter((p) => p.kind === part.kind && !on.has(p.id) && (valueOf(p.mass) ?? Infinity) < mass)
      .slice(0, 3)
      .map((p) =>
        candidate(
          setFitted(built.rig, u.id, { part: p.id }, `${p.name} in place of ${part.name}`),
          1,
          0.5,
          'lighter',
          hire(p),
        ),
      );
    return [
      ...others,
      { ...candidate(takeFitted(built.rig, u.id, part.name), 1, 3, 'off'), givesUp: true },
    ];
  });
};
