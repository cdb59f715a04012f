import { build, shared } from '../src/core/build/build';
import { standOf } from '../src/core/stand/stand';
import { heldTogether } from '../src/core/areas/joints/model/load-path';
import { AREAS } from '../src/core/areas/registry';
import { runChecks } from '../src/core/checks/run';
import type { Job, Rig } from '../src/core/kit/types';
import { demo, line, section, time } from './bench-tools';
import { jointed } from './jointed.mjs';

/** The checks of carry by themselves: how the rig stands and what holds what are known before. */
section('carry', () => {
  const own = AREAS.find((a) => a.id === 'carry')!.checks;
  const sayings = (list: typeof own, built: ReturnType<typeof build>) =>
    runChecks(built, list).map((v) => v.why).length;
  for (const n of [20, 80]) {
    const { job, rig: r } = jointed(demo, n) as { job: Job; rig: Rig };
    const base = shared(job);
    const last = r.fitted![r.fitted!.length - 1]!.id;
    const bar = r.fitted!.find((u) => u.part === 'bar')!.id;
    for (const by of ['head', 'handle', 'table', 'gimbal'] as const) {
      const carry = { by, also: 'table', z: 3, most: 9000 } as const;
      const moved = (id: string, key: 'turn' | 'n', i: number) =>
        r.fitted!.map((u) => (u.id === id ? { ...u, [key]: i } : u));
      const states = sayings(own, build(job, { ...r, carry }, base));
      const unknown = runChecks(build(job, { ...r, carry }, base), own).filter(
        (v) => v.state === 'unknown',
      ).length;
      console.log(`${n} parts, ${by}: ${states} verdicts, ${unknown} of them unknown`);
      const edits = {
        'a part turned': (i: number) => moved(last, 'turn', i % 30),
        'a bar with all on it': (i: number) => moved(bar, 'n', i % 2),
      };
      for (const [what, fitted] of Object.entries(edits))
        line(
          `${n} parts, ${by}: carry after ${what}`,
          time(
            200,
            function carrying(_i, built: ReturnType<typeof build>) {
              return sayings(own, built);
            },
            (i) => {
              const built = build(job, { ...r, carry, fitted: fitted(i) }, base);
              // What others work out as well.
              standOf(built).pieces.at(-1);
              heldTogether(built);
              return built;
            },
          ),
          n === 80 ? 'wanted p95 under 2' : '',
        );
    }
  }
});
