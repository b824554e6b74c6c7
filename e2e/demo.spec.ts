import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { cell, findingOf, freshDemo, lineOf, openStage, pageToken, TRACKING, watchConsole } from './studio';

test.beforeEach(async ({ page }) => {
  await freshDemo(page);
});

test('from the first screen into the demo, a line selected, its strip stepped through', async ({ page }) => {
  const alarming = watchConsole(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Open the demo studio' }).click();
  await expect(page).toHaveURL(`${TRACKING}/track/inputs`);
  await (await cell(page, 1, 'Performer')).click();
  const strip = page.getByRole('region', { name: 'Thread strip' });
  await expect(strip).toContainText('1 Imke Tarrow, Narrator');
  for (const device of [
    'Large condenser',
    'Booth panel',
    'Bay A',
    'Mic preamp',
    'Opto compressor',
    '24×24 converter',
    'DAW',
  ])
    await expect(strip).toContainText(device);
  await page.keyboard.press(']');
  await page.keyboard.press(']');
  const inspector = page.getByRole('complementary', { name: 'Inspector' });
  await expect(inspector).toContainText('Booth panel line 1');
  await expect(inspector).toContainText('−0.7 dB: 200 Ω into 2.4 kΩ');
  await page.keyboard.press('[');
  await expect(inspector).toContainText('−36.2 dBu in 94 dB SPL');
  // Home and back: the same studio opens again.
  await page.getByRole('link', { name: 'All studios' }).click();
  await page.getByRole('link', { name: 'Go on with The Lamplighter’s Ledger' }).click();
  await expect(lineOf(page, 'Imke Tarrow').first()).toBeVisible();
  expect(alarming).toEqual([]);
});

test('a cell is filled by keyboard: the legal choices first, the reason where there is none', async ({
  page,
}) => {
  await openStage(page, 'track/inputs');
  const converter = await cell(page, 2, 'Converter');
  await converter.click();
  await page.keyboard.type('in 9');
  await expect(page.getByRole('option').first()).toContainText('24×24 converter in 9');
  await page.keyboard.press('Enter');
  await expect(converter).toContainText('24×24 converter in 9');
  await expect(converter.getByLabel('pinned')).toBeVisible();
  await expect(await cell(page, 2, 'Status')).toContainText('routed');
  await page.keyboard.press('Delete');
  await expect(converter.getByLabel('pinned')).toHaveCount(0);

  const preamp = await cell(page, 1, 'Preamp');
  await preamp.click();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('option').last()).toContainText('No wire, normal or cord leads');
  await expect(page.getByRole('option').filter({ hasText: 'Held by' }).first()).toBeAttached();
  await page.keyboard.press('Escape');
  await expect(preamp).toContainText('Mic preamp 1');
});

test('a line is added by typing its stations, and removed again by undo', async ({ page }) => {
  await openStage(page, 'track/inputs');
  await (await cell(page, 3, 'Performer')).click();
  await page.keyboard.press('Control+Delete');
  await expect(lineOf(page, 'Odile Marrable')).toHaveCount(0);
  await page.getByLabel('Add a line').fill('Kettle: long ribbon > preamp 3');
  await expect(page.getByText('Long ribbon')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(lineOf(page, 'Kettle')).toContainText('routed');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(lineOf(page, 'Kettle')).toHaveCount(0);
  await expect(page.getByText(/Undo: Add line \d+ Kettle/)).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(lineOf(page, 'Kettle')).toBeVisible();
});

test('a thread that cannot be routed says why', async ({ page }) => {
  await openStage(page, 'track/inputs');
  await (await cell(page, 1, 'Preamp')).click();
  await page.getByLabel('Add a line').fill('Clash: broadcast dynamic > floor box line 1');
  await page.keyboard.press('Enter');
  await expect(await cell(page, 14, 'Status')).toContainText('broken');
  await page.goto(`${TRACKING}/findings`);
  await expect(
    page.getByText(/Pins contradict each other: .*line 1 .*5 Brannoc Teale, Vibraphone left/).first(),
  ).toBeVisible();
});

test('findings: walked by keyboard with the strip following, waived with a reason, taken back', async ({
  page,
}) => {
  await openStage(page, 'findings');
  const first = page.getByRole('button', { name: /48 V on a jack bay/ }).first();
  await first.focus();
  const strip = page.getByRole('region', { name: 'Thread strip' });
  await expect(strip).toContainText('4 Wen Askelby, Harp');
  await page.keyboard.press('ArrowDown');
  await expect(strip).toContainText('2 Joss Verrill, Lamplighter');
  await page.keyboard.press('ArrowUp');
  await page.getByLabel('Waive, because').fill('The cord stays in for the whole week');
  await page.getByRole('button', { name: 'Waive', exact: true }).click();
  await expect(page.getByText(/\d+ open, 1 waived/)).toBeVisible();
  await expect(page.getByRole('link', { name: /1 error/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take back the waiver' }).click();
  await expect(page.getByText(/\d+ open, 0 waived/)).toBeVisible();
});

test('a finding’s advice is carried out at the knobs it names, and the finding is gone', async ({ page }) => {
  await openStage(page, 'findings');
  await page
    .getByRole('button', { name: /Peak over a maximum level/ })
    .first()
    .click();
  const inspector = page.getByRole('complementary', { name: 'Inspector' });
  await inspector.getByRole('button', { name: '24×24 converter line in 2' }).click();
  await inspector.getByLabel('Input reference').selectOption('24');
  await expect(page.getByText('peaks 1.3 dB over the maximum of 24×24 converter line in 2')).toBeVisible();
  const strip = page.getByRole('region', { name: 'Thread strip' });
  await strip.getByRole('button', { name: 'Mic preamp mic in 2' }).click();
  await expect(inspector).toContainText('Mic preamp mic in 2');
  await inspector.getByLabel('Gain').fill('52');
  await page.keyboard.press('Tab');
  await expect(findingOf(page, 'Peak over a maximum level')).toBeHidden();
});

test('the patch list is ticked, printed and downloaded', async ({ page }) => {
  await openStage(page, 'patch-list');
  const line = lineOf(page, 'Bay A 10 lower').filter({ hasText: 'Bay A 13 upper' });
  await line.locator('[data-switch]').click();
  await expect(page.getByRole('link', { name: /Patch list 1\/16/ })).toBeVisible();
  const csv = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download CSV' }).click();
  const rows = readFileSync(await (await csv).path(), 'utf8').split('\r\n');
  expect(rows.find((row) => row.includes('Bay A 13 upper,Bay A 10 lower'))).toMatch(/,yes$/);
  const pdf = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print (PDF)' }).click();
  expect(
    readFileSync(await (await pdf).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('the studio goes out as a bundle and comes back byte for byte; a spoiled one is refused whole', async ({
  page,
}) => {
  await page.goto('/');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export Saltglass Rooms' }).click();
  const file = await (await download).path();
  const text = readFileSync(file, 'utf8');
  await page.getByRole('button', { name: 'Remove Saltglass Rooms' }).click();
  await page.getByRole('button', { name: 'Remove for good' }).click();
  await expect(page.getByText('Sessions on this computer')).toHaveCount(0);

  const spoiled = text.replace('"to": "mic-preamp/mic-1/1"', '"to": "mic-preamp/out-1/1"');
  const choose = (content: string): Promise<void> =>
    page.locator('input[type=file]').setInputFiles({
      name: 'rooms.thread.json',
      mimeType: 'application/json',
      buffer: Buffer.from(content),
    });
  await choose(spoiled);
  await expect(page.getByRole('alert')).toContainText('Nothing was stored');
  await expect(page.getByRole('alert')).toContainText(
    '“mic-preamp/out-1/1” is an output, but a cable ends at an input',
  );
  await expect(page.getByText('Sessions on this computer')).toHaveCount(0);

  await choose(text);
  await expect(page).toHaveURL(`${TRACKING}/track/inputs`);
  const again = await page.request.get('/api/studios/saltglass-rooms/bundle');
  expect(await again.text()).toBe(text);
});

test('a studio is begun from nothing, with a rig, a wire and a line-up of its own', async ({ page }) => {
  await page.request.delete('/api/studios/glass-lane', { headers: await pageToken(page) });
  await page.goto('/begin');
  await page.getByRole('button', { name: 'An empty room' }).click();
  await page.getByLabel('Name of the studio').fill('Glass Lane');
  await page.getByRole('button', { name: 'Make this room' }).click();
  await expect(page.getByText('No devices yet.')).toBeVisible();
  for (const kind of ['Mic preamp', 'Converter']) {
    await page.getByLabel('Kind of device').fill(kind);
    await page.getByRole('button', { name: 'Add with typical data' }).click();
    await expect(page.getByRole('gridcell', { name: kind, exact: true }).first()).toBeVisible();
  }
  await page.getByRole('tab', { name: /^Fixed wiring/ }).click();
  await page.getByLabel('From outputs').fill('Mic preamp out 1-4');
  await page.getByLabel('To inputs').fill('Converter line in 1');
  await expect(page.getByText('+ new')).toHaveCount(4);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: 'Mic preamp out 1 wire Converter line in 1' })).toBeVisible();

  await page.getByRole('button', { name: 'Session settings' }).click();
  await page.getByLabel('Sample rate').selectOption({ label: '96 kHz' });
  await page.getByLabel('Line-up, digital').fill('-20');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'Session settings' })).toHaveText(
    '96 kHz · −20.0 dBFS = +4.0 dBu',
  );
  await page.request.delete('/api/studios/glass-lane', { headers: await pageToken(page) });
});
