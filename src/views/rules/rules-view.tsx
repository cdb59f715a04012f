'use client';

import { useId } from 'react';
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

/** House rules: every limit that no standard gives, with its reason and its other school. */
export function RulesView() {
  const { job } = useSnapshot();
  if (!job) return <p className="p-8 text-soft">No job is open.</p>;
  return <Rules job={job} />;
}

function Rules({ job }: { job: Job }) {
  const store = useStore();
  const values = ruleValues(job.rules);
  const set = job.rules?.set ?? 'house';
  return (
    <section className="mx-auto max-w-4xl p-4">
      <h1 className="text-xl font-semibold">House rules of {job.name}</h1>
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
      <ul>
        {RULES.map((r) => (
          <RuleLine key={r.id} job={job} rule={r} value={values[r.id]} set={set} />
        ))}
      </ul>
    </section>
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
          ? `${rule.name}: as the set has it`
          : `${rule.name}: ${plain(v)} ${rule.unit}`,
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
          {rule.name}
        </label>
        <p>{REASONS[rule.id as RuleId].reason}</p>
        <p className="text-soft">The other school: {REASONS[rule.id as RuleId].otherSchool}</p>
      </div>
      <div className="flex items-center gap-2">
        <RuleValue id={id} rule={rule} value={value} keep={keep} />
        <span className="text-soft">{rule.unit}</span>
        {value !== rule[set] ? (
          <span className="text-sm text-soft">set has {plain(rule[set], 3)}</span>
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
