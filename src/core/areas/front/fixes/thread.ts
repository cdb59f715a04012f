import { type Filter, isFilter, isRing, type Ring } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import type { Built } from '../../../build/build';
import { type Front } from '../place/parts';
import { frontOf } from '../place/front';
import { type Candidate, kitOf, candidate, hire, type Generator } from '../../../checks/candidate';
import { swapOnThread, unscrew, setThread } from '../moves/thread';
import { stageFit, mustTurn } from '../../light/model/light';
import { setTrays, traysWith } from '../moves/trays';
import { sameThread, ringChains } from '../model/threads';

/** A filter of the same sort is tried in place of another when it costs about as much light. */
const SAME_LIGHT = 0.5;

/** Whether two filters do the same and cost about as much light. */
export function sameSort(a: Filter, b: Filter): boolean {
  return (
    a.id !== b.id &&
    a.type !== undefined &&
    a.type === b.type &&
    Math.abs((valueOf(a.stops) ?? 0) - (valueOf(b.stops) ?? 0)) <= SAME_LIGHT
  );
}

/** Screw-in filters of the same sort in place of those on the thread, with the rings they need. */
export function otherRoundFilters(built: Built, front: Front): Candidate[] {
  return front.thread.flatMap(({ part, index }) =>
    isFilter(part)
      ? kitOf(built)
          .filter(isFilter)
          .filter((f) => f.male !== undefined && sameSort(part, f))
          .map((f) =>
            candidate(swapOnThread(built.job, built.rig, index, f), 2, 1, 'filter', hire(f)),
          )
      : [],
  );
}

/** A plate of the same sort in a free tray in place of a filter on the thread. */
export function platesInstead(built: Built, front: Front): Candidate[] {
  const { box } = front;
  if (!box) return [];
  const free = box.stages.filter((s) => !s.filter && !s.out);
  return front.thread.flatMap(({ part, index }) => {
    if (!isFilter(part)) return [];
    const off = unscrew(built.job, built.rig, index);
    return kitOf(built)
      .filter(isFilter)
      .filter((f) => sameSort(part, f))
      .flatMap((f) => {
        const stage = free.find(
          (s) =>
            stageFit(box.box, s.stage.id, f) === 'fits' &&
            (!mustTurn(f) || s.stage.rotates === true),
        );
        if (!stage) return [];
        const put = setTrays(
          built.rig,
          traysWith(box.use, stage.stage.id, { filter: f.id }),
          `Use ${f.name} in ${stage.stage.name} in place of ${part.name}`,
        );
        return [
          candidate(
            { title: put.title, changes: [...off.changes, ...put.changes] },
            2,
            2,
            'plate',
            hire(f),
          ),
        ];
      });
  });
}

/** Rings of the same threads that are thinner or wider inside. */
export function otherRings(built: Built, front: Front): Candidate[] {
  return front.thread.flatMap(({ part, index }) =>
    isRing(part)
      ? kitOf(built)
          .filter(isRing)
          .filter(
            (r) =>
              r.id !== part.id &&
              sameThread(valueOf(r.male), valueOf(part.male)) &&
              sameThread(valueOf(r.female), valueOf(part.female)),
          )
          .map((r) =>
            candidate(
              setThread(
                built.rig,
                front.thread.map((t) => (t.index === index ? r : t.part)),
                `Use ${r.name} in place of ${part.name}`,
              ),
              2,
              3,
              'ring',
              hire(r),
            ),
          )
      : [],
  );
}

/** Rings that fit between two threads, and other filters of the sort. */
export const threads: Generator = (built, finding) => {
  if (finding.id !== 'front.thread') return [];
  const front = frontOf(built);
  const { lens } = built;
  if (!lens) return [];
  const list: Candidate[] = [];
  let behind = valueOf(lens.filterThread);
  for (const [i, { part }] of front.thread.entries()) {
    const male = valueOf(part.male);
    if (behind !== null && male !== null && !sameThread(behind, male)) {
      const on: (Ring | Filter)[] = front.thread.map((t) => t.part);
      for (const chain of ringChains(
        behind,
        { female: male },
        kitOf(built).filter(isRing),
        3,
        4,
      ).slice(0, 4))
        list.push(
          candidate(
            setThread(
              built.rig,
              [...on.slice(0, i), ...chain.rings, ...on.slice(i)],
              `Put ${chain.rings.map((r) => r.name).join(' + ')} under ${part.name}`,
            ),
            chain.rings.length,
            chain.stepsDown ? 3 : 0,
            'chain',
            chain.toHire,
          ),
        );
      break;
    }
    behind = valueOf(part.female);
  }
  return [...list, ...otherRoundFilters(built, front), ...offTheThread(built, front, 5)];
};

/** Each piece on the thread taken off; `order` says how late it is tried. */
export function offTheThread(built: Built, front: Front, order: number): Candidate[] {
  return front.thread.map(({ index }) =>
    candidate(unscrew(built.job, built.rig, index), 1, order, 'off'),
  );
}
