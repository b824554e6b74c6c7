import { editSet, editStudioName } from '@ft/core/edits/make';
import type { StationId, ThreadId } from '@ft/core/rig/ids';
import { RoutingPage } from '../src/app/see/routing/routing-page';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import { SceneRouter } from '../src/app/workers/scene-router.service';
import { TestBed } from '@angular/core/testing';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<RoutingPage>;

const session = () => app.store.selectSignal(studioFeature.selectFound)()!.session;
const scene = () => app.store.selectSignal(studioFeature.selectFound)()!.scene;
const lastNotice = (): string | undefined =>
  app.store.selectSignal(studioFeature.selectNotices)().at(-1)?.text;

beforeEach(async () => {
  app = bench();
  await app.open();
  page = app.mount(RoutingPage);
});

async function shows(text: RegExp): Promise<void> {
  await until(() => {
    page.fixture.detectChanges();
    return text.test(page.text());
  }, String(text));
}

describe('the routing page', () => {
  it('says why a thread goes its way, and what else there would be', async () => {
    await shows(/Why 1 Imke Tarrow, Narrator goes this way/);
    await shows(/2 cords\s*\d+/);
    await shows(/preamp: Mic preamp/);
    page.button(/^Pin 1 Imke Tarrow, Narrator to /).click();
    const pins = (): object => session().threads.find(({ id }) => id === 'line-1')!.pins;
    await until(() => Object.keys(pins()).length === 1, 'the pin');
  });

  it('changes the order of what the router prefers', async () => {
    const before = session().routing;
    const grip = page.button(/^Place 1: keep what is plugged already/);
    page.press(grip, 'ArrowDown', { altKey: true });
    await until(() => session().routing[0] === before[1], 'the new order');
    expect(session().routing.slice(0, 2)).toEqual([before[1], before[0]]);
  });

  it('routes everything anew beside the rest, and says what came of it', async () => {
    page.button(/Route everything anew/).click();
    await until(() => lastNotice() !== undefined, 'the outcome');
    expect(lastNotice()).toMatch(/^(Routed\.|Nothing to route)/);
  });
});

describe('what a routing moves', () => {
  it('is told on the page, each with what it bought', async () => {
    const pin = editSet('thread', { session: session().id }, 'line-1' as ThreadId, {
      field: 'pins.preamp',
      value: 'preamp/channel-4' as StationId,
      was: null,
    });
    app.store.dispatch(StudioActions.change({ label: 'Pin', edits: [pin] }));
    TestBed.tick();
    page.button(/^Route what does not run$/).click();
    await shows(/What the last routing moved/);
    await shows(/4 Wen Askelby, Harp\s*Mic preamp 1, .*so that 1 Imke Tarrow, Narrator runs/);
    expect(lastNotice()).toBe('Routed. One thread moved; the Routing page says what for.');
    app.store.dispatch(StudioActions.undo({}));
    await until(() => {
      page.fixture.detectChanges();
      return !page.text().includes('What the last routing moved');
    }, 'nothing said of a routing that was undone');
  });
});

describe('a routing under way', () => {
  it('is ended by the next change, and changes nothing', async () => {
    const router = TestBed.inject(SceneRouter);
    TestBed.tick();
    const cords = scene().cords;
    const run = router.route('all');
    const edit = editStudioName('Rooms', 'Saltglass Rooms');
    app.store.dispatch(StudioActions.change({ label: 'Rename', edits: [edit] }));
    TestBed.tick();
    await until(() => lastNotice() !== undefined, 'the notice');
    expect(lastNotice()).toBe('Routing was stopped: the studio has changed meanwhile.');
    expect(scene().cords).toBe(cords);
    await until(() => app.api.entries.length > 0, 'the change at the server');
    expect(app.api.entries.map(({ label }) => label)).toEqual(['Rename']);
    void run;
  });

  it('is stopped by hand', () => {
    const router = TestBed.inject(SceneRouter);
    void router.route('all');
    router.cancel();
    expect(lastNotice()).toBe('Routing was stopped. Nothing was changed.');
  });
});
