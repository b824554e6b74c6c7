import type { WorkedScene } from '../../scene/workedScene';
import { threadName } from '../../session/threadName';
import { copperFrom } from '../../graph/nets';
import type { LaneId } from '../../rig/ids';

/** What a person wants to know before a plug goes in. */
export interface JackInfo {
  readonly name: string;
  /** The connectors with electronics behind them that the signal here comes from and goes to. */
  readonly from: readonly string[];
  readonly to: readonly string[];
  readonly threads: readonly string[];
  /** What a plug here would open, and which threads would be cut by it. */
  readonly opens: readonly string[];
  readonly cuts: readonly string[];
  readonly cord?: string;
}

const MOST_ENDS = 6;

/** The electronics on the copper at a lane: what drives it, and everything the same signal goes into. */
function ends({ graph }: WorkedScene, lane: number): Pick<JackInfo, 'from' | 'to'> {
  const upstream = copperFrom(graph, lane, 'to');
  const downstream = new Set(upstream.flatMap((each) => copperFrom(graph, each, 'from')));
  const names = (lanes: Iterable<number>, direction: 'in' | 'out'): readonly string[] =>
    [...lanes]
      .map((index) => graph.lanes[index])
      .filter((it) => it !== undefined && it.medium !== 'any' && it.direction === direction)
      .map((it) => it?.name ?? '')
      .slice(0, MOST_ENDS);
  return { from: names(upstream, 'out'), to: names(downstream, 'in') };
}

/** Everything about one jack of the scene as it stands. */
export function jackInfo(context: WorkedScene, id: LaneId): JackInfo | undefined {
  const { graph, scene, threads } = context;
  const lane = graph.laneIndex.get(id);
  if (lane === undefined) return undefined;
  const name = (index: number): string => graph.lanes[index]?.name ?? '';
  const opened = graph.edges.filter((edge) => edge.closed && edge.openedBy.includes(lane));
  const using = (edges: ReadonlySet<number>): readonly string[] =>
    threads
      .filter(({ path }) => path.some((edge) => edges.has(edge.index)))
      .map(({ thread }) => threadName(thread));
  // A jack carries what comes to it over copper, be it only to listen.
  const carried = new Set(copperFrom(graph, lane, 'to'));
  const through = threads.filter(
    ({ start, path }) => carried.has(start) || path.some((edge) => carried.has(edge.to)),
  );
  const cord = scene.cords.find((each) => each.id === graph.plugAt.get(lane));
  const nameOf = (end: LaneId): string => name(graph.laneIndex.get(end) ?? -1);
  return {
    name: name(lane),
    ...ends(context, lane),
    threads: through.map(({ thread }) => threadName(thread)),
    opens: opened.map((edge) => `${name(edge.from)} → ${name(edge.to)}`),
    cuts: using(new Set(opened.map(({ index }) => index))),
    ...(cord && { cord: `${nameOf(cord.from)} → ${nameOf(cord.to)}` }),
  };
}
