import { checkRig } from '../areas/checks';
import { build } from '../build/build';
import { elevation } from '../drawing/elevation';
import { demo } from '../test-kit';
import { rigCards } from './rig-cards';

const job = demo();

describe('rigs of a job beside each other', () => {
  const cards = rigCards(job);

  test('are all of them, each as it is counted and drawn where it is opened', () => {
    expect(cards.map((c) => c.id)).toEqual(job.rigs.map((r) => r.id));
    for (const [i, rig] of job.rigs.entries()) {
      const card = cards[i]!;
      const said = checkRig(job, rig);
      for (const s of ['fail', 'tight', 'unknown', 'ok'] as const)
        expect(card.counts[s]).toBe(said.filter((v) => v.state === s).length);
      const whole = elevation(build(job, rig), 'side');
      expect(card.bounds).toEqual(whole.bounds);
      expect(card.outlines.length).toBe(whole.outlines.filter((o) => !o.sweep).length);
      expect(card.body).toBe(job.kit.find((p) => p.id === rig.body)!.name);
    }
  });

  test('one without a body says so, and nothing of it is counted as ok that was not looked at', () => {
    const [card] = rigCards({ ...job, rigs: [{ ...job.rigs[0]!, body: null, lens: null }] });
    expect([card!.body, card!.lens]).toEqual([null, null]);
    const none = checkRig(job, { ...job.rigs[0]!, body: null, lens: null });
    expect(card!.counts.ok).toBe(none.filter((v) => v.state === 'ok').length);
    expect(rigCards({ ...job, rigs: [] })).toEqual([]);
  });
});
