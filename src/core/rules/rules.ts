import type { RuleChoice } from '../kit/types';

/**
 * House rules: limits for which no standard exists. Each has a default, the reason for it, and
 * the other school in one line. Two ready sets ship: strict (rental-house prep) and light
 * (the smallest rig that works).
 */
export interface Rule {
  id: string;
  name: string;
  unit: string;
  /** A switch is 0 or 1. */
  kind: 'number' | 'switch';
  house: number;
  strict: number;
  light: number;
  min: number;
  max: number;
  reason: string;
  otherSchool: string;
}

export const RULES = [
  {
    id: 'coverage.margin',
    name: 'margin wanted at the corners',
    unit: 'mm',
    kind: 'number',
    house: 0,
    strict: 0.5,
    light: 0,
    min: 0,
    max: 10,
    reason:
      'Makers quote the image circle for different shading limits; a little air keeps the corner clean.',
    otherSchool: 'Some use the circle to its edge and grade the corner.',
  },
  {
    id: 'coverage.clean-gate',
    name: 'whole chip must be clean',
    unit: '',
    kind: 'switch',
    house: 0,
    strict: 1,
    light: 0,
    min: 0,
    max: 1,
    reason: 'Stabilising and effects work use the picture outside the frame.',
    otherSchool: 'What is outside the delivery frame is thrown away, so it may be dark.',
  },
  {
    id: 'coverage.upscale',
    name: 'largest scale-up to the deliverable',
    unit: 'x',
    kind: 'number',
    house: 1.2,
    strict: 1,
    light: 1.35,
    min: 1,
    max: 4,
    reason: 'Up to about a fifth is not seen on most pictures.',
    otherSchool: 'Some deliver only from real pixels, some scale by a third without a word.',
  },
  {
    id: 'mount.joints',
    name: 'pieces between body and lens',
    unit: '',
    kind: 'number',
    house: 2,
    strict: 1,
    light: 3,
    min: 0,
    max: 6,
    reason: 'Every joint adds play and flange error.',
    otherSchool: 'With a tied foot a longer chain is as stiff as a short one.',
  },
  {
    id: 'mount.reach',
    name: 'flange error that is still a tolerance',
    unit: 'mm',
    kind: 'number',
    house: 0.3,
    strict: 0.1,
    light: 0.3,
    min: 0.01,
    max: 2,
    reason: 'Beyond this it is the wrong part, not a badly shimmed one.',
    otherSchool: 'Stills lenses that turn past infinity hide a larger error.',
  },
  {
    id: 'mount.marks',
    name: 'focus marks must read right',
    unit: '',
    kind: 'switch',
    house: 1,
    strict: 1,
    light: 0,
    min: 0,
    max: 1,
    reason:
      'A focus puller works from the marks; a lens that sits too close reads wrong on all of them.',
    otherSchool: 'Pulling from the monitor, only infinity has to be reached.',
  },
  {
    id: 'mount.rear-clearance',
    name: 'air behind a rear group',
    unit: 'mm',
    kind: 'number',
    house: 0.5,
    strict: 1,
    light: 0.3,
    min: 0,
    max: 5,
    reason: 'Shutters, filter glass and mirror boxes move and bend; a strike breaks them.',
    otherSchool: 'On a body without moving parts behind the mount less is enough.',
  },
  {
    id: 'mount.play-wanted',
    name: 'play that nobody sees',
    unit: 'mm',
    kind: 'number',
    house: 0.03,
    strict: 0.02,
    light: 0.05,
    min: 0,
    max: 1,
    reason: 'Below this the picture does not move when focus is racked.',
    otherSchool: 'On wide lenses more goes unseen.',
  },
  {
    id: 'mount.play-limit',
    name: 'play that makes the picture jump',
    unit: 'mm',
    kind: 'number',
    house: 0.12,
    strict: 0.08,
    light: 0.2,
    min: 0,
    max: 2,
    reason: 'A lens that rocks this much jumps in the picture on every fast pull.',
    otherSchool: 'Tied to the cage or the rods, the joint carries nothing and may be loose.',
  },
  {
    id: 'focus.pixel-pair',
    name: 'circle of confusion from the pixels',
    unit: '',
    kind: 'switch',
    house: 0,
    strict: 1,
    light: 0,
    min: 0,
    max: 1,
    reason: 'For critical work two pixels are the smallest thing that can be seen.',
    otherSchool:
      'The format figures (0.030 full frame, 0.025 Super 35, 0.015 four-thirds) are what depth tables use.',
  },
  {
    id: 'front.vignette-fail',
    name: 'darkest corner from what stands in front',
    unit: 'stops',
    kind: 'number',
    house: 1,
    strict: 0.5,
    light: 1.5,
    min: 0.05,
    max: 6,
    reason:
      'Beyond a stop a corner is seen on any even wall, and a hard cut cannot be graded away.',
    otherSchool: 'Some like dark corners on night interiors and let them stand.',
  },
  {
    id: 'front.vignette-tight',
    name: 'corner loss that goes unseen',
    unit: 'stops',
    kind: 'number',
    house: 1 / 3,
    strict: 0.1,
    light: 0.5,
    min: 0,
    max: 3,
    reason: 'Up to a third of a stop nobody sees on a moving picture.',
    otherSchool: 'For plates and effects nothing at all may stand in the corner.',
  },
  {
    id: 'front.deep-stop',
    name: 'deep stop that is looked at too',
    unit: 'T',
    kind: 'number',
    house: 11,
    strict: 16,
    light: 8,
    min: 2,
    max: 64,
    reason: 'Stopping down sharpens a hard cut that was a soft shadow wide open.',
    otherSchool: 'Who never goes deeper than T4 needs to look only there.',
  },
  {
    id: 'front.height-off',
    name: 'height error of a matte box that nobody sees',
    unit: 'mm',
    kind: 'number',
    house: 0.5,
    strict: 0.3,
    light: 1,
    min: 0,
    max: 10,
    reason: 'Shims come in half millimetres, and a sleeve closes over that much.',
    otherSchool: 'With a small lens in a large box a millimetre is nothing.',
  },
  {
    id: 'front.height-limit',
    name: 'largest height error of a matte box',
    unit: 'mm',
    kind: 'number',
    house: 2,
    strict: 1,
    light: 4,
    min: 0.1,
    max: 30,
    reason: 'From there one edge of the box shades a corner, and the seal against the lens leaks.',
    otherSchool: 'If the corners stay clean it may stand where it will.',
  },
  {
    id: 'front.travel-air',
    name: 'air ahead of a lens front that moves',
    unit: 'mm',
    kind: 'number',
    house: 2,
    strict: 3,
    light: 1,
    min: 0,
    max: 20,
    reason: 'A front that runs into the box stalls the focus and loads the mount.',
    otherSchool: 'A soft sleeve gives way; some let the front push into it.',
  },
  {
    id: 'front.fit-slack',
    name: 'slack of a clip-on box on what it grips',
    unit: 'mm',
    kind: 'number',
    house: 0.5,
    strict: 0.4,
    light: 1,
    min: 0.05,
    max: 3,
    reason: 'Clamps close about half a millimetre; looser and the box turns or drops.',
    otherSchool: 'A turn of tape takes up a millimetre.',
  },
  {
    id: 'front.clip-load',
    name: 'what a lens front carries when nobody says',
    unit: 'g',
    kind: 'number',
    house: 500,
    strict: 350,
    light: 800,
    min: 0,
    max: 5000,
    reason: 'A clip-on box hangs on the focus helicoid.',
    otherSchool: 'Cine lenses with a solid front carry a kilogram.',
  },
  {
    id: 'front.glass-pieces',
    name: 'pieces of glass in front',
    unit: '',
    kind: 'number',
    house: 3,
    strict: 2,
    light: 4,
    min: 0,
    max: 10,
    reason: 'Every piece adds flare and takes sharpness.',
    otherSchool: 'Coated glass of one maker stacks to four without a word.',
  },
  {
    id: 'front.polariser-stops',
    name: 'light a polariser costs when nobody says',
    unit: 'stops',
    kind: 'number',
    house: 1.5,
    strict: 1.5,
    light: 1.5,
    min: 0.5,
    max: 3,
    reason: 'One to two stops, by make; two when turned against the sky.',
    otherSchool: 'Metering through it settles it.',
  },
  {
    id: 'front.exposure-off',
    name: 'exposure off what was wanted',
    unit: 'stops',
    kind: 'number',
    house: 1 / 3,
    strict: 0.2,
    light: 0.5,
    min: 0.05,
    max: 2,
    reason: 'Filters come in stops and halves; a third is trimmed at the iris.',
    otherSchool: 'Some hold the stop and trim with the shutter or the sensitivity.',
  },
] as const satisfies readonly Rule[];

export type RuleId = (typeof RULES)[number]['id'];
export type RuleValues = Record<RuleId, number>;

export const RULE_SETS = ['house', 'strict', 'light'] as const;

/** The value of every rule for a job: its set, then what it changed by hand. */
export function ruleValues(choice: RuleChoice | undefined): RuleValues {
  const set = choice?.set ?? 'house';
  const values = {} as RuleValues;
  for (const rule of RULES) {
    const own =
      choice?.values && Object.hasOwn(choice.values, rule.id) ? choice.values[rule.id] : undefined;
    values[rule.id] =
      typeof own === 'number' && Number.isFinite(own)
        ? Math.min(rule.max, Math.max(rule.min, own))
        : rule[set];
  }
  return values;
}

/** How a finding names the rule that decided it. */
export function ruleBasis(id: RuleId): string {
  return `[trade] house rule "${RULES.find((r) => r.id === id)!.name}"`;
}
