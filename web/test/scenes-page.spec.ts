import { studioFeature } from '../src/app/state/studio.feature';
import { ComparePage } from '../src/app/see/scenes/compare-page';
import { SceneLinesPage } from '../src/app/see/scenes/scene-lines-page';
import { SceneListPage } from '../src/app/see/scenes/scene-list-page';
import { cellOf } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

const session = () => app.store.selectSignal(studioFeature.selectFound)()!.session;
const sceneNamed = (name: string) => session().scenes.find((scene) => scene.name === name)!;

async function make(name: string, start: string): Promise<void> {
  const select = page.element.querySelector<HTMLSelectElement>('[aria-label="How it begins"]')!;
  select.value = start;
  select.dispatchEvent(new Event('change'));
  const input = page.element.querySelector<HTMLInputElement>('#fresh')!;
  input.value = name;
  page.element.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
  await until(() => session().scenes.some((scene) => scene.name === name), name);
  page.fixture.detectChanges();
}

function change(element: HTMLInputElement | HTMLSelectElement, value: string): void {
  element.value = value;
  element.dispatchEvent(new Event('change'));
}

beforeEach(async () => {
  app = bench();
  await app.open();
  page = app.mount(SceneListPage);
});

describe('scenes', () => {
  it('are made of the one at the top: following it, as a copy, or empty', async () => {
    await make('Foley overdub', 'branch');
    await make('Tracking B', 'copy');
    await make('Playback check', 'empty');
    expect(sceneNamed('Foley overdub')).toMatchObject({ follows: 'tracking' });
    expect(sceneNamed('Tracking B').follows).toBeUndefined();
    expect(sceneNamed('Tracking B').cords).toHaveLength(sceneNamed('Tracking').cords.length);
    expect(sceneNamed('Playback check').cords).toEqual([]);
  });

  it('need a name', async () => {
    page.element.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    await until(() => notices().length > 0, 'the notice');
    expect(notices()[0]!.text).toBe('No scene was made: type a name for it first.');
  });

  it('are renamed, followed, let stand alone, put away and brought back', async () => {
    await make('Foley overdub', 'copy');
    const follows = (): HTMLSelectElement =>
      page.element.querySelector('[aria-label="Foley overdub follows"]')!;
    change(follows(), 'tracking');
    await until(() => sceneNamed('Foley overdub').follows === 'tracking', 'following');
    page.fixture.detectChanges();
    change(follows(), '');
    await until(() => sceneNamed('Foley overdub').follows === undefined, 'standing alone');
    page.button(/Put away Foley overdub/).click();
    await until(() => sceneNamed('Foley overdub').archived === true, 'put away');
    page.fixture.detectChanges();
    page.button(/Bring back Foley overdub/).click();
    await until(() => sceneNamed('Foley overdub').archived === undefined, 'brought back');
    change(page.element.querySelector('[aria-label="Name of Foley overdub"]')!, 'Foley');
    await until(() => session().scenes.some(({ name }) => name === 'Foley'), 'the new name');
  });

  it('take over what changes in the one they follow', async () => {
    await make('Foley overdub', 'branch');
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
    await make('Playback check', 'empty');
    page = app.mount(ComparePage);
    page.fixture.detectChanges();
    const [left, right] = [...page.element.querySelectorAll<HTMLSelectElement>('.sides select')];
    change(left!, 'lamplighters-ledger/tracking');
    change(right!, 'lamplighters-ledger/playback-check');
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
    change(page.element.querySelector<HTMLSelectElement>('.sides select')!, 'lamplighters-ledger/tracking');
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('Tracking and Tracking are alike');
    }, 'that they are alike');
  });
});

describe('the scene at the top', () => {
  it('is said to be on the floor with one press, and shown so', async () => {
    page.button(/It is there now/).click();
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('last put there');
    }, 'the mark');
    const floor = app.store.selectSignal(studioFeature.selectStudio)()!.floor;
    expect(floor.scene?.scene).toBe('tracking');
    expect(floor.cords).toHaveLength(sceneNamed('Tracking').cords.length);
  });
});
