import { JOB_VERSION } from '../format/version';
import { newId } from '../engine/ids';
import { isBody, type Job, type Rig } from '../kit/types';
import { ASPECTS } from '../optics/formats';
import type { Edit } from '../edit/edit';

/** A new rig on the first body of the kit, framed for 1.78, with no lens yet. */
export function addRig(job: Job): { edit: Edit; id: string } {
  const body = job.kit.find(isBody) ?? null;
  const name = `Rig ${job.rigs.length + 1}`;
  const id = newId('rig');
  const wide = ASPECTS.find((a) => a.id === '1.78')!;
  const rig: Rig = {
    id,
    name,
    body: body?.id ?? null,
    mode: body?.modes?.[0]?.id ?? null,
    frames: [{ id: 'f1', name: wide.name, aspect: wide.aspect, deliver: wide.deliver }],
    lens: null,
    between: [],
  };
  return { id, edit: { title: `New rig ${name}`, changes: [{ path: ['rigs', id], value: rig }] } };
}

/** A copy of a rig under a name of its own. */
export function copyRig(rig: Rig): { edit: Edit; id: string } {
  const name = `${rig.name}, copy`.slice(0, 120);
  const id = newId('rig');
  return {
    id,
    edit: {
      title: `Copy ${rig.name}`,
      changes: [{ path: ['rigs', id], value: { ...rig, id, name } }],
    },
  };
}

export function removeRig(rig: Rig): Edit {
  return {
    title: `Take ${rig.name} away`,
    changes: [{ path: ['rigs', rig.id], value: undefined }],
  };
}

export function renameRig(rig: Rig, name: string): Edit {
  return {
    title: `Call the rig ${name}`,
    changes: [{ path: ['rigs', rig.id, 'name'], value: name }],
  };
}

/** An empty job: one rig, no parts. */
export function emptyJob(name: string, id: string): Job {
  return {
    format: 'nelvix-job',
    version: JOB_VERSION,
    id,
    name,
    kit: [],
    rigs: [
      { id: 'rig-1', name: 'Rig 1', body: null, mode: null, frames: [], lens: null, between: [] },
    ],
  };
}
