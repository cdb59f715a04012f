import { applyEdit, type Edit } from '../edit/edit';
import type { JobDoc } from '../kit/kept';
import { demoDoc } from '../test-kit';
import { viewed } from './layers';
import { lowered } from './lower';
import { jobOf } from './read';
import { routed } from './route';

/** What an edit made in a configuration leaves in the file. */

const doc = demoDoc();

/** As the application keeps an edit while a configuration is open. */
function kept(from: JobDoc, rig: string, configuration: string, edit: Edit): JobDoc {
  const view = viewed(from, rig, configuration);
  const low = lowered(jobOf(view), view, edit);
  return applyEdit(from, routed(from, rig, configuration, low)).doc;
}
const stands = (of: JobDoc, rig: string, configuration: string | null) =>
  jobOf(viewed(of, rig, configuration)).rigs.find((r) => r.id === rig)!;

describe('another outlet in a configuration', () => {
  const fed = doc.rigs.flatMap((r) =>
    (r.configurations ?? []).flatMap((c) => {
      const rig = stands(doc, r.id, c.id);
      return (rig.fitted ?? []).flatMap((u) =>
        u.outlet ? [[`${r.name}, ${c.name}: ${u.id}`, r.id, c.id, u.id] as const] : [],
      );
    }),
  );

  test('some part of the demo is fed in a configuration', () => {
    expect(fed.length).toBeGreaterThan(1);
  });

  test.each(fed)(
    '%s: is fed from there, still itself, and the rig is as it was',
    (_n, id, own, use) => {
      const path = ['rigs', id, 'fitted', use, 'outlet'];
      const before = stands(doc, id, own).fitted!.find((u) => u.id === use)!;
      const other = { ...before.outlet!, id: 'elsewhere' };
      const next = kept(doc, id, own, { title: 'x', changes: [{ path, value: other }] });
      const after = stands(next, id, own).fitted!.find((u) => u.id === use)!;
      expect(after).toEqual({ ...before, outlet: other });
      expect(stands(next, id, null)).toEqual({
        ...stands(doc, id, null),
        configurations: stands(next, id, null).configurations,
      });
      // Said as the rig has it again, nothing of it is left.
      const back = kept(next, id, own, { title: 'x', changes: [{ path, value: before.outlet }] });
      expect(back).toEqual(doc);
    },
  );

  test('fed from nothing, and again', () => {
    const [, id, own, use] = fed[0]!;
    const path = ['rigs', id, 'fitted', use, 'outlet'];
    const before = stands(doc, id, own).fitted!.find((u) => u.id === use)!.outlet;
    const dark = kept(doc, id, own, { title: 'x', changes: [{ path, value: undefined }] });
    expect(stands(dark, id, own).fitted!.find((u) => u.id === use)!.outlet).toBeUndefined();
    expect(stands(dark, id, null).fitted!.find((u) => u.id === use)!.outlet).toEqual(
      stands(doc, id, null).fitted!.find((u) => u.id === use)!.outlet,
    );
    const again = kept(dark, id, own, { title: 'x', changes: [{ path, value: before }] });
    expect(stands(again, id, own)).toEqual(stands(doc, id, own));
  });
});

describe('a part of the kit that is put on in a configuration, under its own name', () => {
  test.each(doc.rigs.map((r) => [r.name, r.id] as const))('%s', (_n, id) => {
    const fresh: JobDoc = {
      ...doc,
      rigs: doc.rigs.map((r) =>
        r.id === id ? { ...r, configurations: [{ id: 'own', name: 'own', over: {} }] } : r,
      ),
    };
    const use = { id: 'quay', part: 'quay', away: 1200 };
    const put = kept(fresh, id, 'own', {
      title: 'x',
      changes: [{ path: ['rigs', id, 'mains', 'quay'], value: use }],
    });
    expect(stands(put, id, 'own').mains).toEqual([use]);
    expect(stands(put, id, null).mains).toEqual(stands(doc, id, null).mains);
    const off = kept(put, id, 'own', {
      title: 'x',
      changes: [{ path: ['rigs', id, 'mains', 'quay'], value: undefined, prune: 3 }],
    });
    expect(stands(off, id, 'own').mains).toBeUndefined();
  });
});
