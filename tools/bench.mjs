import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildServer, buildWeb } from './builds.mjs';
import { ensureDebian } from './debian.mjs';
import { ensureInstalled } from './install.mjs';
import { run } from './run.mjs';
import { startBrowser, startServing } from './serving.mjs';

const PORT = 4751;

async function bareNodeMs() {
  const started = performance.now();
  await run(process.execPath, ['-e', '0'], { quiet: true });
  return performance.now() - started;
}

/** What the browser fetches up to a page, as it comes over the wire, and how long an edit takes to another window. */
async function inBrowser(base) {
  const browser = await startBrowser();
  const context = await browser.newContext();
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await client.send('Network.enable');
  let bytes = 0;
  client.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  await page.goto(base);
  await page.getByRole('button', { name: 'Open the demo studio' }).waitFor();
  const firstScreen = bytes;
  await page.getByRole('button', { name: 'Open the demo studio' }).click();
  await page.locator('tbody tr').nth(3).waitFor();
  const trackSheet = bytes;
  const second = await context.newPage();
  await second.goto(page.url());
  const performer = (at) => at.locator('tbody tr').first().locator('td').nth(1);
  await performer(second).waitFor();
  // Both windows write down when: one the key, the other the change on its screen.
  await page.evaluate(() => {
    document.addEventListener(
      'keydown',
      ({ key }) => key === 'Enter' && (window.pressedAt = Date.now()),
      true,
    );
  });
  await performer(second).evaluate((cell) => {
    window.seenAt = {};
    new MutationObserver(() => (window.seenAt[cell.textContent.trim()] ??= Date.now())).observe(cell, {
      childList: true,
      subtree: true,
      characterData: true,
    });
  });
  const delays = [];
  for (let n = 1; n <= 7; n++) {
    await performer(page).focus();
    await page.keyboard.type(`Take ${n}`);
    await page.keyboard.press('Enter');
    await performer(second)
      .filter({ hasText: `Take ${n}` })
      .waitFor();
    const pressed = await page.evaluate(() => window.pressedAt);
    delays.push((await second.evaluate((text) => window.seenAt[text], `Take ${n}`)) - pressed);
  }
  await browser.close();
  return { firstScreen, trackSheet, editMs: delays.sort((a, b) => a - b)[3] };
}

const kB = (bytes) => `${(bytes / 1000).toFixed(0)} kB`;

await ensureDebian([{ command: 'chromium', name: 'chromium' }]);
await ensureInstalled();
await buildServer();
await buildWeb();
await run(process.execPath, ['server/dist/bench.mjs']);

const data = mkdtempSync(join(tmpdir(), 'ft-bench-'));
const bare = await bareNodeMs();
const first = await startServing(PORT, data);
await first.stop();
const again = await startServing(PORT, data);
const browser = await inBrowser(again.base);
await again.stop();
rmSync(data, { recursive: true });

const times = (ms) => `${ms.toFixed(0)} ms, ${(ms / bare).toFixed(1)} x an empty Node process`;
console.log(`\nstart, new data folder with the demo   ${times(first.ms)}`);
console.log(`start, data there                      ${times(again.ms)}`);
console.log(`over the wire to the first screen      ${kB(browser.firstScreen)} (fonts and icons included)`);
console.log(`over the wire to the input list        ${kB(browser.trackSheet)} (worker included)`);
console.log(`an edit, seen in a second window       ${browser.editMs.toFixed(0)} ms (median of 7)`);
