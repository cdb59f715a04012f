import type { Built } from '../../../build/build';
import { at } from '../../../build/lin';
import { GRAVITY } from '../../support/model/load';
import { standOf } from '../../../stand/stand';
import { valueOf } from '../../../quantity/quantity';
import { exact, say, sayMass } from '../../../quantity/say';
import type { Piece } from '../../../place/setting';
import type { Vec } from '../../../solids/solid';
import { loadPath, type Carrying } from './load-path';
import { momentOn } from './twist';
import { isNamed, saidOf, spotOfSeat } from './seats';

/** One joint of the load path, for the drawing and the list: from what holds to what is held. */
export interface LoadLine {
  use: string;
  name: string;
  /** Middle of the host, the joint itself where it is named, middle of the guest; mm. */
  points: readonly Vec[];
  /** Nothing else holds what is on its far side. */
  only: boolean;
  /** What hangs on it, N; what nobody weighed is left out of it and counted. */
  newtons: number;
  unweighed: number;
  /** In the worst attitude, N m; null where it is not known. */
  moment: number | null;
  /** Ratings of their makers, the lower of the two sides; null where one of them states none. */
  bears: number | null;
  bearsMoment: number | null;
}

/** Every joint that carries, as it is drawn from the hold to each part. */
export function loadLines(built: Built): LoadLine[] {
  const pieces = new Map(standOf(built).pieces.map((p) => [p.key, p]));
  return loadPath(built).joints.flatMap((j): LoadLine[] => {
    const { seat } = j;
    const [host, guest] = [pieces.get(seat.host?.piece ?? ''), pieces.get(seat.piece)];
    const [from, to] = [host && middleOf(host), guest && middleOf(guest)];
    if (!from || !to) return [];
    const spot = isNamed(seat) ? spotOfSeat(built, seat) : null;
    const value = (g: { known: { value: number } | null }) => g.known?.value ?? 0;
    const masses = j.carried.map((p) => valueOf(p.mass));
    return [
      {
        use: seat.use.id,
        name: saidOf(seat),
        points: spot ? [from, spot.at.map((l) => at(l, value)) as unknown as Vec, to] : [from, to],
        only: j.only,
        newtons: (GRAVITY * masses.reduce<number>((sum, m) => sum + (m ?? 0), 0)) / 1000,
        unweighed: masses.filter((m) => m === null).length,
        moment: momentOf(built, j),
        bears: least(valueOf(seat.at?.bears), valueOf(seat.by?.bears)),
        bearsMoment: least(valueOf(seat.at?.bearsMoment), valueOf(seat.by?.bearsMoment)),
      },
    ];
  });
}

/** Nominal; null where a number of it is missing. */
function momentOf(built: Built, { seat, pieces }: Carrying): number | null {
  const pull = isNamed(seat) ? momentOn(built, seat, pieces) : null;
  if (!pull || pull.inputs.some((g) => g.known === null)) return null;
  return pull.moment(pull.inputs.map((g) => g.known!.value));
}

const least = (a: number | null, b: number | null) =>
  a === null || b === null ? null : Math.min(a, b);

function middleOf(p: Piece): Vec | null {
  const e = p.solids.find((s) => !s.moving)?.extent;
  return e ? [(e[0] + e[3]) / 2, (e[1] + e[4]) / 2, (e[2] + e[5]) / 2] : null;
}

/** What a joint carries: `5.3 N, 0.69 N m; rated for 250 g`. */
export function loadWords(l: LoadLine): string {
  const moment = l.moment === null ? '' : `, ${say(l.moment, 'N m')} at worst`;
  const rated = [
    ...(l.bears === null ? [] : [`${sayMass(l.bears)}`]),
    ...(l.bearsMoment === null ? [] : [`${say(l.bearsMoment, 'N m')}`]),
  ];
  return `${exact(l.newtons, 1)} N${l.unweighed > 0 ? ` and ${l.unweighed} not weighed` : ''}${moment}; ${rated.length > 0 ? `rated for ${rated.join(' and ')}` : 'rating not stated'}`;
}

/** The same as a sentence: `It carries 540 g: 5.3 N, 0.69 N m at worst; rating not stated.` */
export function carriesWords(l: LoadLine): string {
  return `It carries ${sayMass((l.newtons * 1000) / GRAVITY)}: ${loadWords(l)}.${l.only ? '' : ' Something else holds it, too.'}`;
}
