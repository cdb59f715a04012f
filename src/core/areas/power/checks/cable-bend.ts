import { constant, given } from '../../../build/given';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, lacking, plainVerdict, said } from '../../../checks/judge';
import { plugOf } from '../../../engine/plugs';
import type { Lead } from '../../../kit/types';
import type { Piece } from '../../../place/setting';
import { exact, sayLength } from '../../../quantity/say';
import { standOf } from '../../../stand/stand';
import { blindPieces } from '../../space/model/unsettled';
import { eachKept, flat, judgedOnce } from '../model/judged';
import { WIDE, type Room } from '../model/lay';
import { lyingOn, type Line, type Lying } from '../model/lines';
import { THICKNESS, type Run } from '../model/run';

/** A plug that turns its lead aside at once stands out this far, mm. Common practice, no source. */
const ELBOW = 12;

/** How far straight plugs stand out of their sockets, with what relieves them, mm. Common practice, no source. */
const STRAIGHT: Readonly<Record<string, readonly [number, number]>> = {
  tap: [25, 38],
  'xlr-4': [55, 75],
  'barrel-21': [25, 40],
  'barrel-25': [25, 40],
  'usb-a': [25, 40],
  'usb-c': [18, 32],
  'bayonet-2': [35, 60],
  bnc: [35, 50],
  hdmi: [40, 60],
  'hdmi-mini': [30, 45],
  'hdmi-micro': [28, 42],
  'jack-35': [25, 40],
  'xlr-3': [55, 75],
};

/** Round push-pull plugs, by class. Common practice, no source. */
const ROUND = [30, 45] as const;

/** How far a plug stands out by itself, mm; null where nobody said which it is. */
const plugLength = (plug: string | undefined) =>
  plug !== undefined && plugOf(plug) ? (STRAIGHT[plug] ?? ROUND) : null;

export const cableBend: Check = {
  id: 'cable.bend',
  title: 'Room for a plug and its bend',
  short: 'no room for a plug',
  says: 'Whether there is room straight out of a socket for the plug and the first bend of its lead: a straight plug with a bend of four times the thickness of its lead inside, or at the least an elbow. Of both ends the worse is said.',
  formula: 'room in front of the socket - plug - 4 x thickness of the lead',
  run(built) {
    const blind = blindPieces(standOf(built))[0];
    return flat(judged(lyingOn(built), [blind], (l) => bendsOf(l, blind)));
  },
};

/** Worst first; what is tight at one end stays so whatever is not known of the other. */
const RANK = { fail: 0, tight: 1, unknown: 2, ok: 4 } as const;

/** What is only tight because something of it nobody said comes after what is not known. */
const rankOf = (v: Verdict) => (v.state === 'tight' && least(v) >= 0 ? 3 : RANK[v.state]);

/** While all stands where it stood. */
const judged = eachKept<Lying, readonly Verdict[]>();

/** The worse of the two ends of a lead. */
function bendsOf({ line, mains, run }: Lying, blind: Piece | undefined): readonly Verdict[] {
  if (!line.lead) return [];
  if (!mains) return atEnds(line, run, blind);
  const why = 'what lies before its plugs on the way from the floor is not laid out';
  return [unsaid(`cable.bend:${line.key}`, line.lead, why, [])];
}

function atEnds(
  { lead, plugs, elbows, key: of }: Line,
  run: Run | null,
  blind: Piece | undefined,
): Verdict[] {
  if (!lead) return [];
  const key = `cable.bend:${of}`;
  if (!run || run.missing.length > 0)
    return [unsaid(key, lead, 'where the two parts stand is not', lacking(run?.missing ?? []))];
  const rooms = run.rooms();
  const ends = run.sockets.flatMap((socket, i): Verdict[] => {
    const [piece, plug, elbow] =
      i === 0 ? [run.from, plugs[0], elbows[0]] : [run.to, plugs[1], elbows[1]];
    const room = rooms[i as 0 | 1];
    if (socket.open)
      return [
        unsaid(
          key,
          lead,
          `on which face the socket of ${piece.name} is nobody said`,
          lacking(socket.asks),
        ),
      ];
    // As that of a motor: there is room beside it whichever way its lead leaves.
    if (!room) return [];
    const doubt = blind
      ? `What may stand in front of it is not known: ${blind.name}.`
      : (piece.assumed ?? unsaidOf(lead, plug, elbow));
    const deps = [key, i, plug, elbow, piece.key, piece.name, room.lo, room.hi, room.by, doubt];
    const v = judgedOnce(lead, deps, () => bendAt({ key, lead, piece, room, plug, elbow, doubt }));
    // Where on its face it is somebody can say: by that there may be no room at all.
    if (v.state === 'tight' && room.lo < ELBOW && socket.asks.length > 0)
      return [
        unsaid(
          key,
          lead,
          `where on its face the socket of ${piece.name} is nobody said, and ${room.by ?? 'something'} stands before a part of it`,
          lacking(socket.asks),
        ),
      ];
    return [v];
  });
  return ends.sort((a, b) => rankOf(a) - rankOf(b) || least(a) - least(b)).slice(0, 1);
}

/** What of the lead itself nobody said; null where all is said that counts. */
function unsaidOf(lead: Lead, plug: string | undefined, elbow?: boolean): string | null {
  if (elbow === true) return null;
  if (!plugOf(plug)) return 'Which plug it has there nobody said.';
  return given(lead, 'width').known ? null : 'How thick it is nobody said.';
}

const least = (v: Verdict) => v.margin?.lo ?? 0;

const unsaid = (key: string, lead: Lead, why: string, measure: Verdict['measure']): Verdict =>
  plainVerdict({
    id: 'cable.bend',
    key,
    about: [lead.id],
    basis: BASIS,
    state: 'unknown',
    why: `Whether the plugs of ${lead.name} have room is not known: ${why}.`,
    sum: 'No sum.',
    measure,
  });

const BASIS = '[trade] inside radius of a bend four times the thickness; lengths of plugs';

/** One end of a lead, and the socket that it goes into. */
export interface End {
  key: string;
  lead: Lead;
  piece: Piece;
  room: Room;
  plug: string | undefined;
  /** Whether it turns its lead aside at once; nobody said when absent. */
  elbow: boolean | undefined;
  /** What is not known of it, in a sentence: it is not ok then. */
  doubt: string | null;
}

/** Whether there is room at one end, by its plug, its thickness and what is free. */
export function bendAt(e: End): Verdict {
  const { lead, piece, room, plug, elbow, doubt } = e;
  const width = given(lead, 'width').known ?? THICKNESS;
  const [least, most] = plugLength(plug) ?? ROUND;
  const straight = { lo: least + 4 * width.lo, hi: most + 4 * width.hi };
  const free = ranged(`room in front of the socket of ${piece.name}`, room.lo, room.hi);
  const [from, to] = [elbow === false ? straight.lo : ELBOW, elbow ? ELBOW : straight.hi];
  const takes = ranged(`what the plug of ${lead.name} takes`, from, to);
  const v = judge({
    id: 'cable.bend',
    key: e.key,
    about: [...new Set([lead.id, piece.part])],
    pieces: [piece.key],
    inputs: [free, takes],
    margin: ([a, b]) => a! - b!,
    unit: 'mm',
    limit: { value: ELBOW, unit: 'mm', rule: null },
    assumed: doubt,
    why: ({ state }) => inFront(state, e, straight),
    sum: () =>
      `${exact(room.lo, 0)} to ${exact(room.hi, 0)} - (${exact(from, 0)} to ${exact(to, 0)}) mm`,
    lacking: (m) => `Whether ${lead.name} has room at ${piece.name} is not known: ${m} missing.`,
    basis: BASIS,
  });
  if (v.state === 'ok') return v;
  if (room.hi < ELBOW) return { ...said(v), wanted: ['that side of it left free'] };
  const wanted = elbow ? 'that side of it left free' : `a lead with an elbow plug at ${piece.name}`;
  // A lead with an elbow would go in: it is another lead that is wanted, not another place.
  return { ...said(v), state: v.state === 'fail' ? 'tight' : v.state, wanted: [wanted] };
}

const ranged = (label: string, lo: number, hi: number) =>
  constant(label, 'mm', { value: (lo + hi) / 2, tol: (hi - lo) / 2, from: 'guess', lo, hi });

function inFront(
  state: string,
  { room: { lo, hi, by }, lead, piece, plug, elbow }: End,
  straight: { lo: number; hi: number },
): string {
  const free = hi - lo < 1 ? sayLength(lo, 0) : `${sayLength(lo, 0)} at the least`;
  const before = by ? ` before ${by}` : '';
  const name = plugOf(plug)?.name ?? 'plug';
  if (state === 'ok')
    return `${lead.name} has room at ${piece.name}: ${lo >= WIDE ? 'nothing is in the way' : `${free} are free${before}`}.`;
  if (state === 'fail' && hi < ELBOW)
    return `No plug goes into ${piece.name} for ${lead.name}: ${free} are free${before}, an elbow wants ${sayLength(ELBOW, 0)}.`;
  if (elbow)
    return `The elbow plug of ${lead.name} just goes into ${piece.name}: ${free} are free${before}, it wants ${sayLength(ELBOW, 0)}.`;
  const wants = elbow === false ? 'wants' : 'may want';
  return `${lead.name} ${wants} an elbow plug at ${piece.name}: ${free} are free${before}; a straight one (${name}) and its bend take ${sayLength(straight.lo, 0)} to ${sayLength(straight.hi, 0)}.`;
}
