import { SALTGLASS_PLACE, saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import type { Action } from '@ngrx/store';
import type { EntryMessage } from '@ft/contract/history';
import type { Change } from '@ft/core/edits/change';
import { patchList } from '@ft/core/views/bay/patchList';
import { planOf } from '@ft/core/views/plan';
import { keptDrafts, forgetDraft, saveDraft } from '../src/app/state/draft.feature';
import { forgetPending, keepPending, keptPending } from '../src/app/state/pending-store';
import { initialPlanState, PlanActions, planFeature } from '../src/app/state/plan.feature';
import { StudioActions } from '../src/app/state/studio.actions';
import type { StudioState } from '../src/app/state/studio.feature';
import { initialStudioState, studioFeature } from '../src/app/state/studio.feature';

const demo = saltglassRooms();

const change = (id: string, value: string, was: string): Change => ({
  id,
  label: value,
  edits: [
    { type: 'thread.set', session: 'lamplighters-ledger', id: 'line-1', field: 'performer', value, was },
  ],
});
const entry = (revision: number, made: Change): EntryMessage => ({
  revision,
  change: made.id,
  label: made.label,
  author: 'booth',
  at: '',
  edits: [...made.edits],
});
const performer = (state: StudioState): string => state.replica!.studio.sessions[0]!.threads[0]!.performer;

const after = (...actions: readonly Action[]): StudioState =>
  actions.reduce(studioFeature.reducer, {
    ...initialStudioState,
    studioId: demo.id,
    place: SALTGLASS_PLACE,
  });
const opened = (own: readonly Change[] = [], revision = 0): Action =>
  StudioActions.opened({
    studioId: demo.id,
    at: { studio: demo, revision, incarnation: 'first' },
    kept: { own, stray: [] },
  });

describe('the studio in a window', () => {
  const mine = change('change-mine', 'Ada', 'Imke Tarrow');

  it('shows a change at once, and keeps it pending until it is answered', () => {
    const proposed = after(opened(), StudioActions.proposed({ change: mine }));
    expect(performer(proposed)).toBe('Ada');
    expect(proposed.replica!.pending).toHaveLength(1);
    const confirmed = studioFeature.reducer(proposed, StudioActions.entryArrived({ entry: entry(1, mine) }));
    expect(performer(confirmed)).toBe('Ada');
    expect(confirmed.replica).toMatchObject({ revision: 1, pending: [] });
  });

  it('takes a refused change back, and says why', () => {
    const refused = after(
      opened(),
      StudioActions.proposed({ change: mine }),
      StudioActions.refused({ changeId: mine.id, label: 'Ada', message: 'Somebody else was first.' }),
    );
    expect(performer(refused)).toBe('Imke Tarrow');
    expect(refused.notices).toMatchObject([
      { tone: 'trouble', text: 'Not done: Ada. Somebody else was first.' },
    ]);
  });

  it('lets go of a kept change that the server has had already', () => {
    const reloaded = after(opened([mine], 1), StudioActions.entryArrived({ entry: entry(1, mine) }));
    expect(reloaded.replica!.pending).toEqual([]);
  });

  it('waits for a line that is missing before it goes on', () => {
    const [one, two] = [change('change-one', 'Ada', 'Imke Tarrow'), change('change-two', 'Bo', 'Ada')];
    const early = after(opened(), StudioActions.entryArrived({ entry: entry(2, two) }));
    expect(performer(early)).toBe('Imke Tarrow');
    const whole = studioFeature.reducer(early, StudioActions.entryArrived({ entry: entry(1, one) }));
    expect(performer(whole)).toBe('Bo');
    expect(whole.replica!.revision).toBe(2);
  });

  it('keeps what was typed with a change until it is answered', () => {
    const draft = { key: 'line-1:performer', text: 'Ada' };
    const proposed = after(opened(), StudioActions.proposed({ change: mine, draft }));
    expect(proposed.drafts).toEqual({ 'change-mine': draft });
    const confirmed = studioFeature.reducer(proposed, StudioActions.entryArrived({ entry: entry(1, mine) }));
    expect(confirmed.drafts).toEqual({});
  });

  it('keeps the studio while one moves between its scenes, and forgets it for another', () => {
    const here = after(opened());
    const moved = studioFeature.reducer(
      here,
      StudioActions.open({ studioId: demo.id, place: SALTGLASS_PLACE }),
    );
    expect(moved.replica).toBe(here.replica);
    const other = studioFeature.reducer(
      here,
      StudioActions.open({ studioId: 'other', place: SALTGLASS_PLACE }),
    );
    expect(other).toMatchObject({ replica: null, load: 'loading' });
  });
});

describe('a line that does not fit what is here', () => {
  it('leads to the studio being loaded anew, and nothing unsent is lost by it', () => {
    const mine = change('change-mine', 'Ada', 'Imke Tarrow');
    const state = after(opened(), StudioActions.proposed({ change: mine }));
    const foreign = { ...entry(1, change('change-x', 'X', 'somebody who never was')) };
    const broken = studioFeature.reducer(state, StudioActions.entryArrived({ entry: foreign }));
    expect(broken.outOfStep).toBe(true);
    expect(broken.replica!.pending).toHaveLength(1);
    const again = studioFeature.reducer(broken, opened([mine], 5));
    expect(again).toMatchObject({ outOfStep: false, replica: { revision: 5 } });
    expect(performer(again)).toBe('Ada');
  });
});

describe('what the browser keeps', () => {
  it('is pending changes, in the order they were made', () => {
    keepPending('rooms', 'first', change('change-b', 'B', 'A'), 2);
    keepPending('rooms', 'first', change('change-a', 'A', ''), 1);
    keepPending('elsewhere', 'first', change('change-c', 'C', ''), 3);
    localStorage.setItem('ft-pending:rooms:broken', '{');
    const ids = (): string[] => keptPending('rooms', 'first').own.map(({ id }) => id);
    expect(ids()).toEqual(['change-a', 'change-b']);
    forgetPending('rooms', 'change-a');
    expect(ids()).toEqual(['change-b']);
  });

  it('is told apart by the studio it was made in', () => {
    keepPending('rooms-2', 'before', change('change-x', 'X', ''), 1);
    keepPending('rooms-2', 'now', change('change-y', 'Y', ''), 2);
    // Entries of the first versions do not say; they are taken for this one.
    const old = { order: 3, change: change('change-z', 'Z', '') };
    localStorage.setItem('ft-pending:rooms-2:change-z', JSON.stringify(old));
    const { own, stray } = keptPending('rooms-2', 'now');
    expect(own.map(({ id }) => id)).toEqual(['change-y', 'change-z']);
    expect(stray.map(({ id }) => id)).toEqual(['change-x']);
  });

  it('is drafts, cell by cell', () => {
    saveDraft({ key: 'line-1:source', text: 'Harp' });
    saveDraft({ key: 'line-2:source', text: 'Vibes' });
    forgetDraft('line-1:source');
    expect(keptDrafts().texts).toEqual({ 'line-2:source': 'Vibes' });
  });
});

describe('the selection', () => {
  const session = demo.sessions[0]!;
  const { plan, context } = planOf(demo.rig, session, session.scenes[0]!);
  const planned = planFeature.reducer(
    initialPlanState,
    PlanActions.planned({ plan, patchLines: patchList(context) }),
  );

  it('of a finding goes to its most telling place', () => {
    const over = plan.findings.find(({ rule }) => rule === 'over-max-input')!;
    const state = planFeature.reducer(planned, PlanActions.selectFinding({ key: over.key }));
    expect(state.selection).toEqual({ kind: 'lane', id: 'converter/line-in-1/2' });
    expect(planFeature.selectFinding.projector(state.plan, state.findingKey)).toBe(over);
  });

  it('steps along the strip and no further', () => {
    const strip = { title: '', complete: true, hops: [{}, {}, {}], worst: -1, selected: 1, gaps: [] };
    const shown = planFeature.reducer(planned, PlanActions.stripMade({ strip: strip as never }));
    expect(shown.hop).toBe(1);
    const step = (hop: number): number => planFeature.reducer(shown, PlanActions.stepToHop({ hop })).hop;
    expect([step(2), step(7), step(-5)]).toEqual([2, 2, -1]);
  });
});
