import type { Field } from '../engine/field';
import { FIELDS, isKind } from '../kit/fields';

/**
 * One line on how a number of a part is read or measured, by what it is called. They come with the
 * sheet of a part, not with the first view. Common practice, no source.
 */
export const HINTS: Readonly<Record<string, string>> = {
  'flange allows for its glass':
    'the distance given above was found through the glass over the chip',
  depth: 'mount face to back',
  'filter wheel': 'behind the mount; every place holds glass of one thickness',
  'light it takes': '0 is clear',
  vents: 'faces that let heat out and have to stay free',
  fan: 'air is blown through it',
  screw: 'under its head; how far it stands out when it is captive',
  'screw goes through': 'from its head to the face',
  'middle of its bore, in from the face': 'of a clamp that holds a rod',
  'rated for': 'as stated by its maker; it counts, not Nelvix',
  weak: 'plastic, cracked, or bends: nothing hangs there without a word',
  'pieces on hand': '0 means it would have to be hired',
  'focal length': 'short end of a zoom',
  squeeze: 'anamorphics only',
  'entrance pupil': 'how far behind the front rim the iris appears, seen from the front',
  module: '0.8 in this trade; 0.794 is 32 diametral pitch',
  throw: 'from end to end',
  'turns the other way': 'against cine practice',
  'axis to foot': 'optical axis down to the bottom of the foot',
  'filters for its slot': 'a wheel, or filters that drop in by turns, of one thickness',
  'back focus error': 'as shimmed now; plus means too far out',
  'clamp diameter': 'outside diameter that a clip-on box closes on',
  'light it costs': 'density 0.3 is one stop; the clear end of a variable one',
  'bracket along the rods': 'from its back',
  'post, lowest': 'rod plane to where the barrel rests',
  'closes around the barrel': 'holds the lens with the camera on its side, too',
  wall: 'beside and over the body',
  bottom: 'what it adds under the body',
  'front behind the mount': 'its front behind the mount face; flush when empty',
  'its thread is going': 'it is counted, and named: not for a critical joint',
};

/** Where one name means another thing on one kind of part: `lens length`. */
export const ON_ONE_KIND: Readonly<Record<string, string>> = {
  'body flange distance': 'of this very body; the mount stands in when empty',
  'lens flange distance': 'of this very lens; the mount stands in when empty',
  'head height': 'from what it stands on to the top of its plate',
  'body centre of gravity': 'behind the mount face',
  'lens centre of gravity': 'ahead of the flange',
  'ring takes': 'the female thread it offers',
  'filter takes': 'thread ahead of it, if it has one',
  'lens length': 'flange to front rim, focused at infinity',
  'adapter length': 'mount face to mount face, by depth gauge',
  'reducer length': 'mount face to mount face, by depth gauge',
  'plate length': 'along the rods',
  'cage length': 'along the axis, from its front back',
  'screw length': 'under its head',
  'lens light falloff': 'measured loss by image height; stands in place of cos⁴',
  'reducer light falloff': 'what its own glass loses at full stop, by height on the chip',
  'lens rear protrusion': 'how far it reaches behind its flange',
  'reducer rear protrusion': 'mount face to the last glass or its cell, by depth gauge',
  'lens rear diameter': 'of what reaches behind its flange',
  'key turns': 'a folding set has several sizes',
  'lens teeth of its gear': 'empty when none is cut in',
  'lens foot at': 'middle of the foot ahead of the flange',
  'adapter foot at': 'middle of the foot ahead of the body-side face',
  'reducer foot at': 'middle of the foot ahead of the body-side face',
  'filter outer diameter': 'over its rim',
  'ring screws into': 'its male thread',
  'ring thickness': 'without its male thread',
  'plate thickness': 'top to bottom',
  'legs lowest': 'floor to where the head stands, legs in',
  'monopod lowest': 'floor to its plate, legs in',
  'legs highest': 'floor to where the head stands, drawn out',
  'monopod highest': 'floor to its plate, drawn out',
};

/** Of what has both it is said how it is measured as it stands on the rig. */
const FITTED: Readonly<Record<string, string>> = {
  width: 'across the axis',
  length: 'along the axis',
};

/** How a field of a kind of part is read or measured; null where nothing is to be said of it. */
export function hintOf(kind: string, { label }: Pick<Field, 'label'>): string | null {
  const own = `${kind} ${label}`;
  if (Object.hasOwn(ON_ONE_KIND, own)) return ON_ONE_KIND[own]!;
  if (Object.hasOwn(HINTS, label)) return HINTS[label]!;
  if (!Object.hasOwn(FITTED, label) || !isKind(kind)) return null;
  const has = (key: string, as: string) =>
    FIELDS[kind].some((f) => f.key === key && f.label === as);
  return has('width', 'width') && has('depth', 'length') ? FITTED[label]! : null;
}
