import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { ThreadStrip } from '../src/app/shell/strip/thread-strip';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
});

describe('the strip', () => {
  it('shows the path of what is selected, and steps to a hop that is clicked', async () => {
    const strip = app.store.selectSignal(planFeature.selectStrip);
    await until(() => strip()?.thread === 'line-1', 'the first line, shown unasked');
    app.store.dispatch(PlanActions.clearSelection());
    page = app.mount(ThreadStrip);
    expect(page.text()).toContain('Select a line, a cord or a finding');
    app.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: 'line-2' as never } }));
    await until(() => strip() !== null);
    page.fixture.detectChanges();
    expect(page.text()).toContain('2 Joss Verrill, Lamplighter');
    expect(page.text()).toContain('Peak over a maximum level');
    const hops = page.element.querySelectorAll('g.hop');
    hops[3]!.dispatchEvent(new MouseEvent('click'));
    expect(app.store.selectSignal(planFeature.selectHop)()).toBe(3);
  });
});
