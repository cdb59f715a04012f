import type { Built } from '../../../build/build';
import { counted } from '../../../build/given';
import { USUAL_ANGLE, USUAL_FPS, USUAL_ISO } from './light';
import type { Body, Profile } from '../../../kit/types';
import { safeAngle, safeAngles, shutterTime, steady } from '../../../optics/exposure';
import { exact, plain, say } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, plainVerdict } from '../../../checks/judge';

/** The lines of the profile that is recorded with: several where it has several bases. */
export function profileOf(built: Built): readonly Profile[] | null {
  const all = built.body?.profiles ?? [];
  const said = built.rig.light?.profile;
  const names = new Set(all.map((p) => p.name));
  const one =
    said === undefined ? (names.size === 1 ? all[0] : undefined) : all.find((p) => p.id === said);
  return one ? all.filter((p) => p.name === one.name) : null;
}

/** Whether the body can be set to the sensitivity, and how far it is from a base of its profile. */
export function sensitivity(built: Built): Verdict[] {
  const { body, rig } = built;
  if (!body || !rig.light) return [];
  const iso = rig.light.iso ?? USUAL_ISO;
  return [...(rig.light.iso === undefined ? [] : [able(body, iso)]), ...base(built, body, iso)];
}

function able(body: Body, iso: number): Verdict {
  const inputs = [counted(body, ['isoFrom'], 'ISO'), counted(body, ['isoTo'], 'ISO')];
  return judge({
    id: 'front.exposure',
    key: 'front.exposure:iso',
    about: [body.id],
    inputs,
    inside: { below: ([from]) => Math.log2(iso / from!), above: ([, to]) => Math.log2(to! / iso) },
    unit: 'stops',
    limit: null,
    why: (o) => {
      const goes = `it goes from ISO ${plain(inputs[0]!.known!.value)} to ${plain(inputs[1]!.known!.value)}`;
      return o.state === 'ok'
        ? `${body.name} can be set to ISO ${plain(iso)}: ${goes}.`
        : `${body.name} cannot be set to ISO ${plain(iso)}: ${goes}.`;
    },
    sum: (o) => `${say(o.value, 'stops')} inside the range`,
    lacking: (missing) =>
      `Whether ${body.name} can be set to ISO ${plain(iso)} is not known: ${missing} missing.`,
    basis: '[math]',
  });
}

function base(built: Built, body: Body, iso: number): Verdict[] {
  if (!body.profiles?.length) return [];
  const lines = profileOf(built);
  const shared = { id: 'front.exposure', key: 'front.exposure:base', about: [body.id] };
  if (!lines)
    return [
      plainVerdict({
        ...shared,
        state: 'unknown',
        why: `How far ISO ${plain(iso)} is from a base of ${body.name} is not known: nobody said which profile it records with.`,
        sum: 'No sum.',
        basis: ruleBasis('front.base-off'),
      }),
    ];
  const off = built.rules['front.base-off'];
  const inputs = lines.map((l) => counted(body, ['profiles', l.id, 'base'], 'ISO'));
  const nearest = (x: readonly number[]) => Math.min(...x.map((b) => Math.abs(Math.log2(iso / b))));
  return [
    judge({
      ...shared,
      inputs,
      margin: (x) => off - nearest(x),
      // Off its base it is noisier or has less in the highlights: it is said, it stops nobody.
      after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
      unit: 'stops',
      limit: { value: off, unit: 'stops', rule: 'front.base-off' },
      why: (o) => {
        const bases = inWords(inputs.map((g) => plain(g.known!.value)));
        const away = say(off - o.value, 'stops');
        return off - o.value < 0.005
          ? `ISO ${plain(iso)} is a base of ${lines[0]!.name} on ${body.name}.`
          : `ISO ${plain(iso)} is ${away} from the nearest base of ${lines[0]!.name} on ${body.name} (${bases})${o.state === 'ok' ? '' : ': more noise above it, less in the highlights below'}.`;
      },
      sum: (o) => `least of |log2(${plain(iso)} / base)| = ${exact(off - o.value, 2)} stops`,
      lacking: (missing) =>
        `How far ISO ${plain(iso)} is from a base of ${body.name} is not known: ${missing} missing.`,
      basis: ruleBasis('front.base-off'),
    }),
  ];
}

/**
 * Whether lamps on the mains flicker in the picture. Source: light of lamps on alternating current
 * swings at twice its frequency; exposures of whole swings all gather the same.
 */
export function flicker(built: Built): Verdict[] {
  const { body, rig } = built;
  const { light } = rig;
  if (!body || light?.mains === undefined) return [];
  const fps = light.fps ?? USUAL_FPS;
  const angle = light.angle ?? USUAL_ANGLE;
  const safe = safeAngle(angle, fps, light.mains);
  const on = `${plain(fps)} fps under ${light.mains} Hz`;
  const all = safeAngles(fps, light.mains);
  const shutter = inWords(all.slice(-3).map((a) => `${exact(a, 1)}\u00b0`));
  const off = safe === null ? null : Math.abs(angle - safe);
  const ok = off !== null && off <= angle * SAFE + 1e-9;
  const even = steady(fps, light.mains);
  return [
    plainVerdict({
      id: 'front.exposure',
      key: 'front.exposure:flicker',
      about: [body.id],
      state: ok ? 'ok' : 'tight',
      margin:
        off === null
          ? null
          : {
              value: angle * SAFE - off,
              lo: angle * SAFE - off,
              hi: angle * SAFE - off,
              unit: 'deg',
            },
      why: ok
        ? `A shutter of ${plain(angle, 1)}\u00b0 at ${on} gathers whole swings of the lamps: no flicker.`
        : safe === null
          ? `No shutter is free of flicker at ${on}: each exposure is shorter than a swing of the lamps${even ? '. Every frame meets them alike: bands stand still in the picture' : ''}. Lamps that do not swing, or ${plain(2 * light.mains)} fps at most.`
          : `A shutter of ${plain(angle, 1)}\u00b0 at ${on} can flicker: ${shutter} ${all.length === 1 ? 'does' : 'do'} not.${even ? ' Every frame meets the lamps alike, so it does not pulse; bands can stand still in the picture.' : ''}`,
      sum: `${exact(shutterTime(angle, fps) * 1000, 2)} ms x ${2 * light.mains} swings a second = ${exact(shutterTime(angle, fps) * 2 * light.mains, 3)} swings`,
      basis: '[math] exposures of whole half periods',
    }),
  ];
}

/** An exposure is of whole swings within this share of itself. Common practice, no source. */
const SAFE = 0.01;
