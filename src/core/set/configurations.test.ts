import { shared, build } from '../build/build';
import { check } from '../areas/checks';
import { screwBill } from '../areas/joints/model/lists';
import { worst } from '../checks/finding';
import { viewed } from '../doc/layers';
import { jobOf } from '../doc/read';
import { sideBySide } from '../doc/side-by-side';
import { standOf } from '../stand/stand';
import { demoDoc } from '../test-kit';
import { changesBetween, saidBetween } from './changes';
import { applyEdit } from '../edit/edit';
import { lowered } from '../doc/lower';
import { asTheRig } from '../solve/configurations';
import { configurationTable, lensRows } from './configurations';

const doc = demoDoc();
const RIG = 'lockside-b';
const side = sideBySide(doc, RIG)!;
const base = shared(side.job);
const rigs = side.standings.map((s) => s.rig);
const at = (id: string | null) => side.standings.find((s) => s.id === id)!;

describe('configurations beside each other', () => {
  test('the table says what each says when it is open by itself', () => {
    const table = configurationTable(side.job, rigs, base);
    side.standings.forEach((s, i) => {
      const job = jobOf(viewed(doc, RIG, s.id));
      const verdicts = check(
        build(
          job,
          job.rigs.find((r) => r.id === RIG)!,
        ),
      );
      expect(table.columns[i]!.worst).toBe(worst(verdicts.map((v) => v.state)));
      for (const state of ['fail', 'tight', 'unknown', 'ok'] as const)
        expect(table.columns[i]!.count[state]).toBe(
          verdicts.filter((v) => v.state === state).length,
        );
      for (const row of table.rows) {
        const own = verdicts.filter((v) => v.id === row.check);
        // What is not looked at says nothing: it is never ok.
        expect(row.cells[i]!.state).toBe(own.length === 0 ? null : worst(own.map((v) => v.state)));
      }
    });
  });

  test('what differs comes first, and nothing that differs is folded away', () => {
    const { rows } = configurationTable(side.job, rigs, base);
    const same = rows.findIndex((r) => !r.differs);
    expect(same).toBeGreaterThan(0);
    for (const r of rows.slice(same))
      expect(new Set(r.cells.map((c) => `${c.state} ${c.open}`)).size).toBe(1);
    for (const r of rows.slice(0, same))
      expect(new Set(r.cells.map((c) => `${c.state} ${c.open}`)).size).toBeGreaterThan(1);
  });

  test('each configuration of the demo has a trouble of its own', () => {
    const { rows } = configurationTable(side.job, rigs, base);
    const key = (id: string, check: string) =>
      rows.find((r) => r.check === check)!.cells[side.standings.indexOf(at(id))]!.key;
    expect(key('cabin', 'space.envelope')).toBe('space.envelope:height');
    expect(key('gimbal', 'space.envelope')).toBe('space.envelope:width');
    expect(key('shoulder', 'joint.screw')).toBe('joint.screw:pad:bottom');
    const studio = check(build(side.job, at('studio').rig, base));
    expect(studio.find((v) => v.key === 'joint.twist:screen')?.state).toBe('tight');
  });

  test('a rig without configurations stands alone, and one that is gone nowhere', () => {
    expect(sideBySide(doc, 'wheelhouse-a')!.standings.map((s) => s.id)).toEqual([null]);
    expect(sideBySide(doc, 'moon')).toBeNull();
    expect(sideBySide(doc, RIG)).toBe(side);
  });

  test('the lens that is on brings nothing more to where it is on', () => {
    const rows = lensRows(side.job, rigs, base);
    const own = rows.find((r) => r.lens.id === side.standings[0]!.rig.lens)!;
    expect(own.cells.map((c) => c.more)).toEqual(rigs.map(() => 0));
    expect(rows.some((r) => r.cells.some((c) => c.more > 0 && c.why !== ''))).toBe(true);
  });
});

describe('what changes from one to another', () => {
  const between = (a: string | null, b: string | null) =>
    changesBetween(side.job, base, at(a), at(b));

  test('from one to itself nothing', () => {
    for (const s of side.standings) {
      const c = changesBetween(side.job, base, s, s);
      expect([c.list, c.screws, c.tools]).toEqual([
        [],
        { more: [], fewer: [] },
        { more: [], fewer: [] },
      ]);
    }
  });

  test('there and back are each other turned round', () => {
    for (const a of side.standings)
      for (const b of side.standings) {
        const [to, fro] = [between(a.id, b.id), between(b.id, a.id)];
        const ids = (c: typeof to, what: string) =>
          c.list
            .filter((x) => x.what === what)
            .map((x) => x.use)
            .sort();
        expect(ids(to, 'added')).toEqual(ids(fro, 'left off'));
        for (const what of ['swapped', 'moved', 'goes along', 'set'])
          expect(ids(to, what)).toEqual(ids(fro, what));
        expect([...to.screws.more].sort()).toEqual([...fro.screws.fewer].sort());
        expect([...to.tools.more].sort()).toEqual([...fro.tools.fewer].sort());
      }
  });

  test('every use that is on one and not on the other is told, and no other', () => {
    for (const a of side.standings)
      for (const b of side.standings) {
        const [was, now] = [a, b].map((s) => new Set(s.doc.uses.map((u) => u.id)));
        const told = between(a.id, b.id).list;
        expect(told.filter((c) => c.what === 'added').map((c) => c.use)).toEqual(
          [...now!].filter((u) => !was!.has(u)),
        );
      }
  });

  test('millimetres are those between where the pieces stand', () => {
    const told = between(null, 'shoulder').list.filter(
      (c) => c.what === 'moved' || c.what === 'goes along',
    );
    expect(told.map((c) => c.text)).toEqual([
      'Spar arm: 36.0 mm forward',
      'Pane 5: 36.0 mm forward',
    ]);
    // Three holes further, 12 mm apart.
    const middle = (id: string | null, key: string) => {
      const e = standOf(build(side.job, at(id).rig, base)).pieces.find((p) => p.key === key)!
        .solids[0]!.extent;
      return (e[2] + e[5]) / 2;
    };
    for (const key of ['fitted:arm', 'fitted:screen'])
      expect(middle('shoulder', key) - middle(null, key)).toBeCloseTo(3 * 12, 6);
  });

  test('the screws of the one, with what is more and without what is fewer, are those of the other', () => {
    const bill = (id: string | null) =>
      screwBill(build(side.job, at(id).rig, base)).reduce((n, l) => n + l.count, 0);
    const sum = (list: readonly string[]) =>
      list.reduce((n, t) => n + Number(/^(\d+) x/.exec(t)![1]), 0);
    for (const a of side.standings)
      for (const b of side.standings) {
        const { screws } = between(a.id, b.id);
        expect(bill(a.id) + sum(screws.more) - sum(screws.fewer)).toBe(bill(b.id));
      }
  });
});

describe('what is other than on the rig, and back', () => {
  const kit = new Map(side.job.kit.map((p) => [p.id, p]));
  const job = jobOf(doc);
  const rig = job.rigs.find((r) => r.id === RIG)!;

  test('taken back one by one a configuration is the rig again, and nothing else changed', () => {
    for (const own of rig.configurations!) {
      let now = doc;
      for (let left = 20; left > 0; left--) {
        const s = sideBySide(now, RIG)!;
        const [c] = saidBetween(
          kit,
          s.standings[0]!.doc,
          s.standings.find((x) => x.id === own.id)!.doc,
        );
        if (!c) break;
        const r = jobOf(now).rigs.find((x) => x.id === RIG)!;
        const edit = asTheRig(
          r,
          r.configurations!.find((x) => x.id === own.id)!,
          {
            use: c.use,
            field: c.field,
            name: c.text,
          },
        );
        expect(edit.changes.length).toBeGreaterThan(0);
        now = applyEdit(now, lowered(jobOf(now), now, edit)).doc;
      }
      const of = now.rigs.find((r) => r.id === RIG)!.configurations!;
      expect(of.find((c) => c.id === own.id)!.over).toEqual({});
      const others = (d: typeof doc) =>
        d.rigs.map((r) => ({
          ...r,
          configurations: r.configurations?.filter((c) => c.id !== own.id),
        }));
      expect(others(now)).toEqual(others(doc));
    }
  });

  test('whatever a configuration says of a joint is said: nothing is other in silence', () => {
    const grip = doc.rigs.find((r) => r.id === RIG)!.joints.find((j) => j.id === 'grip')!;
    const over: [string, unknown, RegExp][] = [
      ['screw', 16, /screw its own, then 16\.0 mm$/],
      ['positions', [{ id: 'p', name: 'down', turn: -90 }], /forward, up, folded back, then down$/],
      ['tight', 'critical', /firm, then critical$/],
      ['line', true, /a second tie$/],
    ];
    for (const [key, value, words] of over) {
      expect((grip as Record<string, unknown>)[key]).not.toEqual(value);
      const next = {
        ...doc,
        rigs: doc.rigs.map((r) =>
          r.id === RIG
            ? {
                ...r,
                configurations: [
                  { id: 'c', name: 'c', over: { joints: { grip: { [key]: value } } } },
                ],
              }
            : r,
        ),
      };
      const s = sideBySide(next, RIG)!;
      const said = saidBetween(kit, s.standings[0]!.doc, s.standings[1]!.doc);
      expect(said.map((c) => c.text)).toEqual([expect.stringMatching(words)]);
    }
  });

  test('another outlet is said with both, and taken back by itself; one left off is said once', () => {
    const with_ = (over: object) => ({
      ...doc,
      rigs: doc.rigs.map((r) =>
        r.id === 'tug-b' ? { ...r, configurations: [{ id: 'c', name: 'c', over }] } : r,
      ),
    });
    const said = (d: typeof doc) => {
      const s = sideBySide(d, 'tug-b')!;
      return saidBetween(kit, s.standings[0]!.doc, s.standings[1]!.doc);
    };
    const other = with_({
      links: {
        'monitor-power': {
          kind: 'power',
          from: { use: 'plate', port: 'v14' },
          to: { use: 'monitor' },
          lead: 'monitor-lead',
        },
      },
    }) as typeof doc;
    const list = said(other);
    expect(list.map((c) => c.text)).toEqual([
      'Pane 5: fed from 8 V outlet of Raft plate, then 14.4 V outlet of Raft plate',
    ]);
    const own = jobOf(other).rigs.find((r) => r.id === 'tug-b')!;
    const [c] = list;
    const edit = asTheRig(own, own.configurations![0]!, {
      use: c!.use,
      links: c!.links,
      name: 'x',
    });
    const back = applyEdit(other, lowered(jobOf(other), other, edit)).doc;
    expect(said(back)).toEqual([]);
    // A plate that is left off takes what it feeds along: that is one line.
    const off = with_({ uses: { plate: { off: true } }, joints: { plate: { off: true } } });
    expect(said(off as typeof doc).filter((x) => x.links)).toEqual([]);
    expect(said(off as typeof doc).map((x) => x.what)).toContain('left off');
  });

  test('what is said of a configuration names both values', () => {
    const said = saidBetween(kit, at(null).doc, at('shoulder').doc).map((c) => c.text);
    expect(said).toContain('Spar arm: from hole 3 to hole 6');
    expect(said).toContain('held by: Stirrup handle, then from below');
  });
});
