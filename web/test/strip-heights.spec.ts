import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { StripHandle } from '../src/app/shell/strip/strip-handle';
import { StripHeights } from '../src/app/shell/strip/strip-heights';
import { ThreadStrip } from '../src/app/shell/strip/thread-strip';
import { PlanActions } from '../src/app/state/plan.feature';
import type { Bench } from './mount';
import { bench } from './mount';

const SCENE = '/studio/saltglass-rooms/lamplighters-ledger/tracking';

let app: Bench;
let heights: StripHeights;

const goTo = (path: string): Promise<boolean> => TestBed.inject(Router).navigateByUrl(`${SCENE}/${path}`);
const select = (kind: string, id: string): void => {
  app.store.dispatch(PlanActions.select({ ref: { kind, id } as never }));
};

beforeEach(async () => {
  localStorage.clear();
  app = bench();
  await app.open();
  heights = TestBed.inject(StripHeights);
});

describe('the strip', () => {
  it('is whole where what is selected has to do with the page, and else one line', async () => {
    await goTo('track/inputs');
    expect(heights.height()).toBe('full');
    // The first line was chosen by nobody, and the rig has nothing to say about it.
    await goTo('rig/check');
    expect(heights.height()).toBe('line');
    select('device', 'converter');
    expect(heights.height()).toBe('full');
    // The page of a device says more than its strip.
    await goTo('rig/devices');
    expect(heights.height()).toBe('line');
    heights.set('full');
    expect(heights.height()).toBe('full');
    await goTo('history');
    expect(heights.height()).toBe('line');
  });

  it('is one line when nothing is selected', async () => {
    await goTo('track/inputs');
    app.store.dispatch(PlanActions.clearSelection());
    expect(heights.height()).toBe('line');
    const strip = app.mount(ThreadStrip);
    expect(strip.text()).toMatch(/^Select a line, a cord or a finding/);
  });

  it('goes round its heights by key, and each part remembers its own', async () => {
    await goTo('track/inputs');
    heights.cycle();
    expect(heights.height()).toBe('line');
    heights.cycle();
    expect(heights.height()).toBe('closed');
    await goTo('bay');
    expect(heights.height()).toBe('full');
    await goTo('track/inputs');
    expect(heights.height()).toBe('closed');
    expect(JSON.parse(localStorage.getItem('ft-strip-heights')!)).toEqual({ 'track/inputs': 'closed' });
    heights.cycle();
    expect(heights.height()).toBe('full');
  });

  it('opens by hand for what was selected elsewhere, too', async () => {
    await goTo('history');
    expect(heights.height()).toBe('line');
    heights.set('full');
    expect(heights.height()).toBe('full');
  });

  it('on one line names the devices on the way', async () => {
    await goTo('track/inputs');
    heights.set('line');
    const strip = app.mount(ThreadStrip);
    await strip.says('Large condenser › Booth panel › Bay A › Mic preamp');
    expect(strip.element.querySelector('svg')).toBeNull();
  });

  it('is drawn up and down by its edge', async () => {
    await goTo('track/inputs');
    const handle = app.mount(StripHandle);
    const edge = handle.element.querySelector<HTMLElement>('[role=separator]')!;
    edge.setPointerCapture = () => undefined;
    const move = (type: string, clientY: number): void => {
      edge.dispatchEvent(Object.assign(new Event(type), { clientY, pointerId: 1 }));
    };
    move('pointerdown', 500);
    move('pointermove', 740);
    expect(heights.height()).toBe('line');
    move('pointermove', 790);
    expect(heights.height()).toBe('closed');
    move('pointerup', 790);
    move('pointermove', 300);
    expect(heights.height()).toBe('closed');
    handle.press(edge, 'ArrowUp');
    handle.press(edge, 'ArrowUp');
    expect(heights.height()).toBe('full');
    expect(edge.getAttribute('aria-valuetext')).toBe('whole');
  });
});
