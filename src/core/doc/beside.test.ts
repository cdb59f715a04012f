import fc from 'fast-check';
import { docOf } from './write';
import { applyEdit } from '../edit/edit';
import { alike } from './alike';
import { anyWay } from '../properties/rigs';
import { referenceProblems } from '../format/references';
import type { JobDoc } from '../kit/kept';
import { problemSentence } from '../format/problem';
import { demoDoc } from '../test-kit';
import { takeFrom, whatDiffers, type DifferingThing } from './beside';

const sound = (job: JobDoc): string | null => {
  const [first] = referenceProblems(job);
  return first ? problemSentence(first) : null;
};
const keys = (things: readonly DifferingThing[]) =>
  things.flatMap((t) => t.items.map((i) => i.key));
const edited = (change: (job: JobDoc) => void): JobDoc => {
  const job = structuredClone(demoDoc());
  change(job);
  return job;
};

describe('a file beside the same job', () => {
  const here = demoDoc();

  test('the same says nothing; only what is other is named, in words', () => {
    expect(whatDiffers(here, structuredClone(here))).toEqual([]);
    const there = edited((job) => {
      const lens = job.kit.find((p) => p.name === 'Marl 35') as unknown as Record<string, unknown>;
      lens.length = { value: 85, tol: 0.1, from: 'measured' };
      lens.owner = 'van 2';
      job.rigs[0]!.stop = 4;
    });
    const things = whatDiffers(here, there);
    expect(things.map((t) => [t.name, t.state])).toEqual([
      ['Marl 35', 'other'],
      [here.rigs[0]!.name, 'other'],
    ]);
    expect(things[0]!.items.map((i) => i.said)).toEqual([
      expect.stringMatching(/^length 84 to 85 \u00b10.1$|^owner or tag .* to van 2$/),
      expect.stringMatching(/^length 84.* to 85 \u00b10.1$|^owner or tag .* to van 2$/),
    ]);
  });

  test('one field is taken and the other stays', () => {
    const there = edited((job) => {
      const lens = job.kit.find((p) => p.name === 'Marl 35') as unknown as Record<string, unknown>;
      lens.mass = 600;
      lens.owner = 'van 2';
    });
    const things = whatDiffers(here, there);
    const mass = things[0]!.items.find((i) => i.key.endsWith('/mass'))!;
    const edit = takeFrom(here, things, new Set([mass.key]), 'file', sound)!;
    const { doc, inverse } = applyEdit(here, edit);
    const now = doc.kit.find((p) => p.name === 'Marl 35')!;
    expect(now).toMatchObject({ mass: 600 });
    expect(now.owner).not.toBe('van 2');
    expect(alike(applyEdit(doc, inverse).doc, here)).toBe(true);
  });

  test('what goes onto a rig brings its part; what is in use is not taken away', () => {
    const there = edited((job) => {
      job.kit.push({ id: 'own-handle', kind: 'handle', name: 'Own handle' } as never);
      const use = job.rigs[0]!.uses.find((u) => u.role === 'fitted') ?? job.rigs[0]!.uses[0]!;
      use.part = 'own-handle';
    });
    const things = whatDiffers(here, there);
    const rig = things.find((t) => t.sort === 'rig')!;
    expect(rig.items[0]!.said).toMatch(/^Own handle in place of /);
    const edit = takeFrom(here, things, new Set([rig.items[0]!.key]), 'file', sound)!;
    expect(applyEdit(here, edit).doc.kit.some((p) => p.id === 'own-handle')).toBe(true);
    const less = edited((job) => {
      const on = JSON.stringify(job.rigs);
      job.kit = job.kit.filter((p) => !on.includes(`"${p.id}"`));
    });
    const gone = edited((job) => {
      job.kit = [];
      job.rigs = [];
      delete job.lensSet;
      delete job.records;
    });
    expect(whatDiffers(here, less).every((t) => t.sort !== 'part' || t.state === 'gone')).toBe(
      true,
    );
    for (const t of whatDiffers(here, gone).filter((x) => x.sort === 'part')) {
      const used = t.items[0]!.said.includes('stays');
      expect([t.name, t.items[0]!.changes.length === 0]).toEqual([t.name, used]);
    }
  });

  test('all of it leads to the file, none of it to what is here, any of it to a sound job', () => {
    fc.assert(
      fc.property(anyWay, fc.infiniteStream(fc.boolean()), ({ jobs }, toss) => {
        const from = docOf(jobs[0]!);
        const to = docOf(jobs[jobs.length - 1]!);
        const things = whatDiffers(from, to);
        expect(takeFrom(from, things, new Set(), 'file', sound)).toBeNull();
        const all = takeFrom(from, things, new Set(keys(things)), 'file', () => null);
        const after = all ? applyEdit(from, all).doc : from;
        const left = whatDiffers(after, to).filter((t) =>
          t.items.some((i) => i.changes.length > 0),
        );
        expect(left).toEqual([]);
        const some = new Set(keys(things).filter(() => toss.next().value));
        const edit = takeFrom(from, things, some, 'file', sound);
        if (edit) expect(sound(applyEdit(from, edit).doc)).toBeNull();
      }),
      { numRuns: 60 },
    );
  }, 120_000);
});
