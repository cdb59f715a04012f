import { chromium } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { CHROMIUM } from './steps.mjs';

/** The icon as pictures, for devices that do not take drawings: public/icons, from src/app/icon.svg. */
const svg = readFileSync('src/app/icon.svg', 'utf8');
const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox'] });
for (const [name, size, inset] of [
  ['icon-192', 192, 0],
  ['icon-512', 512, 0],
  // A mask may take a tenth off each side.
  ['maskable-512', 512, 0.12],
]) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  const drawn = svg.replace('<svg ', `<svg width="${size * (1 - 2 * inset)}" `);
  await page.setContent(
    `<body style="margin:0;background:#15201f;display:grid;place-items:center;height:100vh">${drawn}`,
  );
  writeFileSync(`public/icons/${name}.png`, await page.screenshot());
  await page.close();
}
await browser.close();
