import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { bringIn, crowded } from './crowded.mjs';
import { build, CHROMIUM, freePort, serve } from './steps.mjs';

/**
 * The model that is turned, in Chromium on the production build and in software: frames between two
 * pictures while it is dragged round, and what of each the page's own thread takes, at the demo's rig
 * and at eighty parts. Prints; asserts nothing.
 */
if (!build()) process.exit(1);
const { server, address } = await serve(await freePort(4370));
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
// What a frame costs the page is what its callbacks of the next frame take.
await page.addInitScript(() => {
  const ask = window.requestAnimationFrame.bind(window);
  window.work_ = [];
  window.requestAnimationFrame = (f) =>
    ask((t) => {
      const start = performance.now();
      f(t);
      window.work_.push({ at: t, took: performance.now() - start });
    });
  localStorage.setItem('nelvix.welcomed', '1');
});
const quantile = (list, q) =>
  [...list]
    .sort((a, b) => a - b)
    [Math.floor(list.length * q)].toFixed(1)
    .padStart(6);

async function turned(name) {
  await page.goto(new URL('/model', address).href);
  await page.locator('[data-ready=true]').waitFor();
  await page.getByRole('button', { name: 'Turn it' }).click();
  const canvas = page.locator('canvas');
  await canvas.waitFor();
  await page.waitForTimeout(2000);
  console.log(await canvas.getAttribute('aria-label').then((l) => l.split(' as a model')[0]));
  const box = await canvas.boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(() => (window.work_ = []));
  for (let i = 0; i < 160; i++) {
    await page.mouse.move(x + 200 * Math.sin(i / 25), y + 60 * Math.sin(i / 18));
    await page.waitForTimeout(8);
  }
  const work = await page.evaluate(() => window.work_);
  await page.mouse.up();
  const own = work.map((w) => w.took);
  const between = work.slice(1).map((w, i) => w.at - work[i].at);
  const a = work.at(-1).at - work[0].at;
  console.log(
    `${name.padEnd(18)} ${((1000 * (work.length - 1)) / a).toFixed(1).padStart(5)} frames a second, between two p50 ${quantile(between, 0.5)} ms p95 ${quantile(between, 0.95)} ms; of the page's thread p50 ${quantile(own, 0.5)} ms p95 ${quantile(own, 0.95)} ms`,
  );
}

await turned('the demo');
const { job } = crowded(
  JSON.parse(readFileSync('src/core/format/fixtures/lock-nine.v3.nelvix.json', 'utf8')),
  80,
);
await bringIn(page, address, { ...job, id: 'crowded', name: 'Crowded' });
await page.waitForTimeout(3000);
await turned('eighty parts');
await browser.close();
server.kill();
