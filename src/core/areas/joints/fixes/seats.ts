import type { Built } from '../../../build/build';
import { candidate, hire, kitOf, type Candidate, type Generator } from '../../../checks/candidate';
import { adapterChains } from '../model/adapters';
import { sayLength } from '../../../quantity/say';
import { fitsByNumbers } from '../model/fit';
import {
  freeHoles,
  freeStretches,
  hostsOn,
  isSlide,
  seatingsFor,
  type Seating,
} from '../model/free';
import { canBeHeld, interfacesOf } from '../kit/sides';
import { screwThread } from '../model/lists';
import { bite, screwOf } from '../model/screw';
import { screwsOf } from '../model/tools';
import { isNamed, seatsOf, type NamedSeat, type Seat } from '../model/seats';
import { placeName, reseat, seatThrough, setSeat } from '../moves/seat';

/** Lengths that screws are sold in, mm. Common practice, no source; inch ones by their inches. */
const METRIC = [4, 5, 6, 8, 10, 12, 14, 16, 20, 25, 30, 35, 40];
const INCH = [1 / 4, 5 / 16, 3 / 8, 1 / 2, 5 / 8, 3 / 4, 1, 1.25, 1.5].map((x) => x * 25.4);

/** As many other places and ways are tried as a person would think of. */
const PLACES = 8;
const WAYS = 4;

/** A side that keeps the part from turning by itself. */
function firm(s: Seat, place: Seating): boolean {
  const { by, host } = place;
  return (
    (by.count ?? 1) > 1 ||
    (by.pinned === true && host.i.pinned === true) ||
    isSlide(by) ||
    s.part.pins === true
  );
}

/** The part on another free place of the rig. */
function elsewhere(built: Built, s: Seat, wanted: (p: Seating) => boolean): Candidate[] {
  const seen = new Set<string>();
  return seatingsFor(built, s.part, s.use.id)
    .filter((p) => p.sure !== false && wanted(p))
    .filter((p) => {
      // Of a row its first free hole, its last and the one in the middle are enough to try.
      const own = `${p.host.piece} ${p.host.i.id} ${p.by.id}`;
      const free = freeHoles(built, p.host, p.by, s.use.id);
      const some =
        isSlide(p.host.i) ||
        [free[0], free[Math.floor(free.length / 2)], free.at(-1)].includes(p.n);
      const same =
        p.host.i.id === s.use.at &&
        p.by.id === s.use.by &&
        p.n === (s.use.n ?? 0) &&
        p.slide === (s.use.slide ?? 0) &&
        p.host.use?.id === s.use.to;
      const again = seen.has(`${own} ${p.n}`);
      seen.add(`${own} ${p.n}`);
      return some && !same && !again;
    })
    .slice(0, PLACES)
    .map((p, i) =>
      candidate(reseat(built.rig, s.use, s.part, p), 1, 0.1 + i / 100, `place ${placeName(p)}`),
    );
}

/** The part on its place, or on another, by way of an adapter of the kit. */
function byAdapter(built: Built, s: Seat, wanted: (by: string) => boolean): Candidate[] {
  const kit = kitOf(built);
  const holes = built.rules['joint.holes'];
  const used = new Set(seatsOf(built).map((x) => x.part.id));
  const spare = kit.filter((p) => !used.has(p.id) || (p.count ?? 1) > 1);
  const hosts = [...hostsOn(built)].sort(
    (a, b) =>
      Number(b.i.id === s.use.at && b.use?.id === s.use.to) -
      Number(a.i.id === s.use.at && a.use?.id === s.use.to),
  );
  const list: Candidate[] = [];
  for (const host of hosts) {
    if (host.use?.id === s.use.id) continue;
    for (const by of interfacesOf(s.part).filter(canBeHeld)) {
      if (!wanted(by.id)) continue;
      const ways = adapterChains(
        spare,
        { part: host.part, i: host.i },
        { part: s.part, i: by },
        holes,
        2,
      );
      for (const way of ways.slice(0, 2)) {
        const first = way.links[0]!;
        const own = interfacesOf(first.part).find((i) => i.id === first.by)!;
        const slides = isSlide(host.i);
        const guest = { part: first.part, i: own };
        const n = slides ? 0 : freeHoles(built, host, own, s.use.id)[0];
        const slide = slides ? freeStretches(built, host, guest, s.use.id)[0] : 0;
        if (n === undefined || slide === undefined) continue;
        const links = [{ ...first, n, slide }, ...way.links.slice(1)];
        const edit = seatThrough(built.rig, s.part, host, links, { by: by.id, n: way.n }, s.use);
        const parts = links.map((l) => l.part);
        list.push(
          candidate(
            edit,
            1 + parts.length,
            0.3,
            `adapter ${parts.map((p) => p.id).join()}`,
            hire(...parts),
          ),
        );
      }
    }
    if (list.length >= WAYS) break;
  }
  return list.slice(0, WAYS);
}

/** Another piece of its kind that its place goes together with, in its stead. */
function otherPiece(built: Built, s: NamedSeat): Candidate[] {
  const holes = built.rules['joint.holes'];
  return kitOf(built)
    .filter((p) => p.kind === s.part.kind && p.id !== s.part.id)
    .flatMap((p): Candidate[] => {
      const by = interfacesOf(p).find(
        (i) =>
          canBeHeld(i) &&
          fitsByNumbers({ part: s.host.part, i: s.at }, { part: p, i }, holes) === true,
      );
      if (!by) return [];
      const edit = setSeat(
        built.rig,
        s.use.id,
        { part: p.id, ...(by.id === s.use.by ? {} : { by: by.id }) },
        `${p.name} in place of ${s.part.name}`,
      );
      return [candidate(edit, 2, 0.2, `piece ${p.id}`, hire(p))];
    })
    .slice(0, WAYS);
}

/** A screw of another length, of those that are sold, that bites and does not bottom out. */
function otherScrew(built: Built, s: NamedSeat): Candidate[] {
  const w = screwOf(s);
  if (!w) return [];
  const through = w.through?.known?.value ?? s.by.thickness;
  const before = typeof through === 'number' ? through : (w.through?.known?.value ?? null);
  const depth = w.depth.known;
  if (before === null || before === undefined || !depth) return [];
  const most = w.female.i.through === true ? Infinity : depth.lo;
  const fits = ({ length }: { length: number }) => {
    const into = bite(length, before, w.gap);
    return into > 0 && into <= most;
  };
  const set = (length: number, name: string) =>
    setSeat(built.rig, s.use.id, { screw: length }, `${name} in ${s.part.name}`);
  const there = screwsOf(built, screwThread(w.type)).filter(fits);
  const sold = (w.type.inch ? INCH : METRIC)
    .map((length) => ({ length: Math.round(length * 100) / 100 }))
    .filter(fits)
    .slice(-4);
  return [
    // Of what is in the kit before what would have to be bought, the longest first.
    ...there.map(({ screw, length }) =>
      candidate(
        set(length, `${screw.name}, ${sayLength(length)},`),
        1,
        0.02 - length / 10_000,
        'screw',
        hire(screw),
      ),
    ),
    ...sold.map(({ length }) =>
      candidate(
        set(length, `A screw of ${sayLength(length)}`),
        1,
        0.05 - length / 10_000,
        'screw',
        1,
      ),
    ),
  ];
}

/** What cures a joint: another place, an adapter, another screw, a second tie. */
export const cureJoint: Generator = (built, v, area) => {
  const cured = area === 'joints' || v.id === 'space.pair' || v.id === 'sight.view';
  if (!cured) return [];
  return seatsOf(built)
    .filter((s) => v.pieces.includes(s.piece) && (s.part.kind !== 'cage' || v.id === 'joint.gap'))
    .flatMap((s): Candidate[] => {
      const any = () => true;
      switch (v.id) {
        case 'joint.fits':
        case 'joint.free':
          return [
            ...elsewhere(built, s, any),
            ...(isNamed(s) ? otherPiece(built, s) : []),
            ...byAdapter(built, s, any),
          ];
        case 'joint.screw':
          return isNamed(s) ? otherScrew(built, s) : [];
        case 'joint.twist':
          return [
            ...elsewhere(built, s, (p) => firm(s, p)),
            ...byAdapter(built, s, (id) => {
              const by = interfacesOf(s.part).find((i) => i.id === id);
              return by !== undefined && ((by.count ?? 1) > 1 || by.pinned === true || isSlide(by));
            }),
          ];
        case 'joint.stops':
        case 'joint.load-path':
          return s.use.line
            ? []
            : [
                candidate(
                  setSeat(built.rig, s.use.id, { line: true }, `A second tie on ${s.part.name}`),
                  1,
                  0.5,
                  'line',
                ),
              ];
        case 'joint.gap':
          return s.use.tight === 'snug'
            ? []
            : [
                candidate(
                  setSeat(built.rig, s.use.id, { tight: 'snug' }, `Leave ${s.part.name} snug`),
                  0,
                  0.5,
                  'snug',
                ),
              ];
        case 'joint.access':
          return elsewhere(built, s, any);
        default:
          return isNamed(s) ? [...elsewhere(built, s, any), ...byAdapter(built, s, any)] : [];
      }
    });
};
