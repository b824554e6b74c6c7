/** No state, no edge. */
export const NONE = -1;

/**
 * Cost and way back of every state. Kept between runs and told apart by the number of the run that
 * wrote an entry, so that a search costs what it reaches and not what it might have reached.
 */
export class SearchLedger {
  private run = 0;
  private written = new Int32Array(0);
  private costs = new Float64Array(0);
  private froms = new Int32Array(0);
  private bys = new Int32Array(0);

  begin(states: number): void {
    this.run++;
    if (states <= this.written.length) return;
    this.written = new Int32Array(states);
    this.costs = new Float64Array(states);
    this.froms = new Int32Array(states);
    this.bys = new Int32Array(states);
  }

  cost(state: number): number {
    return this.written[state] === this.run ? (this.costs[state] ?? Infinity) : Infinity;
  }

  /** The state an own state was reached from, or NONE. */
  from(state: number): number {
    return this.froms[state] ?? NONE;
  }

  /** The edge it was reached by, or NONE for a cord. */
  by(state: number): number {
    return this.bys[state] ?? NONE;
  }

  write(state: number, cost: number, from: number, by: number): void {
    this.written[state] = this.run;
    this.costs[state] = cost;
    this.froms[state] = from;
    this.bys[state] = by;
  }
}
