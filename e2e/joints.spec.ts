import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { addPart, choose, finding, findings, goToRig, kept, open, tabTo } from './open';

/** What holds what: where a part could go, what carries, screws and tools. */

async function joints(page: Page) {
  await open(page, '/model');
  await goToRig(page, 'Lockside');
  await expect(page.getByRole('group', { name: /^The rig from the side/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Joints' }).click();
  await expect(page.getByRole('heading', { name: 'What the rig is held by' })).toBeVisible();
}

const side = (page: Page) => page.getByRole('group', { name: /^The rig from the side/ });

test('a part is chosen, every place that holds it lights up ranked, one is pressed, undone', async ({
  page,
}) => {
  await joints(page);
  await page.getByLabel('where could').selectOption({ label: 'Cleat shoe mount, shoe mount' });
  await expect(
    page.getByRole('heading', { name: 'Where could Cleat shoe mount go?' }),
  ).toBeVisible();
  const first = page
    .getByRole('list')
    .getByRole('button', { name: /front shoe of Stirrup handle/ });
  await expect(first).toContainText('Brings no new finding.');
  const pin = side(page).getByRole('button', { name: /^Put it on front shoe of Stirrup handle/ });
  await expect(pin).toBeVisible();
  await pin.click();
  await expect(page.getByText('shoe foot in front shoe of Stirrup handle')).toBeVisible();
  await expect(pin).toHaveCount(0);
  await page
    .getByRole('button', { name: /^Undo: Put Cleat shoe mount on front shoe of Stirrup handle/ })
    .click();
  await expect(page.getByText('shoe foot in front shoe of Stirrup handle')).toHaveCount(0);
});

test('a part that is on moves, with what it carries; a hole further, a turn, as it was again', async ({
  page,
}) => {
  await joints(page);
  const hole = page.getByLabel('hole', { exact: true }).first();
  await expect(hole).toHaveValue('2');
  await hole.selectOption({ label: 'from hole 5 of 9' });
  await expect(page.getByRole('button', { name: /^Undo: Put Spar arm in hole 5/ })).toBeVisible();
  // How far its screen turns is tried when it is asked.
  await page.getByRole('button', { name: 'How far does Pane 5 turn?' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: /^(Free from|It turns all the way)/ }),
  ).toBeVisible({ timeout: 30_000 });
  // On the drawing the same is a grip: one arrow, one hole.
  const grip = side(page).getByRole('slider', { name: 'Spar arm, hole of holes of the bar' });
  await expect(grip).toHaveAttribute('aria-valuenow', '4');
  await grip.focus();
  await page.keyboard.press('ArrowRight');
  await expect(grip).toHaveAttribute('aria-valuenow', '5');
  await kept(page);
  await page.reload();
  await expect(side(page).getByRole('slider', { name: /^Spar arm, hole/ })).toHaveAttribute(
    'aria-valuenow',
    '5',
  );
});

test('a free place is chosen, what the kit has for it is tried there, one is put on', async ({
  page,
}) => {
  await joints(page);
  await page.getByRole('button', { name: 'What is free on the rig?' }).click();
  const row = page.getByRole('button', { name: /^front shoe of Stirrup handle/ });
  await expect(row).toContainText('free, accessory shoe; 1 part goes there');
  await expect(page.getByRole('button', { name: /^top hole of Pellin Pocket/ })).toBeDisabled();
  // On the drawing the same place is lit.
  const pin = side(page).getByRole('button', {
    name: /^What could go on front shoe of Stirrup handle/,
  });
  await pin.click();
  await expect(
    page.getByRole('heading', { name: 'What could go on front shoe of Stirrup handle?' }),
  ).toBeVisible();
  await page
    .getByRole('list')
    .getByRole('button', { name: /Cleat shoe mount by its/ })
    .click();
  await expect(page.getByText('shoe foot in front shoe of Stirrup handle')).toBeVisible();
  await expect(page.getByRole('button', { name: /^front shoe of Stirrup handle/ })).toHaveCount(0);
});

test('positions by name: each says what it brings, one is gone to, one is kept, one forgotten', async ({
  page,
}) => {
  await joints(page);
  await expect(page.getByText('Fender grip covers the rear fan of Pellin Pocket')).toBeVisible();
  const turned = page
    .locator('div')
    .filter({ has: page.getByRole('button', { name: 'Fender grip up' }) })
    .last()
    .getByText('it stands so');
  await expect(turned).toHaveCount(0);
  await page.getByRole('button', { name: 'Fender grip up' }).click();
  await expect(turned).toBeVisible();
  const name = page.getByLabel('keep this as a position of Spar arm');
  await name.fill('over the side');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: 'Spar arm over the side' })).toBeVisible();
  await page.getByRole('button', { name: 'Forget over the side of Spar arm' }).click();
  await expect(page.getByRole('button', { name: 'Spar arm over the side' })).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: Forget over the side/ }).click();
  await expect(page.getByRole('button', { name: 'Spar arm over the side' })).toBeVisible();
});

test('what to take along: the fewest tools and where they live, screws there and wanted', async ({
  page,
}) => {
  await joints(page);
  const tools = page.getByRole('listitem').filter({ hasText: 'Fid folding set' });
  await expect(tools).toContainText('hex key 4 mm, hex key 5 mm');
  await expect(tools).toContainText('lives in the front pouch of the focus bag');
  await expect(
    page.getByText('1 in the kit, 1 more wanted; the thread of Peg 11 is going'),
  ).toBeVisible();
});

test('an arm that turns on its screw: two 1/4 to one pinned 3/8 is offered and cures it', async ({
  page,
}) => {
  await joints(page);
  await page.getByRole('tab', { name: 'Findings' }).click();
  await finding(page, /Spar arm with Pane 5 pull on the single screw/).click();
  await findings(page)
    .getByRole('button', { name: /^Put Spar arm on holes of the bar of Stirrup handle by Bollard/ })
    .click();
  await expect(finding(page, /Spar arm with Pane 5 pull on the single screw/)).toHaveCount(0);
  await page.getByRole('tab', { name: 'Joints' }).click();
  await expect(page.getByText('pinned root in pinned hole of Bollard plate')).toBeVisible();
  await expect(page.getByText(/2 x 1\/4-20 UNC, 9\.6 mm/)).toBeVisible();
});

test('above a head one joint alone fails; a second tie clears it', async ({ page }) => {
  await joints(page);
  await page.getByLabel('above a head, or on a vehicle').check();
  await page.getByRole('tab', { name: 'Findings' }).click();
  const alone = finding(page, /Above a head Pane 5 hangs by one joint alone/);
  await alone.click();
  await findings(page).getByRole('button', { name: 'A second tie on Pane 5' }).click();
  await expect(alone).toHaveCount(0);
});

test('a part stands on the matte box; off it goes with it, undone it is back', async ({ page }) => {
  await open(page, '/model');
  await goToRig(page, 'Lift bridge');
  await page.getByRole('tab', { name: 'Joints' }).click();
  await page.getByLabel('where could').selectOption({ label: 'Spar arm, arm' });
  await page
    .getByRole('list')
    .getByRole('button', { name: /top holes of Weir box/ })
    .click();
  const joint = page.getByText('root screw in top holes of Weir box');
  await expect(joint).toBeVisible();
  // It is swung away with the box, and drawn so.
  await expect(side(page)).toContainText('Spar arm');
  await page.keyboard.press('.');
  await page.getByRole('dialog').getByRole('combobox').fill('take weir box off');
  await page.getByRole('option', { name: /^Take Weir box off/ }).click();
  await expect(joint).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: Take Weir box off/ }).click();
  await expect(joint).toBeVisible();
});

test('by keyboard alone: choose a part, go to the best place, put it there', async ({ page }) => {
  await joints(page);
  await tabTo(page, /^where could/);
  await page.keyboard.type('Cleat');
  await expect(
    page.getByRole('heading', { name: 'Where could Cleat shoe mount go?' }),
  ).toBeVisible();
  await expect(page.getByRole('list').getByRole('button', { name: /front shoe/ })).toBeVisible();
  await tabTo(page, /front shoe of Stirrup handle/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('shoe foot in front shoe of Stirrup handle')).toBeVisible();
});

for (const theme of ['light', 'dark'] as const)
  test(`joints and places in ${theme}: nothing for axe to find`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: theme });
    await joints(page);
    const look = async () =>
      (await new AxeBuilder({ page }).analyze()).violations.map((v) => `${v.id}: ${v.help}`);
    expect(await look()).toEqual([]);
    await page.getByLabel('where could').selectOption({ label: 'Cleat shoe mount, shoe mount' });
    await expect(page.getByRole('list').getByRole('button', { name: /front shoe/ })).toBeVisible();
    expect(await look()).toEqual([]);
  });

test('on a phone the joints are read without a sideways scroll', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await joints(page);
  const wide = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(wide).toBeLessThanOrEqual(0);
  await expect(page.getByRole('heading', { name: 'Tools' })).toBeAttached();
});

test('a rig with everything on named interfaces, from nothing, by visible labels', async ({
  page,
}) => {
  await open(page, '/jobs');
  await page.getByRole('button', { name: 'New, empty' }).click();
  await expect(page.getByText('The kit is empty.')).toBeVisible();
  // What the kind usually has is taken; sizes are typed where the sheet asks for them.
  const add = async (kind: string, name: string, sizes: Record<string, string>) => {
    await addPart(page, kind);
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('name', { exact: true }).first().fill(name);
    await page.keyboard.press('Enter');
    const all = sheet.getByRole('button', { name: /^\d+ more fields?$/ });
    if ((await all.count()) > 0) await all.click();
    for (const [label, value] of Object.entries(sizes)) {
      await sheet.getByLabel(label, { exact: true }).first().fill(value);
      await page.keyboard.press('Enter');
    }
    // Of what it is held by, and of its ports where it has some.
    const usual = sheet.getByRole('button', { name: 'Take the usual ones' });
    await expect(usual.first()).toBeVisible();
    for (let n = await usual.count(); n > 0; n--) {
      await usual.first().click();
      await expect(usual).toHaveCount(n - 1);
    }
    await page.keyboard.press('Escape');
    await expect(sheet).toHaveCount(0);
  };
  const block = (width: string, height: string, length: string, mass: string) => ({
    width,
    height,
    length,
    mass,
  });
  await add('body', 'My body', {
    'axis to base': '45',
    width: '110',
    height: '110',
    depth: '90',
    mass: '900',
  });
  await add('cage', 'My cage', {
    wall: '6',
    bottom: '8',
    'room inside, across': '110',
    'room inside, up': '110',
    length: '90',
    mass: '350',
  });
  await add('handle', 'My handle', block('30', '70', '140', '250'));
  await add('arm', 'My arm', block('24', '110', '24', '120'));
  await add('monitor', 'My screen', block('130', '85', '30', '300'));
  await add('microphone', 'My microphone', block('22', '45', '180', '90'));
  await add('dovetail', 'My dovetail', block('60', '12', '150', '240'));

  await page.getByRole('link', { name: 'Rig', exact: true }).click();
  await choose(page, 'body', /My body/);
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await page.getByRole('tab', { name: 'On the rig' }).click();
  await page.getByLabel('fit', { exact: true }).selectOption({ label: 'My cage, cage' });
  await page.getByRole('tab', { name: 'Joints' }).click();
  const put = async (what: string, where: RegExp, then: string) => {
    await page.getByLabel('where could').selectOption({ label: what });
    await page.getByRole('list').getByRole('button', { name: where }).first().click();
    await expect(page.getByText(then).first()).toBeVisible();
  };
  await put('My handle, handle', /top holes of My cage/, 'feet in top holes of My cage');
  await put(
    'My arm, arm',
    /holes of the bar of My handle/,
    'root in holes of the bar of My handle',
  );
  await put('My screen, monitor', /stud of My arm/, 'foot hole in stud of My arm');
  await put(
    'My microphone, microphone',
    /left shoe of My cage/,
    'shoe foot in left shoe of My cage',
  );
  await put('My dovetail, dovetail', /holes below of My cage/, 'screws in holes below of My cage');

  // Nothing stands by a face alone, guesses are never called ok, and what carries the screen is said with its grams.
  await expect(page.getByText(/It carries 420 g: 4.1 N/)).toBeVisible();
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(finding(page, /Whether My arm turns on its screw is not known/)).toBeVisible();
  await expect(findings(page).getByText(/against a face/)).toHaveCount(0);
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Joints' }).click();
  await expect(page.getByText('foot hole in stud of My arm')).toBeVisible();
});

test('a matte box on a single rod beside the lens: how high it stands is not known, and said so', async ({
  page,
}) => {
  await open(page, '/');
  await goToRig(page, 'Lockside');
  await page.getByRole('button', { name: /^Configuration: / }).click();
  await page.getByRole('option', { name: 'from hand to hand' }).click();
  await page.getByRole('button', { name: /^in front/ }).click();
  await page.getByLabel('box', { exact: true }).selectOption({ label: 'Weir box, on rods' });
  await page.getByLabel('clamped to', { exact: true }).selectOption({ label: 'Batten 200' });
  await kept(page);
  await page.keyboard.press('Escape');
  await expect(
    finding(page, /How high Weir box stands is not known: a rod that runs under the lens/),
  ).toBeVisible();
  await page.reload();
  await expect(
    finding(page, /How high Weir box stands is not known: a rod that runs under the lens/),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Put Weir box on Batten 200/ }).click();
  await expect(finding(page, /a rod that runs under the lens/)).toHaveCount(0);
});

test('a motor on a single rod in a clamp of the cage, and back on the rods of the plate', async ({
  page,
}) => {
  await open(page, '/model');
  await goToRig(page, 'Lockside');
  await page.getByRole('button', { name: /^Configuration: / }).click();
  await page.getByRole('option', { name: 'from hand to hand' }).click();
  await page.getByRole('tab', { name: 'On the rig' }).click();
  const on = page.getByLabel('clamped to', { exact: true });
  await expect(on).toHaveValue('rod');
  await expect(on.locator('option:checked')).toHaveText('Batten 200');
  await on.selectOption({ label: 'the rods of the plate' });
  await kept(page);
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(finding(page, /Ratchet motor reaches is not known/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Put Ratchet motor on the rods/ }).click();
  await expect(finding(page, /Ratchet motor reaches is not known/)).toHaveCount(0);
});
