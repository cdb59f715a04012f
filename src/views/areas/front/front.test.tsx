import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { build, shared } from '@/core/build/build';
import { frontPlaces } from '@/core/areas/front/place/layout';
import { check, CHECKS } from '@/core/areas/checks';
import { CONTOURS, mapOf, shadingView } from '@/core/areas/front/model/view';
import type { Layer } from '@/core/areas/front/model/chip-shading';
import type { Setting } from '@/core/areas/front/model/situations';
import { demo } from '@/core/test-kit';
import { CornerLosses } from './corner-losses';
import FrontPanel from './front-panel';
import { Cones } from './cones';
import { FrontShapes } from './front-drawing';
import { Handle } from '../../bench/handle';
import LightPanel from '../light/light-panel';
import { Scrubber } from '../../rig/scrubber';
import { ShadingLayer } from './shading-layer';
import type { RigFacts } from '../../bench/use-rig';

// jsdom draws nothing: the picture of the shading is left out there.
beforeAll(() => {
  HTMLCanvasElement.prototype.getContext = () => null;
});
afterEach(cleanup);

const job = demo();
function facts(id: string): RigFacts {
  const base = shared(job);
  const rig = job.rigs.find((r) => r.id === id)!;
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
const tug = facts('tug-b');
const canal = facts('anamorphic');
const front: ReadonlySet<Layer> = new Set(['mechanical']);
const scale = { X: (z: number) => z * 2, Y: (r: number) => 200 - r, k: 1 };

describe('corner losses', () => {
  const show = (f: RigFacts, frame: string, setting: Setting | null, layers = front) => {
    const onPick = jest.fn();
    const view = shadingView(f.built, setting, frame)!;
    render(
      <svg>
        <CornerLosses
          view={view}
          layers={layers}
          verdicts={f.verdicts}
          at={(x, y) => [x * 9, -y * 9]}
          onPick={onPick}
        />
      </svg>,
    );
    return { onPick, view };
  };
  test('say what the core says, and lead to their finding', () => {
    const { onPick, view } = show(canal, 'vertical', null);
    const top = screen.getByRole('button', { name: /^top left corner of the 9:16 frame/ });
    expect(top.getAttribute('aria-label')).toContain(
      `${view.corners[0]!.mechanical.toFixed(2)} stops lost`,
    );
    expect(top.getAttribute('aria-label')).toContain('by the wide mask in Weir box');
    fireEvent.click(top);
    fireEvent.keyDown(top, { key: 'Enter' });
    expect(onPick.mock.calls).toEqual([['front.vignette:vertical'], ['front.vignette:vertical']]);
  });
  test('a hard cut and black are said in words', () => {
    show(tug, 'f239', null);
    expect(
      screen.getAllByRole('button', { name: /black lost, a hard cut, by the Rill/ }),
    ).toHaveLength(4);
  });
  test('nothing is shown where nothing is lost, or no layer is on', () => {
    show(tug, 'f239', { focal: 35, focus: Infinity, stop: 'used' });
    expect(screen.queryAllByRole('button')).toHaveLength(0);
    cleanup();
    show(tug, 'f239', null, new Set());
    expect(screen.queryAllByRole('button')).toHaveLength(0);
  });
});

describe('the shading on the plate', () => {
  test('has a line for every contour that the map crosses, labelled, and hatches hard cuts', () => {
    const view = shadingView(tug.built, { focal: 18, focus: Infinity, stop: 'used' }, 'chip')!;
    const map = mapOf(tug.built, view.situation)!;
    const { container } = render(
      <svg>
        <ShadingLayer map={map} layers={front} x={0} y={0} width={300} height={160} />
      </svg>,
    );
    const most = Math.max(...map.mechanical);
    const crossed = CONTOURS.filter((c) => c.stops < most).length;
    expect(container.querySelectorAll('path[fill="none"]')).toHaveLength(crossed);
    expect(container.querySelector('path[fill="url(#hard)"]')).not.toBeNull();
    expect([...container.querySelectorAll('text')].map((t) => t.textContent)).toContain('1/3');
  });
  test('a clean map draws nothing', () => {
    const view = shadingView(tug.built, { focal: 35, focus: Infinity, stop: 'used' }, 'f239')!;
    const { container } = render(
      <svg>
        <ShadingLayer
          map={mapOf(tug.built, view.situation)!}
          layers={front}
          x={0}
          y={0}
          width={300}
          height={160}
        />
      </svg>,
    );
    expect(container.querySelectorAll('path, text, image')).toHaveLength(0);
  });
});

describe('the drawing of the front', () => {
  test('every piece, stage, filter and flag of the core has its shape', () => {
    const layout = frontPlaces(canal.built)!;
    const { container } = render(
      <svg>
        <FrontShapes front={layout} scale={scale} litParts={[]} />
      </svg>,
    );
    const titles = [...container.querySelectorAll('title')].map((t) => t.textContent);
    expect(titles).toContain('ND 0.6 in stage 1');
    expect(titles).toContain('Eddy polariser in stage 2');
    expect(titles).toContain('stage 3: free');
    expect(titles).toContain('wide mask');
    expect(titles).toContain('top flag at 20 degrees');
    expect(titles.filter((t) => t === 'Weir box')).toHaveLength(2);
  });
  test('a cross stands where an edge stops a ray, named; none where all get out', () => {
    const cones = (f: RigFacts, setting: Setting | null, above = false) => {
      const { container } = render(
        <svg>
          <Cones
            facts={f}
            view={shadingView(f.built, setting, 'f239')!}
            scale={scale}
            above={above}
            until={400}
          />
        </svg>,
      );
      const said = [...container.querySelectorAll('title')].map((t) => t.textContent ?? '');
      cleanup();
      return said.filter((t) => t.startsWith('stopped by'));
    };
    const wide = cones(tug, { focal: 18, focus: Infinity, stop: 'used' });
    expect(wide.length).toBeGreaterThan(1);
    expect(wide.join()).toContain('Rill round polariser 77');
    expect(cones(tug, { focal: 18, focus: Infinity, stop: 'used' }, true).length).toBeGreaterThan(
      1,
    );
    expect(cones(tug, { focal: 35, focus: Infinity, stop: 'used' })).toEqual([]);
  });
});

describe('what is taken hold of', () => {
  test('arrow keys step by one, with shift by ten; other keys do nothing', () => {
    const onStep = jest.fn();
    render(
      <svg>
        <Handle
          x={0}
          y={0}
          label="flag"
          value={20}
          text="20"
          min={-20}
          max={90}
          onMove={jest.fn()}
          onStep={onStep}
          onDrop={jest.fn()}
        />
      </svg>,
    );
    const h = screen.getByRole('slider', { name: 'flag' });
    for (const [key, shiftKey] of [
      ['ArrowUp', false],
      ['ArrowLeft', false],
      ['ArrowRight', true],
      ['ArrowDown', true],
      ['a', false],
    ] as const)
      fireEvent.keyDown(h, { key, shiftKey });
    expect(onStep.mock.calls.map((c) => c[0] as number)).toEqual([1, -1, 10, -10]);
    expect(h.getAttribute('aria-valuenow')).toBe('20');
  });
});

describe('the scrubber', () => {
  const show = (f: RigFacts, setting: Setting | null) => {
    const onSetting = jest.fn();
    const onLayers = jest.fn();
    render(
      <Scrubber
        facts={f}
        view={shadingView(f.built, setting, null)}
        setting={setting}
        onSetting={onSetting}
        layers={front}
        onLayers={onLayers}
      />,
    );
    return onSetting;
  };
  test('shows the worst case and runs from there', () => {
    const onSetting = show(tug, null);
    expect(screen.getByRole('button', { name: /worst case/ }).getAttribute('aria-pressed')).toBe(
      'true',
    );
    fireEvent.change(screen.getByRole('slider', { name: /^zoom/ }), { target: { value: '24' } });
    expect(onSetting.mock.calls[0]![0]).toMatchObject({ focal: 24 });
    fireEvent.change(screen.getByRole('slider', { name: /^stop/ }), { target: { value: '0' } });
    expect(onSetting.mock.calls[1]![0]).toMatchObject({ stop: 'used' });
    // The last step of the ring is close focus, 280 mm.
    fireEvent.change(screen.getByRole('slider', { name: /^focus/ }), { target: { value: '20' } });
    expect(onSetting.mock.calls[2]![0]).toMatchObject({ focus: 280 });
    // Both ends of each are written.
    for (const end of ['18', '35', 'T2', 'T11', '0.28 m'])
      expect(screen.getAllByText(end, { exact: true }).length).toBeGreaterThan(0);
  });
  test('a prime has no zoom; the worst case comes back', () => {
    const onSetting = show(canal, { focal: null, focus: Infinity, stop: 'deep' });
    expect(screen.queryByRole('slider', { name: /^zoom/ })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /worst case/ }));
    expect(onSetting).toHaveBeenCalledWith(null);
  });
});

describe('forms', () => {
  test('in front: what is on, in its order, with what could be put there', () => {
    render(<FrontPanel facts={canal} />);
    expect(screen.getByText('On the thread, 86 mm')).toBeDefined();
    const stage = screen.getByLabelText<HTMLSelectElement>('stage 3');
    const options = within(stage)
      .getAllByRole('option')
      .map((o) => o.textContent);
    expect(options[0]).toBe('free, 4 x 5.65 in');
    expect(options).toContain('ND 1.2, 4 stops');
    expect(options).toContain('stage taken out of the box');
    expect(screen.getByLabelText<HTMLSelectElement>('stage 2').value).toBe('pola-plate');
    expect(screen.getByLabelText<HTMLInputElement>('top flag').checked).toBe(true);
    expect(screen.getByText(/down to the frame: 10/)).toBeDefined();
  });
  test('light: the headline is the sum of the core, the ND is offered', () => {
    render(<LightPanel facts={canal} />);
    expect(screen.getByRole('status').textContent).toBe(
      '3.75 stops too bright: ND 1.1 is missing.',
    );
    expect(screen.getByRole('button', { name: 'Put ND 1.2 in stage 3' })).toBeDefined();
    expect(screen.getByText('T37.0')).toBeDefined();
    cleanup();
    render(<LightPanel facts={facts('towpath-day')} />);
    expect(screen.getByRole('status').textContent).toMatch(
      /1\.94 stops too bright, the variable ND at its darkest/,
    );
    expect(screen.queryByRole('button', { name: /Take/ })).toBeNull();
    cleanup();
    render(<LightPanel facts={facts('wheelhouse-a')} />);
    expect(screen.getByRole('status').textContent).toContain('Give the scene light');
  });
});
