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
    const sorted = Array.from(order, (index) => this.list[index]).filter((arc) => arc !== undefined);
    const column = (read: (arc: NewArc) => number | undefined): Int32Array =>
      Int32Array.from(sorted, (arc) => read(arc) ?? NONE);
    return {
      start,
      from: column(({ from }) => from),
      to: column(({ to }) => to),
      cost: Float64Array.from(sorted, ({ cost }) => cost),
      signal: Uint8Array.from(sorted, ({ copper, to }) =>
        copper ? ANY_MEDIUM : (laneMedium[to] ?? ANY_MEDIUM),
      ),
      processor: Uint8Array.from(sorted, ({ processor }) => (processor === true ? 1 : 0)),
      edge: column(({ edge }) => edge),
      normal: column(({ normal }) => normal),
      knob: column(({ knob }) => knob),
      value: column(({ value }) => value),
      cord: column(({ cord }) => cord),
    };
  }
}
