import { build, shared } from '../build/build';
import { loadLines } from '../areas/joints/model/load-lines';
import { setSeat } from '../areas/joints/moves/seat';
import { applyEdit, withChanges } from '../edit/edit';
import type { Fitting, Job, Part } from '../kit/types';
import { demo, exactly } from '../test-kit';
import { byTrouble, byTroubleFor, placesFor, placeWords } from './places';

/** How places are ranked: by what they bring, then by what hangs on the joint. */

const job = demo();
const ID = 'lockside-b';
const at = (j: Job) => {
  const base = shared(j);
  return {
    base,
    built: build(
      j,
      j.rigs.find((r) => r.id === ID)!,
      base,
    ),
  };
};
const block = (id: string, kind: Fitting['kind'], mass: number | null): Fitting => ({
  id,
  kind,
  name: id,
  width: exactly(40),
  height: exactly(60),
  depth: exactly(20),
  ...(mass === null ? {} : { mass: exactly(mass) }),
  interfaces: [
    {
      id: 'foot',
      name: 'foot',
      type: 'unc-1-4',
      side: 'guest',
      face: 'bottom',
      x: exactly(0),
      y: exactly(0),
      z: exactly(0),
      length: exactly(10),
      thickness: exactly(4),
      driver: 'fingers',
    },
  ],
});
const withPart = (...parts: Part[]): Job => ({ ...job, kit: [...job.kit, ...parts] });

test('the moment of a place is the one on its joint once the part is there', () => {
  const part = block('brick', 'accessory', 400);
  const next = withPart(part);
  const { built, base } = at(next);
  const places = placesFor(built, base, part);
  expect(places.length).toBeGreaterThan(3);
  for (const p of places) {
    const then = at(withChanges(next, p.edit.changes)).built;
    const line = loadLines(then).find((l) => l.use === p.edit.changes[0]!.path[3])!;
    expect(p.moment).toBe(line.moment);
    // By hand: 0.4 kg with its middle 30 mm over the face that it stands on.
    expect(p.moment).toBeCloseTo(0.4 * 9.80665 * 0.03, 2);
    expect(placeWords(p)).toMatch(/^0\.12 N m on its joint/);
  }
  expect([...places].sort(byTrouble).map((p) => p.name)).toEqual(places.map((p) => p.name));
});

test('a part that nobody weighed has no moment, and says none', () => {
  const part = block('brick', 'accessory', null);
  const { built, base } = at(withPart(part));
  for (const p of placesFor(built, base, part)) {
    expect(p.moment).toBeNull();
    expect(placeWords(p)).not.toMatch(/N m/);
  }
});

test('with as many findings the lesser moment comes first, what is not known last', () => {
  const { built, base } = at(withPart(block('brick', 'accessory', 400)));
  const [p] = placesFor(built, base, block('brick', 'accessory', 400));
  const of = (moment: number | null, height = 0, away = 0) => ({
    ...p!,
    name: `${moment} ${height} ${away}`,
    moment,
    height,
    radio: { name: 'radio', away },
  });
  const list = [of(null), of(0.9), of(0.11, 80), of(0.1, 40, 10), of(0.1, 40, 200)];
  expect([...list].sort(byTrouble).map((x) => x.name)).toEqual([
    '0.1 40 200',
    '0.1 40 10',
    '0.11 80 0',
    '0.9 0 0',
    'null 0 0',
  ]);
  // Somebody carries it: what stands high tips it.
  const carried = byTroubleFor({ hold: 'shoulder' });
  const names = (all: readonly { name: string }[]) => all.map((x) => x.name);
  expect(names([of(0.1, 200), of(0.9, 40), of(null, 90)].sort(carried))).toEqual([
    '0.9 40 0',
    'null 90 0',
    '0.1 200 0',
  ]);
  // A few millimetres are not felt.
  expect(names([of(0.9, 40), of(0.1, 41)].sort(carried))[0]).toBe('0.1 41 0');
  expect(names([of(0.9, 40), of(0.1, 200)].sort(byTroubleFor({ hold: 'legs' })))[0]).toBe(
    '0.1 200 0',
  );
  const worse = { ...of(0.01), more: { ...p!.more, fail: p!.more.fail + 1 } };
  expect([worse, of(null)].sort(byTrouble)[1]).toBe(worse);
  expect([worse, of(null, 900)].sort(carried)[1]).toBe(worse);
});

test('what stands near a radio says to which one, and how far at least', () => {
  const radio = block('heron', 'radio', 90);
  const part = block('brick', 'accessory', 400);
  const next = withPart(radio, part);
  const first = at(next);
  const [place] = placesFor(first.built, first.base, radio);
  // A radio alone has no other to mind.
  expect(place!.radio).toBeNull();
  const there = applyEdit(next, place!.edit).doc;
  const { built, base } = at(there);
  const places = placesFor(built, base, part);
  for (const p of places) {
    expect(p.radio).toMatchObject({ name: 'heron' });
    expect(placeWords(p)).toMatch(/at least \d+ mm from heron$/);
  }
  expect(new Set(places.map((p) => Math.round(p.radio!.away))).size).toBeGreaterThan(1);
  // Moving it is ranked like putting it on.
  const use = built.rig.fitted!.find((u) => u.part === 'heron')!;
  const gone = applyEdit(there, setSeat(built.rig, use.id, { line: true }, 'x')).doc;
  expect(placesFor(at(gone).built, at(gone).base, radio, use)[0]!.radio).toBeNull();
});
