import { STATES, type State, type Verdict } from './finding';

/** How many findings there are of each state. */
export type Counts = Readonly<Record<State, number>>;

/** How many findings there are of each state. */
export function countsOf(verdicts: readonly Pick<Verdict, 'state'>[]): Counts {
  return Object.fromEntries(
    STATES.map((s) => [s, verdicts.filter((v) => v.state === s).length]),
  ) as Record<State, number>;
}
