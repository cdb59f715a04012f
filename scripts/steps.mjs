import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';

/** What `npm run demo` and `npm run check` have in common. Plain Node: runs before anything is installed. */

export const NEXT = join('node_modules', 'next', 'dist', 'bin', 'next');
export const CHROMIUM = '/usr/bin/chromium';
/** The terminal command: transpiling it at each start would cost seconds. */
export const TERMINAL = join('.nelvix', 'terminal.cjs');
const STAMPS = '.nelvix';
const DEMO = 'data/demo/lock-nine.nelvix.json';

export const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };

/** Runs a command, its output going straight through. Returns whether it went well. */
export function run(command, args, options = {}) {
  const r = spawnSync(command, args, { stdio: 'inherit', env, ...options });
  return r.status === 0;
}

function filesBelow(path) {
  if (!existsSync(path)) return [];
  if (statSync(path).isFile()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesBelow(join(path, name)));
}

function fingerprint(paths) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap(filesBelow)) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

/** Does a step unless the files it depends on are as they were when it last went well. */
export function unlessDone(name, paths, there, step) {
  const stamp = join(STAMPS, name);
  const now = fingerprint(paths);
  if (there() && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return true;
  if (!step()) return false;
  mkdirSync(STAMPS, { recursive: true });
  writeFileSync(stamp, now);
  return true;
}

export function install() {
  return unlessDone(
    'installed',
    ['package.json', 'package-lock.json'],
    () => existsSync(NEXT),
    () => {
      console.log('Installing packages ...');
      return run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
    },
  );
}

function bundle(from, to) {
  return run('node_modules/.bin/esbuild', [
    from,
    '--bundle',
    '--minify',
    '--platform=node',
    '--format=cjs',
    `--outfile=${to}`,
    '--log-level=error',
  ]);
}

/** The terminal command and its loader, with what its code compiles to once it has run. */
export function bundleTerminal() {
  rmSync(join(STAMPS, 'terminal-code.bin'), { force: true });
  const bundled =
    bundle('src/cli/nelvix.ts', join(STAMPS, 'terminal-code.cjs')) &&
    bundle('src/cli/loader.ts', TERMINAL);
  const keep = `const t = require('./${TERMINAL}'); t.main(['check', '${DEMO}'], () => {}, () => {}); t.keep();`;
  return bundled && run(process.execPath, ['-e', keep]);
}

export function build() {
  return unlessDone(
    'built',
    [
      'src',
      'data',
      'public/icons',
      'scripts/write-sw.mjs',
      'package-lock.json',
      'next.config.ts',
      'postcss.config.mjs',
      'tsconfig.json',
    ],
    () =>
      existsSync(join('.next', 'BUILD_ID')) && existsSync('public/sw.js') && existsSync(TERMINAL),
    () => {
      console.log('Building ...');
      return (
        bundleTerminal() &&
        run(process.execPath, [NEXT, 'build']) &&
        run(process.execPath, [join('scripts', 'write-sw.mjs')])
      );
    },
  );
}

/** A port that is free, the wanted one if it is. */
export function freePort(wanted) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(freePort(wanted + 1)));
    probe.listen(wanted, '127.0.0.1', () => probe.close(() => resolve(wanted)));
  });
}

/** Starts the production server; resolves when it answers. */
export async function serve(port, stdio = 'ignore') {
  const server = spawn(process.execPath, [NEXT, 'start', '-p', String(port), '-H', '127.0.0.1'], {
    stdio,
    env,
  });
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 150; i++) {
    try {
      if ((await fetch(address)).ok) return { server, address };
    } catch {
      // Not up yet.
    }
    if (server.exitCode !== null) break;
    await new Promise((r) => setTimeout(r, 200));
  }
  server.kill();
  throw new Error('The server did not start.');
}
