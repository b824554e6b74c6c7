import type { SignalGraph } from '../../graph/signalGraph';
import { channelFeed, channelRows } from '../../playback/channelFeed';
import type { Join } from '../../playback/joins';
import { joinsOf } from '../../playback/joins';
import type { LaneId } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import type { ChannelChange } from '../consoles/channelPlan';
import type { WorkPlace } from '../workPlace';
import type { Placed } from './placing';

/** Lanes beyond so many of one switch are counted, not named. */
const MOST_NAMED = 8;

/** The channels that listen to each lane of a console. */
function listeners(graph: SignalGraph, console: Device): ReadonlyMap<LaneId, readonly string[]> {
  const found = new Map<LaneId, string[]>();
  for (const row of channelRows(console)) {
    const source = graph.lanes[channelFeed(graph, console, row)?.source ?? -1];
    if (source !== undefined) found.set(source.id, [...(found.get(source.id) ?? []), row.name]);
  }
  return found;
}

/** What moves with a switch without having been asked for: inputs that are recorded as well, channels that play back as well. */
function along(
  { context: { graph } }: WorkPlace,
  console: Device,
  used: readonly Join[],
  end: 'from' | 'to',
): readonly ChannelChange[] {
  const wanted = new Set(used.map((join) => join[end]));
  const keys = [...new Set(used.map(({ key }) => key))];
  const listening = listeners(graph, console);
  const nameOf = (lane: LaneId): string =>
    listening.get(lane)?.join(', ') ?? graph.lanes[graph.laneIndex.get(lane) ?? -1]?.name ?? lane;
  return keys.flatMap((key): ChannelChange[] => {
    const value = used.find((join) => join.key === key)?.value;
    const others = joinsOf(console)
      .of(key)
      .filter((join) => join.value === value && !wanted.has(join[end]));
    if (others.length === 0) return [];
    const names = others.slice(0, MOST_NAMED).map((join) => nameOf(join[end]));
    const more = others.length > MOST_NAMED ? ` and ${String(others.length - MOST_NAMED)} more` : '';
    return [
      {
        row: console.name,
        column: end === 'from' ? 'recorded as well' : 'plays back as well',
        ...{ from: '', to: `${names.join(', ')}${more}`, isDragged: true },
      },
    ];
  });
}

/** What coarse switches of the console take along, at the tap and on the way back. */
export const draggedAlong = (
  it: WorkPlace,
  console: Device,
  placed: readonly Placed[],
): readonly ChannelChange[] => [
  ...along(
    it,
    console,
    placed.flatMap(({ tap }) => tap ?? []),
    'from',
  ),
  ...along(
    it,
    console,
    placed.map(({ back }) => back),
    'to',
  ),
];
