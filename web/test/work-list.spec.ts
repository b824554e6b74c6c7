import { studioFeature } from '../src/app/state/studio.feature';
import { WorkListPage } from '../src/app/at-the-bay/work-list/work-list-page';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<WorkListPage>;

const texts = (selector: string): string[] =>
  [...page.element.querySelectorAll(selector)].map((each) => each.textContent.replace(/\s+/g, ' ').trim());
const floor = () => app.store.selectSignal(studioFeature.selectStudio)()!.floor;
const cards = (): number => page.element.querySelectorAll('ft-step-card').length;

async function shows(count: (now: number) => boolean): Promise<void> {
  await until(() => {
    page.fixture.detectChanges();
    return count(cards());
  }, 'the steps');
}

beforeEach(async () => {
  app = bench();
  await app.open();
  page = app.mount(WorkListPage);
  await shows((now) => now > 5);
});

describe('the work list', () => {
  it('shows every cord with both jacks, its kind and colour, room by room', () => {
    expect(texts('h2')).toEqual(expect.arrayContaining(['Batch room', 'Kiln', 'Annealing booth']));
    const plug = texts('ft-step-card').find((text) => text.startsWith('Plug'));
    expect(plug).toMatch(/^Plug\s*from.*to.* \d+(\.\d+)? m, \w+ Cannot$/);
  });

  it('takes ticks; what is done is gone from it, and lies on the floor', async () => {
    const before = cards();
    page.button(/^Done: Plug/).click();
    await shows((now) => now === before - 1);
    expect(floor().cords).toHaveLength(1);
    expect(app.api.entries[0]!.label).toMatch(/^Plugged .* to /);
    expect(page.text()).toContain('on its way to the floor');
    expect(page.element.querySelector('[role=progressbar]')!.getAttribute('aria-valuenow')).toBe('1');
  });

  it('goes on at the next step by keyboard', async () => {
    const before = cards();
    const tick = page.button(/^Done: Plug/);
    tick.focus();
    tick.click();
    await shows((now) => now === before - 1);
    await until(() => document.activeElement?.classList.contains('tick') === true, 'the focus on a step');
  });

  it('says when all is on the floor, and leads back to all normals', async () => {
    page.button(/It is all done already/).click();
    await shows((now) => now === 0);
    expect(page.text()).toContain('“Tracking” is on the floor');
    page.button(/To all normals/).click();
    await shows((now) => now > 5);
    expect(texts('ft-step-card').some((text) => text.startsWith('Pull'))).toBe(true);
    expect(texts('ft-step-card').some((text) => text.startsWith('48 V off'))).toBe(true);
  });

  it('waits until the lines have drained before the wait can be ticked', async () => {
    page.button(/It is all done already/).click();
    await shows((now) => now === 0);
    page.button(/To all normals/).click();
    await shows((now) => now > 5);
    const wait = (): HTMLButtonElement => page.button(/^Done: Wait/);
    expect(wait().disabled).toBe(false);
    wait().click();
    await until(
      () => app.store.selectSignal(studioFeature.selectNotices)().length > 0,
      'the notice that 48 V is not off',
    );
    page.button(/^Done: 48 V off/).click();
    await until(() => {
      page.fixture.detectChanges();
      return wait().disabled;
    }, 'the countdown');
    expect(page.text()).toMatch(/10 s/);
  });

  it('asks which jack is dead, shows the way round and goes it', async () => {
    const stuck = [...page.element.querySelectorAll<HTMLButtonElement>('button.cannot')].find((each) =>
      each.getAttribute('aria-label')!.includes('Bay A 10 lower'),
    )!;
    stuck.click();
    page.fixture.detectChanges();
    page.button(/^\s*Bay A 10 lower/).click();
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('4 Wen Askelby, Harp');
    }, 'the way round');
    page.button(/Mark Bay A 10 lower as faulty/).click();
    await until(
      () => app.store.selectSignal(studioFeature.selectStudio)()!.rig.faults.length === 1,
      'the fault',
    );
    await until(() => {
      page.fixture.detectChanges();
      return !texts('ft-step-card').some((text) => text.includes('Bay A 10 lower'));
    }, 'the list without the jack');
  });
});
