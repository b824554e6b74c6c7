import { expect, test } from '@playwright/test';
import { findingOf, freshDemo, openStage, TRACKING, watchConsole } from './studio';

test.beforeEach(async ({ page }) => {
  await freshDemo(page);
});

test('a finding is mended with one key after a look at what it would do, and undone', async ({ page }) => {
  await openStage(page, 'findings');
  await page
    .getByRole('button', { name: /Peak over a maximum level/ })
    .first()
    .focus();
  const repairs = page.getByRole('region', { name: 'Repairs' });
  await expect(repairs).toContainText('Turn Mic preamp 2 to +52.0 dB');
  await expect(repairs).toContainText('mends this one');
  await page.keyboard.press('r');
  await expect(findingOf(page, 'Peak over a maximum level')).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(findingOf(page, 'Peak over a maximum level')).toBeVisible();
});

test('a knob is tried: ladder and findings move, nothing is changed until it is set', async ({ page }) => {
  await openStage(page, 'findings');
  await page
    .getByRole('button', { name: /Peak over a maximum level/ })
    .first()
    .click();
  const strip = page.getByRole('region', { name: 'Thread strip' });
  await strip.getByRole('button', { name: 'Mic preamp mic in 2' }).click();
  await page.getByLabel('what if').fill('40');
  await expect(page.getByText('What if', { exact: true })).toBeVisible();
  await expect(findingOf(page, 'Peak over a maximum level')).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(findingOf(page, 'Peak over a maximum level')).toBeVisible();
});

test('levels and time: ladder and comb are drawn, the clock shows who follows whom, the line-up is filled in', async ({
  page,
}) => {
  const alarming = watchConsole(page);
  await openStage(page, 'levels/ladder');
  await expect(page.locator('ft-chart .main-svg').first()).toBeVisible();
  await page.getByRole('tab', { name: 'Line-up sheet' }).click();
  await page
    .getByRole('row', { name: /^24×24 converter out 1 / })
    .getByRole('gridcell')
    .nth(5)
    .click();
  await page.keyboard.type('3.6');
  await page.keyboard.press('Enter');
  await expect(page.getByText('◆ −0.4')).toBeVisible();
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print (PDF)' }).click();
  expect((await pdf).suggestedFilename()).toBe('lamplighters-ledger-tracking-line-up.pdf');
  await page.goto(`${TRACKING}/time/meet`);
  await expect(page.getByRole('heading', { name: 'LAMP at bus Dialogue left' })).toBeVisible();
  await expect(page.locator('ft-chart .main-svg').first()).toBeVisible();
  await page.getByRole('tab', { name: 'Clock' }).click();
  await expect(page.getByRole('heading', { name: 'House clock is master' })).toBeVisible();
  expect(alarming).toEqual([]);
});
