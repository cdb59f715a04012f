import { readFileSync } from 'node:fs';
import { readJob } from '../src/core/format/read-job';

/**
 * What `before` leaves behind is collected before the clock starts, so that the collection is not
 * booked on what is timed; what that leaves behind itself still is. Needs `--expose-gc`.
 */
const collect = (globalThis as { gc?: (how: { type: 'minor' }) => void }).gc;

/** Half and nearly all of the times that something takes; it is run some times before. */
export function time<T = undefined>(
  runs: number,
  f: (i: number, made: T) => unknown,
  before: (i: number) => T = () => undefined as T,
): { p50: number; p95: number } {
  for (let i = 0; i < Math.min(runs, 300); i++) f(i, before(i));
  const t: number[] = [];
  for (let i = 0; i < runs; i++) {
    const made = before(i);
    collect?.({ type: 'minor' });
    const start = performance.now();
    f(i, made);
    t.push(performance.now() - start);
  }
  t.sort((a, b) => a - b);
  return { p50: t[Math.floor(runs * 0.5)]!, p95: t[Math.floor(runs * 0.95)]! };
}

export function line(what: string, t: { p50: number; p95: number }, note = '') {
  console.log(
    `${what.padEnd(56)} p50 ${t.p50.toFixed(3).padStart(8)} ms   p95 ${t.p95.toFixed(3).padStart(8)} ms  ${note}`,
  );
}

const read = readJob(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
if (!read.ok) throw new Error('the demo cannot be read');
export const demo = read.value;
export const rig = demo.rigs[0]!;

/** Parts of the bench, by name; `npm run bench -- beside` runs one of them. */
const wanted = process.argv.slice(2);
export function section(name: string, run: () => void) {
  if (wanted.length > 0 && !wanted.includes(name)) return;
  console.log(`\n${name}`);
  pace();
  run();
}

/** A ring through four million places, each as far from the next as can be said: no cache holds it. */
const RING = new Int32Array(4_000_000);
for (let i = 0, at = 0; i < RING.length; i++) {
  const next = (at + 1_618_033) % RING.length;
  RING[at] = next;
  at = next;
}

/**
 * How fast the machine is just now, and how even: sums alone, and steps through memory. A time below is
 * slow by itself only where these are not.
 */
function pace() {
  const sums = time(60, () => {
    let x = 1;
    for (let i = 0; i < 200_000; i++) x = (Math.imul(x, 31) + i) | 0;
    return x;
  });
  const steps = time(60, () => {
    let at = 0;
    for (let i = 0; i < 20_000; i++) at = RING[at]!;
    return at;
  });
  line('the machine just now: 200,000 sums', sums);
  line('the machine just now: 20,000 steps through memory', steps);
}
