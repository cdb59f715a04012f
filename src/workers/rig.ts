import { wrap, type Remote } from 'comlink';
import type { RigApi } from './rig.worker';

let advice: Remote<RigApi> | null = null;
let sweep: Remote<RigApi> | null = null;

function start(): Remote<RigApi> {
  return wrap<RigApi>(new Worker(new URL('./rig.worker.ts', import.meta.url), { type: 'module' }));
}

/** The worker that tries fixes and ranks measurements, started at first use. */
export function adviser(): Remote<RigApi> {
  advice ??= start();
  return advice;
}

/** A worker of its own for sweeps, so that advice does not wait for one. */
export function sweeper(): Remote<RigApi> {
  sweep ??= start();
  return sweep;
}
