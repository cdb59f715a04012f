import { isLens } from '../kit/types';
import { demo, testLens } from '../test-kit';
import { withChanges } from '../edit/edit';
import { suggest } from './command';
import { searchParts } from './search';

const job = demo();
const rig = job.rigs[0]!;
const GOALS = [
  { to: '/kit', name: 'Kit', words: 'parts' },
  { to: '/set', name: 'Lens set', words: 'coverage table' },
];
const titles = (line: string) => suggest(job, rig, line, GOALS).map((s) => s.title);

describe('the command line', () => {
  test('put and swap change the rig', () => {
    const [first] = suggest(job, rig, 'put marl 35');
    expect(first!.title).toBe('Put Marl 35 on');
    if (first!.deed.kind !== 'edit') throw new Error('no edit');
    expect(withChanges(job, first!.deed.edit.changes).rigs[0]!.lens).toBe('marl-35');
    expect(titles('swap orrin')[0]).toBe('Put Orrin Box on');
    expect(titles('put narrows pocket')[0]).toBe('Use Narrows 0.71 for the Pocket instead');
  });

  test('a part on another rig: "35 on wheelhouse"', () => {
    const s = suggest(job, rig, 'marl 35 on wheelhouse')[0]!;
    expect(s.hint).toBe('Wheelhouse, body A');
    expect(s.deed.kind === 'edit' && s.deed.edit.changes[0]!.path[1]).toBe('wheelhouse-a');
  });

  test('what stands under and beside goes on and off by name', () => {
    const tug = job.rigs.find((r) => r.id === 'tug-b')!;
    const on = (line: string) => suggest(job, tug, line).map((s) => s.title);
    expect(on('put lath 200')).toContain('Use Lath 200 instead');
    expect(on('take pintle')).toContain('Take Pintle wheel off');
    expect(on('screen shut')).toContain('Leave the screen shut');
    const put = suggest(job, tug, 'put prop').find((s) => s.id.startsWith('put:'))!;
    if (put.deed.kind !== 'edit') throw new Error('not an edit');
    const next = withChanges(job, put.deed.edit.changes);
    expect(next.rigs.find((r) => r.id === 'tug-b')!.supports).toHaveLength(1);
  });

  test('a focal length zooms, a stop stops', () => {
    expect(titles('24')).toContain('Zoom to 24 mm');
    expect(titles('90')).not.toContain('Zoom to 90 mm');
    expect(titles('t4')[0]).toBe('Work at T4');
    expect(titles('t 2.8')[0]).toBe('Work at T2.8');
  });

  test('modes by name', () => {
    expect(titles('16:9')).toContain('Record in 16:9');
  });

  test('go to places and rigs', () => {
    expect(suggest(job, rig, 'go table', GOALS)[0]!.deed).toEqual({ kind: 'go', to: '/set' });
    for (const v of GOALS)
      expect(titles(`go ${v.name.toLowerCase()}`)).toContain(`Go to ${v.name}`);
    expect(suggest(job, rig, 'go canal')[0]!.deed).toEqual({ kind: 'rig', rig: 'anamorphic' });
    expect(titles('go').length).toBeGreaterThanOrEqual(GOALS.length + job.rigs.length);
  });

  test('find opens parts and does nothing else', () => {
    const list = suggest(job, rig, 'find wafer');
    expect(list).toEqual([
      expect.objectContaining({
        title: 'Open Wafer M42 to 44',
        deed: { kind: 'part', part: 'wafer-m42-44' },
      }),
    ]);
  });

  test('nothing by these words is an empty list, an empty line too', () => {
    expect(suggest(job, rig, 'zzzz')).toEqual([]);
    expect(suggest(job, rig, '')).toEqual([]);
    expect(suggest(job, null, 'put marl')).toEqual([]);
  });

  test('the lens can be taken off', () => {
    expect(titles('lens off')).toContain('Take the lens off');
  });
});

describe('search', () => {
  test('names that begin with the words come first', () => {
    const hits = searchParts(job.kit, 'marl').map((p) => p.name);
    expect(hits.slice(0, 5).every((n) => n.startsWith('Marl'))).toBe(true);
    expect(searchParts(job.kit, '35 marl')[0]!.name).toBe('Marl 35');
    expect(searchParts(job.kit, 'sedge 18mm').map((p) => p.id)).toEqual(['sedge-18-35']);
  });

  test('among five thousand parts it finds the one, and no more than asked', () => {
    const kit = Array.from({ length: 5000 }, (_, i) =>
      testLens({ id: `l${i}`, name: `Lens ${i}`, owner: i % 2 ? 'own' : 'rental' }),
    );
    expect(searchParts(kit, 'lens 4321').map((p) => p.id)).toEqual(['l4321']);
    expect(searchParts(kit, 'rental', 20)).toHaveLength(20);
    expect(searchParts(kit, '', 7)).toHaveLength(7);
    expect(searchParts(kit, 'lens').every(isLens)).toBe(true);
  });
});
