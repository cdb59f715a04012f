import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { finding, goToRig, kept, open } from './open';

/** How the rig is carried: drawn as it hangs or stands, balanced under the hand. */

const side = (page: Page) =>
  page.getByRole('group', { name: 'The rig as it is carried, side, from camera right' });

async function at(page: Page, rig: string) {
  await open(page, '/carry');
  await goToRig(page, rig);
}

test('it leans as it hangs; the hand slid forward by keys takes the lean away, and one step back', async ({
  page,
}) => {
  await at(page, 'Wheelhouse');
  const caption = page.getByText(/^side, from camera right/);
  await expect(caption).toContainText('leaning 9.7°');
  await expect(finding(page, /It hangs 9\.7 deg nose down/)).toBeVisible();
  const hand = side(page).getByRole('slider', { name: 'Where it is held' });
  await hand.focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press('Shift+ArrowRight');
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(finding(page, /It hangs 0\.\d deg nose/)).toBeVisible();
  await expect(hand).toHaveAttribute('aria-valuenow', '44');
  await kept(page);
  await page.reload();
  await expect(finding(page, /It hangs 0\.\d deg nose/)).toBeVisible();
});

test('dragged with the pointer it balances while it moves', async ({ page }) => {
  await at(page, 'Wheelhouse');
  const hand = side(page).getByRole('slider', { name: 'Where it is held' });
  const box = (await hand.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 30, box.y + box.height / 2, { steps: 6 });
  // Still under the hand: the drawing has turned already.
  await expect(page.getByText(/^side, from camera right/)).not.toContainText('9.7°');
  await page.mouse.up();
  await expect(finding(page, /It hangs 9\.7/)).toHaveCount(0);
});

test('set down it shows what it stands on', async ({ page }) => {
  await at(page, 'Wheelhouse');
  await page.getByRole('button', { name: 'Set down', exact: true }).click();
  await expect(side(page).getByText('stands on')).toBeVisible();
  await expect(page.getByText(/^side, from camera right/)).not.toContainText('leaning');
});

test('how it is held, on what and by whom is said by visible labels; a fix is one press', async ({
  page,
}) => {
  await at(page, 'Lift bridge');
  await expect(page.getByText('Say how it is held, and it is balanced.')).toBeVisible();
  await page.getByRole('tab', { name: 'Held' }).click();
  await page.getByLabel('held', { exact: true }).selectOption({ label: 'on a tripod head' });
  await page.getByLabel('tripod head', { exact: true }).selectOption({ label: 'Trunnion head' });
  await page.getByLabel('ahead of its middle').fill('10');
  await page.getByLabel('ahead of its middle').press('Enter');
  await page.getByRole('tab', { name: 'Findings' }).click();
  const heavy = finding(page, /are on Trunnion head; its maker states/);
  await heavy.click();
  await page
    .getByRole('button', { name: /Winch head in place of Trunnion head/ })
    .first()
    .click();
  await expect(finding(page, /are on Trunnion head/)).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(finding(page, /are on Trunnion head/)).toBeVisible();
});

test('who holds it stays on the device and is in no file', async ({ page }) => {
  await at(page, 'Wheelhouse');
  await expect(finding(page, /what you can just hold in one hand is missing/)).toBeVisible();
  await page.getByRole('tab', { name: 'Held' }).click();
  await page.getByLabel('in one hand').fill('40 kg');
  await page.getByLabel('in one hand').press('Enter');
  await page.getByRole('button', { name: 'Keep on this device' }).click();
  await expect(finding(page, /what you can just hold in one hand is missing/)).toHaveCount(0);
  await expect(page.getByRole('tab', { name: 'Findings' })).toBeVisible();
  await open(page, '/jobs');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('button', { name: /^(Save|Export)/ })
      .first()
      .click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).not.toMatch(/40000|"one":/);
});

test('masses, part by part and configuration by configuration', async ({ page }) => {
  await at(page, 'Lockside');
  await page.getByRole('tab', { name: 'Masses' }).click();
  await expect(page.getByRole('button', { name: /Sedge 18-35.*1080 g/ })).toBeVisible();
  await expect(page.getByText('Configuration by configuration')).toBeVisible();
  await expect(page.getByText('wanted 5000 g to 7500 g')).toBeVisible();
});

test('a weighed rig and an edge go into the log, correct what is on it, and come out again', async ({
  page,
}) => {
  await at(page, 'Wheelhouse');
  await page.getByRole('tab', { name: 'Log' }).click();
  await expect(page.getByText('Nothing yet.')).toBeVisible();
  await expect(page.getByText(/^Forecast 3230 g/)).toBeVisible();
  await page.getByLabel('the scale said').fill('3300');
  await page.getByLabel('the scale said').press('Tab');
  await page.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(page.getByText('It weighs 3300 g (3290 g to 3310 g)')).toBeVisible();
  await expect(page.getByText('70 g heavier than forecast')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What it corrects' })).toBeVisible();
  // Balanced on an edge: the mark on the drawing says where, and it lies level for that.
  await page
    .getByLabel('measured', { exact: true })
    .selectOption({ label: 'on an edge, along the lens' });
  await expect(page.getByText(/^side, from camera right/)).not.toContainText('leaning');
  const mark = side(page).getByRole('slider', { name: 'Where it balances on an edge' });
  await mark.focus();
  await page.keyboard.press('ArrowRight');
  const where = Number(await mark.getAttribute('aria-valuenow'));
  await expect(page.getByLabel('balanced at')).toHaveValue(`${where}`);
  await page.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(page.getByText(`Forecast ${where} mm ahead of the image plane`)).toBeVisible();
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Log' }).click();
  const out = page.getByRole('button', { name: /^Take .* out of the log$/ });
  await expect(out).toHaveCount(2);
  await out.first().click();
  await expect(out).toHaveCount(1);
  await out.click();
  await expect(page.getByText('Nothing yet.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('70 g heavier than forecast')).toBeVisible();
});

test('lens by lens: marks, what a lens asks for, and one setting for all of them', async ({
  page,
}) => {
  await at(page, 'Lockside');
  await page.getByRole('tab', { name: 'Masses' }).click();
  await expect(page.getByText('Sedge 18-35, on it now')).toBeVisible();
  await expect(page.getByText(/^No one setting serves the set: with the hand/)).toBeVisible();
  await page
    .getByRole('button', { name: /asks for \d+ things more/ })
    .first()
    .click();
  await expect(page.getByText(/Set down it tips forwards/)).toBeVisible();
  const mark = page.getByText('mark: 2 mm forward');
  await expect(mark).toBeVisible();
  await page.getByRole('button', { name: 'slide it' }).click();
  await expect(page.getByText('mark: stays').first()).toBeVisible();
});

test('on which side it can be laid', async ({ page }) => {
  await at(page, 'Lockside');
  await page.getByRole('tab', { name: 'Held' }).click();
  await expect(page.getByText(/can lie on its right side: rests on Fender grip/)).toBeVisible();
  await expect(page.getByText(/Pane 5 is not to be rested on/)).toBeVisible();
});

test('heights are typed where they are drawn, and said', async ({ page }) => {
  await at(page, 'Tug');
  await page.getByRole('tab', { name: 'Held' }).click();
  const room = page.getByRole('img', { name: /^Lens over the floor 950 mm.*ceiling at 1150 mm/ });
  await expect(room).toBeVisible();
  await expect(page.getByText('Pane 5 stands 10 mm higher than the ceiling.')).toBeVisible();
  const ceiling = page.getByLabel('ceiling', { exact: true });
  await ceiling.fill('1300');
  await page.keyboard.press('Enter');
  await expect(page.getByText('141 mm of air over Pane 5.')).toBeVisible();
  const lens = page.getByLabel('lens over the floor', { exact: true });
  await lens.fill('');
  await page.keyboard.press('Enter');
  // Nobody says how high it is hugged: nothing is claimed of the air over it.
  await expect(page.getByText(/of air over/)).toHaveCount(0);
  await expect(
    page.getByRole('img', { name: /^How high the lens is, is not known/ }),
  ).toBeVisible();
});

test('a hand has room or not, and the cheek beside the rig is looked at once it is measured', async ({
  page,
}) => {
  await at(page, 'Lockside');
  const choose = async (name: RegExp) => {
    await page.getByRole('button', { name: /^Configuration: / }).click();
    await page.getByRole('option', { name }).click();
  };
  await choose(/^from hand to hand/);
  await expect(finding(page, /Bittern microphone leaves 13 mm for the hand/)).toBeVisible();
  await expect(side(page).getByText('the hand on Stirrup handle')).toBeVisible();
  await choose(/^shoulder/);
  await expect(finding(page, /your cheek has room .* missing in your profile/)).toBeVisible();
  await expect(side(page).getByText('your head')).toHaveCount(0);
  await page.getByRole('tab', { name: 'Held' }).click();
  for (const [label, value] of [
    ['shoulder', '1480'],
    ['eyes', '1650'],
    ['cheek', '60'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByLabel(label, { exact: true }).press('Enter');
  }
  await page.getByLabel('hand that holds').selectOption({ label: 'right' });
  await page.getByRole('button', { name: 'Keep on this device' }).click();
  await expect(finding(page, /Trellis cage goes 9 mm into where your head is/)).toBeVisible();
  await expect(side(page).getByText('your head')).toBeVisible();
});
