import { SessionPanel } from '../src/app/shell/session-panel';
import { studioFeature } from '../src/app/state/studio.feature';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let panel: Mounted<SessionPanel>;

beforeEach(async () => {
  app = bench();
  await app.open();
  panel = app.mount(SessionPanel);
});

const enter = (selector: string, text: string): void => {
  const field = panel.element.querySelector<HTMLInputElement>(selector)!;
  field.value = text;
  field.dispatchEvent(new Event('change'));
};
const labels = (): readonly string[] => app.api.entries.map(({ label }) => label);

describe('the facts of the session', () => {
  it('stand in the header, with full scale beside the line-up', () => {
    expect(panel.element.querySelector('.facts')!.textContent.trim()).toBe('48 kHz · −18.0 dBFS = +4.0 dBu');
    expect(panel.text()).toContain('0 dBFS = +22.0 dBu');
  });

  it('hold the room over peaks that preamps are advised for', async () => {
    enter('#session-headroom', '12');
    await until(() => app.api.entries.length === 1);
    expect(labels()).toEqual(['Session: 12 dB']);
    enter('#session-headroom', 'plenty');
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    expect(notices().at(-1)!.text).toBe('“plenty” is not room over peaks. Type dB, from 0 to 40.');
  });

  it('are changed where they stand: names, rate, buffer, line-up', async () => {
    enter('#session-name', 'Reel two');
    enter('#scene-name', 'Foley overdub');
    enter('#studio-name', 'Saltglass');
    await until(() => app.api.entries.length === 3);
    expect(labels()).toEqual([
      'Rename session to Reel two',
      'Rename scene to Foley overdub',
      'Rename studio to Saltglass',
    ]);
    enter('#session-rate', '96000');
    enter('#session-buffer', '256');
    enter('#session-dbfs', '−20');
    await until(() => app.api.entries.length === 6);
    expect(app.api.studioNow.sessions[0]).toMatchObject({
      name: 'Reel two',
      sampleRateHz: 96_000,
      bufferSamples: 256,
      lineUp: { dbfs: -20, dbu: 4 },
    });
  });

  it('say what would fit where a level is none, and change nothing', () => {
    enter('#session-dbfs', 'loud');
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    expect(notices().at(-1)!.text).toBe('“loud” is not a level. Type a number, such as -18.');
    enter('#session-name', '  ');
    expect(app.api.entries).toEqual([]);
  });
});
