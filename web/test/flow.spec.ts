import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { FlowPage } from '../src/app/see/flow/flow-page';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
  page = app.mount(FlowPage);
});

const nodes = (): readonly string[] =>
  [...page.element.querySelectorAll('.node')].map((node) => node.getAttribute('aria-label') ?? '');
const shown = (condition: () => boolean): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return condition();
  });

describe('the flow around a device', () => {
  it('shows what it hears and what hears it, with bays only on the way', async () => {
    page.fixture.componentRef.setInput('device', 'opto');
    await shown(() => nodes().includes('Opto compressor, Batch room'));
    expect([...nodes()].sort()).toEqual([
      'Converter, Batch room',
      'Mic preamp, Batch room',
      'Opto compressor, Batch room',
    ]);
    const links = [...page.element.querySelectorAll('.link')].map((link) => link.getAttribute('class'));
    // The preamp reaches the opto over a cord, the opto the converter by a normal.
    expect(links).toEqual(expect.arrayContaining(['link cord', 'link normal']));
  });

  it('goes on to a neighbour that is chosen', async () => {
    page.fixture.componentRef.setInput('device', 'opto');
    await shown(() => nodes().includes('Mic preamp, Batch room'));
    const preamp = [...page.element.querySelectorAll('.node')].find(
      (node) => node.getAttribute('aria-label') === 'Mic preamp, Batch room',
    )!;
    preamp.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    const router = TestBed.inject(Router);
    await until(() => router.url.includes('device=preamp'));
    // The router hands the address on to the page.
    page.fixture.componentRef.setInput('device', 'preamp');
    await shown(() => nodes().includes('Large condenser, Annealing booth'));
  });
});
