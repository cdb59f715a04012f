import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, plainVerdict } from '../../../checks/judge';
import { cellsOf } from '../../../engine/plugs';
import { exact, plain } from '../../../quantity/say';
import { oddOn } from '../model/branch';
import { byOutlet, outletKey, type Feed } from '../model/fed';
import type { RigOutlet } from '../model/outlets';
import { eachKept } from '../model/judged';
import { drawOf } from '../model/draw';

export const powerAmps: Check = {
  id: 'power.amps',
  title: 'Amps of an outlet',
  short: 'outlet overloaded',
  says: 'Whether an outlet gives what all that hangs on it draws at most, at the least volts it has.',
  formula: 'amps of the outlet - sum of watts at most / volts at each inlet',
  run(built) {
    const all = [...byOutlet(built).values()];
    const odd = oddOn(built);
    const isOdd = (feeds: readonly Feed[]) => feeds.some((f) => odd.has(f));
    // What is plain draws the same while the same hangs there.
    const plain = odd.size === 0 ? all : all.filter((feeds) => !isOdd(feeds));
    const kept = judged(plain, [], (feeds) => ofOutlet(built, feeds));
    if (odd.size === 0) return [...kept];
    const made = new Map(plain.map((feeds, i) => [feeds, kept[i]!]));
    return all.map((feeds) => made.get(feeds) ?? ofOutlet(built, feeds));
  },
};

const judged = eachKept<readonly Feed[], Verdict>();

function ofOutlet(built: Built, feeds: readonly Feed[]): Verdict {
  const { out } = feeds[0]!;
  const key = outletKey(feeds[0]!);
  const names = inWords(feeds.map((f) => f.device.part.name));
  if (!out || out.packs.length === 0)
    return plainVerdict({
      id: 'power.amps',
      key: `power.amps:${key}`,
      about: feeds.map((f) => f.device.part.id),
      state: 'unknown',
      why: `Whether ${names} ${feeds.length > 1 ? 'are' : 'is'} given enough is not known: ${out ? `no battery stands behind ${out.name}` : 'the outlet is not on the rig'}.`,
      sum: 'No sum: nothing gives amps.',
      basis: '[math] number of its maker',
    });
  return fed(built, { key, out, names, feeds });
}

interface Hanging {
  key: string;
  out: RigOutlet;
  names: string;
  feeds: readonly Feed[];
}

function fed(built: Built, { key, out, names, feeds }: Hanging): Verdict {
  const draws = feeds.map((f) => drawOf(built, f, out.least, 'most'));
  const starts: number[] = [];
  let n = 1;
  for (const d of draws) {
    starts.push(n);
    n += d.inputs.length;
  }
  const own = (x: readonly number[], i: number) =>
    x.slice(starts[i], starts[i]! + draws[i]!.inputs.length);
  const sum = (x: readonly number[], of: 'amps' | 'about') =>
    draws.reduce((all, d, i) => all + d[of](own(x, i)), 0);
  return judge({
    id: 'power.amps',
    key: `power.amps:${key}`,
    about: [out.part, ...feeds.map((f) => f.device.part.id)],
    inputs: [out.amps, ...draws.flatMap((d) => d.inputs)],
    margin: (x) => x[0]! - sum(x, 'amps'),
    sense: (x) => x[0]! - sum(x, 'about'),
    unit: 'A',
    limit: { value: out.amps.known?.value ?? 0, unit: 'A', rule: null },
    assumed: feeds.some((f) => !f.lead && cellsOf(out.outlet.plug) === null)
      ? 'What leads that nobody chose lose is not counted.'
      : null,
    why: (o) =>
      `${names} ${feeds.length > 1 ? 'draw' : 'draws'} ${plain(out.amps.known!.value - o.value, 1)} A at most from ${out.name}, which gives ${plain(out.amps.known!.value, 1)} A.`,
    sum: (o) =>
      `${plain(out.amps.known!.value, 2)} - ${exact(out.amps.known!.value - o.value, 2)} = ${exact(o.value, 2)} A`,
    lacking: (missing) =>
      `Whether ${out.name} gives what ${names} ${feeds.length > 1 ? 'draw' : 'draws'} is not known: ${missing} missing.`,
    basis: '[math] number of its maker',
  });
}
