/**
 * Binary heap of integer states by cost, for the path searches. Equal costs come out lowest state first,
 * so that searches are deterministic. Stale entries are the caller's to skip.
 */
export class MinHeap {
  private readonly states: number[] = [];
  private readonly costs: number[] = [];
  /** Cost of the entry that was taken last. */
  private taken = Infinity;

  get size(): number {
    return this.states.length;
  }

  /** Cost of the entry that comes next; Infinity where there is none. */
  get leastCost(): number {
    return this.costs[0] ?? Infinity;
  }

  get lastCost(): number {
    return this.taken;
  }

  push(state: number, cost: number): void {
    let at = this.states.length;
    this.states.push(state);
    this.costs.push(cost);
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (!this.comesFirst(cost, state, parent)) break;
      this.move(parent, at);
      at = parent;
    }
    this.states[at] = state;
    this.costs[at] = cost;
  }

  /** Takes the cheapest entry, whose cost is then `lastCost`. The heap must not be empty. */
  pop(): number {
    const top = this.states[0] ?? -1;
    this.taken = this.costs[0] ?? Infinity;
    const state = this.states.pop() ?? -1;
    const cost = this.costs.pop() ?? Infinity;
    if (this.states.length > 0) this.sink(state, cost);
    return top;
  }

  /** Puts an entry where it belongs, beginning at the top, which is free. */
  private sink(state: number, cost: number): void {
    const count = this.states.length;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= count) break;
      if (
        child + 1 < count &&
        this.comesFirst(this.costs[child + 1] ?? 0, this.states[child + 1] ?? 0, child)
      )
        child++;
      if (this.comesFirst(cost, state, child)) break;
      this.move(child, at);
      at = child;
    }
    this.states[at] = state;
    this.costs[at] = cost;
  }

  private comesFirst(cost: number, state: number, than: number): boolean {
    const other = this.costs[than] ?? 0;
    return cost < other || (cost === other && state < (this.states[than] ?? 0));
  }

  private move(from: number, to: number): void {
    this.states[to] = this.states[from] ?? -1;
    this.costs[to] = this.costs[from] ?? 0;
  }
}
