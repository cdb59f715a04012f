import type { Job, Rig } from '@/core/kit/types';

/** Which rig of which job: a copy of a job has rigs of the same ids. */
export const keyOf = (job: Job, rig: Rig) => `${job.id} ${rig.id}`;
