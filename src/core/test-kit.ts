import { JOB_VERSION } from './format/version';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readDoc, readJob } from './format/read-job';
import type { JobDoc } from './kit/kept';
import type { Adapter, Body, Job, Lens, Reducer, Rig } from './kit/types';

/** The demo job as it ships. */
export function demo(): Job {
  const read = readJob(readFileSync(demoPath(), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** The same as it is kept. */
export function demoDoc(): JobDoc {
  const read = readDoc(readFileSync(demoPath(), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

export function demoPath(): string {
  return join(__dirname, '../../data/demo/lock-nine.nelvix.json');
}

export const exactly = (value: number) => ({ value, tol: 0, from: 'measured' as const });

/** A full-frame body on the mirrorless 20.00 mount with a 36 x 24 mode. */
export function testBody(more: Partial<Body> = {}): Body {
  return {
    id: 'body',
    kind: 'body',
    name: 'Test body',
    mount: 'ml-20.00-51.6',
    modes: [{ id: 'm', name: 'full', w: exactly(36), h: exactly(24), pxW: 6000, pxH: 4000 }],
    cavityDepth: exactly(14),
    control: 'electronic',
    ...more,
  };
}

export function testLens(more: Partial<Lens> = {}): Lens {
  return {
    id: 'lens',
    kind: 'lens',
    name: 'Test lens',
    mount: 'slr-44.00-54',
    focal: exactly(50),
    tStop: exactly(2),
    imageCircle: [{ diameter: exactly(45) }],
    rearProtrusion: exactly(3),
    rearDiameter: exactly(34),
    aperture: 'manual',
    length: exactly(90),
    mass: exactly(500),
    centreOfGravity: exactly(45),
    closeFocus: exactly(500),
    ...more,
  };
}

export function testAdapter(more: Partial<Adapter> = {}): Adapter {
  return {
    id: 'adapter',
    kind: 'adapter',
    name: 'Test adapter',
    lensMount: 'slr-44.00-54',
    bodyMount: 'ml-20.00-51.6',
    length: exactly(24),
    play: exactly(0.01),
    mass: exactly(120),
    ...more,
  };
}

export function testReducer(more: Partial<Reducer> = {}): Reducer {
  return {
    id: 'reducer',
    kind: 'reducer',
    name: 'Test reducer',
    lensMount: 'slr-44.00-54',
    bodyMount: 'ml-20.00-51.6',
    length: exactly(18),
    magnification: exactly(0.71),
    exitCircle: exactly(44),
    rearProtrusion: exactly(8),
    rearDiameter: exactly(30),
    frontClearance: exactly(7),
    backFocus: exactly(0),
    play: exactly(0.01),
    mass: exactly(120),
    ...more,
  };
}

/** A job with one rig made of these parts. */
export function testJob(
  parts: { body?: Body; lens?: Lens | null; links?: (Adapter | Reducer)[]; more?: Job['kit'] } = {},
  rig: Partial<Rig> = {},
): Job & { rigs: [Rig] } {
  const body = parts.body ?? testBody();
  const lens = parts.lens === undefined ? testLens() : parts.lens;
  const links = parts.links ?? [testAdapter()];
  return {
    format: 'nelvix-job',
    version: JOB_VERSION,
    id: 'test',
    name: 'Test',
    kit: [body, ...links, ...(lens ? [lens] : []), ...(parts.more ?? [])],
    rigs: [
      {
        id: 'rig',
        name: 'Rig',
        body: body.id,
        mode: body.modes?.[0]?.id ?? null,
        frames: [{ id: 'f', name: '1.50', aspect: 1.5, deliver: { w: 3840, h: 2560 } }],
        lens: lens?.id ?? null,
        between: links.map((l) => ({ part: l.id })),
        ...rig,
      },
    ],
  };
}
