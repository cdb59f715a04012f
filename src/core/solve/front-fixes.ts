import type { Built } from '../build/build';
import { frontOf, type Front } from '../build/front';
import { flagSight } from '../areas/front/flags';
import { mustTurn, stageFit } from '../areas/light/light';
import { cleanScale } from '../areas/front/shading';
import { ringChains, sameThread } from '../areas/front/threads';
import {
  isBox,
  isFilter,
  isPlate,
  isRing,
  isSleeve,
  onHand,
  type Filter,
  type Part,
  type Ring,
  type Stage,
} from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { candidate, type Candidate, type Generator } from './candidate';
import {
  clampEdits,
  putBox,
  screwOn,
  setFlag,
  setMask,
  setSleeve,
  setStation,
  setThread,
  setTrays,
  setUnder,
  swapOnThread,
  swapStages,
  takeBoxOff,
  traysWith,
  unscrew,
} from './front-moves';
import { light, offTheThread } from './light-fixes';
import { scaleFrame } from './moves';
import { riserCandidates } from './risers';

/** What is worth trying for the findings at the front of the rig. */

/** A filter of the same sort is tried in place of another when it costs about as much light. */
const SAME_LIGHT = 0.5;

const hire = (...parts: readonly Part[]) => parts.filter((p) => onHand(p) < 1).length;
const kitOf = (built: Built) => [...built.kit.values()];

function sameSort(a: Filter, b: Filter): boolean {
  return (
    a.id !== b.id &&
    a.type !== undefined &&
    a.type === b.type &&
    Math.abs((valueOf(a.stops) ?? 0) - (valueOf(b.stops) ?? 0)) <= SAME_LIGHT
  );
}

/** Screw-in filters of the same sort in place of those on the thread, with the rings they need. */
function otherRoundFilters(built: Built, front: Front): Candidate[] {
  return front.thread.flatMap(({ part, index }) =>
    isFilter(part)
      ? kitOf(built)
          .filter(isFilter)
          .filter((f) => f.male !== undefined && sameSort(part, f))
          .map((f) =>
            candidate(swapOnThread(built.job, built.rig, index, f), 2, 1, 'filter', hire(f)),
          )
      : [],
  );
}

/** A plate of the same sort in a free tray in place of a filter on the thread. */
function platesInstead(built: Built, front: Front): Candidate[] {
  const { box } = front;
  if (!box) return [];
  const free = box.stages.filter((s) => !s.filter && !s.out);
  return front.thread.flatMap(({ part, index }) => {
    if (!isFilter(part)) return [];
    const off = unscrew(built.job, built.rig, index);
    return kitOf(built)
      .filter(isFilter)
      .filter((f) => sameSort(part, f))
      .flatMap((f) => {
        const stage = free.find(
          (s) =>
            stageFit(box.box, s.stage.id, f) === 'fits' &&
            (!mustTurn(f) || s.stage.rotates === true),
        );
        if (!stage) return [];
        const put = setTrays(
          built.rig,
          traysWith(box.use, stage.stage.id, { filter: f.id }),
          `Use ${f.name} in ${stage.stage.name} in place of ${part.name}`,
        );
        return [
          candidate(
            { title: put.title, changes: [...off.changes, ...put.changes] },
            2,
            2,
            'plate',
            hire(f),
          ),
        ];
      });
  });
}

/** Rings of the same threads that are thinner or wider inside. */
function otherRings(built: Built, front: Front): Candidate[] {
  return front.thread.flatMap(({ part, index }) =>
    isRing(part)
      ? kitOf(built)
          .filter(isRing)
          .filter(
            (r) =>
              r.id !== part.id &&
              sameThread(valueOf(r.male), valueOf(part.male)) &&
              sameThread(valueOf(r.female), valueOf(part.female)),
          )
          .map((r) =>
            candidate(
              setThread(
                built.rig,
                front.thread.map((t) => (t.index === index ? r : t.part)),
                `Use ${r.name} in place of ${part.name}`,
              ),
              2,
              3,
              'ring',
              hire(r),
            ),
          )
      : [],
  );
}

/** Empty stages out, one by one and all of them; filters moved back first so that more come out. */
function stagesOut(built: Built, front: Front): Candidate[] {
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
  // Another order: every filter in the rearmost stage that takes it, what is then empty out.
  const standing = box.stages.filter((s) => !s.out);
  const filters = standing.flatMap((s) => (s.filter ? [s.filter] : []));
  if (filters.length === 0) return list;
  const turning = [...filters].sort((a, b) => Number(mustTurn(b)) - Number(mustTurn(a)));
  const placed = new Map<string, Filter>();
  for (const f of turning) {
    const stage = standing.find(
      (s) =>
        !placed.has(s.stage.id) &&
        stageFit(box.box, s.stage.id, f) === 'fits' &&
        (!mustTurn(f) || s.stage.rotates === true),
    );
    if (!stage) return list;
    placed.set(stage.stage.id, f);
  }
  const moved = standing.filter((s) => s.filter && placed.get(s.stage.id)?.id !== s.filter.id);
  if (moved.length === 0) return list;
  const trays = standing.reduce((now, s) => {
    const f = placed.get(s.stage.id);
    const gone = !f && s.stage.removable === true;
    return traysWith({ ...box.use, trays: now }, s.stage.id, {
      filter: f?.id,
      out: gone ? true : undefined,
    });
  }, box.use.trays ?? []);
  list.push(
    candidate(
      setTrays(built.rig, trays, 'Move the filters to the rear stages, take the empty ones out'),
      moved.length + 1,
      2.5,
      'order',
    ),
  );
  return list;
}

function masks(built: Built, front: Front): Candidate[] {
  const { box } = front;
  if (!box?.use.mask) return [];
  return [
    candidate(setMask(built.rig, null), 1, 1.8, 'mask'),
    ...(box.box.masks ?? [])
      .filter((m) => m.id !== box.use.mask)
      .map((m) =>
        candidate({ ...setMask(built.rig, m), title: `Use the ${m.name} instead` }, 1, 1.7, 'mask'),
      ),
  ];
}

function pushedBack(built: Built, front: Front): Candidate[] {
  const { box } = front;
  if (!box || box.box.attach !== 'rods' || box.use.station === undefined) return [];
  return [candidate(setStation(built.rig, undefined, box.box.name), 0, 0.5, 'station')];
}

/** @param only one flag, by id; all that are on when absent */
function flagsUp(built: Built, front: Front, only?: string): Candidate[] {
  const { box } = front;
  if (!box) return [];
  return box.flags.flatMap(({ leaf, use }) => {
    if (only !== undefined && leaf.id !== only) return [];
    const lowest = flagSight(built, leaf.id)?.lowest ?? null;
    const list: Candidate[] = [];
    if (lowest !== null && lowest > use.angle - 0.5)
      // To the next half degree further open, and one more for the hinge.
      list.push(candidate(setFlag(built.rig, leaf, Math.ceil(lowest * 2) / 2 + 1), 0, 0.2, 'flag'));
    list.push(candidate(setFlag(built.rig, leaf, undefined), 1, 4, 'off'));
    return list;
  });
}

/** Risers under body or rods, and other plates. */
function heights(built: Built): Candidate[] {
  const under = built.rig.under ?? [];
  const list: Candidate[] = riserCandidates(built);
  const plate = under.find((u) => isPlate(built.kit.get(u.part)));
  for (const p of kitOf(built).filter(isPlate))
    if (p.id !== plate?.part)
      list.push(
        candidate(
          setUnder(
            built.rig,
            [...under.filter((u) => u !== plate), { part: p.id }],
            `Put ${p.name} under the camera`,
          ),
          2,
          3,
          'plate',
          hire(p),
        ),
      );
  return list;
}

function otherBoxes(built: Built, order: number): Candidate[] {
  return kitOf(built)
    .filter(isBox)
    .filter((b) => b.id !== built.rig.box?.part)
    .map((b) =>
      candidate(
        { ...putBox(built.job, built.rig, b), title: `Put ${b.name} on instead` },
        2,
        order,
        'box',
        hire(b),
      ),
    );
}

const boxOff = (built: Built, front: Front): Candidate[] =>
  front.box ? [candidate(takeBoxOff(built.job, built.rig), 1, 8, 'off')] : [];

const vignette: Generator = (built, finding) => {
  if (finding.id !== 'front.vignette') return [];
  const front = frontOf(built);
  const list = [
    ...pushedBack(built, front),
    ...flagsUp(built, front),
    ...otherRoundFilters(built, front),
    ...platesInstead(built, front),
    ...otherRings(built, front),
    ...stagesOut(built, front),
    ...masks(built, front),
    ...(front.box?.box.attach === 'rods' ? heights(built) : []),
    ...offTheThread(built, front, 5),
    ...otherBoxes(built, 6),
    ...boxOff(built, front),
  ];
  const frame = built.frames.find((f) => f.id === finding.frame);
  if (frame) {
    const clean = cleanScale(built, frame, built.rules['front.vignette-tight']);
    // Rounded down to a tenth of a per cent, with a little left for the tolerances.
    const scale = clean === null ? null : Math.floor(clean * 985) / 1000;
    if (scale !== null && scale > 0.4 && scale < (frame.scale ?? 1))
      list.push(candidate(scaleFrame(built.rig, frame, scale), 0, 7, 'scale'));
  }
  return list;
};

const threads: Generator = (built, finding) => {
  if (finding.id !== 'front.thread') return [];
  const front = frontOf(built);
  const { lens } = built;
  if (!lens) return [];
  const list: Candidate[] = [];
  let behind = valueOf(lens.filterThread);
  for (const [i, { part }] of front.thread.entries()) {
    const male = valueOf(part.male);
    if (behind !== null && male !== null && !sameThread(behind, male)) {
      const on: (Ring | Filter)[] = front.thread.map((t) => t.part);
      for (const chain of ringChains(
        behind,
        { female: male },
        kitOf(built).filter(isRing),
        3,
        4,
      ).slice(0, 4))
        list.push(
          candidate(
            setThread(
              built.rig,
              [...on.slice(0, i), ...chain.rings, ...on.slice(i)],
              `Put ${chain.rings.map((r) => r.name).join(' + ')} under ${part.name}`,
            ),
            chain.rings.length,
            chain.stepsDown ? 3 : 0,
            'chain',
            chain.toHire,
          ),
        );
      break;
    }
    behind = valueOf(part.female);
  }
  return [...list, ...otherRoundFilters(built, front), ...offTheThread(built, front, 5)];
};

const fits: Generator = (built, finding) => {
  if (finding.id !== 'front.matte-fit') return [];
  const front = frontOf(built);
  return [
    ...clampEdits(built.job, built.rig).map((c) =>
      candidate(c.edit, Math.max(1, c.pieces), c.pieces, 'clamp', c.toHire),
    ),
    ...heights(built).filter((c) => c.family === 'plate'),
    ...otherBoxes(built, 5),
    ...boxOff(built, front),
  ];
};

const boxHeight: Generator = (built, finding) =>
  finding.id === 'front.matte-height' ? heights(built) : [];

const travel: Generator = (built, finding) => {
  if (finding.id !== 'front.matte-travel') return [];
  const front = frontOf(built);
  return [
    ...pushedBack(built, front),
    ...otherRoundFilters(built, front),
    ...platesInstead(built, front),
    ...offTheThread(built, front, 3),
    ...otherBoxes(built, 6),
  ];
};

const trays: Generator = (built, finding) => {
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

const flags: Generator = (built, finding) =>
  finding.id === 'front.flag'
    ? flagsUp(built, frontOf(built), finding.key.slice('front.flag:'.length))
    : [];

const leaks: Generator = (built, finding) => {
  if (finding.id !== 'front.leak') return [];
  const front = frontOf(built);
  return [
    ...pushedBack(built, front),
    ...kitOf(built)
      .filter(isSleeve)
      .filter((s) => s.id !== front.box?.sleeve?.id)
      .map((s) => candidate(setSleeve(built.rig, s), 1, 1, 'sleeve', hire(s))),
    ...(front.box?.sleeve ? [candidate(setSleeve(built.rig, null), 1, 2, 'sleeve')] : []),
  ];
};

const turning: Generator = (built, finding) => {
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

const clashes: Generator = (built, finding) => {
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

/** Taking something off clears many a finding, and gives up what it was put on for. */
const marked =
  (generate: Generator): Generator =>
  (built, finding) =>
    generate(built, finding).map((c) => (c.family === 'off' ? { ...c, givesUp: true } : c));

export const FRONT_GENERATORS: readonly Generator[] = [
  threads,
  fits,
  boxHeight,
  travel,
  trays,
  vignette,
  flags,
  leaks,
  turning,
  clashes,
  light,
].map(marked);
