import { expect, test } from '@playwright/test';
import { freshDemo, TRACKING, watchConsole } from './studio';

test('two windows note into one take, one of them without a connection and through a reload', async ({
  browser,
  page,
}) => {
  const alarming = watchConsole(page);
  await freshDemo(page);
  await page.goto(`${TRACKING}/track/inputs`);
  await expect(page.getByRole('link', { name: /Track.*\d+\/\d+/ })).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('5');
  await expect(page.getByRole('grid', { name: 'Notes' })).toBeVisible();
  await page.keyboard.press('Alt+s');
  await expect(page.getByRole('status').filter({ hasText: 'Reel 3, take 7 runs' })).toBeVisible();
  const context = await browser.newContext({ viewport: { width: 820, height: 1100 } });
  const other = await context.newPage();
  await other.goto(`${TRACKING}/track/takes`);
  await expect(other.getByRole('status').filter({ hasText: 'Reel 3, take 7 runs' })).toBeVisible();
  const notesIn = (where: typeof page) =>
    where.getByRole('grid', { name: 'Notes' }).locator('tbody tr', { hasText: 'Reel 3, take 7' });

  await other.keyboard.press('Alt+3');
  await page.keyboard.press('Alt+4');
  for (const window of [page, other]) await expect(notesIn(window)).toHaveCount(2);

  // Without a connection the other window goes on; a second take cannot be started beside this one.
  await context.route('**/api/**', (route) => route.abort());
  await other.keyboard.press('Alt+1');
  await expect(other.getByText(/1 kept here, sent when the server answers/)).toBeVisible();
  await context.unroute('**/api/**');
  await other.reload();
  for (const window of [page, other]) await expect(notesIn(window)).toHaveCount(3);
  await page.keyboard.press('Alt+s');
  await expect(other.getByRole('status').filter({ hasText: 'Stopped' })).toBeVisible();
  await context.close();
  expect(alarming).toEqual([]);
});
