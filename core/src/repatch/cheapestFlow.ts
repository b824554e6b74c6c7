/** One edge of a network: units that may run over it, and what each costs. */
export interface Pipe {
  readonly from: number;
  readonly to: number;
  readonly capacity: number;
  readonly cost: number;
}

/** The network with what still has room: each pipe, and beside it the way back over what runs in it. */
class Residual {
  readonly ends: number[] = [];
  readonly costs: number[] = [];
  readonly room: number[] = [];
  readonly leaving: number[][];

  constructor(nodes: number, pipes: readonly Pipe[]) {
    this.leaving = Array.from({ length: nodes }, () => []);
    for (const { from, to, capacity, cost } of pipes) {
      this.add(from, to, capacity, cost);
      this.add(to, from, 0, -cost);
    }
  }

  private add(from: number, to: number, room: number, cost: number): void {
    this.leaving[from]?.push(this.ends.length);
    this.ends.push(to);
    this.costs.push(cost);
    this.room.push(room);
  }

  /** The edges of the cheapest way from one node to another that has room; undefined where there is none. */
  cheapestWay(source: number, sink: number): readonly number[] | undefined {
    const least = new Array<number>(this.leaving.length).fill(Infinity);
    const by = new Array<number>(this.leaving.length).fill(-1);
    least[source] = 0;
    const open = new Set([source]);
    for (const node of open) {
      open.delete(node);
      for (const edge of this.leaving[node] ?? []) {
        const to = this.ends[edge] ?? -1;
        const cost = (least[node] ?? Infinity) + (this.costs[edge] ?? 0);
        if ((this.room[edge] ?? 0) <= 0 || cost >= (least[to] ?? Infinity)) continue;
        least[to] = cost;
        by[to] = edge;
        open.add(to);
      }
    }
    if (least[sink] === Infinity) return undefined;
    const way: number[] = [];
    for (let node = sink; node !== source; node = this.ends[(way.at(-1) ?? 0) ^ 1] ?? source)
      way.push(by[node] ?? -1);
    return way;
  }

  push(way: readonly number[]): void {
    for (const edge of way) {
      this.room[edge] = (this.room[edge] ?? 0) - 1;
      this.room[edge ^ 1] = (this.room[edge ^ 1] ?? 0) + 1;
    }
  }
}

/**
 * The largest flow from one node to another, and of those the cheapest, one unit at a time over the cheapest
 * way there is left. Costs are whole numbers; there is no circle of negative cost.
 * @returns the units in each pipe.
 * @remarks Successive shortest paths: Busacker and Gowen, ORO technical paper 15, 1960.
 */
export function cheapestFlow(
  nodes: number,
  pipes: readonly Pipe[],
  source: number,
  sink: number,
): readonly number[] {
  const residual = new Residual(nodes, pipes);
  for (
    let way = residual.cheapestWay(source, sink);
    way !== undefined;
    way = residual.cheapestWay(source, sink)
  )
    residual.push(way);
  return pipes.map((_, i) => residual.room[2 * i + 1] ?? 0);
}
