import { InputList } from '../src/app/stages/track/input-list/input-list';
import { draftFeature } from '../src/app/state/draft.feature';
import { studioFeature } from '../src/app/state/studio.feature';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let sheet: Mounted<InputList>;

const cell = (row: number, column: number): HTMLTableCellElement =>
  sheet.element.querySelectorAll('tbody tr')[row]!.querySelectorAll('td')[column]!;
const editor = (): HTMLInputElement | null => sheet.element.querySelector('td input');
const thread = (index: number): { performer: string; levelDbSpl?: number; pins: object } =>
  app.store.selectSignal(studioFeature.selectStudio)()!.sessions[0]!.threads[index]!;

async function type(text: string): Promise<void> {
  await until(() => editor() === document.activeElement, 'the editor');
  const field = editor()!;
  field.value = text;
  field.dispatchEvent(new Event('input'));
}

beforeEach(async () => {
  app = bench();
  await app.open();
  sheet = app.mount(InputList);
});

describe('the input list', () => {
  it('shows a line a thread, what is pinned told apart', () => {
    expect(sheet.element.querySelectorAll('tbody tr')).toHaveLength(4);
    expect(cell(0, 11).textContent).toContain('Converter in 5');
    expect(cell(3, 6).querySelector('[aria-label="pinned"]')).not.toBeNull();
    expect(cell(0, 6).querySelector('[aria-label="pinned"]')).toBeNull();
  });

  it('is walked with the arrow keys and stops at its edges', async () => {
    cell(0, 1).focus();
    sheet.press(cell(0, 1), 'ArrowDown');
    await until(() => document.activeElement === cell(1, 1));
    sheet.press(cell(1, 1), 'ArrowRight');
    await until(() => document.activeElement === cell(1, 2));
    sheet.press(cell(1, 2), 'ArrowUp');
    await until(() => document.activeElement === cell(0, 2));
    sheet.press(cell(0, 2), 'ArrowUp');
    await until(() => document.activeElement === cell(0, 2));
  });

  it('takes typed text over with Enter', async () => {
    cell(0, 1).focus();
    sheet.press(cell(0, 1), 'A');
    await type('Ada Lorne');
    sheet.press(editor()!, 'Enter');
    await until(() => thread(0).performer === 'Ada Lorne');
    expect(app.store.selectSignal(draftFeature.selectTexts)()).toEqual({});
  });

  it('leaves a cell as it was with Escape', async () => {
    cell(0, 1).focus();
    sheet.press(cell(0, 1), 'Enter');
    await type('Somebody');
    sheet.press(editor()!, 'Escape');
    expect(thread(0).performer).toBe('Imke Tarrow');
    expect(app.store.selectSignal(draftFeature.selectTexts)()).toEqual({});
  });

  it('keeps every keystroke while one types', async () => {
    cell(0, 1).focus();
    sheet.press(cell(0, 1), 'A');
    await type('Ada');
    expect(localStorage.getItem('ft-draft:line-1:performer')).toBe('Ada');
  });

  it('says what would fit where a number is none, and keeps the text', async () => {
    cell(0, 3).focus();
    sheet.press(cell(0, 3), 'Enter');
    await type('loud');
    sheet.press(editor()!, 'Enter');
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    expect(notices().at(-1)!.text).toBe(
      '“loud” is not a number. Type one, such as 88. What you typed is kept.',
    );
    expect(thread(0).levelDbSpl).toBe(88);
    expect(app.store.selectSignal(draftFeature.selectTexts)()).toEqual({ 'line-1:levelDbSpl': 'loud' });
  });

  it('unpins with Delete, and pins what the router chose with Space', async () => {
    cell(3, 6).focus();
    sheet.press(cell(3, 6), 'Delete');
    await until(() => !('room-jack' in thread(3).pins));
    cell(0, 7).focus();
    sheet.press(cell(0, 7), ' ');
    await until(() => 'preamp' in thread(0).pins);
  });

  it('throws 48 V with Space, and refuses a gain out of range', async () => {
    const settings = (): Record<string, unknown> =>
      app.store.selectSignal(studioFeature.selectFound)()!.scene.settings;
    cell(3, 9).focus();
    sheet.press(cell(3, 9), ' ');
    await until(() => settings()['preamp/phantom/4'] === false);
    cell(0, 8).focus();
    sheet.press(cell(0, 8), 'Enter');
    await type('90');
    sheet.press(editor()!, 'Enter');
    expect(app.store.selectSignal(studioFeature.selectNotices)().at(-1)!.text).toMatch(
      /^Gain goes from 10 to 65 dB\./,
    );
    expect(settings()['preamp/gainDb/1']).toBe(44);
  });

  it('removes a line with Ctrl Delete', async () => {
    cell(1, 1).focus();
    sheet.press(cell(1, 1), 'Delete', { ctrlKey: true });
    await until(() => app.api.studioNow.sessions[0]!.threads.length === 3);
    await until(() => {
      sheet.fixture.detectChanges();
      return sheet.element.querySelectorAll('tbody tr').length === 3;
    });
  });

  it('adds a line typed as its stations', async () => {
    sheet.press(cell(1, 1), 'Delete', { ctrlKey: true });
    await until(() => app.api.entries.length === 1);
    const field = sheet.element.querySelector<HTMLInputElement>('#new-line')!;
    field.value = 'Drums: broadcast dynamic > preamp 2';
    field.dispatchEvent(new Event('input'));
    await until(() => {
      sheet.fixture.detectChanges();
      return sheet.text().includes('microphone Broadcast dynamic');
    });
    sheet.element.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await until(() => app.api.studioNow.sessions[0]!.threads.length === 4);
    const added = app.api.studioNow.sessions[0]!.threads.find(({ source }) => source === 'Drums')!;
    expect(added).toMatchObject({ number: 5, from: 'actor-mic/out/1', pins: { preamp: 'preamp/channel-2' } });
  });
});
