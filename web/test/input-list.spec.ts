import { InputList } from '../src/app/stages/track/input-list/input-list';
import { draftFeature } from '../src/app/state/draft.feature';
import { studioFeature } from '../src/app/state/studio.feature';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let sheet: Mounted<InputList>;

const cell = (row: number, column: number): HTMLTableCellElement =>
  sheet.element
    .querySelectorAll('tbody tr')
    [row]!.querySelector<HTMLTableCellElement>(`[data-column="${String(column)}"]`)!;
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
  localStorage.clear();
  app = bench();
  await app.open();
  sheet = app.mount(InputList);
  await until(() => {
    sheet.fixture.detectChanges();
    return sheet.element.querySelectorAll('tbody tr').length === 4;
  }, 'the lines');
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

  it('fills what stands in the first line of a range into the others, as one change', async () => {
    cell(0, 2).focus();
    sheet.press(cell(0, 2), 'ArrowDown', { shiftKey: true });
    sheet.press(cell(1, 2), 'ArrowDown', { shiftKey: true });
    sheet.press(cell(2, 2), 'ArrowRight', { shiftKey: true });
    expect(sheet.element.querySelectorAll('td.ranged')).toHaveLength(6);
    sheet.press(cell(2, 3), 'd', { ctrlKey: true });
    await until(() => app.api.entries.length === 1, 'the change');
    const { threads } = app.api.studioNow.sessions[0]!;
    expect(threads.slice(0, 3).map(({ source, levelDbSpl }) => [source, levelDbSpl])).toEqual([
      ['Narrator', 88],
      ['Narrator', 88],
      ['Narrator', 88],
    ]);
    expect(app.api.entries[0]!.label).toBe('Input list: 4 cells filled down');
  });

  it('gives a range to a spreadsheet and takes one, quoted where need be', async () => {
    const clipboard = new Map<string, string>();
    const exchange = async (type: 'copy' | 'paste', at: HTMLElement): Promise<void> => {
      await until(() => {
        const event = new Event(type, { bubbles: true, cancelable: true });
        Object.assign(event, {
          clipboardData: {
            setData: (kind: string, text: string) => clipboard.set(kind, text),
            getData: (kind: string) => clipboard.get(kind) ?? '',
          },
        });
        at.dispatchEvent(event);
        return event.defaultPrevented;
      }, 'the reader of tables');
    };
    cell(0, 1).focus();
    sheet.press(cell(0, 1), 'ArrowRight', { shiftKey: true });
    sheet.press(cell(0, 2), 'ArrowDown', { shiftKey: true });
    await exchange('copy', cell(1, 2));
    expect(clipboard.get('text/plain')).toBe('Imke Tarrow\tNarrator\nJoss Verrill\tLamplighter');
    clipboard.set('text/plain', '"Ada, ""Lorne"""\t91\r\nBo Quill\tloud\r\nCy\t90\r\n');
    // Performer and source are next to each other; the figure falls on the source, as a spreadsheet would have it.
    cell(2, 1).focus();
    await exchange('paste', cell(2, 1));
    await until(() => app.api.entries.length === 1, 'the change');
    const { threads } = app.api.studioNow.sessions[0]!;
    expect(threads.slice(2).map(({ performer, source }) => [performer, source])).toEqual([
      ['Ada, "Lorne"', '91'],
      ['Bo Quill', 'loud'],
    ]);
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    expect(notices().at(-1)!.text).toBe('One line of what you pasted had no line here to go to.');
  });

  it('keeps as drafts what of a paste does not fit, and takes the rest', async () => {
    cell(0, 3).focus();
    sheet.press(cell(0, 3), 'ArrowDown', { shiftKey: true });
    const event = Object.assign(new Event('paste', { bubbles: true, cancelable: true }), {
      clipboardData: { getData: () => 'loud\n77' },
    });
    await until(() => {
      cell(1, 3).dispatchEvent(event);
      return event.defaultPrevented;
    }, 'the reader of tables');
    await until(() => thread(1).levelDbSpl === 77, 'the second line');
    const drafts = app.store.selectSignal(draftFeature.selectTexts);
    await until(() => 'line-1:levelDbSpl' in drafts(), 'the draft');
    expect(drafts()).toEqual({ 'line-1:levelDbSpl': 'loud' });
    expect(thread(0).levelDbSpl).toBe(88);
  });

  it('empties a range, but for what a line cannot be without', async () => {
    cell(1, 0).focus();
    for (const c of [0, 1, 2, 3, 4]) sheet.press(cell(1, c), 'ArrowRight', { shiftKey: true });
    sheet.press(cell(1, 5), 'Delete');
    await until(() => app.api.entries.length === 1, 'the change');
    expect(thread(1)).toMatchObject({ number: 2, performer: '', source: '', from: 'actor-mic/out/1' });
    expect(thread(1).levelDbSpl).toBeUndefined();
  });

  it('hides columns and remembers it', async () => {
    sheet.button(/^Columns/).click();
    sheet.fixture.detectChanges();
    const box = [...document.querySelectorAll<HTMLLabelElement>('label.dropdown-item')].find(
      ({ textContent }) => textContent.trim() === 'Crest',
    )!;
    box.querySelector('input')!.click();
    await until(() => {
      sheet.fixture.detectChanges();
      return !sheet.text().includes('Crest dB') && sheet.text().includes('Columns, 1 hidden');
    }, 'the column to go');
    expect(JSON.parse(localStorage.getItem('ft-sheet:Input list')!)).toMatchObject({
      shown: { crestDb: false },
    });
    expect(cell(0, 4).textContent.trim()).toBe('Large condenser');
  });

  it('puts a line further down with Alt and the arrow, in one change, and the keys go along', async () => {
    const sources = (): (string | undefined)[] =>
      [...sheet.element.querySelectorAll('tbody tr')].map((row) =>
        row.querySelector('[data-column="2"]')?.textContent.trim(),
      );
    const before = sources();
    cell(0, 2).focus();
    sheet.press(cell(0, 2), 'ArrowDown', { altKey: true });
    await until(() => {
      sheet.fixture.detectChanges();
      return sources()[1] === before[0] && sources()[0] === before[1];
    }, 'the other order');
    expect([thread(0), thread(1)]).toMatchObject([{ number: 2 }, { number: 1 }]);
    expect(app.api.entries).toHaveLength(1);
    await until(() => document.activeElement === cell(1, 2), 'the keys');
  });

  it('makes a column wider with Alt, Shift and the arrow, and remembers it', () => {
    cell(0, 1).focus();
    const wide = (): number => parseInt(sheet.element.querySelectorAll('col')[2]!.style.width, 10);
    const before = wide();
    for (let n = 0; n < 3; n++) sheet.press(cell(0, 1), 'ArrowRight', { altKey: true, shiftKey: true });
    sheet.press(cell(0, 1), 'ArrowLeft', { altKey: true, shiftKey: true });
    expect(wide()).toBe(before + 20);
    expect(JSON.parse(localStorage.getItem('ft-sheet:Input list')!)).toMatchObject({
      widths: { performer: before + 20 },
    });
  });
});
