import { CARD_STATES, PACK_STATES, WENT } from '../kit/records';
import { id, list, number, object, text, type Shape } from './shape-tools';

/** A place or a size: along x, y and z. */
const three: Shape = { is: 'list', of: number(-1e6, 1e6, 'mm'), max: 3, min: 3 };

/** What was tried, tested, measured and done. */
export const records: Shape = list(
  object(
    {
      id,
      at: text(40),
      role: text(80),
      kind: text(40, 1),
      about: object({ parts: list(id, 200), rig: id }),
      data: object({
        result: { is: 'choice', values: ['fits', 'fits with force', 'does not fit'] },
        note: text(4000),
        error: { is: 'quantity', min: -20, max: 20, unit: 'mm' },
        title: text(400),
        what: { is: 'choice', values: ['scale', 'edge', 'hung'] },
        value: { is: 'quantity', min: -20_000, max: 1_000_000, unit: '' },
        axis: { is: 'choice', values: ['x', 'y', 'z'] },
        on: list(
          object(
            { part: id, key: text(200, 1), at: three, size: three, off: three, loose: three },
            ['part', 'key', 'at', 'size', 'off'],
          ),
          500,
        ),
        source: id,
        fed: list(id, 500),
        hours: number(0, 200, 'h'),
        full: number(0, 100, '%'),
        left: number(0, 100, '%'),
        celsius: number(-60, 60, 'C'),
        standIn: { is: 'flag' },
        drive: id,
        outlet: id,
        went: { is: 'choice', values: WENT },
        volts: number(0, 100, 'V'),
        mode: id,
        minutes: number(0, 100_000, 'min'),
        gigabytes: number(0, 1_000_000, 'GB'),
        n: number(1, 500, '', true),
        state: { is: 'choice', values: [...new Set([...PACK_STATES, ...CARD_STATES])] },
        hold: three,
        upright: { is: 'choice', values: ['left', 'right'] },
        forecast: object(
          {
            value: number(-1e6, 1e6),
            lo: number(-1e6, 1e6),
            hi: number(-1e6, 1e6),
          },
          ['value', 'lo', 'hi'],
        ),
      }),
    },
    ['id', 'kind', 'about', 'data'],
  ),
  20_000,
);
