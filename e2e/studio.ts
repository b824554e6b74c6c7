import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { TOKEN_COOKIE, TOKEN_HEADER } from '../contract/src/token';
import { PARTS } from '../web/src/app/shell/stages';

export const TRACKING = '/studio/saltglass-rooms/lamplighters-ledger/tracking';

/** What a page of the program shows with whatever changes something. */
export async function pageToken(page: Page): Promise<Record<string, string>> {
  await page.request.get('/api/health');
  const cookies = await page.context().cookies();
  return { [TOKEN_HEADER]: cookies.find(({ name }) => name === TOKEN_COOKIE)?.value ?? '' };
}

/** Gives the demo studio back as it was made. */
export async function freshDemo(page: Page): Promise<void> {
  const headers = await pageToken(page);
  await page.request.delete('/api/studios/saltglass-rooms', { headers });
  await page.request.post('/api/studios/demo', { headers });
}

/** Opens a page of the demo and waits until it is planned. */
export async function openStage(page: Page, stage: string): Promise<void> {
  await page.goto(`${TRACKING}/${stage}`);
  await expect(page.getByRole('link', { name: /Track.*4\/4|Track.*\d+\/\d+/ })).toBeVisible();
}

/** Goes to another part of the studio that is open, as a link would: without loading the program again. */
export async function goToPart(page: Page, address: string): Promise<void> {
  await page.evaluate((url) => {
    history.pushState({}, '', url);
    dispatchEvent(new PopStateEvent('popstate'));
  }, `${TRACKING}/${address}`);
  const part = PARTS.find((each) => address === each.address || address.startsWith(`${each.address}/`));
  await expect(page.locator(`[id="tab-${part?.address ?? ''}-panel"]`)).toBeVisible();
  await expect(page).toHaveURL(`${TRACKING}/${address}`);
  await expect(page.locator('ft-answer [role=status]')).toHaveCount(0);
}

/** A cell of the input list, by line (from 1) and column title. */
export async function cell(page: Page, line: number, title: string): Promise<ReturnType<Page['locator']>> {
  await expect(page.locator('tbody tr').nth(line - 1)).toBeVisible();
  const titles = await page.locator('thead th').allInnerTexts();
  const column = titles.findIndex((text) => text.split('\n')[0]?.trim() === title);
  return page
    .locator('tbody tr')
    .nth(line - 1)
    .locator('td')
    .nth(column);
}

/** The finding of a title in the list of findings, the first where there are several. */
export const findingOf = (page: Page, title: string): ReturnType<Page['locator']> =>
  page.getByRole('button', { name: new RegExp(title) }).first();

/** A line of the input list, by what stands in it. */
export const lineOf = (page: Page, text: string): ReturnType<Page['locator']> =>
  page.locator('tbody tr').filter({ hasText: text });

/** How many steps the work list has left. */
export async function stepsLeft(page: Page): Promise<number> {
  await expect(page.locator('.count')).toHaveText(/^\d+ to do$/);
  return Number.parseInt(await page.locator('.count').innerText(), 10);
}

/** Waits until so many steps are left. */
export const leavesSteps = (page: Page, count: number): Promise<void> =>
  expect(page.locator('.count')).toHaveText(`${String(count)} to do`);

/** Fails a test on anything alarming in the browser's console. */
export function watchConsole(page: Page): readonly string[] {
  const alarming: string[] = [];
  page.on('console', (message) => {
    if (['error', 'warning'].includes(message.type())) alarming.push(message.text());
  });
  page.on('pageerror', (error) => alarming.push(error.message));
  return alarming;
}
