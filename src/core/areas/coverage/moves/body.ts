import { isBody, type Job, type Rig, type Body, type Change } from '../../../kit/types';
import { followBody } from '../../joints/moves/other-body';
import { type Edit } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { lensOf } from './on-rig';
import { at } from '../../../edit/rig-path';
import { followingChain } from '../../mount/moves/chain';

/** Puts another body under the rig; mode and chain follow, and what stood in its holes. */
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
  const was = job.kit.find((p) => p.id === rig.body);
  changes.push(...followBody(rig, isBody(was) ? was : null, body));
  return { title: `Put ${body.name} on`, changes };
}
