import { expose } from 'comlink';
import { readBackup, writeBackup } from '../core/format/backup';
import { readKitCsv, writeKitCsv } from '../core/format/csv';
import { readJob, writeJob } from '../core/format/read-job';

/** Reading and validating files, off the page's own thread. */
const files = { readJob, writeJob, readBackup, writeBackup, readKitCsv, writeKitCsv };

export type FilesApi = typeof files;

expose(files);
