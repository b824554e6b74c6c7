import { shortestWay } from '../../graph/shortestWay';
import type { Desk, DeskRow } from '../desk';
import { laneAtOf } from '../desk';
import type { PlannedThread, WorkedScene } from '../../scene/workedScene';
import type { DeskPoint } from './deskOfSum';
import { deskText } from './deskBuses';

/** The direct out of a channel, and the line that records it. */
export interface DirectOut {
  readonly point: DeskPoint;
  readonly lane: number;
  readonly line?: PlannedThread;
  /** How far its fader and its VCA lie from unity where the direct out is behind them, dB: what is recorded is off by that. */
  readonly offDb: number;
}

function faderDb(desk: Desk, { cells }: DeskRow): number {
  const placed = cells['fader'];
  return placed?.cell.kind === 'knob' ? Number(desk.knobs(placed.device).value(placed.cell.knob)) : 0;
}

/** The direct outs of some channels; those that have none are left out. */
export const directsOf = (context: WorkedScene, points: readonly DeskPoint[]): readonly DirectOut[] =>
  points.flatMap((point) => {
    const { desk, row } = point;
    const [key] = row.cells['direct'] === undefined ? [] : (row.row.leaves ?? []);
    const lane = key && laneAtOf(context, desk.device, key);
    if (lane === undefined) return [];
    const line = context.threads.find(
      ({ thread, start, complete }) => thread.purpose === 'print' && start === lane && complete,
    );
    const vca = desk.rows.find(({ name }) => name === deskText(desk, row, 'vca'));
    const isBefore = deskText(desk, row, 'direct') === 'on';
    const offDb = isBefore ? 0 : faderDb(desk, row) + (vca === undefined ? 0 : faderDb(desk, vca));
    return [{ point, lane, ...(line && { line }), offDb }];
  });

/** Samples from an output of the host over a channel to where its direct out is recorded; undefined where it does not come. */
export function recordedSamples(
  { graph }: WorkedScene,
  output: number,
  { line }: DirectOut,
): number | undefined {
  const end = line?.path.at(-1)?.to;
  if (end === undefined) return undefined;
  const { path, arrives } = shortestWay(graph, output, end, ({ track }) => track === undefined);
  return arrives ? path.reduce((sum, { delaySamples }) => sum + delaySamples, 0) : undefined;
}
