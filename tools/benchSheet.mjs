import { join } from 'node:path';
import { ROOT } from './run.mjs';
import { startBrowser } from './serving.mjs';

const FILES = join(ROOT, 'web/dist-kit/browser');

const at = (list, share) => [...list].sort((a, b) => a - b)[Math.floor((list.length - 1) * share)];

/** From the press that gives the sheet its rows until they are painted, ms. */
const firstPaint = (page, name) =>
  page.getByRole('button', { name }).evaluate(async (button) => {
    const started = performance.now();
    button.click();
    // The first frame draws, the second comes when it is on the screen.
    await new Promise(requestAnimationFrame);
    await new Promise(requestAnimationFrame);
    return performance.now() - started;
  });

/** Frames while the sheet is scrolled from end to end, ms each. */
const frames = (page) =>
  page.locator('cdk-virtual-scroll-viewport').evaluate(async (viewport) => {
    const times = [];
    let before = await new Promise(requestAnimationFrame);
    for (let top = 0; top < 200 * 81; top += 81) {
      viewport.scrollTop = top;
      const now = await new Promise(requestAnimationFrame);
      times.push(now - before);
      before = now;
    }
    viewport.scrollTop = 0;
    return times;
  });

/** From a key until the next cell has the focus, ms each. */
async function keys(page) {
  await page.locator('tbody [data-column="0"]').first().click();
  return page.evaluate(async () => {
    const times = [];
    for (let n = 0; n < 100; n++) {
      const from = document.activeElement;
      const key = n % 6 === 5 ? 'ArrowRight' : 'ArrowDown';
      const started = performance.now();
      from.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
      while (document.activeElement === from) await new Promise(requestAnimationFrame);
      times.push(performance.now() - started);
      await new Promise(requestAnimationFrame);
    }
    return times;
  });
}

/** A sheet of 2 000 rows and 20 columns beside one of 40 rows: the same page, the same browser, one run. */
export async function sheetInBrowser() {
  const browser = await startBrowser();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.route('**/*', (route) => {
    const file = new URL(route.request().url()).pathname.slice('/kit/'.length) || 'index.html';
    return route.fulfill({ path: join(FILES, file) });
  });
  await page.goto('http://kit.invalid/kit/');
  await page.getByRole('heading', { name: 'Kit' }).waitFor();
  const [few, many] = [[], []];
  for (let n = 0; n < 9; n++) {
    many.push(await firstPaint(page, '2000 rows'));
    few.push(await firstPaint(page, '40 rows'));
  }
  await firstPaint(page, '2000 rows');
  const [scrolled, pressed] = [await frames(page), await keys(page)];
  await browser.close();
  return {
    fewMs: at(few, 0.5),
    manyMs: at(many, 0.5),
    ...{ frameMs: at(scrolled, 0.5), slowFrameMs: at(scrolled, 0.95) },
    ...{ keyMs: at(pressed, 0.5), slowKeyMs: at(pressed, 0.95) },
  };
}
