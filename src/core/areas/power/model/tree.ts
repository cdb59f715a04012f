import type { Built } from '../../../build/build';
import { RANK, type State, type Verdict } from '../../../checks/finding';
import { constant, exactly, given } from '../../../build/given';
import { cellsOf } from '../../../engine/plugs';
import type { At } from '../../../feed/network';
import { plain } from '../../../quantity/say';
import type { Fitting, FittedUse } from '../../../kit/types';
import { isPlain, netOf, ownOf, rootOf } from './branch';
import { atInlet, deviceKey, devicesOn, feedsOn, leadGivens, type Device, type Feed } from './fed';
import { outletsOn, packsOn, type RigOutlet } from './outlets';
import { sayHours } from './say';

/** What feeds what, to be drawn: packs at the left, outlets, what is fed at the right. */
export interface PowerNode {
  id: string;
  is: 'pack' | 'outlet' | 'device';
  name: string;
  /** A line of figures under the name. */
  line: string;
  /** The worst that is said of it; null where nothing is. */
  state: State | null;
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

export interface PowerTree {
  nodes: readonly PowerNode[];
  edges: readonly PowerEdge[];
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
 */
export function powerTree(built: Built, verdicts: readonly Verdict[]): PowerTree {
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
      ...outlets.map((o) => outletNode(built, o, said)),
      ...devices.map(({ device, f }) => deviceNode(device, f, link, said)),
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
      ...devices.flatMap(({ f }) => (f?.out ? [leadEdge(built, f, f.out, link)] : [])),
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

function outletNode(built: Built, o: RigOutlet, said: Said): PowerNode {
  return {
    id: outletId(o),
    is: 'outlet',
    name: o.outlet.name,
    line: [
      `of ${built.kit.get(o.part)?.name ?? o.part}`,
      o.volts.known ? `${plain(o.volts.known.value, 1)} V` : 'volts not known',
      o.amps.known ? `up to ${plain(o.amps.known.value, 1)} A` : 'amps not known',
    ].join(', '),
    state: said(`power.amps:${o.from}/${o.id}`, `power.port:${o.from}/${o.id}`),
    outlet: o,
  };
}

function deviceNode(device: Device, f: Feed | undefined, link: OfLink, said: Said): PowerNode {
  const { part } = device;
  const watts = given(part, 'watts').known;
  const own = part.ownPack ? 'own battery' : 'not fed';
  const none = part.ownPack ? null : said('power.feed');
  return {
    id: deviceId(device),
    is: 'device',
    name: part.name,
    line: [watts ? `${plain(watts.value, 0)} W` : 'watts not known', ...(f ? [] : [own])].join(
      ', ',
    ),
    state: f ? link(device, OF_DEVICE) : none,
    device,
  };
}

function leadEdge(built: Built, f: Feed, out: RigOutlet, link: OfLink): PowerEdge {
  const { device } = f;
  const at = nominalAt(built, f, out);
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

/** Volts and amps at work; null where a number is missing. */
function nominalAt(built: Built, f: Feed, out: RigOutlet): At | null {
  const key = deviceKey(f.device);
  if (isPlain(built, f)) {
    const own = ownOf(f.device.part, 1);
    const list = f.lead
      ? [out.volts, ...leadGivens(f), own]
      : cellsOf(out.outlet.plug) === null
        ? [constant('lead', '', null)]
        : [out.volts, constant('no lead', 'mm', exactly(0)), constant('', 'mm2', exactly(1)), own];
    const x = list.map((g) => g.known?.value);
    return x.every((v) => v !== undefined) ? atInlet(x) : null;
  }
  const net = netOf(built, rootOf(built, f), out.volts, 1);
  const x = net.inputs.map((g) => g.known?.value);
  if (!x.every((v) => v !== undefined)) return null;
  return net.solve(x)?.get(key) ?? { volts: 0, amps: Infinity };
}
