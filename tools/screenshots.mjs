import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildServer, buildWeb } from './builds.mjs';
import { ensureDebian } from './debian.mjs';
import { ensureInstalled } from './install.mjs';
import { ROOT } from './run.mjs';
import { startBrowser, startServing } from './serving.mjs';

const TRACKING = '/studio/saltglass-rooms/lamplighters-ledger/tracking';
const SETTLE_MS = 700;

/** One picture of each main view: its address, and what is done there before the picture is taken. */
const VIEWS = [
  {
    name: 'track',
    path: `${TRACKING}/track/inputs`,
    act: (page) => page.locator('tbody tr').nth(3).locator('[data-column="1"]').click(),
  },
  {
    name: 'routing',
    path: `${TRACKING}/routing`,
    act: (page) => page.getByRole('heading', { name: /^Why/ }).waitFor(),
  },
  {
    name: 'findings',
    path: `${TRACKING}/findings`,
    act: (page) =>
      page
        .getByRole('button', { name: /Peak over a maximum/ })
        .first()
        .click(),
  },
  {
    name: 'levels',
    path: `${TRACKING}/levels/ladder`,
    async act(page) {
      await page.getByRole('button', { name: '2 Joss Verrill, Lamplighter' }).click();
      await page.locator('ft-chart .main-svg').first().waitFor();
      await page.getByText(/Mic preamp 2 to/).waitFor();
    },
  },
  {
    name: 'time',
    path: `${TRACKING}/time/meet`,
    act: (page) => page.locator('ft-chart .main-svg').first().waitFor(),
  },
  {
    name: 'patch-list',
    path: `${TRACKING}/patch-list`,
    async act(page) {
      for (const row of [/Large condenser/, /Bay B 1 upper/])
        await page.getByRole('row', { name: row }).locator('[data-switch]').click();
    },
  },
  {
    name: 'rig',
    path: `${TRACKING}/rig/devices`,
    async act(page) {
      await page.getByRole('gridcell', { name: 'Bay A', exact: true }).click();
    },
  },
  {
    name: 'bay',
    path: `${TRACKING}/bay`,
    async act(page) {
      const canvas = page.locator('canvas');
      await canvas.waitFor();
      const box = await canvas.boundingBox();
      await page.mouse.move(box.x + 12 + 26 * 9.5, box.y + 114);
    },
  },
  { name: 'flow', path: `${TRACKING}/flow?device=24-24-converter` },
  {
    name: 'inserts',
    path: '/studio/saltglass-rooms/reel-1-mix/mix/mix/inserts',
    async act(page) {
      await page.getByRole('gridcell', { name: 'DX', exact: true }).first().click();
      await page.keyboard.press('\\');
    },
  },
  {
    name: 'summing',
    path: '/studio/saltglass-rooms/reel-1-mix/mix/mix/summing',
    async act(page) {
      await page.getByRole('gridcell', { name: 'DX', exact: true }).first().click();
      await page.keyboard.press('\\');
    },
  },
  {
    name: 'tracks',
    path: `${TRACKING}/mix/tracks`,
    async act(page) {
      await page.locator('tbody tr').first().locator('[data-column="6"]').click();
    },
  },
  {
    name: 'console',
    path: '/studio/saltglass-rooms/lamplighters-ledger/tracking-chamber-group/track/consoles/split-console',
    theme: 'paper',
    act: (page) => page.getByRole('gridcell', { name: 'channel 3', exact: true }).click(),
  },
  {
    name: 'cues',
    path: '/studio/saltglass-rooms/lamplighters-ledger/tracking-company/track/cues',
    act: (page) => page.getByRole('gridcell', { name: '−2 pre L40' }).click(),
  },
  {
    name: 'playback',
    path: '/studio/saltglass-rooms/lamplighters-ledger/tracking-kiln-rehearsal-playback/track/playback',
    act: (page) => page.getByRole('gridcell', { name: 'Harp, Wen Askelby' }).click(),
  },
  {
    name: 'takes',
    path: `${TRACKING}/track/takes`,
    async act(page) {
      await page.getByLabel('Starts at').fill('2:40');
      await page.keyboard.press('Enter');
      await page.keyboard.press('Alt+s');
      await page.getByRole('button', { name: /^Stop/ }).waitFor();
      await page.waitForTimeout(2500);
      await page.keyboard.press('Alt+2');
      await page.waitForTimeout(1500);
      await page.keyboard.press('Alt+6');
    },
  },
  {
    name: 'work-list',
    path: `${TRACKING}/work-list`,
    size: { width: 820, height: 1180 },
    async act(page) {
      await page.getByRole('button', { name: 'It is all done already' }).click();
      await page.getByText('is on the floor').waitFor();
      await page.getByRole('button', { name: 'To all normals' }).click();
      await page.getByRole('button', { name: /^Done: Mute the monitors/ }).click();
      await page.getByRole('button', { name: /^Done: Mute the cues/ }).waitFor();
    },
  },
  {
    name: 'sessions',
    path: `${TRACKING}/sessions/templates`,
    async act(page) {
      const list = `${new URL(page.url()).origin}${TRACKING}/sessions/list`;
      await page.getByLabel('Another template').fill('Reel');
      await page.keyboard.press('Enter');
      await page.getByRole('gridcell', { name: 'Reel', exact: true }).waitFor();
      for (const [name, day] of [
        ['Reel 2', '2026-12-05'],
        ['Evening at the Kiln', '2026-12-12'],
      ]) {
        await page.goto(list);
        await page.getByLabel('Another session').fill(name);
        await page.keyboard.press('Enter');
        await page.waitForURL(/track\/inputs$/);
        await page.goto(list);
        const row = page.getByRole('row', { name: new RegExp(name) });
        await row.locator('[data-column="1"]').click();
        await page.keyboard.type(day);
        await page.keyboard.press('Enter');
        await row.getByText(day).waitFor();
      }
      await page.locator('tbody [data-column="2"] [data-switch]').first().click();
      await page.getByRole('gridcell', { name: 'Reel 2' }).click();
    },
  },
  {
    name: 'first-screen',
    path: '/',
    act: (page) =>
      page
        .getByText(/errors?$/)
        .first()
        .waitFor(),
  },
];

await ensureDebian([{ command: 'chromium', name: 'chromium' }]);
await ensureInstalled();
await buildServer();
await buildWeb();
const data = mkdtempSync(join(tmpdir(), 'ft-shots-'));
const { base, stop } = await startServing(4752, data);
const browser = await startBrowser();
// One context: what one picture changes, the next shows as one's own.
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
for (const { name, path, theme = 'dim', size, act } of VIEWS) {
  const page = await context.newPage();
  if (size !== undefined) await page.setViewportSize(size);
  await page.addInitScript((wanted) => localStorage.setItem('ft-theme', wanted), theme);
  await page.goto(base + path);
  await page.locator('main h1').first().waitFor();
  await page.waitForTimeout(SETTLE_MS);
  await act?.(page);
  await page.waitForTimeout(SETTLE_MS);
  await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
await stop();
rmSync(data, { recursive: true });
