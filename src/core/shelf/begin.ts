import { putBody } from '../areas/coverage/moves/body';
import { putLens } from '../areas/coverage/moves/lens';
import { setUpright } from '../areas/coverage/moves/picture';
import { setHold } from '../areas/joints/moves/seat';
import { mountIndex } from '../areas/mount/kit/standards';
import { tieLensFoot } from '../areas/support/moves/support';
import { putOn } from '../areas/moves';
import { applyEdit, type Edit } from '../edit/edit';
import { newId } from '../engine/ids';
import { guessOf, range, type Typical } from '../engine/typical';
import { known } from '../quantity/quantity';
import { build, shared } from '../build/build';
import { placesFor } from '../solve/places';
import {
  isBody,
  isFitting,
  isLens,
  type Body,
  type Job,
  type Lens,
  type Part,
  type Rig,
} from '../kit/types';
import { ASPECTS } from '../optics/formats';
import { emptyJob } from '../solve/rigs';
import type { Goal } from './goals';
import { partOf, SHELF, typicalOf } from './shelf';

/** What somebody chose: a class of the shelf, or a piece that is known. */
export type Choice = string | Part;

export interface Beginning {
  goal: Goal;
  body: Choice;
  lens: Choice;
}

const taken = (c: Choice, more: Readonly<Record<string, unknown>> = {}): Part | null => {
  if (typeof c !== 'string') return c;
  const t = typicalOf(c);
  return t && partOf(t, more);
};

/**
 * Mount of a lens of the shelf on a body: lenses that are made for many flanges come in the body's
 * own where that is one of a mirrorless or reflex camera; those of another sort keep theirs.
 */
function mountFor(c: Choice, body: Body): Readonly<Record<string, unknown>> {
  const own = typeof c === 'string' ? typicalOf(c)?.fields.mount : undefined;
  const many = own === 'ml-18.00-46' && body.mount !== undefined && body.mount !== 'pl';
  return many ? { mount: body.mount } : {};
}

/** The adapter of the shelf between two mounts, else one of the length that the flanges ask for. */
function adapterBetween(job: Job, body: Body, lens: Lens): Part | null {
  const { mount } = body;
  if (!mount || !lens.mount || mount === lens.mount) return null;
  const ready = SHELF.find(
    (t) =>
      t.kind === 'adapter' && t.fields.lensMount === lens.mount && t.fields.bodyMount === mount,
  );
  if (ready) return partOf(ready);
  const mounts = mountIndex(job);
  const [from, to] = [mounts.get(lens.mount)?.flange, mounts.get(mount)?.flange];
  const length = from && to ? from.value - to.value : -1;
  // What would have to be thinner than nothing does not exist.
  if (length < 1) return null;
  const like = SHELF.find((t) => t.kind === 'adapter')!;
  return partOf(like, {
    name: `Adapter, ${mounts.get(lens.mount)!.name} lens on ${mounts.get(mount)!.name}`,
    lensMount: lens.mount,
    bodyMount: mount,
    length: guessOf(
      range(length - 0.08, length + 0.03, 'cheap ones are made a little short of the flange'),
    ),
  });
}

function done(job: Job, edit: Edit | null): Job {
  return edit ? applyEdit(job, edit).doc : job;
}

type Out = readonly [number, number, number];
const up = (out: Out) => out[1] > 0.9;
const down = (out: Out) => out[1] < -0.9;
const beside = (out: Out) => Math.abs(out[0]) > 0.9;

/** Which way the place looks that a part of a kind is expected at. Common practice, no source. */
const EXPECTED: Readonly<Record<string, (out: Out) => boolean>> = {
  handle: up,
  arm: up,
  microphone: up,
  grip: beside,
  'rosette-adapter': beside,
  'shoulder-pad': down,
  'quick-plate': down,
  receiver: down,
  dovetail: down,
};

/** Where it brings least trouble, of all places that hold it by name; else where its kind goes. */
function onItsBestPlace(job: Job, rig: Rig, part: Part): Edit | null {
  if (isFitting(part) && part.kind !== 'cage') {
    const base = shared(job);
    const places = placesFor(build(job, rig, base), base, part);
    // On the side where hands expect it, unless that brings trouble that another does not.
    const liked = places.find((p) => EXPECTED[part.kind]?.(p.out) ?? true);
    const best = liked && liked.more.fail <= places[0]!.more.fail ? liked : places[0];
    if (best) return best.edit;
  }
  return putOn(job, rig, part);
}

/** A filter that is bought for its lens has its thread. */
function threadOf(t: Typical | null, lens: Lens): Readonly<Record<string, unknown>> {
  const own = known(lens.filterThread, 'length');
  if (t?.fields.shape !== 'screw' || !own) return {};
  const clear = range(own.lo - 8, own.hi - 2, 'slim and ordinary frames');
  const name = `${t.name.split(',')[0]}, screw-in`;
  return { name, male: lens.filterThread, female: lens.filterThread, clear: guessOf(clear) };
}

/**
 * A job with one rig that stands: body and lens as chosen, what the goal asks for from the shelf,
 * put on by the same moves as by hand.
 *
 * @returns null when the body or the lens is none
 */
export function begin({ goal, body, lens }: Beginning, name: string, id: string): Job | null {
  const camera = taken(body);
  if (!isBody(camera)) return null;
  const glass = taken(lens, mountFor(lens, camera));
  if (!isLens(glass)) return null;
  const empty = emptyJob(name, id);
  const aspect = ASPECTS.find((a) => a.id === goal.aspect)!;
  const rig: Rig = {
    ...empty.rigs[0]!,
    name: goal.name,
    frames: [
      { id: newId('frame'), name: aspect.name, aspect: aspect.aspect, deliver: aspect.deliver },
    ],
  };
  const between = adapterBetween(empty, camera, glass);
  const more = goal.with.flatMap((c) => {
    // A cage is bought for its body.
    const own = c.startsWith('cage-') ? { madeFor: [camera.id] } : {};
    return taken(c, { ...own, ...threadOf(typicalOf(c), glass) }) ?? [];
  });
  let job: Job = {
    ...empty,
    goal: { shot: goal.id, ...goal.how },
    kit: [camera, glass, ...(between ? [between] : []), ...more],
    rigs: [rig],
  };
  const now = () => job.rigs[0]!;
  job = done(job, putBody(job, now(), camera));
  job = done(job, putLens(job, now(), glass));
  for (const part of more) job = done(job, onItsBestPlace(job, now(), part));
  const handle = now().fitted?.find((u) => job.kit.find((p) => p.id === u.part)?.kind === 'handle');
  if (goal.held && handle) job = done(job, setHold(now(), handle.id, 'x'));
  if (goal.foot && glass.footDown !== undefined) job = done(job, tieLensFoot(now(), true, 'x'));
  if (goal.upright) job = done(job, setUpright(now(), goal.upright));
  return job;
}
