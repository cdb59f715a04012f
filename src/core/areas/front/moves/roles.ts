import type { RoleMoves } from '../../../edit/role';
import { type Deed } from '../../../edit/role';
import { at } from '../../../edit/rig-path';
import { isReduction, isBox, isSleeve, isFilter, isRing, type TrayUse } from '../../../kit/types';
import {
  boxOf,
  setReduction,
  putBox,
  setFlag,
  setMask,
  takeBoxOff,
  setSleeve,
  withoutBox,
} from './box';
import { setStageOut, putFilter, takeFilter, traysWith } from './trays';
import { listChanges } from '../../../edit/list-changes';
import { partsOn, screwOn, unscrew } from './thread';

/** How pieces are put on and taken off, role by role. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  'box-ring': {
    put(job, rig, part) {
      if (!isReduction(part)) return undefined;
      return boxOf(job, rig) && rig.box?.ring !== part.id ? setReduction(rig, part) : null;
    },
    without: (rig, part) =>
      rig.box && rig.box.part !== part.id && rig.box.ring === part.id
        ? [{ path: at(rig, 'box', 'ring'), value: undefined }]
        : [],
  },
  box: {
    put(job, rig, part) {
      if (!isBox(part)) return undefined;
      return part.id === rig.box?.part ? null : putBox(job, rig, part);
    },
    deeds(job, rig) {
      const box = boxOf(job, rig);
      if (!box || !rig.box) return [];
      const list: Deed[] = [takeBoxOff(job, rig)];
      for (const s of box.stages ?? []) {
        const use = rig.box.trays?.find((t) => t.id === s.id);
        // "take stage 3 out" is the stage; what stands in it is called by its own name.
        if (s.removable || use?.out)
          list.push({ ...setStageOut(rig, s, !use?.out), words: `take ${s.name} out` });
      }
      for (const f of rig.box.flags ?? []) {
        const leaf = box.flags?.find((l) => l.id === f.id);
        if (leaf) list.push(setFlag(rig, leaf, undefined));
      }
      if (rig.box.mask !== undefined) list.push(setMask(rig, null));
      return list;
    },
    without: (rig, part) => (rig.box?.part === part.id ? withoutBox(rig) : []),
  },
  sleeve: {
    put(job, rig, part) {
      if (!isSleeve(part)) return undefined;
      return boxOf(job, rig) && rig.box?.sleeve !== part.id ? setSleeve(rig, part) : null;
    },
    without: (rig, part) =>
      rig.box && rig.box.part !== part.id && rig.box.sleeve === part.id
        ? [{ path: at(rig, 'box', 'sleeve'), value: undefined }]
        : [],
  },
  thread: {
    put(job, rig, part) {
      const screws =
        isRing(part) ||
        (isFilter(part) &&
          (part.shape === 'screw' || (part.shape === undefined && part.male !== undefined)));
      return screws ? screwOn(job, rig, part) : undefined;
    },
    deeds: (job, rig) => partsOn(job, rig).map((_p, i) => unscrew(job, rig, i)),
    without: (rig, part) =>
      listChanges(
        at(rig, 'thread'),
        rig.thread,
        (rig.thread ?? []).filter((u) => u.part !== part.id),
      ),
  },
  tray: {
    put(job, rig, part) {
      if (!isFilter(part)) return undefined;
      const box = boxOf(job, rig);
      const taken = new Set(
        (rig.box?.trays ?? []).filter((t) => t.filter !== undefined || t.out).map((t) => t.id),
      );
      const free = (box?.stages ?? []).filter((s) => !taken.has(s.id));
      const turns = part.mustRotate || part.type === 'polariser' || part.type === 'streak';
      const stage = free.find((s) => (s.rotates === true) === turns) ?? free[0];
      return stage ? putFilter(rig, stage, part) : null;
    },
    deeds(job, rig) {
      return (boxOf(job, rig)?.stages ?? []).flatMap((s) => {
        const held = rig.box!.trays?.find((t) => t.id === s.id)?.filter;
        const filter = job.kit.find((p) => p.id === held);
        return filter ? [takeFilter(rig, s, filter.name)] : [];
      });
    },
    without(rig, part) {
      const use = rig.box;
      if (!use?.trays || use.part === part.id) return [];
      const trays = use.trays.reduce<TrayUse[]>(
        (now, t) =>
          t.filter === part.id
            ? traysWith({ ...use, trays: now }, t.id, { filter: undefined })
            : now,
        use.trays,
      );
      return listChanges(at(rig, 'box', 'trays'), use.trays, trays);
    },
  },
};
