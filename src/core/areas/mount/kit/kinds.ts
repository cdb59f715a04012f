import {
  mm,
  COMMON,
  LINK,
  quantity,
  choice,
  FILTER_TYPES,
  falloff,
  wheel,
  type KindDef,
} from '../../../engine/field';

/** What stands between body and lens: the kinds of parts, and what each can say. */
export const kinds = {
  adapter: {
    one: 'adapter',
    many: 'adapters',
    fields: [
      COMMON[0]!,
      ...LINK,
      mm('slotGlass', 'glass in its slot', 20),
      {
        type: 'quantity',
        key: 'slotIndex',
        label: 'index of that glass',
        unit: '',
        cls: 'ratio',
        min: 1,
        max: 3,
      },
      { type: 'flag', key: 'slotAllowedFor', label: 'length allows for the glass' },
      choice('slotType', 'filter in its slot', FILTER_TYPES),
      quantity('slotStops', 'stops of that filter', 'stops', 'light', 0, 20),
      quantity('slotStopsTo', 'darkest, if variable', 'stops', 'light', 0, 20),
      wheel('filters for its slot', 'a wheel, or filters that drop in by turns, of one thickness'),
      ...COMMON.slice(1),
    ],
  },
  reducer: {
    one: 'reducer or extender',
    many: 'reducers and extenders',
    fields: [
      COMMON[0]!,
      ...LINK.slice(0, 3),
      {
        type: 'quantity',
        key: 'magnification',
        label: 'magnification',
        unit: 'x',
        cls: 'ratio',
        min: 0.1,
        max: 5,
        first: true,
      },
      mm('exitCircle', 'exit circle', 300, { cls: 'circle', first: true }),
      mm('rearProtrusion', 'rear protrusion', 200, {
        first: true,
        hint: 'mount face to the last glass or its cell, by depth gauge',
      }),
      mm('rearDiameter', 'rear diameter', 200),
      {
        type: 'quantity',
        key: 'fastestStop',
        label: 'fastest stop',
        unit: 'f',
        cls: 'stop',
        min: 0.3,
        max: 64,
      },
      mm('frontClearance', 'depth before its glass', 200, {
        hint: 'lens mount face back to its own first glass',
      }),
      mm('backFocus', 'back focus error', 10, {
        cls: 'flange',
        min: -10,
        hint: 'as shimmed now; plus means too far out',
      }),
      { type: 'texts', key: 'madeFor', label: 'made for', of: 'body' },
      falloff('what its own glass loses at full stop, by height on the chip'),
      ...LINK.slice(3),
      ...COMMON.slice(1),
    ],
  },
} satisfies Record<string, KindDef>;
