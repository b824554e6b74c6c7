import type { WorkedScene } from '../../scene/workedScene';
import type { SignalGraph } from '../../graph/signalGraph';
import type { HardwireId, LaneId } from '../../rig/ids';
import { ranked } from '../../text/nameMatch';

/** A wire with the names of its ends. */
export interface WireLine {
  readonly id: HardwireId;
  readonly from: string;
  readonly to: string;
  readonly tieLine: boolean;
}

const NAMES = new Intl.Collator('en', { numeric: true });

/** The fixed wiring by name, in the order of the outputs. */
export const wireLines = ({ graph }: WorkedScene): readonly WireLine[] =>
  graph.edges
    .flatMap((edge) => {
      if (edge.hardwire === undefined) return [];
      const [from, to] = [graph.lanes[edge.from]?.name ?? '', graph.lanes[edge.to]?.name ?? ''];
      return [{ id: edge.hardwire, from, to, tieLine: edge.kind === 'tieLine' }];
    })
    .sort((a, b) => NAMES.compare(a.from, b.from) || NAMES.compare(a.to, b.to));

/** A connector that a wire can be soldered to. */
export interface WireEnd {
  readonly id: LaneId;
  readonly name: string;
  /** True where a wire is there already. */
  readonly wired: boolean;
}

const MOST_ENDS = 40;

const isWired = (graph: SignalGraph, lane: number): boolean =>
  [graph.outgoing, graph.incoming].some(({ start, edge }) =>
    edge
      .subarray(start[lane] ?? 0, start[lane + 1] ?? 0)
      .some((index) => graph.edges[index]?.hardwire !== undefined),
  );

/** Rear connectors whose names answer what was typed, free ones first. */
export function wireEnds({ graph }: WorkedScene, direction: 'in' | 'out', typed: string): readonly WireEnd[] {
  const rear = graph.lanes.filter((lane) => lane.face === 'rear' && lane.direction === direction);
  const ends = ranked(rear, (lane) => lane.name, typed).map(({ id, name, index }) => ({
    id,
    name,
    wired: isWired(graph, index),
  }));
  return [...ends].sort((a, b) => Number(a.wired) - Number(b.wired)).slice(0, MOST_ENDS);
}
