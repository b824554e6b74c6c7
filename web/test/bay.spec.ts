import { BayPage } from '../src/app/at-the-bay/bay/bay-page';
import {
  BAY,
  BAY_HEIGHT,
  columnX,
  jackAt,
  jackPlaces,
  labelRuns,
  rowY,
  scrollToShow,
  sheetSize,
  stepFrom,
} from '../src/app/at-the-bay/bay/bay-geometry';
import { BayPainter } from '../src/app/at-the-bay/bay/bay-painter';
import { Planner } from '../src/app/workers/planner.service';
import { TestBed } from '@angular/core/testing';
import type { BaysView } from '@ft/core/views/bay/bayView';
import type { LaneId } from '@ft/core/rig/ids';
import { studioFeature } from '../src/app/state/studio.feature';
import { fill } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

describe('label runs', () => {
  it('write a stem once over numbers that count on', () => {
    expect(labelRuns(['Kiln 1', 'Kiln 2', '', 'Kiln 4', 'Opto out', 'Pre 7'])).toEqual([
      { first: 1, last: 2, stem: 'Kiln', marks: ['1', '2'] },
      { first: 4, last: 4, stem: 'Kiln 4', marks: [''] },
      { first: 5, last: 5, stem: 'Opto out', marks: [''] },
      { first: 6, last: 6, stem: 'Pre 7', marks: [''] },
    ]);
  });

  it('begin anew where the stem or the count changes', () => {
    const runs = labelRuns(['A 1', 'A 3', 'B 4', 'B 5']);
    expect(runs.map(({ first, last }) => [first, last])).toEqual([
      [1, 1],
      [2, 2],
      [3, 4],
    ]);
  });
});

describe('bringing a jack into view', () => {
  const window = { scrollLeft: 500, scrollTop: 300, clientWidth: 1000, clientHeight: 600 };
  it.each([
    ['in the middle: nothing moves', { x: 900, y: 500 }, { left: 500, top: 300 }],
    ['off to the left', { x: 520, y: 500 }, { left: 440, top: 300 }],
    ['off to the right', { x: 1600, y: 500 }, { left: 680, top: 300 }],
    ['below', { x: 900, y: 890 }, { left: 500, top: 370 }],
  ])('%s', (_case, point, scroll) => {
    expect(scrollToShow(point, window)).toEqual(scroll);
  });
});

describe('the bay page', () => {
  let app: Bench;
  let page: Mounted<unknown>;
  let view: BaysView;

  beforeEach(async () => {
    app = bench();
    await app.open();
    view = await TestBed.inject(Planner).api.bays();
    page = app.mount(BayPage);
    await until(() => {
      page.fixture.detectChanges();
      return page.text().includes('Bay B');
    });
  });

  const canvas = (): HTMLCanvasElement => page.element.querySelector('canvas')!;
  const shown = (text: string): Promise<void> =>
    until(() => {
      page.fixture.detectChanges();
      return page.text().includes(text);
    }, text);
  const keys = (...pressed: string[]): void => {
    for (const key of pressed) page.press(canvas(), key);
  };
  const cords = (): readonly { from: string; to: string }[] =>
    app.api.studioNow.sessions[0]!.scenes[0]!.cords;

  it('lays every jack where it is found again', () => {
    const places = jackPlaces(view.bays);
    expect(places.size).toBe(2 * (24 + 48));
    for (const place of places.values()) expect(jackAt(view.bays, place)).toEqual(place);
    expect(jackAt(view.bays, { x: columnX(3), y: BAY.title / 2 })).toBeUndefined();
    expect(jackAt(view.bays, { x: columnX(40), y: rowY(0, 'upper') })).toBeUndefined();
    expect(sheetSize(view.bays).height).toBe(2 * BAY_HEIGHT + BAY.gap);
  });

  it('steps over rows, columns and bays, and stays at the edge', () => {
    const first = { bay: 0, column: 1, row: 'upper' as const, x: columnX(1), y: rowY(0, 'upper') };
    expect(stepFrom(view.bays, first, 'ArrowLeft')).toMatchObject({ column: 1 });
    expect(stepFrom(view.bays, first, 'ArrowUp')).toEqual(first);
    const low = stepFrom(view.bays, first, 'ArrowDown');
    expect(low).toMatchObject({ bay: 0, row: 'lower' });
    expect(stepFrom(view.bays, low, 'ArrowDown')).toMatchObject({ bay: 1, row: 'upper' });
  });

  it('takes a jack out of use: who used it goes another way, and it can be good again', async () => {
    keys('ArrowRight');
    await shown('Bay A 2 upper');
    const button = (text: string): HTMLButtonElement =>
      [...page.element.querySelectorAll('button')].find((each) => each.textContent.includes(text))!;
    await shown('Does not work');
    button('Does not work').click();
    await until(() => app.api.studioNow.rig.faults.length === 1, 'the fault');
    expect(app.api.entries[0]!.label).toBe('Bay A 2 upper does not work');
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    await until(() => notices().length > 0, 'the notice');
    expect(notices()[0]!.text).toMatch(/^Bay A 2 upper is marked as faulty[.;]/);
    await shown('Works again');
    button('Works again').click();
    await until(() => app.api.studioNow.rig.faults.length === 0, 'none');
  });

  it('says what a jack is, what it carries, and what a plug would break', async () => {
    keys('ArrowRight');
    await shown('Bay A 2 upper');
    await shown('goes to Mic preamp mic in 2');
    await shown('thread 2 Joss Verrill, Lamplighter');
    await shown('a plug here opens Bay A 2 upper rear → Bay A 2 lower rear');
    await shown('▲ and cuts 2 Joss Verrill, Lamplighter');
  });

  it('plugs a cord by keyboard between two jacks, and pulls it again', async () => {
    const before = cords().length;
    keys('ArrowRight', 'ArrowRight');
    await shown('Bay A 3 upper');
    keys('Enter');
    await shown('an end is in your hand');
    keys('ArrowRight', 'ArrowDown');
    await shown('Bay A 4 lower');
    keys('Enter');
    await until(() => app.api.entries.length === 1);
    const { cords: inScene } = app.store.selectSignal(studioFeature.selectFound)()!.scene;
    expect(inScene).toHaveLength(before + 1);
    expect(inScene).toContainEqual(
      expect.objectContaining({ from: 'bay-a/upper-3/1', to: 'bay-a/lower-4/1' }),
    );
    expect(app.api.entries[0]!.label).toBe('Patch Bay A 3 upper to Bay A 4 lower');
    await shown('cord Bay A 3 upper → Bay A 4 lower');
    keys('Delete');
    await until(() => app.api.entries.length === 2);
    expect(cords()).toHaveLength(before);
  });

  it('lets go on Escape, and says why two jacks do not go together', async () => {
    keys('ArrowRight', 'ArrowRight');
    await shown('Bay A 3 upper');
    keys('Enter', 'Escape');
    page.fixture.detectChanges();
    expect(page.text()).not.toContain('in your hand');
    keys('Enter', 'ArrowRight', 'Enter');
    const notices = app.store.selectSignal(studioFeature.selectNotices);
    await until(() => notices().length === 1);
    expect(notices()[0]!.text).toBe(
      'Bay A 3 upper and Bay A 4 upper both give a signal out; one of the two must take it. Choose a jack of the other kind.',
    );
  });

  it('is held by a finger only when it taps, so that a finger can scroll', async () => {
    // In the test the canvas lies at the corner of the page, so page and canvas count alike.
    const touch = (name: string, clientX: number, clientY: number): void => {
      const event = new MouseEvent(name, { bubbles: true, clientX, clientY });
      Object.defineProperty(event, 'pointerType', { value: 'touch' });
      canvas().dispatchEvent(event);
    };
    const at = { x: columnX(3), y: rowY(0, 'upper') };
    touch('pointerdown', at.x, at.y);
    page.fixture.detectChanges();
    expect(page.text()).not.toContain('in your hand');
    touch('click', at.x, at.y);
    await shown('an end is in your hand');
    await shown('Bay A 3 upper');
  });

  it('writes the label strip', async () => {
    keys('ArrowRight');
    await shown('Bay A 2 upper');
    fill(page, 'Label', 'Booth 2');
    await until(() => app.api.entries.length === 1);
    const bay = app.api.studioNow.rig.devices.find(({ name }) => name === 'Bay A')!;
    expect(bay.params['labels']).toEqual({ 'upper-2': 'Booth 2' });
  });

  it('draws only what is seen: twenty bays cost what a screenful does', () => {
    const strokes = { count: 0 };
    const context = new Proxy<Record<string, unknown>>(
      {},
      {
        get: (target, name: string): unknown => {
          if (name === 'measureText') return () => ({ width: 10 });
          const paint = (): void => {
            if (name === 'stroke') strokes.count++;
          };
          return target[name] ?? paint;
        },
        set: (target, name: string, value) => Reflect.set(target, name, value),
      },
    ) as unknown as CanvasRenderingContext2D;
    const theme = Object.fromEntries(
      ['ground', 'sheet', 'raised', 'line', 'ink', 'quiet', 'thread', 'focus', 'select'].map((name) => [
        name,
        '#000',
      ]),
    ) as never;
    const strokesOf = (bays: BaysView['bays']): number => {
      strokes.count = 0;
      const frame = { x: 0, y: 0, width: 600, height: 300 };
      new BayPainter(context, theme).paint({ bays, cords: [] }, new Map(), frame, { lit: new Set<LaneId>() });
      return strokes.count;
    };
    const many = Array.from({ length: 20 }, () => view.bays[1]!);
    const few = strokesOf(many.slice(0, 2));
    expect(few).toBeGreaterThan(0);
    expect(strokesOf(many)).toBe(few);
  });
});
