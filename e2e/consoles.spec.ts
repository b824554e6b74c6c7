import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { freshDemo, openStage, watchConsole } from './studio';

test.beforeEach(async ({ page }) => {
  await freshDemo(page);
});

/** A cell of the console, by its line (the head of a section is one) and the title of its column. */
async function cellAt(page: Page, line: number, title: string): Promise<ReturnType<Page['locator']>> {
  await expect(page.locator('thead th', { hasText: title }).first()).toBeVisible();
  const titles = await page.locator('thead th').allInnerTexts();
  const column = titles.findIndex((text) => text.split('\n')[0]?.trim() === title);
  return page.locator(`tbody tr[data-row="${String(line)}"] [data-column="${String(column)}"]`);
}

/** Presses a key some times. */
async function press(page: Page, key: string, times: number): Promise<void> {
  for (let n = 0; n < times; n++) await page.keyboard.press(key);
}

test('a console is gone to, typed, counted on and undone by keyboard alone', async ({ page }) => {
  const alarming = watchConsole(page);
  await openStage(page, 'track/inputs');
  await page.keyboard.press('g');
  await page.keyboard.press('2');
  await expect(page.getByRole('grid', { name: 'Split console' })).toBeVisible();
  await page.getByLabel('Device', { exact: true }).focus();
  await page.keyboard.type('Kiln desk');
  await expect(page.getByRole('grid', { name: 'Kiln desk' })).toBeVisible();
  await expect(page).toHaveURL(/track\/consoles\/kiln-desk$/);

  await page.locator('tbody [tabindex="0"]').focus();
  await press(page, 'ArrowDown', 1);
  await press(page, 'ArrowRight', 2);
  await page.keyboard.type('card in 1');
  await page.keyboard.press('Enter');
  const source = (line: number): Promise<ReturnType<Page['locator']>> => cellAt(page, line, 'Listens to');
  await expect(await source(1)).toHaveText('card in 1');
  await press(page, 'Shift+ArrowDown', 3);
  await page.keyboard.press('Control+Shift+D');
  await expect(await source(4)).toHaveText('card in 4');
  // The amplifiers in front are in the stagebox, and are turned from here.
  await expect(await cellAt(page, 4, 'Gain')).toHaveText('30');
  await page.keyboard.press('Control+z');
  await expect(await source(4)).toHaveText('none');
  await expect(await source(1)).toHaveText('card in 1');
  expect(alarming).toEqual([]);
});

test('a console is made ready in a scene of its own, and its matrix walked, by keyboard alone', async ({
  page,
}) => {
  const alarming = watchConsole(page);
  await openStage(page, 'mix/consoles/kiln-desk');
  await page.getByRole('button', { name: 'Make ready' }).focus();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('dialog', { name: 'Make Kiln desk ready' });
  await expect(panel.getByText('24 inputs, from channel 1 on.')).toBeVisible();
  const name = panel.getByLabel('Its name');
  await name.fill('Reel 4 base');
  await panel.getByRole('button', { name: 'Make ready' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Scene.*Reel 4 base|Reel 4 base/ }).first()).toBeVisible();
  await expect(await cellAt(page, 24, 'Listens to')).toHaveText('card in 24');

  await page.getByLabel('Show', { exact: true }).focus();
  await page.keyboard.type('Matrix: line');
  const grid = page.getByRole('grid', { name: 'Matrix: Line outputs' });
  await grid.focus();
  await expect(page.getByRole('status').filter({ hasText: 'line out 1 listens to mix left' })).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('status').filter({ hasText: 'line out 1 listens to nothing' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('status').filter({ hasText: 'line out 1 listens to mix left' })).toBeVisible();
  expect(alarming).toEqual([]);
});

test('a console is printed', async ({ page }) => {
  await openStage(page, 'track/consoles/split-console');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: /Table and paper/ }).click();
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: /Print what this job uses/ }).click();
  expect((await pdf).suggestedFilename()).toBe('lamplighters-ledger-tracking-console.pdf');
});
