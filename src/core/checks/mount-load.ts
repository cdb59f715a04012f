import { judgeLoads } from '../support/judge-load';
import type { Check } from './check';

export const mountLoad: Check = {
  id: 'mount.load',
  title: 'Load on the mounts',
  short: 'mount overloaded',
  run(built) {
    return built.closed ? judgeLoads(built).map((j) => j.verdict) : [];
  },
};
