import type { JobId } from '../../core/src/rig/ids';
import type { Studio } from '../../core/src/session/studioSchema';
import { studioSchema } from '../../core/src/session/studioSchema';
import { added, did, mixPlace, stand, tracksOf } from '../../core/test/fixtures/mixStudio';
import type { WorkPlace } from '../../core/src/actions/workPlace';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { InsertsPage } from '../src/app/stages/mix/inserts/inserts-page';
import { studioFeature } from '../src/app/state/studio.feature';
import { cellOf, enterCell, fill, over } from './hands';
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
  page = app.mount(InsertsPage);
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
const sheet = (): HTMLElement => page.element.querySelector('[role=grid][aria-label="Jobs"]')!;
async function there(row: string, title: string): Promise<HTMLElement> {
  await shown(() => cellOf(sheet(), row, title).isConnected, `${title} of ${row}`);
  return cellOf(sheet(), row, title);
}
const shows = (row: string, title: string, text: string): Promise<void> =>
  shown(() => cellOf(sheet(), row, title).textContent.includes(text), `${text} as ${title} of ${row}`);
/** What the notices say. */
const complaint = (): string =>
  app.store
    .selectSignal(studioFeature.selectNotices)()
    .map(({ text }) => text)
    .join(' ');
const two = (): WorkPlace =>
  added(mixPlace({ tracks: tracksOf(['NARR', 'LAMP']) }), 'NARR: opto > fast', 'LAMP: opto');

describe('a mix without jobs', () => {
  it('takes one in as it is typed, and says what is wrong while it is', async () => {
    await open(mixPlace(), 'A job is one wish of the mix');
    fill(page, 'Add a job', 'NARR: otpo compressor');
    await page.says('Did you mean “Opto compressor”');
    fill(page, 'Add a job', 'NARR: opto > fast; at +6');
    await page.says('out and in 1');
    page.button(/^Add$/).click();
    await changed(1);
    await shown(() => session().jobs.length === 1, 'the job');
    await shows('NARR', 'Chain', 'Opto compressor > Fast compressor');
    await shows('NARR', 'Wanted', '+6.0');
  });
});

describe('jobs that want one unit', () => {
  it('are told with who is committed first, and marked so after a look at it', async () => {
    await open(two(), 'NARR should stay live');
    page.button(/^Who is committed first/).click();
    await shown(() => over()?.textContent.includes('to commit first') === true, 'what it comes to');
    page.button(/^Do it/).click();
    await changed(1);
    expect(
      session()
        .jobs.map(({ state }) => state)
        .sort(),
    ).toEqual(['live', 'to commit']);
    await page.says('Commit first: 1 LAMP');
  });

  it('have one put up in the place of the other', async () => {
    await open(two(), 'NARR should stay live');
    (await there('LAMP', 'On')).focus();
    await shown(() => page.element.textContent.includes('Put it up'), 'the tools of the job');
    page.button(/^Put it up/).click();
    await shown(() => over()?.textContent.includes('out and in 1') === true, 'what it comes to');
    page.button(/^Do it/).click();
    await changed(1);
    await shows('NARR', 'Is', 'waiting');
    await shows('LAMP', 'Out', '1');
  });
});

describe('a job that is up', () => {
  const up = (): WorkPlace => added(mixPlace({ tracks: tracksOf(['NARR']) }), 'NARR: opto');

  it('frees its unit once it is committed', async () => {
    await open(up(), '1 of about 20 hardware inserts');
    (await there('NARR', 'On')).focus();
    await page.says('Opto compressor:');
    page.button(/^It is committed/).click();
    await changed(1);
    expect(session().threads).toEqual([]);
    await shows('NARR', 'State', 'committed');
  });

  it('tells why a cell does not take a text', async () => {
    await open(up(), '1 of about 20 hardware inserts');
    await enterCell(page, await there('NARR', 'Trim out'), '-40');
    await shown(() => complaint().includes('out of range: at most 24 dB'), 'the refusal');
    expect(app.api.entries).toEqual([]);
  });

  it('has its names for the host on a list', async () => {
    await open(up(), '1 of about 20 hardware inserts');
    page.button(/^Name list/).click();
    await shown(() => over()?.textContent.includes('to Opto compressor') === true, 'the names');
    expect(over()!.textContent).toContain('switched off there: 14 of 16');
  });

  it('is reckoned with the length that is typed', async () => {
    await open(did(up(), { does: 'take-down', job: 'narr-job' as JobId }), '0 of about 20');
    page.button(/^More/).click();
    await shown(() => document.body.textContent.includes('Length, level, budget'), 'the menu');
    page.button(/^Length, level, budget/).click();
    await shown(() => over() !== null, 'the panel');
    fill(page, 'Length of the song or reel', '4:30', over()!);
    await changed(1);
    expect(session().mix).toEqual({ lengthS: 270 });
    expect(stand(up(), 1).job.lengthS).toBeUndefined();
  });
});
