import type { Parts } from '../../core/test/fixtures/studioOf';
import { studioOf } from '../../core/test/fixtures/studioOf';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { ConsolesPage } from '../src/app/stages/consoles/consoles-page';
import { planFeature } from '../src/app/state/plan.feature';
import { studioFeature } from '../src/app/state/studio.feature';
import { cellOf, enterCell, field, fill, over, pick } from './hands';
import type { Bench, Mounted } from './mount';
import { MemoryApi } from './memory-api';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

/** A small console with a stagebox: a sheet of many rows takes a simulated browser seconds to draw. */
const SMALL: Parts = {
  devices: [
    { id: 'box', name: 'Stagebox', type: 'stagebox', params: { inputs: 4, outputs: 0 } },
    {
      ...{ id: 'desk', name: 'Desk', type: 'digitalConsole' },
      params: {
        ...{ channels: 4, fadersPerLayer: 2, micInputs: 0, lineOutputs: 4, cards: 1, auxes: 2, groups: 0 },
        ...{ matrices: 0, effects: 0, vcas: 0, stereoReturns: 0, speakerSets: 0, studioOutputs: false },
      },
    },
  ],
  wires: [1, 2, 3, 4].map((n) => [`box/madi-out-1/${String(n)}`, `desk/madi-in-1/${String(n)}`]),
  session: {
    ...{ id: SALTGLASS_PLACE.session, name: 'Session' },
    scenes: [{ id: SALTGLASS_PLACE.scene, name: 'Tracking', cords: [], settings: {} }],
  },
};

beforeEach(async () => {
  localStorage.clear();
  const api = new MemoryApi();
  api.studioNow = { ...studioOf(SMALL), id: 'saltglass-rooms' as never };
  app = bench(api);
  await app.open();
  page = app.mount(ConsolesPage, { part: 'track/consoles', device: 'desk' });
  await page.says('Channels (');
});

const shown = (condition: () => boolean, what?: string): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return condition();
  }, what);
const settings = (): Record<string, unknown> => {
  const { sessions } = app.api.studioNow;
  return { ...sessions[0]!.scenes.find(({ id }) => id === 'tracking')!.settings };
};
/** The change is made, and what lay over the page is gone. */
const changed = async (count: number): Promise<void> => {
  await shown(() => app.api.entries.length === count, `change ${String(count)}`);
  await shown(() => over() === null, 'the panel closed');
};
const cell = (row: string, title: string): HTMLElement => cellOf(page.element, row, title);
/** What the notices say. */
const complaint = (): string =>
  app.store
    .selectSignal(studioFeature.selectNotices)()
    .map(({ text }) => text)
    .join(' ');

async function openPanel(name: RegExp): Promise<HTMLElement> {
  const named = [...document.querySelectorAll('button')].find(({ textContent }) =>
    name.test(textContent.trim()),
  );
  if (named === undefined) {
    page.button(/^More/).click();
    page.fixture.detectChanges();
  }
  page.button(name).click();
  await shown(() => over() !== null, 'the panel');
  return over()!;
}

describe('a console as a sheet', () => {
  it('takes cells as they are typed, and follows the row in the strip', async () => {
    await enterCell(page, cell('channel 3', 'Listens to'), 'card in 3');
    await changed(1);
    expect(settings()).toMatchObject({ 'desk/channelSource/3': 3 });
    // The amplifier in front stands on the stage; its gain is turned here.
    await shown(() => page.text().includes('Gain'), 'the gain of the stagebox');
    await enterCell(page, cell('channel 3', 'Gain'), '44');
    await changed(2);
    expect(settings()).toMatchObject({ 'box/gainDb/3': 44 });
    const selection = app.store.selectSignal(planFeature.selectSelection);
    expect(selection()).toMatchObject({ kind: 'lane', id: 'desk/channel/4' });
  });

  it('keeps what does not fit, and says why', async () => {
    await enterCell(page, cell('channel 1', 'Trim'), '99');
    await shown(() => complaint().includes('Digital trim goes from −20 to 20 dB.'), 'the refusal');
    expect(app.api.entries).toEqual([]);
  });

  it('counts on with Ctrl Shift D, as one change', async () => {
    await enterCell(page, cell('channel 1', 'Listens to'), 'card in 1');
    await changed(1);
    const from = cell('channel 1', 'Listens to');
    from.focus();
    for (let i = 0; i < 2; i++) page.press(document.activeElement!, 'ArrowDown', { shiftKey: true });
    page.press(document.activeElement!, 'D', { ctrlKey: true, shiftKey: true });
    await changed(2);
    expect(settings()).toMatchObject({ 'desk/channelSource/3': 3 });
    expect(settings()).not.toHaveProperty('desk/channelSource/4');
  });

  it('folds a section, and remembers it', async () => {
    const head = (): HTMLButtonElement => page.button(/Channels \(4\)/);
    expect(head().getAttribute('aria-expanded')).toBe('true');
    head().click();
    await shown(() => head().getAttribute('aria-expanded') === 'false');
    expect(page.text()).not.toContain('channel 3');
    expect(JSON.parse(localStorage.getItem('ft-consoles')!)).toMatchObject({
      folded: { desk: expect.arrayContaining(['channels', 'cards']) },
    });
  });

  it('shows a layer, what the job uses, or a patch page', async () => {
    pick(page, 'Show', 'Layer 2: channels 3–4');
    await shown(() => page.text().includes('channel 4') && !page.text().includes('channel 2'));
    pick(page, 'Show', 'What this job uses');
    await shown(() => !page.text().includes('channel 4'));
    pick(page, 'Show', 'Matrix: card outputs');
    await shown(() => page.element.querySelector('ft-matrix-grid') !== null, 'the grid');
  });
});

describe('many channels at once', () => {
  it('are copied from one, part by part, shown before', async () => {
    await enterCell(page, cell('channel 2', 'Aux 1'), '-6 pre');
    await changed(1);
    cell('channel 2', 'Row').focus();
    page.fixture.detectChanges();
    const panel = await openPanel(/^Copy to/);
    fill(page, 'To', '3-4', panel);
    await shown(() => panel.textContent.includes('2 cells change.'), 'the preview');
    panel.querySelector<HTMLButtonElement>('button.main')!.click();
    await changed(2);
    expect(settings()).toMatchObject({ 'desk/aux1/4': 1, 'desk/aux1Db/4': -6 });
    expect(settings()['desk/aux1/1']).toBeUndefined();
  });

  it('listen to a run of sources, and what has none is named', async () => {
    const panel = await openPanel(/^Lay one to one/);
    fill(page, 'First source', 'card in 1', panel);
    fill(page, 'How many', '5', panel);
    await shown(() => panel.textContent.includes('channel 4 is the last of its kind.'), 'what is left');
    panel.querySelector<HTMLButtonElement>('button.main')!.click();
    await changed(1);
    expect(settings()).toMatchObject({ 'desk/channelSource/4': 4 });
  });

  it('are made ready in a scene of their own, with what is opened last', async () => {
    const panel = await openPanel(/^Make ready/);
    await shown(() => panel.textContent.includes('Opened last, by hand'), 'the plan');
    expect(panel.textContent).toContain('4 inputs, from channel 1 on.');
    fill(page, 'Its name', 'Base', panel);
    await shown(
      () => field('Its name', panel).value === 'Base' && panel.textContent.includes('cells change'),
    );
    panel.querySelector<HTMLButtonElement>('button.main')!.click();
    await changed(1);
    const made = app.api.studioNow.sessions[0]!.scenes.find(({ name }) => name === 'Base');
    expect(made!.settings).toMatchObject({ 'desk/mixMute/1': true, 'desk/faderDb/1': -90 });
    expect(settings()['desk/mixMute/1']).toBeUndefined();
  });

  it('are kept under a name, and looked at by it', async () => {
    const panel = await openPanel(/^Views/);
    fill(page, 'Name', 'Voices', panel);
    fill(page, 'Channels', '1, 3', panel);
    [...panel.querySelectorAll('button')]
      .find(({ textContent }) => textContent.includes('Keep the view'))!
      .click();
    await changed(1);
    expect(app.api.studioNow.sessions[0]!.consoleViews).toMatchObject([{ id: 'voices', device: 'desk' }]);
    await shown(() => page.text().includes('channel 3') && !page.text().includes('channel 2'), 'the view');
  });

  it('say who has them', async () => {
    const panel = await openPanel(/^Channels$|^Channels who/);
    await shown(() => panel.textContent.includes('are free'), 'the budget');
    expect(panel.textContent).toMatch(/0\s+of\s+4/);
  });
});

describe('the matrix', () => {
  const grid = (): HTMLElement => page.element.querySelector<HTMLElement>('[role=grid]')!;
  const said = (): string => page.element.querySelector('ft-matrix-grid [role=status]')!.textContent;

  it('is walked, closed and opened by keys, and says what a crosspoint is', async () => {
    pick(page, 'Show', 'Matrix: line outputs');
    await shown(() => page.element.querySelector('ft-matrix-grid') !== null);
    page.press(grid(), 'ArrowDown');
    page.press(grid(), 'ArrowRight');
    expect(said()).toContain('line out 2 listens to nothing. Space gives it mix right.');
    page.press(grid(), ' ');
    await changed(1);
    expect(settings()).toMatchObject({ 'desk/lineOutSource/2': 2 });
    await shown(() => said().includes('line out 2 listens to mix right'));
    page.press(grid(), 'Delete');
    await changed(2);
    expect(settings()).toMatchObject({ 'desk/lineOutSource/2': 0 });
  });

  it('is laid diagonally down the selection', async () => {
    pick(page, 'Show', 'Matrix: line outputs');
    await shown(() => page.element.querySelector('ft-matrix-grid') !== null);
    for (let i = 0; i < 2; i++) page.press(grid(), 'ArrowDown', { shiftKey: true });
    page.press(grid(), 'd', { ctrlKey: true });
    await changed(1);
    expect([1, 2, 3, 4].map((n) => settings()[`desk/lineOutSource/${String(n)}`])).toEqual([
      1,
      2,
      3,
      undefined,
    ]);
  });

  it('moves whole blocks where it is coarse, and says what cannot be had alone', async () => {
    pick(page, 'Show', 'Matrix: card outputs');
    await shown(() => page.element.querySelector('ft-matrix-grid') !== null);
    page.press(grid(), 'ArrowRight');
    expect(said()).toContain('card out 1 cannot have direct out 2 alone: this patch moves 8 at a time');
    page.press(grid(), ' ');
    page.press(grid(), 'ArrowLeft');
    page.press(grid(), ' ');
    await changed(1);
    expect(settings()).toMatchObject({ 'desk/cardOutSource/1': 1 });
    await shown(() => page.element.querySelectorAll('.point').length === 8, 'the block');
    expect(page.element.querySelectorAll('.block')).toHaveLength(1);
  });
});
