import type { WorkPlace } from '../../core/src/actions/workPlace';
import { sumDid, sumPlace, wishFor } from '../../core/test/fixtures/sumStudio';
import { SummingPage } from '../src/app/stages/mix/summing/summing-page';
import { enterCell, over, pick } from './hands';
import { WorkedPage } from './worked-page';

let on: WorkedPage;
let page: WorkedPage['page'];

async function open(it: WorkPlace, says: string): Promise<void> {
  on = await WorkedPage.open(it, SummingPage, 'Stems');
  page = on.page;
  await page.says(says);
}

const set = (): WorkPlace => {
  const it = sumPlace();
  return sumDid(it, wishFor(it));
};

describe('a scene without a sum', () => {
  it('has one set up in a step, looked at first', async () => {
    await open(sumPlace(), 'A sum brings stems to the inputs');
    page.button(/^Set up a sum/).click();
    await on.shown(() => over() !== null, 'the panel');
    pick(page, 'Mixer', 'Summing mixer, 16 inputs');
    pick(page, 'Printed on', 'PRINT');
    for (const name of ['KICK', 'BASS', 'PADS']) {
      const box = [...over()!.querySelectorAll('label')].find(
        ({ textContent }) => textContent.trim() === name,
      )!;
      box.click();
    }
    await on.shown(() => over()!.textContent.includes('16 inputs, two mono, rest pairs'), 'what it comes to');
    page.button(/^Set it up/).click();
    await on.changed(1);
    await on.shows('KICK', 'Inputs', '1');
    await on.shows('BASS', 'Inputs', '2');
    expect(on.session.sums[0]).toMatchObject({ print: 'print', stems: { length: 3 } });
  });
});

describe('a sum', () => {
  it('takes a place that is typed, and says why the others moved or did not', async () => {
    await open(set(), 'Printed on PRINT.');
    await enterCell(page, await on.there('VOX', 'Inputs'), '3-4');
    await on.changed(1);
    await on.shows('VOX', 'Because', 'typed');
    expect(on.session.sums[0]!.stems.find(({ track }) => track === 'vox')).toMatchObject({
      inputs: [3, 4],
      isTyped: true,
    });
    await enterCell(page, await on.there('GTR', 'Inputs'), '5');
    await on.shown(
      () => on.complaint.includes('GTR is stereo and takes two inputs side by side'),
      'the refusal',
    );
  });

  it('is given out in another school after a look at it', async () => {
    await open(set(), 'two mono, rest pairs');
    page.button(/^More/).click();
    await on.shown(() => document.body.textContent.includes('School and print'), 'the menu');
    page.button(/^School and print/).click();
    await on.shown(() => over() !== null, 'the panel');
    pick(page, 'School', 'all pairs');
    await on.shown(() => over()?.textContent.includes('1–2') === true, 'what it comes to');
    page.button(/^Do it/).click();
    await on.changed(1);
    await page.says('all pairs');
    await on.shows('KICK', 'Inputs', '1–2');
  });

  it('says of the stem the keys are on what would be next best', async () => {
    await open(set(), 'Free inputs: none.');
    (await on.there('KICK', 'Stem')).focus();
    await page.says('next best');
    await page.says('hits hardest: alone, and first, on a mono input');
  });
});
