import type { Built, Joint } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Body, Lens } from '../../../kit/types';
import { plainVerdict, inWords, lacking } from '../../../checks/judge';
import { mountName } from '../kit/standards';
import { chainsFor } from '../model/chains-for';
import { specification } from '../model/chains';
import { exact, mm } from '../../../quantity/say';
import { flangeError, errorFormula } from '../model/flange';
import { ruleBasis } from '../../../rules/names';

export const mountChain: Check = {
  id: 'mount.chain',
  tried: () => true,
  hides: true,
  title: 'Chain from body to lens',
  short: 'does not go on',
  says: 'Whether the pieces between body and lens mate at every joint, reach infinity, and how many joints that takes; if nothing can, why, and the part to look for.',
  formula:
    'flange(body) + sum of lengths against flange(lens); a difference under 1 mm leaves no room for an adapter',
  run(built) {
    const { body, lens } = built;
    if (!body || !lens) return [plainVerdict(incomplete(body, lens))];
    const about = [body.id, ...built.links.map((l) => l.link.id), lens.id];
    const nameless = [body, lens].filter((p) => !p.mount);
    if (nameless.length > 0) return [plainVerdict(withoutMount(about, nameless))];
    const bad = built.joints.find((j) => !j.mates);
    return [
      plainVerdict(bad ? broken(built, body, lens, bad, about) : whole(built, body, lens, about)),
    ];
  },
};

type Said = Parameters<typeof plainVerdict>[0];

const id = 'mount.chain';
const basis = '[math]';

function incomplete(body: Body | null, lens: Lens | null): Said {
  return {
    id,
    about: [body?.id, lens?.id].filter((x): x is string => !!x),
    state: 'unknown',
    why: !body
      ? 'There is no body on this rig yet: choose one.'
      : 'There is no lens on this rig yet: choose one.',
    sum: 'No sum: a part is missing.',
    basis,
  };
}

function withoutMount(about: string[], nameless: readonly (Body | Lens)[]): Said {
  return {
    id,
    about,
    state: 'unknown',
    why: `The mount of ${nameless.map((p) => p.name).join(' and ')} is not given.`,
    sum: 'No sum: a mount is missing.',
    measure: nameless.map((p) => ({
      path: ['kit', p.id, 'mount'],
      part: p.id,
      label: `mount of ${p.name}`,
      unit: '',
      share: 1,
      missing: true,
    })),
    basis,
  };
}

/** A joint whose two faces do not go together. */
function broken(built: Built, body: Body, lens: Lens, bad: Joint, about: string[]): Said {
  const at = (mount: string | undefined) => mountName(built.mounts, mount);
  const unsaid = bad.rear === undefined || bad.front === undefined;
  const station = built.mounts.get(body.mount!)?.flange?.value ?? null;
  const search = chainsFor(built, 1);
  const never = search?.kind === 'never';
  const wanted =
    search?.kind === 'missing' ? search.parts.map((p) => specification(p, built.mounts)) : [];
  const lensFlange = built.mounts.get(lens.mount!)?.flange;
  const bodyFlange = built.mounts.get(body.mount!)?.flange;
  const gap = lensFlange && bodyFlange ? lensFlange.value - bodyFlange.value : null;
  const why = unsaid
    ? `One face between ${bad.rearPart.name} and ${bad.frontPart.name} does not say which mount it is.`
    : never
      ? `${lens.name} can never reach infinity on ${body.name} without glass: it wants ${exact(lensFlange!.value, 2)} mm of flange distance and the body alone takes ${exact(bodyFlange!.value, 2)} mm${gap! < 0 ? `, ${exact(-gap!, 2)} mm too much` : `, which leaves ${exact(gap!, 2)} mm for an adapter`}.`
      : `${bad.frontPart.name} (${at(bad.front)}) does not go onto ${bad.rearPart.name} (${at(bad.rear)}).` +
        (search?.kind === 'missing'
          ? ` No adapter in the kit closes the ${exact(search.gap, 2)} mm between them.`
          : '');
  return {
    id,
    about,
    station,
    state: unsaid ? 'unknown' : 'fail',
    why,
    sum:
      gap === null
        ? 'No sum: a flange distance is not known.'
        : `room for adapters = flange(lens) - flange(body) = ${exact(lensFlange!.value, 2)} - ${exact(bodyFlange!.value, 2)} = ${exact(gap, 2)} mm`,
    wanted,
    basis,
  };
}

/** A chain that mates at every joint: how far off it is, and how many joints it takes. */
function whole(built: Built, body: Body, lens: Lens, about: string[]): Said {
  const pieces = built.links.length;
  const wanted = built.rules['mount.joints'];
  const error = flangeError(built);
  const limit = { value: wanted, unit: 'joints', rule: 'mount.joints' };
  const joints = pieces + 1;
  const list =
    pieces === 0
      ? `${lens.name} goes straight onto ${body.name}`
      : `${lens.name} goes onto ${body.name} through ${built.links.map((l) => l.link.name).join(', then ')}`;
  const far = tooFar(built, about, list);
  if (far) return far;
  const missing = errorFormula(built)?.inputs.filter((g) => g.known === null) ?? [];
  if (pieces > 0 && missing.length > 0)
    return {
      id,
      about,
      limit,
      state: 'unknown',
      why: `${list}: every face mates, but whether it reaches infinity is not known: ${inWords(missing.map((g) => g.label))} missing.`,
      sum: `${joints} joints; the flange error is not known`,
      measure: lacking(missing),
      basis: ruleBasis('mount.joints'),
    };
  return {
    id,
    about,
    state: pieces <= wanted ? 'ok' : 'tight',
    margin: {
      value: wanted - pieces,
      lo: wanted - pieces,
      hi: wanted - pieces,
      unit: 'joints',
    },
    limit,
    why:
      pieces <= wanted
        ? `${list}: ${joints} ${joints === 1 ? 'joint' : 'joints'}, every face mates.`
        : `${list}: every face mates, but ${pieces} pieces are more than the ${wanted} the house likes; each joint adds play and error.`,
    sum: error?.sum ?? `${joints} joints; the flange error is not known`,
    basis: ruleBasis('mount.joints'),
  };
}

/** A chain that mates and is of the wrong length: infinity is out of reach, or every mark is off. */
function tooFar(built: Built, about: string[], list: string): Said | null {
  const error = flangeError(built);
  const reach = built.rules['mount.reach'];
  if (!error || Math.abs(error.value) <= reach || error.lo * error.hi <= 0) return null;
  const [lo, hi] = [Math.abs(error.lo), Math.abs(error.hi)];
  if (Math.min(lo, hi) <= reach) return null;
  return {
    id,
    about,
    state: 'fail',
    margin: {
      value: reach - Math.abs(error.value),
      lo: reach - Math.max(lo, hi),
      hi: reach - Math.min(lo, hi),
      unit: 'mm',
    },
    limit: { value: reach, unit: 'mm', rule: 'mount.reach' },
    why:
      error.value > 0
        ? `${list}, but sits ${mm(error.value)} too far out: infinity is far out of reach. A piece of the wrong length.`
        : `${list}, but sits ${mm(-error.value)} too close: every mark reads wrong. A piece of the wrong length.`,
    sum: error.sum,
    basis: ruleBasis('mount.reach'),
  };
}
