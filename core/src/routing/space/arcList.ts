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

/** The columns of arcs but where those of a lane start. */
type Columns = Omit<Arcs, 'start'>;

const columnsFor = (count: number): Columns => ({
  ...{ from: new Int32Array(count), to: new Int32Array(count), cost: new Float64Array(count) },
  ...{ signal: new Uint8Array(count), processor: new Uint8Array(count) },
  ...{ edge: new Int32Array(count), normal: new Int32Array(count) },
  ...{ knob: new Int32Array(count), value: new Int32Array(count), cord: new Int32Array(count) },
});

/**
 * Collects arcs in typed arrays: a facility has a hundred thousand crosspoints, every routing collects
 * them, and an object for each would cost more than the search.
 */
export class ArcList {
  private readonly columns: Columns;
  private count = 0;

  /**
   * @param laneMedium number of the medium of each lane.
   * @param most arcs there may be.
   */
  constructor(
    private readonly laneMedium: Uint8Array,
    most: number,
  ) {
    this.columns = columnsFor(most);
  }

  add(arc: NewArc): void {
    const { columns, count } = this;
    columns.from[count] = arc.from;
    columns.to[count] = arc.to;
    columns.cost[count] = arc.cost;
    columns.signal[count] = arc.copper ? ANY_MEDIUM : (this.laneMedium[arc.to] ?? ANY_MEDIUM);
    columns.processor[count] = arc.processor === true ? 1 : 0;
    columns.edge[count] = arc.edge ?? NONE;
    columns.normal[count] = arc.normal ?? NONE;
    columns.knob[count] = arc.knob ?? NONE;
    columns.value[count] = arc.value ?? NONE;
    columns.cord[count] = arc.cord ?? NONE;
    this.count += 1;
  }

  /** The arcs, sorted by the lane they leave. */
  arcs(): Arcs {
    const { columns: given, count } = this;
    const { start, edge: order } = adjacency(this.laneMedium.length, given.from.subarray(0, count));
    const columns = columnsFor(count);
    for (let at = 0; at < count; at++) {
      const arc = order[at] ?? NONE;
      columns.from[at] = given.from[arc] ?? NONE;
      columns.to[at] = given.to[arc] ?? NONE;
      columns.cost[at] = given.cost[arc] ?? 0;
      columns.signal[at] = given.signal[arc] ?? ANY_MEDIUM;
      columns.processor[at] = given.processor[arc] ?? 0;
      columns.edge[at] = given.edge[arc] ?? NONE;
      columns.normal[at] = given.normal[arc] ?? NONE;
      columns.knob[at] = given.knob[arc] ?? NONE;
      columns.value[at] = given.value[arc] ?? NONE;
      columns.cord[at] = given.cord[arc] ?? NONE;
    }
    return { start, ...columns };
  }
}
