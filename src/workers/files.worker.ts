import { expose } from 'comlink';
import { readBackup, writeBackup } from '../core/format/backup';
import { readKitCsv } from '../core/format/csv';
import { writeKitCsv } from '../core/format/csv-write';
import { readDoc, writeDoc } from '../core/format/read-job';

/** Reading and validating files, off the page's own thread. */
const files = { readDoc, writeDoc, readBackup, writeBackup, readKitCsv, writeKitCsv };

export type FilesApi = typeof files;

expose(files);
