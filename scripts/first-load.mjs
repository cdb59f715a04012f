import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { freePort, serve } from './steps.mjs';

/** JavaScript that a browser fetches before the first view works, gzipped. Fails over the limit. */
const LIMIT = 240;
const { server, address } = await serve(await freePort(4390));
const html = await (await fetch(address)).text();
server.kill();
const source = /\/_next\/static\/[^"'\\ ]+?\.js/;
// Polyfills marked noModule are fetched by no browser that runs the rest.
const old = [...html.matchAll(/<script[^>]*nomodule[^>]*>/gi)].map((m) => source.exec(m[0])?.[0]);
const scripts = [...new Set([...html.matchAll(new RegExp(source, 'g'))].map((m) => m[0]))].filter(
  (s) => !old.includes(s),
);
let total = 0;
for (const s of scripts) {
  const size = gzipSync(readFileSync(join('.next', s.replace('/_next/', '')))).length / 1000;
  total += size;
  console.log(`${size.toFixed(1).padStart(8)} kB  ${s}`);
}
console.log(`${total.toFixed(1).padStart(8)} kB  first load, gzipped, of at most ${LIMIT}`);
process.exit(total > LIMIT || scripts.length === 0 ? 1 : 0);
