import type { Built } from '../../../build/build';
import { RANK, type State, type Verdict } from '../../../checks/finding';
import { constant, exactly, given } from '../../../build/given';
import { cellsOf } from '../../../engine/plugs';
import type { At } from '../../../feed/network';
import { plain } from '../../../quantity/say';
import type { Fitting, FittedUse } from '../../../kit/types';
import type { Mix } from '../../../feed/hours';
import { isPlain, netOf, ownOf, rootOf, type Takes } from './branch';
import {
  allOf,
  atInlet,
  deviceKey,
  devicesOn,
  feedsOn,
  leadGivens,
  mixOf,
  type Device,
  type Feed,
} from './fed';
import { mainsOn, outletsOn, packsOn, type RigMains, type RigOutlet } from './outlets';
import { sayHours } from './say';

/** A box of a tree that is drawn: where something comes from, where it comes out, where it goes to. */
export interface TreeNode {
  id: string;
  is: 'pack' | 'outlet' | 'device';
  name: string;
  /** A line of figures under the name. */
  line: string;
  /** The worst that is said of it; null where nothing is. */
  state: State | null;
}

/** What feeds what, to be drawn: packs at the left, outlets, what is fed at the right. */
export interface PowerNode extends TreeNode {
  outlet?: RigOutlet;
  device?: Device;
}

export interface PowerEdge {
  from: string;
  to: string;
  /** Lead, volts and amps on it; nothing between a pack and the plate that it stands on. */
  name: string;
  line: string;
  state: State | null;
}

export interface Tree<N extends TreeNode = TreeNode> {
  nodes: readonly N[];
  edges: readonly PowerEdge[];
}
export type PowerTree = Tree<PowerNode>;

/** What the figures of a tree are of: how its devices are used, and how full its packs are. */
export interface Shown {
  use: keyof Mix | 'day' | 'most';
  packs: 'full' | 'nominal' | 'empty';
}

/** At work, on packs as their number says. */
export const AT_WORK: Shown = { use: 'rolling', packs: 'nominal' };

export const USES: Readonly<Record<Shown['use'], string>> = {
  idle: 'at rest',
  ready: 'ready',
  rolling: 'at work',
  most: 'at most',
  day: 'mean of the day',
};
export const CHARGES: Readonly<Record<Shown['packs'], string>> = {
  full: 'full',
  nominal: 'nominal',
  empty: 'empty',
};

function takesOf(built: Built, { use }: Shown): Takes {
  return use === 'most' ? use : use === 'day' ? mixOf(built) : allOf(use);
}

const packId = (use: string) => `pack ${use}`;
const outletId = (o: Pick<RigOutlet, 'from' | 'id'>) => `outlet ${o.from}/${o.id}`;
const deviceId = (d: Device) => `device ${deviceKey(d)}`;

/** Which of several states is shown. */
const first = (states: readonly State[]): State | null =>
  states.length === 0 ? null : states.reduce((a, b) => (RANK[b] < RANK[a] ? b : a));

type OfLink = (device: Device, which: RegExp) => State | null;
type Said = (...keys: string[]) => State | null;

/** What is said of a lead: whether it goes in, what comes through, how it lies; a tie more is one of the list. */
const OF_LEAD = /^(power\.(volts|fit|switch)|cable\.(?!tie$))/;
/** What is said of a device by what feeds it. */
const OF_DEVICE = /^power\./;

/**
 * The tree of a rig.
 *
 * @param verdicts what was said of the rig; states are theirs and nobody else's
 * @param shown what its figures are of; states are of the whole, whatever is shown
 */
export function powerTree(
  built: Built,
  verdicts: readonly Verdict[],
  shown: Shown = AT_WORK,
): PowerTree {
  const byKey = new Map(verdicts.map((v) => [v.key, v.state]));
  const said: Said = (...keys) => first(keys.flatMap((k) => byKey.get(k) ?? []));
  // A finding of a link is named by its check and by what is fed.
  const of = new Map<string, Verdict[]>();
  for (const v of verdicts) {
    const key = v.key.slice(v.id.length + 1);
    const list = of.get(key);
    if (list) list.push(v);
    else of.set(key, [v]);
  }
  const link: OfLink = (device, which) =>
    first((of.get(deviceKey(device)) ?? []).flatMap((v) => (which.test(v.id) ? [v.state] : [])));
  const outlets = outletsOn(built);
  const feeds = feedsOn(built);
  const fed = new Map(feeds.map((f) => [deviceKey(f.device), f]));
  const devices = devicesOn(built).map(({ device }) => ({ device, f: fed.get(deviceKey(device)) }));
  return {
    nodes: [
      ...packsOn(built).map(({ use, part }) => packNode(use, part, verdicts)),
      ...mainsOn(built).map(mainsNode),
      ...outlets.map((o) => outletNode(built, o, said, shown)),
      ...devices.map(({ device, f }) => deviceNode(device, f, takesOf(built, shown), link, said)),
    ],
    edges: [
      ...outlets.flatMap((o) =>
        behindIt(o).map((from): PowerEdge => ({
          from,
          to: outletId(o),
          name: '',
          line: '',
          state: null,
        })),
      ),
      ...devices.flatMap(({ f }) => (f?.out ? [leadEdge(built, f, f.out, shown, link)] : [])),
    ],
  };
}

function packNode(use: FittedUse, part: Fitting, verdicts: readonly Verdict[]): PowerNode {
  const of = (id: string) =>
    verdicts.find((v) => v.key === `${id}:${use.id}` || v.key === `${id}:${use.to}`);
  const hours = of('power.hours');
  const day = of('power.day');
  const wh = given(part, 'wattHours').known;
  const lasts = hours?.margin
    ? sayHours(hours.margin.value + (hours.limit?.value ?? 0))
    : 'hours not known';
  return {
    id: packId(use.id),
    is: 'pack',
    name: part.name,
    line: `${wh ? `${plain(wh.value, 0)} Wh` : 'Wh not known'}, ${lasts}`,
    state: first([hours, day].flatMap((v) => (v ? [v.state] : []))),
  };
}

/** It lasts; what it feeds goes dark with its plug. */
const mainsNode = ({ use, part }: RigMains): PowerNode => ({
  id: packId(use.id),
  is: 'pack',
  name: part.name,
  line: 'from the mains',
  state: null,
});

function outletNode(built: Built, o: RigOutlet, said: Said, shown: Shown): PowerNode {
  const volts = voltsOf(o, shown).known;
  return {
    id: outletId(o),
    is: 'outlet',
    name: o.outlet.name,
    line: [
      `of ${built.kit.get(o.part)?.name ?? o.part}`,
      volts ? `${plain(volts.value, 1)} V` : 'volts not known',
      o.amps.known ? `up to ${plain(o.amps.known.value, 1)} A` : 'amps not known',
    ].join(', '),
    state: said(`power.amps:${o.from}/${o.id}`, `power.port:${o.from}/${o.id}`),
    outlet: o,
  };
}

function deviceNode(
  device: Device,
  f: Feed | undefined,
  takes: Takes,
  link: OfLink,
  said: Said,
): PowerNode {
  const { part } = device;
  const own = part.ownPack ? 'own battery' : 'not fed';
  const none = part.ownPack ? null : said('power.feed');
  return {
    id: deviceId(device),
    is: 'device',
    name: part.name,
    line: [wattsOf(part, takes), ...(f ? [] : [own])].join(', '),
    state: f ? link(device, OF_DEVICE) : none,
    device,
  };
}

/** What a device takes, and what that is by where nobody said. */
function wattsOf(part: Device['part'], takes: Takes): string {
  const watts = ownOf(part, takes);
  if (!watts.known) return 'watts not known';
  const says = `${plain(watts.known.value, 0)} W`;
  if (takes === 'most') return watts.known.from === 'guess' ? `about ${says}` : says;
  const lacks = (key: string) => given(part, key).known === null;
  if (takes.rolling < 1 && watts === given(part, 'watts')) return `${says} as at work`;
  if (takes.ready === 1 && lacks('wattsReady')) return `${says} as at rest`;
  return takes.idle === 1 && lacks('wattsIdle') ? `${says} as ready` : says;
}

/** Volts of an outlet as its packs are: a regulated one holds them. */
const voltsOf = (o: RigOutlet, { packs }: Shown) =>
  packs === 'full' ? o.most : packs === 'empty' ? o.least : o.volts;

function leadEdge(built: Built, f: Feed, out: RigOutlet, shown: Shown, link: OfLink): PowerEdge {
  const { device } = f;
  const at = inletAt(built, f, out, shown);
  return {
    from: outletId(out),
    to: deviceId(device),
    name: f.lead?.name ?? (cellsOf(out.outlet.plug) === null ? 'no lead chosen' : 'straight in'),
    line:
      at === null
        ? 'volts not known'
        : Number.isFinite(at.amps)
          ? `${plain(at.volts, 1)} V, ${plain(at.amps, 1)} A`
          : 'does not pass it',
    state: link(device, OF_LEAD),
  };
}

/** Packs that stand on the part of an outlet; what gives on, where it is fed itself. */
function behindIt(o: RigOutlet): string[] {
  return o.over.length > 0 ? [`device fitted:${o.from}`] : o.packs.map(packId);
}

/** Volts and amps at the inlet; null where a number is missing. */
function inletAt(built: Built, f: Feed, out: RigOutlet, shown: Shown): At | null {
  const key = deviceKey(f.device);
  const takes = takesOf(built, shown);
  const volts = voltsOf(out, shown);
  if (isPlain(built, f)) {
    const own = ownOf(f.device.part, takes);
    const list = f.lead
      ? [volts, ...leadGivens(f), own]
      : cellsOf(out.outlet.plug) === null
        ? [constant('lead', '', null)]
        : [volts, constant('no lead', 'mm', exactly(0)), constant('', 'mm2', exactly(1)), own];
    const x = list.map((g) => g.known?.value);
    return x.every((v) => v !== undefined) ? atInlet(x) : null;
  }
  const net = netOf(built, rootOf(built, f), volts, takes);
  const x = net.inputs.map((g) => g.known?.value);
  if (!x.every((v) => v !== undefined)) return null;
  return net.solve(x)?.get(key) ?? { volts: 0, amps: Infinity };
}
