import { FindingsPage } from '../src/app/findings/findings-page';
import { HistoryPage } from '../src/app/history/history-page';
import { Inspector } from '../src/app/inspector/inspector';
import { PatchListPage } from '../src/app/patch-list/patch-list-page';
import { TrialBar } from '../src/app/shell/trial-bar';
import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
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

const button = (name: RegExp): HTMLButtonElement =>
  [...page.element.querySelectorAll('button')].find((each) =>
    name.test((each.getAttribute('aria-label') ?? each.textContent).trim()),
  )!;

describe('findings', () => {
  it('are walked with the arrow keys; the selection follows', async () => {
    page = desk.mount(FindingsPage);
    const rows = page.element.querySelectorAll<HTMLButtonElement>('li > button');
    expect(rows).toHaveLength(5);
    rows[0]!.focus();
    page.press(rows[0]!, 'ArrowDown');
    expect(document.activeElement).toBe(rows[1]);
    const selected = desk.store.selectSignal(planFeature.selectFinding);
    await until(() => selected()?.rule === 'over-max-input');
  });

  it('are waived with a reason in the inspector, and stand apart from then on', async () => {
    page = desk.mount(Inspector);
    const key = desk.store.selectSignal(planFeature.selectOpenFindings)()[0]!.key;
    desk.store.dispatch(PlanActions.selectFinding({ key }));
    page.fixture.detectChanges();
    expect(page.text()).toContain('48 V on a jack bay');
    expect(button(/^Waive/).disabled).toBe(true);
    const reason = page.element.querySelector('textarea')!;
    reason.value = 'cords stay in';
    reason.dispatchEvent(new Event('input'));
    page.fixture.detectChanges();
    page.element.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await until(() => desk.store.selectSignal(planFeature.selectOpenFindings)().length === 4);
    page.fixture.detectChanges();
    expect(page.text()).toContain('cords stay in');
    button(/Take back/).click();
    await until(() => desk.store.selectSignal(planFeature.selectOpenFindings)().length === 5);
  });
});

describe('repairs', () => {
  const open = () => desk.store.selectSignal(planFeature.selectOpenFindings)();
  const showing = async (part: string): Promise<void> =>
    until(() => {
      page.fixture.detectChanges();
      return page.text().includes(part);
    }, part);

  it('are offered for the selected finding, told what they mend, taken with R and undone', async () => {
    page = desk.mount(FindingsPage);
    const key = open().find(({ rule }) => rule === 'over-max-input')!.key;
    desk.store.dispatch(PlanActions.selectFinding({ key }));
    await showing('Turn Mic preamp 2 to');
    expect(page.text()).toContain('mends this one');
    page.press(page.element, 'r');
    await until(() => !open().some((finding) => finding.key === key), 'the mended finding');
    expect(desk.api.entries.at(-1)!.label).toMatch(/^Repair: Turn Mic preamp 2/);
    desk.store.dispatch(StudioActions.undo({}));
    await until(() => open().some((finding) => finding.key === key), 'the finding again');
  });

  it('are left to people where no single change is safe', async () => {
    page = desk.mount(FindingsPage);
    const key = open().find(({ rule }) => rule === 'loading')!.key;
    desk.store.dispatch(PlanActions.selectFinding({ key }));
    await showing('No single safe change');
  });

  it('the list is put together by severity, stage or device', async () => {
    page = desk.mount(FindingsPage);
    expect(page.text()).toContain('Errors: it will not work');
    button(/^by device$/).click();
    await showing('Mic preamp');
    expect(page.element.querySelectorAll('h2').length).toBeGreaterThan(1);
  });
});

describe('what if', () => {
  const knob = 'preamp/gainDb/2';
  const gain = (): unknown =>
    desk.store.selectSignal(studioFeature.selectFound)()!.scene.settings[knob as never];

  it('shows levels and findings as they would be, changes nothing, and sets it when told to', async () => {
    const open = desk.store.selectSignal(planFeature.selectOpenFindings);
    const was = gain();
    page = desk.mount(TrialBar);
    const trial = {
      on: { kind: 'knob', key: knob as never } as const,
      value: 40,
      name: 'Mic preamp 2: Gain',
      unit: 'dB',
    };
    desk.store.dispatch(PlanActions.tryLevel({ trial }));
    await until(() => !open().some(({ rule }) => rule === 'over-max-input'), 'the finding to go');
    expect(gain()).toBe(was);
    page.fixture.detectChanges();
    expect(page.text()).toContain('What if Mic preamp 2: Gain +40.0 dB');
    page.press(document.body, 'Escape');
    await until(() => open().some(({ rule }) => rule === 'over-max-input'), 'the finding again');
    desk.store.dispatch(PlanActions.tryLevel({ trial }));
    page.fixture.detectChanges();
    button(/Set it so/).click();
    await until(() => gain() === 40);
    expect(desk.store.selectSignal(planFeature.selectTrial)()).toBeNull();
  });
});

describe('the knobs of a hop', () => {
  const settings = (): Record<string, unknown> =>
    desk.store.selectSignal(studioFeature.selectFound)()!.scene.settings;
  const showKnobs = async (lane: string): Promise<void> => {
    page = desk.mount(Inspector);
    desk.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: lane as never } }));
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('Set in this scene');
    });
  };
  const turn = (key: string, value: string): void => {
    const field = page.element.querySelector<HTMLInputElement>(`[id="${key}"]`)!;
    field.value = value;
    field.dispatchEvent(new Event('change'));
  };

  it('set the reference level of a converter channel, as a finding advises', async () => {
    await showKnobs('converter/line-in-1/2');
    turn('converter/adcReferenceDbu/2', '24');
    await until(() => settings()['converter/adcReferenceDbu/2'] === 24);
    expect(desk.api.entries.at(-1)!.label).toBe('Converter line in 2: Input reference 24 dBu');
  });

  it('throw a pad, and refuse a gain out of range with the range', async () => {
    await showKnobs('preamp/mic-2/1');
    const pad = page.element.querySelector<HTMLInputElement>('[id="preamp/pad/2"]')!;
    pad.click();
    await until(() => settings()['preamp/pad/2'] === true);
    turn('preamp/gainDb/2', '99');
    const notices = desk.store.selectSignal(studioFeature.selectNotices);
    expect(notices().at(-1)!.text).toBe('Gain goes from 10 to 65 dB.');
    expect(settings()['preamp/gainDb/2']).toBe(56);
  });
});

describe('the patch list', () => {
  it('warns before the plugging, and takes ticks', async () => {
    page = desk.mount(PatchListPage);
    expect(page.text()).toContain('switch 48 V off on every line you touch');
    const ticks = page.element.querySelectorAll<HTMLInputElement>('input[type=checkbox]');
    expect(ticks).toHaveLength(6);
    ticks[0]!.click();
    await until(() => desk.api.entries.length === 1);
    expect(desk.api.entries[0]!.label).toBe('Plugged Broadcast dynamic to Booth panel line 2');
    const floor = (): unknown[] => desk.store.selectSignal(studioFeature.selectStudio)()!.floor.cords;
    expect(floor()).toHaveLength(1);
    page.element.querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    await until(() => floor().length === 0, 'the cord pulled again');
  });
});

describe('a line of the patch list', () => {
  it('stays under the hand that ticks it, and opens the inspector when it is pressed elsewhere', () => {
    page = desk.mount(PatchListPage);
    const inspected = desk.store.selectSignal(planFeature.selectInspected);
    const selected = desk.store.selectSignal(planFeature.selectSelection);
    const tick = page.element.querySelector<HTMLInputElement>('input[type=checkbox]')!;
    tick.focus();
    tick.click();
    expect([selected()?.kind, inspected()]).toEqual(['cord', false]);
    page.element.querySelector<HTMLElement>('tr strong')!.click();
    expect(inspected()).toBe(true);
  });
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

describe('the history', () => {
  it('lists what was changed and takes it back', async () => {
    page = desk.mount(PatchListPage);
    page.element.querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    await until(() => desk.store.selectSignal(studioFeature.selectRevision)() === 1);
    page.element.remove();
    page = desk.mount(HistoryPage);
    await until(() => {
      page.fixture.detectChanges();
      return page.element.querySelectorAll('tbody tr').length === 1;
    });
    expect(page.text()).toContain('Plugged Broadcast dynamic to Booth panel line 2');
    button(/^Take back/).click();
    await until(() => desk.api.entries.length === 2);
  });
});
