import { CARRIED } from '../../../engine/field';
import type { SignalPort } from '../../../engine/part';

/**
 * What a part of a kind usually has to send by and to take in by: a set to begin with, to be trimmed and
 * corrected. Where they are, and often which size of plug, nobody can say for all: it is asked for.
 * Common practice, no source.
 */
export type UsualPort = Omit<SignalPort, 'id'>;

const picture = (name: string, way?: SignalPort['way'], plug?: string): UsualPort => ({
  name,
  carries: 'video',
  ...(way === undefined ? {} : { way }),
  ...(plug === undefined ? {} : { plug }),
});
const SOUND_IN: UsualPort = { name: 'microphone in', carries: 'sound', way: 'in', plug: 'jack-35' };
const CONTROL: UsualPort = { name: 'control', carries: 'control', way: 'both' };

const USUAL: Readonly<Record<string, readonly UsualPort[]>> = {
  body: [
    picture('HDMI out', 'out'),
    SOUND_IN,
    { name: 'headphones out', carries: 'sound', way: 'out', plug: 'jack-35' },
    { name: 'USB-C', carries: 'data', way: 'both', plug: 'usb-c' },
  ],
  monitor: [
    picture('HDMI in', 'in', 'hdmi'),
    picture('HDMI loop', 'loop', 'hdmi'),
    picture('SDI in', 'in', 'bnc'),
    picture('SDI loop', 'loop', 'bnc'),
  ],
  recorder: [
    picture('HDMI in', 'in', 'hdmi'),
    picture('HDMI loop', 'loop', 'hdmi'),
    picture('SDI in', 'in', 'bnc'),
    SOUND_IN,
  ],
  finder: [picture('picture in', 'in')],
  // One that transmits takes in, one that receives sends: the kind does not say which it is.
  radio: [picture('HDMI', undefined, 'hdmi'), picture('SDI', undefined, 'bnc')],
  microphone: [{ name: 'out', carries: 'sound', way: 'out' }],
  'hand-unit': [CONTROL],
  motor: [CONTROL, { ...CONTROL, name: 'control, on' }],
};

/** What a part of a kind usually has; empty for a kind of which nothing is usual. */
export function usualPorts(kind: string): readonly UsualPort[] {
  return Object.hasOwn(USUAL, kind) ? USUAL[kind]! : [];
}

const WAYS: Readonly<Record<string, string>> = {
  out: 'sends',
  in: 'takes in',
  loop: 'sends on',
  both: 'both ways',
};
const WORDS: Readonly<Record<string, string>> = Object.fromEntries(CARRIED);

/** `picture, sends`: a port in a few words. */
export const saidOfPort = ({ carries, way }: Pick<SignalPort, 'carries' | 'way'>): string =>
  [carries && WORDS[carries], way && WAYS[way]].filter(Boolean).join(', ');
