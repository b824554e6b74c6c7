import type { JobId } from '../../core/src/rig/ids';
import { added, did, mixPlace, stand, tracksOf } from '../../core/test/fixtures/mixStudio';
import type { WorkPlace } from '../../core/src/actions/workPlace';
import { InsertsPage } from '../src/app/stages/mix/inserts/inserts-page';
import { enterCell, fill, over } from './hands';
import { WorkedPage } from './worked-page';

let on: WorkedPage;
let page: WorkedPage['page'];

async function open(it: WorkPlace, says: string): Promise<void> {
  on = await WorkedPage.open(it, InsertsPage, 'Jobs');
  page = on.page;
  await page.says(says);
}

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
    await on.changed(1);
    await on.shown(() => on.session.jobs.length === 1, 'the job');
    await on.shows('NARR', 'Chain', 'Opto compressor > Fast compressor');
    await on.shows('NARR', 'Wanted', '+6.0');
  });
});

describe('jobs that want one unit', () => {
  it('are told with who is committed first, and marked so after a look at it', async () => {
    await open(two(), 'NARR should stay live');
    page.button(/^Who is committed first/).click();
    await on.shown(() => over()?.textContent.includes('to commit first') === true, 'what it comes to');
    page.button(/^Do it/).click();
    await on.changed(1);
    expect(on.session.jobs.map(({ state }) => state).sort()).toEqual(['live', 'to commit']);
    await page.says('Commit first: 1 LAMP');
  });

  it('have one put up in the place of the other', async () => {
    await open(two(), 'NARR should stay live');
    (await on.there('LAMP', 'On')).focus();
    await on.shown(() => page.element.textContent.includes('Put it up'), 'the tools of the job');
    page.button(/^Put it up/).click();
    await on.shown(() => over()?.textContent.includes('out and in 1') === true, 'what it comes to');
    page.button(/^Do it/).click();
    await on.changed(1);
    await on.shows('NARR', 'Is', 'waiting');
    await on.shows('LAMP', 'Out', '1');
  });
});

describe('a job that is up', () => {
  const up = (): WorkPlace => added(mixPlace({ tracks: tracksOf(['NARR']) }), 'NARR: opto');

  it('frees its unit once it is committed', async () => {
    await open(up(), '1 of about 20 hardware inserts');
    (await on.there('NARR', 'On')).focus();
    await page.says('Opto compressor:');
    page.button(/^It is committed/).click();
    await on.changed(1);
    expect(on.session.threads).toEqual([]);
    await on.shows('NARR', 'State', 'committed');
  });

  it('tells why a cell does not take a text', async () => {
    await open(up(), '1 of about 20 hardware inserts');
    await enterCell(page, await on.there('NARR', 'Trim out'), '-40');
    await on.shown(() => on.complaint.includes('out of range: at most 24 dB'), 'the refusal');
    expect(on.app.api.entries).toEqual([]);
  });

  it('has its names for the host on a list', async () => {
    await open(up(), '1 of about 20 hardware inserts');
    page.button(/^Name list/).click();
    await on.shown(() => over()?.textContent.includes('to Opto compressor') === true, 'the names');
    expect(over()!.textContent).toContain('switched off there: 14 of 16');
  });

  it('is reckoned with the length that is typed', async () => {
    await open(did(up(), { does: 'take-down', job: 'narr-job' as JobId }), '0 of about 20');
    page.button(/^More/).click();
    await on.shown(() => document.body.textContent.includes('Length, level, budget'), 'the menu');
    page.button(/^Length, level, budget/).click();
    await on.shown(() => over() !== null, 'the panel');
    fill(page, 'Length of the song or reel', '4:30', over()!);
    await on.changed(1);
    expect(on.session.mix).toEqual({ lengthS: 270 });
    expect(stand(up(), 1).job.lengthS).toBeUndefined();
  });
});

describe('the mono check', () => {
  it('opens beside the jobs, and says where nothing is lost', async () => {
    await open(mixPlace(), 'A job is one wish of the mix');
    page.button(/^More/).click();
    await on.shown(() => document.body.textContent.includes('Mono check'), 'the menu');
    page.button(/^Mono check/).click();
    await on.shown(() => over()?.textContent.includes('nothing is lost in mono') === true, 'the check');
  });
});
