import { editSet } from '@ft/core/edits/make';
import { FindingsPage } from '../src/app/see/findings/findings-page';
import { Inspector } from '../src/app/shell/inspector/inspector';
import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { StudioActions } from '../src/app/state/studio.actions';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
});

describe('findings', () => {
  it('are walked with the arrow keys; the selection follows', async () => {
    page = app.mount(FindingsPage);
    const rows = page.element.querySelectorAll<HTMLButtonElement>('li > button');
    expect(rows.length).toBeGreaterThan(1);
    rows[0]!.focus();
    page.press(rows[0]!, 'ArrowDown');
    expect(document.activeElement).toBe(rows[1]);
    const selected = app.store.selectSignal(planFeature.selectFinding);
    await until(() => selected()?.rule === 'over-max-input');
  });

  it('are waived with a reason in the inspector, and stand apart from then on', async () => {
    page = app.mount(Inspector);
    const key = app.store.selectSignal(planFeature.selectOpenFindings)()[0]!.key;
    app.store.dispatch(PlanActions.selectFinding({ key }));
    page.fixture.detectChanges();
    expect(page.text()).toContain('48 V on a jack bay');
    expect(page.button(/^Waive/).disabled).toBe(true);
    const reason = page.element.querySelector('textarea')!;
    reason.value = 'cords stay in';
    reason.dispatchEvent(new Event('input'));
    page.fixture.detectChanges();
    page.element.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    const isOpen = (): boolean =>
      app.store
        .selectSignal(planFeature.selectOpenFindings)()
        .some((finding) => finding.key === key);
    await until(() => !isOpen(), 'the waiver');
    page.fixture.detectChanges();
    expect(page.text()).toContain('cords stay in');
    page.button(/Take back/).click();
    await until(isOpen, 'the finding again');
  });
});

describe('repairs', () => {
  const open = () => app.store.selectSignal(planFeature.selectOpenFindings)();
  const showing = async (part: string): Promise<void> =>
    until(() => {
      page.fixture.detectChanges();
      return page.text().includes(part);
    }, part);

  it('are offered for the selected finding, told what they mend, taken with R and undone', async () => {
    page = app.mount(FindingsPage);
    const key = open().find(({ rule }) => rule === 'over-max-input')!.key;
    app.store.dispatch(PlanActions.selectFinding({ key }));
    await showing('Turn Mic preamp 2 to');
    expect(page.text()).toContain('mends this one');
    page.press(page.element, 'r');
    await until(() => !open().some((finding) => finding.key === key), 'the mended finding');
    expect(app.api.entries.at(-1)!.label).toMatch(/^Repair: Turn Mic preamp 2/);
    app.store.dispatch(StudioActions.undo({}));
    await until(() => open().some((finding) => finding.key === key), 'the finding again');
  });

  it('are left to people where no single change is safe', async () => {
    page = app.mount(FindingsPage);
    const preamp = app.api.studioNow.rig.devices.find(({ id }) => id === 'preamp')!;
    const { params: was } = preamp;
    const edit = editSet('device', {}, preamp.id, { field: 'params', value: { ...was, inputOhm: 500 }, was });
    app.store.dispatch(StudioActions.change({ label: 'A preamp of 500 Ω', edits: [edit] }));
    await until(() => open().some(({ rule }) => rule === 'loading'), 'the finding');
    const key = open().find(({ rule }) => rule === 'loading')!.key;
    app.store.dispatch(PlanActions.selectFinding({ key }));
    await showing('No single safe change');
  });

  it('the list is put together by severity, stage or device', async () => {
    page = app.mount(FindingsPage);
    expect(page.text()).toContain('Errors: it will not work');
    page.button(/^by device$/).click();
    await showing('Mic preamp');
    expect(page.element.querySelectorAll('h2').length).toBeGreaterThan(1);
  });
});
