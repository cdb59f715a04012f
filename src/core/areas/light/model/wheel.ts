import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import { isReducer, type LinkUse, type Part, type WheelPlace } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';

/** A filter wheel of the body, or filters that drop into one slot by turns. */
export interface Wheel {
  owner: Part;
  /** The use it stands in; null for the wheel of the body. */
  use: LinkUse | null;
  places: readonly WheelPlace[];
  /** What is turned in: what was said, else the clear place. Null when neither is there. */
  turned: WheelPlace | null;
  /** Stops of what is turned in. */
  takes: Given;
}

/** Every wheel between lens and chip, from the lens on. */
export function wheelsOf(built: Built): Wheel[] {
  const list: Wheel[] = [];
  const add = (
    owner: Part,
    use: LinkUse | null,
    places: readonly WheelPlace[] | undefined,
    set: string | undefined,
  ) => {
    if (!places || places.length === 0) return;
    const turned =
      set === undefined
        ? (places.find((p) => valueOf(p.stops) === 0) ?? null)
        : (places.find((p) => p.id === set) ?? null);
    list.push({
      owner,
      use,
      places,
      turned,
      takes: turned
        ? given(owner, 'wheel', turned.id, 'stops')
        : constant(`what is turned in on the wheel of ${owner.name}`, 'stops', null),
    });
  };
  for (const { link, use } of [...built.links].reverse())
    if (!isReducer(link) && use.slot !== 'empty') add(link, use, link.wheel, use.wheel);
  if (built.body) add(built.body, null, built.body.wheel, built.rig.wheel);
  return list;
}

/** What the light is off by with another place of a wheel turned in, and where that is. */
export interface WheelAnswer {
  wheel: Wheel;
  place: WheelPlace;
  /** Stops that are then still missing: positive is too bright. */
  left: number;
}

/**
 * The place of each wheel that brings the light nearest, where it brings it nearer than it is.
 *
 * @param missing stops that are missing now: positive is too bright
 */
export function wheelAnswers(built: Built, missing: number): WheelAnswer[] {
  return wheelsOf(built)
    .flatMap((wheel): WheelAnswer[] => {
      const now = wheel.takes.known?.value;
      if (now === undefined) return [];
      const all = wheel.places.flatMap((place): WheelAnswer[] => {
        const stops = valueOf(place.stops);
        return stops === null ? [] : [{ wheel, place, left: missing - (stops - now) }];
      });
      const best = all.reduce<WheelAnswer | null>(
        (m, a) => (m === null || Math.abs(a.left) < Math.abs(m.left) - 1e-9 ? a : m),
        null,
      );
      return best && best.place !== wheel.turned && Math.abs(best.left) < Math.abs(missing) - 1e-9
        ? [best]
        : [];
    })
    .sort((a, b) => Math.abs(a.left) - Math.abs(b.left));
}
