import { reach } from '../graph/reach';
import type { SignalGraph } from '../graph/signalGraph';
import { edgesInto } from '../graph/walk';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { SheetRow } from '../rig/sheets/channelSheet';
import { sheetOf } from '../rig/sheets/sheetOf';

/** The channels of a console: rows of the section of that name that sound comes into. */
export const channelRows = (console: Device): readonly SheetRow[] =>
  (sheetOf(console)?.sections ?? [])
    .filter(({ id }) => id === 'channels')
    .flatMap(({ rows }) =>
      rows.filter(({ cells, lane }) => lane !== undefined && cells['source'] !== undefined),
    );

/** Whether channels of a device can be recorded and played back into. */
export const hasChannels = (device: Device): boolean => channelRows(device).length > 0;

/** What comes into a channel. */
export interface ChannelFeed {
  /** Where the channel begins, in the graph. */
  readonly lane: number;
  /** The lane it listens to; left out where it listens to nothing. */
  readonly source?: number;
  /** Every lane that is heard there. */
  readonly before: ReadonlySet<number>;
}

/** What comes into a channel in a graph; undefined where the rig has lost it. */
export function channelFeed(graph: SignalGraph, console: Device, row: SheetRow): ChannelFeed | undefined {
  const lane = row.lane && graph.laneIndex.get(laneIdOf(console.id, row.lane.port, row.lane.lane));
  if (lane === undefined) return undefined;
  const [edge] = edgesInto(graph, lane);
  return { lane, before: reach(graph, [lane], 'to'), ...(edge && { source: edge.from }) };
}
