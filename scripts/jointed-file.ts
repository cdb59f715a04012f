import { readFileSync, writeFileSync } from 'node:fs';
import { docOf } from '../src/core/doc/write';
import { readJob } from '../src/core/format/read-job';
import { jointed } from './jointed.mjs';

/** Writes the rig of the benches as a file that the page can open: `tsx scripts/jointed-file.ts 80 FILE`. */
const [n, file] = process.argv.slice(2);
const read = readJob(readFileSync('data/demo/lock-nine.nelvix.json', 'utf8'));
if (!read.ok || !file) throw new Error('number of parts and a file to write are needed');
writeFileSync(
  file,
  JSON.stringify(docOf({ ...jointed(read.value, Number(n)).job, id: 'jointed' })),
);
