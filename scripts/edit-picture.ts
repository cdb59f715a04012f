import { readFileSync } from 'node:fs';

/**
 * The way of an edit, drawn from the code: every station is a name that a file exports, every arrow
 * a use of the next name in the file it starts from. What is no longer so ends the writing.
 */

interface Station {
  id: string;
  file: string;
  /** The name in the code. */
  name: string;
  /** What happens there. */
  says: string;
  lane: 0 | 1 | 2;
  row: number;
}

const LANES = ['the page', 'the browser keeps', 'a worker'];
const STATIONS: readonly Station[] = [
  {
    id: 'move',
    file: 'src/core/areas/coverage/moves/lens.ts',
    name: 'putLens',
    says: 'a move: what is wanted, with what follows, as changes',
    lane: 0,
    row: 0,
  },
  {
    id: 'edit',
    file: 'src/db/store.ts',
    name: 'JobStore',
    says: 'shown at once, its turn noted',
    lane: 0,
    row: 1,
  },
  {
    id: 'lower',
    file: 'src/core/doc/lower.ts',
    name: 'lowered',
    says: 'written as changes of single uses and joints',
    lane: 1,
    row: 1,
  },
  {
    id: 'store',
    file: 'src/db/storing.ts',
    name: 'storeAll',
    says: 'one transaction: rows, steps back, log',
    lane: 1,
    row: 2,
  },
  {
    id: 'read',
    file: 'src/core/doc/read.ts',
    name: 'jobOf',
    says: 'read by roles; what is the same stays the same object',
    lane: 0,
    row: 2,
  },
  {
    id: 'build',
    file: 'src/core/build/build.ts',
    name: 'build',
    says: 'nodes; what read the same stands again',
    lane: 0,
    row: 3,
  },
  {
    id: 'checks',
    file: 'src/core/checks/run.ts',
    name: 'runChecks',
    says: 'margins over tolerances become states',
    lane: 0,
    row: 4,
  },
  {
    id: 'bench',
    file: 'src/views/bench/bench.tsx',
    name: 'BenchProvider',
    says: 'line, plate, model and findings show it',
    lane: 0,
    row: 5,
  },
  {
    id: 'fixes',
    file: 'src/core/solve/fixes.ts',
    name: 'fixesFor',
    says: 'fixes tried on drafts',
    lane: 2,
    row: 4,
  },
  {
    id: 'measure',
    file: 'src/core/solve/measure-next.ts',
    name: 'measureNext',
    says: 'what to measure next',
    lane: 2,
    row: 5,
  },
];

/** From, to, and the file that uses the name of `to`. */
const ARROWS: readonly [string, string, string][] = [
  ['move', 'edit', 'src/views/store/store-context.tsx'],
  ['edit', 'lower', 'src/db/store.ts'],
  ['lower', 'store', 'src/db/store.ts'],
  ['edit', 'read', 'src/db/shown.ts'],
  ['read', 'build', 'src/views/bench/use-rig.ts'],
  ['build', 'checks', 'src/views/bench/use-rig.ts'],
  ['checks', 'bench', 'src/views/shell/shell.tsx'],
  ['checks', 'fixes', 'src/workers/rig.worker.ts'],
  ['fixes', 'measure', 'src/workers/rig.worker.ts'],
];

const WIDE = 300;
const HIGH = 58;
const GAP = { x: 40, y: 34 };
const TOP = 40;

const x = (lane: number) => 10 + lane * (WIDE + GAP.x);
const y = (row: number) => TOP + row * (HIGH + GAP.y);

/** The picture as SVG; throws when a name or a use is not in the code. */
export function editPicture(): string {
  const text = (file: string) => readFileSync(file, 'utf8');
  const of = (id: string) => STATIONS.find((s) => s.id === id)!;
  for (const s of STATIONS)
    if (!new RegExp(`export (async )?(function|class|const) ${s.name}\\b`).test(text(s.file)))
      throw new Error(`${s.file} exports no ${s.name}.`);
  for (const [, to, file] of ARROWS)
    if (!new RegExp(`\\b${of(to).name}\\b`).test(text(file)))
      throw new Error(`${file} does not use ${of(to).name}.`);
  const boxes = STATIONS.map((s) => {
    const [left, top] = [x(s.lane), y(s.row)];
    return [
      `<rect x="${left}" y="${top}" width="${WIDE}" height="${HIGH}" fill="#f6f8f2" stroke="#46534f"/>`,
      `<text x="${left + 12}" y="${top + 24}" font-weight="600">${s.name}</text>`,
      `<text x="${left + 12}" y="${top + 44}" font-size="12" fill="#46534f">${s.says}</text>`,
    ].join('\n');
  });
  const arrows = ARROWS.map(([a, b]) => {
    const [from, to] = [of(a), of(b)];
    if (from.lane === to.lane) {
      const mid = x(from.lane) + WIDE / 2;
      return `<path d="M${mid} ${y(from.row) + HIGH}V${y(to.row) - 7}" marker-end="url(#tip)"/>`;
    }
    const [start, end] = [x(from.lane) + WIDE, x(to.lane) - 7];
    return `<path d="M${start} ${y(from.row) + HIGH / 2}H${end}" marker-end="url(#tip)"/>`;
  });
  const lanes = LANES.map((name, i) => `<text x="${x(i)}" y="24" font-size="15">${name}</text>`);
  const [w, h] = [x(2) + WIDE + 10, y(5) + HIGH + 12];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w} ${h}" width="${w}" height="${h}" font-family="sans-serif" font-size="14" fill="#15201f">`,
    '<title>The way of an edit</title>',
    '<defs><marker id="tip" viewBox="0 0 8 8" refX="2" refY="4" markerWidth="8" markerHeight="8" orient="auto"><path d="M0 0L8 4L0 8Z" fill="#35379b"/></marker></defs>',
    `<rect width="${w}" height="${h}" fill="#e9ece4"/>`,
    ...lanes,
    `<g fill="none" stroke="#35379b" stroke-width="1.5">`,
    ...arrows,
    '</g>',
    ...boxes,
    '</svg>',
    '',
  ].join('\n');
}
