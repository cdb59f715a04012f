import { chromium } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { build, CHROMIUM, freePort, serve } from './steps.mjs';

/** Takes one picture of each main view from the demo data into docs/screenshots. */
if (!build()) process.exit(1);
const { server, address } = await serve(await freePort(4350));
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
mkdirSync('docs/screenshots', { recursive: true });

const goToRig = (name) => async (page) => {
  await page.getByRole('button', { name: /^Rig: / }).click();
  await page.locator('[cmdk-item]').filter({ hasText: name }).click();
};
const openPart = (name) => async (page) => {
  await page.getByRole('searchbox', { name: 'find' }).fill(name);
  await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
  await page.getByRole('dialog').waitFor();
};
const SHOTS = [
  { name: 'rig-bench', path: '/', theme: 'bench' },
  {
    name: 'corners',
    path: '/',
    theme: 'bench',
    act: async (page) => {
      await page
        .getByRole('button', { name: /^fails: .*cuts all corners of the 2.39 frame/ })
        .click();
      await page.getByRole('tab', { name: 'Corners' }).click();
      await page.getByRole('button', { name: /^Sweep/ }).click();
      const table = page.getByRole('table', { name: /worst corner/ });
      await table.getByRole('button', { name: /^18 mm, T2, infinity/ }).click();
      await table.scrollIntoViewIfNeeded();
    },
  },
  {
    name: 'light',
    path: '/',
    theme: 'set',
    act: async (page) => {
      await goToRig('Lift bridge')(page);
      await page.getByRole('button', { name: /can flicker/ }).click();
      await page.getByRole('tab', { name: 'Light' }).click();
    },
  },
  {
    name: 'model',
    path: '/model',
    theme: 'bench',
    act: async (page) => {
      await page
        .getByRole('button', { name: /blocks the screen/ })
        .first()
        .click();
    },
  },
  {
    name: 'model-turned',
    path: '/model',
    theme: 'set',
    act: async (page) => {
      await goToRig('Lockside')(page);
      await page.getByRole('link', { name: 'Model', exact: true }).click();
      await page.getByRole('button', { name: 'Turn it' }).click();
      await page.getByRole('button', { name: 'Names', exact: true }).click();
      await page.locator('figure').getByText('Fender grip', { exact: true }).waitFor();
    },
  },
  {
    name: 'joints',
    path: '/model',
    theme: 'bench',
    act: async (page) => {
      await goToRig('Lockside')(page);
      await page.getByRole('link', { name: 'Model', exact: true }).click();
      await page.getByRole('tab', { name: 'Joints' }).click();
      await page.getByLabel('where could').selectOption('spar');
      await page
        .getByRole('list')
        .getByRole('button', { name: /holes of the bar/ })
        .waitFor();
    },
  },
  {
    name: 'front',
    path: '/',
    theme: 'bench',
    act: async (page) => {
      await goToRig('Canal')(page);
      await page.getByRole('button', { name: /^In front of the lens/ }).press('Enter');
    },
  },
  {
    name: 'carry',
    path: '/carry',
    theme: 'bench',
    act: async (page) => {
      await goToRig('Wheelhouse')(page);
      await page.getByRole('link', { name: 'Carry', exact: true }).click();
      await page.getByText(/leaning 9/).waitFor();
    },
  },
  {
    name: 'power',
    path: '/power',
    theme: 'bench',
    act: async (page) => {
      await goToRig('Canal')(page);
      await page.getByRole('link', { name: 'Power', exact: true }).click();
      await page.getByText('Halyard lead', { exact: true }).waitFor();
    },
  },
  {
    name: 'signals',
    path: '/power',
    theme: 'set',
    act: async (page) => {
      await goToRig('Tug')(page);
      await page.getByRole('link', { name: 'Power', exact: true }).click();
      await page.getByRole('tab', { name: 'Signals' }).click();
      await page.getByText('Bowline lead', { exact: true }).first().waitFor();
    },
  },
  { name: 'lens-set', path: '/set', theme: 'bench', rig: 'Wheelhouse' },
  {
    name: 'configurations',
    path: '/configurations',
    theme: 'bench',
    act: async (page) => {
      await goToRig('Lockside')(page);
      await page.getByRole('link', { name: 'Configurations', exact: true }).click();
      await page.getByRole('table', { name: 'Checks in every configuration' }).waitFor();
    },
  },
  { name: 'compare', path: '/compare', theme: 'set' },
  {
    name: 'kit-sheet',
    path: '/kit',
    theme: 'bench',
    act: async (page) => {
      await openPart('Marl 35')(page);
      await page.getByRole('button', { name: 'focus ring' }).click();
      await page.getByRole('textbox', { name: 'length', exact: true }).click();
    },
  },
  { name: 'kit', path: '/kit', theme: 'bench' },
  { name: 'rules', path: '/rules', theme: 'set' },
  {
    name: 'jobs',
    path: '/',
    theme: 'bench',
    act: async (page) => {
      const lens = page.getByRole('button', { name: /^Lens: / });
      await lens.focus();
      for (const key of ['ArrowRight', 'ArrowRight', 'ArrowLeft', 'Control+z'])
        await page.keyboard.press(key);
      await page.getByTestId('save').getByText('saved').waitFor();
      await page.getByRole('link', { name: 'Job', exact: true }).click();
      await page.getByRole('heading', { name: /^Done in / }).waitFor();
      // The rigs are drawn by the worker: half a picture is none.
      await page.getByText(/^Looking at \d+ rigs/).waitFor({ state: 'hidden' });
    },
  },
  {
    name: 'begin',
    path: '/begin',
    theme: 'bench',
    act: async (page) => {
      await page.getByRole('radio', { name: /Hand-held drama/ }).check();
      await page.getByText('14 parts').waitFor();
    },
  },
  { name: 'phone', path: '/', theme: 'set', size: { width: 390, height: 844 } },
];
for (const shot of SHOTS) {
  const context = await browser.newContext({ viewport: shot.size ?? { width: 1280, height: 800 } });
  if (!shot.stranger)
    await context.addInitScript(() => localStorage.setItem('nelvix.welcomed', '1'));
  await context.addCookies([{ name: 'theme', value: shot.theme, url: address }]);
  const page = await context.newPage();
  await page.goto(address + (shot.rig ? '/' : shot.path));
  await page.locator('[data-ready=true]').waitFor();
  if (shot.rig) {
    await goToRig(shot.rig)(page);
    await page.getByRole('link', { name: 'Lens set' }).click();
  }
  if (shot.act) await shot.act(page);
  await page.mouse.move(2, 400);
  await page.waitForTimeout(500);
  // Fixes and the measuring list come from a worker.
  for (const waiting of ['Trying what could be changed ...', 'Working out what to measure ...'])
    await page.getByText(waiting).waitFor({ state: 'hidden' });
  await page.screenshot({ path: `docs/screenshots/${shot.name}.png` });
  console.log(`docs/screenshots/${shot.name}.png`);
  await context.close();
}
await browser.close();
server.kill();
