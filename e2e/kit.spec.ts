import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { faultsInBoth } from './faults';

const FILES = new URL('../web/dist-kit/browser/', import.meta.url);

/** The kit has no server: its files come from where the build put them. */
async function openKit(page: Page): Promise<readonly string[]> {
  const alarming: string[] = [];
  page.on('console', (message) => {
    if (['error', 'warning'].includes(message.type())) alarming.push(message.text());
  });
  page.on('pageerror', (error) => alarming.push(error.message));
  await page.route('**/*', (route) => {
    const file = new URL(route.request().url()).pathname.slice('/kit/'.length) || 'index.html';
    return route.fulfill({ path: fileURLToPath(new URL(file, FILES)) });
  });
  await page.goto('/kit/');
  await expect(page.getByRole('heading', { name: 'Kit' })).toBeVisible();
  return alarming;
}

test('the pieces of the interface meet WCAG 2.2 AA in both themes, whatever is open', async ({ page }) => {
  const alarming = await openKit(page);
  await page.getByRole('button', { name: 'Enter', exact: true }).click();
  await page.getByRole('button', { name: 'Seldom looked at' }).click();
  expect(await faultsInBoth(page), 'the page').toEqual([]);

  await page.getByRole('button', { name: 'Ask' }).click();
  await expect(page.getByRole('button', { name: 'Do it' })).toBeFocused();
  expect(await faultsInBoth(page, '.modal'), 'a question').toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('alertdialog')).toHaveCount(0);

  await page.getByRole('button', { name: 'Panel' }).click();
  await expect(page.getByRole('dialog', { name: 'Data' })).toBeVisible();
  expect(await faultsInBoth(page, '.offcanvas'), 'a panel').toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.getByRole('button', { name: 'About hints' }).click();
  await expect(page.getByText('Turn preamp 5 down 10 dB.')).toBeVisible();
  expect(await faultsInBoth(page, '.popover'), 'a hint').toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page.locator('.popover')).toHaveCount(0);
  await page.getByRole('button', { name: 'Tip' }).focus();
  await expect(page.getByRole('tooltip')).toBeVisible();
  expect(await faultsInBoth(page, '.tooltip'), 'a tip').toEqual([]);
  await page.getByLabel('Shelf').focus();
  await expect(page.getByRole('listbox')).toBeVisible();
  expect(await faultsInBoth(page, '[role=listbox]'), 'what is offered').toEqual([]);
  expect(alarming).toEqual([]);
});

test('an order is changed by dragging and by keys, and the keys stay with what was moved', async ({
  page,
}) => {
  await openKit(page);
  const names = page.getByRole('list', { name: 'What is preferred' }).locator('li > span');
  const grip = (name: string) => page.getByRole('button', { name: new RegExp(`^Place \\d: ${name}`) });
  await grip('few cords').focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(names).toHaveText(['few tie lines', 'few cords', 'keep what is plugged already']);
  await page.keyboard.press('Alt+ArrowDown');
  await expect(names).toHaveText(['few tie lines', 'keep what is plugged already', 'few cords']);
  await expect(grip('few cords')).toBeFocused();
  await page.getByRole('heading', { name: 'Lists and folds' }).evaluate((heading) => {
    heading.scrollIntoView();
  });
  const [from, to] = [await grip('few cords').boundingBox(), await names.first().boundingBox()];
  await page.mouse.move(from!.x + 5, from!.y + 5);
  await page.mouse.down();
  await page.mouse.move(from!.x + 5, from!.y - 10, { steps: 4 });
  await page.mouse.move(from!.x + 5, to!.y + 2, { steps: 8 });
  await page.mouse.up();
  await expect(names).toHaveText(['few cords', 'few tie lines', 'keep what is plugged already']);
});

test('a row of a sheet is dragged to another place, and moved with the keys on it', async ({ page }) => {
  await openKit(page);
  const texts = page.locator('ft-kit-sheet tbody [data-column="0"]');
  const grip = page.locator('ft-kit-sheet tbody .grip');
  const [from, to] = [await grip.nth(0).boundingBox(), await grip.nth(3).boundingBox()];
  await page.mouse.move(from!.x + 8, from!.y + 8);
  await expect(grip.nth(0)).toHaveClass(/ready/);
  await page.mouse.down();
  await page.mouse.move(from!.x + 8, from!.y + 20, { steps: 4 });
  await page.mouse.move(from!.x + 8, to!.y + 12, { steps: 8 });
  await page.mouse.up();
  await expect(texts.nth(3)).toHaveText('line 0');
  // The hand rests on the grip of the row it has just put there, and takes it back.
  await page.mouse.down();
  await page.mouse.move(from!.x + 8, to!.y, { steps: 4 });
  await page.mouse.move(from!.x + 8, from!.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect(texts.nth(0)).toHaveText('line 0');
  await expect(texts.nth(3)).toHaveText('line 3');
  await texts.nth(0).click();
  await page.keyboard.press('Alt+ArrowDown');
  await page.keyboard.press('Alt+ArrowDown');
  await expect(texts.nth(2)).toHaveText('line 0');
  await expect(texts.nth(2)).toBeFocused();
});
