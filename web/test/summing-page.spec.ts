import type { WorkPlace } from '../../core/src/actions/workPlace';
import type { Studio } from '../../core/src/session/studioSchema';
import { studioSchema } from '../../core/src/session/studioSchema';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { sumDid, sumPlace, wishFor } from '../../core/test/fixtures/sumStudio';
import { SummingPage } from '../src/app/stages/mix/summing/summing-page';
import { studioFeature } from '../src/app/state/studio.feature';
import { cellOf, enterCell, over, pick } from './hands';
import { MemoryApi } from './memory-api';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

/** A mix under the place the bench opens at. */
function studioAt({ studio }: WorkPlace): Studio {
  const { session, scene } = SALTGLASS_PLACE;
  const text = JSON.stringify({ ...studio, id: 'saltglass-rooms' });
  return studioSchema.parse(
    JSON.parse(text.replaceAll('"scene"', `"${scene}"`).replaceAll('"session"', `"${session}"`)),
  );
}

async function open(it: WorkPlace, says: string): Promise<void> {
  localStorage.clear();
  const api = new MemoryApi();
  api.studioNow = studioAt(it);
  app = bench(api);
  await app.open();
  page = app.mount(SummingPage);
  await page.says(says);
}

const shown = (condition: () => boolean, what?: string): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return condition();
  }, what);
const session = () => app.api.studioNow.sessions[0]!;
const changed = (count: number): Promise<void> =>
  shown(() => app.api.entries.length === count, `change ${String(count)}`);
const sheet = (): HTMLElement => page.element.querySelector('[role=grid][aria-label="Stems"]')!;
async function there(row: string, title: string): Promise<HTMLElement> {
  await shown(() => cellOf(sheet(), row, title).isConnected, `${title} of ${row}`);
  return cellOf(sheet(), row, title);
}
const shows = (row: string, title: string, text: string): Promise<void> =>
  shown(() => cellOf(sheet(), row, title).textContent.includes(text), `${text} as ${title} of ${row}`);
const complaint = (): string =>
  app.store
    .selectSignal(studioFeature.selectNotices)()
    .map(({ text }) => text)
    .join(' ');
const set = (): WorkPlace => {
  const it = sumPlace();
  return sumDid(it, wishFor(it));
};

describe('a scene without a sum', () => {
  it('has one set up in a step, looked at first', async () => {
    await open(sumPlace(), 'A sum brings stems to the inputs');
    page.button(/^Set up a sum/).click();
    await shown(() => over() !== null, 'the panel');
    pick(page, 'Mixer', 'Summing mixer, 16 inputs');
    pick(page, 'Printed on', 'PRINT');
    for (const name of ['KICK', 'BASS', 'PADS']) {
      const box = [...over()!.querySelectorAll('label')].find(
        ({ textContent }) => textContent.trim() === name,
      )!;
      box.click();
    }
    await shown(() => over()!.textContent.includes('16 inputs, two mono, rest pairs'), 'what it comes to');
    page.button(/^Set it up/).click();
    await changed(1);
    await shows('KICK', 'Inputs', '1');
    await shows('BASS', 'Inputs', '2');
    expect(session().sums[0]).toMatchObject({ print: 'print', stems: { length: 3 } });
  });
});

describe('a sum', () => {
  it('takes a place that is typed, and says why the others moved or did not', async () => {
    await open(set(), 'Printed on PRINT.');
    await enterCell(page, await there('VOX', 'Inputs'), '3-4');
    await changed(1);
    await shows('VOX', 'Because', 'typed');
    expect(session().sums[0]!.stems.find(({ track }) => track === 'vox')).toMatchObject({
      inputs: [3, 4],
      isTyped: true,
    });
    await enterCell(page, await there('GTR', 'Inputs'), '5');
    await shown(() => complaint().includes('GTR is stereo and takes two inputs side by side'), 'the refusal');
  });

  it('is given out in another school after a look at it', async () => {
    await open(set(), 'two mono, rest pairs');
    page.button(/^More/).click();
    await shown(() => document.body.textContent.includes('School and print'), 'the menu');
    page.button(/^School and print/).click();
    await shown(() => over() !== null, 'the panel');
    pick(page, 'School', 'all pairs');
    await shown(() => over()?.textContent.includes('1–2') === true, 'what it comes to');
    page.button(/^Do it/).click();
    await changed(1);
    await page.says('all pairs');
    await shows('KICK', 'Inputs', '1–2');
  });

  it('says of the stem the keys are on what would be next best', async () => {
    await open(set(), 'Free inputs: none.');
    (await there('KICK', 'Stem')).focus();
    await page.says('next best');
    await page.says('hits hardest: alone, and first, on a mono input');
  });
});
