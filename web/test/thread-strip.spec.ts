import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { ThreadStrip } from '../src/app/strip/thread-strip';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let desk: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  desk = bench();
  await desk.open();
});
afterEach(() => {
  page.element.remove();
});

describe('the strip', () => {
  it('shows the path of what is selected, and steps to a hop that is clicked', async () => {
    const strip = desk.store.selectSignal(planFeature.selectStrip);
    await until(() => strip()?.thread === 'line-1', 'the first line, shown unasked');
    desk.store.dispatch(PlanActions.clearSelection());
    page = desk.mount(ThreadStrip);
    expect(page.text()).toContain('Select a line, a cord or a finding');
    desk.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: 'line-2' as never } }));
    await until(() => strip() !== null);
    page.fixture.detectChanges();
    expect(page.text()).toContain('2 Joss Verrill, Lamplighter');
    expect(page.text()).toContain('Peak over a maximum level');
    const hops = page.element.querySelectorAll('g.hop');
    hops[3]!.dispatchEvent(new MouseEvent('click'));
    expect(desk.store.selectSignal(planFeature.selectHop)()).toBe(3);
  });
});
