'use client';

import { useId } from 'react';
import { sayLength } from '@/core/quantity/say';
import { byTightness, tightnessOf, toolsOf } from '@/core/areas/joints/model/lists';
import { stockedBill, toolRoll, type Stocked } from '@/core/areas/joints/model/tools';
import type { NamedSeat } from '@/core/areas/joints/model/seats';
import type { FittedUse } from '@/core/kit/types';
import { Choose, Section } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { TextInput } from '@/views/part/cells';

const TIGHT = [
  { id: 'snug', name: 'snug' },
  { id: 'firm', name: 'firm' },
  { id: 'critical', name: 'critical: signed off' },
] as const;

/** How tight a joint is, and who signed it off where it is critical. */
export function HowTight({
  seat: s,
  onSet,
}: {
  seat: NamedSeat;
  onSet: (to: Partial<FittedUse>, title: string) => void;
}) {
  const { name } = s.part;
  return (
    <>
      <Choose
        label="tight"
        value={tightnessOf(s)}
        none={null}
        options={TIGHT.map((t) => ({
          ...t,
          pick: () =>
            onSet(
              { tight: t.id, signed: t.id === 'critical' ? s.use.signed : undefined },
              `${name} ${t.id}`,
            ),
        }))}
      />
      {tightnessOf(s) === 'critical' ? (
        <SignedOff
          by={s.use.signed}
          name={name}
          onKeep={(signed) =>
            onSet({ signed }, signed ? `${name} signed off` : `${name} not signed off`)
          }
        />
      ) : null}
    </>
  );
}

/** Who signed a critical joint off, as a role. */
function SignedOff({
  by,
  name,
  onKeep,
}: {
  by: string | undefined;
  name: string;
  onKeep: (role: string | undefined) => void;
}) {
  const id = useId();
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={id} className="min-w-28 text-soft">
        signed off by
      </label>
      <TextInput
        id={id}
        value={by ?? ''}
        className="w-full"
        check={(t) => (t.length > 40 ? `Who signed ${name} off, in 40 characters.` : null)}
        onKeep={(t) => onKeep(t === '' ? undefined : t)}
      />
    </div>
  );
}

/** Joints by how tight they are, for going round with a key: critical ones first, each signed off. */
export function Tightness({ facts }: { facts: RigFacts }) {
  const list = byTightness(facts.built);
  if (list.length === 0) return null;
  return (
    <Section title="By how tight">
      {list.map(({ tight, joints }) => (
        <div key={tight} className="border-t border-rule py-1">
          <h4 className="font-semibold">{tight}</h4>
          <ul>
            {joints.map((j) => (
              <li key={j.use} className="text-sm">
                {j.said}
                {tight === 'critical' ? (
                  <span className={j.signed === null ? 'text-tight' : 'text-soft'}>
                    {j.signed === null ? ', not signed off' : `, signed off by the ${j.signed}`}
                  </span>
                ) : null}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </Section>
  );
}

/** Screws of the rig, and what the kit has of each. */
export function Screws({ facts }: { facts: RigFacts }) {
  const bill = stockedBill(facts.built);
  if (bill.length === 0) return null;
  return (
    <Section title="Screws">
      <ul>
        {bill.map((l) => (
          <li
            key={`${l.thread} ${l.length} ${l.driver} ${l.captive}`}
            className="border-t border-rule py-1"
          >
            {l.count} x {l.thread},{' '}
            {l.length === null
              ? 'length not known'
              : `${sayLength(l.length)}${l.captive ? ' standing out, captive' : ''}`}
            <InTheKit line={l} />
            <span className="block text-sm text-soft">{l.joints.join('; ')}</span>
          </li>
        ))}
      </ul>
    </Section>
  );
}

/** How many of a screw there are, and how many more are wanted. */
function InTheKit({ line: { have, count, worn } }: { line: Stocked }) {
  if (have === null) return null;
  const short = count - have;
  return (
    <span className={`block text-sm ${short > 0 ? 'text-tight' : 'text-soft'}`}>
      {short > 0
        ? `${have === 0 ? 'none' : have} in the kit, ${short} more wanted`
        : `${have} in the kit, ${-short} spare`}
      {worn.length > 0 ? (
        <span className="text-tight">
          ; the thread of {worn.map((s) => s.name).join(', ')} is going
        </span>
      ) : null}
    </span>
  );
}

/** Tools to take: the fewest of the kit that turn every screw, and where each lives. */
export function Tools({ facts }: { facts: RigFacts }) {
  const { needed, free, unknown } = toolsOf(facts.built);
  const { take, lacking } = toolRoll(facts.built);
  if (needed.length === 0 && free.length === 0) return null;
  return (
    <Section title="Tools to take">
      <ul>
        {take.map(({ key, turns, lives, toHire }) => (
          <li key={key.id} className="border-t border-rule py-1">
            {key.name}: {turns.map((d) => d.name).join(', ')}
            <span className="block text-sm text-soft">
              {toHire
                ? 'to be hired'
                : lives === null
                  ? 'where it lives: not said'
                  : `lives ${lives}`}
            </span>
          </li>
        ))}
        {lacking.map((d) => (
          <li key={d.id} className="border-t border-rule py-1 text-tight">
            {d.name}: none in the kit
            <span className="block text-sm text-soft">
              {needed.find((n) => n.driver.id === d.id)!.joints.join('; ')}
            </span>
          </li>
        ))}
      </ul>
      <p className="border-t border-rule py-1">
        {needed.length === 0 ? 'None: everything opens by hand. ' : ''}
        {free.length} {free.length === 1 ? 'joint opens' : 'joints open'} by hand.
        {unknown.length > 0 ? ` Not said for ${unknown.join('; ')}.` : ''}
      </p>
    </Section>
  );
}
