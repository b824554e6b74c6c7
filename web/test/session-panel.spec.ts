import { SessionPanel } from '../src/app/shell/session-panel';
import { studioFeature } from '../src/app/state/studio.feature';
import { editAdd, editSet } from '@ft/core/edits/make';
import { StudioActions } from '../src/app/state/studio.actions';
import { field, fill, pick } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let panel: Mounted<SessionPanel>;

beforeEach(async () => {
  app = bench();
  await app.open();
  panel = app.mount(SessionPanel);
});

const labels = (): readonly string[] => app.api.entries.map(({ label }) => label);

describe('the facts of the session', () => {
  it('stand in the header, with full scale beside the line-up', () => {
    expect(panel.element.querySelector('.facts')!.textContent.trim()).toBe('48 kHz · −18.0 dBFS = +4.0 dBu');
    expect(panel.text()).toContain('0 dBFS = +22.0 dBu');
  });

  it('hold the room over peaks that preamps are advised for', async () => {
    fill(panel, 'Room over peaks', '12');
    await until(() => app.api.entries.length === 1);
    expect(labels()).toEqual(['Session: 12 dB']);
    fill(panel, 'Room over peaks', '60');
    expect(panel.text()).toContain('A headroom from 0 to 40 dB.');
    expect(field('Room over peaks').getAttribute('aria-invalid')).toBe('true');
    expect(labels()).toHaveLength(1);
  });

  it('are changed where they stand: names, rate, buffer, line-up', async () => {
    fill(panel, 'Session', 'Reel two');
    fill(panel, 'Scene', 'Foley overdub');
    fill(panel, 'Studio', 'Saltglass');
    await until(() => app.api.entries.length === 3);
    expect(labels()).toEqual([
      'Rename session to Reel two',
      'Rename scene to Foley overdub',
      'Rename studio to Saltglass',
    ]);
    pick(panel, 'Sample rate', '96 kHz');
    pick(panel, 'Host buffer', '256 samples');
    fill(panel, 'Line-up, digital', '−20');
    await until(() => app.api.entries.length === 6);
    expect(app.api.studioNow.sessions[0]).toMatchObject({
      name: 'Reel two',
      sampleRateHz: 96_000,
      bufferSamples: 256,
      lineUp: { dbfs: -20, dbu: 4 },
    });
  });

  it('hold its day and whether it goes live, and take them away again', async () => {
    fill(panel, 'Day', '2026-12-05');
    await until(() => app.api.entries.length === 1);
    field('Goes live').click();
    await until(() => app.api.entries.length === 2);
    expect(app.api.studioNow.sessions[0]).toMatchObject({ date: '2026-12-05', goesLive: true });
    fill(panel, 'Day', 'soon');
    expect(panel.text()).toContain('A day is written 2026-12-05.');
    fill(panel, 'Day', '');
    await until(() => app.api.entries.length === 3);
    expect(labels()).toEqual(['Session: on 2026-12-05', 'Session: goes live', 'Session: no day']);
    expect(app.api.studioNow.sessions[0]).not.toHaveProperty('date');
  });

  it('give a session no name that another has, and keep what was typed', async () => {
    const [session] = app.api.studioNow.sessions;
    const twin = editAdd('session', {}, { ...session!, id: 'twin' as never, name: 'Reel 2' });
    app.store.dispatch(StudioActions.change({ label: 'Twin', edits: [twin] }));
    await until(() => app.api.entries.length === 1);
    fill(panel, 'Session', 'reel 2');
    const notice = app.store.selectSignal(studioFeature.selectNotices)().at(-1)?.text;
    expect(notice).toContain('There is a session “reel 2” already.');
    expect(field('Session').value).toBe('reel 2');
    expect(app.api.entries).toHaveLength(1);
  });

  it('say at the field what would fit, and change nothing', () => {
    fill(panel, 'Line-up, digital', 'loud');
    expect(panel.text()).toContain('“loud” is not a number.');
    fill(panel, 'Line-up, digital', '6');
    expect(panel.text()).toContain('A digital level from −60 to 0 dBFS.');
    fill(panel, 'Session', '  ');
    expect(panel.text()).toContain('This is needed.');
    expect(app.api.entries).toEqual([]);
  });

  it('say what is wrong once the field is left, not while it is typed', () => {
    const level = field('Line-up, digital');
    level.value = '6';
    level.dispatchEvent(new Event('input', { bubbles: true }));
    panel.fixture.detectChanges();
    expect(panel.text()).not.toContain('A digital level');
    level.dispatchEvent(new Event('blur'));
    panel.fixture.detectChanges();
    expect(panel.text()).toContain('A digital level from −60 to 0 dBFS.');
  });

  it('keep what is being typed while somebody else changes another fact, and show theirs', async () => {
    const name = field('Session');
    name.value = 'Reel thr';
    name.dispatchEvent(new Event('input', { bubbles: true }));
    const { id } = app.store.selectSignal(studioFeature.selectFound)()!.session;
    const change = { field: 'headroomDb', value: 9, was: 6 } as const;
    app.store.dispatch(StudioActions.change({ label: 'Room', edits: [editSet('session', {}, id, change)] }));
    await until(() => {
      panel.fixture.detectChanges();
      return field('Room over peaks').value === '9';
    }, 'the other change');
    expect(field('Session').value).toBe('Reel thr');
  });
});
