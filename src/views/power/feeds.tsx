'use client';

import {
  deviceKey,
  devicesOn,
  feedsOn,
  type Device,
  type Feed,
} from '@/core/areas/power/model/fed';
import { freeLeads } from '@/core/areas/power/model/offers';
import { mainsOn, outletsOn, positionsOf } from '@/core/areas/power/model/outlets';
import { lineOf } from '@/core/areas/power/model/lines';
import { goesBetween } from '@/core/areas/power/model/plugs';
import {
  feedFrom,
  setAway,
  setCelsius,
  setSwitch,
  tie,
  tieOnWay,
  withoutItsLead,
} from '@/core/areas/power/moves/feed';
import { deedsOf, putOn } from '@/core/areas/moves';
import { isMainsUnit, onHand, type FedFrom } from '@/core/kit/types';
import { cellsOf } from '@/core/engine/plugs';
import { plain } from '@/core/quantity/say';
import { Amount, Choose, Piece, Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { Pulls } from './pulls';
import { Lies, Tied, TiedTo, Ties } from './line-parts';

/** Every device as a list: what feeds it, and by which lead. */
export function Feeds({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const feeds = feedsOn(facts.built);
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto p-3">
      <h2 className="sr-only">What feeds what</h2>
      <Amount
        label="temperature"
        value={facts.rig.celsius}
        unit="C"
        hint="as in a room"
        onKeep={(celsius) => edit(setCelsius(facts.rig, celsius))}
      />
      <Mains facts={facts} />
      {devicesOn(facts.built).map(({ device, from }) => {
        const now = feeds.find((f) => deviceKey(f.device) === deviceKey(device));
        return (
          <Section key={deviceKey(device)} title={device.part.name}>
            <FromWhat facts={facts} device={device} from={from} />
            {now?.out && cellsOf(now.out.outlet.plug) === null ? (
              <ByWhat facts={facts} feed={now} />
            ) : null}
            {now?.out && now.out.switched !== null ? <Switch facts={facts} feed={now} /> : null}
            {now?.lead ? <ItsLead facts={facts} feed={now} lead={now.lead.name} /> : null}
            {device.list === 'drives' ? <Pulls facts={facts} use={device.id} /> : null}
          </Section>
        );
      })}
    </div>
  );
}

/** What gives from the mains beside the rig, and how far that is. */
function Mains({ facts: { job, rig, built } }: { facts: RigFacts }) {
  const edit = useEdit();
  const on = mainsOn(built);
  const more = job.kit.filter(isMainsUnit).filter((p) => {
    return on.filter((m) => m.part.id === p.id).length < Math.max(1, onHand(p));
  });
  if (on.length + more.length === 0) return null;
  return (
    <Section title="From the mains">
      {on.map(({ use, part }) => (
        <div key={use.id}>
          <Piece
            part={part}
            use={use.id}
            onOff={() => {
              const off = deedsOf(job, rig).find((d) => d.changes[0]?.path.includes(use.id));
              if (off) edit(off);
            }}
          />
          <Amount
            label={`way to ${part.name}`}
            value={use.away}
            unit="mm"
            positive
            hint="over the floor, up to the rig"
            onKeep={(away) => edit(setAway(rig, use, part.name, away))}
          />
        </div>
      ))}
      {more.length > 0 ? (
        <Choose
          label="stand beside"
          value=""
          none="a mains unit"
          options={more.map((p) => ({
            id: p.id,
            name: p.name,
            pick: () => {
              const put = putOn(job, rig, p);
              if (put) edit(put);
            },
          }))}
        />
      ) : null}
    </Section>
  );
}

function FromWhat({
  facts: { built, rig },
  device,
  from,
}: {
  facts: RigFacts;
  device: Device;
  from: FedFrom | undefined;
}) {
  const edit = useEdit();
  const { name, ownPack } = device.part;
  const feed = (to: FedFrom | null, title: string) => edit(feedFrom(rig, device, to, title));
  return (
    <Choose
      label="fed from"
      value={from ? `${from.from}/${from.id}` : ''}
      none={null}
      options={[
        {
          id: '',
          name: ownPack ? 'its own battery' : 'nobody said',
          pick: () => feed(null, `Leave open what feeds ${name}`),
        },
        ...outletsOn(built)
          .filter((o) => !o.over.includes(device.id))
          .map((o) => ({
            id: `${o.from}/${o.id}`,
            name: `${o.name}${o.volts.known ? `, ${plain(o.volts.known.value, 1)} V` : ''}`,
            pick: () => feed({ from: o.from, id: o.id }, `Feed ${name} from ${o.name}`),
          })),
      ]}
    />
  );
}

/** How the lead of something is tied, and how it lies. */
function ItsLead({ facts, feed, lead }: { facts: RigFacts; feed: Feed; lead: string }) {
  const edit = useEdit();
  const { rig } = facts;
  const { device, from, out } = feed;
  const line = lineOf(feed);
  return (
    <>
      <Tied line={line} onSet={(tied) => edit(tie(rig, device, from, tied, lead))} />
      {out?.mains || line.via ? null : (
        <Ties line={line} onSet={(n) => edit(tieOnWay(rig, device, from, n, lead))} />
      )}
      {out?.mains ? null : <TiedTo facts={facts} line={line} />}
      <Lies facts={facts} line={line} />
    </>
  );
}

const SUITS: Readonly<Record<string, string>> = {
  true: ', fits',
  false: ', does not fit',
  null: '',
};

function ByWhat({
  facts: { built, rig },
  feed: { device, from, out },
}: {
  facts: RigFacts;
  feed: Feed;
}) {
  const edit = useEdit();
  const { name } = device.part;
  const feed = (lead: string | undefined, title: string) => {
    const bare = withoutItsLead(from);
    edit(feedFrom(rig, device, lead === undefined ? bare : { ...bare, lead }, title));
  };
  return (
    <Choose
      label="lead"
      value={from.lead ?? ''}
      none={null}
      options={[
        {
          id: '',
          name: 'none chosen',
          pick: () => feed(undefined, `Leave open which lead feeds ${name}`),
        },
        ...freeLeads(built, from.lead).map((l) => ({
          id: l.id,
          name: `${l.name}${SUITS[String(goesBetween(out!.outlet, l, device.part))]!}`,
          pick: () => feed(l.id, `Feed ${name} by ${l.name}`),
        })),
      ]}
    />
  );
}

/** How the switch of an outlet is set: its volts, one or the other. */
function Switch({ facts: { built, rig }, feed }: { facts: RigFacts; feed: Feed }) {
  const edit = useEdit();
  const out = feed.out!;
  const set = (switched: boolean | undefined, title: string) => () =>
    edit(setSwitch(rig, feed.device, feed.from, switched, title));
  return (
    <Choose
      label="its switch"
      value={feed.from.switched === undefined ? '' : String(feed.from.switched)}
      none={null}
      options={[
        {
          id: '',
          name: 'nobody said',
          pick: set(undefined, `Leave open how the switch of ${out.name} is set`),
        },
        ...positionsOf(built, out).map((o) => {
          const volts = o.volts.known ? `${plain(o.volts.known.value, 1)} V` : 'volts not known';
          return {
            id: String(o.switched),
            name: volts,
            pick: set(o.switched === true, `Switch ${out.name} to ${volts}`),
          };
        }),
      ]}
    />
  );
}
