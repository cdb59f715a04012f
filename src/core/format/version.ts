/** Version of a job file that this build writes. */
export const JOB_VERSION = 5;
