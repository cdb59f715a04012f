import {
  change,
  COMMON,
  frame,
  id,
  light,
  limits,
  list,
  number,
  object,
  text,
  turns,
  type Shape,
} from './shape';

/** What a file of version 3 looks like: held against this before it is brought up to a later one. */

const between = list(
  object(
    {
      id,
      part: id,
      slot: { is: 'choice', values: ['glass', 'empty'] },
      tied: { is: 'flag' },
      wheel: id,
    },
    ['part'],
  ),
  10,
);

const rig = object(
  {
    id,
    name: text(120, 1),
    body: { is: 'nullable', of: id },
    mode: { is: 'nullable', of: id },
    frames: list(frame, 50),
    lens: { is: 'nullable', of: id },
    focal: number(1, 3000, 'mm'),
    stop: number(0.3, 128, 'T'),
    focus: number(1, 1e7, 'mm'),
    between,
    lenses: { is: 'map', of: object({ between }) },
    thread: list(object({ id, part: id }, ['part']), 12),
    box: object(
      {
        part: id,
        ring: id,
        sleeve: id,
        station: number(-1000, 5000, 'mm'),
        trays: list(
          object({ id, filter: id, out: { is: 'flag' }, turn: number(-360, 360, 'deg') }, ['id']),
          20,
        ),
        mask: id,
        flags: list(object({ id, angle: number(-90, 180, 'deg') }, ['id', 'angle']), 8),
      },
      ['part'],
    ),
    under: list(
      object(
        {
          id,
          part: id,
          at: { is: 'choice', values: ['body', 'rods'] },
          station: number(-2000, 5000, 'mm'),
          height: number(0, 500, 'mm'),
        },
        ['part'],
      ),
      12,
    ),
    rods: list(
      object(
        {
          id,
          part: id,
          place: { is: 'choice', values: ['through', 'front', 'rear'] },
          tip: number(-2000, 5000, 'mm'),
        },
        ['id', 'part', 'place'],
      ),
      6,
    ),
    gears: list(object({ id, part: id, turns }, ['part', 'turns']), 6),
    supports: list(
      object({ id, part: id, station: number(-2000, 5000, 'mm'), post: number(0, 500, 'mm') }, [
        'id',
        'part',
      ]),
      6,
    ),
    drives: list(
      object(
        {
          id,
          part: id,
          turns,
          side: { is: 'choice', values: ['left', 'right'] },
          station: number(-2000, 5000, 'mm'),
          angle: number(-360, 360, 'deg'),
          flipped: { is: 'flag' },
          arm: id,
          outlet: object({ from: id, id }, ['from', 'id']),
          reversed: { is: 'flag' },
          unit: id,
        },
        ['id', 'part', 'turns'],
      ),
      12,
    ),
    fitted: list(
      object(
        {
          id,
          part: id,
          to: id,
          on: {
            is: 'choice',
            values: ['top', 'bottom', 'left', 'right', 'front', 'rear', 'rods'],
          },
          x: number(-2000, 2000, 'mm'),
          y: number(-2000, 2000, 'mm'),
          z: number(-2000, 2000, 'mm'),
          station: number(-2000, 5000, 'mm'),
          turn: number(-360, 360, 'deg'),
        },
        ['id', 'part', 'on'],
      ),
      400,
    ),
    screenShut: { is: 'flag' },
    footTied: { is: 'flag' },
    wheel: id,
    hand: { is: 'choice', values: ['focus', 'zoom'] },
    limits,
    light,
    reference: id,
    configurations: list(
      object({ id, name: text(120, 1), changes: list(change, 1000) }, ['id', 'name', 'changes']),
      100,
    ),
  },
  ['id', 'name', 'body', 'mode', 'frames', 'lens', 'between'],
);

export const JOB_SHAPE_3: Shape = object(
  {
    format: { is: 'choice', values: ['nelvix-job'] },
    version: { is: 'choice', values: [3] },
    ...COMMON,
    lensSet: list(id, 1000),
    rigs: list(rig, 500),
    markTests: list(
      object(
        {
          id,
          parts: list(id, 20),
          error: { is: 'quantity', min: -20, max: 20, unit: 'mm' },
          when: text(40),
        },
        ['id', 'parts', 'error'],
      ),
      10_000,
    ),
    trials: list(
      object(
        {
          id,
          parts: list(id, 20),
          result: { is: 'choice', values: ['fits', 'fits with force', 'does not fit'] },
          when: text(40),
          role: text(80),
          note: text(4000),
        },
        ['id', 'parts', 'result'],
      ),
      10_000,
    ),
  },
  ['format', 'version', 'id', 'name', 'kit', 'rigs'],
);
