import type { Built } from '../../../build/build';
import { type Front, type PlacedBox } from '../place/parts';
import { frontOf } from '../place/front';
import { type Candidate, candidate, type Generator, kitOf, hire } from '../../../checks/candidate';
import { type Stage, type Filter, isFilter } from '../../../kit/types';
import { traysWith, setTrays, swapStages } from '../moves/trays';
import { mustTurn, stageFit } from '../../light/model/light';
import { sameSort, platesInstead, offTheThread } from './thread';
import { screwOn } from '../moves/thread';

/** Empty stages out, one by one and all of them; filters moved back first so that more come out. */
export function stagesOut(built: Built, front: Front): Candidate[] {
  const { box } = front;
  if (!box) return [];
  const list: Candidate[] = [];
  const empty = box.stages.filter((s) => !s.filter && !s.out && s.stage.removable === true);
  const out = (stages: readonly Stage[]) =>
    stages.reduce(
      (trays, s) => traysWith({ ...box.use, trays }, s.id, { out: true, filter: undefined }),
      box.use.trays ?? [],
    );
  for (const s of empty)
    list.push(
      candidate(
        setTrays(built.rig, out([s.stage]), `Take ${s.stage.name} out, it is empty`),
        1,
        1.5,
        'stages',
      ),
    );
  if (empty.length > 1)
    list.push(
      candidate(
        setTrays(
          built.rig,
          out(empty.map((s) => s.stage)),
          `Take the ${empty.length} empty stages out`,
        ),
        empty.length,
        1.6,
        'stages',
      ),
    );
  return [...list, ...otherOrder(built, box)];
}

/** Another stage, another filter, or none, where glass does not go into a tray. */
export const trays: Generator = (built, finding) => {
  if (finding.id !== 'front.tray-fit') return [];
  const { box } = frontOf(built);
  const at = box?.stages.find((s) => `front.tray-fit:${s.stage.id}` === finding.key);
  if (!box || !at?.filter) return [];
  const out = traysWith(box.use, at.stage.id, { filter: undefined });
  const list: Candidate[] = [
    candidate(setTrays(built.rig, out, `Take ${at.filter.name} out`), 1, 5, 'off'),
  ];
  for (const s of box.stages)
    if (s !== at && !s.filter && !s.out && stageFit(box.box, s.stage.id, at.filter) === 'fits')
      list.push(
        candidate(
          setTrays(
            built.rig,
            traysWith({ ...box.use, trays: out }, s.stage.id, { filter: at.filter.id }),
            `Move ${at.filter.name} to ${s.stage.name}`,
          ),
          1,
          0,
          'move',
        ),
      );
  for (const f of kitOf(built).filter(isFilter))
    if (sameSort(at.filter, f) && stageFit(box.box, at.stage.id, f) === 'fits')
      list.push(
        candidate(
          setTrays(
            built.rig,
            traysWith(box.use, at.stage.id, { filter: f.id }),
            `Use ${f.name} in place of ${at.filter.name}`,
          ),
          2,
          1,
          'filter',
          hire(f),
        ),
      );
  if (at.filter.shape === 'screw') {
    const off = setTrays(built.rig, out, '');
    const on = screwOn(built.job, built.rig, at.filter);
    list.push(
      candidate({ title: on.title, changes: [...off.changes, ...on.changes] }, 1, 2, 'thread'),
    );
  }
  return list;
};

/** A stage that turns, for a filter that has to. */
export const turning: Generator = (built, finding) => {
  if (finding.id !== 'front.polariser-turn') return [];
  const front = frontOf(built);
  const { box } = front;
  if (!box) return [];
  const at = box.stages.find((s) => `front.polariser-turn:${s.stage.id}` === finding.key);
  const list: Candidate[] = [];
  if (at?.filter) {
    for (const s of box.stages)
      if (s !== at && !s.out && s.stage.rotates === true) {
        const edit = swapStages(built.rig, at.stage, s.stage);
        list.push(
          candidate(
            s.filter ? edit : { ...edit, title: `Move ${at.filter.name} to ${s.stage.name}` },
            s.filter ? 2 : 1,
            0,
            'stage',
          ),
        );
      }
    const out = setTrays(built.rig, traysWith(box.use, at.stage.id, { filter: undefined }), '');
    for (const f of kitOf(built).filter(isFilter))
      if (f.shape === 'screw' && f.type === at.filter.type) {
        const on = screwOn(built.job, built.rig, f);
        list.push(
          candidate(
            {
              title: `${on.title} in place of ${at.filter.name}`,
              changes: [...out.changes, ...on.changes],
            },
            2,
            3,
            'round',
            hire(f),
          ),
        );
      }
  }
  return [...list, ...platesInstead(built, front)];
};

/** One of two filters that do not go together taken out. */
export const clashes: Generator = (built, finding) => {
  if (finding.id !== 'front.stack') return [];
  const front = frontOf(built);
  const list = offTheThread(built, front, 2);
  for (const s of front.box?.stages ?? [])
    if (s.filter && !s.out)
      list.push(
        candidate(
          setTrays(
            built.rig,
            traysWith(front.box!.use, s.stage.id, { filter: undefined }),
            `Take ${s.filter.name} out of ${s.stage.name}`,
          ),
          1,
          2,
          'off',
        ),
      );
  return list;
};

/** Another order: every filter in the rearmost stage that takes it, what is then empty out. */
function otherOrder(built: Built, box: PlacedBox): Candidate[] {
  const standing = box.stages.filter((s) => !s.out);
  const filters = standing.flatMap((s) => (s.filter ? [s.filter] : []));
  if (filters.length === 0) return [];
  const turning = [...filters].sort((a, b) => Number(mustTurn(b)) - Number(mustTurn(a)));
  const placed = new Map<string, Filter>();
  for (const f of turning) {
    const stage = standing.find(
      (s) =>
        !placed.has(s.stage.id) &&
        stageFit(box.box, s.stage.id, f) === 'fits' &&
        (!mustTurn(f) || s.stage.rotates === true),
    );
    if (!stage) return [];
    placed.set(stage.stage.id, f);
  }
  const moved = standing.filter((s) => s.filter && placed.get(s.stage.id)?.id !== s.filter.id);
  if (moved.length === 0) return [];
  const trays = standing.reduce((now, s) => {
    const f = placed.get(s.stage.id);
    const gone = !f && s.stage.removable === true;
    return traysWith({ ...box.use, trays: now }, s.stage.id, {
      filter: f?.id,
      out: gone ? true : undefined,
    });
  }, box.use.trays ?? []);
  return [
    candidate(
      setTrays(built.rig, trays, 'Move the filters to the rear stages, take the empty ones out'),
      moved.length + 1,
      2.5,
      'order',
    ),
  ];
}
