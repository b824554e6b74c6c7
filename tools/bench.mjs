import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { editsSeen } from './benchEdits.mjs';
import { consoleInBrowser, tellConsole } from './benchConsole.mjs';
import { sheetInBrowser } from './benchSheet.mjs';
import { takesInBrowser, tellTakes } from './benchTakes.mjs';
import { buildKit, buildServer, buildWeb } from './builds.mjs';
import { ensureDebian } from './debian.mjs';
import { ensureInstalled } from './install.mjs';
import { bin, run } from './run.mjs';
import { pageToken, startBrowser, startServing } from './serving.mjs';

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
  const delays = await editsSeen(page, second, 7);
  await browser.close();
  return { firstScreen, trackSheet, editMs: delays.sort((a, b) => a - b)[3] };
}

/** The bays of a large rig in the browser: until they stand there, while they are scrolled, under the pointer. */
async function baysInBrowser(base, bundle) {
  await fetch(`${base}/api/bundles`, {
    method: 'POST',
    headers: await pageToken(base),
    body: readFileSync(bundle),
  });
  const browser = await startBrowser();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const started = performance.now();
  await page.goto(`${base}/studio/bays/session/scene/bay`);
  await page.getByRole('button', { name: 'Bay 20', exact: true }).waitFor();
  const openMs = performance.now() - started;
  const paintMs = await page.evaluate(
    () => performance.getEntriesByName('first-contentful-paint')[0]?.startTime,
  );
  const frames = await page.evaluate(async () => {
    const scroller = document.querySelector('.scroller');
    const times = [];
    let before = await new Promise(requestAnimationFrame);
    for (let top = 0; top < scroller.scrollHeight - scroller.clientHeight; top += 30) {
      scroller.scrollTo({ top, left: top / 4 });
      const now = await new Promise(requestAnimationFrame);
      times.push(now - before);
      before = now;
    }
    return times.sort((a, b) => a - b);
  });
  await page.evaluate(() => document.querySelector('.scroller').scrollTo({ top: 0, left: 0 }));
  const box = await page.locator('canvas').boundingBox();
  const hovers = [];
  for (let n = 1; n <= 15; n++) {
    await page.evaluate(
      (name) => {
        window.hoverAt = undefined;
        window.saidAt = undefined;
        const told = new MutationObserver(() => {
          if (document.querySelector('.said strong')?.textContent !== name) return;
          window.saidAt = performance.now();
          told.disconnect();
        });
        told.observe(document.querySelector('.said'), {
          childList: true,
          subtree: true,
          characterData: true,
        });
        const canvas = document.querySelector('canvas');
        canvas.addEventListener('pointermove', () => (window.hoverAt = performance.now()), { once: true });
      },
      `Bay 1 ${n + 3} upper`,
    );
    await page.mouse.move(box.x + 12 + 26 * (n + 2.5), box.y + 68);
    await page.waitForFunction(() => window.saidAt !== undefined);
    hovers.push(await page.evaluate(() => window.saidAt - window.hoverAt));
  }
  const heapMb = (await page.evaluate(() => performance.memory.usedJSHeapSize)) / 1e6;
  await browser.close();
  const at = (list, share) => list[Math.min(list.length - 1, Math.floor(list.length * share))];
  return {
    openMs,
    paintMs,
    heapMb,
    frameMs: at(frames, 0.5),
    slowFrameMs: at(frames, 0.95),
    hoverMs: at(
      hovers.sort((a, b) => a - b),
      0.5,
    ),
    slowHoverMs: at(hovers, 0.95),
  };
}

/** A gain typed in a facility of twenty thousand lanes: from Enter until the strip shows it. */
async function stripInBrowser(base, bundle) {
  await fetch(`${base}/api/bundles`, {
    method: 'POST',
    headers: await pageToken(base),
    body: readFileSync(bundle),
  });
  const browser = await startBrowser();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/studio/facility/session/scene/track`);
  await page.locator('tbody tr').nth(3).waitFor();
  const column = (await page.locator('thead th').allTextContents()).findIndex((text) =>
    /^\s*Gain/.test(text),
  );
  const cell = page.locator('tbody tr').first().locator('th, td').nth(column);
  const delays = [];
  for (let n = 1; n <= 25; n++) {
    await cell.click();
    await page.evaluate(() => {
      window.pressedAt = undefined;
      window.shownAt = undefined;
      document.addEventListener(
        'keydown',
        (event) => event.key === 'Enter' && (window.pressedAt ??= performance.now()),
        true,
      );
      new MutationObserver((_, observer) => {
        if (window.pressedAt === undefined) return;
        window.shownAt = performance.now();
        observer.disconnect();
      }).observe(document.querySelector('section[aria-label="Thread strip"]'), {
        childList: true,
        subtree: true,
        characterData: true,
      });
    });
    await page.keyboard.type(String(30 + n));
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => window.shownAt !== undefined);
    delays.push(await page.evaluate(() => window.shownAt - window.pressedAt));
    await page.waitForTimeout(300);
  }
  await browser.close();
  const sorted = delays.slice(3).sort((a, b) => a - b);
  return { ms: sorted[11], slowMs: sorted[20] };
}

const kB = (bytes) => `${(bytes / 1000).toFixed(0)} kB`;

function tellSheet({ fewMs, manyMs, frameMs, slowFrameMs, keyMs, slowKeyMs }) {
  const ms = (time) => `${time.toFixed(1)} ms`;
  console.log(`\na sheet of 2 000 rows x 20 columns: painted   ${ms(manyMs)}, one of 40 rows ${ms(fewMs)}`);
  console.log(`  a frame while scrolling              ${ms(frameMs)}, 95 of 100 within ${ms(slowFrameMs)}`);
  console.log(`  a key, until the next cell has it    ${ms(keyMs)}, 95 of 100 within ${ms(slowKeyMs)}`);
}

/** The seeded tests with many seeds instead of few: an hour and more. */
async function manySeeds() {
  const specs = ['core/test', 'server/test']
    .flatMap((folder) => readdirSync(folder, { recursive: true }).map((file) => join(folder, file)))
    .filter((file) => file.endsWith('.spec.ts') && readFileSync(file, 'utf8').includes('/fixtures/seeds'));
  const { code } = await run(bin('jest'), ['--selectProjects', 'core', 'server', '--', ...specs], {
    env: { FT_SEEDS: 'many' },
  });
  process.exit(code);
}

await ensureInstalled();
if (process.argv.includes('seeds')) await manySeeds();
for (const part of ['history', 'optimum', 'cues'])
  if (process.argv.includes(part)) {
    await buildServer();
    process.exit((await run(process.execPath, ['server/dist/bench.mjs', part])).code);
  }
await ensureDebian([{ command: 'chromium', name: 'chromium' }]);
if (process.argv.includes('sheet')) {
  await buildKit();
  tellSheet(await sheetInBrowser());
  process.exit();
}
/** The console in a browser, on a server of its own. */
async function consoleBench(folder) {
  const bundle = join(folder, 'console.thread.json');
  await run(process.execPath, ['server/dist/bench.mjs', 'console', bundle]);
  const serving = await startServing(PORT, folder);
  tellConsole(await consoleInBrowser(serving.base, bundle));
  await serving.stop();
}

await buildServer();
await buildWeb();
if (process.argv.includes('console')) {
  const folder = mkdtempSync(join(tmpdir(), 'ft-bench-'));
  await consoleBench(folder);
  rmSync(folder, { recursive: true });
  process.exit();
}
if (process.argv.includes('takes')) {
  const folder = mkdtempSync(join(tmpdir(), 'ft-bench-'));
  const serving = await startServing(PORT, folder);
  tellTakes(await takesInBrowser(serving.base));
  await serving.stop();
  rmSync(folder, { recursive: true });
  process.exit();
}
await buildKit();
await run(process.execPath, ['--expose-gc', 'server/dist/bench.mjs']);

const data = mkdtempSync(join(tmpdir(), 'ft-bench-'));
const bare = await bareNodeMs();
const first = await startServing(PORT, data);
await first.stop();
const again = await startServing(PORT, data);
const browser = await inBrowser(again.base);
const bundle = join(data, 'bays.thread.json');
await run(process.execPath, ['server/dist/bench.mjs', 'bays', bundle]);
const bays = await baysInBrowser(again.base, bundle);
const large = join(data, 'facility.thread.json');
await run(process.execPath, ['server/dist/bench.mjs', 'facility', large]);
const strip = await stripInBrowser(again.base, large);
const takes = await takesInBrowser(again.base);
await again.stop();
await consoleBench(data);
rmSync(data, { recursive: true });

const times = (ms) => `${ms.toFixed(0)} ms, ${(ms / bare).toFixed(1)} x an empty Node process`;
console.log(`\nstart, new data folder with the demo   ${times(first.ms)}`);
console.log(`start, data there                      ${times(again.ms)}`);
console.log(`over the wire to the first screen      ${kB(browser.firstScreen)} (fonts and icons included)`);
console.log(`over the wire to the input list        ${kB(browser.trackSheet)} (worker included)`);
console.log(`an edit, seen in a second window       ${browser.editMs.toFixed(0)} ms (median of 7)`);
const ms = (time) => `${time.toFixed(0)} ms`;
console.log(`\n20 bays in the browser: first paint       ${ms(bays.paintMs)}`);
console.log(
  `  until every bay is there             ${ms(bays.openMs)}, memory of the window ${bays.heapMb.toFixed(0)} MB`,
);
console.log(
  `  a frame while scrolling              ${ms(bays.frameMs)}, 95 of 100 within ${ms(bays.slowFrameMs)} (16.7 ms is 60 a second)`,
);
console.log(
  `  a jack under the pointer, told       ${ms(bays.hoverMs)}, 95 of 100 within ${ms(bays.slowHoverMs)}`,
);
console.log(
  `\n20 000 lanes in the browser: a gain, from Enter until the strip shows it   ${ms(strip.ms)}, 95 of 100 within ${ms(strip.slowMs)}`,
);
tellSheet(await sheetInBrowser());
tellTakes(takes);
