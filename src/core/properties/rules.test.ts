import fc from 'fast-check';
import { checkRig } from '../areas/checks';
import { RULES, ruleValues, type RuleId } from '../rules/rules';
import { raised } from './compare';
import { frozen } from './frozen';
import { anyRig, begunRigs, demoRigs, demoStandings, type Subject } from './rigs';

/** With everything standing where it stands a stricter limit raises no finding. */
function withRule(s: Subject, id: RuleId, value: number): Subject {
  const values = { ...ruleValues(s.job.rules), [id]: value };
  const job = { ...s.job, rules: { set: 'house' as const, values } };
  return { job, rig: s.rig };
}

function broken(s: Subject, id: RuleId, shares: readonly number[]): string[] {
  const rule = RULES.find((r) => r.id === id)!;
  if (rule.stricter === null) return [];
  const values = shares.map(
    (u) => rule.min + u * (Math.min(rule.max, rule.strict * 4 + rule.house * 4) - rule.min),
  );
  values.push(rule.house, rule.strict, rule.light);
  values.sort((a, b) => (rule.stricter === 'more' ? a - b : b - a));
  const list = values.map((v) => {
    const r = withRule(s, id, v);
    return checkRig(r.job, r.rig);
  });
  return list.flatMap((after, i) =>
    i === 0
      ? []
      : raised(list[i - 1]!, after).map((r) => `${id} ${values[i - 1]!} to ${values[i]!}: ${r}`),
  );
}

describe('stricter limits', () => {
  test('every rule says which way is stricter, and its strict set goes that way', () => {
    for (const r of RULES)
      if (r.stricter === 'more') expect(r.strict).toBeGreaterThanOrEqual(r.light);
      else if (r.stricter === 'less') expect(r.strict).toBeLessThanOrEqual(r.light);
      else expect(r.stricter).toBeNull();
  });

  test.each([...demoRigs, ...demoStandings, ...begunRigs])('%s', (_name, s) => {
    const still = frozen(s);
    expect(RULES.flatMap((r) => broken(still, r.id, [0, 0.2, 0.6, 1]))).toEqual([]);
  });

  test('random rigs', () => {
    fc.assert(
      fc.property(
        anyRig,
        fc.constantFrom(...RULES.map((r) => r.id)),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2, maxLength: 3 }),
        (s, id, shares) => {
          expect(broken(frozen(s), id, shares)).toEqual([]);
        },
      ),
      { numRuns: 150 },
    );
  }, 300_000);
});
