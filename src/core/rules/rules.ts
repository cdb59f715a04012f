import { rules as coverage } from '../areas/coverage/kit/rules';
import { rules as mount } from '../areas/mount/kit/rules';
import { rules as front } from '../areas/front/kit/rules';
import { rules as rods } from '../areas/rods/kit/rules';
import { rules as drive } from '../areas/drive/kit/rules';
import { rules as support } from '../areas/support/kit/rules';
import { rules as space } from '../areas/space/kit/rules';
import { rules as sight } from '../areas/sight/kit/rules';
import { rules as joints } from '../areas/joints/kit/rules';
import { rules as carry } from '../areas/carry/kit/rules';
import { rules as media } from '../areas/media/kit/rules';
import { rules as power } from '../areas/power/kit/rules';
import type { RuleChoice } from '../kit/types';
import type { Rule } from '../engine/rule';

export type { Rule };

/**
 * House rules: limits for which no standard exists. Each has a default; the reason for it and
 * the other school stand in reasons.ts, which only those who read them have to load. Two ready sets ship: strict (rental-house prep) and light
 * (the smallest rig that works).
 */
export const RULES = [
  ...coverage,
  ...mount,
  ...front,
  ...rods,
  ...drive,
  ...support,
  ...space,
  ...sight,
  ...joints,
  ...carry,
  ...power,
  ...media,
] as const satisfies readonly Rule[];

export type RuleId = (typeof RULES)[number]['id'];
export type RuleValues = Record<RuleId, number>;

export const RULE_SETS = ['house', 'strict', 'light'] as const;

/** The value of every rule for a job: its set, then what it changed by hand. */
export function ruleValues(choice: RuleChoice | undefined): RuleValues {
  const set = choice?.set ?? 'house';
  const values = {} as RuleValues;
  for (const rule of RULES) {
    const own =
      choice?.values && Object.hasOwn(choice.values, rule.id) ? choice.values[rule.id] : undefined;
    values[rule.id] =
      typeof own === 'number' && Number.isFinite(own)
        ? Math.min(rule.max, Math.max(rule.min, own))
        : rule[set];
  }
  return values;
}
