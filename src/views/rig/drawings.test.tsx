import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { build, shared } from '@/core/build/build';
import { layout } from '@/core/build/layout';
import { check, CHECKS } from '@/core/areas/checks';
import { signed } from '@/core/quantity/say';
import { demo, testBody, testJob, testLens } from '@/core/test-kit';
import type { Job, Rig } from '@/core/kit/types';
import { Line } from './line';
import { Plate } from './plate';
import type { RigFacts } from '../bench/use-rig';

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});
afterEach(cleanup);

function facts(job: Job, rig: Rig = job.rigs[0]!): RigFacts {
  const base = shared(job);
  const built = build(job, rig, base);
  return {
    job,
    rig,
    base,
    built,
    verdicts: check(built),
    checks: CHECKS,
    behind: false,
  };
}

const job = demo();

describe('the line', () => {
  const show = (f: RigFacts) => {
    const onPick = jest.fn();
    render(<Line facts={f} litParts={[]} lit={null} onPick={onPick} />);
    return onPick;
  };

  test.each(job.rigs.map((r) => [r.name, r] as const))(
    '%s: every dimension of the core stands on it',
    (_n, rig) => {
      const f = facts(job, rig);
      show(f);
      for (const d of layout(f.built).dimensions)
        expect(screen.getByRole('button', { name: `${d.label}: show the sum` }).textContent).toBe(
          d.text,
        );
      expect(
        screen.getByRole('button', { name: new RegExp(`^Lens: ${f.built.lens!.name}`) }),
      ).toBeDefined();
    },
  );

  test('trouble is pinned where it happens and opens its finding', () => {
    const f = facts(job);
    const onPick = show(f);
    const [pin] = screen.getAllByRole('button', { name: /^fails here/ }) as [HTMLElement];
    fireEvent.click(pin);
    expect(f.verdicts.find((v) => v.key === onPick.mock.calls[0]![0])!.state).not.toBe('ok');
    fireEvent.keyDown(pin, { key: 'Enter' });
    expect(onPick).toHaveBeenCalledTimes(2);
  });

  test('a place without a part asks for one; a gap says what is missing', () => {
    show(facts(testJob({ lens: null })));
    expect(screen.getByRole('button', { name: /^put a lens here/ })).toBeDefined();
    cleanup();
    show(facts(testJob({ links: [], lens: testLens({ mount: 'pl' }) })));
    expect(screen.getByText('32.00 mm missing')).toBeDefined();
  });

  test('sides flip', () => {
    show(facts(job));
    const button = screen.getByRole('button', { name: "assistant's side" });
    fireEvent.click(button);
    expect(button.textContent).toBe("operator's side");
    expect(button.getAttribute('aria-pressed')).toBe('true');
  });
});

describe('the plate', () => {
  const show = (f: RigFacts) => {
    const onPick = jest.fn();
    render(<Plate facts={f} lit={null} onPick={onPick} />);
    return onPick;
  };

  test.each(job.rigs.map((r) => [r.name, r] as const))(
    '%s: each corner says the margin of its finding',
    (_n, rig) => {
      const f = facts(job, rig);
      const onPick = show(f);
      for (const frame of f.built.frames) {
        const v = f.verdicts.find((x) => x.key === `coverage.frame:${frame.id}`)!;
        const corner = screen.getByRole('button', {
          name: new RegExp(`^${frame.name} frame, corner margin`),
        });
        expect(corner.textContent).toBe(signed(v.margin!.value));
        fireEvent.click(corner);
        expect(onPick).toHaveBeenLastCalledWith(v.key);
      }
    },
  );

  test('without a circle, a lens or a size it says what is missing', () => {
    show(facts(testJob({ lens: testLens({ imageCircle: undefined }) })));
    expect(screen.getByText('image circle not known')).toBeDefined();
    cleanup();
    show(facts(testJob({ lens: null })));
    expect(screen.getByText('no lens, no image circle')).toBeDefined();
    cleanup();
    show(facts(testJob({ body: testBody({ modes: [{ id: 'm', name: 'full' }] }) })));
    expect(screen.getByText(/active area of full is not known/)).toBeDefined();
    cleanup();
    show(facts(testJob({}, { body: null, mode: null })));
    expect(screen.getByText(/Put a body on the line/)).toBeDefined();
  });
});
