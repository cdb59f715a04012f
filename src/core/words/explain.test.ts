import { ruleName } from '../rules/names';
import { CHECKS } from '../areas/checks';
import type { Field } from '../engine/field';
import { FIELDS, KIND_NAME, KINDS } from '../kit/fields';
import { RULES } from '../rules/rules';
import { explain, unitMeans } from './explain';
import { HINTS, hintOf, ON_ONE_KIND } from './hints';
import { OF_PARTS, ON_KIND } from './of-parts';
import { OF_SCREENS, UNITS } from './of-screens';

/** Every field with its kind, those of rows too. */
const ALL = KINDS.flatMap((kind) => {
  const below = (fields: readonly Field[]): Field[] =>
    fields.flatMap((f) => (f.type === 'rows' ? [f, ...below(f.fields)] : [f]));
  return below(FIELDS[kind]).map((field) => ({ kind, field }));
});

describe('what the words on the screens mean', () => {
  test('every field of every kind is explained, with its unit', () => {
    const silent = ALL.filter(({ kind, field }) => {
      const e = explain(field.label, kind);
      const unit = 'unit' in field ? field.unit : '';
      return e === null || (unit in UNITS && e.unit === null);
    }).map(({ kind, field }) => `${kind}: ${field.label}`);
    expect([...new Set(silent)]).toEqual([]);
  });

  test('where the kind is not known, what is said holds for each of them', () => {
    const labels = [...new Set(ALL.map((x) => x.field.label))];
    expect(labels.filter((l) => explain(l) === null)).toEqual([]);
    expect(explain('height of Spar arm')?.is).not.toMatch(/cage/);
    expect(explain('height', 'body')?.is).toMatch(/cage/);
  });

  test('what is explained of a field is said of a field that there is', () => {
    const labels = new Set(ALL.map((x) => x.field.label.toLowerCase()));
    expect(Object.keys(OF_PARTS).filter((l) => !labels.has(l.toLowerCase()))).toEqual([]);
    const own = new Set(ALL.map((x) => `${x.kind} ${x.field.label.toLowerCase()}`));
    expect(Object.keys(ON_KIND).filter((l) => !own.has(l))).toEqual([]);
  });

  test('what is said beside a field is said of a field that there is', () => {
    const labels = new Set(ALL.map((x) => x.field.label));
    expect(Object.keys(HINTS).filter((l) => !labels.has(l))).toEqual([]);
    const own = new Set(ALL.map((x) => `${x.kind} ${x.field.label}`));
    expect(Object.keys(ON_ONE_KIND).filter((l) => !own.has(l))).toEqual([]);
    expect(hintOf('monitor', { label: 'width' })).toBe('across the axis');
    expect(hintOf('body', { label: 'width' })).toBeNull();
    expect(hintOf('nothing', { label: 'toString' })).toBeNull();
  });

  test('every check, rule and kind', () => {
    for (const c of CHECKS) expect(explain(c.title)?.is).toBeTruthy();
    for (const r of RULES) expect(explain(ruleName(r.id))).toMatchObject({ word: ruleName(r.id) });
    for (const k of KINDS) expect(explain(KIND_NAME[k].many)?.is).toBeTruthy();
  });

  test('every unit that a field or a rule has', () => {
    const units = new Set([
      ...ALL.flatMap(({ field }) => ('unit' in field && field.unit ? [field.unit] : [])),
      ...RULES.map((r) => r.unit),
    ]);
    // These are words themselves.
    for (const word of ['', 'teeth', 'turns', 'pieces', 'joints', 'x diameter']) units.delete(word);
    expect([...units].filter((u) => unitMeans(u) === null)).toEqual([]);
    expect(unitMeans('toString')).toBeNull();
  });

  test('a name beside the word does not hide it', () => {
    expect(explain('image circle of Marl 24')).toMatchObject({ word: 'image circle' });
    expect(explain('where image circle of Marl 24 is from')?.word).toBe('where it is from');
    expect(explain('width of its gear of Pintle wheel')).toMatchObject({
      word: 'width of its gear',
    });
    expect(explain('Pintle wheel along the rods')?.is).toBe(OF_SCREENS['along the rods']);
    expect(explain('field across, 2.39 frame')?.is).toBe(OF_SCREENS['field across']);
    expect(explain('Stirrup handle, hole of top holes')?.is).toBe(OF_SCREENS.hole);
    expect(explain('Thole receiver along dovetail')?.is).toBe(OF_SCREENS.along);
    expect(explain('only what differs from the set (12)')?.word).not.toMatch(/12/);
    // A mode by that name is not what is open.
    expect(explain('open gate 4:3')).toBeNull();
    expect(explain('zoom: 18 mm')?.is).toBe(OF_SCREENS.zoom);
  });

  test('of a lens with its instrument, of a tray without', () => {
    expect(explain('flange distance', 'body')?.tool ?? explain('flange', 'body')?.tool).toBe(
      'depth gauge',
    );
    expect(explain('mass', 'lens')).toMatchObject({ tool: 'scale', unit: 'grams' });
    expect(explain('rotates', 'matte-box')?.tool).toBeNull();
  });

  test('what nobody has said the meaning of is not made up', () => {
    for (const label of ['', '  ', 'Gunnel', 'qqq of zzz', 'constructor', '__proto__', ','])
      expect(explain(label)).toBeNull();
  });

  test('one breath: short, without a full stop, and nothing that only the code says', () => {
    for (const [word, is] of Object.entries({ ...OF_PARTS, ...ON_KIND, ...OF_SCREENS })) {
      expect(`${word}: ${is.length}`).toBe(`${word}: ${Math.min(is.length, 110)}`);
      expect(is).not.toMatch(/\.$|undefined|null|[a-z][A-Z]/);
    }
  });
});
