import type { Layout } from 'plotly.js';

/** The axis of the audible frequencies. */
export const HERTZ_AXIS: Partial<Layout['xaxis']> = {
  type: 'log',
  title: { text: 'Hz' },
  tickvals: [20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000],
  ticktext: ['20', '50', '100', '200', '500', '1k', '2k', '5k', '10k', '20k'],
};
