import type * as PlotlyTypes from 'plotly.js';

export type Plotly = typeof PlotlyTypes;

/** The chart library, fetched when the first chart is shown. */
export async function createPlotly(): Promise<Plotly> {
  const { default: plotly } = await import('plotly.js-basic-dist-min');
  return plotly;
}
