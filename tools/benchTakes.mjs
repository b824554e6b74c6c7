import { editsSeen } from './benchEdits.mjs';
import { pageToken, startBrowser } from './serving.mjs';

const NOTES = 10_000;
const DEMO_NOTES = 14;
const AT_ONCE = 500;
const SESSION = 'saltglass-rooms/sessions/lamplighters-ledger';
const TRACKING = 'studio/saltglass-rooms/lamplighters-ledger/tracking/track';

const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];

/** Notes of a day that was noted in for weeks, written as windows write them. */
async function fillLog(base) {
  const headers = { ...(await pageToken(base)), 'content-type': 'application/json' };
  for (let at = 0; at < NOTES; at += AT_ONCE) {
    const ops = Array.from({ length: AT_ONCE }, (_, i) => ({
      op: 'add',
      row: {
        ...{ kind: 'note', id: `bench-note-${at + i}`, session: 'lamplighters-ledger', by: 'Bench' },
        ...{ at: '2026-11-20T15:00:00.000Z', take: 'demo-take-1', counterS: (at + i) % 370 },
      },
    }));
    const body = JSON.stringify({ author: 'bench', ops });
    const answer = await fetch(`${base}/api/studios/${SESSION}/log`, { method: 'POST', headers, body });
    if (!answer.ok) throw new Error(`the notes of the bench were refused: ${await answer.text()}`);
  }
}

/** A note by its key while a take runs, and the list of every take chosen anew: until drawn, ms. */
async function listDrawn(page, base, least) {
  await page.goto(`${base}/${TRACKING}/takes`);
  const grid = page.getByRole('grid', { name: 'Notes' });
  await grid.waitFor();
  // Without every note there the figures would say nothing.
  await page.waitForFunction(
    (count) => Number(document.querySelector('[role=grid][aria-label="Notes"]')?.ariaRowCount) > count,
    least,
  );
  await page.keyboard.press('Alt+s');
  await page.getByRole('button', { name: /^Stop/ }).waitFor();
  const noted = [];
  for (let n = 0; n < 9; n++) {
    noted.push(
      await page.evaluate(async () => {
        const rows = document.querySelector('[role=grid][aria-label="Notes"] tbody');
        const drawn = new Promise((resolve) =>
          new MutationObserver((_, observer) => {
            observer.disconnect();
            requestAnimationFrame(() => setTimeout(() => resolve(performance.now())));
          }).observe(rows, { childList: true, subtree: true, characterData: true }),
        );
        const started = performance.now();
        document.body.dispatchEvent(
          new KeyboardEvent('keydown', { code: 'Digit3', key: '3', altKey: true, bubbles: true }),
        );
        return (await drawn) - started;
      }),
    );
    await page.waitForTimeout(300);
  }
  const chosen = [];
  const pick = page.getByRole('region', { name: 'Notes' }).getByLabel('of', { exact: true });
  for (let n = 0; n < 5; n++) {
    await pick.selectOption({ index: 1 });
    await page.waitForTimeout(200);
    chosen.push(
      await pick.evaluate(async (select) => {
        const started = performance.now();
        select.selectedIndex = 0;
        select.dispatchEvent(new Event('change', { bubbles: true }));
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
        return performance.now() - started;
      }),
    );
  }
  await page.keyboard.press('Alt+s');
  await page.getByRole('button', { name: /^Start/ }).waitFor();
  return { notedMs: median(noted), chosenMs: median(chosen) };
}

/** Another window sees an edit of the session after, ms. */
async function editSeen(context, page, base) {
  const second = await context.newPage();
  await page.goto(`${base}/${TRACKING}/inputs`);
  await second.goto(`${base}/${TRACKING}/inputs`);
  const ms = median(await editsSeen(page, second, 7));
  await second.close();
  return ms;
}

/** The takes page and an edit of the session, with the demo's few notes and with ten thousand. */
export async function takesInBrowser(base) {
  const browser = await startBrowser();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const measured = async (least) => ({
    ...(await listDrawn(page, base, least)),
    editMs: await editSeen(context, page, base),
  });
  const few = await measured(DEMO_NOTES);
  await fillLog(base);
  const many = await measured(NOTES + DEMO_NOTES);
  await browser.close();
  return { few, many };
}

export function tellTakes({ few, many }) {
  const line = (what, key) =>
    console.log(
      `  ${what.padEnd(46)} ${many[key].toFixed(0)} ms, ${(many[key] / few[key]).toFixed(1)} x with the demo's (${few[key].toFixed(0)} ms)`,
    );
  console.log(`\na take log of ${NOTES} notes in the browser`);
  line('a note by its key, until it is drawn', 'notedMs');
  line('the list of every take chosen, until drawn', 'chosenMs');
  line('an edit of the session, in a second window', 'editMs');
}
