import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { cell, findingOf, freshDemo, openStage, TRACKING, watchConsole } from './studio';

test.beforeEach(async ({ page }) => {
  await freshDemo(page);
});

/** A point on the canvas of the bays: column and row of a bay, from 0. */
async function jackPoint(page: Page, bay: number, column: number, row: 'upper' | 'lower') {
  const box = (await page.locator('canvas').boundingBox())!;
  const top = box.y + bay * 182 + 22 + 34;
  return { x: box.x + 12 + (column - 0.5) * 26, y: row === 'upper' ? top + 12 : top + 58 };
}

test('gear that threads run through is removed after a warning, shown as broken, and brought back', async ({
  page,
}) => {
  await openStage(page, 'rig/devices');
  await page.getByLabel('Filter devices').fill('opto');
  await page.getByRole('gridcell', { name: 'Opto compressor' }).click();
  await page.getByRole('button', { name: 'Remove Opto compressor' }).click();
  const asked = page.getByRole('alertdialog');
  await expect(asked).toContainText('this thread breaks: 1 Imke Tarrow, Narrator');
  await asked.getByRole('button', { name: 'Do it' }).click();
  await page.goto(`${TRACKING}/findings`);
  await expect(
    page.getByText(
      '1 Imke Tarrow, Narrator is planned on what the rig does not have: “opto compressor, channel a”.',
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('what the rig does not have')).toHaveCount(0);
  await expect(findingOf(page, 'Peak over a maximum level')).toBeVisible();
});

test('a jack of the bay says what it carries; a cord is plugged by drag, moved by keyboard and pulled', async ({
  page,
}) => {
  const alarming = watchConsole(page);
  await openStage(page, 'bay');
  await expect(page.getByRole('button', { name: 'Bay F' })).toBeVisible();
  const from = await jackPoint(page, 0, 3, 'upper');
  const to = await jackPoint(page, 0, 12, 'lower');
  await page.mouse.move(from.x, from.y);
  await expect(page.getByText('Bay A 3 upper', { exact: true })).toBeVisible();
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByText('cord Bay A 3 upper → Bay A 12 lower')).toBeVisible();
  // The plug that was put down is picked up again and goes one jack to the left.
  await page.keyboard.press('Enter');
  await expect(page.getByText('an end is in your hand')).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(page.getByText('cord Bay A 3 upper → Bay A 11 lower')).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByText('cord Bay A 3 upper → Bay A 11 lower')).toHaveCount(0);
  expect(alarming).toEqual([]);
});

test('a loom is shown before it is drawn, and taken back as one', async ({ page }) => {
  await openStage(page, 'rig/wiring');
  await page.getByLabel('From outputs').fill('Bay B 26-27 lower');
  await page.getByLabel('To inputs').fill('Valve equaliser in A');
  await expect(page.getByText('± replaces')).toHaveCount(2);
  await page.getByLabel('To inputs').press('Enter');
  await page.getByLabel('Filter wires').fill('valve bay b');
  await expect(
    page.getByRole('row', { name: 'Bay B 26 lower rear wire Valve equaliser in A' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('row', { name: /^Bay B 2[67] lower rear/ })).toHaveCount(0);
});

test('a table is written, changed in a spreadsheet and read again', async ({ page }) => {
  await openStage(page, 'rig/tables');
  await page.getByRole('button', { name: 'Bay labels' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Write as CSV' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  expect(text).toContain('Bay A,1,upper,Booth 1');
  const choose = (content: string): Promise<void> =>
    page
      .getByLabel('Choose a CSV file')
      .setInputFiles({ name: 'labels.csv', mimeType: 'text/csv', buffer: Buffer.from(content) });
  await choose(text.replace('Bay A,2,upper,Booth 2', 'Bay A,2,upper,Booth 1'));
  await expect(page.getByText(/“Booth 1” stands at upper 1 of Bay A already/)).toBeVisible();
  await choose(text.replace('Bay A,2,upper,Booth 2', 'Bay A,2,upper,Sofa'));
  await expect(page.getByText('± changed')).toHaveCount(1);
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toHaveAttribute(
    'title',
    /Table of bay labels/,
  );
});

test('a device has another like it, with the next number, and its page is shown', async ({ page }) => {
  await openStage(page, 'rig/devices/cue-box-4');
  await page.getByRole('button', { name: 'Add another like it' }).click();
  await expect(page.getByRole('heading', { name: 'Cue box 5' })).toBeVisible();
  await expect(page).toHaveURL(/rig\/devices\/cue-box-5$/);
  await page.getByRole('tab', { name: /^Rooms and devices/ }).click();
  await page.getByLabel('Filter devices').fill('cue box');
  await expect(page.getByRole('gridcell', { name: 'Cue box 5' })).toBeVisible();
});

test('the flow around a device is laid out, and followed to a neighbour', async ({ page }) => {
  const alarming = watchConsole(page);
  await openStage(page, 'rig/devices/opto-compressor');
  await page.getByRole('link', { name: 'Flow around it' }).click();
  const diagram = page.getByRole('group', { name: 'Diagram' });
  await expect(diagram.getByRole('button', { name: '24×24 converter, Batch room' })).toBeVisible();
  await diagram.getByRole('button', { name: '24×24 converter, Batch room' }).focus();
  await page.keyboard.press('Enter');
  await expect(diagram.getByRole('button', { name: '16-way summing mixer, Batch room' })).toBeVisible();
  await expect(page).toHaveURL(/device=24-24-converter/);
  expect(alarming).toEqual([]);
});

test('a track is typed by keyboard and runs through the strip to the line output', async ({ page }) => {
  await openStage(page, 'mix/tracks');
  await expect(await cell(page, 1, 'Mon')).toContainText('on');
  await (await cell(page, 1, 'Outputs')).click();
  await page.keyboard.type('bus Nowhere');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/NARR: There is no bus “Nowhere”/)).toBeVisible();
  await (await cell(page, 1, 'Outputs')).click();
  await page.keyboard.press('Delete');
  await page.keyboard.type('33');
  await page.keyboard.press('Enter');
  await (await cell(page, 1, 'Outputs')).click();
  const strip = page.getByRole('region', { name: 'Thread strip' });
  // Host output 33 is the ninth stream of the cue interface, and its matrix plays that from line output 1.
  for (const name of ['Large condenser', 'Opto compressor', 'NARR in', 'line out 1', 'Cue box 1'])
    await expect(strip).toContainText(name);
});
