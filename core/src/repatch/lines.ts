import type { Edge, SignalGraph } from '../graph/signalGraph';
import type { LaneId } from '../rig/ids';

/** The two jacks of a cord. */
export interface Jacks {
  readonly from: LaneId;
  readonly to: LaneId;
}

/** Lanes with a fixed wire in them: an insert point whose return is wired stays open whatever is plugged. */
const wiredLanes = ({ edges }: SignalGraph): ReadonlySet<number> =>
  new Set(edges.flatMap(({ hardwire, from, to }) => (hardwire === undefined ? [] : [from, to])));

/**
 * The copper of a rig while plugs go in and out: what is one line with a jack at any moment, normals closing
 * and opening included. Direction does not matter, since 48 V runs against the signal and into whatever
 * listens beside it. A place marked as faulty is taken to conduct: what crackles may still carry 48 V.
 */
export class Lines {
  private readonly wired: ReadonlySet<number>;
  private readonly plugs = new Set<number>();
  private readonly partner = new Map<number, number>();

  /** @param graph under the knobs that stand while the cords are changed; its own cords do not count. */
  constructor(
    private readonly graph: SignalGraph,
    cords: readonly Jacks[],
  ) {
    this.wired = wiredLanes(graph);
    for (const cord of cords) {
      this.plugIn(cord.from);
      this.plugIn(cord.to);
      this.join(cord);
    }
  }

  plugIn(jack: LaneId): void {
    this.plugs.add(this.lane(jack));
  }

  pullOut(jack: LaneId): void {
    const lane = this.lane(jack);
    this.plugs.delete(lane);
    const other = this.partner.get(lane);
    this.partner.delete(lane);
    if (other !== undefined) this.partner.delete(other);
  }

  /** A cord between two plugs that are in. */
  join({ from, to }: Jacks): void {
    const [a, b] = [this.lane(from), this.lane(to)];
    if (a < 0 || b < 0) return;
    this.partner.set(a, b);
    this.partner.set(b, a);
  }

  /** All lanes that are one piece of copper with a jack as things stand. */
  at(jack: LaneId): ReadonlySet<number> {
    const { graph, partner } = this;
    const first = this.lane(jack);
    const line = new Set(first < 0 ? [] : [first]);
    for (const lane of line) {
      const other = partner.get(lane);
      if (other !== undefined) line.add(other);
      for (const { start, edge: list } of [graph.outgoing, graph.incoming])
        for (let i = start[lane] ?? 0; i < (start[lane + 1] ?? 0); i++) {
          const edge = graph.edges[list[i] ?? -1];
          if (edge !== undefined && this.conducts(edge)) line.add(edge.from === lane ? edge.to : edge.from);
        }
    }
    return line;
  }

  private conducts({ kind, passive, passesPower, openedBy }: Edge): boolean {
    return (
      (passive || passesPower === true) &&
      kind !== 'cord' &&
      !openedBy.some((jack) => this.plugs.has(jack) || this.wired.has(jack))
    );
  }

  private lane(jack: LaneId): number {
    return this.graph.laneIndex.get(jack) ?? -1;
  }
}
