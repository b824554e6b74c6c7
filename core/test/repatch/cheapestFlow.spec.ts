import type { Pipe } from '@ft/core/repatch/cheapestFlow';
import { cheapestFlow } from '@ft/core/repatch/cheapestFlow';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';

const costOf = (pipes: readonly Pipe[], units: readonly number[]): number =>
  pipes.reduce((sum, { cost }, i) => sum + cost * units[i]!, 0);

/** The least cost of giving each row a column of its own, by trying every order. */
function leastAssignment(costs: readonly (readonly number[])[], free: readonly number[]): number {
  const [row, ...rest] = costs;
  if (row === undefined) return 0;
  return Math.min(
    ...free.map(
      (column) =>
        row[column]! +
        leastAssignment(
          rest,
          free.filter((other) => other !== column),
        ),
    ),
  );
}

describe('the cheapest flow', () => {
  it('is as large as it can be, and takes the dearer way only for what the cheaper one does not hold', () => {
    const pipes: Pipe[] = [
      { from: 0, to: 1, capacity: 2, cost: 1 },
      { from: 0, to: 2, capacity: 2, cost: 5 },
      { from: 1, to: 3, capacity: 1, cost: 1 },
      { from: 1, to: 2, capacity: 1, cost: 1 },
      { from: 2, to: 3, capacity: 2, cost: 1 },
    ];
    const units = cheapestFlow(4, pipes, 0, 3);
    expect(units).toEqual([2, 1, 1, 1, 2]);
    expect(costOf(pipes, units)).toBe(11);
  });

  it('takes back what it gave where that is cheaper: assignments against every order of them', () => {
    const size = 5;
    for (const seed of seedsFrom1(60, 2000)) {
      const { below } = seeded(seed);
      const costs = Array.from({ length: size }, () => Array.from({ length: size }, () => below(20)));
      const pipes: Pipe[] = [
        ...costs.flatMap((row, i) =>
          row.map((cost, k) => ({ from: 2 + i, to: 2 + size + k, capacity: 1, cost })),
        ),
        ...costs.map((_, i) => ({ from: 0, to: 2 + i, capacity: 1, cost: 0 })),
        ...costs.map((_, k) => ({ from: 2 + size + k, to: 1, capacity: 1, cost: 0 })),
      ];
      const units = cheapestFlow(2 + 2 * size, pipes, 0, 1);
      expect([seed, costOf(pipes, units)]).toEqual([seed, leastAssignment(costs, [0, 1, 2, 3, 4])]);
    }
  });

  it('carries nothing where no way leads', () => {
    expect(cheapestFlow(3, [{ from: 0, to: 1, capacity: 4, cost: 1 }], 0, 2)).toEqual([0]);
  });
});
