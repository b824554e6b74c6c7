import { PatchListPage } from '../src/app/at-the-bay/patch-list/patch-list-page';
import { planFeature } from '../src/app/state/plan.feature';
import { studioFeature } from '../src/app/state/studio.feature';
import { cellOf } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

const tick = (): HTMLElement => page.element.querySelector<HTMLElement>('[data-switch]')!;

beforeEach(async () => {
  app = bench();
  await app.open();
});

describe('the patch list', () => {
  it('warns before the plugging, and takes ticks', async () => {
    page = app.mount(PatchListPage);
    await page.says('Broadcast dynamic');
    expect(page.text()).toContain('switch 48 V off on every line you touch');
    expect(page.element.querySelectorAll('tbody tr')).toHaveLength(6);
    tick().click();
    await until(() => app.api.entries.length === 1);
    expect(app.api.entries[0]!.label).toBe('Plugged Broadcast dynamic to Booth panel line 2');
    const floor = (): unknown[] => app.store.selectSignal(studioFeature.selectStudio)()!.floor.cords;
    expect(floor()).toHaveLength(1);
    await until(() => {
      page.fixture.detectChanges();
      return tick().textContent === '✓';
    }, 'the tick');
    tick().click();
    await until(() => floor().length === 0, 'the cord pulled again');
  });
});

describe('a line of the patch list', () => {
  it('stays under the hand that ticks it, and opens the inspector with Enter', async () => {
    page = app.mount(PatchListPage);
    await page.says('Broadcast dynamic');
    const inspected = app.store.selectSignal(planFeature.selectInspected);
    const selected = app.store.selectSignal(planFeature.selectSelection);
    const cell = cellOf(page.element, 'Broadcast dynamic', 'In');
    cell.focus();
    page.press(cell, ' ');
    expect([selected()?.kind, inspected()]).toEqual(['cord', false]);
    const why = cellOf(page.element, 'Broadcast dynamic', 'Why');
    why.focus();
    expect(inspected()).toBe(false);
    page.press(why, 'Enter');
    expect(inspected()).toBe(true);
  });
});
