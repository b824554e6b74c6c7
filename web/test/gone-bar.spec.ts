import { of } from 'rxjs';
import type { Change } from '@ft/core/edits/change';
import { GoneBar } from '../src/app/shell/gone-bar';
import * as saving from '../src/app/ui/save-text';
import { HistoryPage } from '../src/app/see/history/history-page';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

const change = (id: string, label: string): Change => ({
  id,
  label,
  edits: [
    {
      type: 'thread.set',
      ...{
        session: 'lamplighters-ledger',
        id: 'line-1',
        field: 'performer',
        value: 'Ada',
        was: 'Imke Tarrow',
      },
    },
  ],
});

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
  page = app.mount(GoneBar);
});
afterEach(() => {
  jest.restoreAllMocks();
  localStorage.clear();
  page.element.remove();
  page.fixture.destroy();
});

describe('a studio that went while its window was open', () => {
  it('says nothing while all is well', () => {
    expect(page.text()).toBe('');
  });

  it('says that it was removed, how much was not stored, and hands it out as a file', async () => {
    app.api.reachable = false;
    app.store.dispatch(StudioActions.proposed({ change: change('change-mine-1', 'Performer Ada') }));
    app.store.dispatch(StudioActions.gone({ because: 'removed' }));
    await page.says('This studio was removed on the first screen.');
    expect(page.text()).toContain('One change of yours was not stored and is kept in this browser.');
    const saved = jest.spyOn(saving, 'saveText').mockImplementation(() => undefined);
    page.button(/Save as a file/).click();
    expect(saved.mock.calls[0]![1]).toContain('change-mine-1');
    expect(page.button(/Look again/)).toBeDefined();
  });

  it('says that another one has its place, and opens that', async () => {
    app.store.dispatch(StudioActions.gone({ because: 'replaced' }));
    await page.says('removed and brought in again');
    app.api.incarnation = 'second';
    page.button(/Open it as it is now/).click();
    await until(() => app.store.selectSignal(studioFeature.selectGone)() === null);
    page.fixture.detectChanges();
    expect(page.text()).toBe('');
  });

  it('names what is left of an earlier one', async () => {
    const stray = ['Gain 40', 'Gain 41', 'Gain 42', 'Gain 43'].map((label, i) =>
      change(`change-stray-${String(i)}`, label),
    );
    const at = { studio: app.api.studioNow, revision: 0, incarnation: 'first' };
    app.store.dispatch(StudioActions.opened({ studioId: 'saltglass-rooms', at, kept: { own: [], stray } }));
    await page.says('4 changes kept in this browser were made in an earlier studio of this name');
    expect(page.text()).toContain('Gain 40, Gain 41, Gain 42 and more.');
    page.button(/Give them up/).click();
    page.fixture.detectChanges();
    expect(page.text()).toBe('');
  });

  it('says why what was done is not stored yet', async () => {
    app.store.dispatch(StudioActions.keptWaiting({ reason: 'The disk is full.' }));
    await page.says('The disk is full.');
  });
});

describe('a long history', () => {
  it('shows its newest page, and older ones when asked', async () => {
    page.element.remove();
    const line = (revision: number) => ({
      ...{
        revision,
        change: `change-${String(revision)}`,
        label: `Line ${String(revision)}`,
        at: '2026-03-01',
      },
      ...{ editCount: 1, mine: revision % 2 === 0, ...(revision === 3 && { tablet: 'Bay tablet' }) },
    });
    const asked: (number | undefined)[] = [];
    app.api.history = (_id: string, _author: string, before?: number) => {
      asked.push(before);
      return of(
        before === undefined
          ? { entries: [line(4), line(3)], more: true }
          : { entries: [line(2), line(1)], more: false },
      );
    };
    page = app.mount(HistoryPage);
    await page.says('Line 3 Bay tablet');
    expect(page.text()).not.toContain('Line 2');
    page.button(/Show older changes/).click();
    await page.says('Line 1');
    expect(asked.at(-1)).toBe(3);
    expect(page.button(/Show older changes/)).toBeUndefined();
    expect(page.text()).toMatch(/Line 4 ?you/);
  });
});
