import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import { plain, sayLength } from '../../../quantity/say';
import { baysOn, overOf, sayBay } from './bays';
import { mainsAt, runAt, type Line } from './lines';
import { tiesFor, type Run } from './run';

/** How it lies, where that is known: what it goes round, how often it is tied, what of it is left over. */
function layingOf(built: Built, run: Run | null, line: Line): string[] {
  const { lead, ties: said } = line;
  const laid = run && run.missing.length === 0 && run.laid();
  if (!laid || run.sockets.some((s) => s.open)) return [];
  const ties = said ?? tiesFor(laid.length, built.rules['cable.tie']);
  const tied = `${ties} ${ties === 1 ? 'tie' : 'ties'} on the way`;
  const length = lead && given(lead, 'length').known?.value;
  const over = lead && length ? overOf(lead, laid.length) : 0;
  const bay = baysOn(built).get(line.key);
  const coil =
    lead?.coiled === true && length
      ? [over < 0 ? `its coil pulled out by about ${sayLength(-over, 0)}` : 'its coil at rest']
      : bay
        ? [sayBay(bay)]
        : [];
  return [
    ...(laid.round ? [`round ${laid.round}`] : []),
    ...(said !== undefined ? [tied] : ties > 0 ? [`wants ${tied}`] : []),
    ...coil,
  ];
}

/** `way 119 mm to 356 mm, tied at its plugs`: what a list of leads says besides the lead itself. */
export function sayLine(built: Built, line: Line): string {
  const mains = mainsAt(built, line);
  if (mains) {
    const { away } = mains.use;
    return away === undefined
      ? 'how far it has to go nobody said'
      : `${sayLength(away, 0)} over the floor and up`;
  }
  const run = runAt(built, line);
  const way =
    !run || run.missing.length > 0
      ? 'its way is not known'
      : `way ${sayLength(run.near, 0)} to ${sayLength(Math.max(run.far, run.laid()?.most ?? 0), 0)}`;
  const out = line.feed?.out;
  const at = out?.switched === null ? null : out?.volts.known;
  const set =
    at && typeof out?.switched === 'boolean' ? [`its switch at ${plain(at.value, 1)} V`] : [];
  return [
    way,
    ...layingOf(built, run, line),
    ...(line.tied === true ? ['tied at its plugs'] : []),
    ...set,
  ].join(', ');
}
