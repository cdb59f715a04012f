import type { FilesApi } from './files.worker';
import { Helper } from './helper';

/** The file worker, started at first use; the largest file that is read takes it a few seconds. */
export const files = new Helper<FilesApi>(
  () => new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' }),
  'The reader of files',
  60_000,
);
