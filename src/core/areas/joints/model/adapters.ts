import type { Part } from '../../../kit/types';
import type { Interface } from '../kit/parts';
import { fitsByNumbers } from './fit';
import { canBeHeld, canHold, interfacesOf } from '../kit/sides';
import { firstHoles } from '../kit/pattern';

/** One piece of a way from a host to a guest: held by one of its sides, holding by another. */
export interface AdapterLink {
  part: Part;
  by: string;
  at: string;
  n: number;
}

export interface Chain {
  links: readonly AdapterLink[];
  /** The first hole that the guest takes. */
  n: number;
  /** Every fit on the way is known by its numbers. */
  sure: boolean;
}

interface End {
  part: Part;
  i: Interface;
}

/** No way is longer than this: every piece adds play and height. */
const MOST = 3;

/**
 * Ways from a host to a guest by pieces of the kit, whatever they are sold for: fewest pieces
 * first, all ways of that many. No piece is used more often than there are of it.
 *
 * @param most pieces at most, @param holes how far holes may be off, mm
 * @returns none where there is no way, or none is needed
 */
export function adapterChains(
  kit: readonly Part[],
  host: End,
  guest: End,
  holes: number,
  most = MOST,
): Chain[] {
  const pieces = kit.filter((p) => {
    const own = interfacesOf(p);
    return p !== guest.part && own.some(canBeHeld) && own.some(canHold) && own.length > 1;
  });
  let ways: { links: readonly AdapterLink[]; end: End; sure: boolean }[] = [
    { links: [], end: host, sure: true },
  ];
  for (let n = 0; n <= most; n++) {
    const there = ways.flatMap(({ links, end, sure }): Chain[] => {
      const fit = fitsByNumbers(end, guest, holes);
      const first = firstHoles(end.i, guest.i)[0];
      return fit === false || first === undefined || !sameSort(end.i, guest.i)
        ? []
        : [{ links, n: first, sure: sure && fit === true }];
    });
    if (there.length > 0) return n === 0 ? [] : there.sort(surestFirst);
    if (n === most) break;
    ways = ways.flatMap(({ links, end, sure }) =>
      pieces.flatMap((part) => {
        const used = links.filter((l) => l.part === part).length;
        if (used >= Math.max(1, part.count ?? 1)) return [];
        return steps(part, end, holes).map((s) => ({
          links: [...links, s.link],
          end: { part, i: s.holds },
          sure: sure && s.sure,
        }));
      }),
    );
  }
  return [];
}

const surestFirst = (a: Chain, b: Chain) =>
  Number(b.sure) - Number(a.sure) || (nameOf(a) < nameOf(b) ? -1 : 1);
const nameOf = (c: Chain) => c.links.map((l) => `${l.part.id} ${l.by} ${l.at}`).join();

/** What is not known to fit is a way only between two of one sort. */
const sameSort = (a: Interface, b: Interface) => a.type !== undefined && a.type === b.type;

/** How a piece can go on: held by one side, holding by each of its others. */
function steps(part: Part, end: End, holes: number) {
  const own = interfacesOf(part);
  return own.filter(canBeHeld).flatMap((by) => {
    const fit = fitsByNumbers(end, { part, i: by }, holes);
    const n = firstHoles(end.i, by)[0];
    if (fit === false || n === undefined || !sameSort(end.i, by)) return [];
    return own
      .filter((i) => i.id !== by.id && canHold(i))
      .map((holds) => ({
        link: { part, by: by.id, at: holds.id, n } satisfies AdapterLink,
        holds,
        sure: fit === true,
      }));
  });
}
