import type { Built } from '../../../build/build';
import { type Candidate, candidate, hire, type Generator } from '../../../checks/candidate';
import { frontOf } from '../../front/place/front';
import {
  exposureOf,
  missingStops,
  type NdChoices,
  THREAD,
  ndChoices,
  USUAL_ISO,
  USUAL_ANGLE,
  USUAL_FPS,
} from '../model/light';
import { chooseNd, safeAngles } from '../../../optics/exposure';
import { traysWith, setTrays } from '../../front/moves/trays';
import { isFilter } from '../../../kit/types';
import { screwOn } from '../../front/moves/thread';
import { wheelAnswers } from '../model/wheel';
import { turnWheel, setLight } from '../moves/light';
import { valueOf } from '../../../quantity/quantity';
import { setStop } from '../../coverage/moves/picture';
import { plain } from '../../../quantity/say';
import { offTheThread } from '../../front/fixes/thread';
import { profileOf } from '../model/setting';
import { setFlag } from '../../front/moves/box';

/** The NDs of the kit that bring the light to the stop worked at, and the stop that follows it. */
export function lightCandidates(built: Built): Candidate[] {
  const front = frontOf(built);
  const e = exposureOf(built);
  const missing = missingStops(built);
  if (!e || missing === null) return [];
  const list: Candidate[] = [];
  const off = built.rules['front.exposure-off'];
  let reached = false;
  const put = (choice: NdChoices, order: number, say: string) => {
    const answer = chooseNd(choice.need, choice.slots, choice.filters, off);
    reached ||= Math.abs(answer.error) <= off;
    if (answer.put.length === 0 && choice.given.length === 0) return;
    const { box } = front;
    const stages = answer.put.filter((p) => p.slot !== THREAD);
    const round = answer.put.find((p) => p.slot === THREAD);
    const changes = [];
    if (box) {
      const bare = choice.given.reduce(
        (now, stage) => traysWith({ ...box.use, trays: now }, stage, { filter: undefined }),
        box.use.trays ?? [],
      );
      const next = stages.reduce(
        (now, p) =>
          traysWith({ ...box.use, trays: now }, p.slot, { filter: p.filter, out: undefined }),
        bare,
      );
      changes.push(...setTrays(built.rig, next, '').changes);
    }
    if (round) {
      const f = built.kit.get(round.filter);
      if (isFilter(f)) changes.push(...screwOn(built.job, built.rig, f).changes);
    }
    const names = answer.put.map((p) =>
      p.slot === THREAD
        ? `${built.kit.get(p.filter)!.name} on the thread`
        : `${built.kit.get(p.filter)!.name} in ${box!.stages.find((s) => s.stage.id === p.slot)!.stage.name}`,
    );
    list.push(
      candidate(
        { title: names.length > 0 ? `${say} ${names.join(' and ')}` : 'Take the ND out', changes },
        Math.max(1, answer.put.length),
        order,
        'nd',
        hire(...answer.put.map((p) => built.kit.get(p.filter)!)),
      ),
    );
  };
  for (const { wheel, place } of wheelAnswers(built, missing))
    list.push(candidate(turnWheel(built.rig, wheel, place), 0, 0, 'nd'));
  put(ndChoices(built, missing, false), 0, 'Put');
  put(ndChoices(built, missing, true), 1, 'Use only');
  // Where no filter reaches it, what is wanted gives way: the stop follows the light.
  const { stop } = built;
  if (stop.known && !reached) {
    const t = Math.round(stop.known.value * 2 ** (missing / 2) * 10) / 10;
    const widest = valueOf(built.lens?.tStop) ?? valueOf(built.lens?.fStop);
    const smallest = valueOf(built.lens?.smallestStop) ?? USUAL_SMALLEST;
    if (t <= smallest && widest !== null && t >= widest)
      list.push(
        candidate(
          { ...setStop(built.rig, t), title: `Work at T${plain(t)} instead` },
          0,
          3,
          'stop',
        ),
      );
  }
  // Another sensitivity, where the body says what it can be set to.
  const { body } = built;
  const { light } = built.rig;
  if (light && body?.isoFrom !== undefined && body.isoTo !== undefined && !reached) {
    const iso = Math.round((light.iso ?? USUAL_ISO) * 2 ** -missing);
    const able = Math.min(body.isoTo, Math.max(body.isoFrom, iso));
    if (able === iso)
      list.push(candidate(setLight(built.rig, { iso }, `Set ISO ${iso} instead`), 0, 3.5, 'iso'));
  }
  return [...list, ...offTheThread(built, front, 5)];
}

/** Smallest stop that is offered of a lens that does not say its own. Common practice, no source. */
const USUAL_SMALLEST = 16;

/** Filters, wheels, stop, sensitivity, shutter and flags that bring the light right. */
export const toTheStop: Generator = (built, finding) => {
  if (finding.id === 'front.flag' && finding.key === 'front.flag:light') return shadings(built);
  if (finding.id !== 'front.exposure') return [];
  if (finding.key === 'front.exposure:flicker') return shutters(built);
  if (finding.key !== 'front.exposure') return sensitivities(built);
  return lightCandidates(built);
};

/** Shutter angles that whole swings of the lamps fit into: the nearest to either side. */
function shutters(built: Built): Candidate[] {
  const { rig } = built;
  if (rig.light?.mains === undefined) return [];
  const now = rig.light.angle ?? USUAL_ANGLE;
  const all = safeAngles(rig.light.fps ?? USUAL_FPS, rig.light.mains);
  const below = all.filter((a) => a < now).at(-1);
  const above = all.find((a) => a > now);
  return [below, above].flatMap((a) => {
    if (a === undefined) return [];
    const angle = Math.round(a * 10) / 10;
    const edit = setLight(rig, { angle }, `Set the shutter to ${plain(angle, 1)}\u00b0`);
    return [candidate(edit, 0, Math.abs(a - now) / 1000, 'shutter')];
  });
}

/** Sensitivities that the body has, and the bases of its profile. */
function sensitivities(built: Built): Candidate[] {
  const { body, rig } = built;
  if (!body || !rig.light) return [];
  const iso = rig.light.iso ?? USUAL_ISO;
  const bases = (profileOf(built) ?? []).flatMap((p) => p.base ?? []);
  const ends = [body.isoFrom, body.isoTo].filter((v) => v !== undefined);
  return [...new Set([...bases, ...ends])]
    .filter((v) => v !== iso)
    .map((v) =>
      candidate(
        setLight(rig, { iso: v }, `Set ISO ${plain(v)}`),
        0,
        Math.abs(Math.log2(v / iso)),
        'iso',
      ),
    );
}

/** Flags at the side that a hard light comes from, further down or, where flare is wanted, up. */
function shadings(built: Built): Candidate[] {
  const { rig } = built;
  const { box } = frontOf(built);
  if (!box || rig.light?.from === undefined) return [];
  const wanted = rig.light.flare === true;
  return (box.box.flags ?? [])
    .filter((leaf) => leaf.side === rig.light!.from)
    .flatMap((leaf) => {
      const now = rig.box!.flags?.find((f) => f.id === leaf.id)?.angle;
      if (wanted)
        return now === undefined ? [] : [candidate(setFlag(rig, leaf, undefined), 1, 0, 'flag')];
      return SHADE_ANGLES.filter(
        (a) => a >= (leaf.from ?? -90) && a <= (leaf.to ?? 90) && (now === undefined || a < now),
      ).map((a, i) => candidate(setFlag(rig, leaf, a), now === undefined ? 1 : 0, i / 100, 'flag'));
    });
}

/** Angles a flag is tried at, degrees, the most open first. */
const SHADE_ANGLES = [75, 60, 45, 30, 20, 10, 5, 0, -10, -20];
