import { expect, test } from '@playwright/test';
import { cell, freshDemo, lineOf, openStage } from './studio';

test.beforeEach(async ({ page }) => {
  await freshDemo(page);
});

test('a reload in the middle of typing loses nothing', async ({ page }) => {
  await openStage(page, 'track/inputs');
  await page.getByLabel('Add a line').fill('Drums: rib');
  await (await cell(page, 1, 'Performer')).click();
  await page.keyboard.type('Ada Lor');
  await page.reload();
  const performer = await cell(page, 1, 'Performer');
  await expect(performer).toContainText('Ada Lor');
  await expect(page.getByLabel('Add a line')).toHaveValue('Drums: rib');
  await performer.dblclick();
  await page.keyboard.type('ne');
  await page.keyboard.press('Enter');
  await expect(performer).toContainText('Ada Lorne');
  await page.reload();
  await expect(await cell(page, 1, 'Performer')).toContainText('Ada Lorne');
});

test('a second window shows an edit at once', async ({ page, context }) => {
  await openStage(page, 'track/inputs');
  const second = await context.newPage();
  await openStage(second, 'track/inputs');
  await expect(page.getByRole('button', { name: '2 windows, selection own' })).toBeVisible();
  await (await cell(page, 1, 'Performer')).click();
  await page.keyboard.type('Ada Lorne');
  await page.keyboard.press('Enter');
  await expect(await cell(second, 1, 'Performer')).toContainText('Ada Lorne');
});

test('two windows on one row: other fields both stay, the same field tells the later one', async ({
  page,
  browser,
}) => {
  const other = await (await browser.newContext()).newPage();
  await openStage(page, 'track/inputs');
  await openStage(other, 'track/inputs');
  // The second window hears nothing for a while, so it edits what it last saw.
  await other.route('**/events*', (route) => route.abort());
  await other.reload();
  await expect(lineOf(other, 'Imke Tarrow').first()).toBeVisible();
  await (await cell(page, 1, 'Performer')).click();
  await page.keyboard.type('Ada Lorne');
  await page.keyboard.press('Enter');
  await expect(await cell(page, 1, 'Performer')).toContainText('Ada Lorne');

  await (await cell(other, 1, 'Performer')).click();
  await other.keyboard.type('Bo Quill');
  await other.keyboard.press('Enter');
  await expect(
    other.getByText(/Somebody else changed performer of this thread to “Ada Lorne”/),
  ).toBeVisible();
  await expect(await cell(other, 1, 'Performer')).toContainText('Bo Quill');
  await expect(await cell(page, 1, 'Performer')).toContainText('Ada Lorne');

  await other.unroute('**/events*');
  await (await cell(other, 1, 'Track')).click();
  await other.keyboard.type('NARR 2');
  await other.keyboard.press('Enter');
  await expect(await cell(page, 1, 'Track')).toContainText('NARR 2');
  await expect(await cell(other, 1, 'Track')).toContainText('NARR 2');
});

test('a lost connection keeps edits and says so; they are sent when it is back', async ({ page }) => {
  await openStage(page, 'track/inputs');
  await page.route('**/api/**', (route) => route.abort());
  await (await cell(page, 1, 'Performer')).click();
  await page.keyboard.type('Ada Lorne');
  await page.keyboard.press('Enter');
  await expect(await cell(page, 1, 'Performer')).toContainText('Ada Lorne');
  await expect(page.getByText('Saving …').or(page.getByText(/Not connected/))).toBeVisible();
  await page.unroute('**/api/**');
  const atServer = async (): Promise<string | undefined> => {
    const { studio } = (await (await page.request.get('/api/studios/saltglass-rooms')).json()) as {
      studio: { sessions: { threads: { performer: string }[] }[] };
    };
    return studio.sessions[0]?.threads[0]?.performer;
  };
  await expect.poll(atServer).toBe('Ada Lorne');
  await expect(page.getByText('Saving …').or(page.getByText(/Not connected/))).toHaveCount(0);
});

test('the demo opens although the list of studios has not come yet', async ({ page }) => {
  await page.route('**/api/studios', (route) =>
    route.request().method() === 'GET' ? undefined : route.continue(),
  );
  await page.goto('/');
  await expect(page.getByText('Looking …')).toBeVisible();
  await page.getByRole('button', { name: 'Open the demo studio' }).click();
  await expect(lineOf(page, 'Imke Tarrow').first()).toBeVisible();
});

test('a studio that is gone is answered with a way back', async ({ page }) => {
  await page.goto('/studio/nowhere/session/scene/track');
  await expect(page.getByRole('alert')).toContainText('The studio could not be opened');
  await page.getByRole('link', { name: 'Back to the first screen' }).click();
  await expect(page.getByRole('heading', { name: 'Faithful Thread' })).toBeVisible();
});
