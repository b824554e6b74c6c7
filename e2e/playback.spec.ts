import { expect, test } from '@playwright/test';
import { freshDemo, TRACKING, watchConsole } from './studio';

const LIVE = `${TRACKING}-kiln-rehearsal`;

test('somebody stays live, the console is flipped and flipped back, by keyboard alone', async ({ page }) => {
  const alarming = watchConsole(page);
  await freshDemo(page);
  await page.goto(`${LIVE}-playback/track/inputs`);
  await expect(page.getByRole('status').filter({ hasText: 'PLAYBACK' })).toContainText('in this scene');
  await page.keyboard.press('g');
  await page.keyboard.press('4');
  const channels = page.getByRole('grid', { name: 'Channels' });
  await expect(channels).toBeVisible();
  await channels.locator('tbody [tabindex="0"]').focus();
  await page.keyboard.press('ArrowDown');
  for (let n = 0; n < 5; n++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByText('15 of 16 channels; the others stay live.')).toBeVisible();
  await expect(channels.locator('tbody tr').nth(1)).toContainText('the stage');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Every channel of the check.')).toBeVisible();

  // The rooms as they stand, from this scene on: every window says so, on the live scene most of all.
  await page.getByRole('link', { name: /^Work list/ }).press('Enter');
  await page.getByRole('button', { name: 'It is all done already' }).press('Enter');
  const bar = page.getByRole('status').filter({ hasText: 'PLAYBACK' });
  await expect(bar).toContainText(
    /16 channels listen to Kiln recorder in the rooms.*since \d+ \w+, \d\d:\d\d/,
  );
  await bar.getByRole('link').press('Enter');
  await expect(bar).toContainText('PLAYBACK IS STILL ON');
  const steps = page.locator('ft-step-card');
  await expect(steps.nth(2)).toContainText('Back to the stage: set Kiln desk');
  for (let n = 0; n < 3; n++) {
    const left = await steps.count();
    await page.getByRole('button', { name: /^Done/ }).first().press('Enter');
    await expect(steps).toHaveCount(left - 1);
  }
  await expect(bar).toHaveCount(0);
  expect(alarming).toEqual([]);
});
