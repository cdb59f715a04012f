import type { Built } from '../../../build/build';
import { candidate, hire, kitOf, type Candidate, type Generator } from '../../../checks/candidate';
import { at } from '../../../edit/rig-path';
import type { Verdict } from '../../../checks/finding';
import { inWords } from '../../../checks/judge';
import { cellsOf } from '../../../engine/plugs';
import { plain } from '../../../quantity/say';
import { PASSES } from '../model/branch';
import { deviceKey, devicesOn, feedsOn, unfedOn, type Device, type Feed } from '../model/fed';
import { freeLeads } from '../model/offers';
import { outletsOn, packsOn, positionsOf, switchOf, type RigOutlet } from '../model/outlets';
import { goesBetween, goesInto } from '../model/plugs';
import { proposed } from '../model/propose';
import { farthest, runOf, tiesFor } from '../model/run';
import { feedFrom, setSwitch, tie, tieOnWay, tiesOf } from '../moves/feed';

function feeding(built: Built, device: Device): Candidate[] {
  const own = (f: Feed) => f.device.list === device.list && f.device.id === device.id;
  const feeds = feedsOn(built);
  const now = feeds.find(own);
  const used = new Set(feeds.filter((f) => !own(f)).map((f) => `${f.from.from}/${f.from.id}`));
  // Who tied the one ties the other.
  const ties = tiesOf(now?.from);
  const list: Candidate[] = [];
  for (const out of outletsOn(built).flatMap((o) => positionsOf(built, o))) {
    const same = now?.from.from === out.from && now.from.id === out.id;
    if (used.has(`${out.from}/${out.id}`) || out.over.includes(device.id)) continue;
    // The lead it hangs on comes along.
    for (const lead of freeLeads(built, now?.lead?.id).filter(
      (l) => goesBetween(out.outlet, l, device.part) === true,
    )) {
      if (same && now.lead?.id === lead.id) continue;
      list.push(
        candidate(
          feedFrom(
            built.rig,
            device,
            { from: out.from, id: out.id, lead: lead.id, ...ties, ...switchOf(out) },
            `Feed ${device.part.name} from ${out.name} by ${lead.name}${setAt(out)}`,
          ),
          1,
          same ? 0.1 : 0.2,
          'feed',
          hire(lead),
        ),
      );
    }
    // Without a lead of which it is known that it goes: the outlet alone.
    if (!same && (cellsOf(out.outlet.plug) === null || goesInto(out.outlet, device.part)))
      list.push(
        candidate(
          feedFrom(
            built.rig,
            device,
            { from: out.from, id: out.id, ...switchOf(out) },
            `Feed ${device.part.name} from ${out.name}${setAt(out)}`,
          ),
          0,
          0.5,
          'outlet',
        ),
      );
  }
  return list;
}

const setAt = (out: RigOutlet) =>
  typeof out.switched === 'boolean' && out.volts.known
    ? `, its switch at ${plain(out.volts.known.value, 1)} V`
    : '';

/** The switch of the outlet set the other way, or set at all. */
const switching = (built: Built, v: Verdict): Candidate[] =>
  feedsOn(built).flatMap(({ device, from, out }) =>
    out && out.switched !== null && v.about.includes(out.part)
      ? positionsOf(built, out)
          .filter((o) => o.switched !== out.switched)
          .map((o) =>
            candidate(
              setSwitch(
                built.rig,
                device,
                from,
                o.switched!,
                `Set the switch of ${o.name} to ${o.volts.known ? `${plain(o.volts.known.value, 1)} V` : 'its other position'}`,
              ),
              0,
              0,
              'switch',
            ),
          )
      : [],
  );

/** All that is in the dark fed at once, the best way that there is. */
function together(built: Built): Candidate[] {
  const dark = unfedOn(built);
  const feeds = feedsOn(built);
  const used = new Set(feeds.map((f) => `${f.from.from}/${f.from.id}`));
  const free = outletsOn(built).filter((o) => !used.has(`${o.from}/${o.id}`));
  const { fed, sure } = proposed(built, dark, free, freeLeads(built));
  if (fed.length < 2 || fed.length < dark.length) return [];
  const name = (id: string) => built.kit.get(id)?.name ?? id;
  const said = fed.map(({ device, from }) => {
    const out = free.find((o) => o.from === from.from && o.id === from.id)!;
    return `${device.part.name} from ${out.name}${from.lead === undefined ? '' : ` by ${name(from.lead)}`}`;
  });
  return [
    candidate(
      {
        title: `Feed ${inWords(said)}${sure ? '' : ': the best that was found, others may be better'}`,
        changes: fed.flatMap(({ device, from }) => feedFrom(built.rig, device, from, '').changes),
      },
      fed.filter((f) => f.from.lead !== undefined).length,
      0,
      'feed',
    ),
  ];
}

/** Another pack in the place of the one that is too small. */
function otherPacks(built: Built): Candidate[] {
  return packsOn(built).flatMap(({ use, part }) =>
    kitOf(built)
      .filter((p) => p.kind === 'battery' && p.id !== part.id)
      .map((p) =>
        candidate(
          {
            title: `Use ${p.name} instead of ${part.name}`,
            changes: [{ path: at(built.rig, 'fitted', use.id, 'part'), value: p.id }],
          },
          2,
          1,
          'pack',
          hire(p),
        ),
      ),
  );
}

/** Another one in the place of what gives on: one with a converter, one for other volts. */
const otherGiver = (built: Built, v: Verdict): Candidate[] =>
  (built.rig.fitted ?? []).flatMap((u) => {
    const part = built.kit.get(u.part);
    if (!part || !PASSES.has(part.kind) || !v.about.includes(part.id)) return [];
    return kitOf(built)
      .filter((p) => PASSES.has(p.kind) && p.id !== part.id)
      .map((p) =>
        candidate(
          {
            title: `Use ${p.name} instead of ${part.name}`,
            changes: [{ path: at(built.rig, 'fitted', u.id, 'part'), value: p.id }],
          },
          1,
          0.5,
          'giver',
          hire(p),
        ),
      );
  });

/** A lead that is only pushed in, tied. */
const tied = (built: Built, v: Verdict): Candidate[] =>
  feedsOn(built).flatMap(({ device, from, lead }) =>
    lead && v.key === `${v.id}:${deviceKey(device)}`
      ? [candidate(tie(built.rig, device, from, true, lead.name), 0, 0, 'tie')]
      : [],
  );

/** A lead that hangs loose, tied as often as its way takes. */
const tiedOnWay = (built: Built, v: Verdict): Candidate[] =>
  feedsOn(built).flatMap((f) => {
    if (!f.lead || v.key !== `cable.tie:${deviceKey(f.device)}`) return [];
    const run = runOf(built, f);
    const far = run && run.missing.length === 0 ? farthest(run) : Infinity;
    if (!Number.isFinite(far)) return [];
    const n = tiesFor(far, built.rules['cable.tie']);
    return [candidate(tieOnWay(built.rig, f.device, f.from, n, f.lead.name), 0, 0, 'tie')];
  });

/** Another pack, another lead in the place of one that there are too few of. */
const inPlaceOf = (built: Built, v: Verdict): Candidate[] => [
  ...(packsOn(built).some((p) => v.about.includes(p.part.id)) ? otherPacks(built) : []),
  ...feedsOn(built).flatMap((f) =>
    f.lead && v.about.includes(f.lead.id) ? feeding(built, f.device) : [],
  ),
];

/** Another outlet, another lead, another pack. */
export const otherFeeds: Generator = (built, v) => {
  if (v.id === 'space.pieces') return inPlaceOf(built, v);
  if (!v.id.startsWith('power.') && !v.id.startsWith('cable.')) return [];
  if (v.id === 'power.hours') return otherPacks(built);
  if (v.id === 'cable.lock' || v.id === 'cable.strain') return tied(built, v);
  if (v.id === 'cable.tie') return tiedOnWay(built, v);
  if (v.id === 'power.switch') return switching(built, v);
  const all = v.id === 'power.feed' ? together(built) : [];
  return all.concat(
    v.id === 'power.volts' ? [...switching(built, v), ...otherGiver(built, v)] : [],
    devicesOn(built)
      .filter(({ device }) => v.about.includes(device.part.id))
      .flatMap(({ device }) => feeding(built, device)),
  );
};
