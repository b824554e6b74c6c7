import type { WorkedScene } from '../../scene/workedScene';
import { threadName } from '../../session/threadName';
import type { CopperEnds } from '../../graph/copperEnds';
import { copperEnds } from '../../graph/copperEnds';
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

const names = ({ from, to }: CopperEnds): Pick<JackInfo, 'from' | 'to'> => ({
  from: from.slice(0, MOST_ENDS).map((lane) => lane.name),
  to: to.slice(0, MOST_ENDS).map((lane) => lane.name),
});

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
    ...names(copperEnds(graph, lane)),
    threads: through.map(({ thread }) => threadName(thread)),
    opens: opened.map((edge) => `${name(edge.from)} → ${name(edge.to)}`),
    cuts: using(new Set(opened.map(({ index }) => index))),
    ...(cord && { cord: `${nameOf(cord.from)} → ${nameOf(cord.to)}` }),
  };
}
