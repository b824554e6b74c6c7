import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Pointing } from '@ft/contract/events';
import type { Stage } from '@ft/core/checks/rule';
import type { Edit } from '@ft/core/edits/make';
import { editAdd, editRemove } from '@ft/core/edits/make';
import type { EntityRef } from '@ft/core/session/entityRef';
import { Going } from '../src/app/shell/going';
import { GonePlace } from '../src/app/shell/gone-place';
import { HeaderBar } from '../src/app/shell/header-bar';
import { Rail } from '../src/app/shell/rail';
import { OPEN_PLACES, partAt, PARTS, placeName, STAGES } from '../src/app/shell/stages';
import { Switchers } from '../src/app/shell/switchers';
import { PlanActions, planFeature } from '../src/app/state/plan.feature';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import { WINDOW_ID } from '../src/app/state/window-id';
import type { Bench } from './mount';
import { bench, until } from './mount';

const SCENE = '/studio/saltglass-rooms/lamplighters-ledger/tracking';

let app: Bench;
let router: Router;

beforeEach(async () => {
  app = bench();
  await app.open();
  router = TestBed.inject(Router);
});

const at = async (path: string): Promise<string> => {
  await router.navigateByUrl([SCENE, path].filter((piece) => piece !== '').join('/'));
  return router.url.slice(SCENE.length + 1);
};
const press = (key: string): boolean =>
  document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));

describe('the table of stages', () => {
  it('has six stages in the order of the work, and shows those that have parts', () => {
    const stages = STAGES.filter(({ group }) => group === 'stages').map(({ name }) => name);
    expect(stages).toEqual(['Rig', 'Track', 'Mix', 'Print', 'Prove', 'Recall']);
    expect(OPEN_PLACES.map(({ name }) => name).slice(0, 4)).toEqual(['Rig', 'Track', 'Mix', 'Bay']);
  });

  it('gives every place a key and every part an address of its own', () => {
    const keys = STAGES.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys).not.toContain('g');
    expect(new Set(PARTS.map(({ address }) => address)).size).toBe(PARTS.length);
  });

  it('knows a stage for every finding', () => {
    const stages: Readonly<Record<Stage, string>> = {
      ...{ rig: 'Rig', track: 'Track', mix: 'Mix', print: 'Print', prove: 'Prove', recall: 'Recall' },
    };
    for (const [stage, name] of Object.entries(stages)) expect(placeName(stage as Stage)).toBe(name);
  });

  it('finds the part of an address, whatever follows it', () => {
    expect(partAt('rig/devices/kiln-desk')?.address).toBe('rig/devices');
    expect(partAt('levels')?.address).toBe('levels/ladder');
    expect(partAt('bay')?.address).toBe('bay');
    expect(partAt('nowhere')).toBeUndefined();
  });
});

describe('addresses', () => {
  it.each([
    ['track', 'track/inputs'],
    ['rig', 'rig/devices'],
    ['daw', 'mix/tracks'],
    ['device/kiln-desk', 'rig/devices/kiln-desk'],
    ['levels', 'levels/ladder'],
    ['time', 'time/meet'],
    ['scenes', 'scenes/list'],
    ['patch-list', 'patch-list'],
    ['flow?device=kiln-desk', 'flow?device=kiln-desk'],
    ['', 'track/inputs'],
  ])('of before lead where they led: %s', async (before, now) => {
    expect(await at(before)).toBe(now);
  });

  it('lead to every part there is', async () => {
    for (const { address } of PARTS) expect(await at(address)).toBe(address);
  });
});

describe('two keys', () => {
  it('lead to a place, and a number to a part of it', async () => {
    await at('track/inputs');
    const going = TestBed.inject(Going);
    going.begin();
    press('l');
    await until(() => router.url.endsWith('/levels/ladder'), 'the levels');
    going.begin();
    press('3');
    await until(() => router.url.endsWith('/levels/outboard'), 'the third part');
    expect(going.waits()).toBe(false);
  });

  it('that lead nowhere, or to a stage without parts, do nothing', async () => {
    await at('track/inputs');
    const going = TestBed.inject(Going);
    for (const key of ['q', 'p', '9', 'Escape']) {
      going.begin();
      press(key);
      expect(going.waits()).toBe(false);
    }
    expect(router.url).toBe(`${SCENE}/track/inputs`);
  });
});

describe('the rail', () => {
  it('says how far the work has come, and the letters when `g` was pressed', async () => {
    await at('track/inputs');
    const rail = app.mount(Rail);
    await rail.says('Rig6 notes');
    expect(rail.text()).toMatch(/Track▲34\/4/);
    expect(rail.text()).not.toMatch(/Print|Prove|Recall/);
    expect(rail.element.querySelector('[aria-current=page]')!.textContent).toContain('Track');
    TestBed.inject(Going).begin();
    rail.fixture.detectChanges();
    expect([...rail.element.querySelectorAll('kbd')].map(({ textContent }) => textContent)).toEqual(
      OPEN_PLACES.map(({ key }) => key),
    );
    press('Escape');
  });
});

describe('the switchers', () => {
  it('say where one is, and go over to another scene at the same part', async () => {
    const { sessions } = app.api.studioNow;
    const [session] = sessions;
    const [scene] = session!.scenes;
    const another = { ...scene!, id: 'playback', name: 'Playback' } as typeof scene;
    app.api.studioNow = { ...app.api.studioNow, sessions: [{ ...session!, scenes: [scene!, another!] }] };
    TestBed.resetTestingModule();
    const api = app.api;
    app = bench(api);
    await app.open();
    router = TestBed.inject(Router);
    await at('levels/outboard');
    const switchers = app.mount(Switchers);
    expect(switchers.text()).toMatch(/Saltglass Rooms.*▸.*Ledger.*▸.*Tracking/);
    switchers.button(/^Scene: Tracking/).click();
    switchers.fixture.detectChanges();
    switchers.button(/^Playback/).click();
    await until(() => router.url.includes('/playback/levels/outboard'), 'the other scene');
  });

  it('list the studios when somebody wants to know', async () => {
    const switchers = app.mount(Switchers);
    switchers.button(/^Studio: Saltglass Rooms/).click();
    await switchers.says('Studio Saltglass Rooms All studios');
  });
});

describe('a session that is removed in another window', () => {
  it('leads to those there are; nothing is planned, and nothing of it is told any more', async () => {
    const studio = app.store.selectSignal(studioFeature.selectStudio);
    const failure = app.store.selectSignal(planFeature.selectFailure);
    const plan = app.store.selectSignal(planFeature.selectPlan);
    await until(() => plan() !== null, 'the plan');
    const ledger = studio()!.sessions[0]!;
    const reel = { ...ledger, id: 'reel' as typeof ledger.id, name: 'Reel 1' };
    const change = (...edits: readonly Edit[]): void => {
      app.store.dispatch(StudioActions.change({ label: 'x', edits }));
    };
    change(editAdd('session', {}, reel));
    change(editRemove('session', {}, ledger.id, ledger));
    const gone = app.mount(GonePlace);
    await until(() => plan() === null, 'no plan');
    expect(failure()).toBeNull();
    expect(app.mount(Switchers).text()).toMatch(/choose …(?!.*Tracking)/);
    expect(app.mount(HeaderBar).text()).toContain('not checked');
    const link = gone.element.querySelector<HTMLAnchorElement>('li a')!;
    expect([link.textContent, link.getAttribute('href')]).toEqual([
      'Open Reel 1',
      expect.stringContaining(`/reel/${reel.scenes[0]!.id}/`),
    ]);
    change(editAdd('session', {}, ledger));
    await until(() => plan() !== null, 'the plan of what is back');
  });
});

describe('a shared selection', () => {
  const ref = { kind: 'thread', id: 'line-2' } as EntityRef & Pointing['ref'];

  it('is told only where it is shared', async () => {
    app.store.dispatch(PlanActions.select({ ref }));
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(app.api.pointings).toEqual([]);
    app.store.dispatch(PlanActions.shareSelection({ shared: true }));
    await until(() => app.api.pointings.length === 1, 'the pointing');
    expect(app.api.pointings[0]!.ref).toEqual(ref);
  });

  it('comes from others where it is shared, quietly, and never back from oneself', () => {
    const selection = app.store.selectSignal(planFeature.selectSelection);
    const inspected = app.store.selectSignal(planFeature.selectInspected);
    const pointed = (window: string, to: Pointing['ref']): void => {
      app.store.dispatch(StudioActions.pointed({ pointing: { window, ref: to } }));
    };
    const lane = { kind: 'lane', id: 'bay-a/upper-1' } as EntityRef & Pointing['ref'];
    pointed('another-window', ref);
    expect(selection()).not.toEqual(ref);
    app.store.dispatch(PlanActions.shareSelection({ shared: true }));
    pointed('another-window', lane);
    expect(selection()).toEqual(lane);
    expect(inspected()).toBe(false);
    pointed(WINDOW_ID, ref);
    expect(selection()).toEqual(lane);
    pointed('another-window', null);
    expect(selection()).toBeNull();
  });
});
