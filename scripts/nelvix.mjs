import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundleTerminal, TERMINAL } from './steps.mjs';

/** Whether a source is newer than the bundle: an old bundle would answer for other code. */
function stale() {
  if (!existsSync(TERMINAL)) return true;
  const made = statSync(TERMINAL).mtimeMs;
  const newer = (dir) =>
    readdirSync(dir, { withFileTypes: true }).some((e) =>
      e.isDirectory()
        ? newer(join(dir, e.name))
        : e.name.endsWith('.ts') &&
          !e.name.endsWith('.test.ts') &&
          statSync(join(dir, e.name)).mtimeMs > made,
    );
  return newer('src/cli') || newer('src/core');
}

/** The terminal command: the bundle that the build made, made now when there is none yet. */
if (stale() && !bundleTerminal()) process.exit(2);
const { main } = (await import(pathToFileURL(join(process.cwd(), TERMINAL)).href)).default;
process.exitCode = main(
  process.argv.slice(2),
  (t) => process.stdout.write(t),
  (t) => process.stderr.write(t),
);
