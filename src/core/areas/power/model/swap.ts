import type { Built } from '../../../build/build';
import { inWords } from '../../../checks/judge';
import { deviceKey, runsOn, unfedOn, type Device, type Feed } from './fed';
import { keeper } from './judged';
import { sourcesOn, type Source } from './sources';

/** What the change of one pack does, as it is fed now. */
export interface Swap {
  /** Use of the pack, and what it is called. */
  id: string;
  name: string;
  /** Off from when it is pulled until the next one is on. */
  dark: readonly Device[];
  /** Goes on by a battery of its own. */
  stays: readonly Device[];
  /** Goes on by the other pack on the plate. */
  held: readonly Device[];
  /** Another pack stands behind it on the same plate: whether that carries it nobody said. */
  open: readonly Device[];
  /** Of these nobody said what feeds them: it may be this pack. */
  unsaid: readonly Device[];
  /** Leads in the pack itself: pulled, and put in again. Those on a plate stay where they are. */
  pulled: readonly Feed[];
}

/** The changes of all packs on the rig, by id. */
export function swapsOn(built: Built): Swap[] {
  return sourcesOn(built)
    .flatMap((s) => swapsOf(built, s))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** The changes of the packs of one source. */
export function swapsOf(built: Built, source: Source): readonly Swap[] {
  const unsaid = unfedOn(built);
  return kept(source, [unsaid], () =>
    source.packs.map(({ use, part }) => {
      const own = source.feeds.filter((f) => f.out!.packs.includes(use.id));
      const of = (how: (f: Feed) => boolean) => own.filter(how).map((f) => f.device);
      return {
        id: use.id,
        name: part.name,
        dark: of((f) => !runsOn(f) && carriedOn(f) === false),
        stays: of(runsOn),
        held: of((f) => !runsOn(f) && carriedOn(f) === true),
        open: of((f) => !runsOn(f) && carriedOn(f) === null),
        unsaid,
        pulled: own.filter((f) => f.from.from === use.id),
      };
    }),
  );
}

const kept = keeper<readonly Swap[]>();

/** Whether what hangs there goes on by another pack while one is off; null where nobody said. */
export function carriedOn({ out }: Feed): boolean | null {
  if (!out || out.packs.length < 2) return false;
  return out.swap === undefined ? null : out.swap === 'holds';
}

const namesOf = (list: readonly Device[]) => inWords(list.map((d) => d.part.name));
const some = (list: readonly Device[], one: string, many = one) =>
  list.length === 0 ? [] : [`${namesOf(list)} ${list.length === 1 ? one : many}`];

/** What a change of a pack does, in a sentence or two for the person who makes it. */
export function saySwap({ dark, stays, held, open, unsaid, pulled }: Swap): string {
  const may = unsaid.length === 0 ? [] : [`Nobody said what feeds ${namesOf(unsaid)}.`];
  if (dark.length + stays.length + held.length + open.length === 0)
    return ['Nothing is said to hang on it.', ...may].join(' ');
  const does = [
    ...some(dark, 'goes dark', 'go dark'),
    ...some(stays, 'stays up on a battery of its own', 'stay up on batteries of their own'),
    ...some(
      held,
      'stays up by the other pack on the plate',
      'stay up by the other pack on the plate',
    ),
    ...some(open, 'may stay up by the other pack on the plate: nobody said'),
  ];
  const leads = pulled.map((f) => `${f.lead?.name ?? 'the lead'} to ${f.device.part.name}`);
  return [
    `${does.join('; ')}.`,
    ...may,
    leads.length === 0 ? 'No plug to pull.' : `To pull: ${inWords(leads)}.`,
    // Practice: what is being written when the volts go is lost.
    ...(dark.some((d) => deviceKey(d) === 'body' || d.part.kind === 'recorder')
      ? ['Stop recording first.']
      : []),
  ].join(' ');
}
