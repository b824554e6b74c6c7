import { NEVER } from 'rxjs';
import type { SessionId } from '../../core/src/rig/ids';
import { editSet } from '../../core/src/edits/make';
import type { LogRow, Note, Take } from '../../core/src/takes/logRows';
import { noteAt, overAt, takeAt } from '../../core/test/fixtures/logOf';
import { TakesPage } from '../src/app/stages/takes/takes-page';
import type { PendingOp } from '../src/app/state/log-pending';
import { keptOps, pendingOps } from '../src/app/state/log-pending';
import { LogActions, logFeature } from '../src/app/state/log.feature';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import { Undoing } from '../src/app/state/undoing';
import { cellOf, enterCell, field, fill, over, pick } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;
const SESSION = 'lamplighters-ledger' as SessionId;

const ours = <R extends LogRow>(row: R): R => ({ ...row, session: SESSION });
const first: Take = ours(takeAt('first', 0, overAt(372)));

async function open(rows: readonly LogRow[] = []): Promise<void> {
  localStorage.clear();
  app = bench();
  app.api.logRows = rows.map((row, i) => ({ seq: i + 1, row: ours(row) }));
  await app.open();
  page = app.mount(TakesPage);
  await until(() => app.store.selectSignal(logFeature.selectIsLoaded)(), 'the log');
  page.fixture.detectChanges();
}

const shown = (condition: () => boolean, what?: string): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return condition();
  }, what);
const stored = <K extends LogRow['kind']>(kind: K): readonly Extract<LogRow, { kind: K }>[] =>
  app.api.logRows
    .map(({ row }) => row)
    .filter((row): row is Extract<LogRow, { kind: K }> => row.kind === kind);
const sheet = (name: string): HTMLElement => page.element.querySelector(`[role=grid][aria-label="${name}"]`)!;
const alt = (code: string): void => {
  page.press(document.body, code, { code, altKey: true });
};
const notices = (): string =>
  app.store
    .selectSignal(studioFeature.selectNotices)()
    .map(({ text }) => text)
    .join(' ');
async function there(name: string, row: string, title: string): Promise<HTMLElement> {
  await shown(() => cellOf(sheet(name), row, title).isConnected, `${title} of ${row}`);
  return cellOf(sheet(name), row, title);
}

describe('a run of the counter', () => {
  beforeEach(() => open());

  it('opens a take with who plays and what is armed, takes notes by a key, and closes', async () => {
    expect(page.text()).toContain('No take yet.');
    field('Joss Verrill', page.element).click();
    fill(page, 'Starts at', '1:30', page.element);
    alt('KeyS');
    await shown(() => stored('take').length === 1, 'the take');
    const [take] = stored('take');
    expect(take).toMatchObject({ reel: 'Reel 1', number: 1, syncs: [{ counterS: 90 }] });
    expect(take!.performers).not.toContain('Joss Verrill');
    expect(take!.tracks).toContain('NARR');
    expect(take!.tracks).not.toContain('LAMP');
    alt('Digit4');
    alt('KeyN');
    await shown(() => stored('note').length === 2, 'the notes');
    expect(stored('note').map(({ about }) => about)).toEqual(['noise', undefined]);
    // A reaction before the key, and not before the take.
    expect(stored('note')[0]!.counterS).toBeGreaterThanOrEqual(90);
    alt('KeyS');
    await shown(() => stored('take')[0]!.endS !== undefined, 'the end');
    expect(stored('take')[0]!.endS!).toBeGreaterThanOrEqual(90);
    await page.says('Reel 1, take 1');
  });

  it('says that a note needs a take, and that nothing is followed', () => {
    alt('KeyN');
    expect(notices()).toContain('No take runs: a note has no time yet.');
    alt('KeyH');
    expect(notices()).toContain('There is no reading of the host.');
  });

  it('follows the simulated host, and is set to where it stands', async () => {
    pick(page, 'Counter', 'the simulated host');
    await shown(() => page.text().includes('1:00:0'), 'the host');
    alt('KeyS');
    await shown(() => stored('take').length === 1, 'the take');
    expect(stored('take')[0]!.syncs[0]!.counterS).toBeGreaterThanOrEqual(3600);
    alt('KeyH');
    await shown(() => stored('take')[0]!.syncs.length === 2, 'the counter set');
    pick(page, 'Counter', 'by hand');
    alt('KeyS');
    await shown(() => stored('take')[0]!.endS !== undefined, 'the end');
  });

  it('says that this browser has no MIDI', async () => {
    page.button(/^Look for MIDI/).click();
    await page.says('This browser has no MIDI.');
  });
});

describe('without a connection', () => {
  it('what is noted stays here through a reload, and is sent when the server answers', async () => {
    await open([takeAt('runs', 0, {}, Date.now() - 60_000)]);
    app.api.reachable = false;
    alt('Digit1');
    await shown(() => page.text().includes('1 kept here, sent when the server answers'), 'what is kept');
    expect(await there('Notes', 'early', 'About')).toBeTruthy();
    const kept = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!).filter((key) =>
      key.startsWith('ft-log:'),
    );
    expect(kept).toHaveLength(1);
    // The page is left and opened again: it is still there.
    page.fixture.destroy();
    page = app.mount(TakesPage);
    await shown(() => page.text().includes('1 kept here'), 'what was kept');
    app.api.reachable = true;
    app.store.dispatch(StudioActions.connection({ live: true }));
    await shown(() => stored('note').length === 1, 'the note at the server');
    await shown(() => !page.text().includes('kept here'), 'nothing kept any more');
    expect(localStorage.getItem(kept[0]!)).toBeNull();
  });

  it('what is on its way when the log is left is sent all the same; what is refused stays kept', async () => {
    await open([takeAt('runs', 0, {}, Date.now() - 60_000)]);
    jest.spyOn(app.api, 'writeLog').mockReturnValueOnce(NEVER);
    alt('Digit1');
    await shown(() => page.text().includes('1 kept here'), 'the note');
    // A note on a take that is not there.
    const lost = pendingOps([{ op: 'add', row: ours(noteAt('lost', ours(takeAt('nowhere', 900)), 3)) }]);
    app.store.dispatch(LogActions.make({ ops: lost }));
    page.fixture.destroy();
    const kept = (): readonly PendingOp[] => keptOps('saltglass-rooms', SESSION);
    await until(() => kept().length === 1, 'the answer');
    expect(stored('note').map(({ take }) => take)).toEqual([stored('take')[0]!.id]);
    expect(kept()).toEqual(lost);
  });

  it('a take that another window kept from starting is told, and its notes go into the one that runs', async () => {
    await open();
    app.api.reachable = false;
    alt('KeyS');
    alt('Digit2');
    await shown(() => page.text().includes('2 kept here'), 'take and note');
    const other = ours(takeAt('other', 600, { by: 'Bay tablet' }, Date.now() - 20_000));
    app.api.logRows = [{ seq: 1, row: other }];
    app.store.dispatch(LogActions.arrived({ session: SESSION, rows: app.api.logRows }));
    app.api.reachable = true;
    app.store.dispatch(StudioActions.connection({ live: true }));
    await shown(() => stored('note').length === 1, 'the note at the server');
    expect(stored('take')).toHaveLength(1);
    expect(stored('note')[0]!.take).toBe(other.id);
    expect(stored('note')[0]!.counterS).toBeGreaterThan(610);
    expect(notices()).toContain('Take 1 of Reel 1 runs already, started by Bay tablet.');
  });
});

describe('after the stop', () => {
  const note: Note = ours(noteAt('n', first, 171.8, { about: 'early' }));
  beforeEach(() => open([first, note]));

  it('words and times are typed into notes; what is before the take is told', async () => {
    await enterCell(page, await there('Notes', 'early', 'What'), 'before the harp');
    await shown(() => stored('note')[0]!.text === 'before the harp', 'the words');
    await enterCell(page, await there('Notes', 'early', 'At'), '2:50');
    await shown(() => stored('note')[0]!.counterS === 170, 'the time');
    await enterCell(page, await there('Notes', 'early', 'About'), '3');
    await shown(() => stored('note')[0]!.about === 'pitch', 'the kind');
    await enterCell(page, await there('Notes', 'pitch', 'About'), 'wrong');
    await shown(() => notices().includes('is none of: early, late'), 'the refusal');
  });

  it('an agreed note becomes a punch of everybody who played, and is run into its take', async () => {
    await enterCell(page, await there('Notes', 'early', 'Again'), 'yes');
    await shown(() => stored('punch').length === 1, 'the punch');
    expect(stored('punch')[0]).toMatchObject({
      performer: 'Imke Tarrow',
      inS: 169.8,
      outS: 173.8,
      preRollS: 7,
      postRollS: 5,
    });
    await enterCell(page, await there('To play again', 'Imke Tarrow', 'Pre-roll'), '0');
    await shown(() => stored('punch')[0]!.preRollS === 0, 'no pre-roll');
    await enterCell(page, await there('To play again', 'Imke Tarrow', 'Post-roll'), '0');
    await shown(() => notices().includes('never both off'), 'the refusal');
    (await there('To play again', 'Imke Tarrow', 'In')).focus();
    await shown(() => page.text().includes('Punch at 0:02:49.8'), 'the punch at hand');
    page.button(/^Punch at/).click();
    await shown(
      () => over()?.textContent.includes('hears the old take up to the punch') === true,
      'how it runs',
    );
    page.button(/^Run it from/).click();
    await shown(() => stored('take').length === 2, 'the run');
    expect(stored('take').find(({ punch }) => punch !== undefined)).toMatchObject({
      ...{ of: first.id, number: 2, performers: ['Imke Tarrow'], syncs: [{ counterS: 169.8 }] },
    });
  });

  it('not agreed any more, the punch is crossed out, and comes back', async () => {
    const again = await there('Notes', 'early', 'Again');
    await enterCell(page, again, 'yes');
    await shown(() => stored('punch').length === 1, 'the punch');
    await enterCell(page, await there('Notes', 'early', 'Again'), '');
    await shown(() => stored('punch')[0]!.struck === true, 'the punch crossed out');
    await enterCell(page, await there('Notes', 'early', 'Again'), 'yes');
    await shown(() => stored('punch')[0]!.struck === undefined, 'the punch again');
    expect(stored('punch')).toHaveLength(1);
  });

  it('a take is marked best, and what of it is used', async () => {
    await enterCell(page, await there('Takes', 'Reel 1, take 1', 'Used'), '1:02-1:30; 2:00-2:10');
    await shown(() => stored('take')[0]!.used?.length === 2, 'what is used');
    const best = await there('Takes', 'Reel 1, take 1', 'Best');
    best.focus();
    page.press(best, ' ');
    await shown(() => stored('take')[0]!.best === true, 'the mark');
    page.button(/^Hear Reel 1, take 1 again/).click();
    await shown(() => over()?.textContent.includes('alone to Imke Tarrow') === true, 'what is heard');
  });
});

describe('undo on the page', () => {
  const note: Note = ours(noteAt('n', first, 171.8, { about: 'early' }));
  const undoing = (): Undoing => page.fixture.debugElement.injector.get(Undoing);
  beforeEach(() => open([first, note]));

  it('takes back what was done to the log, step by step, and makes it again', async () => {
    await enterCell(page, await there('Notes', 'early', 'What'), 'before the harp');
    await shown(() => stored('note')[0]!.text === 'before the harp', 'the words');
    page.press(await there('Notes', 'early', 'What'), 'Delete', { ctrlKey: true });
    await shown(() => stored('note')[0]!.struck === true, 'crossed out');
    expect(undoing().undoLabel()).toBe('Note at 0:02:51.8 crossed out');
    undoing().undo();
    await shown(() => stored('note')[0]!.struck === undefined, 'not crossed out');
    undoing().undo();
    await shown(() => stored('note')[0]!.text === undefined, 'without the words');
    expect(undoing().redoLabel()).toBe('Note at 0:02:51.8 changed');
    undoing().redo();
    await shown(() => stored('note')[0]!.text === 'before the harp', 'the words again');
    expect(notices()).toContain('Undone: Note at 0:02:51.8 crossed out');
  });

  it('takes the change of the session back first that came later, and the log after it', async () => {
    await enterCell(page, await there('Notes', 'early', 'What'), 'bow');
    await shown(() => stored('note')[0]!.text === 'bow', 'the words');
    const session = app.api.studioNow.sessions[0]!;
    const value = { preRollS: 3 };
    const edit = editSet('session', {}, session.id, { field: 'takes', value, was: session.takes ?? null });
    app.store.dispatch(StudioActions.change({ label: 'Rolls', edits: [edit] }));
    await shown(() => undoing().undoLabel() === 'Rolls', 'the change of the session');
    undoing().undo();
    await shown(() => app.api.studioNow.sessions[0]!.takes?.preRollS !== 3, 'the rolls as they were');
    await shown(() => undoing().undoLabel() === 'Note at 0:02:51.8 changed', 'the log next');
    undoing().undo();
    await shown(() => stored('note')[0]!.text === undefined, 'without the words');
    // The other way round: what was made first is made again first.
    undoing().redo();
    await shown(() => stored('note')[0]!.text === 'bow', 'the words again');
    undoing().redo();
    await shown(() => app.api.studioNow.sessions[0]!.takes?.preRollS === 3, 'the rolls again');
  });

  it('shows what is crossed out, and brings it back', async () => {
    page.press(await there('Notes', 'early', 'What'), 'Delete', { ctrlKey: true });
    await shown(() => stored('note')[0]!.struck === true, 'crossed out');
    pick(page, 'of', '1 crossed out');
    page.press(await there('Notes', 'early', 'What'), 'Delete', { ctrlKey: true });
    await shown(() => stored('note')[0]!.struck === undefined, 'brought back');
    expect(await there('Notes', 'early', 'What')).toBeTruthy();
  });
});

describe('how takes are logged', () => {
  it('is set for the session; rolls are never both off, and a tempo of nought is refused', async () => {
    await open([first]);
    page.button(/^More/).click();
    page.fixture.detectChanges();
    page.button(/^How takes are logged/).click();
    await shown(() => over() !== null, 'the panel');
    const takes = () => app.api.studioNow.sessions[0]!.takes;
    fill(page, 'Pre-roll', '0', over()!);
    await shown(() => takes()?.preRollS === 0, 'the pre-roll');
    fill(page, 'Post-roll', '0', over()!);
    expect(notices()).toContain('never both off');
    fill(page, 'Tempo', '0', over()!);
    await shown(() => over()!.textContent.includes('a tempo from 10 to 400'), 'the refusal');
    fill(page, 'Tempo', '120 4/4', over()!);
    await shown(() => takes()?.tempo?.length === 1, 'the tempo');
    await page.says('1.1');
  });
});
