import {
  type Link,
  type LinkUse,
  type Part,
  type Body,
  type Mode,
  type Lens,
  type Reducer,
  type Frame,
  type Job,
  isBody,
  isLens,
  isLink,
  isReducer,
  type Rig,
} from '../kit/types';
import { type Doc, SeenDoc } from './doc';
import { type Given, given, constant, exactly } from './given';
import { type Reader, type Node, node, sameList, Kept } from '../engine/reads';
import { tamed } from '../kit/names';
import { operator, type Operator } from '../kit/operator';
import { type MountIndex, mountIndex, type MountFacts } from '../areas/mount/kit/standards';
import { type RuleValues, ruleValues } from '../rules/rules';
import { focalOf, stopsOf } from './lens';

/** A piece between body and lens, with its use on this rig. */
export interface BuiltLink {
  link: Link;
  use: LinkUse;
  index: number;
}

/** Two faces that meet. */
export interface Joint {
  /** The face on the body's side and the face on the subject's side, by mount id. */
  rear: string | undefined;
  front: string | undefined;
  rearPart: Part;
  frontPart: Part;
  mates: boolean;
}

/** A rig with its parts looked up: what every check is a function of. */
export interface Built extends Doc {
  readonly body: Body | null;
  readonly mode: Mode | null;
  readonly lens: Lens | null;
  /** From the body outwards. */
  readonly links: readonly BuiltLink[];
  readonly reducers: readonly Reducer[];
  readonly joints: readonly Joint[];
  /** No joint is known not to mate: with a mount that nobody named it may still go together. */
  readonly closed: boolean;
  /** What is framed for as it lies on the chip; as it is delivered it stands in the rig. */
  readonly frames: readonly Frame[];
  /** Focal length the lens is set to; unknown when it does not say. */
  readonly focal: Given;
  readonly squeeze: Given;
  /** Magnification of each reducer or extender. */
  readonly magnifications: readonly Given[];
  /** Stop worked at, T (or f when only that is known). */
  readonly stop: Given;
  /** f-stop that goes with it; `fromT` when only T is known. */
  readonly fStop: Given;
  readonly fromT: boolean;
  /** What all of this is read through. */
  readonly reads: Reader<Doc, Built>;
  /** What a node comes to on this rig. */
  once: <T>(of: Node<Built, T>) => T;
}

/** Kit of a job by id. */
export function kitIndex(job: Job): ReadonlyMap<string, Part> {
  const index = new Map<string, Part>();
  for (const p of job.kit) index.set(p.id, tamed(p));
  return index;
}

/** What a job's rigs share, so that building one rig does not walk the whole kit. */
export interface Shared {
  kit: ReadonlyMap<string, Part>;
  mounts: MountIndex;
  rules: RuleValues;
}

export function shared(job: Job): Shared {
  return { kit: kitIndex(job), mounts: mountIndex(job), rules: ruleValues(job.rules) };
}

const BODY = node('body', ({ rig, kit }: Built): Body | null => {
  const part = rig.body === null ? null : kit.get(rig.body);
  return isBody(part) ? part : null;
});

const LENS = node('lens', ({ rig, kit }: Built): Lens | null => {
  const part = rig.lens === null ? null : kit.get(rig.lens);
  return isLens(part) ? part : null;
});

const MODE = node(
  'mode',
  ({ rig, body }: Built): Mode | null => body?.modes?.find((m) => m.id === rig.mode) ?? null,
);

const LINKS = node('links', ({ rig, kit }: Built): readonly BuiltLink[] =>
  rig.between.flatMap((use, index) => {
    const link = kit.get(use.part);
    return isLink(link) ? [{ link, use, index }] : [];
  }),
);

const REDUCERS = node(
  'reducers',
  ({ links }: Built): readonly Reducer[] => links.map((l) => l.link).filter(isReducer),
  { same: sameList },
);

const JOINTS = node('joints', ({ body, lens, links }: Built): readonly Joint[] => {
  const joints: Joint[] = [];
  let rearPart: Part | null = body;
  let rear: string | undefined = body?.mount;
  for (const { link } of links) {
    if (rearPart) joints.push(joint(rearPart, rear, link, link.bodyMount));
    rearPart = link;
    rear = link.lensMount;
  }
  if (rearPart && lens) joints.push(joint(rearPart, rear, lens, lens.mount));
  return joints;
});

const CLOSED = node(
  'closed',
  ({ body, lens, joints }: Built): boolean =>
    body !== null &&
    lens !== null &&
    joints.every((j) => j.mates || j.rear === undefined || j.front === undefined),
);

/** While the camera is upright a frame lies across the chip. */
const FRAMES = node('frames', ({ rig }: Built): readonly Frame[] =>
  rig.upright === undefined
    ? rig.frames
    : rig.frames.map((f) => ({
        ...f,
        aspect: 1 / f.aspect,
        ...(f.deliver ? { deliver: { w: f.deliver.h, h: f.deliver.w } } : {}),
      })),
);

const FOCAL = node('focal', ({ lens, rig }: Built): Given => focalOf(lens, rig));

const SQUEEZE = node('squeeze', ({ lens }: Built): Given =>
  lens && lens.squeeze !== undefined
    ? given(lens, 'squeeze')
    : constant('squeeze', 'x', exactly(1)),
);

const MAGNIFICATIONS = node(
  'magnifications',
  ({ reducers }: Built): readonly Given[] => reducers.map((r) => given(r, 'magnification')),
  { same: sameList },
);

const STOPS = node('stops', ({ lens, rig }: Built) => stopsOf(lens, rig));

/** A rig that is looked at, from outside or by a value that is being worked out of it. */
class View implements Built {
  readonly #doc: Doc;

  constructor(
    readonly reads: Reader<Doc, Built>,
    doc: Doc,
  ) {
    this.#doc = doc;
  }

  once<T>(of: Node<Built, T>): T {
    return this.reads.node(of);
  }
  get job(): Job {
    return this.#doc.job;
  }
  get rig(): Rig {
    return this.#doc.rig;
  }
  get kit(): ReadonlyMap<string, Part> {
    return this.#doc.kit;
  }
  get rules(): RuleValues {
    return this.#doc.rules;
  }
  get mounts(): MountIndex {
    return this.#doc.mounts;
  }
  get operator(): Operator | null {
    return this.#doc.operator;
  }
  get body(): Body | null {
    return this.reads.node(BODY);
  }
  get mode(): Mode | null {
    return this.reads.node(MODE);
  }
  get lens(): Lens | null {
    return this.reads.node(LENS);
  }
  get links(): readonly BuiltLink[] {
    return this.reads.node(LINKS);
  }
  get reducers(): readonly Reducer[] {
    return this.reads.node(REDUCERS);
  }
  get joints(): readonly Joint[] {
    return this.reads.node(JOINTS);
  }
  get closed(): boolean {
    return this.reads.node(CLOSED);
  }
  get frames(): readonly Frame[] {
    return this.reads.node(FRAMES);
  }
  get focal(): Given {
    return this.reads.node(FOCAL);
  }
  get squeeze(): Given {
    return this.reads.node(SQUEEZE);
  }
  get magnifications(): readonly Given[] {
    return this.reads.node(MAGNIFICATIONS);
  }
  get stop(): Given {
    return this.reads.node(STOPS).stop;
  }
  get fStop(): Given {
    return this.reads.node(STOPS).fStop;
  }
  get fromT(): boolean {
    return this.reads.node(STOPS).fromT;
  }
}

type Rigs = Kept<Doc, Built>;

const newlyKept = (): Rigs => new Kept((reads) => new View(reads, new SeenDoc(reads, reads.doc)));

/** What was worked out of the rigs that were built last, by their ids. */
const kept = new Map<string, Rigs>();

/** More than are on one screen. */
const MOST_RIGS = 24;

function keptFor(id: string): Rigs {
  const known = kept.get(id);
  const rigs = known ?? newlyKept();
  // Last used, last to go.
  kept.delete(id);
  kept.set(id, rigs);
  if (kept.size > MOST_RIGS) kept.delete(kept.keys().next().value!);
  return rigs;
}

/**
 * Looks up the parts of a rig and works out what several checks need. Never throws: what is not
 * there is null or an unknown {@link Given}. What was worked out of the same rig before stands
 * again where all that was read for it reads the same.
 */
export function build(job: Job, rig: Rig, base: Shared = shared(job)): Built {
  const doc: Doc = { job, rig, ...base, operator: operator() };
  return new View(keptFor(rig.id).at(doc), doc);
}

/** As {@link build}, with nothing that was worked out before: for whoever wants to see it made. */
export function buildAfresh(job: Job, rig: Rig, base: Shared = shared(job)): Built {
  const doc: Doc = { job, rig, ...base, operator: operator() };
  return new View(newlyKept().at(doc), doc);
}

/** As {@link build}, of a rig that is only tried: what it leaves as it is, is not worked out again. */
export function buildTrial(from: Built, job: Job, rig: Rig, base: Shared): Built {
  const doc: Doc = { job, rig, ...base, operator: operator() };
  return new View(from.reads.kept.at(doc, true), doc);
}

/** A rig as it is, with another kit to look through: for what could be put on it. */
export function withKit(built: Built, kit: ReadonlyMap<string, Part>): Built {
  const { job, rig, mounts, rules, operator: who } = built;
  return new View(built.reads, {
    job: { ...job, kit: [...kit.values()] },
    rig,
    kit,
    mounts,
    rules,
    operator: who,
  });
}

function joint(
  rearPart: Part,
  rear: string | undefined,
  frontPart: Part,
  front: string | undefined,
): Joint {
  return {
    rear,
    front,
    rearPart,
    frontPart,
    mates: rear !== undefined && front !== undefined && rear === front,
  };
}

/** Facts of a mount, when the job knows it. */
export function mountOf(built: Built, id: string | undefined): MountFacts | null {
  return id === undefined ? null : (built.mounts.get(id) ?? null);
}

/** The flange distance of a body or lens: its own measured one, else that of its mount. */
export function flangeOf(built: Built, part: Body | Lens): Given {
  if (part.flange !== undefined) return given(part, 'flange');
  const known = mountOf(built, part.mount)?.flange ?? null;
  const before = flanges.get(part);
  if (before && before.known?.lo === known?.lo && before.known?.hi === known?.hi) return before;
  const flange: Given = {
    path: ['kit', part.id, 'flange'],
    part: part.id,
    label: `flange distance of ${part.name}`,
    unit: 'mm',
    cls: 'flange',
    known,
  };
  flanges.set(part, flange);
  return flange;
}

/** Flange distances by the mount of a part, one object for one number as {@link given} has it. */
const flanges = new WeakMap<Part, Given>();
