import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { createPlanner } from '../src/app/workers/planner-api';
import { TestBed } from '@angular/core/testing';
import { editSet } from '@ft/core/edits/make';
import type { SessionId, ThreadId } from '@ft/core/rig/ids';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { PlanBar } from '../src/app/shell/plan-bar';
import { Changes } from '../src/app/state/changes';
import { draftFeature } from '../src/app/state/draft.feature';
import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import { ThreadStrip } from '../src/app/shell/strip/thread-strip';
import { Planner } from '../src/app/workers/planner.service';
import { stopPlanner } from './create-planner-worker.stub';
import { bench, until } from './mount';

const open = StudioActions.open({ studioId: 'saltglass-rooms', place: SALTGLASS_PLACE });

/** Lets a method of the planner fail until told otherwise, and counts how often it is asked. */
function failing(name: 'plan'): { asked: number; mend(): void } {
  const planner = TestBed.inject(Planner);
  const works = planner[name].bind(planner);
  const state = { asked: 0, mend: () => (planner[name] = works) };
  planner[name] = () => {
    state.asked++;
    return Promise.reject(new Error('A fault of the program.'));
  };
  return state;
}

const quiet = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 300));

describe('a plan that fails', () => {
  it('is asked for once, told, and planned when somebody asks again', async () => {
    const { store, mount } = bench();
    const planning = failing('plan');
    const failure = store.selectSignal(planFeature.selectFailure);
    store.dispatch(open);
    await until(() => failure() !== null, 'the failure');
    await quiet();
    expect([planning.asked, failure()]).toEqual([1, 'A fault of the program.']);
    const bar = mount(PlanBar);
    expect(bar.text()).toContain('could not be worked out: A fault of the program. Nothing is lost.');
    planning.mend();
    bar.button(/^Again$/).click();
    await until(() => store.selectSignal(planFeature.selectPlan)() !== null, 'the plan');
    bar.fixture.detectChanges();
    expect(bar.text()).toBe('');
  });

  it('leaves the one from before in sight, and the next change is planned', async () => {
    const { store, mount, open: enter } = bench();
    await enter();
    const plan = store.selectSignal(planFeature.selectPlan);
    const before = plan();
    const planning = failing('plan');
    const rename = (value: string, was: string) =>
      editSet('thread', { session: 'lamplighters-ledger' as SessionId }, 'line-1' as ThreadId, {
        field: 'performer',
        value,
        was,
      });
    store.dispatch(StudioActions.change({ label: 'Ada', edits: [rename('Ada', 'Imke Tarrow')] }));
    const failure = store.selectSignal(planFeature.selectFailure);
    await until(() => failure() !== null, 'the failure');
    expect(plan()).toBe(before);
    expect(mount(PlanBar).text()).toContain('What you see is from before');
    planning.mend();
    store.dispatch(StudioActions.change({ label: 'Bo', edits: [rename('Bo', 'Ada')] }));
    await until(() => plan() !== before, 'the next plan');
    expect(failure()).toBeNull();
  });
});

describe('a strip that fails', () => {
  it('is told in its place, and drawn when somebody asks again', async () => {
    const { store, mount, open: enter } = bench();
    await enter();
    const strip = mount(ThreadStrip);
    await strip.says('headroom');
    store.dispatch(PlanActions.stripFailed({ message: 'A fault of the program.' }));
    await strip.says('could not be worked out: A fault of the program.');
    strip.button(/^Again$/).click();
    await strip.says('headroom');
  });
});

describe('a wish the planner cannot work out', () => {
  it('is said once, nothing is changed, and what was typed is kept', async () => {
    const { api, store, open: enter } = bench();
    await enter();
    const draft = { key: 'line-1:source', text: 'Harp' };
    const lost = () => Promise.reject(new Error('A fault of the program.'));
    await TestBed.inject(Changes).work('Narrator: Source', lost, draft);
    const notices = store.selectSignal(studioFeature.selectNotices)();
    expect(notices.map(({ text }) => text)).toEqual([
      'Narrator: Source: this could not be worked out. A fault of the program. Nothing was changed.',
    ]);
    expect(store.selectSignal(draftFeature.selectTexts)()).toEqual({ 'line-1:source': 'Harp' });
    expect(api.entries).toEqual([]);
    localStorage.clear();
  });
});

describe('a studio with many sessions', () => {
  it('is sent whole once; later only what has changed, and the planner has all of it', () => {
    const demo = saltglassRooms();
    const [session] = demo.sessions;
    const twin = { ...session!, id: 'twin' as never, name: 'Twin' };
    const [first, second] = [
      { session: session!.id, scene: session!.scenes[0]!.id },
      { session: twin.id, scene: twin.scenes[0]!.id },
    ] as const;
    const planner = createPlanner();
    planner.prepare({ ...demo, sessions: [session!, twin] }, first);
    const whole = planner.compare(first, second);
    const { rig: _rig, ...others } = demo;
    planner.prepare({ ...others, sessions: [{ ...session!, name: 'Renamed' }, { known: twin.id }] }, first);
    expect(planner.compare(first, second)).toEqual(whole);
    planner.prepare({ ...others, sessions: [{ known: session!.id }, { known: twin.id }] }, second);
    expect(planner.plan().plan.rows).toHaveLength(twin.threads.length);
    // A session that has gone is not kept, and one that never came is not made up.
    planner.prepare({ ...others, sessions: [{ known: twin.id }, { known: 'nowhere' as never }] }, second);
    expect(() => {
      planner.prepare({ ...others, sessions: [{ known: session!.id }] }, first);
    }).toThrow('This scene is gone');
  });
});

describe('a planner whose worker is gone', () => {
  it('says so, and another begins when somebody asks again', async () => {
    const { store } = bench();
    const failure = store.selectSignal(planFeature.selectFailure);
    store.dispatch(open);
    await until(() => store.selectSignal(studioFeature.selectLoad)() === 'ready');
    stopPlanner('out of memory');
    await until(() => failure() !== null, 'the failure');
    expect(failure()).toBe('The planner stopped: out of memory.');
    store.dispatch(PlanActions.planAgain());
    await until(() => store.selectSignal(planFeature.selectPlan)() !== null, 'the plan');
    expect(failure()).toBeNull();
  });

  it('ends what it was asked, so that what is wanted after it is not held up', async () => {
    const { store, open: enter } = bench();
    await enter();
    const changes = TestBed.inject(Changes);
    const silent = changes.work('First', () => new Promise<never>(() => undefined));
    const next = changes.work('Second', () => Promise.reject(new Error('No such line.')));
    stopPlanner('out of memory');
    await Promise.all([silent, next]);
    const said = store
      .selectSignal(studioFeature.selectNotices)()
      .map(({ text }) => text);
    expect(said).toHaveLength(2);
    expect(said[0]).toContain('First: this could not be worked out. The planner stopped: out of memory.');
    expect(said[1]).toContain('Second: this could not be worked out.');
  });
});
