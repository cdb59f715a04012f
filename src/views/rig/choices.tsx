'use client';

import { ChevronDown } from 'lucide-react';
import dynamic from 'next/dynamic';
import { memo, type Ref, type ButtonHTMLAttributes } from 'react';
import { focalRange, isZoom } from '@/core/build/lens';
import { frontOf } from '@/core/areas/front/place/front';
import { exact, metres, plain } from '@/core/quantity/say';
import { Picker } from '@/ui/picker';
import { Pop } from '@/ui/pop';
import { usePartSheet } from '@/views/part/part-sheet';
import { useStore } from '@/views/store/store-context';
import { NO_OPTIONS, useOptions } from '../bench/use-options';
import type { RigFacts } from '../bench/use-rig';

/** The forms come when they are first opened. */
const FrontPanel = dynamic(() => import('../areas/front/front-panel'), { ssr: false });
const BesidePanel = dynamic(() => import('@/views/areas/beside-panel'), { ssr: false });
const BetweenFooter = dynamic(
  () => import('../areas/mount/between-footer').then((m) => m.BetweenFooter),
  {
    ssr: false,
  },
);
const FramesForm = dynamic(
  () => import('../areas/coverage/choice-forms').then((m) => m.FramesForm),
  {
    ssr: false,
  },
);
const SettingsForm = dynamic(
  () => import('../areas/coverage/choice-forms').then((m) => m.SettingsForm),
  {
    ssr: false,
  },
);

/** A choice on the strip: what it is, small; what is there now, large. */
function Choice({
  label,
  value,
  ref,
  grow = false,
  ...rest
}: {
  label: string;
  value: string;
  grow?: boolean;
  ref?: Ref<HTMLButtonElement>;
} & ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button
      ref={ref}
      type="button"
      aria-label={`${label}: ${value}`}
      className={`flex min-h-11 min-w-0 items-center gap-1 border-r border-rule px-3 py-1 text-left hover:bg-sunk data-[state=open]:bg-sunk ${grow ? 'flex-1' : ''}`}
      {...rest}
    >
      <span className="min-w-0 flex-1">
        <span className="block text-sm leading-4 text-soft">{label}</span>
        <span className="block truncate font-semibold leading-5">{value}</span>
      </span>
      <ChevronDown size={15} className="shrink-0 text-soft" aria-hidden="true" />
    </button>
  );
}

export const Choices = memo(function Choices({ facts }: { facts: RigFacts }) {
  const store = useStore();
  const sheet = usePartSheet();
  const { built } = facts;
  const edit = store?.edit ?? (() => undefined);
  const options = useOptions();
  const between = built.links.map((l) => l.link.name).join(' + ') || 'nothing';
  const open = (id: string | undefined, what: string) =>
    id ? (
      <button
        type="button"
        className="flex min-h-11 w-full items-center px-2 text-left underline"
        onClick={() => sheet.open(id)}
      >
        {what}
      </button>
    ) : null;
  return (
    <div
      role="group"
      aria-label="What the rig is made of"
      className="grid grid-cols-2 bg-panel sm:grid-cols-3 lg:flex"
    >
      <Picker
        label="Body"
        placeholder="which body"
        options={options?.bodyOptions(facts, edit) ?? NO_OPTIONS}
        trigger={<Choice label="body" value={built.body?.name ?? 'none yet'} grow />}
        footer={open(built.body?.id, `Sheet of ${built.body?.name ?? ''}`)}
      />
      <Picker
        label="Recording mode"
        placeholder="which mode"
        options={options?.modeOptions(facts, edit) ?? NO_OPTIONS}
        trigger={<Choice label="records" value={built.mode?.name ?? 'no mode'} grow />}
      />
      <FramesChoice facts={facts} />
      <Picker
        label="Between body and lens"
        placeholder="which adapter or reducer"
        options={options?.linkOptions(facts, edit) ?? NO_OPTIONS}
        trigger={<Choice label="adapters" value={between} grow />}
        footer={<BetweenFooter facts={facts} />}
      />
      <FrontChoice facts={facts} />
      <BesideChoice facts={facts} />
      <SettingsChoice facts={facts} />
    </div>
  );
});

/** What stands in front of the lens. */
function FrontChoice({ facts }: { facts: RigFacts }) {
  const { thread, box } = frontOf(facts.built);
  const names = [
    box?.box.name,
    ...(box?.stages ?? []).flatMap((s) => (s.filter && !s.out ? [s.filter.name] : [])),
    ...thread.filter((t) => t.part.kind === 'filter').map((t) => t.part.name),
    ...thread.filter((t) => t.part.kind === 'ring').map((t) => t.part.name),
  ].filter(Boolean);
  return (
    <Pop
      trigger={<Choice label="in front" value={names.join(', ') || 'nothing'} grow />}
      label="In front of the lens"
      align="end"
      className="max-h-[var(--radix-popover-content-available-height)] w-[min(52rem,94vw)] overflow-auto p-3"
    >
      <FrontPanel facts={facts} />
    </Pop>
  );
}

/** What stands under and beside the camera. */
function BesideChoice({ facts }: { facts: RigFacts }) {
  return (
    <Pop
      trigger={<Choice label="on the rig" value={besideNames(facts) || 'nothing'} grow />}
      label="On the rig: plate, rods, support, drives and what is fitted"
      align="end"
      className="max-h-[var(--radix-popover-content-available-height)] w-[min(52rem,94vw)] overflow-auto p-3"
    >
      <BesidePanel facts={facts} />
    </Pop>
  );
}

function besideNames({ rig, base }: RigFacts): string {
  return [
    ...(rig.drives ?? []),
    ...(rig.rods ?? []),
    ...(rig.supports ?? []),
    ...(rig.fitted ?? []),
    ...(rig.under ?? []),
  ]
    .map((u) => base.kit.get(u.part)?.name)
    .filter(Boolean)
    .join(', ');
}

function FramesChoice({ facts }: { facts: RigFacts }) {
  const { rig } = facts;
  const label = rig.frames
    .map((f) => f.name + (f.scale && f.scale < 1 ? ` at ${exact(f.scale * 100, 1)} %` : ''))
    .join(', ');
  const lies = rig.upright === undefined ? '' : ', upright';
  return (
    <Pop
      trigger={<Choice label="framed for" value={`${label || 'nothing yet'}${lies}`} grow />}
      label="Delivery frames"
      align="start"
      className="max-h-[75vh] w-[min(27rem,94vw)] overflow-auto p-3"
    >
      <FramesForm facts={facts} />
    </Pop>
  );
}

/** Focal length of a zoom, stop, focus and what to compare with. */
function SettingsChoice({ facts }: { facts: RigFacts }) {
  const { built, rig } = facts;
  const range = focalRange(built.lens);
  const zoom = isZoom(built.lens) && range;
  const focal = built.focal.known?.value;
  const stop = built.stop.known?.value;
  const parts = [
    zoom && focal !== undefined ? `${plain(focal)} mm` : null,
    stop === undefined ? 'stop unknown' : `T${plain(stop)}`,
    rig.focus === undefined ? '\u221e' : metres(rig.focus),
  ].filter(Boolean);
  return (
    <Pop
      trigger={
        <Choice label={zoom ? 'zoom, stop, focus' : 'stop, focus'} value={parts.join('  ')} grow />
      }
      label="Settings of the lens"
      align="end"
      className="w-[min(24rem,94vw)] p-3"
    >
      <SettingsForm facts={facts} />
    </Pop>
  );
}
