import { shared, type Shared } from '../build/build';
import { likeness, type Likeness } from '../areas/joints/model/alike';
import { putBody } from '../areas/coverage/moves/body';
import { withChanges } from '../edit/edit';
import { isBody, onHand, type Body, type Job, type Rig } from '../kit/types';
import { configurationTable, type ConfigurationTable } from './configurations';

/** The rig on every body of the kit, each with all there is to check. */

export interface BodyColumn {
  body: Body;
  /** It is the one that is on. */
  on: boolean;
  toHire: boolean;
  /** Against the body that is on; null for that one itself, or where none is. */
  likeness: Likeness | null;
}

export interface BodyTable {
  bodies: readonly BodyColumn[];
  /** A column for each of them. */
  table: ConfigurationTable;
}

/**
 * The rig as it stands on every body: the one that is on first, then those that it could stand on
 * in its stead, alike ones before others.
 */
export function bodyTable(job: Job, rig: Rig, base: Shared = shared(job)): BodyTable {
  const was = base.kit.get(rig.body ?? '');
  const own = isBody(was) ? was : null;
  const bodies = job.kit.filter(isBody).map((body): BodyColumn => {
    const on = body.id === rig.body;
    return {
      body,
      on,
      toHire: onHand(body) < 1,
      likeness: on || !own ? null : likeness(own, body),
    };
  });
  const rank = (b: BodyColumn) => (b.on ? 0 : b.likeness?.same === true ? 1 : 2);
  bodies.sort((a, b) => rank(a) - rank(b));
  const rigs = bodies.map(({ body, on }): Rig => {
    const next = on
      ? rig
      : withChanges(job, putBody(job, rig, body).changes).rigs.find((r) => r.id === rig.id)!;
    // Under an id of its own: what is kept from one rig to the next is kept by it.
    return { ...next, id: `${rig.id} on ${body.id}` };
  });
  return { bodies, table: configurationTable(job, rigs, base) };
}
