import { editSet } from '@ft/core/edits/make';
import type { Type } from '@angular/core';
import { LadderPage } from '../src/app/see/levels/ladder-page';
import { LineUpPage } from '../src/app/see/levels/line-up-page';
import { OutboardPage } from '../src/app/see/levels/outboard-page';
import { SumsPage } from '../src/app/see/levels/sums-page';
import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import { drawn } from './create-plotly.stub';
import { cellOf, enterCell, field, fill } from './hands';
import type { Bench, Mounted } from './mount';
import { demoBench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

const session = () => app.store.selectSignal(studioFeature.selectFound)()!.session;
const open = async (part: Type<unknown>, shows: string): Promise<void> => {
  page = app.mount(part);
  await page.says(shows);
};

beforeEach(async () => {
  app = await demoBench();
});

describe('the ladder', () => {
  beforeEach(() => {
    page = app.mount(LadderPage);
  });

  it('is drawn for the selected thread, with its tightest place, its preamp and its noise', async () => {
    app.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: 'line-2' as never } }));
    await page.says('Mic preamp 2 to');
    expect(page.text()).toContain('24×24 converter line in 2: peak +25.3 dBu, maximum +22.0 dBu');
    expect(page.text()).toContain('Where its noise is made');
    await until(() => drawn.length > 0, 'the chart');
    expect(drawn[0]!.map(({ name }) => name)).toEqual(['maximum', 'peak', 'nominal', 'noise']);
  });

  it('sets the preamp as advised, in one change', async () => {
    app.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: 'line-2' as never } }));
    await page.says('Set Mic preamp 2 to');
    page.button(/^\s*Set Mic preamp 2/).click();
    const open = app.store.selectSignal(planFeature.selectOpenFindings);
    await until(() => !open().some(({ rule }) => rule === 'over-max-input'), 'the mended level');
    await page.says('Mic preamp 2 stands right');
  });
});

describe('all together', () => {
  it('lists where sounds meet, and what each brings to the chosen place', async () => {
    await open(SumsPage, 'bus Dialogue left');
    page.button(/bus Dialogue left/).click();
    await page.says('what each source brings');
    await until(
      () => (page.element.querySelector('.parts')?.textContent ?? '').includes('LAMP'),
      'the lamplighter',
    );
  });
});

describe('outboard', () => {
  it('advises reference levels and trims of inserts, and takes them', async () => {
    const { id, hostProfile: was } = session();
    const value = { ...was, trims: true };
    const edit = editSet('session', {}, id, { field: 'hostProfile', value, was });
    app.store.dispatch(StudioActions.change({ label: 'A host that trims', edits: [edit] }));
    await open(OutboardPage, 'CRUSH, slot 1');
    expect(page.text()).toContain('★ +18.0 dBu');
    page.button(/The other reference levels/).click();
    await page.says('room over full scale');
    await page.says('Trim slot 1 of CRUSH');
    page.button(/Trim slot 1 of CRUSH/).click();
    await until(() =>
      session().tracks.some(({ inserts }) => inserts[0]?.kind === 'hardware' && inserts[0].sendTrimDb !== 0),
    );
    await page.says('where it should');
  });

  it('refuses a level that is none, and says what fits', async () => {
    await open(OutboardPage, 'CRUSH, slot 1');
    fill(page, 'Units sound best at', 'hot');
    expect(field('Units sound best at').value).toBe('hot');
    expect(page.text()).toContain('▲ Type dBu, from −40 to +40.');
    fill(page, 'Units sound best at', '−6');
    expect(page.text()).not.toContain('Type dBu');
  });
});

describe('the line-up sheet', () => {
  const enter = (channel: string, text: string): Promise<void> =>
    enterCell(page, cellOf(page.element, channel, 'Read'), text);

  it('keeps what was read and tells the error; emptied, it forgets', async () => {
    await open(LineUpPage, '24×24 converter out 1');
    await enter('24×24 converter out 1', '3,6');
    await page.says('◆ −0.4');
    await enter('24×24 converter out 1', '4.1');
    await page.says('✓ +0.1');
    await enter('24×24 converter out 1', '');
    await until(() => session().readings.length === 0);
  });

  it('refuses what is no level', async () => {
    await open(LineUpPage, '24×24 converter out 1');
    await enter('24×24 converter out 1', 'loud');
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    expect(notices().at(-1)!.text).toBe(
      '“loud” is not a level. Type what the meter shows, in dBu. What you typed is kept.',
    );
    expect(session().readings).toEqual([]);
  });

  it('goes to paper', async () => {
    await open(LineUpPage, '24×24 converter out 1');
    const asked = jest.spyOn(app.api, 'file');
    page.button(/Print/).click();
    expect(asked.mock.calls[0]![0]).toMatch(/\/scenes\/tracking\/line-up\.pdf$/);
  });
});
