import type { RoleMoves } from '../../../edit/role';
import { withoutLinks } from '../../../edit/write-signals';
import { at, without } from '../../../edit/rig-path';
import { isDrive, type Change, isDriveArm, isGearRing } from '../../../kit/types';
import { putDrive, setDrive, takeDrive, armOn } from './drive';
import { putGear, takeGear } from './gear';

/** How pieces are put on and taken off, role by role. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  drive: {
    put: (job, rig, part) => (isDrive(part) ? putDrive(job, rig, part) : undefined),
    deeds: (job, rig) =>
      (rig.drives ?? []).flatMap((u) => {
        const part = job.kit.find((p) => p.id === u.part);
        const take = takeDrive(rig, u.id, part?.name ?? u.part);
        if (!isDrive(part) || !part.flips) return [take];
        const title = `Flip ${part.name} ${u.flipped === true ? 'back' : 'over'}`;
        return [take, setDrive(rig, u.id, { flipped: u.flipped !== true }, title)];
      }),
    without: (rig, part) =>
      (rig.drives ?? []).flatMap((d): Change[] => {
        if (d.part === part.id)
          return [without(rig, 'drives', d.id), ...withoutLinks(rig, 'drives', new Set([d.id]))];
        return d.unit === part.id
          ? [{ path: at(rig, 'drives', d.id, 'unit'), value: undefined }]
          : [];
      }),
  },
  extension: {
    put(_job, rig, part) {
      if (!isDriveArm(part)) return undefined;
      const drive = rig.drives?.[0];
      return drive && drive.arm !== part.id ? armOn(rig, drive, part) : null;
    },
    without: (rig, part) =>
      (rig.drives ?? [])
        .filter((d) => d.arm === part.id && d.part !== part.id)
        .map((d) => ({ path: at(rig, 'drives', d.id, 'arm'), value: undefined })),
  },
  gear: {
    put(_job, rig, part) {
      if (!isGearRing(part)) return undefined;
      return rig.gears?.some((g) => g.part === part.id) ? null : putGear(rig, part, 'focus');
    },
    deeds: (job, rig) =>
      (rig.gears ?? []).map((u) =>
        takeGear(rig, u.turns, job.kit.find((p) => p.id === u.part)?.name ?? u.part),
      ),
  },
};
