import type { OnDestroy } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  effect,
  ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import type { Data, Layout } from 'plotly.js';
import { createPlotly } from './create-plotly';

/** A colour of the theme in force, by its name: "nominal" for --ft-nominal. */
export const themeColour = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--ft-${name}`).trim();

/** What all charts have in common, in the colours of the theme. */
function baseLayout(): Partial<Layout> {
  const [ink, line, ground] = ['ink', 'line', 'sheet'].map(themeColour);
  const axis = { gridcolor: line, zerolinecolor: line, linecolor: line, automargin: true } as const;
  return {
    paper_bgcolor: ground,
    plot_bgcolor: ground,
    font: { color: ink, family: "'Inter Variable', system-ui, sans-serif", size: 12 },
    margin: { l: 56, r: 16, t: 12, b: 44 },
    legend: { orientation: 'h', y: 1.12, x: 0 },
    hovermode: 'x unified',
    hoverlabel: { bgcolor: themeColour('raised'), font: { color: ink } },
    xaxis: axis,
    yaxis: axis,
  };
}

const mergedLayout = (base: Partial<Layout>, own: Partial<Layout>): Partial<Layout> => ({
  ...base,
  ...own,
  xaxis: { ...base.xaxis, ...own.xaxis },
  yaxis: { ...base.yaxis, ...own.yaxis },
});

/** A chart. What it shows stands beside it in words or a table too: a picture is not read by everybody. */
@Component({
  selector: 'ft-chart',
  template: `<div #place class="place"></div>`,
  styles: `
    :host {
      display: block;
      min-height: 0;
    }
    .place {
      width: 100%;
      height: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Chart implements OnDestroy {
  /** Built when drawn, so that colours are those of the theme then. */
  readonly make = input.required<() => { readonly data: Data[]; readonly layout: Partial<Layout> }>();
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('place');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  /** Drawing is queued: two overlapping draws on one element lose the data. */
  private drawing = Promise.resolve();
  private readonly sizes = new ResizeObserver(() => {
    this.draw();
  });
  private readonly themes = new MutationObserver(() => {
    this.draw();
  });
  private gone = false;

  constructor() {
    effect(() => {
      this.make();
      this.draw();
    });
    this.sizes.observe(this.host.nativeElement);
    this.themes.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  }

  ngOnDestroy(): void {
    this.gone = true;
    this.sizes.disconnect();
    this.themes.disconnect();
    const place = this.place().nativeElement;
    void this.drawing.then(async () => {
      (await createPlotly()).purge(place);
    });
  }

  private draw(): void {
    this.drawing = this.drawing.then(async () => {
      const plotly = await createPlotly();
      if (this.gone) return;
      const { data, layout } = this.make()();
      await plotly.react(this.place().nativeElement, data, mergedLayout(baseLayout(), layout), {
        displayModeBar: false,
        responsive: false,
        scrollZoom: false,
      });
    });
  }
}
