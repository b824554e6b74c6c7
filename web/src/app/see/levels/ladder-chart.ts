import type { Annotations, Data, Layout } from 'plotly.js';
import { formatLevel, formatNumber } from '@ft/core/units/format';
import type { LadderLine } from '@ft/core/views/strip/ladderScale';
import {
  firstDigital,
  LADDER_RANGE_DBU,
  LADDER_TICKS_DBU,
  ladderHeights,
} from '@ft/core/views/strip/ladderScale';
import type { Strip, StripHop } from '@ft/core/views/strip/strip';
import { themeColour } from '../../ui/chart/chart';

const LINES: readonly {
  readonly of: LadderLine;
  readonly name: string;
  readonly colour: string;
  readonly dash: 'solid' | 'dot' | 'dash';
}[] = [
  { of: 'max', name: 'maximum', colour: 'error', dash: 'dash' },
  { of: 'peak', name: 'peak', colour: 'peak', dash: 'dot' },
  { of: 'nominal', name: 'nominal', colour: 'nominal', dash: 'solid' },
  { of: 'noise', name: 'noise', colour: 'noise', dash: 'dash' },
];

/** Where a figure changes, the ends included, by index: copper from jack to jack has nothing to show. */
export function tellingHops(hops: readonly StripHop[]): readonly number[] {
  return hops.flatMap((hop, i) => {
    const before = hops[i - 1];
    const tells =
      before === undefined ||
      i === hops.length - 1 ||
      before.unit !== hop.unit ||
      LINES.some(({ of }) => hop[of] !== undefined && before[of] !== hop[of]);
    return tells ? [i] : [];
  });
}

const LONGEST_NAME = 20;

/** A name short enough to stand under its hop; the strip below and the pointer tell the whole. */
const shortened = (name: string): string =>
  name.length <= LONGEST_NAME ? name : `…${name.slice(1 - LONGEST_NAME)}`;

/** Which unit figures have on one side of the converter. */
const unitAt = (x: number, text: string, xanchor: 'left' | 'right'): Partial<Annotations> => ({
  ...{ x, y: 0, text, xanchor, yref: 'paper', yanchor: 'bottom', showarrow: false },
  xshift: xanchor === 'left' ? 4 : -4,
  font: { size: 11, color: themeColour('quiet') },
});

/** The ladder of a strip as lines over its hops, on the scale of the strip; what is pointed at says its own unit. */
// eslint-disable-next-line max-lines-per-function -- one chart, a literal
export function ladderChart({ hops }: Strip): { data: Data[]; layout: Partial<Layout> } {
  const heights = ladderHeights(hops);
  const told = tellingHops(hops);
  const names = told.map((i, place) => `${String(place + 1)} ${shortened(hops[i]?.laneName ?? '')}`);
  const said = (i: number, of: LadderLine): string => {
    const [hop, level] = [hops[i], hops[i]?.[of]];
    return hop === undefined || level === undefined ? '' : formatLevel(level, hop.unit);
  };
  const data = LINES.map(({ of, name, colour, dash }): Data => ({
    type: 'scatter',
    mode: 'lines+markers',
    name,
    x: names,
    y: told.map((i) => heights[i]?.[of] ?? null),
    customdata: told.map((i) => said(i, of)),
    hovertemplate: `${name} %{customdata}<extra></extra>`,
    line: { color: themeColour(colour), dash, width: of === 'nominal' ? 2.5 : 1.5 },
    marker: { size: of === 'max' ? 4 : 6 },
    connectgaps: of !== 'max',
  }));
  const digital = firstDigital(hops);
  const border = digital === undefined ? -1 : told.indexOf(digital);
  const layout: Partial<Layout> = {
    yaxis: {
      title: { text: 'on one scale, dBu' },
      range: [LADDER_RANGE_DBU.bottom, LADDER_RANGE_DBU.top],
      tickvals: [...LADDER_TICKS_DBU],
      ticktext: LADDER_TICKS_DBU.map(formatNumber),
      ticksuffix: ' ',
    },
    xaxis: { tickangle: -25, type: 'category' },
    ...(border > 0 && {
      shapes: [
        {
          type: 'line',
          x0: border - 0.5,
          x1: border - 0.5,
          yref: 'paper',
          y0: 0,
          y1: 1,
          line: { color: themeColour('thread'), width: 1, dash: 'dot' },
        },
      ],
      annotations: [
        unitAt(border - 0.5, 'dBu', 'right'),
        unitAt(border - 0.5, 'dBFS: 0 stands at the maximum before it', 'left'),
      ],
    }),
  };
  return { data, layout };
}
