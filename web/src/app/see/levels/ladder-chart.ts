import type { Data, Layout } from 'plotly.js';
import type { Strip, StripHop } from '@ft/core/views/strip';
import { themeColour } from '../../ui/chart/chart';

type Figure = 'nominal' | 'peak' | 'noise' | 'max';

const LINES: readonly {
  readonly of: Figure;
  readonly name: string;
  readonly colour: string;
  readonly dash: 'solid' | 'dot' | 'dash';
}[] = [
  { of: 'max', name: 'maximum', colour: 'error', dash: 'dash' },
  { of: 'peak', name: 'peak', colour: 'peak', dash: 'dot' },
  { of: 'nominal', name: 'nominal', colour: 'nominal', dash: 'solid' },
  { of: 'noise', name: 'noise', colour: 'noise', dash: 'dash' },
];

/** The hops where a figure changes, the ends included: copper from jack to jack has nothing to show. */
export function tellingHops(hops: readonly StripHop[]): readonly StripHop[] {
  return hops.filter((hop, i) => {
    const before = hops[i - 1];
    return (
      before === undefined ||
      i === hops.length - 1 ||
      before.unit !== hop.unit ||
      LINES.some(({ of }) => hop[of] !== undefined && before[of] !== hop[of])
    );
  });
}

const LONGEST_NAME = 20;

/** A name short enough to stand under its hop; the strip below and the pointer tell the whole. */
const shortened = (name: string): string =>
  name.length <= LONGEST_NAME ? name : `…${name.slice(1 - LONGEST_NAME)}`;

/** The ladder of a strip as lines over its hops; digital levels are drawn on the same scale, and named. */
export function ladderChart({ hops }: Strip): { data: Data[]; layout: Partial<Layout> } {
  const told = tellingHops(hops);
  const names = told.map(({ laneName }, i) => `${String(i + 1)} ${shortened(laneName)}`);
  const data = LINES.map(({ of, name, colour, dash }): Data => ({
    type: 'scatter',
    mode: 'lines+markers',
    name,
    x: names,
    y: told.map((hop) => hop[of] ?? null),
    customdata: told.map(({ unit }) => unit),
    hovertemplate: `${name} %{y:.1f} %{customdata}<extra></extra>`,
    line: { color: themeColour(colour), dash, width: of === 'nominal' ? 2.5 : 1.5 },
    marker: { size: of === 'max' ? 4 : 6 },
    connectgaps: of !== 'max',
  }));
  const firstDigital = told.findIndex(({ unit }) => unit === 'dBFS');
  const layout: Partial<Layout> = {
    yaxis: { title: { text: 'dBu, then dBFS' }, ticksuffix: ' ' },
    xaxis: { tickangle: -25, type: 'category' },
    ...(firstDigital > 0 && {
      shapes: [
        {
          type: 'line',
          x0: firstDigital - 0.5,
          x1: firstDigital - 0.5,
          yref: 'paper',
          y0: 0,
          y1: 1,
          line: { color: themeColour('thread'), width: 1, dash: 'dot' },
        },
      ],
    }),
  };
  return { data, layout };
}
