import { Inspector } from '../src/app/shell/inspector/inspector';
import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { studioFeature } from '../src/app/state/studio.feature';
import { field, fill, pick } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
});

describe('the knobs of a hop', () => {
  const settings = (): Record<string, unknown> =>
    app.store.selectSignal(studioFeature.selectFound)()!.scene.settings;
  const showKnobs = async (lane: string): Promise<void> => {
    page = app.mount(Inspector);
    app.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: lane as never } }));
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('Set in this scene');
    });
  };
  it('set the reference level of a converter channel, as a finding advises', async () => {
    await showKnobs('converter/line-in-1/2');
    pick(page, 'Input reference', '24');
    await until(() => settings()['converter/adcReferenceDbu/2'] === 24);
    await until(() => app.api.entries.length > 0, 'the change at the server');
    expect(app.api.entries.at(-1)!.label).toBe('Converter line in 2: Input reference 24 dBu');
  });

  it('throw a pad, and refuse a gain out of range with the range', async () => {
    await showKnobs('preamp/mic-2/1');
    field('Pad').click();
    await until(() => settings()['preamp/pad/2'] === true);
    fill(page, 'Gain', '99');
    expect(page.text()).toContain('▲ Gain goes from 10 to 65 dB.');
    expect(field('Gain').value).toBe('99');
    expect(settings()['preamp/gainDb/2']).toBe(56);
  });
});

describe('the place of a finding', () => {
  // Focus chooses a finding and the click behind it does once more, with the strip here in between or not.
  it('is at its hop, also where the finding was chosen a second time', async () => {
    page = app.mount(Inspector);
    const plan = app.store.selectSignal(planFeature.selectPlan);
    const hop = app.store.selectSignal(planFeature.selectCurrentHop);
    await until(() => plan() !== null, 'the plan');
    const over = plan()!.findings.find(({ rule }) => rule === 'over-max-input')!;
    const place = over.places.find(({ ref }) => ref.kind === 'lane')!;
    for (const _time of [1, 2]) {
      app.store.dispatch(PlanActions.selectFinding({ key: over.key }));
      await until(() => hop()?.lane === place.ref.id, 'the hop of the place');
    }
    page.button(new RegExp(place.name)).click();
    await page.says('Set in this scene');
    expect(page.text()).not.toContain('No thread runs here');
  });

  it('says that no thread runs there only where none does', async () => {
    page = app.mount(Inspector);
    const strip = app.store.selectSignal(planFeature.selectStrip);
    const shown = async (id: string): Promise<string> => {
      app.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: id as never } }));
      await until(() => strip()?.hops.some(({ lane }) => lane === id) === true, 'the strip');
      app.store.dispatch(PlanActions.stepToHop({ hop: -1 }));
      page.fixture.detectChanges();
      return page.text();
    };
    expect(await shown('preamp/mic-2/1')).not.toContain('No thread runs here');
    expect(await shown('bay-b/upper-rear-9/1')).toContain('No thread runs here');
  });
});
