import { build } from '../../build/build';
import { check } from '../checks';
import { FIELDS, isKind, KINDS } from '../../kit/fields';
import { FITTING_KINDS, type Job, type Part } from '../../kit/types';
import { applyChange } from '../../edit/edit';
import { validateJob } from '../../format/read-job';
import { docOf } from '../../doc/write';
import { emptyJob } from '../../solve/rigs';
import { takeUsual, usualRows } from '../../solve/kit-moves';
import { interfaceType } from './kit/interfaces';
import { saidOfInterface } from './kit/said';
import { usualInterfaces } from './kit/usual';

/** Sets to begin with: common practice, no source; what is checked is that they can be used. */

const rowsOf = (kind: string) =>
  (isKind(kind) ? FIELDS[kind] : []).find((f) => f.type === 'rows' && f.key === 'interfaces');

/** The quantities of an interface. */
const numberOf = (i: object) =>
  Object.values(i).filter(
    (v): v is { value: number; tol: number; from: string } => typeof v === 'object' && v !== null,
  );

const bearing = KINDS.filter((k) => rowsOf(k) !== undefined);

test('every kind that holds or is held has a set, but what only plugs in', () => {
  expect(bearing).toEqual(expect.arrayContaining([...FITTING_KINDS, 'body', 'plate']));
  expect(bearing.filter((k) => usualInterfaces(k).length === 0)).toEqual(['dummy-battery']);
});

test('a part with its set can be kept, once, and is asked nothing twice', () => {
  for (const kind of bearing) {
    const rows = rowsOf(kind)!;
    if (rows.type !== 'rows') throw new Error(kind);
    const part = { id: 'p', kind, name: 'P' } as unknown as Part;
    const edit = takeUsual(part, rows);
    if (!edit) continue;
    let job: Job = { ...emptyJob('J', 'j'), kit: [part] };
    for (const c of edit.changes) job = applyChange(job as never, c) as unknown as Job;
    const r = validateJob(docOf(job));
    expect(r.ok ? [] : r.problems).toEqual([]);
    expect(usualRows(job.kit[0]!, rows)).toEqual([]);
    expect(takeUsual(job.kit[0]!, rows)).toBeNull();
  }
});

test('standards are facts, numbers are guesses with a width', () => {
  for (const kind of bearing)
    for (const i of usualInterfaces(kind)) {
      expect(interfaceType(i.type)).not.toBeNull();
      // A rod is held by its clamp and holds others.
      expect(i.side).toMatch(kind === 'rod' ? /^either$/ : /^(host|guest)$/);
      expect(i.bears).toBeUndefined();
      for (const n of numberOf(i)) {
        expect(n.from).toBe('guess');
        expect(n.tol).toBeGreaterThan(0);
      }
      expect(saidOfInterface(i)).not.toMatch(/not said/);
    }
});

test('what is held by a standard finds it among the sets of what holds', () => {
  const holds = new Set(
    bearing.flatMap((k) => usualInterfaces(k).flatMap((i) => (i.side === 'host' ? [i.type] : []))),
  );
  const lost = bearing.flatMap((k) =>
    usualInterfaces(k).flatMap((i) =>
      // Rods hold by their size and are no list of a part.
      i.side === 'guest' && !holds.has(i.type) && i.type !== 'rod-15' ? [`${k}: ${i.name}`] : [],
    ),
  );
  expect(lost).toEqual([]);
});

test('a captive tripod screw of a set stands out no more than ISO 1222 lets it', () => {
  for (const kind of bearing)
    for (const i of usualInterfaces(kind))
      if (i.captive && i.type === 'unc-1-4') {
        const l = i.length as { value: number; tol: number };
        expect(l.value + l.tol).toBeLessThanOrEqual(5.5);
      }
});

test('of guesses nothing is said to be ok that a number decides', () => {
  const parts = (['body', 'cage', 'handle', 'arm'] as const).map((kind) => ({
    id: kind,
    kind,
    name: kind,
    interfaces: usualInterfaces(kind).map((i) => ({ ...i, id: i.name.replace(/ /g, '-') })),
  })) as unknown as Part[];
  const job: Job = { ...emptyJob('J', 'j'), kit: parts };
  const rig = {
    ...job.rigs[0]!,
    body: 'body',
    fitted: [
      { id: 'c', part: 'cage', on: 'top' as const },
      { id: 'h', part: 'handle', on: 'top' as const, to: 'c', at: 'top-holes', by: 'feet' },
      { id: 'a', part: 'arm', on: 'top' as const, to: 'h', at: 'holes-of-the-bar', by: 'root' },
    ],
  };
  const said = check(build(job, rig)).filter((v) => /^joint\.(fits|screw|access|twist)/.test(v.id));
  expect(said.length).toBeGreaterThan(4);
  expect(
    said.filter((v) => v.state === 'ok' && v.margin !== null && v.margin.lo === v.margin.hi),
  ).toEqual([]);
  expect(said.find((v) => v.key === 'joint.fits:h')?.state).toBe('tight');
});
