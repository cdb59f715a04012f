import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import { FACES } from '../../../engine/field';
import type { Face } from '../../../engine/part';
import { plugOf } from '../../../engine/plugs';
import type { Lead } from '../../../kit/types';
import { plain } from '../../../quantity/say';
import { byDevice, deviceKey, devicesOn, type Device } from './fed';
import { idOf } from './sends';
import { CARRIED, portName, portsOn, signalsOn, type RigPort } from './signals';
import type { PowerTree } from './tree';

/** All that somebody plugs into one device, on a card that goes with it. */
export interface DeviceCard {
  key: string;
  name: string;
  lines: readonly string[];
}

/**
 * A card for each thing that takes power or has ports, in the order of the rig: what it runs on, what
 * feeds it, and port by port what goes in.
 *
 * @param tree the tree of the rig: what arrives is as it says
 */
export function deviceCards(built: Built, tree: PowerTree): DeviceCard[] {
  const arrives = new Map(tree.edges.map((e) => [e.to, e.line]));
  const ports = new Map<string, RigPort[]>();
  const names = new Map<string, string>();
  const runs = new Map<string, string[]>();
  for (const { device } of devicesOn(built)) {
    const key = deviceKey(device);
    names.set(key, device.part.name);
    runs.set(key, [runsOnWhat(device), fedBy(built, device, arrives.get(`device ${key}`))]);
  }
  for (const p of portsOn(built)) {
    const key = deviceKey(p.at);
    names.set(key, p.part.name);
    ports.set(key, [...(ports.get(key) ?? []), p]);
  }
  return [...names].map(([key, name]) => ({
    key,
    name,
    lines: [
      ...(runs.get(key) ?? []),
      ...(ports.get(key) ?? []).map((p) => `${p.port.name} (${portIs(p)}): ${goesIn(built, p)}`),
    ],
  }));
}

/** `round push-pull, 2 pins, at its camera left`. */
const socket = (plug: string | undefined, face: Face | undefined) => {
  const at = FACES.find(([id]) => id === face)?.[1];
  return `${plugOf(plug)?.name ?? 'plug not known'}${at === undefined ? '' : `, at its ${at}`}`;
};

function runsOnWhat({ part }: Device): string {
  const [from, to] = [given(part, 'voltsFrom').known, given(part, 'voltsTo').known];
  const [work, most] = [given(part, 'watts').known, given(part, 'wattsPeak').known];
  return [
    from && to
      ? `runs on ${plain(from.value, 1)} to ${plain(to.value, 1)} V`
      : 'volts that it runs on not known',
    work ? `${plain(work.value, 1)} W at work` : 'watts not known',
    ...(most ? [`${plain(most.value, 1)} W at most`] : []),
    ...(part.ownPack === true ? ['has a battery of its own'] : []),
    `inlet: ${socket(part.inlet, part.inletFace)}`,
  ].join('; ');
}

function fedBy(built: Built, device: Device, arrives: string | undefined): string {
  const f = byDevice(built).get(deviceKey(device));
  if (!f)
    return device.part.ownPack === true ? 'fed by its own battery' : 'what feeds it nobody said';
  const by = f.lead ? ` by ${withTies(f.lead, f.from.tied)}` : '';
  return `fed from ${f.out?.name ?? 'an outlet that is not on the rig'}${by}${arrives === undefined ? '' : `: ${arrives}`}`;
}

const withTies = (lead: Lead, tied: boolean | undefined) =>
  tied === true ? `${lead.name}, tied at its plugs` : lead.name;

const WAYS = { out: 'sends', in: 'takes in', loop: 'sends on', both: 'both ways' } as const;

const portIs = ({ port }: RigPort) =>
  [
    port.carries ? CARRIED[port.carries] : 'what it carries not known',
    ...(port.way ? [WAYS[port.way]] : []),
    socket(port.plug, port.face),
  ].join(', ');

/** What goes in, and where that leads or comes from; free where nothing does. */
function goesIn(built: Built, p: RigPort): string {
  const here = signalsOn(built).flatMap((s) => {
    const [from, to] = [s.from, s.to].map((e) => e !== null && idOf(e) === idOf(p));
    if (!from && !to) return [];
    const other = from ? s.to : s.from;
    const lead = s.lead ? withTies(s.lead, s.use.tied) : 'no lead chosen';
    return [
      `${lead}, ${from ? 'to' : 'from'} ${other ? portName(other) : 'what is not on the rig'}`,
    ];
  });
  return here.length > 0 ? here.join('; ') : 'free';
}
