import { type Job, type Body, isBody, type Lens, isLens } from '../../../kit/types';

export function bodyOf(job: Job, id: string | null): Body | null {
  const p = job.kit.find((q) => q.id === id);
  return isBody(p) ? p : null;
}

export function lensOf(job: Job, id: string | null): Lens | null {
  const p = job.kit.find((q) => q.id === id);
  return isLens(p) ? p : null;
}
