import {
  MessageChannel,
  receiveMessageOnPort,
  Worker,
  workerData,
  type MessagePort,
} from 'node:worker_threads';
import { shared } from '../core/build/build';
import { reportOf, reportRig, type Report } from '../core/report/report';
import type { Job } from '../core/kit/types';

/*
 * Two threads share the rigs of a job: each takes the next one that nobody has taken. The first
 * thread waits for what the second still has in hand, and does itself what does not come.
 */

type RigReport = Report['rigs'][number];

/** Places in the shared memory: the next rig to take, how many reports the helper has sent. */
const NEXT = 0;
const SENT = 1;
/** As long as a helper may take for one rig before it is taken for lost, ms. */
const PATIENCE = 60_000;

export interface Helper {
  port: MessagePort;
  turn: Int32Array;
}

/**
 * Starts a second thread that waits for a job.
 *
 * @param file what it runs: has to come to {@link serve}
 */
export function startHelper(file: string): Helper {
  const memory = new SharedArrayBuffer(2 * Int32Array.BYTES_PER_ELEMENT);
  const { port1, port2 } = new MessageChannel();
  const worker = new Worker(file, { workerData: { memory, port: port2 }, transferList: [port2] });
  // It never keeps the command from ending, and what it cannot do the first thread does.
  worker.unref();
  worker.on('error', () => undefined);
  port1.unref();
  return { port: port1, turn: new Int32Array(memory) };
}

/** The second thread: takes rigs of the job it is sent until there are none left. */
export function serve(): void {
  const { memory, port } = workerData as { memory: SharedArrayBuffer; port: MessagePort };
  const turn = new Int32Array(memory);
  port.once('message', (job: Job) => {
    take(job, turn, (i, rig) => {
      port.postMessage([i, rig]);
      Atomics.add(turn, SENT, 1);
      Atomics.notify(turn, SENT);
    });
    port.close();
  });
}

/** The whole report of a job with every fix, made by both. */
export function sharedReport(job: Job, helper: Helper, patience = PATIENCE): Report {
  const done = new Map<number, RigReport>();
  helper.port.postMessage(job);
  take(job, helper.turn, (i, rig) => done.set(i, rig));
  while (done.size < job.rigs.length) {
    const sent = Atomics.load(helper.turn, SENT);
    for (let m = receiveMessageOnPort(helper.port); m; m = receiveMessageOnPort(helper.port)) {
      const [i, rig] = m.message as [number, RigReport];
      done.set(i, rig);
    }
    if (done.size === job.rigs.length) break;
    if (Atomics.wait(helper.turn, SENT, sent, patience) === 'timed-out') break;
  }
  helper.port.close();
  const base = shared(job);
  return reportOf(job.rigs.map((rig, i) => done.get(i) ?? reportRig(job, rig, base, true)));
}

function take(job: Job, turn: Int32Array, give: (i: number, rig: RigReport) => void): void {
  const base = shared(job);
  for (;;) {
    const i = Atomics.add(turn, NEXT, 1);
    const rig = job.rigs[i];
    if (!rig) return;
    give(i, reportRig(job, rig, base, true));
  }
}
