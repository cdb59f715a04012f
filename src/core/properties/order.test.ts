import fc from 'fast-check';
import { checkRig } from '../areas/checks';
import type { Job, Part } from '../kit/types';
import { draws } from '../pupil/oracles';
import { summary } from './compare';
import { anyRig, begunRigs, demoRigs, demoStandings, type Subject } from './rigs';

/** The order of the kit and of lists without meaning makes no difference. */

/** Lists whose order says nothing; the chain, threads and trays keep theirs. */
const LOOSE_IN_PARTS = [
  'modes',
  'imageCircle',
  'pupil',
  'falloff',
  'rings',
  'outline',
  'torques',
  'outlets',
  'stages',
  'masks',
  'flags',
  'madeFor',
] as const;
const LOOSE_IN_RIGS = [
  'gears',
  'supports',
  'drives',
  'fitted',
  'rods',
  'cards',
  'mains',
  'carriers',
] as const;

function shuffled<T>(list: readonly T[], rnd: () => number): T[] {
  const out = [...list];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(rnd() * (i + 1));
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
}

function mixed({ job, rig }: Subject, seed: number): Subject {
  const rnd = draws(seed);
  const parts = job.kit.map((p) => {
    const copy = { ...p } as unknown as Record<string, unknown>;
    for (const key of LOOSE_IN_PARTS)
      if (Array.isArray(copy[key])) copy[key] = shuffled(copy[key] as unknown[], rnd);
    return copy as unknown as Part;
  });
  const next: Job = {
    ...job,
    kit: shuffled(parts, rnd),
    // Runs and weighings stand in the order in which they were: the latest says most.
    ...(job.cardRuns ? { cardRuns: shuffled(job.cardRuns, rnd) } : {}),
    rigs: shuffled(job.rigs, rnd).map((r) => {
      const copy = { ...r } as unknown as Record<string, unknown>;
      for (const key of LOOSE_IN_RIGS)
        if (Array.isArray(copy[key])) copy[key] = shuffled(copy[key] as unknown[], rnd);
      if (r.box?.flags) copy.box = { ...r.box, flags: shuffled(r.box.flags, rnd) };
      return copy as unknown as typeof r;
    }),
  };
  return { job: next, rig: next.rigs.find((r) => r.id === rig.id)! };
}

const says = (s: Subject) => summary(checkRig(s.job, s.rig));

describe('order of what has none', () => {
  test.each([...demoRigs, ...demoStandings, ...begunRigs])('%s', (_name, s) => {
    for (const seed of [1, 2, 3]) expect(says(mixed(s, seed))).toEqual(says(s));
  });

  test('random rigs', () => {
    fc.assert(
      fc.property(anyRig, fc.nat(999), (s, seed) => {
        expect(says(mixed(s, seed))).toEqual(says(s));
      }),
      { numRuns: 120 },
    );
  }, 300_000);
});
