import { expose } from 'comlink';
import { readBackup, writeBackup } from '../core/format/backup';
import { readKitCsv, writeKitCsv } from '../core/format/csv';
import { readDoc, writeDoc } from '../core/format/read-job';

/** Reading and validating files, off the page's own thread. */
const files = { readDoc, writeDoc, readBackup, writeBackup, readKitCsv, writeKitCsv };

export type FilesApi = typeof files;

expose(files);
