import { at } from '../../../edit/rig-path';
import type { Body, Change, Rig } from '../../../kit/types';
import { counterpart } from '../model/alike';
import { interfacesOf } from '../kit/sides';

/**
 * What stood in a hole or shoe of one body goes into the like one of another. Where the other has
 * none the name is left: the part then stands against its face, assumed, and says so.
 */
export function followBody(rig: Rig, was: Body | null, body: Body): Change[] {
  if (!was) return [];
  return (rig.fitted ?? []).flatMap((use): Change[] => {
    if (use.to !== undefined || use.on === 'under' || use.on === 'box' || use.at === undefined)
      return [];
    const own = interfacesOf(was).find((i) => i.id === use.at);
    const next = own && counterpart(body, own);
    return next && next.id !== use.at
      ? [{ path: at(rig, 'fitted', use.id, 'at'), value: next.id }]
      : [];
  });
}
