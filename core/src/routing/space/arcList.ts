import { adjacency } from '../../graph/adjacency';
import type { Arcs } from './routingSpace';
import { ANY_MEDIUM, NONE } from './routingSpace';

/** An arc before the arcs are sorted by the lane they leave. */
export interface NewArc {
  readonly from: number;
  readonly to: number;
  /** Points. */
  readonly cost: number;
  /** Copper passes on the signal it has; electronics set it. */
  readonly copper: boolean;
  readonly processor?: boolean;
  readonly edge?: number;
  readonly normal?: number;
  readonly knob?: number;
  readonly value?: number;
  readonly cord?: number;
}

/** Collects arcs and packs them into typed arrays. */
export class ArcList {
  private readonly list: NewArc[] = [];

  constructor(private readonly laneCount: number) {}

  add(arc: NewArc): void {
    this.list.push(arc);
  }

  /** @param laneMedium number of the medium of each lane. */
  arcs(laneMedium: Uint8Array): Arcs {
    const { start, edge: order } = adjacency(
      this.laneCount,
      this.list.map(({ from }) => from),
    );
    const count = order.length;
    const column = (): Int32Array => new Int32Array(count).fill(NONE);
    const arcs = {
      ...{ start, from: column(), to: column(), cost: new Float64Array(count) },
      ...{ signal: new Uint8Array(count), processor: new Uint8Array(count) },
      ...{ edge: column(), normal: column(), knob: column(), value: column(), cord: column() },
    };
    // One pass over plain arrays: a console has tens of thousands of crosspoints, and every route builds them.
    for (let at = 0; at < count; at++) {
      const arc = this.list[order[at] ?? NONE];
      if (arc === undefined) continue;
      arcs.from[at] = arc.from;
      arcs.to[at] = arc.to;
      arcs.cost[at] = arc.cost;
      arcs.signal[at] = arc.copper ? ANY_MEDIUM : (laneMedium[arc.to] ?? ANY_MEDIUM);
      arcs.processor[at] = arc.processor === true ? 1 : 0;
      arcs.edge[at] = arc.edge ?? NONE;
      arcs.normal[at] = arc.normal ?? NONE;
      arcs.knob[at] = arc.knob ?? NONE;
      arcs.value[at] = arc.value ?? NONE;
      arcs.cord[at] = arc.cord ?? NONE;
    }
    return arcs;
  }
}
