import { withoutLinks } from '../../../edit/write-signals';
import type { RoleMoves } from '../../../edit/role';
import { type Deed } from '../../../edit/role';
import { at } from '../../../edit/rig-path';
import { isBody, isLens, type Change, type Rig } from '../../../kit/types';
import { shutScreen } from '../../space/moves/fitted';
import { putBody } from './body';
import { setMode, setFocal, setStop } from './picture';
import { valueOf } from '../../../quantity/quantity';
import { isZoom } from '../../../build/lens';
import { putLens, takeLensOff } from './lens';

/** Takes away what is said of a piece that goes. */
const unset = (rig: Rig, ...fields: readonly (keyof Rig)[]): Change[] =>
  fields.flatMap((f) => (rig[f] === undefined ? [] : [{ path: at(rig, f), value: undefined }]));

/** How pieces are put on and taken off, role by role. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  body: {
    put(job, rig, part) {
      if (!isBody(part)) return undefined;
      return part.id === rig.body ? null : putBody(job, rig, part);
    },
    deeds(job, rig) {
      const body = job.kit.find((p) => p.id === rig.body);
      if (!isBody(body)) return [];
      const modes = (body.modes ?? []).filter((m) => m.id !== rig.mode);
      return [
        ...modes.map((m) => setMode(rig, m)),
        ...(body.screenSide ? [shutScreen(rig, rig.screenShut !== true)] : []),
      ];
    },
    without: (rig, part) =>
      rig.body === part.id
        ? [
            { path: at(rig, 'body'), value: null },
            { path: at(rig, 'mode'), value: null },
            ...withoutLinks(rig, 'body', new Set(['body'])),
            ...unset(rig, 'wheel', 'screenShut', 'outlet'),
          ]
        : [],
  },
  lens: {
    put(job, rig, part) {
      if (!isLens(part)) return undefined;
      return part.id === rig.lens ? null : putLens(job, rig, part);
    },
    deeds: (_job, rig) =>
      rig.lens === null ? [] : [{ ...takeLensOff(rig), words: 'no lens off' }],
    typed(job, rig, text) {
      const list: Deed[] = [];
      const lens = job.kit.find((p) => p.id === rig.lens);
      const zoom = /^(?:zoom\s+)?(\d+(?:\.\d+)?)(?:\s*mm)?$/.exec(text);
      if (zoom && isLens(lens) && isZoom(lens)) {
        const f = Number(zoom[1]);
        if (f >= (valueOf(lens.focal) ?? Infinity) && f <= (valueOf(lens.focalTo) ?? 0))
          list.push(setFocal(rig, f));
      }
      const stop = /^t\s*(\d+(?:\.\d+)?)$/.exec(text);
      if (stop && Number(stop[1]) >= 0.5 && Number(stop[1]) <= 64)
        list.push(setStop(rig, Number(stop[1])));
      return list;
    },
    without: (rig, part) =>
      rig.lens === part.id
        ? [{ path: at(rig, 'lens'), value: null }, ...unset(rig, 'hand', 'footTied')]
        : [],
  },
};
