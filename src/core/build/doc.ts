import type { Cell, Reader } from '../engine/reads';
import type { Job, Part, Rig } from '../kit/types';
import type { Operator } from '../kit/operator';
import type { MountIndex } from '../areas/mount/kit/standards';
import { RULES, type RuleId, type RuleValues } from '../rules/rules';

/** What a rig is worked out of: a job, one rig of it, and what the rigs of a job share. */
export interface Doc {
  job: Job;
  rig: Rig;
  kit: ReadonlyMap<string, Part>;
  mounts: MountIndex;
  rules: RuleValues;
  /** Who holds it; null where nobody said. */
  operator: Operator | null;
}

type Seen = Pick<Reader<Doc, never>, 'cell'>;

/** Every field of a rig; the compiler asks for one that is missing here. */
const RIG_FIELDS: Record<keyof Rig, true> = {
  id: true,
  name: true,
  body: true,
  mode: true,
  frames: true,
  lens: true,
  focal: true,
  stop: true,
  focus: true,
  between: true,
  thread: true,
  box: true,
  under: true,
  rods: true,
  gears: true,
  supports: true,
  drives: true,
  fitted: true,
  screenShut: true,
  footTied: true,
  wheel: true,
  hand: true,
  upright: true,
  cards: true,
  mains: true,
  celsius: true,
  outlet: true,
  signals: true,
  limits: true,
  carry: true,
  carriers: true,
  light: true,
  reference: true,
  hold: true,
  overhead: true,
  lenses: true,
  configurations: true,
  unread: true,
};

const JOB_FIELDS: Record<keyof Job, true> = {
  format: true,
  version: true,
  id: true,
  name: true,
  note: true,
  mounts: true,
  aliases: true,
  kit: true,
  lensSet: true,
  rigs: true,
  rules: true,
  goal: true,
  trials: true,
  markTests: true,
  weighings: true,
  runs: true,
  packMarks: true,
  cardRuns: true,
  pulls: true,
  rest: true,
};

/** A class whose fields read a document through a reader: each look is written down. */
function viewOf<T>(
  fields: readonly string[],
  read: (doc: Doc, field: string) => unknown,
): new (reads: Seen) => T {
  class View {
    constructor(readonly reads: Seen) {}
  }
  for (const field of fields) {
    const cell: Cell<Doc> = { read: (doc) => read(doc, field) };
    Object.defineProperty(View.prototype, field, {
      get(this: View) {
        return this.reads.cell(cell);
      },
    });
  }
  return View as unknown as new (reads: Seen) => T;
}

const RigView = viewOf<Rig>(Object.keys(RIG_FIELDS), (doc, f) => doc.rig[f as keyof Rig]);
const JobView = viewOf<Job>(Object.keys(JOB_FIELDS), (doc, f) => doc.job[f as keyof Job]);
const RulesView = viewOf<RuleValues>(
  RULES.map((r) => r.id),
  (doc, id) => doc.rules[id as RuleId],
);

const PART: Cell<Doc> = { read: (doc, id) => doc.kit.get(id) };
/** All parts there are: who goes through them minds each. */
const PARTS: Cell<Doc> = { read: (doc) => doc.job.kit };
const MOUNTS: Cell<Doc> = { read: (doc) => doc.mounts };
const OPERATOR: Cell<Doc> = { read: (doc) => doc.operator };

/** The kit, each part that is looked at written down. */
class KitView implements ReadonlyMap<string, Part> {
  constructor(
    readonly reads: Seen,
    readonly kit: ReadonlyMap<string, Part>,
  ) {}

  get(id: string): Part | undefined {
    return this.reads.cell(PART, id) as Part | undefined;
  }
  has(id: string): boolean {
    return this.get(id) !== undefined;
  }
  get #all(): ReadonlyMap<string, Part> {
    this.reads.cell(PARTS);
    return this.kit;
  }
  get size(): number {
    return this.#all.size;
  }
  keys() {
    return this.#all.keys();
  }
  values() {
    return this.#all.values();
  }
  entries() {
    return this.#all.entries();
  }
  [Symbol.iterator]() {
    return this.#all[Symbol.iterator]();
  }
  forEach(each: (part: Part, id: string, map: ReadonlyMap<string, Part>) => void): void {
    this.#all.forEach(each);
  }
}

/** The document as a value that is being worked out sees it. */
export class SeenDoc implements Doc {
  readonly #reads: Seen;
  readonly #doc: Doc;
  #job: Job | null = null;
  #rig: Rig | null = null;
  #kit: ReadonlyMap<string, Part> | null = null;
  #rules: RuleValues | null = null;

  constructor(reads: Seen, doc: Doc) {
    this.#reads = reads;
    this.#doc = doc;
  }

  get job(): Job {
    return (this.#job ??= new JobView(this.#reads));
  }
  get rig(): Rig {
    return (this.#rig ??= new RigView(this.#reads));
  }
  get kit(): ReadonlyMap<string, Part> {
    return (this.#kit ??= new KitView(this.#reads, this.#doc.kit));
  }
  get rules(): RuleValues {
    return (this.#rules ??= new RulesView(this.#reads));
  }
  get mounts(): MountIndex {
    return this.#reads.cell(MOUNTS) as MountIndex;
  }
  get operator(): Operator | null {
    return this.#reads.cell(OPERATOR) as Operator | null;
  }
}
