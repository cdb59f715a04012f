import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import type { Job } from '../src/core/kit/types';
import { docOf } from '../src/core/doc/write';
import { readJob } from '../src/core/format/read-job';
import { NelvixDatabase } from '../src/db/database';
import { JobStore } from '../src/db/store';

/**
 * Two thousand edits from two windows on one database: whether time and heap stay flat, quarter by
 * quarter. Read by hand; run with `node --expose-gc` for the heap.
 */
async function main() {
  const read = readJob(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
  if (!read.ok) throw new Error('the demo cannot be read');
  const open = async () => {
    const store = new JobStore(new NelvixDatabase('bench'));
    await store.start(() => Promise.resolve(docOf(read.value)));
    return store;
  };
  const windows = [await open(), await open()];
  const rigs = read.value.rigs;
  let first = 0;
  for (let quarter = 0; quarter < 4; quarter++) {
    const from = performance.now();
    for (let i = 0; i < 500; i++) {
      const rig = rigs[i % rigs.length]!;
      const store = windows[i % 2]!;
      store.edit({
        title: `edit ${i}`,
        changes: [{ path: ['rigs', rig.id, 'focus'], value: 600 + ((quarter * 500 + i) % 900) }],
      });
      if (i % 10 === 9) void store.undo();
      if (i % 20 === 19) await Promise.all(windows.map((w) => w.settled()));
    }
    await Promise.all(windows.map((w) => w.settled()));
    const ms = performance.now() - from;
    first ||= ms;
    (globalThis as { gc?: () => void }).gc?.();
    const [a, b] = windows.map((w) => JSON.stringify(w.get().job as Job));
    console.log(
      `edits ${quarter * 500 + 1} to ${quarter * 500 + 500}: ${(ms / 500).toFixed(2)} ms an edit, ${(ms / first).toFixed(2)} x the first quarter, heap ${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB, windows ${a === b ? 'alike' : 'differ'}`,
    );
  }
  process.exit(0);
}

void main();
