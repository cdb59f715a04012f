import type { Built } from '../../../build/build';
import { valueOf } from '../../../quantity/quantity';
import { driverOf, type Driver } from '../kit/drivers';
import { screwOf } from './screw';
import { interfaceType, type InterfaceType } from '../kit/interfaces';
import { interfacesOf } from '../kit/sides';
import { namedSeats, saidOf, seatsOf, type NamedSeat } from './seats';

/** Lists that follow from the joints: screws, tools, how tight. */

export interface ScrewLine {
  /** `1/4-20 UNC`. */
  thread: string;
  /** The same by its id; a rosette is screwed with M6. */
  type: string;
  /** Mm; null while nobody said it. */
  length: number | null;
  /** `hex key 4 mm`; null while nobody said it. */
  driver: string | null;
  captive: boolean;
  count: number;
  /** Where they go. */
  joints: string[];
}

/** The thread that a screw of a joint has, by its id: rosettes are screwed with M6. */
export function screwThread(type: InterfaceType): string {
  return type.family === 'rosette' ? 'm6' : type.id;
}

/** Every screw of the rig, alike ones in one line: thread, length, tool, how many, where. */
export function screwBill(built: Built): ScrewLine[] {
  const lines = new Map<string, ScrewLine>();
  for (const s of namedSeats(built)) {
    const w = screwOf(s);
    if (!w) continue;
    const length = w.length.known?.value ?? null;
    const driver = driverOf(w.male.i.driver)?.name ?? null;
    const captive = w.male.i.captive === true && s.use.screw === undefined;
    const key = [w.type.id, length, driver, captive].join();
    const line = lines.get(key) ?? {
      thread: w.type.family === 'rosette' ? `M6, ${w.type.name}` : w.type.name,
      type: screwThread(w.type),
      length,
      driver,
      captive,
      count: 0,
      joints: [],
    };
    line.count += s.by.count ?? 1;
    line.joints.push(saidOf(s));
    lines.set(key, line);
  }
  for (const { said, i, type } of cageScrews(built)) {
    const length = valueOf(i.length);
    const driver = driverOf(i.driver)?.name ?? null;
    const key = [type.id, length, driver, i.captive === true].join();
    const line = lines.get(key) ?? {
      thread: type.name,
      type: type.id,
      length,
      driver,
      captive: i.captive === true,
      count: 0,
      joints: [],
    };
    line.count += i.count ?? 1;
    line.joints.push(said);
    lines.set(key, line);
  }
  return [...lines.values()].sort(
    (a, b) =>
      (a.thread < b.thread ? -1 : a.thread > b.thread ? 1 : 0) || (a.length ?? 0) - (b.length ?? 0),
  );
}

/** Screws that a cage holds its body with. */
function cageScrews(built: Built) {
  return seatsOf(built)
    .filter((s) => s.part.kind === 'cage')
    .flatMap((s) =>
      interfacesOf(s.part).flatMap((i) => {
        const type = interfaceType(i.type);
        return i.side === 'guest' && type?.family === 'thread'
          ? [{ said: `${i.name} of ${s.part.name}`, i, type }]
          : [];
      }),
    );
}

export interface Tools {
  /** The smallest set that turns every screw. */
  needed: { driver: Driver; joints: string[] }[];
  /** Joints that are opened by hand: how fast a rig strips. */
  free: string[];
  /** Joints of which nobody said what they are turned with. */
  unknown: string[];
}

/** Tools of a rig. Every screw has one head, so the smallest set is that of all heads. */
export function toolsOf(built: Built): Tools {
  const needed = new Map<string, { driver: Driver; joints: string[] }>();
  const free: string[] = [];
  const unknown: string[] = [];
  const put = (driver: Driver | null, said: string) => {
    if (!driver) unknown.push(said);
    else if (driver.free) free.push(said);
    else {
      const line = needed.get(driver.id) ?? { driver, joints: [] };
      line.joints.push(said);
      needed.set(driver.id, line);
    }
  };
  for (const s of namedSeats(built)) put(turnedWith(s), saidOf(s));
  for (const { i, said } of cageScrews(built)) put(driverOf(i.driver), said);
  return {
    needed: [...needed.values()].sort((a, b) => (a.driver.id < b.driver.id ? -1 : 1)),
    free,
    unknown,
  };
}

/** What a joint is turned with. */
export function turnedWith(s: NamedSeat): Driver | null {
  const male = screwOf(s)?.male.i;
  return driverOf(male?.driver ?? s.by.driver ?? s.at.driver);
}

/** How tight a joint is: what was said, else firm; filters, cages, gap screws and rods snug. */
export function tightnessOf(s: NamedSeat): 'snug' | 'firm' | 'critical' {
  return s.use.tight ?? ((s.use.gap ?? 0) > 0 || s.part.kind === 'cage' ? 'snug' : 'firm');
}

/** Joints that are as tight as each other. */
export interface Tight {
  tight: 'critical' | 'firm' | 'snug';
  joints: { use: string; said: string; signed: string | null }[];
}

/** Every named joint by how tight it is, critical ones first; none without a joint. */
export function byTightness(built: Built): Tight[] {
  const seats = namedSeats(built);
  return (['critical', 'firm', 'snug'] as const)
    .map((tight) => ({
      tight,
      joints: seats
        .filter((s) => tightnessOf(s) === tight)
        .map((s) => ({ use: s.use.id, said: saidOf(s), signed: s.use.signed ?? null })),
    }))
    .filter((t) => t.joints.length > 0);
}

/** Length of the screw of a joint as it is said, mm; null where there is none. */
export function screwLength(s: NamedSeat): number | null {
  const w = screwOf(s);
  return w ? (s.use.screw ?? valueOf(w.male.i.length) ?? null) : null;
}
