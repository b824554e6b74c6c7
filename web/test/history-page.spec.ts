import { HistoryPage } from '../src/app/see/history/history-page';
import { PatchListPage } from '../src/app/at-the-bay/patch-list/patch-list-page';
import { studioFeature } from '../src/app/state/studio.feature';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
});

describe('the history', () => {
  it('lists what was changed and takes it back', async () => {
    page = app.mount(PatchListPage);
    await page.says('Broadcast dynamic');
    page.element.querySelector<HTMLElement>('[data-switch]')!.click();
    await until(() => app.store.selectSignal(studioFeature.selectRevision)() === 1);
    page.element.remove();
    page = app.mount(HistoryPage);
    await until(() => {
      page.fixture.detectChanges();
      return page.element.querySelectorAll('tbody tr').length === 1;
    });
    expect(page.text()).toContain('Plugged Broadcast dynamic to Booth panel line 2');
    page.button(/^Take back/).click();
    await until(() => app.api.entries.length === 2);
  });
});
