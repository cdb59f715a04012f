import { judgeLoads } from '../../support/model/judge-load';
import type { Check } from '../../../checks/check';

export const mountLoad: Check = {
  id: 'mount.load',
  title: 'Load on the mounts',
  short: 'mount overloaded',
  says: 'The moment of everything ahead of each joint, with the side load of the drives while they turn, against what its mount bears: its maker’s number, or the house rule where there is none (half behind a joint with play). What a motor adds against a stop is said, and tight at worst.',
  formula:
    'sum of m g (z of the centre of gravity - z of the joint) + torque / pitch radius x lever',
  run(built) {
    return built.closed ? judgeLoads(built).map((j) => j.verdict) : [];
  },
};
