import { threadStation } from '../place/layout';
import { given } from '../../../build/given';
import { frontOf } from '../place/front';
import { ringChains, ringSpecification, sameThread } from '../model/threads';
import { isRing, onHand, type Filter, type Ring } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { plain, sayLength } from '../../../quantity/say';
import type { Check } from '../../../checks/check';
import { inWords, lacking, plainVerdict } from '../../../checks/judge';

/** A thread as it is said: `77`. */
const size = (n: number) => plain(n, 1);

export const frontThread: Check = {
  id: 'front.thread',
  tried: () => true,
  title: 'Threads on the lens',
  short: 'threads differ',
  says: 'Whether every ring and screw-in filter goes onto the thread behind it, and whether the thread gets smaller on the way. Rings jam: hand-tight only.',
  formula: 'male thread of each piece = female thread behind it',
  run(built) {
    const { lens } = built;
    const { thread } = frontOf(built);
    if (!lens || thread.length === 0) return [];
    const about = [lens.id, ...thread.map((t) => t.part.id)];
    const base = {
      id: 'front.thread',
      about,
      station: threadStation(built, 0),
      basis: '[trade] printed thread sizes',
    } as const;
    let behind = valueOf(lens.filterThread);
    let behindGiven = given(lens, 'filterThread');
    let behindName = lens.name;
    let down: string | null = null;
    let downAt = 0;
    let blind: Ring | null = null;
    for (const { part, index } of thread) {
      const male = valueOf(part.male);
      if (behind === null || male === null) {
        const lost = [
          ...(behind === null ? [behindGiven] : []),
          ...(male === null ? [given(part, 'male')] : []),
        ];
        return [
          plainVerdict({
            ...base,
            state: 'unknown',
            why: `Whether ${part.name} screws into ${behindName} is not known: ${inWords(lost.map((g) => g.label))} missing.`,
            sum: 'No sum: a thread is not known.',
            measure: lacking(lost),
          }),
        ];
      }
      if (!sameThread(behind, male)) {
        const rings = [...built.kit.values()].filter(isRing);
        const goal = { female: male };
        const chains = ringChains(behind, goal, rings, 3, 1);
        return [
          plainVerdict({
            ...base,
            state: 'fail',
            station: threadStation(built, index),
            why: `${part.name} has a ${size(male)} thread, ${behindName} takes ${size(behind)}: they do not go together without a ring.`,
            sum: `${size(male)} is not ${size(behind)}`,
            wanted: chains.length > 0 ? [] : [ringSpecification(behind, goal)],
          }),
        ];
      }
      const next = valueOf(part.female) ?? (isRing(part) ? valueOf(part.clamp) : null);
      if (isRing(part) && next !== null && next < male - 0.05 && part.clamp === undefined) {
        if (down === null) downAt = index;
        down ??= `${part.name} steps down from ${size(male)} to ${size(next)}`;
      }
      if (isRing(part) && next === null) blind ??= part;
      behind = valueOf(part.female);
      behindGiven = given(part, 'female');
      behindName = part.name;
    }
    const chain = [size(valueOf(lens.filterThread)!), ...thread.map((t) => sayPiece(t.part))].join(
      ' > ',
    );
    const hire = thread.filter((t) => onHand(t.part) < 1).map((t) => t.part.name);
    const hired = hire.length > 0 ? ` ${inWords(hire)} would have to be hired.` : '';
    // A thickness that nobody gave is drawn at a stand-in; it is not said as a length.
    const length = thread.some((t) => t.assumed) ? null : thread[thread.length - 1]!.to;
    const ahead = length === null ? '' : `, ${sayLength(length)} ahead of its rim`;
    if (down !== null)
      return [
        plainVerdict({
          ...base,
          state: 'tight',
          station: threadStation(built, downAt),
          why: `${down}: it goes on, and narrows the beam. Look at the corners.${hired}`,
          sum: chain,
        }),
      ];
    // A ring that may step down is not known to leave the beam alone.
    if (blind !== null)
      return [
        plainVerdict({
          ...base,
          state: 'unknown',
          why: `Whether ${blind.name} steps down and narrows the beam is not known: ${given(blind, 'female').label} missing.`,
          sum: chain,
          measure: lacking([given(blind, 'female')]),
        }),
      ];
    return [
      plainVerdict({
        ...base,
        state: hire.length > 0 ? 'tight' : 'ok',
        why: `${inWords(thread.map((t) => t.part.name))} ${thread.length === 1 ? 'goes' : 'go'} onto ${lens.name}${ahead}. Hand-tight only.${hired}`,
        sum: chain,
      }),
    ];
  },
};

function sayPiece(p: Ring | Filter): string {
  const f = valueOf(p.female);
  const c = isRing(p) ? valueOf(p.clamp) : null;
  return `${p.name}${f !== null ? ` (${size(f)})` : c !== null ? ` (clamps at ${size(c)})` : ''}`;
}
