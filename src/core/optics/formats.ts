/**
 * Formats: public standards and usual sizes that people compare against.
 * Sources: 135 still frame ISO 1007; Super 35 4-perf camera aperture SMPTE ST 59 (both numbers
 * from memory); the rest from memory, typical values. Only used as references, never to derive
 * what a body records: that always comes from the mode's own active area.
 */
export interface Format {
  id: string;
  name: string;
  /** Active width and height, mm. */
  w: number;
  h: number;
  source: string;
}

export const FORMATS: readonly Format[] = [
  {
    id: 'full-frame',
    name: 'full frame',
    w: 36,
    h: 24,
    source: 'ISO 1007, number from memory',
  },
  {
    id: 'super-35',
    name: 'Super 35, 4-perf',
    w: 24.89,
    h: 18.66,
    source: 'SMPTE ST 59, number from memory',
  },
  { id: 'super-35-3', name: 'Super 35, 3-perf', w: 24.89, h: 13.87, source: 'from memory' },
  { id: 'aps-c', name: 'APS-C (typical)', w: 23.5, h: 15.6, source: 'from memory' },
  { id: 'four-thirds', name: 'four-thirds', w: 17.3, h: 13, source: 'from memory' },
  {
    id: 'four-thirds-cine',
    name: 'four-thirds-class cinema chip, 1.9:1',
    w: 18.96,
    h: 10,
    source: 'common practice, no source',
  },
  { id: 'super-16', name: 'Super 16', w: 12.52, h: 7.41, source: 'from memory' },
];

/** The reference formats that people think in. */
export const REFERENCES = ['full-frame', 'super-35'] as const;
export type ReferenceId = (typeof REFERENCES)[number];

/** The format with this id; full frame when there is none. */
export function format(id: string | undefined): Format {
  return FORMATS.find((f) => f.id === id) ?? FORMATS[0]!;
}

/** Diagonal of a rectangle, mm. */
export function diagonal(w: number, h: number): number {
  return Math.hypot(w, h);
}

/** Aspect ratios that are framed for, widest first, with the deliverable that goes with each. */
export const ASPECTS: readonly {
  id: string;
  name: string;
  aspect: number;
  deliver: { w: number; h: number };
}[] = [
  { id: '2.39', name: '2.39', aspect: 2.39, deliver: { w: 3840, h: 1608 } },
  { id: '2.00', name: '2.00', aspect: 2, deliver: { w: 3840, h: 1920 } },
  { id: '1.85', name: '1.85', aspect: 1.85, deliver: { w: 3840, h: 2076 } },
  { id: '1.78', name: '1.78', aspect: 16 / 9, deliver: { w: 3840, h: 2160 } },
  { id: '1.66', name: '1.66', aspect: 5 / 3, deliver: { w: 3600, h: 2160 } },
  { id: '1.33', name: '1.33', aspect: 4 / 3, deliver: { w: 2880, h: 2160 } },
  { id: '1:1', name: '1:1', aspect: 1, deliver: { w: 1080, h: 1080 } },
  { id: '4:5', name: '4:5', aspect: 4 / 5, deliver: { w: 1080, h: 1350 } },
  { id: '9:16', name: '9:16', aspect: 9 / 16, deliver: { w: 1080, h: 1920 } },
];
