import type { Edge, SignalGraph } from '../graph/signalGraph';
import type { StockId } from '../rig/ids';

/** Interchangeable cords of one kind in one room: any output jack that fits can reach any input jack that fits. */
export interface CordHub {
  readonly stock: StockId;
  readonly costPerCord: number;
  readonly inputs: readonly number[];
}

/** What a search may use, and what it pays. A cost of Infinity forbids. */
export interface SearchSpace {
  readonly graph: SignalGraph;
  readonly edgeCost: (edge: Edge) => number;
  /** Cost of putting a plug into a jack. */
  readonly plugCost: (lane: number) => number;
  /** Hubs that a cord from this output jack can reach, as indices into `hubs`. */
  readonly hubsFrom: (lane: number) => readonly number[];
  readonly hubs: readonly CordHub[];
}
