import type { WorkPlace } from '../../core/src/actions/workPlace';
import { sumDid, sumPlace, wishFor } from '../../core/test/fixtures/sumStudio';
import { SummingPage } from '../src/app/stages/mix/summing/summing-page';
import { onDesk, stemTyped } from '../../core/test/fixtures/deskStudio';
import { enterCell, fill, over, pick } from './hands';
import { WorkedPage } from './worked-page';

let on: WorkedPage;
let page: WorkedPage['page'];

async function open(it: WorkPlace, says: string, sheet = 'Stems'): Promise<void> {
  on = await WorkedPage.open(it, SummingPage, sheet);
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

describe('a mix on a console', () => {
  it('takes groups, sides and switches of its channels from the sheet', async () => {
    await open(onDesk(), 'Buses of Desk');
    await enterCell(page, await on.there('GTR', 'Groups'), '1-2');
    await on.changed(1);
    await on.shows('GTR', 'Groups', '1–2');
    expect(on.session.scenes[0]!.settings).toMatchObject({ 'desk/group1/3': true, 'desk/group2/4': true });
    await page.says('GTR comes to group 1–2, which leads nowhere');
    const toMix = await on.there('GTR', 'To mix');
    toMix.focus();
    page.press(toMix, ' ');
    await on.changed(2);
    expect(on.session.scenes[0]!.settings).toMatchObject({ 'desk/toMix/3': false, 'desk/toMix/4': false });
    await enterCell(page, await on.there('GTR', 'Pan'), 'L / C / R');
    await on.shown(() => on.complaint.includes('names 3 sides, and there are 2'), 'the refusal');
  });

  it('hangs a unit in a group by its name', async () => {
    await open(stemTyped(onDesk(), 'GTR', 'groups', '1-2'), 'Buses of Desk', 'Buses of Desk');
    await enterCell(page, await on.there('group 1–2', 'Unit in it'), 'four-band');
    await on.changed(1);
    await on.shows('group 1–2', 'Unit in it', 'Four-band equaliser');
    await enterCell(page, await on.there('mix', 'Unit in it'), 'four-band');
    await on.shown(() => on.complaint !== '', 'why not twice');
  });

  it('has a parallel bus set up after a look at it', async () => {
    await open(onDesk(), 'Buses of Desk', 'Buses of Desk');
    page.button(/^More/).click();
    await on.shown(() => document.body.textContent.includes('Parallel bus'), 'the menu');
    page.button(/^Parallel bus/).click();
    await on.shown(() => over() !== null, 'the panel');
    pick(page, 'On', 'Desk stereo cue');
    fill(page, 'Over', 'bus compressor', over()!);
    await on.shown(() => over()!.textContent.includes('back on channel 7 and channel 8'), 'what it comes to');
    page.button(/^Set it up/).click();
    await on.changed(1);
    await on.shows('stereo cue', 'Unit in it', 'Bus compressor');
  });
});
