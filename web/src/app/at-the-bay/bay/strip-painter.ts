import type { BayViewModel } from '@ft/core/views/bay/bayView';
import type { Frame, LabelRun } from './bay-geometry';
import { BAY, columnX, labelRuns } from './bay-geometry';
import type { BayTheme } from './bay-theme';

/** One label strip: of which bay and row, and where its upper edge lies. */
interface Strip {
  readonly bay: BayViewModel;
  readonly row: 'upper' | 'lower';
  readonly top: number;
}

const runsOfLabels = new WeakMap<BayViewModel, Record<'upper' | 'lower', readonly LabelRun[]>>();

/** Runs are worked out once for each bay, not for each frame. */
function runsOf(bay: BayViewModel): Record<'upper' | 'lower', readonly LabelRun[]> {
  const known = runsOfLabels.get(bay);
  if (known !== undefined) return known;
  const runs = {
    upper: labelRuns(bay.columns.map(({ upper }) => upper.label)),
    lower: labelRuns(bay.columns.map(({ lower }) => lower.label)),
  };
  runsOfLabels.set(bay, runs);
  return runs;
}

const edgesOf = ({ first, last }: LabelRun): readonly [left: number, right: number] => [
  columnX(first) - BAY.pitch / 2,
  columnX(last) + BAY.pitch / 2,
];

/** Draws the label strip of one row, as far as it lies in the frame. */
export function paintStrip(
  context: CanvasRenderingContext2D,
  theme: BayTheme,
  { bay, row, top }: Strip,
  frame: Frame,
): void {
  context.textBaseline = 'middle';
  for (const run of runsOf(bay)[row]) {
    const [left, right] = edgesOf(run);
    if (right < frame.x || left > frame.x + frame.width) continue;
    context.fillStyle = theme.raised;
    context.fillRect(left + 1, top + 2, right - left - 2, BAY.strip - 4);
    context.fillStyle = theme.ink;
    if (run.first === run.last) lone(context, run.stem, left, top);
    else counted(context, theme, run, { bay, row, top }, frame);
  }
}

/** A label of its own stands in two short lines. */
function lone(context: CanvasRenderingContext2D, text: string, left: number, top: number): void {
  context.font = '9px "Inter Variable", sans-serif';
  context.textAlign = 'center';
  const middle = left + BAY.pitch / 2;
  const words = text.split(' ');
  const half = words.length === 1 ? 1 : Math.ceil(words.length / 2);
  const lines = [words.slice(0, half).join(' '), words.slice(half).join(' ')].filter((line) => line !== '');
  lines.forEach((line, i) => {
    const y = top + BAY.strip / 2 + (lines.length === 1 ? 0 : (i - 0.5) * 11);
    context.fillText(line, middle, y, BAY.pitch - 3);
  });
}

/** One stem over a run of numbers; the stem stays in sight while the strip is scrolled. */
function counted(
  context: CanvasRenderingContext2D,
  theme: BayTheme,
  run: LabelRun,
  { row, top }: Strip,
  frame: Frame,
): void {
  const [left, right] = edgesOf(run);
  const [stemY, markY] = row === 'upper' ? [top + 11, top + 24] : [top + 24, top + 11];
  context.font = '11px "Inter Variable", sans-serif';
  context.textAlign = 'center';
  const [seenLeft, seenRight] = [Math.max(left, frame.x), Math.min(right, frame.x + frame.width)];
  context.fillText(run.stem, (seenLeft + seenRight) / 2, stemY, right - left - 4);
  context.fillStyle = theme.quiet;
  context.font = '10px "JetBrains Mono", monospace';
  run.marks.forEach((mark, i) => {
    context.fillText(mark, columnX(run.first + i), markY, BAY.pitch - 2);
  });
}
