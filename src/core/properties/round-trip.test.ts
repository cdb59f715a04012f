import fc from 'fast-check';
import { isKind } from '../kit/fields';
import type { Kind } from '../kit/types';
import { readKitCsv } from '../format/csv';
import { writeKitCsv } from '../format/csv-write';
import { readJob, writeJob } from '../format/read-job';
import { anyRig, demoRigs } from './rigs';

/** What can be made can be exported and read. */
describe('round trip', () => {
  test.each(demoRigs)('%s', (_name, { job }) => {
    expect(readJob(writeJob(job))).toEqual({ ok: true, value: job });
  });

  test('random rigs, as a job and as CSV', () => {
    fc.assert(
      fc.property(anyRig, ({ job }) => {
        expect(readJob(writeJob(job))).toEqual({ ok: true, value: job });
        const kinds = [...new Set(job.kit.map((p) => p.kind))].filter(isKind) as Kind[];
        for (const kind of kinds) {
          const parts = job.kit.filter((p) => p.kind === kind);
          const read = readKitCsv(writeKitCsv(kind, parts), kind);
          expect(read).toMatchObject({ ok: true });
          if (read.ok) expect(read.value.parts).toHaveLength(parts.length);
        }
      }),
      { numRuns: 60 },
    );
  }, 300_000);
});
