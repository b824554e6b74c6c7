import { expect, test } from '@playwright/test';
import { PARTS } from '../web/src/app/shell/stages';
import { faultsInBoth } from './faults';
import { freshDemo, goToPart, openStage } from './studio';

/** Every part under a scene, and a device, which stands inside one. */
const ADDRESSES = [...PARTS.map(({ address }) => address), 'rig/devices/split-console'];

/** Where the frame is looked at too: with the strip whole, with a finding in the inspector, with the strip on one line. */
const WHOLE: ReadonlySet<string> = new Set(['track/inputs', 'findings', 'history']);

test.beforeAll(async ({ browser }) => {
  const page = await browser.newPage();
  await freshDemo(page);
  await page.close();
});

test('every stage meets WCAG 2.2 AA in both themes', async ({ page }) => {
  test.setTimeout(900_000);
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Open the demo studio' })).toBeVisible();
  expect(await faultsInBoth(page)).toEqual([]);
  for (const address of ['/begin', '/sharing', '/pair', '/health']) {
    await page.goto(address);
    await expect(page.getByRole('heading').first()).toBeVisible();
    expect(await faultsInBoth(page), address).toEqual([]);
  }
  await openStage(page, 'track/inputs');
  for (const stage of ADDRESSES) {
    await goToPart(page, stage);
    if (stage === 'track/inputs') await page.locator('tbody td').nth(1).click();
    if (stage === 'findings') await page.locator('ul button').first().focus();
    // Hundreds of rows are alike: a few are looked at.
    if (stage === 'rig/wiring') await page.getByLabel('Filter wires').fill('opto');
    if (stage === 'rig/devices') await page.getByLabel('Filter devices').fill('opto');
    const within = WHOLE.has(stage) ? 'body' : 'main';
    expect(await faultsInBoth(page, within), stage).toEqual([]);
  }
});

test('nothing runs out of the window at 820 pixels', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1100 });
  await openStage(page, 'track/inputs');
  for (const stage of ADDRESSES) {
    await goToPart(page, stage);
    const width = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(width, stage).toBeLessThanOrEqual(820);
  }
});

test('at 1280 by 800 with nothing selected the work has at least 620 pixels of height', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  for (const stage of ['track/inputs', 'mix/tracks', 'rig/devices', 'patch-list', 'findings']) {
    await openStage(page, stage);
    const letGo = page.getByRole('button', { name: 'Let go of the selection' });
    if (await letGo.isVisible()) await letGo.click();
    const body = await page.locator('.part-body').boundingBox();
    expect(body?.height ?? 0, stage).toBeGreaterThanOrEqual(620);
  }
});

test('a part stands in a window of its own, and what is selected in one is selected in the other', async ({
  page,
  context,
}) => {
  await openStage(page, 'track/inputs');
  const opened = context.waitForEvent('page');
  await page.getByRole('button', { name: 'Open in a window of its own' }).click();
  const own = await opened;
  await expect(own.getByRole('navigation', { name: 'Stages' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: '2 windows, selection shared' })).toBeVisible();
  await own.locator('tbody tr').nth(3).locator('td').nth(1).click();
  await expect(page.getByRole('region', { name: 'Thread strip' })).toContainText('4 Wen Askelby, Harp');
  await own.getByRole('button', { name: 'Show the stages' }).click();
  await expect(own.getByRole('navigation', { name: 'Stages' })).toBeVisible();
  await own.close();
});

test('the theme is kept, and the keys are listed under ?', async ({ page }) => {
  await openStage(page, 'track/inputs');
  await page.getByRole('button', { name: 'Paper theme' }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'paper');
  await page.locator('main').click({ position: { x: 5, y: 5 } });
  await page.keyboard.press('?');
  await expect(page.getByRole('region', { name: 'Keyboard shortcuts' })).toContainText(
    'step back and on along the strip',
  );
});

test('the finder leads anywhere by name', async ({ page }) => {
  await openStage(page, 'track/inputs');
  await page.locator('main').click({ position: { x: 5, y: 5 } });
  await page.keyboard.press('/');
  await page.keyboard.type('bay a 13 up');
  // What is found still moves until everything typed is answered: then the best stands first.
  await expect(page.getByRole('option').first()).toHaveText('Bay A 13 upper · jack');
  await page.getByRole('option', { name: 'Bay A 13 upper · jack' }).click();
  await expect(page.getByRole('region', { name: 'Thread strip' })).toContainText('4 Wen Askelby, Harp');
  await expect(page.getByRole('complementary', { name: 'Inspector' })).toContainText('Bay A 13 upper');
});
