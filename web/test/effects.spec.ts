import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { draftFeature } from '../src/app/state/draft.feature';
import { keptPending } from '../src/app/state/pending-store';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import { bench, until } from './mount';

const rename = (value: string, was: string): ReturnType<typeof StudioActions.change> =>
  StudioActions.change({
    label: `Performer ${value}`,
    edits: [
      { type: 'thread.set', session: 'lamplighters-ledger', id: 'line-1', field: 'performer', value, was },
    ],
    draft: { key: 'line-1:performer', text: value },
  });

const kept = (): readonly unknown[] => keptPending('saltglass-rooms', 'first').own;
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

describe('undo', () => {
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

  it('says when there is nothing to undo', async () => {
    const { store, open: enter } = bench();
    await enter();
    store.dispatch(StudioActions.undo({}));
    const notices = store.selectSignal(studioFeature.selectNotices);
    await until(() => notices().length === 1);
    expect(notices()[0]).toMatchObject({ tone: 'trouble', text: 'There is nothing of yours to undo.' });
  });
});
