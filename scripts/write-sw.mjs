import { buildSync } from 'esbuild';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

/**
 * After a build: the service worker, knowing every file and page that it keeps. Files carry a hash
 * in their names; pages are as old as the build.
 */
const below = (path) =>
  statSync(path).isFile()
    ? [path]
    : readdirSync(path)
        .sort()
        .flatMap((name) => below(join(path, name)));

const id = readFileSync('.next/BUILD_ID', 'utf8').trim();
const places = [...readFileSync('src/views/places.ts', 'utf8').matchAll(/\bto: '(\/[^']*)'/g)];
const routes = [...new Set([...places.map((m) => m[1]), '/rescue'])].sort();
const built = below('.next/static').filter((f) => /\.(js|css|woff2|json)$/.test(f));
const others = [
  ...routes,
  '/manifest.webmanifest',
  '/icon.svg',
  ...readdirSync('public/icons').map((name) => `/icons/${name}`),
];
const entries = [
  ...built.map((f) => ({ url: f.replace('.next', '/_next'), revision: null })),
  ...others.map((url) => ({ url, revision: id })),
];
buildSync({
  entryPoints: ['src/sw/sw.ts'],
  outfile: 'public/sw.js',
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  logLevel: 'warning',
  define: {
    BUILD: JSON.stringify(id),
    ROUTES: JSON.stringify(routes),
    'self.__WB_MANIFEST': JSON.stringify(entries),
    'process.env.NODE_ENV': '"production"',
  },
});
const size = built.reduce((sum, f) => sum + statSync(f).size, 0);
console.log(`public/sw.js: ${entries.length} files, ${(size / 1e6).toFixed(1)} MB`);
