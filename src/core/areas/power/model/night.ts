import { given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { charging, soonest, timed, type Filling, type Plan } from '../../../feed/charging';
import { isCharger, isFitting, onHand, type Charger, type Fitting } from '../../../kit/types';
import { usableOn } from './marks';
import { packsOn } from './outlets';
import { sayHours } from './say';

/** More packs than this nobody fills in one night. */
export const MOST_PACKS = 60;

/** Packs of one sort, all of them from empty. */
export interface Lot {
  part: Fitting;
  /** How many there are. */
  n: number;
  /** Nobody said how many: those on the rig are counted. */
  unsaid: boolean;
}

/** A place for one pack. */
export interface Bay {
  charger: Charger;
  /** As it is called: `Berth, bay 2`. */
  name: string;
}

/** What is to be filled over a night, and in what. */
export interface Night {
  lots: readonly Lot[];
  /** Packs of the rig that nothing in the kit charges, and whether a charger did not say what it takes. */
  left: readonly Fitting[];
  open: readonly Charger[];
  chargers: readonly Charger[];
  /** Watt-hours of each lot, then the watts of a bay of each charger. */
  inputs: readonly Given[];
  /** One for each pack of the lots in their order. */
  packs: readonly { lot: Lot; name: string }[];
  bays: readonly Bay[];
  /** Hours of each pack in each bay, from the inputs. */
  filling: (x: readonly number[]) => Filling[];
  /** As the numbers stand; null while one is missing, or there are more packs than can be planned. */
  plan: Plan | null;
}

export function nightOf(built: Built): Night {
  return built.once(NIGHT);
}

const NIGHT = node('packs and chargers of a night', (built: Built): Night => {
  const byId = <T extends { id: string }>(a: T, b: T) => (a.id < b.id ? -1 : 1);
  const kit = [...built.kit.values()].sort(byId);
  const chargers = kit.filter(isCharger);
  const on = packsOn(built);
  const takes = (c: Charger, p: { id: string }) => c.madeFor?.includes(p.id) === true;
  const lots = kit.flatMap((part): Lot[] => {
    if (!isFitting(part) || part.kind !== 'battery') return [];
    const here = on.filter((p) => p.part.id === part.id).length;
    if (!chargers.some((c) => takes(c, part))) return [];
    const { n } = usableOn(built, part, here);
    return n > 0 ? [{ part, n, unsaid: part.count === undefined }] : [];
  });
  const left = kit.filter(
    (p): p is Fitting =>
      isFitting(p) && on.some((x) => x.part.id === p.id) && !chargers.some((c) => takes(c, p)),
  );
  const all = lots.reduce((sum, l) => sum + l.n, 0);
  const packs = lots.flatMap((lot) =>
    Array.from({ length: Math.min(lot.n, MOST_PACKS + 1) }, (_, i) => ({
      lot,
      name: lot.n > 1 ? `${lot.part.name}, ${i + 1} of ${lot.n}` : lot.part.name,
    })),
  );
  const used = chargers.filter((c) => lots.some((l) => takes(c, l.part)));
  const bays = used.flatMap((charger) => baysOf(charger, all));
  const inputs = [
    ...lots.map((l) => given(l.part, 'wattHours')),
    ...used.map((c) => given(c, 'bayWatts')),
  ];
  const share = built.rules['power.charging'];
  const filling = (x: readonly number[]): Filling[] =>
    packs.map(({ lot }) => {
      const wh = x[lots.indexOf(lot)]!;
      return bays.map(({ charger }) => {
        const watts = x[lots.length + used.indexOf(charger)]!;
        return takes(charger, lot.part) && watts > 0 ? wh / (watts * share) : null;
      });
    });
  const known = inputs.map((g) => g.known?.value);
  const whole = known.every((v) => v !== undefined) && used.every((c) => c.bays !== undefined);
  return {
    lots,
    left,
    open: chargers.filter((c) => !c.madeFor?.length),
    chargers: used,
    inputs,
    packs,
    bays,
    filling,
    plan:
      whole && packs.length > 0 && packs.length <= MOST_PACKS
        ? charging(filling(known), bays.length)
        : null,
  };
});

/** No more of them than there are packs: the others stay empty. */
function baysOf(charger: Charger, packs: number): Bay[] {
  const { bays = 0, name } = charger;
  const pieces = Math.min(Math.max(1, onHand(charger)), packs);
  return Array.from({ length: Math.min(pieces * bays, packs) }, (_, i) => ({
    charger,
    name: [
      pieces > 1 ? `${name} ${Math.floor(i / bays) + 1}` : name,
      ...(bays > 1 ? [`bay ${(i % bays) + 1}`] : []),
    ].join(', '),
  }));
}

/** When the last pack is full where each stays in the bay that the plan has for it, h. */
export function doneOf({ filling, plan, bays }: Night, x: readonly number[]): number {
  const into = plan!.at.map((p) => p.bay);
  return timed(filling(x), into, bays.length).done;
}

/** What goes up and down as that does, also where another bay is the last, h. */
export function fillingOf({ filling, plan }: Night, x: readonly number[]): number {
  const hours = filling(x);
  return plan!.at.reduce((sum, p, i) => sum + hours[i]![p.bay]!, 0);
}

/** The soonest that any plan could be done, as the numbers are at their best, h. */
export function soonestOf({ inputs, lots, filling, bays }: Night): number {
  const best = inputs.map((g, i) => (i < lots.length ? g.known!.lo : g.known!.hi));
  const hours = filling(best);
  const plan = charging(hours, bays.length);
  return plan?.proven ? plan.done : soonest(hours, bays.length);
}

/** Bay by bay what goes in and when: a list for whoever changes them. */
export function sayNight({ plan, bays, packs }: Night): string[] {
  if (!plan) return [];
  return bays.flatMap((b, bay) => {
    const own = plan.at
      .flatMap((p, i) => (p.bay === bay ? [{ ...p, name: packs[i]!.name }] : []))
      .sort((a, c) => a.from - c.from);
    if (own.length === 0) return [];
    const each = own.map(({ name, from, to }) =>
      from === 0
        ? `${name} to ${sayHours(to)}`
        : `then ${name} from ${sayHours(from)} to ${sayHours(to)}`,
    );
    return [`${b.name}: ${each.join('; ')}`];
  });
}

/** When somebody has to get up: a pack is full and the next one waits, h. */
export function changesOf({ plan }: Pick<Night, 'plan'>): number[] {
  const at = (plan?.at ?? []).flatMap((p) => (p.from > 0 ? [p.from] : []));
  return [...new Set(at.map((h) => Math.round(h * 60) / 60))].sort((a, b) => a - b);
}
