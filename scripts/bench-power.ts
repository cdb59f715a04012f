import { build, shared } from '../src/core/build/build';
import { AREAS } from '../src/core/areas/registry';
import { powerTree } from '../src/core/areas/power/model/tree';
import { laidOut, shapeOf, type TreeShape } from '../src/core/areas/power/model/layout';
import { proposed } from '../src/core/areas/power/model/propose';
import { devicesOn } from '../src/core/areas/power/model/fed';
import { outletsOn } from '../src/core/areas/power/model/outlets';
import { runChecks } from '../src/core/checks/run';
import { standOf } from '../src/core/stand/stand';
import { isLead, type FittedUse, type Job, type Part, type Rig } from '../src/core/kit/types';
import { demo, line, section, time } from './bench-tools';

/** A rig of screens, each fed by a lead of its own from plates of twelve outlets. */
function fedRig(links: number): { job: Job; rig: Rig } {
  const of = (id: string) => demo.kit.find((p) => p.id === id)!;
  const kit: Part[] = [...demo.kit];
  const fitted: FittedUse[] = [];
  // The camera hangs on the last outlet: hours are known.
  const plates = Math.ceil((links + 1) / 12);
  for (let i = 0; i < plates; i++) {
    const outlets = Array.from({ length: 12 }, (_, k) => ({
      id: `o${k}`,
      name: `outlet ${k}`,
      volts: { value: 14.4, tol: 0.5 },
      amps: 4,
      plug: 'tap',
      face: k % 2 ? 'left' : 'right',
    }));
    kit.push({ ...of('raft'), id: `raft-${i}`, outlets } as Part);
    fitted.push({ id: `plate-${i}`, part: `raft-${i}`, on: 'top' });
    fitted.push({ id: `pack-${i}`, part: 'keel-98', on: 'rear', to: `plate-${i}` });
  }
  for (let i = 0; i < links; i++) {
    kit.push({ ...of('sheet'), id: `lead-${i}`, name: `Lead ${i}`, plugTo: 'barrel-21' } as Part);
    fitted.push({
      id: `screen-${i}`,
      part: 'pane-5',
      on: 'top',
      outlet: { from: `plate-${Math.floor(i / 12)}`, id: `o${i % 12}`, lead: `lead-${i}` },
    });
  }
  const outlet = { from: `plate-${plates - 1}`, id: 'o11', lead: 'lead-0' };
  const rig: Rig = { ...demo.rigs[0]!, drives: [], outlet, fitted };
  return { job: { ...demo, kit, rigs: [rig] }, rig };
}

let met = 0;
/** A tree as it was never met: with something more, by words of its own, on so many of its packs. */
function unlike({ nodes, edges }: TreeShape, packs: number): TreeShape {
  const name = '-'.repeat(++met);
  const more = nodes
    .filter((n) => n.is === 'pack')
    .slice(0, packs)
    .map((pack, i) => {
      const from = edges.find((e) => e.from === pack.id)!.to;
      return { from, to: `more ${i}`, name: `${name}${i}` };
    });
  return {
    nodes: [...nodes, ...more.map(({ to }) => ({ id: to, is: 'device' as const }))],
    edges: [...edges, ...more],
  };
}

section('power', () => {
  const own = AREAS.filter((a) => a.id === 'power' || a.id === 'media').flatMap((a) => a.checks);
  for (const links of [12, 120]) {
    const { job, rig } = fedRig(links);
    const base = shared(job);
    const sayings = (b: ReturnType<typeof build>) => runChecks(b, own).map((v) => v.why).length;
    console.log(`${links} links: ${sayings(build(job, rig, base))} verdicts`);
    line(
      `${links} links: power and media after an edit`,
      time(
        300,
        (_i, b: ReturnType<typeof build>) => sayings(b),
        (i) =>
          build(
            job,
            {
              ...rig,
              fitted: rig.fitted!.map((u) =>
                u.id === 'screen-3' ? { ...u, outlet: { ...u.outlet!, id: `o${2 + (i % 2)}` } } : u,
              ),
            },
            base,
          ),
      ),
      links === 120 ? 'wanted p95 under 3' : '',
    );
    line(
      `${links} links: all leads laid anew after a part moved`,
      time(
        30,
        (_i, b: ReturnType<typeof build>) => sayings(b),
        (i) => {
          const fitted = rig.fitted!.map((u) => (u.id === 'screen-3' ? { ...u, turn: i % 30 } : u));
          const b = build(job, { ...rig, fitted }, base);
          standOf(b).pieces.at(-1);
          return b;
        },
      ),
    );
    const said = runChecks(build(job, rig, base), own);
    line(
      `${links} links: the tree that is drawn`,
      time(100, () => powerTree(build(job, rig, base), said)),
    );
    const shape = shapeOf(powerTree(build(job, rig, base), said));
    const note = links === 120 ? 'wanted under 100' : '';
    line(
      `${links} links: laid out, nothing of it as before`,
      time(60, () => laidOut(unlike(shape, Infinity))),
      note,
    );
    line(
      `${links} links: laid out, which the worker does after an edit`,
      time(60, () => laidOut(unlike(shape, 1))),
      note,
    );
  }
  for (const links of [4, 12]) {
    const { job, rig } = fedRig(links);
    const built = build(job, rig, shared(job));
    const outlets = outletsOn(built);
    const leads = job.kit.filter(isLead);
    const devices = devicesOn(built).map((d) => d.device);
    const { sure } = proposed(built, devices, outlets, leads);
    line(
      `${devices.length} devices, ${outlets.length} outlets, ${leads.length} leads: the best tree`,
      time(20, () => proposed(built, devices, outlets, leads)),
      sure ? 'proven' : 'the best that was found',
    );
  }
});
