import { chromium } from '@playwright/test';
import { existsSync, mkdirSync, symlinkSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { spawn } from 'node:child_process';
import { build, CHROMIUM, env, freePort, NEXT, run, serve } from './steps.mjs';

/**
 * From a cold cache to the first drawing of the demo, as a multiple of an empty page of the same
 * framework on the same machine, load by load in turn. Prints; asserts nothing.
 */
const EMPTY = '.nelvix/empty';
const LOADS = 15;

/** A page with a heading and nothing else, built by the same framework. */
function emptyApp() {
  mkdirSync(join(EMPTY, 'app'), { recursive: true });
  if (!existsSync(join(EMPTY, 'node_modules')))
    symlinkSync(resolve('node_modules'), join(EMPTY, 'node_modules'));
  writeFileSync(join(EMPTY, 'package.json'), '{"name":"empty","private":true,"type":"module"}');
  writeFileSync(
    join(EMPTY, 'next.config.mjs'),
    `export default { turbopack: { root: ${JSON.stringify(resolve('.'))} } };`,
  );
  writeFileSync(
    join(EMPTY, 'app/layout.jsx'),
    'export default function L({ children }) { return <html lang="en"><body>{children}</body></html>; }',
  );
  writeFileSync(
    join(EMPTY, 'app/page.jsx'),
    "'use client';\nimport { useEffect, useState } from 'react';\nexport default function P() { const [on, setOn] = useState(false); useEffect(() => setOn(true), []); return <h1 data-drawn={on}>empty</h1>; }",
  );
  return run(process.execPath, [resolve(NEXT), 'build'], { cwd: EMPTY, stdio: 'ignore' });
}

if (!build() || !emptyApp()) process.exit(1);
const own = await serve(await freePort(4380));
const port = await freePort(4390);
const other = spawn(process.execPath, [resolve(NEXT), 'start', '-p', String(port)], {
  cwd: EMPTY,
  stdio: 'ignore',
  env,
});
const empty = `http://127.0.0.1:${port}`;
for (let i = 0; i < 100; i++) {
  if (
    await fetch(empty).then(
      (r) => r.ok,
      () => false,
    )
  )
    break;
  await new Promise((go) => setTimeout(go, 200));
}
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});

/** Ms from the beginning of a navigation until something is drawn, in a browser that knows nothing. */
async function cold(address, drawn) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  await page.addInitScript((selector) => {
    const look = () => {
      if (document.querySelector(selector)) window.drawnAt = performance.now();
      else requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  }, drawn);
  await page.goto(address);
  await page.waitForFunction(() => window.drawnAt !== undefined);
  const at = await page.evaluate(() => window.drawnAt);
  await context.close();
  return at;
}

const times = { own: [], empty: [] };
for (let i = 0; i <= LOADS; i++) {
  const [a, b] = [
    await cold(own.address, '[data-ready=true] main svg path'),
    await cold(empty, '[data-drawn=true]'),
  ];
  // The first pair warms the servers.
  if (i > 0) {
    times.own.push(a);
    times.empty.push(b);
  }
}
const middle = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
const [mine, bare] = [middle(times.own), middle(times.empty)];
console.log(`first drawing, cold cache    p50 ${mine.toFixed(0).padStart(5)} ms`);
console.log(`empty page, cold cache       p50 ${bare.toFixed(0).padStart(5)} ms`);
console.log(`as a multiple                    ${(mine / bare).toFixed(2).padStart(5)}`);
await browser.close();
own.server.kill();
other.kill();
