import fc from 'fast-check';
import { blockOn, pressedOn } from '../areas/joints/kit/figure-fixtures';
import {
  FINGER,
  isSocket,
  putInterface,
  putSocket,
  socketsToPut,
} from '../areas/joints/moves/put-interface';
import { inletPort, outletPort, signalPort } from '../areas/power/model/ports';
import { docOf } from '../doc/write';
import { applyEdit } from '../edit/edit';
import type { FigureViewId } from '../engine/figure';
import { FACES } from '../engine/field';
import { readJob, validateJob, writeJob } from '../format/read-job';
import { FIELDS, isKind } from '../kit/fields';
import type { Outlet, Part, SignalPort } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { demo } from '../test-kit';
import { figureOf } from './figures';
import { layOut } from './layout';

const job = demo();
const LOOKED_AT: Readonly<Record<FigureViewId, string>> = {
  side: 'right',
  front: 'front',
  top: 'top',
};
const VIEWS = Object.keys(LOOKED_AT) as FigureViewId[];
const withPlaces = job.kit.filter((p) => figureOf(p)?.block);

describe('a drawing is pressed', () => {
  const span = fc.tuple(
    fc.double({ min: -200, max: 200, noNaN: true }),
    fc.double({ min: 40, max: 300, noNaN: true }),
  );
  const block = fc.tuple(span, span, span).map((s) => {
    const [x, y, z] = s.map(([a, d]) => [a, a + d] as const);
    return { x: x!, y: y!, z: z! };
  });
  const share = fc.double({ min: 0, max: 1, noNaN: true });

  test('what is put there is drawn there: the same face and place, for any block and view', () => {
    fc.assert(
      fc.property(block, fc.constantFrom(...VIEWS), share, share, (b, view, s, t) => {
        const on = blockOn(b, view);
        const p = [on.u0 + s * (on.u1 - on.u0), on.v0 + t * (on.v1 - on.v0)] as const;
        const near = 5;
        const at = pressedOn(b, view, p, near, true);
        const edge = Math.min(p[0] - on.u0, on.u1 - p[0], p[1] - on.v0, on.v1 - p[1]);
        if (edge > near + 1e-9) expect(at.face).toBe(LOOKED_AT[view]);
        if (edge < near - 1e-9) expect(at.face).not.toBe(LOOKED_AT[view]);
        // Back onto the sheet by a second way: middles of the block, camera right at the left in front.
        const m = { x: (b.x[0] + b.x[1]) / 2, y: (b.y[0] + b.y[1]) / 2, z: (b.z[0] + b.z[1]) / 2 };
        const own = { x: at.x, y: at.y, z: at.z };
        const sheet = {
          side: [own.z === null ? null : m.z + own.z, own.y === null ? null : m.y + own.y],
          front: [own.x === null ? null : -(m.x + own.x), own.y === null ? null : m.y + own.y],
          top: [own.z === null ? null : m.z + own.z, own.x === null ? null : -(m.x + own.x)],
        }[view];
        const told = sheet.filter((v, i) => {
          if (v === null) return false;
          expect(v).toBeCloseTo(p[i]!, 6);
          return true;
        });
        // On the face one looks at both are told; behind an edge the one along it.
        expect(told).toHaveLength(at.face === LOOKED_AT[view] ? 2 : 1);
      }),
      { numRuns: 500 },
    );
  });

  test('beside the part it is the nearest edge, inside the part still', () => {
    const b = { x: [-50, 50], y: [0, 80], z: [0, 120] } as const;
    expect(pressedOn(b, 'side', [300, 20], 5, true)).toEqual({
      face: 'front',
      x: null,
      y: -20,
      z: null,
    });
    expect(pressedOn(b, 'side', [60, 900], 5, true).face).toBe('top');
    expect(pressedOn(b, 'front', [-90, 40], 5, true).face).toBe('right');
    expect(pressedOn(b, 'front', [90, 40], 5, true).face).toBe('left');
    expect(pressedOn(b, 'front', [0, -10], 5, true).face).toBe('bottom');
    expect(pressedOn(b, 'side', [-4, 40], 5, true).face).toBe('rear');
  });

  test('of a part drawn by stand-ins only the face is taken', () => {
    const b = { x: [-50, 50], y: [0, 80], z: [0, 120] } as const;
    expect(pressedOn(b, 'side', [60, 20], 5, false)).toEqual({
      face: 'right',
      x: null,
      y: null,
      z: null,
    });
  });

  test('what is put is a line of the part, a guess as wide as a finger, and a file keeps it', () => {
    expect(withPlaces.length).toBeGreaterThan(20);
    for (const part of withPlaces)
      for (const [face] of FACES) {
        const at = { face, x: face === 'left' || face === 'right' ? null : 4.4, y: null, z: null };
        const { edit, key } = putInterface(part, at, 'unc-1-4', 'host');
        const after = applyEdit(job, edit).doc;
        const own = after.kit.find((p) => p.id === part.id)! as Part & {
          interfaces: { id: string; face?: string; x?: never; y?: unknown }[];
        };
        const row = own.interfaces.find((r) => `interfaces/${r.id}` === key)!;
        expect(row.face).toBe(face);
        expect(row.y).toBeUndefined();
        if (at.x !== null) {
          expect(row.x).toEqual({ value: 4, tol: FINGER, from: 'guess' });
          expect(valueOf(row.x)).toBe(4);
        }
        // It opens on the drawing it was put on.
        expect(figureOf(own)!.views.flatMap((v) => v.grips.map((g) => g.key))).toContain(key);
      }
    const { edit } = putInterface(
      withPlaces[0]!,
      { face: 'top', x: 0, y: null, z: 0 },
      'shoe',
      'host',
    );
    expect(validateJob(docOf(applyEdit(job, edit).doc)).ok).toBe(true);
  });

  test('a socket is put where it is pressed: a face and a guess as wide as a finger, drawn there, kept', () => {
    let seen = 0;
    for (const part of job.kit)
      for (const { id, name } of socketsToPut(part)) {
        if (!figureOf(part)?.block) continue;
        seen++;
        for (const [face] of FACES) {
          const { edit, key } = putSocket(part, { face, x: null, y: 7.3, z: null }, id);
          expect(edit.title).toBe(`Put ${name} on ${part.name}`);
          const after = applyEdit(job, edit).doc;
          const own = after.kit.find((p) => p.id === part.id)!;
          expect(figureOf(own)!.views.flatMap((v) => v.grips.map((g) => g.key))).toContain(key);
          const again = readJob(writeJob(after));
          expect(again.ok && again.value).toEqual(after);
          const lists = own as { outlets?: Outlet[]; ports?: SignalPort[] };
          const outlet = lists.outlets?.find((o) => `outlets/${o.id}` === key);
          const port = lists.ports?.find((o) => `ports/${o.id}` === key);
          const said = outlet
            ? outletPort(own, outlet)
            : port
              ? signalPort(own, port)
              : inletPort(own as Part & { inletFace?: 'left' });
          expect(said.face).toBe(face);
          expect(said.at.map((g) => g?.known?.value ?? null)).toEqual([null, 7, null]);
          expect(said.at[1]!.known).toMatchObject({ tol: FINGER, from: 'guess' });
        }
      }
    expect(seen).toBeGreaterThan(20);
    expect(socketsToPut(job.kit.find((p) => p.kind === 'lens')!)).toEqual([]);
    expect(isSocket('unc-1-4')).toBe(false);
  });

  test('every kind with a list of holes can have one put on its drawing', () => {
    for (const p of job.kit) {
      if (!isKind(p.kind) || !FIELDS[p.kind].some((f) => f.key === 'interfaces')) continue;
      expect([p.kind, figureOf(p)!.block !== null]).toEqual([p.kind, true]);
    }
  });
});

test('what opens on a drawing never lies under another one', () => {
  for (const p of job.kit)
    for (const width of [260, 940]) {
      const sheet = { width, tall: 250, label: { w: 112, h: 44 }, step: 13, most: 7 };
      for (const v of layOut(figureOf(p)!, sheet).views)
        v.grips.forEach((g, i) => {
          for (const o of v.grips.slice(0, i))
            expect(Math.hypot(g.at[0] - o.at[0], g.at[1] - o.at[1])).toBeGreaterThan(16);
        });
    }
});
