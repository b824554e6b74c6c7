import { TrialBar } from '../src/app/shell/trial-bar';
import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { studioFeature } from '../src/app/state/studio.feature';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
});

describe('what if', () => {
  const knob = 'preamp/gainDb/2';
  const gain = (): unknown =>
    app.store.selectSignal(studioFeature.selectFound)()!.scene.settings[knob as never];

  it('shows levels and findings as they would be, changes nothing, and sets it when told to', async () => {
    const open = app.store.selectSignal(planFeature.selectOpenFindings);
    const was = gain();
    page = app.mount(TrialBar);
    const trial = {
      on: { kind: 'knob', key: knob as never } as const,
      value: 40,
      name: 'Mic preamp 2: Gain',
      unit: 'dB',
    };
    app.store.dispatch(PlanActions.tryLevel({ trial }));
    await until(() => !open().some(({ rule }) => rule === 'over-max-input'), 'the finding to go');
    expect(gain()).toBe(was);
    page.fixture.detectChanges();
    expect(page.text()).toContain('What if Mic preamp 2: Gain +40.0 dB');
    page.press(document.body, 'Escape');
    await until(() => open().some(({ rule }) => rule === 'over-max-input'), 'the finding again');
    app.store.dispatch(PlanActions.tryLevel({ trial }));
    page.fixture.detectChanges();
    page.button(/Set it so/).click();
    await until(() => gain() === 40);
    expect(app.store.selectSignal(planFeature.selectTrial)()).toBeNull();
  });
});
