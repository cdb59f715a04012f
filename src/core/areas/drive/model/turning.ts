import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import type { Drive, Motor } from '../../../kit/types';
import { arrivingAt } from '../../power/model/arriving';
import { isPlain } from '../../power/model/branch';
import { byDevice } from '../../power/model/fed';
import type { RigOutlet } from '../../power/model/outlets';
import { torqueAt, torqueAtLens } from '../kit/gears';
import type { PlacedDrive } from '../place/drive';

/** What a motor brings to a ring, of the numbers it rests on. */
export interface Turning {
  /** Torque of the ring, volts of the outlet, teeth of both, the lines of its sheet, then its lead. */
  inputs: Given[];
  /** Torque at the ring, N m. */
  at: (x: readonly number[]) => number;
  /** Volts where its lead goes in. */
  arrives: (x: readonly number[]) => number;
  /** All that its sheet says, added up: what counts somewhere. */
  rows: (x: readonly number[]) => number;
  /** The volts that it is rated from. */
  first: number;
}

/** Where the lines of the sheet begin among the inputs. */
const ROWS = 4;

/** What a motor brings to a ring from an outlet, through its lead. */
export function turningOf(
  built: Built,
  d: PlacedDrive,
  ring: string,
  teeth: Given,
  out: RigOutlet,
): Turning {
  const eff = built.rules['drive.efficiency'];
  const part = d.part as Motor;
  const table = part.torques ?? [];
  const rows = table.map((_, i) => given(part, 'torques', String(i), 'torque'));
  const inputs = [
    given(built.lens!, 'rings', ring, 'torque'),
    out.volts,
    teeth,
    d.teeth,
    ...(rows.length > 0 ? rows : [noTable(part)]),
  ];
  const lead = throughLead(built, d);
  const leadAt = inputs.length;
  inputs.push(...lead.inputs);
  const arrives = (x: readonly number[]) => lead.volts([x[1]!, ...x.slice(leadAt)]);
  return {
    inputs,
    arrives,
    at: (x) => {
      const of = table.map(({ volts }, i) => ({ volts, torque: x[ROWS + i]! }));
      return torqueAtLens(torqueAt(of, arrives(x)), x[2]!, x[3]!, eff);
    },
    rows: (x) => rows.reduce((sum, _, i) => sum + x[ROWS + i]!, 0),
    first: Math.min(...table.map((r) => r.volts)),
  };
}

/** What is left of the volts of its outlet at the end of its lead; all of it while none is chosen. */
function throughLead(
  built: Built,
  d: PlacedDrive,
): { inputs: readonly Given[]; volts: (x: readonly number[]) => number } {
  const f = byDevice(built).get(`drives:${d.use.id}`);
  if (!f?.out || (!f.lead && isPlain(built, f))) return { inputs: [], volts: (x) => x[0]! };
  const { inputs, volts } = arrivingAt(built, f, f.out.volts);
  return { inputs: inputs.slice(1), volts };
}

/** A motor whose sheet says nothing of its torque. */
function noTable(part: Drive): Given {
  return {
    ...given(part, 'torques'),
    label: `torque table of ${part.name}`,
    unit: '',
    known: null,
  };
}
