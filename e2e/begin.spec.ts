import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { faultsInBoth } from './faults';
import { freshDemo, lineOf, pageToken, watchConsole } from './studio';

/** An empty program, as somebody sees it who has just begun. */
async function emptied(page: Page): Promise<void> {
  const headers = await pageToken(page);
  const { studios } = (await (await page.request.get('/api/studios')).json()) as {
    studios: { id: string }[];
  };
  for (const { id } of studios) await page.request.delete(`/api/studios/${id}`, { headers });
}

/** A stopwatch in words: what a hand does, one thing at a time. */
function stopwatch(): {
  readonly acts: string[];
  act(what: string, does: () => Promise<unknown>): Promise<void>;
} {
  const acts: string[] = [];
  return {
    acts,
    async act(what, does) {
      acts.push(what);
      await does();
    },
  };
}

test.beforeEach(async ({ page }) => {
  await emptied(page);
});
test.afterEach(async ({ page }) => {
  await emptied(page);
});

test('from the empty program to the first routed thread of a small room in at most 12 actions', async ({
  page,
}) => {
  const alarming = watchConsole(page);
  const { acts, act } = stopwatch();
  await page.goto('/');
  await act('begin a rig', () => page.getByRole('link', { name: 'Begin a rig' }).click());
  await act('name it', () => page.getByLabel('Name of the studio').fill('Lamp room'));
  await act('two mic inputs', () => page.getByLabel('Mic inputs on the interface').fill('2'));
  await act('make it', () => page.keyboard.press('Enter'));
  // It opens with lines that run; one of its own takes the place of the second.
  await expect(lineOf(page, 'Voice')).toContainText('routed');
  await act('choose the second line', () =>
    lineOf(page, 'Guitar amplifier').getByRole('gridcell').nth(3).click(),
  );
  await act('call it what it is', () => page.keyboard.type('Kettle drum'));
  await act('done', () => page.keyboard.press('Enter'));
  await expect(lineOf(page, 'Kettle drum')).toContainText('routed');
  await expect(page.getByRole('link', { name: 'no open findings' })).toBeVisible();
  expect(acts.length, acts.join(', ')).toBeLessThanOrEqual(12);
  expect(alarming).toEqual([]);
});

test('from the empty program and a written list to a thread of one’s own in at most 12 actions', async ({
  page,
}) => {
  const { acts, act } = stopwatch();
  await page.goto('/');
  await act('begin a rig', () => page.getByRole('link', { name: 'Begin a rig' }).click());
  await act('an empty one', () => page.getByRole('button', { name: 'An empty room' }).click());
  await act('name it', () => page.getByLabel('Name of the studio').fill('Old mill'));
  await act('make it', () => page.keyboard.press('Enter'));
  const list = 'interface with 4 mic inputs\ndaw\n2 compressors\ndynamic';
  await act('write down the gear', () => page.getByLabel('Devices, one a line or with commas').fill(list));
  await act('make the devices', () => page.getByRole('button', { name: 'Make 5 devices' }).click());
  await expect(page.getByRole('gridcell', { name: 'Compressor 2' })).toBeVisible();
  await act('go to the input list', () => page.getByRole('link', { name: /^Track/ }).click());
  const line = page.getByPlaceholder('Source: microphone > stations');
  await act('write the line', () => line.fill('Voice: dynamic'));
  await act('enter it', () => line.press('Enter'));
  await expect(lineOf(page, 'Voice')).toContainText('routed');
  expect(acts.length, acts.join(', ')).toBeLessThanOrEqual(12);
});

test('the next session starts from a template, and the first screen lists both', async ({ page }) => {
  await freshDemo(page);
  await page.goto('/');
  await page.getByRole('link', { name: 'The Lamplighter’s Ledger' }).first().click();
  await page.getByRole('button', { name: /^Session:/ }).click();
  await page.getByRole('link', { name: 'Templates', exact: true }).click();
  await page.getByLabel('Another template').fill('Reel');
  await page.keyboard.press('Enter');
  await page.getByRole('gridcell', { name: 'Reel', exact: true }).click();
  await page.getByRole('button', { name: 'New session from Reel' }).click();
  await expect(page).toHaveURL(/\/reel-1\/tracking\/track\/inputs$/);
  await expect(lineOf(page, 'Imke Tarrow').first()).toBeVisible();
  await page.getByRole('link', { name: 'All studios' }).click();
  await expect(page.getByRole('link', { name: 'Go on with Reel 1' })).toBeVisible();
  await expect(page.getByText('one template')).toBeVisible();
  await expect(page.getByRole('row', { name: /Reel 1/ })).toContainText(/errors?/);
  expect(await faultsInBoth(page)).toEqual([]);
});
