import type { Locator, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { freshDemo, TRACKING, watchConsole } from './studio';

const CALL = TRACKING.replace(/tracking$/, 'tracking-company');

test.beforeEach(async ({ page }) => {
  await freshDemo(page);
  await page.goto(`${CALL}/track/inputs`);
  await expect(page.getByRole('link', { name: /Track.*\d+\/\d+/ })).toBeVisible();
});

/** A cell of a sheet, by what its row has in it and the title of its column. */
async function cellOf(sheet: Locator, row: string, title: string): Promise<Locator> {
  const heads = sheet.locator('thead th');
  await expect(heads.filter({ hasText: title }).first()).toBeVisible();
  const column = (await heads.allInnerTexts()).findIndex((text) => text.split('\n')[0]?.trim() === title);
  return sheet
    .locator('tbody tr', { hasText: row })
    .first()
    .locator(`[data-column="${String(column)}"]`);
}

const press = async (page: Page, key: string, times: number): Promise<void> => {
  for (let n = 0; n < times; n++) await page.keyboard.press(key);
};

test('levels are gone to, typed, filled and undone, and what nobody wears is muted, by keyboard alone', async ({
  page,
}) => {
  const alarming = watchConsole(page);
  await page.keyboard.press('g');
  await page.keyboard.press('3');
  const [cues, ears] = ['Cues', 'Ears'].map((name) => page.getByRole('grid', { name }));
  await expect(cues!).toBeVisible();
  // Down from the head over how it runs and the buses to the vibraphone, and along to the ensemble.
  await cues!.locator('tbody [tabindex="0"]').focus();
  await press(page, 'ArrowDown', 5);
  await press(page, 'ArrowRight', 5);
  await page.keyboard.type('-14 pre L60');
  await page.keyboard.press('Enter');
  await expect(await cellOf(cues!, 'Vibraphone left', 'Ensemble')).toHaveText('−14 pre L60');
  await page.keyboard.press('ArrowDown');
  await press(page, 'Shift+ArrowDown', 1);
  await page.keyboard.press('Control+d');
  await expect(await cellOf(cues!, 'Harmonium', 'Ensemble')).toHaveText('−10 pre');
  await page.keyboard.press('Control+z');
  const spare = await cellOf(ears!, 'Spare 1 headphones', 'Volume');
  await page.keyboard.press('Alt+m');
  await ears!.locator('tbody [tabindex="0"]').focus();
  await press(page, 'ArrowDown', 10);
  await expect(spare).toHaveText('−80');
  await page.keyboard.press('Control+z');
  await expect(spare).toHaveText('−10');
  expect(alarming).toEqual([]);
});

test('a cue is set up, heard at its ear, and printed, by keyboard alone', async ({ page }) => {
  const alarming = watchConsole(page);
  await page.goto(`${CALL}/track/cues`);
  const setUp = page.getByRole('button', { name: 'Set up a cue' });
  await setUp.focus();
  await page.keyboard.press('Enter');
  const panel = page.getByRole('dialog', { name: 'Set up a cue' });
  await panel.getByLabel('Name').fill('Harp');
  const carriers = panel.getByLabel('Carried by');
  await expect(carriers.locator('option', { hasText: 'Cue interface mix 2' })).toBeAttached();
  await carriers.focus();
  await page.keyboard.type('Cue interface mix 2');
  await panel.getByLabel('Harp headphones, Wen Askelby').focus();
  await page.keyboard.press('Space');
  await expect(panel.getByText('Harp cue left')).toBeVisible();
  await panel.getByRole('button', { name: 'Set it up' }).focus();
  await page.keyboard.press('Enter');
  const cues = page.getByRole('grid', { name: 'Cues' });
  await expect(await cellOf(cues, 'How it runs', 'Harp')).toContainText('patched');
  await expect(await cellOf(cues, 'Narrator', 'Harp')).toHaveText('−10 both');

  const ears = page.getByRole('grid', { name: 'Ears' });
  await ears.locator('tbody [tabindex="0"]').focus();
  await press(page, 'ArrowRight', 2);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'What Imke Tarrow hears' })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'More', exact: true }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /Cue sheet on paper/ }).focus();
  await page.keyboard.press('Enter');
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print the cue sheet (PDF)' }).focus();
  await page.keyboard.press('Enter');
  expect((await pdf).suggestedFilename()).toBe('lamplighters-ledger-tracking-company-cues.pdf');
  expect(alarming).toEqual([]);
});
