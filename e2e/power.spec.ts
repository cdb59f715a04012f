import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { finding, goToRig, kept, open } from './open';

/** What feeds what: the tree, fed by pressing, by keys and as a list. */

const tree = (page: Page) => page.getByRole('group', { name: /^What feeds what/ });
const box = (page: Page, name: RegExp) => tree(page).getByRole('button', { name });

const stand = async (page: Page, name: RegExp) => {
  await page.getByRole('button', { name: /^Configuration: / }).click();
  await page.getByRole('option', { name }).click();
};

test('an outlet is pressed, what it can feed says by which lead, and is fed; one step back', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await expect(finding(page, /Pellin Pocket gets 13\.5 V/)).toBeVisible();
  await page.getByRole('tab', { name: 'Fed by' }).click();
  const screen = page.getByRole('heading', { name: 'Pane 5' }).locator('..');
  await screen.getByLabel('fed from').selectOption('nobody said');
  await expect(box(page, /^Pane 5/)).toContainText('not fed');
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(finding(page, /Nobody said what feeds Pane 5/)).toBeVisible();
  await expect(box(page, /^Keel 98/)).toHaveCount(0);
  await expect(tree(page)).toContainText('hours not known');
  // Five volts are too few for it, and it says so; eight will do, by a lead that is there.
  await box(page, /^5 V outlet/).click();
  await expect(box(page, /^Pane 5/)).toContainText('it runs from 7 V');
  await box(page, /^Pane 5/).press('Enter');
  await expect(box(page, /^Pane 5/)).toContainText('it runs from 7 V');
  const eight = box(page, /^8 V outlet/);
  await eight.focus();
  await page.keyboard.press('Enter');
  await expect(eight).toHaveAttribute('aria-pressed', 'true');
  await expect(box(page, /^Pane 5/)).toContainText('by Lanyard lead');
  await box(page, /^Pane 5/).focus();
  await page.keyboard.press('Enter');
  await expect(tree(page).getByText('Lanyard lead', { exact: true })).toBeVisible();
  await expect(tree(page)).toContainText('2 h 17');
  await kept(page);
  await page.reload();
  await expect(tree(page).getByText('Lanyard lead', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(box(page, /^Pane 5/)).toContainText('not fed');
});

test('a thicker lead is offered, tried, and taken', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page
    .getByRole('button', {
      name: /Feed Pellin Pocket from 14\.4 V outlet of Raft plate by Painter/,
    })
    .click();
  await expect(tree(page).getByText('Painter lead', { exact: true })).toBeVisible();
  await expect(box(page, /^Pellin Pocket/)).toContainText('ok');
});

test('a rig without a battery shows what takes power, and that nothing feeds it', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Locks, long');
  await expect(tree(page)).toContainText('not fed');
});

test('on paper: what feeds what, the leads, and the packs for the carrier', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Canal');
  await page.getByText('Halyard lead').first().waitFor();
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  const sheet = page.locator('.sheets');
  await expect(sheet).toContainText('3 of Keel 150: 150 Wh each; in the cabin with approval');
  await expect(sheet).toContainText('fed from 5 V outlet of Raft plate by Halyard lead');
  await expect(sheet).toContainText('Halyard lead: USB-A to round push-pull, 4 pins, 500 mm');
  await expect(sheet).toContainText('Always ask the carrier');
  await expect(sheet).toContainText(
    'Keel 150: Orrin Box and Ratchet motor go dark. No plug to pull.',
  );
});

test('before a pack is pulled: what goes dark with it, and no longer what it does not feed', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Packs' }).click();
  const panel = page.getByRole('tabpanel');
  await expect(panel).toContainText('Pellin Pocket and Pane 5 go dark. No plug to pull.');
  await expect(panel).toContainText('Stop recording first.');
  await page.getByRole('tab', { name: 'Fed by' }).click();
  const screen = page.getByRole('heading', { name: 'Pane 5' }).locator('..');
  await screen.getByLabel('fed from').selectOption('nobody said');
  await page.getByRole('tab', { name: 'Packs' }).click();
  await expect(panel).toContainText('Pellin Pocket goes dark. Nobody said what feeds Pane 5.');
  await kept(page);
});

test('two packs on a plate: the screen goes dark at a change, is cured, and what changed is said', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await stand(page, /^long night/);
  await page.getByRole('tab', { name: 'Packs' }).click();
  const panel = page.getByRole('tabpanel');
  await expect(panel).toContainText('Pane 5 goes dark; Pellin Pocket stays up by the other pack');
  await page.getByRole('tab', { name: 'Findings' }).click();
  const dark = finding(page, /Pane 5 goes dark while a pack is changed/);
  await dark.click();
  await page.getByRole('button', { name: /Feed Pane 5 from held 8 V outlet.* by Lanyard/ }).click();
  await expect(dark).toHaveCount(0);
  await page.getByRole('tab', { name: 'Packs' }).click();
  await expect(panel).toContainText('stay up by the other pack on the plate. No plug to pull.');
  await kept(page);
  await page.getByRole('link', { name: 'Configurations', exact: true }).click();
  await expect(page.getByRole('region', { name: 'What changes' })).toContainText(
    'Pane 5: fed from 8 V outlet of',
  );
});

test('a lead that is too short is said, another put in its place, and loose plugs are tied', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await stand(page, /^screen up/);
  const short = finding(page, /Short lanyard lead is too short/);
  await short.click();
  await page.getByRole('button', { name: /Feed Pane 5 from .* by Lanyard lead/ }).click();
  await expect(short).toHaveCount(0);
  const loose = finding(page, /Warp lead is only pushed in/);
  await expect(loose).toBeVisible();
  await page.getByRole('tab', { name: 'Fed by' }).click();
  await page.getByLabel('its plugs').first().selectOption({ label: 'tied or clamped' });
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(loose).toHaveCount(0);
  await kept(page);
});

test('a dummy battery without a converter is not to be plugged in; one with a converter is put in its place', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await stand(page, /^dummy battery/);
  const chamber = finding(page, /Chamber end of Dummy for the Pocket gives up to 15\.9 V/);
  await chamber.click();
  await page.getByRole('button', { name: /Use Stepped dummy for the Pocket/ }).click();
  await expect(chamber).toHaveCount(0);
  await expect(box(page, /^Stepped dummy/)).toContainText('W');
  await expect(box(page, /^Chamber end/i)).toContainText('7.6 V');
  await kept(page);
});

test('the switch of an outlet is set by its volts, and what nobody said is not known', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await stand(page, /^switched outlet/);
  const wrong = finding(page, /Switched outlet of Punt plate is set to 12 V/);
  await expect(wrong).toBeVisible();
  await page.getByRole('tab', { name: 'Fed by' }).click();
  const set = page.getByLabel('its switch');
  await set.selectOption('nobody said');
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(finding(page, /nobody said: look at its switch/)).toBeVisible();
  await page.getByRole('tab', { name: 'Fed by' }).click();
  await set.selectOption('7.4 V');
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(wrong).toHaveCount(0);
  await expect(finding(page, /look at its switch/)).toHaveCount(0);
  await kept(page);
});

test('a day is laid out pack after pack, and says where nothing is left', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await stand(page, /^cold lock/);
  await page.getByRole('tab', { name: 'Packs' }).click();
  const panel = page.getByRole('tabpanel');
  await expect(panel).toContainText('Keel 98, 1 of 5: to 1 h 29, at worst to');
  await expect(panel.getByRole('img', { name: /^The day of Keel 98/ })).toBeVisible();
  const hours = panel.getByLabel('hours of the day');
  await hours.fill('thirty');
  await hours.press('Enter');
  await expect(page.getByText('Hours, like 10; 24 at most.')).toBeVisible();
  await hours.fill('6');
  await hours.press('Enter');
  await expect(panel).not.toContainText('Nothing is left');
  await hours.fill('9');
  await hours.press('Enter');
  await expect(panel).toContainText('Nothing is left from 7 h 23 to 9 h 00.');
  await kept(page);
});

test('a card that is too slow is said where the cards are, and another put in its place', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Cards' }).click();
  const panel = page.getByRole('tabpanel');
  await expect(panel).toContainText('Bilge 512 writes 2000 Mb/s');
  await expect(panel).toContainText('Bilge 512 takes 31 min at 2200 Mb/s');
  await panel.getByRole('button', { name: 'Take Bilge 512 off' }).click();
  await expect(panel).toContainText('No card is in the camera yet.');
  await panel.getByLabel('put in').selectOption('Locker 512');
  await expect(panel).toContainText('Locker 512 writes 3840 Mb/s');
  await kept(page);
});

test('in the cold a pack lasts less', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Fed by' }).click();
  const cold = page.getByLabel('temperature');
  await cold.fill('-10');
  await cold.press('Enter');
  // 2 h 17 in a room, of which 0.55 of 0.85 is left.
  await expect(tree(page)).toContainText('1 h 29');
  await cold.fill('warm');
  await cold.press('Enter');
  await expect(page.getByText('Degrees Celsius, like -5.')).toBeVisible();
});

test('the night of the chargers is laid out bay by bay; a shorter one is said to be too short', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Packs' }).click();
  const panel = page.getByRole('tabpanel');
  await expect(panel.getByRole('img', { name: /^The night of the chargers: Berth/ })).toBeVisible();
  await expect(panel).toContainText('Berth, bay 1: Keel 150, 1 of 3 to 4 h 00; then Keel 98');
  const hours = panel.getByLabel('hours of the night');
  await hours.fill('5');
  await hours.press('Enter');
  await page.getByRole('tab', { name: 'Findings' }).click();
  await finding(page, /the night has 5 h 00/).click();
  await expect(page.getByText(/more bay.* or a pack that is charged by day/)).toBeVisible();
  await kept(page);
});

test('how long a pack really lasted is noted, counted with, taken out again, and comes back', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Packs' }).click();
  const panel = page.getByRole('tabpanel');
  await panel.getByLabel('ran', { exact: true }).fill('1 h 20');
  await panel.getByLabel('shown after').fill('100');
  await panel.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(panel.getByRole('status')).toHaveText('After it ran a pack shows less than before.');
  await panel.getByLabel('shown after').fill('34');
  await expect(panel.getByRole('img', { name: /Keel 98: .*this run 1 h 43/ })).toBeVisible();
  await panel.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(panel).toContainText('Keel 98: 1 h 20 from 100 to 34 %');
  await page.getByRole('tab', { name: 'Findings' }).click();
  const said = finding(page, /the log says 1 h 43.*something takes more/);
  await expect(said).toBeVisible();
  await page.getByRole('tab', { name: 'Packs' }).click();
  await panel.getByRole('button', { name: /^Take Keel 98.* out of the log$/ }).click();
  await expect(panel).not.toContainText('from 100 to 34 %');
  await page.getByRole('button', { name: /^Undo/ }).first().click();
  await expect(panel).toContainText('from 100 to 34 %');
  await kept(page);
});

test('a stand-in runs a pack down under what is computed, and is called one', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Packs' }).click();
  const panel = page.getByRole('tabpanel');
  await panel.getByRole('button', { name: 'Let a stand-in run' }).click();
  await expect(panel.getByLabel('ran', { exact: true })).toHaveValue(/^\d+ (h \d\d|min)$/);
  await panel.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(panel).toContainText('% (a stand-in)');
  await kept(page);
});

test('modes side by side: pressing one records in it', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Cards' }).click();
  const panel = page.getByRole('tabpanel');
  const mode = panel.getByRole('button', { name: /^What is in keeps up|16:9/ });
  await expect(mode).toContainText('1100 Mb/s; 62 min on what is in; what is in keeps up');
  await mode.click();
  await expect(mode).toHaveAttribute('aria-pressed', 'true');
  await expect(mode).toContainText('recorded in');
  await kept(page);
});

test('how often a lead is tied is said where it is fed; what nobody said is a fix away', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Fed by' }).click();
  const screen = page.getByRole('heading', { name: 'Pane 5' }).locator('..');
  await expect(screen.getByLabel('ties on the way')).toHaveValue('2');
  await screen.getByLabel('ties on the way').selectOption('nobody said');
  await expect(screen).toContainText('wants 1 tie on the way');
  await page.getByRole('tab', { name: 'Findings' }).click();
  const loose = finding(page, /Whether Lanyard lead is tied often enough is not known/);
  await loose.click();
  await page.getByRole('button', { name: /Tie Lanyard lead once on its way/ }).click();
  await expect(loose).toHaveCount(0);
  await kept(page);
});

test('the drawing shows at most and on empty packs what it shows at work', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  const drawn = tree(page);
  await expect(drawn).toContainText('13.8 V, 1.6 A');
  await page.getByLabel('devices', { exact: true }).selectOption('at most');
  await page.getByLabel('packs', { exact: true }).selectOption('empty');
  await expect(drawn).toContainText('about 12 W');
  await expect(drawn).not.toContainText('13.8 V, 1.6 A');
  await page.getByLabel('devices', { exact: true }).selectOption('at rest');
  await expect(drawn).toContainText('as at work');
});

test('a mains unit stands beside the rig, feeds the camera, and its way is said', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Fed by' }).click();
  await page.getByLabel('stand beside').selectOption('Quay');
  await expect(tree(page)).toContainText('from the mains');
  await box(page, /^DC outlet/).click();
  await box(page, /^Pellin Pocket/).click();
  await expect(tree(page)).toContainText('8 h 03');
  await page.getByLabel('way to Quay').fill('-3');
  await page.getByLabel('way to Quay').press('Enter');
  await expect(page.getByText('A number, like 240.')).toBeVisible();
  await page.getByLabel('way to Quay').fill('1300');
  await page.getByLabel('way to Quay').press('Enter');
  await expect(page.getByText(/1300 mm over the floor and up/)).toBeVisible();
  await page.getByRole('button', { name: 'Take Quay off' }).click();
  await expect(tree(page)).not.toContainText('from the mains');
});

test('a pack is marked empty, with the time, and its label says so', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Packs' }).click();
  await page.getByLabel('Keel 98, 2 of 5', { exact: true }).selectOption('empty');
  await expect(page.getByText(/1 empty, \d+ not marked/)).toBeVisible();
  await expect(page.getByText(/^\d{4}-\d\d-\d\d \d\d:\d\d$/)).toBeVisible();
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Packs' }).click();
  await expect(page.getByLabel('Keel 98, 2 of 5', { exact: true })).toHaveValue('empty');
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await expect(page.locator('.sheets .labels').first()).toContainText('\u25a0 empty');
});

test('what a recording came to is noted beside the mode; a stand-in is called one', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Cards' }).click();
  await page.getByLabel('recorded, min').fill('20');
  await page.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(page.getByText('What it came to: gigabytes over 0, like 210.')).toBeVisible();
  await page.getByLabel('came to, GB').fill('270');
  await expect(page.getByText('That is 1800 Mb/s.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(page.getByText(/The log filled 1800 Mb\/s/)).toBeVisible();
  await page.getByRole('button', { name: /^Take 20\.0 min/ }).click();
  await expect(page.getByText(/The log filled 1800 Mb\/s/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Let a stand-in record' }).click();
  await page.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(page.getByText(/A stand-in in the log filled/)).toBeVisible();
});

test('what must not be missed is put into the day, and packs are changed around it', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Packs' }).click();
  await page.getByRole('button', { name: 'Add what must not be missed' }).click();
  await page.getByLabel('long take begins').fill('2:00');
  await page.getByLabel('long take begins').press('Enter');
  await page.getByLabel('long take ends').fill('25');
  await page.getByLabel('long take ends').press('Enter');
  await expect(page.getByText('Hours of the day, like 2 h 30; 24 at most.')).toBeVisible();
  await page.getByLabel('long take ends').fill('3 h');
  await page.getByLabel('long take ends').press('Enter');
  await expect(
    page.getByText(/Change Keel 98 by 1 h 55.*nothing is off during Lock passage and long take/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take long take out of the day' }).click();
  await expect(page.getByText(/nothing is off during Lock passage and long take/)).toHaveCount(0);
});

test('a port is pressed, what can take it says by which lead, and gets it; its lead is tied', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await expect(finding(page, /Nothing holds Bowline lead at the HDMI, micro socket/)).toBeVisible();
  await page.getByRole('tab', { name: 'Signals' }).click();
  const sent = page.getByRole('group', { name: /^What is sent to what/ });
  const port = (name: RegExp) => sent.getByRole('button', { name });
  await expect(sent.getByText('Bowline lead', { exact: true })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => v.id)).toEqual([]);
  // The loop of the screen has nowhere to go on this rig, and says why.
  await port(/^HDMI loop/).click();
  await expect(port(/^Pellin Pocket/)).toContainText('sends only');
  await port(/^Pellin Pocket/).press('Enter');
  await expect(page.getByRole('heading', { name: 'Picture to Pane 5' })).toHaveCount(1);
  await page.getByRole('button', { name: 'Take it off' }).click();
  await expect(page.getByRole('heading', { name: 'Picture to Pane 5' })).toHaveCount(0);
  // By keys: out of the camera, into the screen.
  await port(/^HDMI out/).focus();
  await page.keyboard.press('Enter');
  await expect(port(/^HDMI out/)).toHaveAttribute('aria-pressed', 'true');
  await expect(port(/^Pane 5/)).toContainText('HDMI in: by Bowline lead');
  await port(/^Pane 5/).focus();
  await page.keyboard.press('Enter');
  const own = page.getByRole('heading', { name: 'Picture to Pane 5' }).locator('..');
  await expect(own.getByLabel('lead')).toHaveValue('bowline');
  await own.getByLabel('its plugs').selectOption('tied');
  await own.getByLabel('ties on the way').selectOption('1');
  await page.getByRole('tab', { name: 'Findings' }).click();
  await expect(finding(page, /Nothing holds Bowline lead/)).toHaveCount(0);
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Signals' }).click();
  await expect(own.getByLabel('its plugs')).toHaveValue('tied');
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(own.getByLabel('its plugs')).toHaveValue('');
});

test('the same as a list: another lead, and a port that is chosen', async ({ page }) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Signals' }).click();
  const own = page.getByRole('heading', { name: 'Picture to Pane 5' }).locator('..');
  await own.getByLabel('lead').selectOption('none chosen');
  await page.getByRole('tab', { name: 'Findings' }).click();
  await finding(page, /is not known: by which lead nobody said/).click();
  await page
    .getByRole('button', { name: /Send picture from HDMI out of .* by Bowline lead/ })
    .click();
  await page.getByRole('tab', { name: 'Signals' }).click();
  await expect(own.getByLabel('lead')).toHaveValue('bowline');
  await own.getByRole('button', { name: 'Take it off' }).click();
  await page
    .getByLabel('out of', { exact: true })
    .selectOption({ label: 'HDMI out of Pellin Pocket, picture' });
  await expect(page.getByText('HDMI loop of Pane 5: sends only')).toBeVisible();
  await page.getByRole('button', { name: 'HDMI in of Pane 5: by Bowline lead' }).click();
  await expect(own.getByLabel('lead')).toHaveValue('bowline');
});

test('a lead is tied to what it goes past, lies over that, and is untied again', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Signals' }).click();
  const own = page.getByRole('heading', { name: 'Picture to Pane 5' }).locator('..');
  await own.getByLabel('tie it to').selectOption('Stirrup handle, camera left');
  await expect(own).toContainText('1. tied to Stirrup handle, camera left');
  await expect(own).toContainText('1 tie on the way');
  await expect(own.getByLabel('ties on the way')).toHaveCount(0);
  await kept(page);
  await page.getByRole('link', { name: 'Model', exact: true }).click();
  await expect(
    page.getByRole('button', { name: /^Tie Bowline lead, .* 1 tie on the way/ }).first(),
  ).toBeAttached();
  await page.getByRole('link', { name: 'Power', exact: true }).click();
  await page.getByRole('tab', { name: 'Signals' }).click();
  await own.getByRole('button', { name: 'Untie from Stirrup handle, camera left' }).click();
  await expect(own.getByLabel('ties on the way')).toHaveValue('');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(own).toContainText('1. tied to Stirrup handle, camera left');
});

test('a lead is pressed on the drawing and tied to what is pressed next; a tie is moved by keys and untied', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Tug');
  await page.getByRole('tab', { name: 'Signals' }).click();
  const own = page.getByRole('heading', { name: 'Picture to Pane 5' }).locator('..');
  await own.getByRole('button', { name: 'Tie it on the drawing' }).click();
  const bar = page.getByRole('region', { name: 'Tie Bowline lead' });
  await expect(bar).toBeFocused();
  await expect(bar).toContainText('wants 1 tie on the way');
  await bar.getByLabel('tie it to').selectOption('Stirrup handle, camera right');
  await expect(bar).toContainText('1. Stirrup handle, camera right');
  const knob = page.getByRole('slider', { name: 'Tie 1, to Stirrup handle, camera right' });
  await expect(knob).toHaveCount(1);
  const before = Number(await knob.getAttribute('aria-valuenow'));
  await knob.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(knob).toHaveAttribute('aria-valuenow', String(before + 10));
  await page.keyboard.press('Delete');
  await expect(bar).not.toContainText('Stirrup handle, camera right ×');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(knob).toHaveAttribute('aria-valuenow', String(before + 10));
  // What is pressed: beside the tie that is there already.
  const at = (await knob.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2 + 30, at.y + at.height / 2);
  await expect(bar.getByRole('status')).toContainText(/Tied to Stirrup handle, camera right/);
  await page.mouse.click(at.x + at.width / 2 + 30, at.y + at.height / 2);
  await expect(page.getByRole('slider', { name: /^Tie 2, to Stirrup handle/ })).toHaveCount(1);
  await kept(page);
  await page.keyboard.press('Escape');
  await expect(bar).toHaveCount(0);
  await expect(
    page.getByRole('button', { name: /^Tie Bowline lead, .* 2 ties on the way/ }).first(),
  ).toBeVisible();
  await page.reload();
  await page
    .getByRole('button', { name: /^Tie Bowline lead, .* 2 ties on the way/ })
    .first()
    .press('Enter');
  await expect(bar).toContainText('2. ');
});

test('a pull of a motor is noted, a made-up one beside it; what was seen outranks its sheet', async ({
  page,
}) => {
  await open(page, '/power');
  await goToRig(page, 'Canal');
  await page.getByRole('tab', { name: 'Fed by' }).click();
  const own = page.getByRole('heading', { name: 'Ratchet motor' }).locator('..');
  await expect(own).toContainText('It turns the ring at no charge of what feeds it.');
  await expect(own.getByRole('img', { name: /^Ratchet motor brings/ })).toBeVisible();
  await own.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(own).toContainText('say whether it turned the ring');
  await own.getByRole('button', { name: 'Let a stand-in pull' }).click();
  await expect(own).toContainText(/A made-up Ratchet motor, worked by .*, stalled\./);
  await own.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(own).toContainText(/A stand-in stalled, \d.* V read, pack at 100 %/);
  await own.getByLabel('it went').selectOption('through');
  await own.getByLabel('read at it, V').fill('4,9');
  await own.getByRole('button', { name: 'Keep in the log' }).click();
  await expect(own).toContainText('turned the ring through to the end, 4.9 V read');
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Findings' }).click();
  const area = page.getByLabel('Findings of which area');
  await area.selectOption('all areas');
  await expect(
    finding(page, /It turned the ring through to the end on .* The numbers say otherwise/),
  ).toBeVisible();
  await page.getByRole('tab', { name: 'Fed by' }).click();
  await own.getByRole('button', { name: /^Take turned the ring/ }).click();
  await own.getByRole('button', { name: /^Take A stand-in/ }).click();
  await page.getByRole('tab', { name: 'Findings' }).click();
  await area.selectOption('all areas');
  await expect(finding(page, /Ratchet motor stalls on 5 V outlet/)).toBeVisible();
});

test('what must not be missed is dragged on the day, or moved by keys, never past its own end', async ({
  page,
}) => {
  await open(page, '/power');
  await page.getByRole('tab', { name: 'Packs' }).click();
  const begins = page.getByRole('slider', { name: 'Lock passage: when it begins' });
  const typed = page.getByLabel('Lock passage begins', { exact: true });
  const minutes = async () => Number(await begins.getAttribute('aria-valuenow'));
  const before = await minutes();
  await begins.focus();
  await page.keyboard.press('ArrowRight');
  await expect(begins).toHaveAttribute('aria-valuenow', String(before + 5));
  const at = (await begins.boundingBox())!;
  const [x, y] = [at.x + at.width / 2, at.y + at.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 30, y, { steps: 3 });
  await page.mouse.up();
  const now = await minutes();
  expect(now).toBeLessThan(before);
  expect(now % 5).toBe(0);
  await expect(typed).toHaveValue((await begins.getAttribute('aria-valuetext'))!);
  // It never goes past its own end.
  await begins.focus();
  for (let i = 0; i < 40; i++) await page.keyboard.press('Shift+ArrowRight');
  const ends = Number(
    await page
      .getByRole('slider', { name: 'Lock passage: when it ends' })
      .getAttribute('aria-valuenow'),
  );
  expect(await minutes()).toBe(ends - 5);
  await kept(page);
});

test('a card that is full is marked, not counted for the day, and its label is printed', async ({
  page,
}) => {
  await open(page, '/power');
  await page.getByRole('tab', { name: 'Cards' }).click();
  const own = page.getByRole('heading', { name: 'Cards on hand' }).locator('..');
  await expect(own).toContainText('3 not marked.');
  await own.getByLabel('Bilge 512').selectOption('full, not copied');
  await own.getByLabel('Hold 1000').selectOption('empty');
  await expect(own).toContainText('Goes in next: Hold 1000.');
  await expect(own).toContainText('not emptied before it is copied and compared');
  await expect(
    page.getByText(/1 is marked full and not copied: not counted/).first(),
  ).toBeVisible();
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Cards' }).click();
  await expect(own.getByLabel('Bilge 512')).toHaveValue('full');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(own.getByLabel('Hold 1000')).toHaveValue('');
});

test('a lead that had a fault is set aside, said to fail, and taken back', async ({ page }) => {
  await open(page, '/power');
  const tab = (name: string) => page.getByRole('tab', { name }).click();
  const lead = page.getByLabel('had a fault').first();
  const all = () => page.getByLabel('Findings of which area').selectOption('all areas');
  const said = page.getByText(/is on this rig, and it is set aside as faulty/);
  await tab('Fed by');
  await lead.selectOption('yes, set aside');
  await tab('Findings');
  await all();
  await expect(said.first()).toBeVisible();
  await kept(page);
  await page.reload();
  await all();
  await expect(said.first()).toBeVisible();
  await tab('Fed by');
  await expect(lead).toHaveValue('1');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(lead).toHaveValue('0');
  await tab('Findings');
  await all();
  await expect(said).toHaveCount(0);
});

test('the picture goes within the lead that feeds the screen, and out of it again', async ({
  page,
}) => {
  await open(page, '/kit');
  await page.getByRole('searchbox', { name: 'find' }).fill('Lanyard lead');
  await page.getByRole('button', { name: /^Lanyard lead/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByText(/more fields/).click();
  await sheet.getByLabel('carries besides').selectOption('picture');
  await sheet.getByLabel('second plug at the source').selectOption('HDMI, micro');
  await sheet.getByLabel('second plug at the device').selectOption('HDMI, full size');
  await page.keyboard.press('Escape');
  await goToRig(page, 'Tug');
  await page.getByRole('link', { name: 'Power', exact: true }).click();
  await page.getByRole('tab', { name: 'Signals' }).click();
  const own = page.getByRole('heading', { name: 'Picture to Pane 5' }).locator('..');
  await own.getByLabel('lead').selectOption('within Lanyard lead, that feeds Pane 5');
  await expect(own.getByLabel('lead')).toHaveValue('within fitted:monitor');
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Signals' }).click();
  await expect(own.getByLabel('lead')).toHaveValue('within fitted:monitor');
  await own.getByLabel('lead').selectOption('none chosen');
  await expect(own.getByLabel('lead')).toHaveValue('');
});
