import { spawnSync } from 'node:child_process';
import { MessageChannel } from 'node:worker_threads';
import { report, type Report } from '../core/report/report';
import { demo } from '../core/test-kit';
import { sharedReport, type Helper } from './share';

/** A report without the ids that are made up anew for each piece a fix adds. */
const plain = (r: Report) =>
  JSON.stringify(r, (_key, v: unknown) =>
    typeof v === 'string' ? v.replace(/-[0-9a-z]{6}$/, '-new') : v,
  );

function alone(taken: number): Helper {
  const { port1 } = new MessageChannel();
  const turn = new Int32Array(new SharedArrayBuffer(8));
  turn[0] = taken;
  return { port: port1, turn };
}

describe('two threads on one job', () => {
  const job = demo();
  const few = { ...job, rigs: job.rigs.slice(0, 3) };

  test('say what one says, rig by rig in the order of the job', () => {
    const r = spawnSync(
      process.execPath,
      ['scripts/nelvix.mjs', 'check', 'data/demo/lock-nine.nelvix.json', '--json'],
      { encoding: 'utf8', maxBuffer: 1e8 },
    );
    expect(r.stderr).toBe('');
    expect(r.status).toBe(1);
    expect(plain(JSON.parse(r.stdout) as Report)).toBe(plain(report(job)));
  }, 60_000);

  test('what a helper took and never sent is done by the first', () => {
    expect(plain(sharedReport(few, alone(2), 20))).toBe(plain(report(few)));
    // Even all of it.
    expect(plain(sharedReport(few, alone(99), 20))).toBe(plain(report(few)));
  });

  test('a helper that does not come in time is not waited for where nothing is left', () => {
    expect(plain(sharedReport(few, alone(0), 60_000))).toBe(plain(report(few)));
  });
});
