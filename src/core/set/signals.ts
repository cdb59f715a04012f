import { CARRIED } from '../engine/field';
import { CARRIES } from '../engine/part';
import { alike } from '../doc/alike';
import type { Link, RigDoc } from '../kit/kept';
import type { Part } from '../kit/types';

/** One thing that is other of what is sent. */
export interface SignalChange {
  /** What it goes to: its use, and its part. */
  use: string;
  part: string | null;
  links: readonly string[];
  text: string;
}

/** What is sent to what, in one way a rig stands and in another, as a list for whoever plugs it. */
export function signalsBetween(
  kit: ReadonlyMap<string, Part>,
  from: RigDoc,
  to: RigDoc,
): SignalChange[] {
  const [was, now] = [signalsIn(from), signalsIn(to)];
  const left = new Set(from.uses.map((u) => u.id));
  for (const u of to.uses) left.delete(u.id);
  const list: SignalChange[] = [];
  for (const l of now.values()) {
    const before = was.get(l.id);
    const say = (text: string) => {
      const part = partOf(kit, to, l.to.use);
      list.push({
        use: l.to.use,
        part: part?.id ?? null,
        links: [l.id],
        text: `${part?.name ?? 'something that is not on'}: ${text}`,
      });
    };
    const ends = (of: Link, doc: RigDoc) =>
      `${WORDS[of.kind] ?? of.kind} from ${portIn(kit, doc, of.from)} into ${portIn(kit, doc, of.to)}`;
    if (!before || ends(before, from) !== ends(l, to)) say(ends(l, to));
    if (before && !before.tied !== !l.tied)
      say(`its lead ${l.tied ? 'tied at its plugs' : 'not tied any more'}`);
    if (before && !alike(before.via ?? [], l.via ?? []))
      say(
        `its lead ${l.via?.length ? `tied to ${viaIn(kit, to, l)}` : 'not tied to anything on its way'}`,
      );
    if (before && before.ties !== l.ties && l.ties !== undefined)
      say(`its lead tied ${l.ties} ${l.ties === 1 ? 'time' : 'times'} on its way`);
  }
  for (const l of was.values()) {
    // What goes because one of its ends is left off is said there.
    if (now.has(l.id) || left.has(l.from.use) || left.has(l.to.use)) continue;
    const part = partOf(kit, to, l.to.use);
    list.push({
      use: l.to.use,
      part: part?.id ?? null,
      links: [l.id],
      text: `${part?.name ?? l.to.use}: no ${WORDS[l.kind] ?? l.kind} from ${portIn(kit, from, l.from)} any more`,
    });
  }
  return list;
}

const WORDS: Readonly<Record<string, string>> = Object.fromEntries(CARRIED);

const signalsIn = (doc: RigDoc): ReadonlyMap<string, Link> =>
  new Map(
    doc.links.flatMap((l) => (CARRIES.some((c) => c === l.kind) ? [[l.id, l] as const] : [])),
  );

const partOf = (kit: ReadonlyMap<string, Part>, doc: RigDoc, use: string) =>
  kit.get(doc.uses.find((u) => u.id === use)?.part ?? '');

/** What a lead is tied to, in order. */
export const viaIn = (kit: ReadonlyMap<string, Part>, doc: RigDoc, { via = [] }: Link): string =>
  via.map((t) => partOf(kit, doc, t.use)?.name ?? t.use).join(', then ');

/** `HDMI out of Orrin Box`. */
function portIn(kit: ReadonlyMap<string, Part>, doc: RigDoc, end: Link['from']): string {
  const part = partOf(kit, doc, end.use);
  const ports = (part as { ports?: { id: string; name: string }[] } | undefined)?.ports;
  const name = ports?.find((p) => p.id === end.port)?.name ?? 'a port';
  return part ? `${name} of ${part.name}` : name;
}
