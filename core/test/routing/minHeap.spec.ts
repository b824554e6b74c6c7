import fc from 'fast-check';
import { MinHeap } from '@ft/core/routing/minHeap';

const entry = fc.record({ state: fc.nat({ max: 50 }), cost: fc.nat({ max: 10 }) });

describe('the heap of the path search', () => {
  it('gives entries by cost, equal costs by state', () => {
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 60 }), (entries) => {
        const heap = new MinHeap();
        for (const { state, cost } of entries) heap.push(state, cost);
        const out: { state: number; cost: number }[] = [];
        while (heap.size > 0) {
          const cost = heap.leastCost;
          out.push({ state: heap.pop(), cost });
          expect(heap.lastCost).toBe(cost);
        }
        expect(out).toEqual([...entries].sort((a, b) => a.cost - b.cost || a.state - b.state));
      }),
    );
  });
});
