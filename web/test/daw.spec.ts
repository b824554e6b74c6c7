import { TracksPage } from '../src/app/stages/mix/tracks/tracks-page';
import { Inspector } from '../src/app/shell/inspector/inspector';
import { TrialBar } from '../src/app/shell/trial-bar';
import { planFeature } from '../src/app/state/plan.feature';
import { studioFeature } from '../src/app/state/studio.feature';
import { field, fill, over, pick, submit } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
  page = app.mount(TracksPage);
  await page.says('No tracks yet.');
});

const one = (selector: string): HTMLInputElement => page.element.querySelector<HTMLInputElement>(selector)!;
const shown = (condition: () => boolean): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return condition();
  });
const session = (): (typeof app.api.studioNow.sessions)[number] => app.api.studioNow.sessions[0]!;

async function openPanel(button: RegExp): Promise<void> {
  page.button(button).click();
  await shown(() => over() !== null);
}

async function closePanel(): Promise<void> {
  over()!.querySelector('button')!.click();
  await shown(() => over() === null);
}

async function addTracks(): Promise<void> {
  await openPanel(/^Host/);
  pick(page, 'Host', 'DAW');
  await until(() => app.api.entries.length === 1, 'entry 1');
  await closePanel();
  fill(page, 'How many tracks', '2');
  fill(page, 'Name of the tracks', 'Mic #');
  fill(page, 'Inputs from', '1');
  submit(one('ft-template-form form'));
  await until(() => app.api.entries.length === 2, 'entry 2');
  await shown(() => page.element.querySelectorAll('tbody tr').length === 2);
}

/** A cell of the sheet, by row and column title. */
function cell(row: number, title: string): HTMLElement {
  const heads = [...page.element.querySelectorAll('thead th')].map(({ textContent }) => textContent.trim());
  const column = heads.findIndex((head) => head === title || head.startsWith(`${title} `));
  return page.element.querySelectorAll('tbody tr')[row]!.querySelectorAll<HTMLElement>('td')[column]!;
}

/** Types into a cell and goes on with Enter. */
async function type(row: number, title: string, text: string): Promise<void> {
  const at = cell(row, title);
  at.focus();
  page.press(at, 'Enter');
  const editor = (): HTMLInputElement | null => at.querySelector('input');
  await until(() => editor() === document.activeElement, 'the editor');
  editor()!.value = text;
  editor()!.dispatchEvent(new Event('input'));
  page.press(editor()!, 'Enter');
}

describe('the tracks of the DAW', () => {
  it('are made from a template, with inputs that count on', async () => {
    await addTracks();
    expect(session().host).toBe('daw');
    expect(session().tracks.map(({ name, input }) => ({ name, input }))).toEqual([
      { name: 'Mic 1', input: { from: 'host', first: 1 } },
      { name: 'Mic 2', input: { from: 'host', first: 2 } },
    ]);
    await shown(() => page.text().includes('hears Converter line in 2'));
  });

  it('take cells as they are typed, and run through the strip when they are chosen', async () => {
    await addTracks();
    await type(0, 'Inserts', 'De-esser @64; 3 hw 5');
    await until(() => app.api.entries.length === 3, 'entry 3');
    expect(session().tracks[0]!.inserts).toHaveLength(3);
    cell(0, 'Fader').focus();
    const strip = app.store.selectSignal(planFeature.selectStrip);
    await until(() => strip()?.title === 'Mic 1');
    expect(strip()!.hops.some(({ laneName }) => laneName === 'Mic 1 in')).toBe(true);
  });

  it('are turned on trial: levels are shown as they would be, and set when told to', async () => {
    await addTracks();
    await type(0, 'Outputs', '1');
    await until(() => app.api.entries.length === 3, 'entry 3');
    cell(0, 'Mon').querySelector<HTMLElement>('[data-switch]')!.click();
    await until(() => app.api.entries.length === 4, 'entry 4');
    cell(0, 'Fader').focus();
    const strip = app.store.selectSignal(planFeature.selectStrip);
    const atOutput = (): number | undefined =>
      strip()?.hops.find(({ laneName }) => laneName === 'DAW output 1')?.nominal;
    await until(() => strip()?.title === 'Mic 1' && atOutput() !== undefined, 'the strip of the track');
    const before = atOutput()!;
    page.fixture.detectChanges();
    page.button(/What if/).click();
    const inspector = app.mount(Inspector);
    const slider = inspector.element.querySelector<HTMLInputElement>('ft-track-trial input')!;
    slider.value = '-12';
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    await until(() => Math.abs(atOutput()! - before + 12) < 1e-6, 'the level on trial');
    expect(session().tracks[0]!.faderDb).toBe(0);
    inspector.fixture.detectChanges();
    expect(inspector.text()).toContain('−12.0 dB');
    const bar = app.mount(TrialBar);
    expect(bar.text()).toContain('What if Mic 1: fader −12.0 dB');
    bar.button(/Set it so/).click();
    await until(() => session().tracks[0]!.faderDb === -12, 'the fader');
    bar.element.remove();
    inspector.element.remove();
  });

  it('take one text after another into the same cell, however quick the hand', async () => {
    await addTracks();
    await type(0, 'Outputs', '1-2');
    await until(() => app.api.entries.length === 3, 'entry 3');
    await shown(() => cell(0, 'Outputs').textContent.trim() === '1–2');
    for (const text of ['3-4', '5-6', '7-8']) await type(0, 'Outputs', text);
    await until(() => app.api.entries.length === 6, 'entry 6');
    expect(session().tracks[0]!.outputs).toEqual([{ to: 'host', first: 7, width: 2 }]);
    expect(app.store.selectSignal(studioFeature.selectNotices)()).toEqual([]);
  });

  it('say why a cell cannot be so, and keep what was typed', async () => {
    await addTracks();
    await type(0, 'Input', 'bus Nowhere');
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    await shown(() => notices().length > 0);
    expect(notices().at(-1)!.text).toBe(
      'Mic 1: There is no bus “Nowhere”. Add it to the buses first. What you typed is kept.',
    );
    const field = cell(0, 'Input');
    await shown(() => field.textContent.trim() === 'bus Nowhere');
    expect(field.classList).toContain('draft');
    field.focus();
    page.press(field, 'Escape');
    await shown(() => field.textContent.trim() === '1');
  });

  it('are filled down a column, faders and switches alike, and undone as one', async () => {
    await addTracks();
    await type(0, 'Fader', '-4.5');
    await until(() => app.api.entries.length === 3, 'entry 3');
    cell(0, 'Mute').querySelector<HTMLElement>('[data-switch]')!.click();
    await until(() => app.api.entries.length === 4, 'entry 4');
    await shown(() => cell(0, 'Mute').textContent.includes('✓'));
    for (const title of ['Fader', 'Mute']) {
      cell(1, title).focus();
      page.press(cell(1, title), 'd', { ctrlKey: true });
    }
    await until(() => app.api.entries.length === 6, 'entries 5 and 6');
    expect(session().tracks.map(({ faderDb, muted }) => [faderDb, muted])).toEqual([
      [-4.5, true],
      [-4.5, true],
    ]);
  });

  it('leave a VCA what is of no signal', async () => {
    await addTracks();
    cell(1, 'Kind').focus();
    page.press(cell(1, 'Kind'), 'v');
    const editor = (): HTMLInputElement | null => cell(1, 'Kind').querySelector('input');
    await until(() => editor() === document.activeElement, 'the editor');
    editor()!.value = 'vca';
    editor()!.dispatchEvent(new Event('input'));
    await shown(() => document.querySelector('ngb-typeahead-window button')?.textContent.trim() === 'vca');
    document.querySelector<HTMLElement>('ngb-typeahead-window button')!.click();
    await until(() => session().tracks[1]!.kind === 'vca', 'the kind');
    await shown(() => cell(1, 'Kind').textContent.trim() === 'vca');
    cell(1, 'Input').focus();
    page.press(cell(1, 'Input'), 'Enter');
    expect(cell(1, 'Input').querySelector('input')).toBeNull();
  });

  it('are put further down, and their slots in another order', async () => {
    await addTracks();
    await type(0, 'Inserts', 'De-esser; Gate');
    await until(() => app.api.entries.length === 3, 'entry 3');
    cell(0, 'Name').focus();
    await shown(() => page.text().includes('Order of inserts'));
    await openPanel(/^Order of inserts/);
    page.press(over()!.querySelector('button[aria-label^="Place 1"]')!, 'ArrowDown', { altKey: true });
    await until(() => app.api.entries.length === 4, 'entry 4');
    expect(session().tracks[0]!.inserts.map((slot) => slot?.kind === 'plugin' && slot.name)).toEqual([
      'Gate',
      'De-esser',
    ]);
    await shown(() => cell(0, 'Inserts').textContent.trim() === 'Gate; De-esser');
    page.press(cell(0, 'Name'), 'ArrowDown', { altKey: true });
    await until(() => app.api.entries.length === 5, 'entry 5');
    await shown(() => cell(1, 'Name').textContent.trim() === 'Mic 1');
    expect(app.api.entries.at(-1)!.label).toBe('Mic 1 put further down');
  });

  it('come from a pasted list, tried first', async () => {
    await openPanel(/^Paste or read/);
    fill(page, 'Paste cells', 'Name\tInput\tOutputs\nNARR\t5\tbus Dialogue', over()!);
    await shown(() => over()!.textContent.includes('+ new NARR'));
    expect(app.api.entries).toHaveLength(0);
    page.button(/^Take it in/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(session().buses.map(({ name }) => name)).toEqual(['Dialogue']);
  });

  it('take the rig’s host where the session has none yet', async () => {
    fill(page, 'Name of the tracks', 'Solo');
    submit(one('ft-template-form form'));
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(session().host).toBe('daw');
    expect(session().tracks.map(({ name }) => name)).toEqual(['Solo']);
  });

  it('are removed, with what follows them, and say so in the history', async () => {
    await addTracks();
    cell(0, 'Rec').querySelector<HTMLElement>('[data-switch]')!.click();
    await until(() => app.api.entries.length === 3, 'entry 3');
    expect(app.api.entries.at(-1)!.label).toBe('Mic 1: record arm');
    await type(1, 'Fader', '−6');
    await until(() => app.api.entries.length === 4, 'entry 4');
    expect(app.api.entries.at(-1)!.label).toBe('Mic 2: fader');
    await shown(
      () => cell(1, 'Fader').textContent.trim() === '−6' && cell(0, 'Rec').textContent.includes('✓'),
    );
    cell(0, 'Name').focus();
    await shown(() => page.text().includes('Remove Mic 1'));
    page.button(/^Remove Mic 1/).click();
    await until(() => app.api.entries.length === 5, 'entry 5');
    expect(session().tracks.map(({ name }) => name)).toEqual(['Mic 2']);
  });

  it('refuse a template that says nothing, at the field that lacks it', () => {
    const form = one('ft-template-form form');
    const said = (key: string): string | undefined =>
      form.querySelector(`[data-field="${key}"] .error`)?.textContent.trim();
    submit(form);
    page.fixture.detectChanges();
    expect(said('name')).toBe('▲ This is needed.');
    expect(document.activeElement).toBe(field('Name of the tracks'));
    fill(page, 'How many tracks', 'many');
    expect(said('count')).toBe('▲ “many” is not a number.');
    fill(page, 'How many tracks', '300');
    expect(said('count')).toContain('rom 1 to 256 tracks');
    fill(page, 'Name of the tracks', 'Pad');
    submit(form);
    expect(app.api.entries).toEqual([]);
  });

  it('know the kind of host, bus by bus and field by field', async () => {
    await openPanel(/^Host/);
    pick(page, 'Kind of host', 'Any pair, measures and trims');
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(session().hostProfile).toMatchObject({ insertPairs: 'free', trims: true });
    field('trims sends and returns', over()!).click();
    await until(() => app.api.entries.length === 2, 'entry 2');
    expect(session().hostProfile).toMatchObject({ insertPairs: 'free', trims: false });
    await shown(() => field('Kind of host').textContent.includes('as set here'));
    await closePanel();
    await openPanel(/^Buses/);
    fill(page, 'Another bus', 'Stems', over()!);
    submit(over()!.querySelector('form'));
    await until(() => app.api.entries.length === 3, 'entry 3');
    expect(session().buses).toEqual([{ id: 'stems', name: 'Stems', width: 2 }]);
  });
});
