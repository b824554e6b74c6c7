/**
 * Binary heap of integer states by cost, for the path search. Equal costs come out lowest state first,
 * so that the search is deterministic. Stale entries are the caller's to skip.
 */
export class MinHeap {
  private readonly states: number[] = [];
  private readonly costs: number[] = [];

  get size(): number {
    return this.states.length;
  }

  push(state: number, cost: number): void {
    let at = this.states.length;
    this.states.push(state);
    this.costs.push(cost);
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (!this.before(at, parent)) break;
      this.swap(at, parent);
      at = parent;
    }
  }

  /** Takes the cheapest entry. The heap must not be empty. */
  pop(): { state: number; cost: number } {
    const top = { state: this.states[0] ?? -1, cost: this.costs[0] ?? Infinity };
    const last = this.states.length - 1;
    this.swap(0, last);
    this.states.pop();
    this.costs.pop();
    this.sink(0);
    return top;
  }

  private sink(from: number): void {
    let at = from;
    for (;;) {
      let least = at;
      for (const child of [2 * at + 1, 2 * at + 2])
        if (child < this.states.length && this.before(child, least)) least = child;
      if (least === at) return;
      this.swap(at, least);
      at = least;
    }
  }

  private before(a: number, b: number): boolean {
    const difference = (this.costs[a] ?? 0) - (this.costs[b] ?? 0);
    return difference < 0 || (difference === 0 && (this.states[a] ?? 0) < (this.states[b] ?? 0));
  }

  private swap(a: number, b: number): void {
    const [state, cost] = [this.states[a] ?? -1, this.costs[a] ?? 0];
    this.states[a] = this.states[b] ?? -1;
    this.costs[a] = this.costs[b] ?? 0;
    this.states[b] = state;
    this.costs[b] = cost;
  }
}
