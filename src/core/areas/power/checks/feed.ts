import type { Check } from '../../../checks/check';
import { inWords, plainVerdict } from '../../../checks/judge';
import { deadOn, feedsOn, unfedOn } from '../model/fed';
import { outletsOn, packsOn } from '../model/outlets';

export const powerFeed: Check = {
  id: 'power.feed',
  title: 'What feeds what',
  short: 'something is not fed',
  says: 'Whether it is said for everything that takes power what feeds it, as soon as something on the rig could.',
  formula: 'each device: an outlet that is there, or a battery of its own',
  run(built) {
    const feeds = feedsOn(built);
    if (feeds.length === 0 && outletsOn(built).length === 0 && packsOn(built).length === 0)
      return [];
    const unfed = unfedOn(built);
    const names = (of: readonly { part: { name: string } }[]) =>
      inWords(of.map((d) => d.part.name));
    if (unfed.length === 0 && feeds.length === 0) return [];
    const dead = deadOn(built);
    const dark = [...unfed, ...dead];
    const why = [
      unfed.length > 0 ? `Nobody said what feeds ${names(unfed)}.` : '',
      dead.length > 0 ? `Nothing is behind the outlet that is to feed ${names(dead)}.` : '',
    ].filter(Boolean);
    return [
      plainVerdict({
        id: 'power.feed',
        about: (dark.length > 0 ? dark : feeds.map((f) => f.device)).map((d) => d.part.id),
        state: dark.length > 0 ? 'unknown' : 'ok',
        why:
          dark.length > 0
            ? why.join(' ')
            : `It is said what feeds ${names(feeds.map((f) => f.device))}.`,
        sum: 'No sum: each device is looked for among what is fed.',
        basis: '[math] every device is fed by something',
      }),
    ];
  },
};
