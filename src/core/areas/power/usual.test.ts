import { docOf } from '../../doc/write';
import { applyChange } from '../../edit/edit';
import { plugOf } from '../../engine/plugs';
import { validateJob } from '../../format/read-job';
import { FIELDS, isKind, KINDS } from '../../kit/fields';
import type { Job, Part } from '../../kit/types';
import { partOf, SHELF } from '../../shelf/shelf';
import { takeUsual, usualRows } from '../../solve/kit-moves';
import { emptyJob } from '../../solve/rigs';
import { saidOfPort, usualPorts } from './kit/usual';

/** Ports to begin with: common practice, no source; what is checked is that they can be used. */

const rowsOf = (kind: string) =>
  (isKind(kind) ? FIELDS[kind] : []).find((f) => f.type === 'rows' && f.key === 'ports');
const ported = KINDS.filter((k) => rowsOf(k) !== undefined);

test('every kind that has ports has a set to begin with', () => {
  expect([...ported].sort()).toEqual(
    ['body', 'finder', 'hand-unit', 'microphone', 'monitor', 'motor', 'radio', 'recorder'].sort(),
  );
  expect(ported.filter((k) => usualPorts(k).length === 0)).toEqual([]);
});

test('a part takes its set once, and it can be kept', () => {
  for (const kind of ported) {
    const rows = rowsOf(kind)!;
    if (rows.type !== 'rows') throw new Error(kind);
    const part = { id: 'p', kind, name: 'P' } as unknown as Part;
    let job: Job = { ...emptyJob('J', 'j'), kit: [part] };
    for (const c of takeUsual(part, rows)!.changes) job = applyChange(job as never, c) as Job;
    const r = validateJob(docOf(job));
    expect(r.ok ? [] : r.problems).toEqual([]);
    expect((job.kit[0] as { ports?: unknown[] }).ports).toHaveLength(usualPorts(kind).length);
    expect(usualRows(job.kit[0]!, rows)).toEqual([]);
    expect(takeUsual(job.kit[0]!, rows)).toBeNull();
  }
});

test('what is said of a port is what it carries and which way; where it is nobody can say for all', () => {
  for (const kind of ported)
    for (const p of usualPorts(kind)) {
      expect(saidOfPort(p)).toMatch(
        /^(picture|sound|control|data)(, (sends|takes in|sends on|both ways))?$/,
      );
      expect(p.way === undefined).toBe(kind === 'radio');
      expect(p.face).toBeUndefined();
      if (p.plug !== undefined) expect(plugOf(p.plug)).not.toBeNull();
    }
});

test('a typical part brings them along', () => {
  const screen = SHELF.find((t) => t.kind === 'monitor')!;
  const { ports } = partOf(screen) as { ports?: { name: string }[] };
  expect(ports!.map((p) => p.name)).toEqual(usualPorts('monitor').map((p) => p.name));
});
