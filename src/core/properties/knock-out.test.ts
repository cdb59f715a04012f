import fc from 'fast-check';
import type { Verdict } from '../checks/finding';
import { checkRig } from '../areas/checks';
import { isFitting, isLens, type Change, type Job } from '../kit/types';
import { partsOn } from '../roles/uses';
import { raised } from './compare';
import { anyRig, begunRigs, changed, demoRigs, demoStandings, slotsOf, type Subject } from './rigs';

/**
 * Taking away what is known raises no finding but to unknown. A maker's limit that is gone gives
 * the house rule's verdict, so those fields are held to that elsewhere.
 */
const MAKERS_LIMIT = new Set(['mountMoment', 'rating', 'frontLoad', 'bears', 'bearsMoment']);
/** A doubt, not a number: without it the class's own doubt stands. */
const DOUBTS = new Set(['walk', 'walkAngle']);
/** Told by another field with its own doubt: without a T-stop the f-stop less what glass takes. */
const TOLD = new Set(['tStop', 'tStopTo']);
/** What says of which sort a part is: without it the part is of another sort, which nobody doubts. */
const SORTS = new Set(['squeeze', 'squeezeAt', 'swing', 'tilts']);
/** Where nothing written is a statement of its own: flush with the mount face, one piece on hand. */
const STATED = new Set(['frontBack', 'count']);

/** Of a hole, a rail or a clamp likewise: without it it is another sort of hole, rail or clamp. */
const SORTS_OF_INTERFACES = new Set(['pinned', 'count', 'captive', 'along', 'weak']);

const tellsF = (job: Job, id: string) =>
  job.kit.some((p) => p.id === id && isLens(p) && p.fStop !== undefined);

/**
 * Where nobody stated it a weight sits in the middle of its solids, within a wide share of them: a
 * narrow number is gone for a wide one, as a tolerance is for that of its class. What rests on it may
 * come from a sure fail to *may be*, and never to ok.
 */
const WIDER = 'centreOfGravity';

interface KnockOut {
  what: string;
  changes: Change[];
  /** Findings about what is taken away itself, which go with it. */
  own?: (v: Verdict) => boolean;
}

function knockOuts({ job, rig }: Subject): KnockOut[] {
  const on = job.kit.filter((p) => partsOn(rig).has(p.id));
  const list = on
    .flatMap(slotsOf)
    .filter((s) => ![MAKERS_LIMIT, DOUBTS, SORTS, STATED].some((set) => set.has(s.field.key)))
    .filter((s) => !TOLD.has(s.field.key) || !tellsF(job, s.path[1]!))
    .filter((s) => s.path[2] !== 'interfaces' || !SORTS_OF_INTERFACES.has(s.field.key))
    .map((s): KnockOut => ({
      what: s.path.join('/'),
      changes: [{ path: s.path, value: undefined }] as Change[],
    }));
  for (const p of on.filter(isFitting))
    for (const o of p.outlets ?? [])
      list.push({
        what: `outlet ${o.id} of ${p.id}`,
        changes: [{ path: ['kit', p.id, 'outlets', o.id], value: undefined }],
      });
  for (const s of rig.supports ?? [])
    list.push({
      what: `support ${s.id}`,
      changes: [{ path: ['rigs', rig.id, 'supports', s.id], value: undefined }],
      // Nothing is wrong with a support that is not there; what it held up is another matter.
      own: (v) => v.about.includes(s.part) && !/^(support\.need|mount\.)/.test(v.id),
    });
  return list;
}

function broken(s: Subject, every = 1, offset = 0): string[] {
  const before = checkRig(s.job, s.rig);
  return knockOuts(s)
    .filter((_, i) => i % every === offset % every)
    .flatMap(({ what, changes, own }) => {
      const after = changed(s, changes);
      const wider = what.endsWith(`/${WIDER}`);
      const now = checkRig(after.job, after.rig);
      const sure = (v: Verdict) =>
        wider && v.id.startsWith('carry.') && v.state === 'fail' ? { ...v, state: 'tight' } : v;
      const stays = before.filter((v) => !own?.(v)).map((v) => sure(v) as Verdict);
      return raised(stays, now).map((r) => `${what} -> ${r}`);
    });
}

describe('knock-out', () => {
  test.each(demoRigs)('%s', (_name, subject) => {
    expect(broken(subject)).toEqual([]);
  });

  const begun = begunRigs.map(([name, s], i) => [name, s, 4, i] as const);
  const standings = demoStandings.map(([name, s]) => [name, s, 1, 0] as const);
  test.each([...standings, ...begun])('%s', (_name, subject, every, from) => {
    const { job, rig } = subject;
    // A cage that is made for its body and does not say what room it leaves closes on it.
    const snug = job.kit
      .filter(isFitting)
      .filter((p) => p.kind === 'cage' && rig.body !== null && p.madeFor?.includes(rig.body))
      .map((p) => new RegExp(`${p.id}/inner(Height|Width) -> space\\.envelope`));
    expect(broken(subject, every, from).filter((b) => !snug.some((s) => s.test(b)))).toEqual([]);
  });

  test('random rigs', () => {
    fc.assert(
      fc.property(anyRig, fc.nat(11), (s, offset) => {
        expect(broken(s, 12, offset)).toEqual([]);
      }),
      { numRuns: 40 },
    );
  }, 300_000);
});
