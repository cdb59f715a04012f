import type { Built } from '../../../build/build';
import { chipStop, chipStopValue } from '../../../build/chip-stop';
import { frontOf } from '../../front/place/front';
import { constant, given, type Given } from '../../../build/given';
import {
  isFilter,
  isReducer,
  onHand,
  type Filter,
  type FilterType,
  type MatteBox,
  type Part,
} from '../../../kit/types';
import { valueOf, type Known } from '../../../quantity/quantity';
import {
  chooseNd,
  sceneStop,
  shutterTime,
  stopsBetween,
  type NdAnswer,
  type NdChoice,
} from '../../../optics/exposure';
import { sameThread } from '../../front/model/threads';
import { tray, trayFit } from '../../front/kit/trays';
import { wheelsOf } from './wheel';

/** A piece of glass on the way of the light, and what it takes. */
export interface Glass {
  part: Part;
  /** `in stage 2`, `on the thread`, `behind the lens`. */
  where: string;
  place:
    | { kind: 'thread'; index: number }
    | { kind: 'tray'; stage: string }
    | { kind: 'slot' }
    | { kind: 'wheel' };
  type: FilterType | undefined;
  /** Least and most it takes; equal unless it is variable. */
  least: Given;
  most: Given;
  assumed: string | null;
}

const POLARISING: readonly FilterType[] = ['polariser', 'variable-nd'];
const TURNED: readonly FilterType[] = ['polariser', 'variable-nd', 'streak'];
const COSTS_LIGHT: readonly (FilterType | undefined)[] = [
  'nd',
  'polariser',
  'variable-nd',
  undefined,
];

export function polarises(type: FilterType | undefined): boolean {
  return type !== undefined && POLARISING.includes(type);
}

/** Whether a filter is of use only when it can be turned. */
export function mustTurn(f: Filter): boolean {
  return f.mustRotate ?? (f.type !== undefined && TURNED.includes(f.type));
}

function lossOf(
  built: Built,
  part: Part,
  type: FilterType | undefined,
  key: string,
  keyTo: string,
): Pick<Glass, 'least' | 'most' | 'assumed'> {
  const least = given(part, key);
  if (type === 'variable-nd') return { least, most: given(part, keyTo), assumed: null };
  if (least.known) return { least, most: least, assumed: null };
  if (type === 'polariser') {
    // One to two stops, by make and by how it is turned.
    const value = built.rules['front.polariser-stops'];
    const known: Known = {
      value,
      tol: 0.5,
      from: 'guess',
      lo: Math.max(0, value - 0.5),
      hi: value + 0.5,
    };
    const g = { ...least, known };
    return {
      least: g,
      most: g,
      assumed: `What ${part.name} costs is taken as ${value} stops.`,
    };
  }
  if (!COSTS_LIGHT.includes(type)) {
    // Clear glass, diffusion and close-up lenses take next to nothing.
    const g = {
      ...constant(least.label, 'stops', { value: 0, tol: 0.1, from: 'sheet', lo: 0, hi: 0.1 }),
      part: part.id,
    };
    return { least: g, most: g, assumed: null };
  }
  return { least, most: least, assumed: null };
}

/** Every piece of glass from the subject to behind the lens. */
export function glassOf(built: Built): Glass[] {
  const front = frontOf(built);
  const list: Glass[] = [];
  for (const t of front.thread)
    if (isFilter(t.part))
      list.push({
        part: t.part,
        where: 'on the thread',
        place: { kind: 'thread', index: t.index },
        type: t.part.type,
        ...lossOf(built, t.part, t.part.type, 'stops', 'stopsTo'),
      });
  for (const s of front.box?.stages ?? [])
    if (s.filter && !s.out)
      list.push({
        part: s.filter,
        where: `in ${s.stage.name}`,
        place: { kind: 'tray', stage: s.stage.id },
        type: s.filter.type,
        ...lossOf(built, s.filter, s.filter.type, 'stops', 'stopsTo'),
      });
  for (const { link, use } of built.links)
    if (
      !isReducer(link) &&
      link.slotType !== undefined &&
      !link.wheel?.length &&
      (use.slot ?? 'glass') === 'glass'
    )
      list.push({
        part: link,
        where: 'behind the lens',
        place: { kind: 'slot' },
        type: link.slotType,
        ...lossOf(built, link, link.slotType, 'slotStops', 'slotStopsTo'),
      });
  for (const { owner, turned, takes } of wheelsOf(built))
    list.push({
      part: owner,
      where: turned ? `${turned.name} turned in` : 'on its wheel',
      place: { kind: 'wheel' },
      type: 'nd',
      least: takes,
      most: takes,
      assumed: null,
    });
  return list;
}

/** What the light asks for against what the camera is set to. */
export interface Exposure {
  /** Stop the scene asks for without filters; null when the light is not given. */
  scene: number;
  /** T-stop at the chip: that of the lens through its reducers, not faster than they can be. */
  chip: Given[];
  chipValue: (x: readonly number[]) => number;
}

/** Frames a second that nobody has to set: the film rate. */
export const USUAL_FPS = 24;
export const USUAL_ANGLE = 180;
export const USUAL_ISO = 800;

export function exposureOf(built: Built): Exposure | null {
  const { light } = built.rig;
  if (light?.ev === undefined) return null;
  const time = shutterTime(light.angle ?? USUAL_ANGLE, light.fps ?? USUAL_FPS);
  return {
    scene: sceneStop(light.ev, light.iso ?? USUAL_ISO, time),
    chip: [built.stop, ...chipStop(built).slice(1)],
    chipValue: (x) => chipStopValue(built, x),
  };
}

/** The slot of a filter that screws on. */
export const THREAD = 'thread';

export function stageFit(box: MatteBox, stage: string, f: Filter) {
  const s = box.stages?.find((x) => x.id === stage);
  if (f.shape === 'screw') return 'no' as const;
  if (f.shape === undefined) return 'unknown' as const;
  const d = valueOf(f.diameter);
  const { shape } = f;
  const fit = (id: string | undefined) =>
    trayFit(tray(id), {
      shape,
      w: shape === 'round' ? d : valueOf(f.width),
      h: shape === 'round' ? d : valueOf(f.height),
    });
  // A tray of two sizes takes what either takes.
  const each = s?.tray2 === undefined ? [fit(s?.tray)] : [fit(s.tray), fit(s.tray2)];
  return BEST_FIT.find((x) => each.includes(x))!;
}

const BEST_FIT = ['fits', 'insert', 'unknown', 'no'] as const;

/** What plain NDs can be chosen from, for a number of stops. */
export interface NdChoices {
  /** Stops to take. */
  need: number;
  slots: string[];
  filters: NdChoice[];
  /** Stages whose ND is given up for it. */
  given: string[];
}

/**
 * The plain NDs of the kit and the places that are free for them: empty trays, and the thread when
 * nothing is in front of it.
 *
 * @param missing stops that are still to take with what is in
 * @param anew the plain NDs that stand in trays are given up and chosen from again
 */
export function ndChoices(built: Built, missing: number, anew: boolean): NdChoices {
  const { box, thread } = frontOf(built);
  const isNd = (f: Filter | null): f is Filter => f?.type === 'nd' && valueOf(f.stops) !== null;
  const standing = (box?.stages ?? []).filter((s) => !s.out);
  const given = anew ? standing.filter((s) => isNd(s.filter)) : [];
  const free = [...standing.filter((s) => !s.use?.filter), ...given];
  const last = thread[thread.length - 1]?.part;
  const open = box ? null : valueOf(last ? last.female : built.lens?.filterThread);
  const used = new Map<string, number>();
  const count = (id: string) => used.set(id, (used.get(id) ?? 0) + 1);
  for (const s of standing) if (s.filter && !given.includes(s)) count(s.filter.id);
  for (const t of thread) count(t.part.id);
  return {
    need: missing + given.reduce((sum, s) => sum + valueOf(s.filter!.stops)!, 0),
    slots: [...free.map((s) => s.stage.id), ...(open !== null ? [THREAD] : [])],
    given: given.map((s) => s.stage.id),
    filters: [...built.kit.values()]
      .filter(isFilter)
      .filter(isNd)
      .map((f) => ({
        id: f.id,
        stops: valueOf(f.stops)!,
        count: Math.max(1, onHand(f)) - (used.get(f.id) ?? 0),
        slots:
          f.shape === 'screw'
            ? sameThread(open, valueOf(f.male))
              ? [THREAD]
              : []
            : free
                .filter((s) => stageFit(box!.box, s.stage.id, f) === 'fits')
                .map((s) => s.stage.id),
        hire: onHand(f) < 1,
      })),
  };
}

/** The plain NDs that take the missing stops in the places that are free; null without a place. */
export function ndFor(built: Built, missing: number): NdAnswer | null {
  const choice = ndChoices(built, missing, false);
  if (choice.slots.length === 0) return null;
  return chooseNd(choice.need, choice.slots, choice.filters, built.rules['front.exposure-off']);
}

/** What the stack of filters does to the light, as figures. */
export interface LightFigures {
  glass: { id: string; name: string; where: string; least: number | null; most: number | null }[];
  /** Stops of the whole stack at its clearest and at its darkest; null when a filter does not say. */
  total: { least: number; most: number } | null;
  /** T-stop at the chip. */
  chip: number | null;
  /** T-stop to light for: that of the chip with the stack in front. */
  lightFor: number | null;
  /** Exposure time, s. */
  time: number;
  /** T-stop that the scene asks for without filters; null without a light. */
  scene: number | null;
  /** Stops to take in all, and those still to take; see {@link missingStops}. */
  needed: number | null;
  missing: number | null;
  /** What the one variable filter has to be turned to, when that does it, stops. */
  turnTo: { name: string; stops: number } | null;
}

export function lightFigures(built: Built): LightFigures {
  const glass = glassOf(built);
  const known = glass.every((g) => g.least.known && g.most.known);
  const sum = (key: 'least' | 'most') => glass.reduce((t, g) => t + (g[key].known?.value ?? 0), 0);
  const inputs = [built.stop, ...chipStop(built).slice(1)];
  const chip = inputs.every((g) => g.known)
    ? chipStopValue(
        built,
        inputs.map((g) => g.known!.value),
      )
    : null;
  const e = exposureOf(built);
  const { light } = built.rig;
  return {
    glass: glass.map((g) => ({
      id: g.part.id,
      name: g.part.name,
      where: g.where,
      least: g.least.known?.value ?? null,
      most: g.most.known?.value ?? null,
    })),
    total: known ? { least: sum('least'), most: sum('most') } : null,
    chip,
    lightFor: chip !== null && known ? chip * 2 ** (sum('least') / 2) : null,
    time: shutterTime(light?.angle ?? USUAL_ANGLE, light?.fps ?? USUAL_FPS),
    scene: e?.scene ?? null,
    needed: e && chip !== null ? stopsBetween(e.scene, chip) : null,
    missing: missingStops(built),
    turnTo: turnTo(built),
  };
}

/** The setting of the only variable filter that brings the light right; null when none does. */
function turnTo(built: Built): { name: string; stops: number } | null {
  const e = exposureOf(built);
  const glass = glassOf(built);
  const variable = glass.filter((g) => g.least !== g.most);
  const only = variable[0];
  if (!e || variable.length !== 1 || !only || missingStops(built) !== 0) return null;
  const need = stopsBetween(e.scene, e.chipValue(e.chip.map((g) => g.known!.value)));
  const others = glass.reduce((t, g) => t + (g === only ? 0 : g.least.known!.value), 0);
  return { name: only.part.name, stops: need - others };
}

/**
 * Stops still missing, nominal: positive when it is too bright with variable filters at their dark
 * end, negative when it is too dark with them at their clear end, 0 when they can be turned to fit.
 * Null when unknown.
 */
export function missingStops(built: Built): number | null {
  const e = exposureOf(built);
  if (!e) return null;
  const chip = e.chip.map((g) => g.known);
  const glass = glassOf(built);
  if (chip.some((k) => k === null) || glass.some((g) => !g.least.known || !g.most.known))
    return null;
  const need = stopsBetween(e.scene, e.chipValue(chip.map((k) => k!.value)));
  const least = glass.reduce((t, g) => t + g.least.known!.value, 0);
  const most = glass.reduce((t, g) => t + g.most.known!.value, 0);
  return need > most ? need - most : need < least ? need - least : 0;
}
