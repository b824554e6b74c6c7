import { expect, test } from '@playwright/test';
import { freshDemo, leavesSteps, openStage, stepsLeft, TRACKING } from './studio';

const WORK = `${TRACKING}/work-list`;

test.beforeEach(async ({ page }) => {
  await freshDemo(page);
});

test('a step ticked on a tablet is seen at once in the control room; it goes on without a connection and catches up', async ({
  page,
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 820, height: 1180 }, hasTouch: true });
  const tablet = await context.newPage();
  await page.goto(WORK);
  await tablet.goto(WORK);
  const all = await stepsLeft(page);
  await leavesSteps(tablet, all);
  await tablet.getByRole('button', { name: /^Done: Mute the monitors/ }).tap();
  await leavesSteps(page, all - 1);
  await expect(page.getByText('on its way to the floor')).toBeVisible();

  await context.setOffline(true);
  await tablet.getByRole('button', { name: /^Done: Mute the cues/ }).tap();
  await leavesSteps(tablet, all - 2);
  for (const done of [3, 4]) {
    await tablet
      .getByRole('button', { name: /^Done: Plug/ })
      .first()
      .tap();
    await leavesSteps(tablet, all - done);
  }
  // Meanwhile the control room goes on as well.
  await page
    .getByRole('button', { name: /^Done: Plug/ })
    .last()
    .click();
  await leavesSteps(page, all - 2);
  await context.setOffline(false);
  await leavesSteps(page, all - 5);
  await leavesSteps(tablet, all - 5);
  await context.close();
});

test('all ticked, the scene is on the floor, and the bay shows its cords solid', async ({ page }) => {
  await page.goto(WORK);
  const done = page.getByRole('button', { name: /^Done: / });
  for (let left = await stepsLeft(page); left > 0; left--) {
    await leavesSteps(page, left);
    await done.first().click();
  }
  await expect(page.getByText('“Tracking” is on the floor')).toBeVisible();
  await page.goto(`${TRACKING}/track/inputs`);
  const lines = page.locator('tbody tr');
  await expect(lines.filter({ hasText: 'Narrator' }).first()).toContainText('patched');
  await expect(lines.filter({ hasNotText: 'patched' })).toHaveCount(0);
});

test('a dead jack is gone round, and undo makes it good again', async ({ page }) => {
  await page.goto(WORK);
  await page.getByRole('button', { name: 'Cannot: Plug Bay A 13 upper to Bay A 10 lower' }).click();
  await page.getByRole('button', { name: 'Bay A 10 lower', exact: true }).click();
  await expect(page.getByText(/Tracking: 4 Wen Askelby, Harp .*(goes by|passes)/)).toBeVisible();
  await page.getByRole('button', { name: /^Mark Bay A 10 lower as faulty/ }).click();
  await expect(page.getByRole('button', { name: /Bay A 10 lower/ })).toHaveCount(0);
  await page.goto(`${TRACKING}/track/inputs`);
  await expect(page.locator('tbody tr').nth(3)).toContainText('routed');
  await page.goto(`${TRACKING}/rig/check`);
  await expect(page.getByRole('textbox', { name: 'What is wrong with Bay A 10 lower' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'What is wrong with Bay A 10 lower' })).toHaveCount(0);
});

test('a scene is branched, changed and compared with the one it follows', async ({ page }) => {
  await openStage(page, 'scenes/list');
  await page.getByLabel('Another scene').fill('Harp overdub');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByRole('gridcell', { name: 'Harp overdub' }).first()).toBeVisible();
  await page.getByRole('tab', { name: 'Lines in scenes' }).click();
  await expect(page.getByRole('columnheader', { name: 'Harp overdub' })).toBeVisible();
  const heads = await page.locator('thead th').allTextContents();
  const at = heads.findIndex((head) => head.includes('Harp overdub'));
  const cell = page
    .getByRole('row', { name: /^1 Imke Tarrow/ })
    .getByRole('gridcell')
    .nth(at);
  await cell.focus();
  await expect(cell).toContainText('✓');
  await page.keyboard.press('Space');
  await expect(cell).not.toContainText('✓');
  await page.getByRole('tab', { name: 'Compare' }).click();
  const sides = page.locator('.sides select');
  await sides.nth(0).selectOption({ label: 'Tracking · The Lamplighter’s Ledger' });
  await sides.nth(1).selectOption({ label: 'Harp overdub · The Lamplighter’s Ledger' });
  await expect(page.getByText('1 Imke Tarrow, Narrator is left out.')).toBeVisible();
  await sides.nth(0).selectOption({ label: 'What is on the floor' });
  await expect(page.getByRole('heading', { name: 'From On the floor to Harp overdub' })).toBeVisible();
});

test('the routing page says why, and takes another unit', async ({ page }) => {
  await openStage(page, 'track/inputs');
  await page.getByRole('link', { name: 'Why these ways' }).click();
  await expect(
    page.getByRole('heading', { name: 'Why 1 Imke Tarrow, Narrator goes this way' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Pin 1 Imke Tarrow, Narrator to Booth panel line 3' }).click();
  await expect(page.getByRole('heading', { name: /room jack: Booth panel line 3/ })).toBeVisible();
});

test('a tablet is let in with a code, may only tick, and is sent away again', async ({ page, browser }) => {
  await page.goto('/sharing');
  await page.getByRole('button', { name: 'Open it to the studio network' }).click();
  await page.getByRole('button', { name: 'Show a code' }).click();
  const code = (await page.locator('.code').innerText()).replace(/\s/g, '');
  const share = `http://127.0.0.1:${process.env['E2E_SHARE_PORT'] ?? '4758'}`;
  const tablet = await (await browser.newContext({ baseURL: share })).newPage();

  await tablet.goto('/');
  await expect(tablet.getByRole('heading', { name: 'Pair this tablet' })).toBeVisible();
  await tablet.getByLabel('Code').fill(code);
  await tablet.getByLabel('What this tablet is called').fill('Tablet at the bay');
  await tablet.getByRole('button', { name: 'Pair' }).click();
  await expect(tablet.getByRole('button', { name: /Saltglass Rooms/ }).first()).toBeVisible();
  await expect(page.getByText('Tablet at the bay', { exact: true })).toBeVisible();

  await tablet.goto(WORK);
  const all = await stepsLeft(tablet);
  await tablet.getByRole('button', { name: /^Done: Mute the monitors/ }).click();
  await leavesSteps(tablet, all - 1);
  await tablet.getByRole('button', { name: 'Cannot: Plug Bay A 13 upper to Bay A 10 lower' }).click();
  await tablet.getByRole('button', { name: 'Bay A 10 lower', exact: true }).click();
  await tablet.getByRole('button', { name: /^Mark Bay A 10 lower as faulty/ }).click();
  await expect(tablet.getByText(/This tablet may only tick off steps/)).toBeVisible();

  const desk = await page.context().newPage();
  await desk.goto(`${TRACKING}/history`);
  await expect(desk.getByRole('row', { name: /Muted the monitors Tablet at the bay/ })).toBeVisible();

  await page.getByRole('button', { name: 'Revoke Tablet at the bay' }).click();
  await expect(page.getByText('None yet.')).toBeVisible();
  await tablet.getByRole('button', { name: /^Done: Mute the cues/ }).click();
  await expect(tablet.getByText(/This tablet is not paired, or not any more/)).toBeVisible();
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByText('Closed: only this computer reaches the program.')).toBeVisible();
});
