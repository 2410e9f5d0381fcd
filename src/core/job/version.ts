/** Version of the job document that this code writes. Older ones are migrated when read; newer ones are refused. */
export const JOB_VERSION = 14
