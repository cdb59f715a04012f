import { expect, test } from '@playwright/test';
import { open } from './open';

/** What is timed runs after all others, with the machine to itself. */

test('a processor throttled four times: two hundred quick edits are kept two seconds after the last', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await open(page);
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.getByRole('button', { name: /^Lens: / }).focus();
  for (let i = 0; i < 200; i++)
    await page.keyboard.press(i % 5 === 4 ? 'Control+z' : i % 2 ? 'ArrowRight' : 'ArrowLeft');
  await expect(page.getByTestId('save')).toHaveText('saved', { timeout: 2_000 });
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
});
