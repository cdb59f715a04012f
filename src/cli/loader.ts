import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire, wrap } from 'node:module';
import { dirname, join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { Script } from 'node:vm';
import { availableParallelism } from 'node:os';
import { isMainThread } from 'node:worker_threads';
import type * as Terminal from './nelvix';

/*
 * Loads the terminal command with its code as it was compiled at build, where the same Node made
 * it; another Node compiles it anew. The command runs for a second or two: optimising later than
 * usual saves more than it costs.
 */
setFlagsFromString('--interrupt-budget=1000000');

const FILE = join(__dirname, 'terminal-code.cjs');
const COMPILED = join(__dirname, 'terminal-code.bin');

function compiled(): Buffer | undefined {
  try {
    return readFileSync(COMPILED);
  } catch {
    return undefined;
  }
}

const script = new Script(wrap(readFileSync(FILE, 'utf8')), {
  filename: FILE,
  cachedData: compiled(),
});
const own = { exports: {} as typeof Terminal };
const run = script.runInThisContext() as (...given: unknown[]) => void;
run(own.exports, createRequire(FILE), own, FILE, dirname(FILE));

const { main: alone, serve, startHelper } = own.exports;

/** As the terminal command is run: with a second thread where the machine has room for one. */
export const main = (...[args, out, err]: Parameters<typeof alone>): number =>
  alone(args, out, err, availableParallelism() > 1 ? () => startHelper(__filename) : null);
if (!isMainThread) serve();

/** Whether the code was compiled before. */
export const ready = script.cachedDataRejected === false;
/** Keeps the code as it is compiled by now. */
export const keep = (): void => writeFileSync(COMPILED, script.createCachedData());
