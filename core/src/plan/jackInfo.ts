import type { CheckContext } from '../checks/context';
import { threadName } from '../checks/naming';
import { edgesFrom, edgesInto } from '../graph/walk';
import type { LaneId } from '../rig/ids';

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

/** The first lanes with electronics in one direction; copper is only on the way. */
function ends({ graph }: CheckContext, lane: number, direction: 'from' | 'to'): readonly string[] {
  const found: string[] = [];
  const seen = new Set([lane]);
  for (const at of seen)
    for (const edge of direction === 'from' ? edgesFrom(graph, at) : edgesInto(graph, at)) {
      const far = direction === 'from' ? edge.to : edge.from;
      const it = graph.lanes[far];
      if (it === undefined || seen.has(far)) continue;
      if (it.medium === 'any') seen.add(far);
      else found.push(it.name);
    }
  return [...new Set(found)].slice(0, MOST_ENDS);
}

/** Everything about one jack of the scene as it stands. */
export function jackInfo(context: CheckContext, id: LaneId): JackInfo | undefined {
  const { graph, scene, threads } = context;
  const lane = graph.laneIndex.get(id);
  if (lane === undefined) return undefined;
  const name = (index: number): string => graph.lanes[index]?.name ?? '';
  const opened = graph.edges.filter((edge) => edge.closed && edge.openedBy.includes(lane));
  const using = (edges: ReadonlySet<number>): readonly string[] =>
    threads
      .filter(({ path }) => path.some((edge) => edges.has(edge.index)))
      .map(({ thread }) => threadName(thread));
  const through = threads.filter(
    ({ start, path }) => start === lane || path.some((edge) => edge.to === lane),
  );
  const cord = scene.cords.find((each) => each.id === graph.plugAt.get(lane));
  const nameOf = (end: LaneId): string => name(graph.laneIndex.get(end) ?? -1);
  return {
    name: name(lane),
    from: ends(context, lane, 'to'),
    to: ends(context, lane, 'from'),
    threads: through.map(({ thread }) => threadName(thread)),
    opens: opened.map((edge) => `${name(edge.from)} → ${name(edge.to)}`),
    cuts: using(new Set(opened.map(({ index }) => index))),
    ...(cord && { cord: `${nameOf(cord.from)} → ${nameOf(cord.to)}` }),
  };
}
