import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { build, shared } from '@/core/build/build';
import { check, CHECKS } from '@/core/areas/checks';
import { readings } from '@/core/readings/readings';
import { fixesFor } from '@/core/solve/fixes';
import { exactly, testAdapter, testJob, testLens } from '@/core/test-kit';
import { Figures } from '../rig/figures';
import { FindingsPanel, item } from './findings-panel';
import type { RigFacts } from './use-rig';

beforeAll(() => item.fetch());
afterEach(cleanup);

function facts(job: ReturnType<typeof testJob>): RigFacts {
  const base = shared(job);
  const built = build(job, job.rigs[0], base);
  return {
    job,
    rig: job.rigs[0],
    base,
    built,
    verdicts: check(built),
    checks: CHECKS,
    behind: false,
  };
}

function show(job: ReturnType<typeof testJob>, lit?: string) {
  const f = facts(job);
  const key = lit ?? f.verdicts.find((v) => v.state !== 'ok')?.key ?? null;
  const open = f.verdicts.find((v) => v.key === key);
  const fixes = open ? fixesFor(f.built, open, f.base) : [];
  const onPick = jest.fn();
  render(
    <FindingsPanel
      facts={f}
      advice={{ of: f, key, fixes, measure: [], trouble: null, measured: f }}
      lit={key}
      picked={null}
      onPick={onPick}
    />,
  );
  return { f, onPick };
}

/** Nothing is open in it, and nothing was tried. */
const panel = (f: RigFacts) => (
  <FindingsPanel
    facts={f}
    advice={{ of: null, key: null, fixes: [], measure: [], trouble: null, measured: null }}
    lit={null}
    picked={null}
    onPick={() => undefined}
  />
);

describe('findings on screen', () => {
  test('say what the core says, and markup in a name stays text', () => {
    const name = '<img src=x onerror=alert(1)>';
    const { f } = show(
      testJob({ lens: testLens({ name, imageCircle: [{ diameter: exactly(30) }] }) }),
    );
    const worst = f.verdicts[0]!;
    expect(screen.getByText(worst.why)).toBeDefined();
    expect(worst.why).toContain(name);
    expect(document.querySelector('img')).toBeNull();
    expect(screen.getByText(worst.sum)).toBeDefined();
  });

  test('the open one offers its tried fixes; pressing another opens it', () => {
    const { f, onPick } = show(
      testJob({ links: [testAdapter({ play: exactly(0.3), foot: true })] }),
    );
    expect(screen.getByRole('button', { name: /Tie the foot of Test adapter/ })).toBeDefined();
    const ok = f.verdicts.filter((v) => v.state === 'ok');
    fireEvent.click(screen.getByRole('button', { name: `${ok.length} findings are ok` }));
    fireEvent.click(screen.getByText(ok[0]!.why));
    expect(onPick).toHaveBeenCalledWith(ok[0]!.key);
  });

  test('after an edit that is still looked at, it says of what state it speaks', () => {
    const was = facts(testJob());
    const { rerender } = render(panel({ ...was, behind: true }));
    expect(screen.getByText('before the last edit')).toBeTruthy();
    rerender(panel({ ...was, verdicts: [], behind: true }));
    expect(screen.queryByText(/^Nothing fails/)).toBeNull();
    rerender(panel({ ...was, verdicts: [] }));
    expect(screen.getByText(/^Nothing fails/)).toBeTruthy();
    expect(screen.queryByText(/before the last edit/)).toBeNull();
  });

  test('while the checks are still to come it says so, and nothing of it is ok', () => {
    const f: RigFacts = { ...facts(testJob()), verdicts: [], checks: null };
    render(panel(f));
    expect(screen.getByText('Looking at it ...')).toBeDefined();
    expect(screen.queryByText(/Nothing fails/)).toBeNull();
    expect(screen.queryByText(/ok$/)).toBeNull();
  });

  test('an unknown asks for its number right there', async () => {
    show(testJob({ lens: testLens({ imageCircle: undefined }) }));
    expect(await screen.findByLabelText('image circle of Test lens')).toBeDefined();
  });

  test('when nothing is wrong it says so', () => {
    show(
      testJob({
        lens: testLens({ imageCircle: [{ diameter: exactly(50) }] }),
        links: [testAdapter({ length: exactly(24) })],
      }),
    );
    expect(screen.getByText(/Nothing fails, nothing is tight, nothing is unknown/)).toBeDefined();
  });
});

test('figures show the text of their reading, unknown where there is none', () => {
  const f = facts(testJob({ lens: testLens({ focal: undefined }) }));
  render(<Figures facts={f} />);
  expect(screen.getAllByText('unknown').length).toBe(
    readings(f.built).filter((r) => r.value === null).length,
  );
  for (const r of readings(f.built)) expect(screen.getByText(r.label)).toBeDefined();
});
