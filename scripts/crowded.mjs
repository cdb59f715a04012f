/**
 * A rig of `n` parts out of the demo: the tug with battery, screen and drive, and blocks fitted
 * along both sides, a little air between neighbours. For the benches.
 *
 * @param {any} demo the demo job as it is read by roles, or a file of version 3
 * @param {number} n parts on the rig
 * @returns {{ job: any, rig: any }}
 */
export function crowded(demo, n) {
  const base = demo.rigs.find((r) => r.id === 'tug-b');
  const own = partsOf(base);
  const kit = [...demo.kit];
  const fitted = [...(base.fitted ?? [])];
  for (let i = 0; i < n - own; i++) {
    const id = `block-${i}`;
    kit.push({
      id,
      kind: 'grip',
      name: `Block ${i}`,
      width: { value: 20, from: 'measured' },
      height: { value: 30, from: 'measured' },
      depth: { value: 24, from: 'measured' },
    });
    // Four rows along the rig.
    fitted.push({
      id,
      part: id,
      on: i % 2 ? 'left' : 'right',
      x: i % 2 ? -8 : 8,
      y: i % 4 < 2 ? -20 : 40,
      z: -60 + Math.floor(i / 4) * 30,
    });
  }
  const rig = { ...base, fitted };
  return { job: { ...demo, name: `${n} parts`, kit, rigs: [rig] }, rig };
}

/** How many different parts a rig names. */
function partsOf(rig) {
  const ids = new Set([rig.body, rig.lens]);
  for (const list of [
    rig.between,
    rig.thread,
    rig.under,
    rig.rods,
    rig.gears,
    rig.supports,
    rig.drives,
    rig.fitted,
  ])
    for (const use of list ?? []) ids.add(use.part);
  return ids.size;
}

/**
 * Brings a job in as a file, as anybody would.
 *
 * @param {import('@playwright/test').Page} page
 * @param {string} address
 * @param {any} job
 */
export async function bringIn(page, address, job) {
  await page.goto(new URL('/jobs', address).href);
  await page.locator('[data-ready=true]').waitFor();
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({
      name: 'crowded.nelvix.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(job)),
    });
}
