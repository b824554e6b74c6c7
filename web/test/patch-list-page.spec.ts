import { PatchListPage } from '../src/app/at-the-bay/patch-list/patch-list-page';
import { planFeature } from '../src/app/state/plan.feature';
import { studioFeature } from '../src/app/state/studio.feature';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
});

describe('the patch list', () => {
  it('warns before the plugging, and takes ticks', async () => {
    page = app.mount(PatchListPage);
    expect(page.text()).toContain('switch 48 V off on every line you touch');
    const ticks = page.element.querySelectorAll<HTMLInputElement>('input[type=checkbox]');
    expect(ticks).toHaveLength(6);
    ticks[0]!.click();
    await until(() => app.api.entries.length === 1);
    expect(app.api.entries[0]!.label).toBe('Plugged Broadcast dynamic to Booth panel line 2');
    const floor = (): unknown[] => app.store.selectSignal(studioFeature.selectStudio)()!.floor.cords;
    expect(floor()).toHaveLength(1);
    page.element.querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    await until(() => floor().length === 0, 'the cord pulled again');
  });
});

describe('a line of the patch list', () => {
  it('stays under the hand that ticks it, and opens the inspector when it is pressed elsewhere', () => {
    page = app.mount(PatchListPage);
    const inspected = app.store.selectSignal(planFeature.selectInspected);
    const selected = app.store.selectSignal(planFeature.selectSelection);
    const tick = page.element.querySelector<HTMLInputElement>('input[type=checkbox]')!;
    tick.focus();
    tick.click();
    expect([selected()?.kind, inspected()]).toEqual(['cord', false]);
    page.element.querySelector<HTMLElement>('tr strong')!.click();
    expect(inspected()).toBe(true);
  });
});
