import { studioFeature } from '../src/app/state/studio.feature';
import { ComparePage } from '../src/app/see/scenes/compare-page';
import { SceneLinesPage } from '../src/app/see/scenes/scene-lines-page';
import { SceneListPage } from '../src/app/see/scenes/scene-list-page';
import { cellOf, enterCell, field, fill, pick, submit } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

const session = () => app.store.selectSignal(studioFeature.selectFound)()!.session;
const sceneNamed = (name: string) => session().scenes.find((scene) => scene.name === name)!;

/** Waits until the sheet shows a scene. */
const drawn = (name: string): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return [...page.element.querySelectorAll('tbody [data-column="0"]')].some(
      ({ textContent }) => textContent.trim() === name,
    );
  }, name);

async function make(name: string, start: string): Promise<void> {
  pick(page, 'How it begins', start);
  fill(page, 'Another scene', name);
  submit(page.element.querySelector('form'));
  await drawn(name);
}

const cell = (scene: string, title: string): HTMLElement => cellOf(page.element, scene, title);

beforeEach(async () => {
  app = bench();
  await app.open();
  page = app.mount(SceneListPage);
  await drawn('Tracking');
});

describe('scenes', () => {
  it('are made of the one at the top: following it, as a copy, or empty', async () => {
    await make('Foley overdub', 'following this one');
    await make('Tracking B', 'as a copy that stands alone');
    await make('Playback check', 'with nothing plugged');
    expect(sceneNamed('Foley overdub')).toMatchObject({ follows: 'tracking' });
    expect(sceneNamed('Tracking B').follows).toBeUndefined();
    expect(sceneNamed('Tracking B').cords).toHaveLength(sceneNamed('Tracking').cords.length);
    expect(sceneNamed('Playback check').cords).toEqual([]);
  });

  it('need a name', () => {
    submit(page.element.querySelector('form'));
    page.fixture.detectChanges();
    expect(page.text()).toContain('▲ This is needed.');
    expect(document.activeElement).toBe(field('Another scene'));
    expect(session().scenes).toHaveLength(1);
  });

  it('are renamed, followed, let stand alone, put away and brought back in their cells', async () => {
    await make('Foley overdub', 'as a copy that stands alone');
    await enterCell(page, cell('Foley overdub', 'Follows'), 'tracking');
    await until(() => sceneNamed('Foley overdub').follows === 'tracking', 'following');
    page.fixture.detectChanges();
    await enterCell(page, cell('Foley overdub', 'Follows'), 'stands alone');
    await until(() => sceneNamed('Foley overdub').follows === undefined, 'standing alone');
    for (const isAway of [true, undefined]) {
      page.fixture.detectChanges();
      cell('Foley overdub', 'Put away').focus();
      page.press(cell('Foley overdub', 'Put away'), ' ');
      await until(() => sceneNamed('Foley overdub').archived === isAway, 'put away, or brought back');
    }
    page.fixture.detectChanges();
    await enterCell(page, cell('Foley overdub', 'Scene'), 'Foley');
    await until(() => session().scenes.some(({ name }) => name === 'Foley'), 'the new name');
  });

  it('are put in an order with Alt and the arrows, and the keys stay with the scene', async () => {
    await make('Foley overdub', 'with nothing plugged');
    await make('Playback check', 'with nothing plugged');
    const names = (): (string | undefined)[] =>
      [...page.element.querySelectorAll('tbody tr')].map((row) =>
        row.querySelector('[data-column="0"]')?.textContent.trim(),
      );
    const before = names();
    cell('Tracking', 'Cords').focus();
    page.press(cell('Tracking', 'Cords'), 'ArrowUp', { altKey: true });
    await until(() => {
      page.fixture.detectChanges();
      return names().indexOf('Tracking') === before.indexOf('Tracking') - 1;
    }, 'the other order');
    await until(() => document.activeElement === cell('Tracking', 'Cords'), 'the keys');
    expect(
      session()
        .scenes.map(({ position }) => position)
        .sort(),
    ).toEqual([1, 2, 3]);
  });

  it('take over what changes in the one they follow', async () => {
    await make('Foley overdub', 'following this one');
    page = app.mount(SceneLinesPage);
    await page.says('Harp');
    const tick = cellOf(page.element, 'Harp', 'Foley overdub');
    tick.focus();
    page.press(tick, ' ');
    const hasHarp = (): boolean =>
      sceneNamed('Foley overdub').cords.some(({ thread }) => thread === 'line-4');
    await until(() => !hasHarp(), 'the harp left out');
    expect(sceneNamed('Tracking').cords.some(({ thread }) => thread === 'line-4')).toBe(true);
  });

  it('are compared side by side, and the difference is told', async () => {
    await make('Playback check', 'with nothing plugged');
    page = app.mount(ComparePage);
    page.fixture.detectChanges();
    pick(page, 'From', 'Tracking');
    pick(page, 'to', 'Playback check');
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('are left out.');
    }, 'the story');
    expect(page.text()).toMatch(/Threads.*48 V.*Gains.*Cords/);
    page.button(/swap/).click();
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('1 Imke Tarrow, Narrator comes in');
    }, 'the story the other way round');
    page.fixture.detectChanges();
    pick(page, 'From', 'Tracking');
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('Tracking and Tracking are alike');
    }, 'that they are alike');
  });
});

describe('the scene at the top', () => {
  it('is said to be on the floor with one press, and shown so', async () => {
    cell('Tracking', 'Scene').focus();
    page.fixture.detectChanges();
    page.button(/Tracking is on the floor now/).click();
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('last put there');
    }, 'the mark');
    const floor = app.store.selectSignal(studioFeature.selectStudio)()!.floor;
    expect(floor.scene?.scene).toBe('tracking');
    expect(floor.cords).toHaveLength(sceneNamed('Tracking').cords.length);
  });
});
