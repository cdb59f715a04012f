import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { viewed } from '../../doc/layers';
import { lowered } from '../../doc/lower';
import { jobOf } from '../../doc/read';
import { docOf } from '../../doc/write';
import { applyEdit, withChanges } from '../../edit/edit';
import { CARRIES, type SignalPort } from '../../engine/part';
import { PLUGS } from '../../engine/plugs';
import { readJob, writeJob } from '../../format/read-job';
import type { Change, Job, Lead, SignalUse } from '../../kit/types';
import { anyRig, demoRigs, demoStandings, type Subject } from '../../properties/rigs';
import { sendings } from '../../properties/sendings';
import { saidBetween } from '../../set/changes';
import { findings } from '../../solve/fixes';
import { removePart } from '../../solve/remove-part';
import { demo, demoDoc, exactly } from '../../test-kit';
import { weightsOf } from '../carry/model/weighed';
import { check } from '../checks';
import { deedsOf, putOn } from '../moves';
import { takeFitted } from '../space/moves/fitted';
import { deviceCards } from './model/device-cards';
import { leadsDrawn } from './model/drawn';
import { deviceKey, devicesOn } from './model/fed';
import { linesOn, runAt } from './model/lines';
import { goesBetween } from './model/plugs';
import { sendersOn, sendOffers } from './model/sends';
import { leadBetween, leadCarries, portsOn, signalsOn } from './model/signals';
import { powerTree } from './model/tree';
import { send, setItsLead, setSignal, unsend } from './moves/signal';

/** What goes from one part to another by a lead that feeds nothing. */

const RIG = 'tug-b';
const base = demo();

function rigged(changes: readonly Change[] = [], from: Job = base) {
  const job = withChanges(from, changes);
  const rig = job.rigs.find((r) => r.id === RIG)!;
  const built = build(job, rig, shared(job));
  const said = check(built);
  return { job, rig, built, said, of: (key: string) => said.find((v) => v.key === key) };
}
const own = base.rigs.find((r) => r.id === RIG)!;
const picture = own.signals![0]!;
const part = (id: string, path: string[], value: unknown): Change => ({
  path: ['kit', id, ...path],
  value,
});
const say = (said: Partial<SignalUse>): Change => ({
  path: ['rigs', RIG, 'signals', picture.id],
  value: { ...picture, ...said },
});
const FIT = `signal.fit:${picture.id}`;
const OUT = ['ports', 'hdmi-out'];
const IN = ['ports', 'hdmi-in'];

describe('ports, and what is between', () => {
  test('picture goes from the camera to the screen', () => {
    const { of } = rigged();
    expect(of(FIT)).toMatchObject({
      state: 'ok',
      why: 'Picture goes from HDMI out of Pellin Pocket to HDMI in of Pane 5 by Bowline lead.',
    });
    expect(of('signal.port:body/body/hdmi-out')!.state).toBe('ok');
  });

  test.each<[string, Change, RegExp]>([
    [
      'sound into a socket for picture',
      say({ to: { ...picture.from, port: 'mic-in' } }),
      /carries sound, no picture/,
    ],
    ['what sends only', part('pane-5', [...IN, 'way'], 'out'), /sends and takes nothing in/],
    ['what takes in only', part('body-b', [...OUT, 'way'], 'in'), /takes in and sends nothing/],
    [
      'a lead with other plugs',
      say({ lead: 'reef' }),
      /Reef lead has jack 3\.5 mm and jack 3\.5 mm/,
    ],
    ['a lead for something else', part('bowline', ['carries'], 'sound'), /carries no picture/],
  ])('%s fails', (_n, change, why) => {
    const v = rigged([change]).of(FIT)!;
    expect(v.state).toBe('fail');
    expect(v.why).toMatch(why);
  });

  test.each<[string, Change]>([
    ...['carries', 'way', 'plug'].flatMap((k): [string, Change][] => [
      [`${k} of the one port`, part('body-b', [...OUT, k], undefined)],
      [`${k} of the other`, part('pane-5', [...IN, k], undefined)],
    ]),
    ['a plug of the lead', part('bowline', ['plug'], undefined)],
    ['the lead', say({ lead: undefined })],
    ['the port itself', part('body-b', OUT, undefined)],
    ['the part that it goes to', { path: ['rigs', RIG, 'fitted', 'monitor'], value: undefined }],
    ['the camera', { path: ['rigs', RIG, 'body'], value: null }],
  ])('without %s nobody knows', (_n, change) => {
    const v = rigged([change]).of(FIT)!;
    expect(v.state).toBe('unknown');
    expect(v.why).toMatch(/^Whether picture goes from .* is not known: /);
  });

  test('a lead goes between two ports either way round, and never where a plug is another', () => {
    const some = PLUGS.filter((p) => p.signal || p.id === 'usb-c').slice(0, 3);
    const plugs = [undefined, ...some.map((p) => p.id)];
    const any = fc.constantFrom(...plugs);
    const port = (plug: string | undefined): SignalPort => ({ id: 'p', name: 'p', plug });
    let [yes, open, no] = [0, 0, 0];
    fc.assert(
      fc.property(any, any, any, any, (a, b, c, d) => {
        const lead = { id: 'l', kind: 'lead', name: 'l', plug: c, plugTo: d } as Lead;
        const said = leadBetween(port(a), lead, port(b)).fits;
        const round = leadBetween(port(b), lead, port(a)).fits;
        expect(round).toBe(said);
        // By what every plug that nobody named could be: all of them tried.
        const all = (x: string | undefined) => (x === undefined ? plugs.slice(1) : [x]);
        const ways = all(a).flatMap((p) =>
          all(b).flatMap((q) =>
            all(c).flatMap((r) => all(d).map((s) => [p, q].sort().join() === [r, s].sort().join())),
          ),
        );
        if (said === true) yes++;
        else if (said === null) open++;
        else no++;
        if (said === true) expect(ways).not.toContain(false);
        if (said === false) expect(ways).not.toContain(true);
        if (said === null) expect(new Set(ways).size).toBe(2);
      }),
      { numRuns: 400 },
    );
    expect(Math.min(yes, open, no)).toBeGreaterThan(0);
  });

  test('what a lead carries is said by plugs that feed nothing, else by somebody', () => {
    const lead = (plug: string, carries?: Lead['carries']) =>
      ({ id: 'l', kind: 'lead', name: 'l', plug, plugTo: plug, carries }) as Lead;
    expect(leadCarries(lead('bnc'), 'video')).toBe(true);
    expect(leadCarries(lead('usb-c'), 'data')).toBeNull();
    expect(leadCarries(lead('usb-c', 'power-data'), 'data')).toBe(true);
    expect(leadCarries(lead('usb-c', 'power-data'), 'video')).toBe(false);
    expect(leadCarries(lead('usb-c', 'power'), 'data')).toBe(false);
    for (const c of CARRIES) expect(leadCarries(lead('round-4', c), c)).toBe(true);
  });

  test('a lead that carries something else feeds nothing', () => {
    const job = withChanges(base, [part('warp', ['carries'], 'data')]);
    const { of, built } = rigged([], job);
    expect(of('power.fit:body')).toMatchObject({
      state: 'fail',
      why: 'Warp lead feeds nothing: it carries data.',
    });
    const warp = built.kit.get('warp') as Lead;
    const out = { id: 'o', name: 'o', plug: warp.plug };
    const device = { name: 'd', inlet: warp.plugTo };
    expect(goesBetween(out, warp, device)).toBe(false);
    expect(goesBetween(out, { ...warp, carries: 'power-data' }, device)).toBe(true);
  });
});

describe('one plug in one port', () => {
  const KEY = 'signal.port:body/body/hdmi-out';

  test('two leads into one port', () => {
    const second = {
      ...structuredClone(picture),
      id: 'second',
      to: { ...picture.to, port: 'hdmi-loop' },
    };
    const { of } = rigged([{ path: ['rigs', RIG, 'signals', 'second'], value: second }]);
    expect(of(KEY)).toMatchObject({
      state: 'fail',
      why: 'HDMI out of Pellin Pocket takes one plug; Pane 5 and Pane 5 are to go into it.',
    });
  });

  test.each([
    [true, 'fail'],
    [false, 'ok'],
    [undefined, 'unknown'],
  ] as const)('the socket that the camera is fed by as well: %s is %s', (isInlet, state) => {
    const { inlet } = base.kit.find((p) => p.id === 'body-b') as { inlet?: string };
    const { of } = rigged([
      part('body-b', [...OUT, 'plug'], inlet),
      part('body-b', [...OUT, 'isInlet'], isInlet),
    ]);
    expect(of(KEY)!.state).toBe(state);
  });

  test('a drive that may go into the same socket', () => {
    const drive = [part('body-b', [...OUT, 'plug'], 'usb-c'), part('body-b', ['inlet'], 'round-2')];
    const card = (plug: unknown) => rigged([...drive, part('bilge-512', ['plug'], plug)]).of(KEY)!;
    expect(card('usb-c').state).toBe('unknown');
    expect(card(undefined).state).toBe('unknown');
    expect(card('slot').state).toBe('ok');
  });
});

describe('its lead on the rig', () => {
  const of = (id: string) => `cable.${id}:signal:${picture.id}`;

  test('reaches, is to be tied, and has no spare', () => {
    const { of: at } = rigged();
    expect(at(of('length'))!.state).toBe('ok');
    expect(at(of('strain'))!.why).toContain('the HDMI, micro socket of Pellin Pocket');
    expect(at(of('spare'))!.why).toContain('Pane 5 has no picture');
    expect(at(of('tie'))!.state).toBe('unknown');
    const two = rigged([part('bowline', ['count'], 2), say({ tied: true, ties: 1 })]).of;
    for (const id of ['strain', 'spare', 'tie']) expect(two(of(id))!.state).toBe('ok');
  });

  test('turned round it is the same lead, its weak plug where it is', () => {
    const turned = [part('bowline', ['plug'], 'hdmi'), part('bowline', ['plugTo'], 'hdmi-micro')];
    const { of: at } = rigged(turned);
    expect(at(FIT)!.state).toBe('ok');
    expect(at(of('strain'))!.why).toBe(rigged().of(of('strain'))!.why);
    expect(at(of('bend'))!.why).toBe(rigged().of(of('bend'))!.why);
  });

  test('a short one fails, and a long one is not known while a socket is nowhere', () => {
    expect(rigged([part('bowline', ['length'], exactly(150))]).of(of('length'))!.state).toBe(
      'fail',
    );
    const open = rigged([part('pane-5', [...IN, 'face'], undefined)]).of;
    for (const id of ['bend', 'tie']) expect(open(of(id))!.state).toBe('unknown');
    expect(open(of('length'))!.state).not.toBe('ok');
    const gone = rigged([part('pane-5', IN, undefined)]).of;
    expect(gone(of('spare'))!.state).toBe('unknown');
    expect(gone(of('length'))!.state).not.toBe('ok');
  });

  test('with the screen on its arm there is little slack', () => {
    const [, up] = demoStandings.find(([n]) => n === 'Tug, body B, screen up')!;
    const said = check(build(up.job, up.rig, shared(up.job)));
    expect(said.find((v) => v.key === of('length'))!.state).toBe('tight');
  });

  test('is drawn, weighed, and in use', () => {
    const { built } = rigged();
    expect(leadsDrawn(built).map((d) => d.key)).toContain(of('length'));
    const mass = (b: typeof built) => weightsOf(b).reduce((sum, w) => sum + w.mass.known!.value, 0);
    const off = rigged(unsend(own, picture, 'x').changes);
    const lead = base.kit.find((p) => p.id === 'bowline')!.mass as number;
    expect(mass(built) - mass(off.built)).toBeCloseTo(lead, 6);
    expect(off.said.some((v) => v.key.endsWith(`:signal:${picture.id}`))).toBe(false);
  });

  test('on a recorder the picture hangs on it: it locks or is tied', () => {
    const recorder = [part('pane-5', ['kind'], 'recorder')];
    const v = rigged(recorder).of(of('lock'))!;
    expect(v.state).toBe('tight');
    expect(v.why).toContain('Pane 5 has no picture when somebody steps on the lead');
    expect(rigged().of(of('lock'))).toBeUndefined();
  });
});

describe('what can be sent where', () => {
  const look = ({ job, rig }: Subject) => {
    const built = build(job, rig, shared(job));
    let taken = 0;
    for (const from of sendersOn(built))
      for (const o of sendOffers(built, from)) {
        if (o.can !== 'yes') continue;
        const edit = send(
          rig,
          o.carries,
          { from: from.at, to: o.to.at, ...(o.lead ? { lead: o.lead.id } : {}) },
          'x',
        );
        const next = applyEdit(job, edit).doc;
        const r = next.rigs.find((x) => x.id === rig.id)!;
        const said = check(build(next, r, shared(next)));
        const id = r.signals!.at(-1)!.id;
        expect(said.find((v) => v.key === `signal.fit:${id}`)!.state).toBe('ok');
        expect(
          said.some(
            (v) =>
              v.id === 'signal.port' &&
              v.state === 'fail' &&
              v.key.endsWith(o.to.at.port) &&
              v.key.includes(o.to.at.id),
          ),
        ).toBe(false);
        taken++;
      }
    return taken;
  };

  test('what is offered goes there once it is taken', () => {
    const bare = withChanges(base, unsend(own, picture, 'x').changes);
    const rig = bare.rigs.find((r) => r.id === RIG)!;
    expect(look({ job: bare, rig })).toBeGreaterThan(0);
    demoRigs.forEach(([, s]) => look(s));
    fc.assert(
      fc.property(anyRig, (s) => void look(s)),
      { numRuns: 25 },
    );
  });

  test('of each other port it says why not', () => {
    const bare = withChanges(base, unsend(own, picture, 'x').changes);
    const built = build(
      bare,
      bare.rigs.find((r) => r.id === RIG)!,
      shared(bare),
    );
    const [from] = sendersOn(built);
    const offers = sendOffers(built, from!);
    expect(offers.map((o) => [o.to.port.id, o.can, o.why])).toEqual([
      ['hdmi-in', 'yes', 'by Bowline lead'],
      ['hdmi-loop', 'no', 'sends only'],
    ]);
    expect(portsOn(built).length).toBe(4);
    const { built: on } = rigged();
    const loop = sendersOn(on).find((p) => p.port.id === 'hdmi-loop')!;
    expect(sendOffers(on, loop).map((o) => [o.to.port.id, o.why])).toEqual([
      ['hdmi-out', 'sends only'],
      ['mic-in', 'carries sound'],
    ]);
  });
});

describe('kept, changed, taken back', () => {
  test('a file keeps it, and a rig that is read says what it said', () => {
    const read = readJob(writeJob(base));
    expect(read.ok && read.value.rigs.find((r) => r.id === RIG)!.signals).toEqual(own.signals);
    // Written out of what is read alone it is the same again.
    expect(jobOf(docOf(base)).rigs.find((r) => r.id === RIG)!.signals).toEqual(own.signals);
  });

  test('an edit changes its link alone, and undo brings it back', () => {
    const doc = demoDoc();
    const job = jobOf(doc);
    for (const edit of [
      setSignal(own, picture, { tied: true, ties: 2 }, 'x'),
      setItsLead(own, picture, undefined, 'x'),
      unsend(own, picture, 'x'),
      takeFitted(own, 'monitor', 'x'),
      removePart(
        job,
        job.kit.find((p) => p.id === 'bowline')!,
      ),
      removePart(
        job,
        job.kit.find((p) => p.id === 'pane-5')!,
      ),
    ]) {
      const low = lowered(job, doc, edit);
      const { doc: next, inverse } = applyEdit(doc, low);
      expect(next).not.toEqual(doc);
      const rig = jobOf(next).rigs.find((r) => r.id === RIG)!;
      expect(rig.signals).toEqual(
        withChanges(job, edit.changes).rigs.find((r) => r.id === RIG)!.signals,
      );
      expect(jobOf(applyEdit(next, inverse).doc)).toEqual(job);
    }
  });

  test('a lead that leaves the kit leaves the signal, a screen takes it along', () => {
    const lead = rigged(
      removePart(
        base,
        base.kit.find((p) => p.id === 'bowline')!,
      ).changes,
    );
    expect(lead.rig.signals).toEqual(
      [{ ...picture, lead: undefined }].map(({ lead: _l, ...s }) => s),
    );
    const screen = rigged(takeFitted(own, 'monitor', 'x').changes);
    expect(screen.rig.signals).toBeUndefined();
  });

  test('a lead is put where one is wanted, and taken off, by its name', () => {
    const part = (id: string) => base.kit.find((p) => p.id === id)!;
    const bare = withChanges(base, setItsLead(own, picture, undefined, 'x').changes);
    const rig = bare.rigs.find((r) => r.id === RIG)!;
    const put = putOn(bare, rig, part('bowline'))!;
    expect(put.title).toBe('Send picture to Pane 5 by Bowline lead');
    const after = withChanges(bare, put.changes);
    expect(after.rigs.find((r) => r.id === RIG)!.signals).toEqual([picture]);
    expect(putOn(bare, rig, part('reef'))).toBeNull();
    const off = deedsOf(base, own).find((d) => d.title === 'Take Bowline lead off Pane 5')!;
    expect(withChanges(base, off.changes)).toEqual(bare);
  });

  test('between two ways a rig stands it is said what is sent otherwise', () => {
    const doc = demoDoc();
    const kit = new Map(base.kit.map((p) => [p.id, p]));
    const from = viewed(doc, RIG, null).rigs.find((r) => r.id === RIG)!;
    const to = (links: typeof from.links) =>
      saidBetween(kit, from, { ...from, links })
        .filter((c) => c.links)
        .map((c) => c.text);
    const link = from.links.find((l) => l.id === picture.id)!;
    const others = from.links.filter((l) => l !== link);
    expect(to(from.links)).toEqual([]);
    expect(to(others)).toEqual(['Pane 5: no picture from HDMI out of Pellin Pocket any more']);
    expect(to([...others, { ...link, tied: true, ties: 1 }])).toEqual([
      'Pane 5: its lead tied at its plugs',
      'Pane 5: its lead tied 1 time on its way',
    ]);
    expect(to([...others, { ...link, to: { ...link.to, port: 'hdmi-loop' } }])).toEqual([
      'Pane 5: picture from HDMI out of Pellin Pocket into HDMI loop of Pane 5',
    ]);
  });
});

describe('what helps', () => {
  const fixesOf = (changes: readonly Change[], key: string) => {
    const { job, rig } = rigged(changes);
    return findings(job, rig)
      .find((v) => v.key === key)!
      .fixes.map((f) => [f.title, f.state]);
  };

  test('a tie, another lead, another port', () => {
    expect(fixesOf([], `cable.strain:signal:${picture.id}`)).toEqual([
      ['Tie Bowline lead at its plugs', 'ok'],
    ]);
    expect(fixesOf([], `cable.tie:signal:${picture.id}`)).toEqual([
      ['Tie Bowline lead once on its way', 'ok'],
    ]);
    expect(fixesOf([say({ lead: 'reef' })], FIT)).toEqual([
      ['Send picture from HDMI out of Pellin Pocket to Pane 5 by Bowline lead', 'ok'],
    ]);
    expect(fixesOf([say({ to: { ...picture.to, port: 'hdmi-loop' } })], FIT)).toEqual([
      ['Take it in by HDMI in of Pane 5 by Bowline lead', 'ok'],
    ]);
  });
});

test('every lead of every rig is one line, whatever goes through it', () => {
  const seen = ({ job, rig }: Subject) => {
    const built = build(job, rig, shared(job));
    const lines = linesOn(built);
    expect(new Set(lines.map((l) => l.key)).size).toBe(lines.length);
    for (const l of lines) {
      expect([l.feed, l.signal].filter(Boolean)).toHaveLength(1);
      expect(runAt(built, l)).toBe(runAt(built, l));
    }
    return signalsOn(built).length;
  };
  fc.assert(
    fc.property(anyRig, (s) => void seen(s)),
    { numRuns: 40 },
  );
  const edits = sendings(base, own);
  expect(edits.length).toBeGreaterThan(10);
  for (const edit of edits) {
    const { job, rig, said } = rigged(edit.changes);
    expect(seen({ job, rig })).toBe(2);
    const use = rig.signals!.find((x) => x.id !== picture.id)!;
    expect(said.filter((v) => v.key === `signal.fit:${use.id}`)).toHaveLength(1);
  }
});

describe('a card for each device', () => {
  const cards = (changes: readonly Change[] = []) => {
    const { built, said } = rigged(changes);
    return deviceCards(built, powerTree(built, said));
  };
  const of = (name: string, list = cards()) => list.find((c) => c.name === name)!.lines;

  test('says what it runs on, what feeds it with what arrives, and what goes into each port', () => {
    expect(cards().map((c) => c.name)).toEqual(['Pellin Pocket', 'Pane 5']);
    expect(of('Pellin Pocket')).toEqual([
      'runs on 12 to 16 V; 22 W at work; 30 W at most; inlet: round push-pull, 2 pins, at its camera left',
      'fed from 14.4 V outlet of Raft plate by Warp lead: 13.8 V, 1.6 A',
      'HDMI out (picture, sends, HDMI, micro, at its camera left): Bowline lead, to HDMI in of Pane 5',
      'microphone in (sound, takes in, jack 3.5 mm, at its camera left): free',
    ]);
    expect(of('Pane 5')[2]).toBe(
      'HDMI in (picture, takes in, HDMI, full size, at its camera right): Bowline lead, from HDMI out of Pellin Pocket',
    );
  });

  test('what nobody said is said to be not known', () => {
    const open = cards([
      part('body-b', ['watts'], undefined),
      part('body-b', ['inlet'], undefined),
      part('body-b', [...OUT, 'carries'], undefined),
      say({ lead: undefined }),
      { path: ['rigs', RIG, 'outlet'], value: undefined },
    ]);
    expect(of('Pellin Pocket', open)).toEqual([
      'runs on 12 to 16 V; watts not known; 30 W at most; inlet: plug not known, at its camera left',
      'what feeds it nobody said',
      'HDMI out (what it carries not known, sends, HDMI, micro, at its camera left): no lead chosen, to HDMI in of Pane 5',
      'microphone in (sound, takes in, jack 3.5 mm, at its camera left): free',
    ]);
  });

  test('on every rig: all that takes power or has ports is there once, each lead on the card of its device', () => {
    const look = ({ job, rig }: Subject) => {
      const built = build(job, rig, shared(job));
      const list = deviceCards(built, powerTree(built, []));
      const keys = new Set([
        ...devicesOn(built).map((d) => deviceKey(d.device)),
        ...portsOn(built).map((p) => deviceKey(p.at)),
      ]);
      expect(list.map((c) => c.key).sort()).toEqual([...keys].sort());
      for (const l of linesOn(built)) {
        if (!l.lead || (l.signal && !l.signal.to?.port)) continue;
        const key = l.feed ? l.key : deviceKey(l.signal!.to!.at);
        expect(list.find((c) => c.key === key)!.lines.join()).toContain(l.lead.name);
      }
    };
    demoStandings.forEach(([, s]) => look(s));
    fc.assert(fc.property(anyRig, look), { numRuns: 25 });
  });
});
