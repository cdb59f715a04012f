'use client';

import { ruleName } from '@/core/rules/names';
import { useId, useState } from 'react';
import { REASONS } from '@/core/rules/reasons';
import { RULES, RULE_SETS, ruleValues, type Rule, type RuleId } from '@/core/rules/rules';
import type { Job } from '@/core/kit/types';
import { plain } from '@/core/quantity/say';
import { TextInput } from '@/views/part/cells';
import { useSnapshot, useStore } from '@/views/store/store-context';

const SET_WORDS = {
  house: 'house: the usual middle',
  strict: 'strict: rental-house prep, wide margins',
  light: 'light: the smallest rig that works',
} as const;

/** What the rules of an area are about, by the first word of their ids. */
const AREA_WORDS: Readonly<Record<string, string>> = {
  coverage: 'What the lens covers',
  mount: 'Mounts and adapters',
  focus: 'Focus and marks',
  front: 'In front of the lens',
  rods: 'Rods',
  drive: 'Focus drives and motors',
  support: 'Supports and loads',
  space: 'Room between parts',
  sight: 'What the camera sees of its rig',
  joint: 'Joints and screws',
  light: 'Light',
  carry: 'How it is carried',
  power: 'What feeds it',
  cable: 'Leads',
  media: 'What is recorded on',
};

const areaOf = (r: Rule) => r.id.split('.')[0]!;

/** Whether a rule, its reason or the other school speaks of all the words. */
function speaksOf(r: Rule, query: string): boolean {
  const { reason, otherSchool } = REASONS[r.id as RuleId];
  const text =
    `${ruleName(r.id)} ${reason} ${otherSchool} ${AREA_WORDS[areaOf(r)] ?? ''}`.toLowerCase();
  return query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** House rules: every limit that no standard gives, with its reason and its other school. */
export function RulesView() {
  const { job } = useSnapshot();
  if (!job) return <p className="p-8 text-soft">No job is open.</p>;
  return <Rules job={job} />;
}

function Rules({ job }: { job: Job }) {
  const values = ruleValues(job.rules);
  const set = job.rules?.set ?? 'house';
  const id = useId();
  const [query, setQuery] = useState('');
  const [own, setOwn] = useState(false);
  const changed = RULES.filter((r) => values[r.id] !== r[set]);
  const shown = (own ? changed : RULES).filter((r) => speaksOf(r, query));
  const areas = [...new Set(RULES.map(areaOf))].filter((a) => shown.some((r) => areaOf(r) === a));
  return (
    <section className="mx-auto max-w-4xl p-4">
      <h1 className="text-xl font-semibold">House rules of {job.name}</h1>
      <SetChoice set={set} />
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
        <span className="flex items-center gap-2">
          <label htmlFor={id} className="text-soft">
            find
          </label>
          <input
            id={id}
            type="search"
            value={query}
            onChange={(e) => setQuery(e.target.value)}
            className="h-11 w-56 rounded-sm border border-edge bg-panel px-2"
          />
        </span>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={own}
            onChange={(e) => setOwn(e.target.checked)}
          />
          only what differs from the set ({changed.length})
        </label>
      </div>
      {shown.length === 0 ? (
        <p className="mt-3" role="status">
          {own && changed.length === 0
            ? 'Every rule is as the set has it.'
            : `No rule speaks of "${query}".`}
        </p>
      ) : null}
      {areas.map((area) => (
        <section key={area} aria-label={AREA_WORDS[area] ?? area} className="mt-4">
          <h2 className="text-lg font-semibold">{AREA_WORDS[area] ?? area}</h2>
          <ul>
            {shown
              .filter((r) => areaOf(r) === area)
              .map((r) => (
                <RuleLine key={r.id} job={job} rule={r} value={values[r.id]} set={set} />
              ))}
          </ul>
        </section>
      ))}
    </section>
  );
}

/** The ready sets of rules, one of them to begin with. */
function SetChoice({ set }: { set: (typeof RULE_SETS)[number] }) {
  const store = useStore();
  return (
    <fieldset className="my-3">
      <legend className="text-soft">Begin with the set</legend>
      <div className="flex flex-wrap gap-x-6">
        {RULE_SETS.map((s) => (
          <label key={s} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name="set"
              className="size-5"
              checked={set === s}
              onChange={() =>
                store?.edit({
                  title: `Use the ${s} rules`,
                  changes: [
                    { path: ['rules', 'set'], value: s },
                    // A ready set is taken whole: what was changed by hand gives way to it.
                    { path: ['rules', 'values'], value: undefined },
                  ],
                })
              }
            />
            {SET_WORDS[s]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function RuleLine({
  job,
  rule,
  value,
  set,
}: {
  job: Job;
  rule: Rule;
  value: number;
  set: 'house' | 'strict' | 'light';
}) {
  const store = useStore();
  const id = useId();
  const keep = (v: number | undefined) =>
    store?.edit({
      title:
        v === undefined
          ? `${ruleName(rule.id)}: as the set has it`
          : `${ruleName(rule.id)}: ${plain(v)} ${rule.unit}`,
      changes: [
        ...(job.rules ? [] : [{ path: ['rules', 'set'], value: 'house' }]),
        v === undefined
          ? { path: ['rules', 'values', rule.id], value: v, prune: 2 }
          : { path: ['rules', 'values', rule.id], value: v },
      ],
    });
  return (
    <li className="grid gap-x-6 border-b border-rule py-2 md:grid-cols-[minmax(0,1fr)_12rem]">
      <div>
        <label htmlFor={id} className="font-semibold">
          {ruleName(rule.id)}
        </label>
        <p>{REASONS[rule.id as RuleId].reason}</p>
        <p className="text-soft">The other school: {REASONS[rule.id as RuleId].otherSchool}</p>
      </div>
      <div className="flex items-center gap-2">
        <RuleValue id={id} rule={rule} value={value} keep={keep} />
        <span className="text-soft">{rule.unit}</span>
        {value !== rule[set] ? (
          <span className="text-sm font-semibold text-accent">set has {plain(rule[set], 3)}</span>
        ) : null}
      </div>
    </li>
  );
}

/** A yes or no, or a number inside its range. */
function RuleValue({
  id,
  rule,
  value,
  keep,
}: {
  id: string;
  rule: Rule;
  value: number;
  keep: (v: number | undefined) => void;
}) {
  return rule.kind === 'switch' ? (
    <select
      id={id}
      className="h-11 rounded-sm border border-edge bg-panel px-2"
      value={value}
      onChange={(e) => keep(Number(e.target.value))}
    >
      <option value={1}>yes</option>
      <option value={0}>no</option>
    </select>
  ) : (
    <TextInput
      id={id}
      value={plain(value, 3)}
      className="w-24 text-right"
      check={(t) => {
        if (t === '') return null;
        const n = Number(t.replace(',', '.'));
        return n >= rule.min && n <= rule.max ? null : `From ${rule.min} to ${rule.max}.`;
      }}
      onKeep={(t) => keep(t === '' ? undefined : Number(t.replace(',', '.')))}
    />
  );
}
