import { wrap, type Remote } from 'comlink';
import type { FilesApi } from './files.worker';

let api: Remote<FilesApi> | null = null;

/** The file worker, started at first use. */
export function files(): Remote<FilesApi> {
  api ??= wrap<FilesApi>(
    new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' }),
  );
  return api;
}
