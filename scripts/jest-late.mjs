import { onLateRead } from '../src/core/engine/reads';

/** What reads on after it was worked out could stand where it no longer holds: a mistake, said at once. */
onLateRead((node) => {
  throw new Error(`${node} reads the rig after it was worked out`);
});
