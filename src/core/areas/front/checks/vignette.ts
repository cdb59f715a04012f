import { frontOf } from '../place/front';
import { type Front } from '../place/parts';
import type { Built } from '../../../build/build';
import { exactly } from '../../../build/given';
import { bindingSide, cleanScale, wayOut } from '../model/shading';
import { CORNERS, cornersOf, judgedFrames, type Judged } from '../model/judged';
import { looks, nearOf, nominal, pressure, worstCorner, type Look } from '../model/looks';
import { situations, situation, type Situation } from '../model/situations';
import { BLACK } from '../../../pupil/map';
import { isRing } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { exact, sayLength, say, bareLength } from '../../../quantity/say';
import { extremes } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, said, type Outcome } from '../../../checks/judge';

/** What a hard cut costs at the least, stops: a line through the middle of the pupil leaves half. */
const HARD = 1;

/** Stops; a fifth of what a corner is said with. */
const BOUND = 2e-3;

export const frontVignette: Check = {
  id: 'front.vignette',
  slow: true,
  title: 'Corners in front of the lens',
  short: 'corners dark',
  says: 'What everything in front of the lens takes from the corners of each delivery frame and of the chip: at both ends of a zoom, at infinity and close focus, at the stop worked at and at a deep stop; the worst of them counts. Names the edge that takes most and how far it would have to open or come back.',
  formula:
    'loss = -log2(area of the pupil left by all apertures / area of the pupil), exact areas of discs and half-planes; limit - loss',

  run(built) {
    const front = frontOf(built);
    if (!front.standing || !built.lens || !built.body || !built.mode) return [];
    const list: Verdict[] = [];
    for (const judged of judgedFrames(built)) {
      const whole = verdict(built, front, judged, situations(built));
      if (whole) list.push(whole);
    }
    return list;
  },
};

function verdict(
  built: Built,
  front: Front,
  judged: Judged,
  sits: readonly Situation[],
): Verdict | null {
  if (sits.length === 0) return null;
  const missing =
    sits[0]!.inputs.some((g) => !g.known) || sits.some((s) => s.inputs.some((g) => !g.known));
  if (missing) {
    // Even without the edges that nobody measured the others may already cut.
    const best = bestCase(built, front, sits);
    const state = best ? judgeLooks(built, best.front, judged, best.sits) : null;
    if (state?.state === 'fail') return state;
    const lackingIn = sits.find((s) => s.inputs.some((g) => !g.known))!;
    return judgeLooks(built, front, judged, [lackingIn]);
  }
  return judgeLooks(built, front, judged, sits);
}

/** The front without the edges that rest on a missing number; null when the lens lacks one itself. */
function bestCase(built: Built, front: Front, sits: readonly Situation[]) {
  const lost = new Set(front.inputs.flatMap((g, i) => (g.known ? [] : [i])));
  if (lost.size === 0) return null;
  const reduced: Front = {
    ...front,
    inputs: front.inputs.map((g) => (g.known ? g : { ...g, known: exactly(0) })),
    edges: front.edges.filter((e) => !e.needs.some((i) => lost.has(i))),
  };
  const again = sits
    .map((s) => situation(built, s.setting, reduced))
    .filter((s): s is Situation => s !== null);
  return again.some((s) => s.inputs.some((g) => !g.known)) ? null : { front: reduced, sits: again };
}

function judgeLooks(
  built: Built,
  front: Front,
  judged: Judged,
  sits: readonly Situation[],
): Verdict {
  const { rules, lens } = built;
  const fail = rules['front.vignette-fail'];
  const tight = Math.min(rules['front.vignette-tight'], fail);
  const all = looks(built, judged, sits);
  const worst = all[0];
  const sit = worst?.situation ?? sits[0]!;
  const about = [
    lens!.id,
    ...front.thread.map((t) => t.part.id),
    ...(front.box ? [front.box.box.id] : []),
  ];
  const edge = worst ? (worst.corners[worst.worst]!.culprit ?? worst.roomEdge) : null;
  const chip = judged.frame === null;
  const frameWord = chip ? 'the whole chip' : `the ${judged.name} frame`;
  /** Margin at one setting as a function of the inputs that matter there. */
  const marginAt = (look: Look) => {
    const near = nearOf(front, look);
    const x = nominal(look.situation)!;
    const corners = cornersOf(look.situation, judged);
    return {
      inputs: near.inputs.map((i) => look.situation.inputs[i]!),
      sure: near.edges.length === 0,
      doubtful: look.situation.eitherWay.map((i) => near.inputs.indexOf(i)),
      margin: (y: readonly number[]) => {
        near.inputs.forEach((i, k) => (x[i] = y[k]!));
        const { loss, hard } = worstCorner(look.situation, corners(x), x, near.edges);
        return hard ? Math.min(fail, HARD) - loss : fail - loss;
      },
      sense: (y: readonly number[]) => {
        near.inputs.forEach((i, k) => (x[i] = y[k]!));
        return -pressure(look.situation, corners(x), x, near.edges);
      },
    };
  };
  const main = worst ? marginAt(worst) : null;
  const v = judge({
    id: 'front.vignette',
    key: `front.vignette:${judged.id}`,
    about:
      edge === null
        ? about
        : [front.edges[edge]!.part, ...about.filter((a) => a !== front.edges[edge]!.part)],
    frame: judged.frame?.id ?? null,
    station: worst && edge !== null ? worst.scene.apertures[edge]!.z : null,
    inputs: main?.inputs ?? sit.inputs,
    margin: main && !main.sure ? main.margin : () => fail,
    sense: main && !main.sure ? main.sense : undefined,
    doubtful: main && !main.sure ? main.doubtful : undefined,
    after: (s) => {
      // Other settings can be the worst one inside the tolerances.
      let { value, lo, hi } = s;
      // Nothing is darker than black.
      const floor = Math.min(fail, HARD) - BLACK;
      for (const l of all.slice(1)) {
        const now = (l.hard ? Math.min(fail, HARD) : fail) - l.loss;
        if (lo <= floor + 1e-9 && now >= hi) continue;
        const other = marginAt(l);
        if (other.sure) continue;
        const o = extremes(
          other.inputs.map((g) => g.known!),
          other.margin,
          other.sense,
          other.doubtful,
        );
        value = Math.min(value, o.value);
        lo = Math.min(lo, o.lo);
        hi = Math.min(hi, o.hi);
      }
      // Which end of a tolerance is worst is read off the pressure on the beam: that finds the
      // extreme of the loss to within this.
      const bound = lo === hi ? 0 : BOUND;
      return { ...s, value, lo: lo - bound, hi: hi + bound };
    },
    wanted: fail - tight,
    unit: 'stops',
    limit: { value: fail, unit: 'stops', rule: 'front.vignette-fail' },
    // One setting that rests on a stand-in is enough: the worst may be another one.
    assumed: all.find((l) => l.situation.assumed)?.situation.assumed ?? sit.assumed,
    why: (o) => sentence(built, front, judged, all, o, frameWord),
    sum: (o) => sumOf(front, worst!, edge, o, fail),
    lacking: (missing) =>
      `What stands in front of ${lens!.name} may cut ${frameWord}: ${missing} ${missing.includes(' and ') ? 'are' : 'is'} not known.`,
    basis: `[math] ${ruleBasis('front.vignette-fail')}`,
  });
  // Outside every delivery frame it is thrown away: usable, unless the house wants the whole chip.
  if (chip && v.state === 'fail' && built.frames.length > 0 && rules['coverage.clean-gate'] < 0.5)
    return { ...said(v), state: 'tight' };
  return v;
}

/** Which corners a loss stands in: `both top corners`, `the top left corner`, `all corners`. */
export function whichCorners(look: Look): string {
  const most = look.loss;
  const near = look.corners.map((c) => most - c.loss < Math.max(0.05, most * 0.1));
  const at = near.flatMap((n, i) => (n ? [i] : []));
  const key = at.join('');
  const pairs: Record<string, string> = {
    '01': 'both top corners',
    '23': 'both bottom corners',
    '02': 'both left corners',
    '13': 'both right corners',
  };
  if (at.length === 4) return 'all corners';
  return pairs[key] ?? `the ${CORNERS[look.worst]} corner`;
}

/** `0.85 stops`, or black. */
export function sayLoss(loss: number): string {
  return loss >= BLACK ? 'all of its light' : say(loss, 'stops');
}

function sentence(
  built: Built,
  front: Front,
  judged: Judged,
  all: readonly Look[],
  o: Outcome,
  frameWord: string,
): string {
  const worst = all[0]!;
  const edge = worst.corners[worst.worst]!.culprit ?? worst.roomEdge;
  const name = edge === null ? 'nothing' : front.edges[edge]!.label;
  const low = lowBox(built, front);
  if (worst.loss === 0) {
    const room =
      edge === null ? '' : ` The nearest edge, the ${name}, clears by ${sayLength(worst.room)}`;
    const at = room ? ` at ${worst.situation.label}.` : '';
    if (o.lo < o.value - 1e-9)
      return `Nothing in front touches ${frameWord} by the numbers.${room}${at} Inside the tolerances it can cost ${sayLoss(o.value - o.lo)}.`;
    return `Nothing in front touches ${frameWord}.${room}${at}`;
  }
  const where = whichCorners(worst);
  const from = worst.loss - (o.hi - o.value);
  const to = worst.loss + (o.value - o.lo);
  const range =
    to - from > 0.02
      ? ` (${exact(Math.max(0, from), 2)} to ${to >= BLACK ? 'black' : exact(to, 2)})`
      : '';
  const used = all.find((l) => l.situation.setting.stop === 'used');
  const deep = all.find((l) => l.situation.setting.stop === 'deep');
  const { focal, focus } = worst.situation.setting;
  const open = all.find(
    (l) =>
      l.situation.setting.stop === 'used' &&
      l.situation.setting.focal === focal &&
      l.situation.setting.focus === focus,
  );
  const softer =
    open && open !== worst && open.loss < worst.loss - 0.01
      ? ` At the stop worked at it looks like ${sayLoss(open.loss)}.`
      : '';
  const kind = worst.hard
    ? `A hard cut: stopping down does not help.${softer}`
    : deep && deep.loss < 0.01 && used && used.loss > 0.01
      ? `Soft: gone at T${exact(built.rules['front.deep-stop'], 0)}.`
      : '';
  const head = worst.hard
    ? `The ${name} cuts ${where} of ${frameWord} at ${worst.situation.label}`
    : `The ${name} darkens ${where} of ${frameWord} at ${worst.situation.label}`;
  const cost = worst.loss >= BLACK ? ': black.' : ` by ${sayLoss(worst.loss)}${range}.`;
  return [`${head}${cost}`, kind, low, advice(front, worst, edge, built)].filter(Boolean).join(' ');
}

/** `Sill box stands 3 mm low.` when it is off its height by more than the rule. */
function lowBox(built: Built, front: Front): string {
  const { drop, box } = front;
  if (!drop || !box || box.box.attach !== 'rods') return '';
  if (!drop.standard.known || drop.inputs.some((g) => !g.known)) return '';
  const off = drop.value(drop.inputs.map((g) => g.known!.value)) - drop.standard.known.value;
  if (Math.abs(off) <= built.rules['front.height-off']) return '';
  return `${box.box.name} stands ${sayLength(Math.abs(off))} ${off > 0 ? 'low' : 'high'}.`;
}

/** What the culprit would have to do. */
function advice(front: Front, worst: Look, edge: number | null, built: Built): string {
  if (edge === null) return '';
  const e = front.edges[edge]!;
  // Inside what goes unseen there is nothing to do.
  if (worst.loss <= built.rules['front.vignette-tight'] + 1e-9) return '';
  if (e.key === 'rim') return "That is the lens's own rim: nothing in front mends it.";
  const way = wayOut(front, worst, edge, built.rules['front.vignette-tight']);
  const ap = worst.scene.apertures[edge]!;
  const word =
    ap.kind === 'circle'
      ? 'clear diameter'
      : bindingSide(worst, edge) === widthOf(ap)
        ? 'width'
        : 'height';
  const parts: string[] = [];
  if (way.opening && way.opening.needed < way.opening.now * 4)
    parts.push(
      `${sayLength(way.opening.needed, 1)} ${word} instead of ${bareLength(way.opening.now, 1)}`,
    );
  if (way.back !== null && way.back < ap.z - worst.scene.pupil.z)
    parts.push(`${sayLength(way.back, 1)} further back`);
  if (ap.kind === 'edge') return 'It would have to open further.';
  const down = stepBehind(front, e.part);
  const on = down ? `It sits on ${down}. ` : '';
  return parts.length > 0
    ? `${on}It would need ${parts.join(', or to stand ')}.`
    : 'Other edges take as much: this one alone does not mend it.';
}

/** The ring between lens and a piece that makes the thread smaller, if there is one. */
function stepBehind(front: Front, part: string): string | null {
  for (const t of front.thread) {
    if (t.part.id === part) return null;
    const male = valueOf(t.part.male);
    const female = valueOf(t.part.female);
    if (
      isRing(t.part) &&
      male !== null &&
      female !== null &&
      female < male &&
      front.thread.some((u) => u.part.id === part)
    )
      return t.part.name;
  }
  return null;
}

function widthOf(ap: Look['scene']['apertures'][number]): number {
  return ap.kind === 'rectangle' ? ap.hw * 2 : 0;
}

function sumOf(front: Front, worst: Look, edge: number | null, o: Outcome, fail: number): string {
  const { pupil, apertures, distance } = worst.scene;
  const wide =
    (pupil.aspect ?? 1) === 1 ? '' : ` high, ${exact(pupil.r * 2 * pupil.aspect!, 1)} wide`;
  const t = worst.directions[worst.worst]!;
  const c = worst.corners[worst.worst]!;
  const head = `at ${worst.situation.label}: pupil ${sayLength(pupil.r * 2, 1)} ${wide === '' ? 'across' : `${wide.trim()}`} at station ${exact(pupil.z, 1)}; ray of the ${CORNERS[worst.worst]!} corner (${exact(t.tx, 3)}, ${exact(t.ty, 3)})`;
  const at = edge === null ? null : apertures[edge]!;
  const dz = at ? at.z - pupil.z : 0;
  const beam = at
    ? `; at the ${front.edges[edge!]!.label}, ${sayLength(dz, 1)} ahead, the beam is ${sayLength(pupil.r * 2 * (1 - dz / distance), 1)} across, ${sayLength(Math.hypot(t.tx, t.ty) * dz, 1)} off the axis`
    : '';
  return `${head}${beam}; share of the pupil left ${exact(c.fraction, 3)}, loss = -log2 of it = ${exact(c.loss, 2)} stops; ${exact(fail, 2)} allowed - loss = ${exact(o.value, 2)} (${exact(o.lo, 2)} to ${exact(o.hi, 2)})${worst.situation.fromT ? '; T stands in for f' : ''}`;
}

/** Largest clean scale of a frame, for fixes and figures: within the tight limit. */
export function unshadedScale(built: Built, frameId: string): number | null {
  const frame = built.frames.find((f) => f.id === frameId);
  return frame ? cleanScale(built, frame, built.rules['front.vignette-tight']) : null;
}
