import { FIELDS, KINDS } from '../kit/fields';
import { readJob, writeJob } from '../format/read-job';
import { emptyJob } from '../solve/rigs';
import { demo } from '../test-kit';
import { known, type QuantityInput } from '../quantity/quantity';
import { isRange, type Typical } from '../engine/typical';
import type { Part } from '../kit/types';
import { partOf, reasonsOf, SHELF, typicalOf } from './shelf';

const job = emptyJob('shelf', 'shelf');

test('at least sixty classes, one of every kind at least, each under an id of its own', () => {
  expect(SHELF.length).toBeGreaterThanOrEqual(60);
  expect(new Set(SHELF.map((t) => t.id)).size).toBe(SHELF.length);
  expect(new Set(SHELF.map((t) => t.name)).size).toBe(SHELF.length);
  const there = new Set(SHELF.map((t) => t.kind));
  expect(KINDS.filter((k) => !there.has(k))).toEqual([]);
});

test('what is taken from the shelf is what a file may hold, every word of it', () => {
  const all = { ...job, kit: SHELF.map((t) => partOf(t)) };
  const read = readJob(writeJob(all));
  expect(read.ok ? [] : read.problems).toEqual([]);
  // Nothing rides along that no field reads.
  for (const t of SHELF) {
    const keys = new Set((FIELDS[t.kind as keyof typeof FIELDS] ?? []).map((f) => f.key));
    expect(Object.keys(t.fields).filter((k) => !keys.has(k))).toEqual([]);
  }
});

test('every number is a guess with a width and a reason of its own kind; no blanket share', () => {
  const shares: number[] = [];
  for (const t of SHELF)
    for (const r of reasonsOf(t)) {
      expect([t.id, r.field, r.hi > r.lo]).toEqual([t.id, r.field, true]);
      expect(r.why.split(' ').length).toBeGreaterThan(1);
      shares.push(Math.round((100 * (r.hi - r.lo)) / (Math.abs(r.hi + r.lo) || 1)));
    }
  // From tenths of a millimetre on a thread to twice over for a mass.
  expect(new Set(shares).size).toBeGreaterThan(40);
  expect(new Set(SHELF.flatMap(reasonsOf).map((r) => r.why)).size).toBeGreaterThan(80);
});

test('the range is what its tolerance says: nothing is narrower than its class', () => {
  const lens = partOf(typicalOf('photo-50')!) as unknown as Record<string, QuantityInput>;
  const length = known(lens.length, 'length')!;
  const told = typicalOf('photo-50')!.fields.length;
  expect(isRange(told) && [told.lo, told.hi]).toEqual([length.lo, length.hi]);
  expect(length.from).toBe('guess');
});

test('each reason goes with the part, beside the range it stands for', () => {
  for (const t of SHELF) {
    const { notes } = partOf(t);
    expect(notes!.length).toBeLessThanOrEqual(4000);
    for (const r of reasonsOf(t)) expect(notes).toContain(`${r.lo} to ${r.hi}, ${r.why}`);
  }
});

/** Pieces of the demo job against the class that each is of: measured ones, made up by others. */
const OF: Readonly<Record<string, string>> = {
  'body-a': 'box-full',
  'sedge-18-35': 'zoom-18-35-aps',
  pintle: 'follow-focus',
  ratchet: 'motor-strong',
  'prop-low': 'support-low',
  'prop-tall': 'support-tall',
  'cill-plate': 'plate-lw',
  'lath-300': 'rods-300',
  'lath-200': 'rods-200',
  weir: 'box-rods',
  stirrup: 'handle-top',
  fender: 'grip-side',
  'pane-5': 'monitor-5',
  'pane-7': 'monitor-7',
  shoulder: 'shoulder-pad-flat',
  'keel-98': 'battery-plate-98',
  raft: 'battery-plate-rods',
  bittern: 'microphone-shotgun',
  fairlead: 'rosette-adapter-rail',
  gunnel: 'dovetail-long',
  thole: 'receiver-small',
};

test.each(Object.entries(OF))('%s lies inside its class, %s', (id, cls) => {
  const part = demo().kit.find((p) => p.id === id) as Part & Record<string, QuantityInput>;
  const t: Typical = typicalOf(cls)!;
  const outside = Object.entries(t.fields).flatMap(([key, told]) => {
    const own = isRange(told) && part[key] !== undefined ? known(part[key], 'length') : null;
    if (!own || !isRange(told)) return [];
    return own.value < told.lo || own.value > told.hi ? [`${key} ${own.value}`] : [];
  });
  expect(outside).toEqual([]);
});
