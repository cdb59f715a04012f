import type { Job, Rig, Body, Change } from '../../../kit/types';
import { type Edit, listChanges } from '../../../edit/edit';
import { lensOf } from './on-rig';
import { at } from '../../../edit/rig-path';
import { followingChain } from '../../mount/moves/chain';

/** Puts another body under the rig; mode and chain follow. */
export function putBody(job: Job, rig: Rig, body: Body): Edit {
  const lens = lensOf(job, rig.lens);
  const mode = body.modes?.find((m) => m.id === rig.mode) ?? body.modes?.[0] ?? null;
  const changes: Change[] = [
    { path: at(rig, 'body'), value: body.id },
    { path: at(rig, 'mode'), value: mode?.id ?? null },
  ];
  const between = followingChain(job, rig, body, lens);
  if (between !== null && between !== rig.between)
    changes.push(...listChanges(at(rig, 'between'), rig.between, between));
  return { title: `Put ${body.name} on`, changes };
}
