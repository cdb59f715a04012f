/** What a picture asks of its link. Rates Gb/s, pixel clocks MHz. */

export interface Signal {
  /** Lines that are seen: 1080 or 2160. */
  lines: 1080 | 2160;
  /** Frames a second; 23.976 and the like count as the whole rate, and fit its class. */
  fps: 24 | 25 | 30 | 48 | 50 | 60;
  bits: 8 | 10 | 12;
  sampling: '4:2:0' | '4:2:2' | '4:4:4';
}

/**
 * Total samples a line and total lines of a format, blanking included (SMPTE ST 274 for 1080, ST 2036-1
 * and CTA-861 for 2160: twice as many each way).
 */
export function totals({ lines, fps }: Pick<Signal, 'lines' | 'fps'>): {
  samples: number;
  lines: number;
} {
  const base = fps % 24 === 0 ? 2750 : fps % 25 === 0 ? 2640 : 2200;
  const times = lines / 1080;
  return { samples: base * times, lines: 1125 * times };
}

/**
 * Rate of a serial link, Gb/s: total samples x frames x word; a word of 20 bits carries 4:2:2 at up to 10
 * bits, one of 40 what has more (SMPTE ST 292-1, 424, 2081-10, 2082-10).
 */
export function serialRate(s: Signal): number {
  const { samples, lines } = totals(s);
  const word = s.sampling !== '4:4:4' && s.bits <= 10 ? 20 : 40;
  return (samples * lines * s.fps * word) / 1e9;
}

/** Classes of serial links, Gb/s (SMPTE ST 292-1, 424, 2081-1, 2082-1). */
export const SERIAL = [1.485, 2.97, 5.94, 11.88] as const;

/** The slowest class that carries a signal; null where none does. */
export function serialClass(s: Signal): (typeof SERIAL)[number] | null {
  const rate = serialRate(s);
  return SERIAL.find((c) => rate <= c * (1 + 1e-9)) ?? null;
}

/**
 * Character rate of a TMDS link, MHz: pixel clock x bits / 8 at 4:4:4, the pixel clock at 4:2:2 (up to 12
 * bits), half of the first at 4:2:0 (CTA-861 timings; HDMI from memory).
 */
export function characterRate(s: Signal): number {
  const { samples, lines } = totals(s);
  const clock = (samples * lines * s.fps) / 1e6;
  if (s.sampling === '4:2:2') return clock;
  return (clock * s.bits) / (s.sampling === '4:4:4' ? 8 : 16);
}

/** Most that a TMDS link of a version carries, MHz (from memory). */
export const TMDS = { '1.4': 340, '2.0': 600 } as const;

/** Picture of an aspect as it lies on a screen of another, mm. */
export function seenOn(
  diagonal: number,
  screen: number,
  picture: number,
): { width: number; height: number } {
  const height = diagonal / Math.hypot(screen, 1);
  const width = height * screen;
  return picture >= screen
    ? { width, height: width / picture }
    : { width: height * picture, height };
}

/**
 * White of a screen against the veil of the light that falls on it: `(white + veil) / veil` would count
 * the veil twice; what is told apart is white over veil.
 *
 * @param nits white of the screen, cd/m2; @param lux that falls on it; @param reflectance of its face
 */
export function overVeil(nits: number, lux: number, reflectance = 0.04): number {
  return nits / ((lux * reflectance) / Math.PI);
}
