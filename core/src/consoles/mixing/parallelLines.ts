import type { WorkedScene } from '../../scene/workedScene';
import type { Thread } from '../../session/sessionSchema';
import type { Desk, DeskRow } from '../desk';
import { laneAtOf } from '../desk';
import type { DeskBus } from './deskBuses';

/** A bus of a console that goes over units and back to channels of it. */
export interface ParallelLine {
  readonly bus: DeskBus;
  /** Its lines, side by side. */
  readonly lines: readonly Thread[];
  /** The channels it comes back by, side by side. */
  readonly returns: readonly DeskRow[];
}

/** The parallel buses among some buses of a console that lines of the scene bring back to it. */
export function parallelLines(
  context: WorkedScene,
  desk: Desk,
  buses: readonly DeskBus[],
): readonly ParallelLine[] {
  const idOf = (key: Parameters<typeof laneAtOf>[2] | undefined): string | undefined =>
    context.graph.lanes[(key && laneAtOf(context, desk.device, key)) ?? -1]?.id;
  return buses.flatMap((bus): readonly ParallelLine[] => {
    if (bus.kind !== 'send') return [];
    const leaves = bus.rows.flatMap(({ row }) => (row.leaves ?? []).map(idOf));
    const lines = leaves.flatMap((leaf) =>
      context.threads.flatMap(({ thread }) =>
        thread.purpose === 'send' && thread.from === leaf ? [thread] : [],
      ),
    );
    const returns = lines.flatMap(({ to }) =>
      desk.rows.filter(({ row }) => row.lineIn !== undefined && idOf(row.lineIn.lane) === to),
    );
    return returns.length === 0 ? [] : [{ bus, lines, returns }];
  });
}
