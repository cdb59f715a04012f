import type { Check } from '../../../checks/check';
import { plainVerdict } from '../../../checks/judge';
import type { State, Verdict } from '../../../checks/finding';
import type { Built } from '../../../build/build';
import { deviceKey, feedsOn, runsOn, type Feed } from '../model/fed';
import { packsOn } from '../model/outlets';
import { carriedOn } from '../model/swap';

export const powerSwap: Check = {
  id: 'power.swap',
  title: 'What stays up while a pack is changed',
  short: 'dark at a change',
  says: 'Where two packs stand on one plate: whether what hangs on it goes on while one of them is changed, by the other pack or by a battery of its own.',
  formula: 'two packs behind the outlet, and it goes on with one of them off',
  run(built) {
    const packs = packsOn(built);
    return feedsOn(built).flatMap((f) => {
      // Also where the outlet itself is gone.
      const behind =
        f.out?.packs.length ??
        packs.filter(({ use }) => use.id === f.from.from || use.to === f.from.from).length;
      return behind > 1 ? [changed(built, f, behind)] : [];
    });
  },
};

/** What has to be up while it records. */
const records = ({ device }: Feed) => device.list === 'body' || device.part.kind === 'recorder';

function changed(built: Built, f: Feed, behind: number): Verdict {
  const { device, out } = f;
  const { name } = device.part;
  const carried = out ? carriedOn(f) : null;
  const socket = out?.name ?? 'an outlet that is not on the rig';
  const own = runsOn(f);
  const all = built.rules['power.swap-all'] !== 0;
  const state: State =
    own || carried === true
      ? 'ok'
      : carried === null
        ? 'unknown'
        : all || records(f)
          ? 'fail'
          : 'tight';
  const why = own
    ? `${name} stays up on a battery of its own while a pack is changed.`
    : carried === true
      ? `${name} stays up while one of two packs is changed: ${socket} goes on.`
      : carried === null
        ? `Whether ${name} stays up while a pack is changed is not known: nobody said of ${socket}.`
        : `${name} goes dark while a pack is changed: ${socket} does not go on with the other one${records(f) ? ', and what it writes is lost' : ''}.`;
  return plainVerdict({
    id: 'power.swap',
    key: `power.swap:${deviceKey(device)}`,
    about: [device.part.id, ...(out ? [out.part] : [])],
    state,
    why,
    sum: `${behind} packs behind ${socket}; while one is off: ${own ? 'a battery of its own' : carried === null ? 'not said' : carried ? 'goes on' : 'dark'}`,
    basis: '[trade] two packs on a plate are there to be changed in turn',
    ...(state === 'fail' || state === 'tight'
      ? { wanted: ['an outlet that goes on while a pack is changed, or a battery of its own'] }
      : {}),
  });
}
