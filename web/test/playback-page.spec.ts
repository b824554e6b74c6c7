import { setUpPlayback } from '../../core/src/actions/playback/setUpPlayback';
import { applyChange } from '../../core/src/edits/change';
import type { Studio } from '../../core/src/session/studioSchema';
import { studioSchema } from '../../core/src/session/studioSchema';
import { workedScene } from '../../core/src/scene/workedScene';
import { playbackStudio, wishOf } from '../../core/test/fixtures/playbackStudio';
import { studioOf } from '../../core/test/fixtures/studioOf';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { PlaybackBar } from '../src/app/shell/playback-bar';
import { PlaybackPage } from '../src/app/stages/playback/playback-page';
import { StudioActions } from '../src/app/state/studio.actions';
import { planFeature } from '../src/app/state/plan.feature';
import { cellOf, field, fill, over, pick } from './hands';
import { MemoryApi } from './memory-api';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

/** The stage under the place the bench opens at. */
function stage(): Studio {
  const text = JSON.stringify({ ...studioOf(playbackStudio({ channels: 4 })), id: 'saltglass-rooms' });
  const { session, scene } = SALTGLASS_PLACE;
  return studioSchema.parse(
    JSON.parse(text.replaceAll('"scene"', `"${scene}"`).replaceAll('"session"', `"${session}"`)),
  );
}

/** With the rehearsal set up on it. */
function rehearsed(): Studio {
  const studio = stage();
  const [session] = studio.sessions;
  const context = workedScene(studio.rig, session!, session!.scenes[0]!, studio.floor);
  const made = applyChange(
    studio,
    setUpPlayback({ studio, place: SALTGLASS_PLACE, context }, wishOf(4)).edits,
  );
  if (!made.ok) throw new Error('the rehearsal cannot be set up');
  return made.value;
}

async function open(studio: Studio, says: string, scene?: string): Promise<void> {
  localStorage.clear();
  const api = new MemoryApi();
  api.studioNow = studio;
  app = bench(api);
  await app.open();
  if (scene !== undefined) await go(scene);
  page = app.mount(PlaybackPage);
  await page.says(says);
}

const plan = () => app.store.selectSignal(planFeature.selectPlan)();
async function go(scene: string): Promise<void> {
  const before = plan();
  const place = { ...SALTGLASS_PLACE, scene: scene as never };
  app.store.dispatch(StudioActions.open({ studioId: 'saltglass-rooms', place }));
  await until(() => plan() !== before && plan() !== null, 'the plan of the other scene');
}

const shown = (condition: () => boolean, what?: string): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return condition();
  }, what);
const session = () => app.api.studioNow.sessions[0]!;
const changed = (count: number): Promise<void> =>
  shown(() => app.api.entries.length === count, `change ${String(count)}`);
const sheet = (name: string): HTMLElement => page.element.querySelector(`[role=grid][aria-label="${name}"]`)!;
/** A cell once the sheet has drawn it. */
async function there(name: string, row: string, title: string): Promise<HTMLElement> {
  await shown(() => cellOf(sheet(name), row, title).isConnected, `${title} of ${row}`);
  return cellOf(sheet(name), row, title);
}
const PLAYBACK = 'scene-playback';

describe('a session without a playback check', () => {
  it('has one set up in a step, looked at first', async () => {
    await open(stage(), 'A playback check records channels as they come in');
    page.button(/^Set up a check/).click();
    await shown(() => over() !== null, 'the panel');
    const panel = over()!;
    await shown(() => panel.textContent.includes('Recorder'), 'the gear');
    await shown(() => {
      pick(page, 'Console', 'Desk');
      return field('Channels', panel).value === '1–4';
    }, 'the channels that carry a line');
    pick(page, 'Recorder', 'Recorder');
    fill(page, 'Channels', '1-9', panel);
    await shown(() => panel.textContent.includes('There is no channel 5; the console has 4.'), 'the refusal');
    fill(page, 'Channels', '1-4', panel);
    await shown(() => panel.textContent.includes('4 channels, 4 of them with a line'), 'what they carry');
    await shown(() => panel.textContent.includes('card in 65'), 'the preview');
    page.button(/^Set it up/).click();
    await changed(1);
    expect(session().playbackChecks).toMatchObject([{ name: 'Rehearsal', channels: { length: 4 } }]);
    expect(session().scenes.map(({ follows }) => follows)).toContain('tracking');
    await page.says('4 channels, 4 tracks.');
  });
});

describe('a playback check', () => {
  it('shows what holds, and lets one channel stay live by a press of Space', async () => {
    await open(rehearsed(), 'Tracks 1 to 4, in the order of the channels.', PLAYBACK);
    const cell = await there('Channels', 'channel 2', 'Plays back');
    cell.focus();
    page.press(cell, ' ');
    await changed(1);
    await page.says('3 of 4 channels; the others stay live.');
    const hears = await there('Channels', 'channel 2', 'In playback it hears');
    expect(hears.textContent).toContain('the stage');
  });

  it('holds a gain that is turned in playback, and applies it on stage', async () => {
    const studio = rehearsed();
    const scenes = studio.sessions[0]!.scenes.map((scene) =>
      scene.id === (PLAYBACK as never)
        ? { ...scene, settings: { ...scene.settings, 'box/gainDb/1': 40 } }
        : scene,
    );
    await open(
      studioSchema.parse({ ...studio, sessions: [{ ...studio.sessions[0]!, scenes }] }),
      'Apply all gains on stage',
      PLAYBACK,
    );
    expect((await there('Wanted on stage', 'channel 1', 'Wanted')).textContent).toContain('+40.0 dB');
    page.button(/^Apply all gains/).click();
    await changed(1);
    const live = session().scenes.find(({ id }) => id === SALTGLASS_PLACE.scene)!;
    expect(live.settings['box/gainDb/1' as never]).toBe(40);
    await page.says('No gain and no trim is turned otherwise in playback.');
  });

  it('shows the flip with its reverse', async () => {
    await open(rehearsed(), '4 channels, 4 tracks.');
    page.button(/^Flip/).click();
    await shown(() => over()?.textContent.includes('Back to the stage: set Desk') === true, 'the way back');
    expect(over()!.textContent).toContain('1–4 Channel listens to: card in 1–4 → card in 65–68');
  });

  it('lets people play back by name', async () => {
    await open(rehearsed(), '4 channels, 4 tracks.');
    page.button(/^Who plays back/).click();
    await shown(() => over()?.textContent.includes('Player 3: channel 3') === true, 'the people');
    field('Player 3', over()!).click();
    await shown(() => over()!.textContent.includes('card in 67'), 'what it comes to');
    page.button(/^Let these play back/).click();
    await changed(1);
    await page.says('3 of 4 channels');
  });

  it('has a copy for a trainee, who goes back to the start with a key', async () => {
    await open(rehearsed(), '4 channels, 4 tracks.');
    page.button(/^More/).click();
    page.fixture.detectChanges();
    page.button(/^Training/).click();
    await shown(() => over() !== null, 'the panel');
    fill(page, 'Train', 'Orla', over()!);
    page.button(/^Make a copy/).click();
    await changed(1);
    const own = session().scenes.find(({ name }) => name === 'Orla')!;
    expect(own.trains).toBe(PLAYBACK);
    await shown(() => over()!.textContent.includes('Nothing is changed yet.'), 'the trainee');
  });
});

describe('the bar over every page', () => {
  it('says that a recorder plays, and where the way back is', async () => {
    await open(rehearsed(), '4 channels, 4 tracks.', PLAYBACK);
    const bar = app.mount(PlaybackBar);
    expect(bar.text()).toMatch(/PLAYBACK ?Desk: 4 channels listen to Recorder in this scene/);
    await go(SALTGLASS_PLACE.scene);
    bar.fixture.detectChanges();
    expect(bar.text()).toBe('');
  });

  it('says since when in the rooms, on the live scene too', async () => {
    const studio = rehearsed();
    const { id, settings } = studio.sessions[0]!.scenes.find((scene) => scene.id === (PLAYBACK as never))!;
    const since = '2026-12-05T14:05:00.000Z';
    const floor = {
      ...studio.floor,
      settings,
      playbackSince: since,
      scene: { ...SALTGLASS_PLACE, scene: id },
    };
    await open(studioSchema.parse({ ...studio, floor }), '4 channels, 4 tracks.');
    const bar = app.mount(PlaybackBar);
    expect(bar.text()).toMatch(/PLAYBACK IS STILL ON ?Desk: 4 channels listen to Recorder in the rooms/);
    expect(bar.text()).toMatch(/since 5 December, \d\d:05/);
    expect(bar.element.querySelector('a')!.getAttribute('href')).toMatch(/tracking\/work-list$/);
  });
});
