import { TestBed } from '@angular/core/testing';
import { Actions, ofType } from '@ngrx/effects';
import { NEVER, Subject, switchMap } from 'rxjs';
import { editSet } from '@ft/core/edits/make';
import type { SessionId, ThreadId } from '@ft/core/rig/ids';
import type { EntryMessage } from '@ft/contract/history';
import { SALTGLASS_PLACE, saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { draftFeature } from '../src/app/state/draft.feature';
import { pauseMs } from '../src/app/state/pause';
import { keepPending, keptPending } from '../src/app/state/pending-store';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import { bench, until } from './mount';

const rename = (value: string, was: string): ReturnType<typeof StudioActions.change> =>
  StudioActions.change({
    label: `Performer ${value}`,
    edits: [
      editSet('thread', { session: 'lamplighters-ledger' as SessionId }, 'line-1' as ThreadId, {
        field: 'performer',
        value,
        was,
      }),
    ],
    draft: { key: 'line-1:performer', text: value },
  });

const kept = (): readonly unknown[] => keptPending('saltglass-rooms', 'first').own;
const changeNamed = (id: string): Parameters<typeof keepPending>[2] => ({
  id,
  label: 'From before',
  edits: [
    {
      type: 'thread.set',
      ...{
        session: 'lamplighters-ledger',
        id: 'line-1',
        field: 'performer',
        value: 'Ada',
        was: 'Imke Tarrow',
      },
    },
  ],
});

// What one test leaves in the browser is not another one's.
afterEach(() => {
  localStorage.clear();
});

const open = StudioActions.open({ studioId: 'saltglass-rooms', place: SALTGLASS_PLACE });

describe('opening a studio', () => {
  it('works again after it was closed', async () => {
    const { api, store } = bench();
    const load = store.selectSignal(studioFeature.selectLoad);
    store.dispatch(open);
    await until(() => load() === 'ready');
    store.dispatch(StudioActions.close());
    store.dispatch(open);
    await until(() => load() === 'ready');
    expect(api.opened).toBe(2);
  });

  it('loads it once while one moves between scenes', async () => {
    const { api, store } = bench();
    store.dispatch(open);
    store.dispatch(open);
    await until(() => store.selectSignal(studioFeature.selectLoad)() === 'ready');
    expect(api.opened).toBe(1);
  });
});

describe('a change', () => {
  it('goes to the server and is not kept longer than that', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => api.entries.length === 1);
    expect(kept()).toEqual([]);
    expect(store.selectSignal(studioFeature.selectPending)()).toEqual([]);
  });

  it('waits in the browser while the server cannot be reached, and is sent when it is back', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    api.reachable = false;
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => kept().length === 1);
    expect(store.selectSignal(studioFeature.selectPending)()).toHaveLength(1);
    api.reachable = true;
    await until(() => api.entries.length === 1, 'the change at the server');
    await until(() => kept().length === 0);
  });

  it('left unsent is sent after a reload', async () => {
    const first = bench();
    await first.open();
    first.api.reachable = false;
    first.store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => kept().length === 1);
    first.store.dispatch(StudioActions.close());
    first.api.reachable = true;
    first.store.dispatch(open);
    await until(() => first.api.entries.length === 1, 'the change at the server');
  });

  it('on its way when the studio is left is sent all the same, then which session was open', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    // The first request is under way for as long as anybody waits for it.
    jest.spyOn(api, 'change').mockReturnValueOnce(NEVER);
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    store.dispatch(rename('Bo', 'Ada'));
    await until(() => kept().length === 2);
    const told = api.openedSessions.length;
    let caughtUp = 0;
    TestBed.inject(Actions)
      .pipe(ofType(StudioActions.caughtUp))
      .subscribe(() => caughtUp++);
    store.dispatch(StudioActions.close());
    await until(() => caughtUp === 1, 'the end of it');
    expect(api.entries.map(({ label }) => label)).toEqual(['Performer Ada', 'Performer Bo']);
    expect(api.openedSessions.slice(told)).toEqual(['lamplighters-ledger']);
    expect(kept()).toEqual([]);
  });

  it('that cannot be sent when the studio is left stays kept', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    api.reachable = false;
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => kept().length === 1);
    const change = jest.spyOn(api, 'change');
    store.dispatch(StudioActions.close());
    await until(() => change.mock.calls.length === 1, 'the attempt');
    expect(kept()).toHaveLength(1);
  });

  it('that the server refuses is told, and its text kept in the cell', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    // Somebody else was first, and this window has not heard of it yet.
    const theirs = { type: 'thread.set', session: 'lamplighters-ledger', id: 'line-1', field: 'performer' };
    api
      .change({ id: 'saltglass-rooms', incarnation: 'first' }, 'booth', {
        id: 'change-theirs',
        label: 'x',
        edits: [{ ...theirs, value: 'Bo', was: 'Imke Tarrow' }],
      })
      .subscribe();
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    const notices = store.selectSignal(studioFeature.selectNotices);
    await until(() => notices().length === 1);
    expect(notices()[0]!.text).toContain('to “Bo” meanwhile');
    expect(store.selectSignal(draftFeature.selectTexts)()).toEqual({ 'line-1:performer': 'Ada' });
  });
});

describe('whatever is no refusal in the contract’s words', () => {
  it.each<[string, { status: number; code: string; message: string } | undefined]>([
    ['a full disk', { status: 507, code: 'disk-full', message: 'The disk is full.' }],
    ['a mistake of the program', { status: 500, code: 'internal', message: 'A mistake.' }],
    ['an answer from something else on the way', { status: 502, code: '', message: '' }],
    ['a tablet that is not paired any more', { status: 401, code: 'not-paired', message: 'Not paired.' }],
    ['a program that is busy', { status: 429, code: 'busy', message: 'Busy.' }],
  ])('keeps the change: %s', async (_name, failing) => {
    const { api, store, open: enter } = bench();
    await enter();
    api.failing = failing;
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    const because = store.selectSignal(studioFeature.selectKeptBecause);
    await until(() => because() !== null, 'the reason it is kept');
    expect(kept()).toHaveLength(1);
    expect(store.selectSignal(studioFeature.selectPending)()).toHaveLength(1);
    expect(store.selectSignal(studioFeature.selectNotices)()).toEqual([]);
    api.failing = undefined;
    // The connection is back: nobody waits for the next pause.
    store.dispatch(StudioActions.connection({ live: true }));
    await until(() => api.entries.length === 1, 'the change at the server');
    await until(() => kept().length === 0);
    expect(because()).toBeNull();
  });

  it('is asked again after pauses that grow to half a minute', () => {
    expect([1, 2, 3, 4, 5, 6, 50].map(pauseMs)).toEqual([1500, 3000, 6000, 12_000, 24_000, 30_000, 30_000]);
  });
});

describe('a studio that was removed and brought in again', () => {
  it('keeps what is unsent, says so, and makes it there when asked to', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    api.incarnation = 'second';
    api.studioNow = saltglassRooms();
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    const gone = store.selectSignal(studioFeature.selectGone);
    await until(() => gone() === 'replaced');
    expect(kept()).toHaveLength(1);
    expect(api.entries).toHaveLength(0);
    store.dispatch(StudioActions.reload());
    const strays = store.selectSignal(studioFeature.selectStrays);
    await until(() => strays().length === 1);
    expect(gone()).toBeNull();
    expect(store.selectSignal(studioFeature.selectPending)()).toEqual([]);
    store.dispatch(StudioActions.takeStrays());
    await until(() => api.entries.length === 1, 'the change at the server');
    expect(api.entries[0]!.label).toBe('Performer Ada');
    await until(() => Object.keys(localStorage).every((key) => !key.startsWith('ft-pending')));
  });

  it('lets what is unsent go when asked to', async () => {
    const { api, store, open: enter } = bench();
    keepPending('saltglass-rooms', 'before', changeNamed('change-before'), 1);
    await enter();
    const strays = store.selectSignal(studioFeature.selectStrays);
    expect(strays()).toHaveLength(1);
    store.dispatch(StudioActions.dropStrays());
    expect(strays()).toEqual([]);
    await until(() => Object.keys(localStorage).every((key) => !key.startsWith('ft-pending')));
    expect(api.entries).toEqual([]);
  });

  it('that only was removed says that', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    api.failing = { status: 404, code: 'not-found', message: 'No such studio.' };
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => store.selectSignal(studioFeature.selectGone)() === 'removed');
    expect(kept()).toHaveLength(1);
  });
});

describe('a line of the history that stays away', () => {
  it('leads to the studio being loaded anew', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    const ref = { id: 'saltglass-rooms', incarnation: 'first' };
    const lines: EntryMessage[] = [];
    for (const [value, was] of [
      ['Ada', 'Imke Tarrow'],
      ['Bo', 'Ada'],
    ] as const) {
      const { edits, label } = rename(value, was);
      api.change(ref, 'booth', { id: `change-${value}-x`, label, edits: [...edits] }).subscribe((line) => {
        lines.push(line);
      });
    }
    await until(() => lines.length === 2, 'both lines');
    // The first line was lost on the way.
    store.dispatch(StudioActions.entryArrived({ entry: lines[1]! }));
    await until(() => api.opened === 2, 'the studio loaded anew');
    await until(() => store.selectSignal(studioFeature.selectRevision)() === 2);
  });
});

describe('undo', () => {
  it('asks once what it would take back, and is told with every own change', async () => {
    const { api, store, open: enter } = bench();
    const asked = jest.spyOn(api, 'undoState');
    await enter();
    const state = store.selectSignal(studioFeature.selectUndoState);
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => state().undo?.label === 'Performer Ada');
    store.dispatch(rename('Bo', 'Ada'));
    await until(() => state().undo?.label === 'Performer Bo');
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('says what it undid', async () => {
    const { store, open: enter } = bench();
    await enter();
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => store.selectSignal(studioFeature.selectRevision)() === 1);
    store.dispatch(StudioActions.undo({}));
    const notices = store.selectSignal(studioFeature.selectNotices);
    await until(() => notices().length === 1);
    expect(notices()[0]).toMatchObject({ tone: 'said', text: 'Undo: Performer Ada' });
  });

  it('waits for a change that is on its way, and every press counts', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => api.entries.length === 1);
    const answer = new Subject<void>();
    const change = api.change.bind(api);
    jest
      .spyOn(api, 'change')
      .mockImplementationOnce((...sent) => answer.pipe(switchMap(() => change(...sent))));
    store.dispatch(rename('Bo', 'Ada'));
    store.dispatch(StudioActions.undo({}));
    store.dispatch(StudioActions.undo({}));
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect(api.entries).toHaveLength(1);
    answer.next();
    await until(() => api.entries.length === 4, 'both to be taken back');
    expect(api.entries.map(({ label }) => label)).toEqual([
      ...['Performer Ada', 'Performer Bo', 'Undo: Performer Bo', 'Undo: Performer Ada'],
    ]);
    expect(api.studioNow.sessions[0]!.threads[0]!.performer).toBe('Imke Tarrow');
  });

  it('takes nothing else back while what was done last cannot be stored', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => api.entries.length === 1);
    api.failing = { status: 507, code: 'disk-full', message: 'The disk is full.' };
    store.dispatch(rename('Bo', 'Ada'));
    store.dispatch(StudioActions.undo({}));
    const notices = store.selectSignal(studioFeature.selectNotices);
    await until(() => notices().length === 1);
    expect(notices()[0]!.text).toContain('Not now: what was done last here is kept, but not stored yet.');
    expect(api.entries).toHaveLength(1);
  });

  it('that waits is given up when the studio is left; one that was asked for is done', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    store.dispatch(rename('Ada', 'Imke Tarrow'));
    await until(() => api.entries.length === 1);
    const answer = new Subject<void>();
    const undo = api.undo.bind(api);
    const asked = jest
      .spyOn(api, 'undo')
      .mockImplementation((...sent) => answer.pipe(switchMap(() => undo(...sent))));
    store.dispatch(StudioActions.undo({}));
    store.dispatch(StudioActions.undo({}));
    store.dispatch(StudioActions.close());
    answer.next();
    await until(() => api.entries.length === 2, 'the one that was asked for');
    expect(api.entries[1]!.label).toBe('Undo: Performer Ada');
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('says when there is nothing to undo', async () => {
    const { store, open: enter } = bench();
    await enter();
    store.dispatch(StudioActions.undo({}));
    const notices = store.selectSignal(studioFeature.selectNotices);
    await until(() => notices().length === 1);
    expect(notices()[0]).toMatchObject({ tone: 'trouble', text: 'There is nothing of yours to undo.' });
  });
});
