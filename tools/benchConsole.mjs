import { readFileSync } from 'node:fs';
import { pageToken, startBrowser } from './serving.mjs';

const at = (list, share) => [...list].sort((a, b) => a - b)[Math.floor((list.length - 1) * share)];

/** Frames while something is scrolled down and to the right from end to end, ms each. */
const frames = (scroller, px) =>
  scroller.evaluate(async (element, step) => {
    const times = [];
    let before = await new Promise(requestAnimationFrame);
    for (let top = 0; top < element.scrollHeight - element.clientHeight; top += step) {
      element.scrollTo({ top, left: top / 3 });
      const now = await new Promise(requestAnimationFrame);
      times.push(now - before);
      before = now;
    }
    element.scrollTo({ top: 0, left: 0 });
    return times;
  }, px);

/** The line of a channel: the head of the section is line 0. */
const channel = (page, n) => page.locator(`tbody tr[data-row="${n}"]`);

/** Where a column stands, by its title. */
const columnOf = async (page, title) =>
  (await page.locator('thead th').allTextContents()).findIndex((text) => text.trim().startsWith(title));

/** An edit of one cell, from Enter until the cell shows what it became, ms. */
async function edit(page, text) {
  await page.keyboard.type(text);
  await page.evaluate(() => {
    window.shownAt = undefined;
    window.pressedAt = undefined;
    const cell = document.activeElement.closest('td');
    document.addEventListener(
      'keydown',
      (event) => event.key === 'Enter' && (window.pressedAt ??= performance.now()),
      true,
    );
    new MutationObserver((_, observer) => {
      if (window.pressedAt === undefined || cell.querySelector('input') !== null) return;
      window.shownAt = performance.now();
      observer.disconnect();
    }).observe(cell, { childList: true, subtree: true, characterData: true });
  });
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => window.shownAt !== undefined);
  return page.evaluate(() => window.shownAt - window.pressedAt);
}

/** Fills 64 channels × 12 columns down from the first: from the press until the last of them is drawn, ms. */
async function fill(page, level) {
  const sends = await columnOf(page, 'Aux 1');
  const first = (column) => channel(page, 1).locator(`[data-column="${column}"]`);
  for (let k = 0; k < 12; k++) {
    await first(sends + k).click();
    await page.keyboard.type(`${level} pre`);
    await page.keyboard.press('Enter');
  }
  await first(sends).click();
  await page.keyboard.down('Shift');
  for (let n = 0; n < 63; n++) await page.keyboard.press('ArrowDown');
  for (let n = 0; n < 11; n++) await page.keyboard.press('ArrowRight');
  await page.keyboard.up('Shift');
  return page.evaluate(
    async (wanted) => {
      const last = () => document.querySelector('tbody tr[data-row="64"]');
      if (last() === null || last().textContent.includes(wanted))
        throw new Error(`line 64 is not there to be filled: ${last()?.textContent}`);
      const started = performance.now();
      const cell = document.activeElement;
      cell.dispatchEvent(
        new KeyboardEvent('keydown', { key: 'd', ctrlKey: true, bubbles: true, cancelable: true }),
      );
      while (!last()?.textContent.includes(wanted)) await new Promise(requestAnimationFrame);
      return performance.now() - started;
    },
    `${level} pre`.replace('-', '−'),
  );
}

/** The sheet of a console of 96 channels and a matrix of 64 × 64 in the browser. */
export async function consoleInBrowser(base, bundle) {
  await fetch(`${base}/api/bundles`, {
    method: 'POST',
    headers: await pageToken(base),
    body: readFileSync(bundle),
  });
  const browser = await startBrowser();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/studio/console/session/scene/track/consoles/desk`);
  await page.getByText('Channels (96)').waitFor();
  const sheet = await frames(page.locator('cdk-virtual-scroll-viewport').first(), 54);
  const trim = await columnOf(page, 'Trim');
  const edits = [];
  for (let n = 1; n <= 9; n++) {
    await channel(page, 2).locator(`[data-column="${trim}"]`).click();
    edits.push(await edit(page, String(n)));
  }
  const fillMs = await fill(page, '-7');
  await page.goto(`${base}/studio/console/session/scene/track/consoles/matrix`);
  await page.getByLabel('Show', { exact: true }).selectOption({ label: 'Matrix: line outputs' });
  await page.getByRole('grid').waitFor();
  const matrix = await frames(page.getByRole('grid'), 22);
  await browser.close();
  return {
    ...{ sheetMs: at(sheet, 0.5), slowSheetMs: at(sheet, 0.95), editMs: at(edits, 0.5), fillMs },
    ...{ matrixMs: at(matrix, 0.5), slowMatrixMs: at(matrix, 0.95) },
  };
}

export function tellConsole({ sheetMs, slowSheetMs, editMs, fillMs, matrixMs, slowMatrixMs }) {
  const ms = (time) => `${time.toFixed(1)} ms`;
  console.log(
    `\na console of 96 channels: a frame while scrolling   ${ms(sheetMs)}, 95 of 100 within ${ms(slowSheetMs)} (16.7 ms is 60 a second)`,
  );
  console.log(`  a cell, from Enter until it is drawn ${ms(editMs)}`);
  console.log(
    `  64 channels x 12 columns filled      ${ms(fillMs)}, ${(fillMs / editMs).toFixed(1)} x one cell for 756`,
  );
  console.log(
    `a matrix of 64 x 64: a frame while scrolling        ${ms(matrixMs)}, 95 of 100 within ${ms(slowMatrixMs)}`,
  );
}
