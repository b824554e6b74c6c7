import { studioFeature } from '../src/app/state/studio.feature';
import { planFeature } from '../src/app/state/plan.feature';
import { ClockPage } from '../src/app/see/time/clock-page';
import { DelaysPage } from '../src/app/see/time/delays-page';
import { ParallelPathsPage } from '../src/app/see/time/parallel-paths-page';
import { drawn } from './create-plotly.stub';
import { cellOf, enterCell, pick } from './hands';
import type { Bench, Mounted } from './mount';
import { demoBench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

const session = () => app.store.selectSignal(studioFeature.selectFound)()!.session;
const rules = () =>
  app.store
    .selectSignal(planFeature.selectOpenFindings)()
    .map(({ rule }) => rule);

beforeEach(async () => {
  app = await demoBench();
});

describe('ways that meet', () => {
  it('shows the comb of the crushed lamplighter', async () => {
    page = app.mount(ParallelPathsPage);
    await page.says('LAMP at bus Dialogue left');
    expect(page.text()).toContain('160 Hz, 480 Hz');
    await until(() => drawn.length > 0, 'the chart');
    expect(page.text()).toContain('First notch at 160 Hz, 6.0 dB deep.');
    const [curve, upper, lower] = drawn[0] as readonly { x: number[]; y: number[]; fill?: string }[];
    // One line as long as the teeth can be told apart, and the two levels between which they stand behind it.
    expect(curve!.x.at(-1)).toBeLessThanOrEqual(7680);
    expect(curve!.x.length).toBeGreaterThan(2000);
    expect([upper!.x, lower!.fill]).toEqual([[7680, 20_000], 'tonexty']);
    expect(upper!.y[0]).toBeGreaterThan(lower!.y[0]!);
  });
});

describe('delays', () => {
  beforeEach(async () => {
    page = app.mount(DelaysPage);
    await page.says('Imke Tarrow');
  });

  it('tells how late a performer hears themself, and finds it over the limit', async () => {
    // 342 samples at 48 kHz, what the host delays everything by included.
    await page.says('7.13 ms');
    expect(rules()).toContain('cue-delay');
    await enterCell(page, cellOf(page.element, 'Imke Tarrow', 'Limit'), '8');
    await until(() => !rules().includes('cue-delay'), 'the end of the finding');
  });

  it('adds a name of the input list, gives them headphones, and takes them off', async () => {
    pick(page, 'Another performer', 'Joss Verrill');
    await page.says('Joss Verrill');
    await until(() => session().performers.some(({ name }) => name === 'Joss Verrill'));
    page.fixture.detectChanges();
    await enterCell(page, cellOf(page.element, 'Joss Verrill', 'Headphones'), 'Conductor headphones');
    await until(() => session().performers.some(({ headphones }) => headphones === 'conductor-headphones'));
    page.fixture.detectChanges();
    cellOf(page.element, 'Joss Verrill', 'Limit').focus();
    page.fixture.detectChanges();
    page.button(/Take off Joss Verrill/).click();
    await until(() => !session().performers.some(({ name }) => name === 'Joss Verrill'));
  });

  it('refuses a limit that does not fit', async () => {
    await enterCell(page, cellOf(page.element, 'Imke Tarrow', 'Limit'), 'soon');
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    expect(notices().at(-1)!.text).toContain('“soon” does not fit: it is not a number.');
  });

  it('lists inserts with what is left late', async () => {
    await page.says('◆ 150');
    expect(page.text()).toContain('1 of about 20 hardware inserts');
  });
});

describe('the clock', () => {
  it('says which of two devices may lead, and lets one lead', async () => {
    page = app.mount(ClockPage);
    await page.says('Which of the two leads?');
    expect(page.text()).toContain(
      'Cue interface cannot lead: no word clock and no link leads back to Optical preamp.',
    );
    expect(page.button(/^Kiln desk leads$/).getAttribute('aria-pressed')).toBe('true');
    page.button(/^Kiln stagebox leads, by link back$/).click();
    await until(() => app.api.entries.length === 1, 'the leader');
    expect(app.api.entries[0]!.label).toBe('Kiln stagebox leads the clock');
    const clock = (name: string) =>
      app.api.studioNow.rig.devices.find((device) => device.name === name)!.clock;
    expect([clock('Kiln stagebox'), clock('Kiln desk')]).toEqual([
      { follows: 'internal' },
      { follows: 'madi-in-1' },
    ]);
    await until(() => {
      page.fixture.detectChanges();
      return page.button(/^Kiln stagebox leads/).getAttribute('aria-pressed') === 'true';
    }, 'the other school');
  });

  const told = (): HTMLElement => cellOf(page.element, 'Kiln stagebox', 'Say what it follows');

  beforeEach(async () => {
    page = app.mount(ClockPage);
    await page.says('House clock is master');
  });

  it('shows who follows whom, and finds two masters at once', async () => {
    await page.says('└ Kiln stagebox');
    await enterCell(page, told(), 'its own clock');
    await page.says('2 masters');
    expect(rules()).toContain('clock-masters');
    await until(() => {
      page.fixture.detectChanges();
      return told().textContent.trim() === 'its own clock';
    }, 'what was said');
    await enterCell(page, told(), 'as connected');
    await page.says('nobody has said');
  });

  it('tells what would not fit at another rate before it is taken', async () => {
    pick(page, 'What would no longer fit at', '96 kHz');
    await page.says('4 threads stop');
    expect(session().sampleRateHz).toBe(48_000);
    page.button(/Set the session to 96 kHz/).click();
    await until(() => session().sampleRateHz === 96_000);
    await until(() => rules().includes('lanes-lost-at-rate'), 'the finding');
  });

  it('plans automation on another console, which timecode does not reach', async () => {
    pick(page, 'Automation is planned on', 'Kiln desk');
    await until(() => rules().includes('timecode-missing'), 'the finding');
  });
});
