import { valueOf } from '../../../quantity/quantity';
import { constant, exactly, type Given } from '../../../build/given';
import { lin, of, plus, type Lin } from '../../../build/lin';
import { STAND_IN, type Setting } from '../../../place/setting';
import type { Drive, DriveArm, DriveUse } from '../../../kit/types';
import { lineOf, type Line } from '../../rods/under/line';
import { rodSystem } from '../../rods/kit/systems';
import { MODULE } from '../kit/gears';

/** The numbers of a drive, and where they put its parts. */
export interface Numbers {
  teeth: Given;
  module: Given;
  gearWidth: Given;
  armFrom: Given;
  armTo: Lin;
  clampLength: Lin;
  width: Lin;
  height: Lin;
  depth: Lin;
  /** Its gear ahead of its clamp, and what an arm of the kit adds. */
  ahead: Lin;
  more: Lin;
  behind: Lin;
  /** 0 when it has no arm. */
  armWide: Lin;
  /** Its pivot: outward from the middle of what it is clamped to, and up from the axis. */
  across: number;
  line: Line;
  pivotY: Lin;
}

export function numbersOf(s: Setting, use: DriveUse, part: Drive, arm: DriveArm | null): Numbers {
  const line = lineOf(s, use.on);
  const q = (field: string, standIn: number) => of(s.q(part, [field], standIn));
  const teeth = s.counted(part, ['gearTeeth'], 'teeth');
  if (!s.standIns.has(teeth)) s.standIns.set(teeth, 40);
  const armTo = q('armTo', STAND_IN.arm[1]);
  return {
    teeth,
    module:
      part.module === undefined
        ? constant('module', 'mm', exactly(MODULE))
        : s.q(part, ['module'], MODULE),
    gearWidth: s.q(part, ['gearWidth'], 10),
    armFrom: s.q(part, ['armFrom'], STAND_IN.arm[0]),
    armTo: arm?.longer === undefined ? armTo : plus(armTo, of(s.q(arm, ['longer'], 0))),
    clampLength: q('clampLength', STAND_IN.clamp),
    width: q('width', 50),
    height: q('height', 60),
    depth: q('depth', 40),
    ahead: q('gearAhead', 0),
    more: arm?.ahead === undefined ? lin(0) : of(s.q(arm, ['ahead'], 0)),
    behind: q('boxBehind', 6),
    armWide: q('armWidth', 12),
    line,
    across: pivotAcross(s, part, line),
    pivotY: plus(line.y, part.pivotUp === undefined ? lin(0) : q('pivotUp', 0)),
  };
}

/** Its pivot from the middle of the rods it is clamped to: over its rod where nobody says. */
function pivotAcross(s: Setting, part: Drive, line: Line): number {
  const said = valueOf(part.pivotAcross);
  if (line.centres === 0)
    return said === null ? 0 : said - (rodSystem(part.rods)?.centres ?? 60) / 2;
  return said ?? line.centres / 2;
}

/** Its pivot across, on a side of the lens. */
export const pivotX = (n: Numbers, sign: number): Lin => plus(n.line.x, lin(sign * n.across));
