import fc from 'fast-check';
import { mountIndex } from '../areas/mount/kit/standards';
import { isBody, type Job, type Rig } from '../kit/types';
import { TRAYS } from '../areas/front/kit/trays';
import { PLUGS } from '../engine/plugs';
import { FIELDS as FIELDS_OF, KINDS } from '../kit/fields';
import { checkRig } from '../areas/checks';
import { begunRigs, demoStandings } from '../properties/rigs';
import type { ToleranceClass } from './quantity';
import { known } from './quantity';
import { bareLength, metres, mm, plainLength, say, sayLength, sayMass, sayRange } from './say';
import { massWithTolerance } from './with-tolerance';
import {
  forFile,
  inMetric,
  METRIC,
  sayIn,
  shown,
  shownUnit,
  unitsFrom,
  unitsText,
  type Units,
} from './shown';
import { fieldUnit, readTyped, typedText } from './typed';

const INCH: Units = {
  length: 'in',
  distance: 'ft',
  mass: 'lb',
  moment: 'lbf in',
  decimal: 'point',
};

afterEach(() => sayIn(METRIC));

describe('units as they are shown', () => {
  // NIST SP 811, appendix B.8: inch, foot, pound exact by definition; pound-force inch 0.112 984 8 N m.
  test('are the published ones', () => {
    sayIn(INCH);
    expect(sayLength(25.4)).toBe('1.00 in');
    expect(sayLength(254, 0)).toBe('10.0 in');
    expect(bareLength(12.7, 1)).toBe('0.500');
    expect(plainLength(120.65)).toBe('4.75 in');
    expect(sayMass(453.59237)).toBe('1.00 lb');
    expect(say(0.1129848290276167, 'N m')).toBe('1.0 lbf in');
    expect(metres(3048)).toBe('10.00 ft');
    expect(metres(Infinity)).toBe('infinity');
    expect(sayRange(-2.54, 5.08, 'mm')).toBe('\u22120.100 to +0.200 in');
    expect(massWithTolerance(known({ value: 4535.9237, tol: 45.359237 }))).toBe('10.00 \u00b10.10');
  });

  test('what has one unit everywhere keeps it', () => {
    sayIn(INCH);
    expect(mm(43.3)).toBe('43.3 mm');
    expect(say(45, 'deg')).toBe('45.0\u00b0');
    expect(say(1.5, 'stops')).toBe('1.50 stops');
    for (const cls of ['flange', 'circle', 'chip', 'pupil'] as const)
      expect(fieldUnit('mm', cls).unit).toBe('mm');
    expect(fieldUnit('mm', 'length').unit).toBe('in');
  });

  test('the mark before decimals is that of the device: said, typed back and read, never in a file', () => {
    sayIn({ ...METRIC, decimal: 'comma' });
    expect(sayLength(31.54)).toBe('31,5 mm');
    expect(say(-0.25, 'N m')).toBe('\u22120,25 N m');
    expect(say(2.8, 'T')).toBe('T2,8');
    expect(sayRange(-0.8, 0.2, 'mm')).toBe('\u22120,80 to +0,20 mm');
    expect(plainLength(12.5)).toBe('12,5 mm');
    expect(plainLength(1200)).toBe('1200 mm');
    expect(massWithTolerance(known({ value: 812, tol: 25 }))).toBe('812 \u00b125');
    expect(typedText({ value: 31.6, tol: 0.8 }, 'length', 'mm')).toBe('31,6 \u00b10,8');
    expect(inMetric(() => sayLength(31.54))).toBe('31,5 mm');
    expect(forFile(() => sayLength(31.54))).toBe('31.5 mm');
    expect(shown().decimal).toBe('comma');
    // Kept without a mark, as older choices were: that of the device.
    const here: Units = { ...METRIC, decimal: 'comma' };
    expect(unitsFrom('in,ft,lb,lbf in', here)).toEqual({ ...INCH, decimal: 'comma' });
    expect(unitsFrom('in,ft,lb,lbf in,point', here)).toEqual(INCH);
  });

  test('a part of the choice is a choice', () => {
    sayIn({ ...METRIC, mass: 'lb' });
    expect(sayLength(25.4)).toBe('25.4 mm');
    expect(sayMass(453.59237)).toBe('1.00 lb');
  });

  test('metric for as long as it is asked for, also when that goes wrong', () => {
    sayIn(INCH);
    expect(inMetric(() => sayLength(25.4))).toBe('25.4 mm');
    expect(() =>
      inMetric(() => {
        throw new Error('no');
      }),
    ).toThrow('no');
    expect(shown()).toEqual(INCH);
  });

  test('are read back as they were kept; what is not understood is metric', () => {
    for (const u of [INCH, METRIC, { ...INCH, mass: 'g', decimal: 'comma' } as Units])
      expect(unitsFrom(unitsText(u))).toEqual(u);
    expect(unitsFrom('furlong,stone')).toEqual(METRIC);
    expect(unitsFrom(null)).toEqual(METRIC);
  });
});

const FIELDS: readonly (readonly [unit: string, cls: ToleranceClass])[] = [
  ['mm', 'length'],
  ['mm', 'circle'],
  ['g', 'mass'],
  ['N m', 'moment'],
  ['deg', 'angle'],
];

test('what names a lens or a thread is in millimetres on every device, in every kind', () => {
  const NAMES = /focal|thread|screws into|^takes$|module|image circle|flange|active (width|height)/;
  const fields = KINDS.flatMap((k) => FIELDS_OF[k]).flatMap((f) =>
    f.type === 'quantity' && f.unit === 'mm' && NAMES.test(f.label) ? [f] : [],
  );
  expect(fields.length).toBeGreaterThan(8);
  sayIn(INCH);
  expect(fields.filter((f) => fieldUnit(f.unit, f.cls).unit !== 'mm').map((f) => f.label)).toEqual(
    [],
  );
});

describe('numbers typed on a device that shows inches', () => {
  test('what stands in a field, typed again, is the same number', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FIELDS),
        fc.constantFrom(METRIC, INCH, { ...METRIC, decimal: 'comma' as const }),
        fc.double({ min: 0.01, max: 4000, noNaN: true }),
        fc.option(fc.double({ min: 0, max: 50, noNaN: true })),
        ([unit, cls], units, value, tol) => {
          sayIn(units);
          const q = tol === null ? { value } : { value, tol };
          const read = readTyped(typedText(q, cls, unit), unit, cls);
          expect(read.ok).toBe(true);
          if (!read.ok) return;
          // Four decimals of what is shown: of a pound that is a twentieth of a gram.
          const near = 0.00006 / fieldUnit(unit, cls).per;
          expect(Math.abs(read.value.value - value)).toBeLessThan(near);
          if (tol !== null) expect(Math.abs(read.value.tol! - tol)).toBeLessThan(near);
        },
      ),
    );
  });

  test('a unit that is typed wins over the one that is shown', () => {
    const value = (text: string) => {
      const r = readTyped(text, 'mm', 'length');
      return r.ok ? [r.value.value, r.value.tol] : null;
    };
    for (const units of [METRIC, INCH]) {
      sayIn(units);
      expect(value('25.4 mm +- 0.1 mm')).toEqual([25.4, 0.1]);
      expect(value('1 in +- 1/64')).toEqual([25.4, 25.4 / 64]);
      expect(value('3 1/32" +- 1/64')![1]).toBeCloseTo(25.4 / 64, 6);
      // A tolerance goes with the unit of its value, not with the one that is shown.
      expect(value('210 mm +- 1')).toEqual([210, 1]);
      expect(value('21 cm +- 1')).toEqual([210, 1]);
    }
    sayIn(INCH);
    expect(value('1 +- 0.01')).toEqual([25.4, 0.254]);
    expect(value('3 1/32')![0]).toBeCloseTo(25.4 * (3 + 1 / 32), 6);
    sayIn(METRIC);
    expect(value('1 +- 0.01')).toEqual([1, 0.01]);
  });
});

/** What the trade has in millimetres, wherever it is said: focal lengths, classes of rods and threads, names. */
function withoutNames(text: string, names: readonly string[]): string {
  return names
    .reduce((t, n) => t.replaceAll(n, ''), text)
    .replace(/\d+ mm \(\d+(\.\d+)? in\)/g, '')
    .replace(/at \d+(\.\d+)? mm/g, '')
    .replace(/\d+ mm (lightweight|studio|wheel|rods?|chip|lens|hex|key)/g, '')
    .replace(/(hex key|key|driver|wrench) [\d./]+ mm/g, '');
}

/** A sentence without names: of parts, frames, modes, mounts, outlets, of plugs and trays by their size. */
function withoutOwn(text: string, job: Job, rig: Rig): string {
  const names = [
    ...job.kit.map((p) => p.name),
    ...job.kit.flatMap((p) => (isBody(p) ? (p.modes ?? []).map((m) => m.name) : [])),
    ...job.kit.flatMap((p) => {
      const { outlets = [], ports = [] } = p as Record<string, { name: string }[] | undefined>;
      return [...outlets, ...ports].map((o) => o.name);
    }),
    ...PLUGS.map((p) => p.name),
    ...TRAYS.map((t) => t.name),
    ...rig.frames.map((f) => f.name),
    ...[...mountIndex(job).values()].map((m) => m.name),
  ];
  return names.sort((a, b) => b.length - a.length).reduce((t, n) => t.replaceAll(n, ''), text);
}

describe.each([...demoStandings, ...begunRigs])(
  'a switch of units on %s',
  (_name, { job, rig }) => {
    const fresh = () => {
      const copy = structuredClone({ job, rig });
      return checkRig(copy.job, copy.rig);
    };
    const before = JSON.stringify(job);
    const metric = fresh().map((v) => ({
      ...v,
      id: v.id,
      key: v.key,
      state: v.state,
      why: v.why,
      sum: v.sum,
    }));

    test('changes no stored number, no verdict and no sum', () => {
      sayIn(INCH);
      const inch = fresh();
      expect(inch.map((v) => [v.key, v.state, v.sum])).toEqual(
        metric.map((v) => [v.key, v.state, v.sum]),
      );
      expect(JSON.stringify(job)).toBe(before);
    });

    test('to a decimal comma changes the marks and nothing else', () => {
      sayIn({ ...METRIC, decimal: 'comma' });
      const comma = fresh();
      expect(comma.map((v) => [v.key, v.state])).toEqual(metric.map((v) => [v.key, v.state]));
      const same = (t: string) => t.replace(/(?<=\d),(?=\d)/g, '.');
      expect(comma.map((v) => same(`${v.why} ${v.sum}`))).toEqual(
        metric.map((v) => same(`${v.why} ${v.sum}`)),
      );
      const left = comma
        .map((v) => withoutOwn(v.why, job, rig))
        .filter((why) => /\d\.\d/.test(why));
      expect(left).toEqual([]);
      expect(JSON.stringify(job)).toBe(before);
    });

    test('leaves no millimetre, gram or newton metre in what is mechanical', () => {
      sayIn(INCH);
      const names = [...job.kit.map((p) => p.name)].sort((a, b) => b.length - a.length);
      const left = fresh()
        .filter((v) => !/^(mount|coverage)\./.test(v.id))
        .map((v) => withoutNames(v.why, names))
        .filter((why) => /\d (mm|g|N m)\b/.test(why));
      expect(left).toEqual([]);
    });
  },
);

test('a unit that nobody has a choice of is itself', () => {
  sayIn(INCH);
  expect(shownUnit('teeth')).toEqual({ unit: 'teeth', per: 1, more: 0 });
});
