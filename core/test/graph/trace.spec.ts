import fc from 'fast-check';
import { DirectedGraph } from 'graphology';
import { pathsOf, MOST_PATHS } from '@ft/core/graph/paths';
import { trace } from '@ft/core/graph/trace';
import type { Link } from '../fixtures/graphFrom';
import { graphFrom } from '../fixtures/graphFrom';

const LANES = 24;
const lane = fc.integer({ min: 0, max: LANES - 1 });
const links = fc.array(fc.tuple(lane, lane, fc.boolean()), { maxLength: 60 });

/** What a lane reaches in a graphology graph of the same conducting edges: its own breadth-first search. */
function reachedByReference(
  all: readonly Link[],
  start: number,
  direction: 'from' | 'to',
): readonly number[] {
  const graph = new DirectedGraph();
  for (let node = 0; node < LANES; node++) graph.addNode(node);
  for (const [from, to, closed] of all) if (closed === true) graph.mergeDirectedEdge(from, to);
  const seen = new Set<string>();
  const queue = [String(start)];
  while (queue.length > 0) {
    const node = queue.shift()!;
    if (seen.has(node)) continue;
    seen.add(node);
    queue.push(...(direction === 'from' ? graph.outNeighbors(node) : graph.inNeighbors(node)));
  }
  return [...seen].map(Number).sort((a, b) => a - b);
}

describe('trace', () => {
  it.each(['from', 'to'] as const)(
    '%s reaches what a graph library reaches, on random graphs',
    (direction) => {
      fc.assert(
        fc.property(links, lane, (all, start) => {
          const { lanes } = trace(graphFrom(LANES, all), start, direction);
          expect([...lanes].sort((a, b) => a - b)).toEqual(reachedByReference(all, start, direction));
        }),
        { numRuns: 300 },
      );
    },
  );

  it('reaches backwards exactly what reaches it forwards', () => {
    fc.assert(
      fc.property(links, lane, lane, (all, a, b) => {
        const graph = graphFrom(LANES, all);
        expect(trace(graph, a, 'from').lanes.includes(b)).toBe(trace(graph, b, 'to').lanes.includes(a));
      }),
    );
  });

  it('names mults and ends', () => {
    const graph = graphFrom(5, [
      [0, 1],
      [1, 2],
      [1, 3],
      [3, 4, false],
    ]);
    expect(trace(graph, 0, 'from')).toMatchObject({ mults: [1], ends: [2, 3] });
  });
});

describe('paths', () => {
  it('lists every way of a diamond', () => {
    const { paths, loops, cut } = pathsOf(
      graphFrom(4, [
        [0, 1],
        [0, 2],
        [1, 3],
        [2, 3],
      ]),
      0,
      'from',
    );
    expect(paths.map((path) => path.map(({ to }) => to))).toEqual([
      [1, 3],
      [2, 3],
    ]);
    expect(loops).toEqual([]);
    expect(cut).toBe(false);
  });

  it('gives backward paths in signal order', () => {
    const { paths } = pathsOf(
      graphFrom(3, [
        [0, 1],
        [1, 2],
      ]),
      2,
      'to',
    );
    expect(paths.map((path) => path.map(({ from, to }) => [from, to]))).toEqual([
      [
        [0, 1],
        [1, 2],
      ],
    ]);
  });

  it('names the edge that closes a loop, and stops there', () => {
    const graph = graphFrom(3, [
      [0, 1],
      [1, 2],
      [2, 1],
    ]);
    const { paths, loops } = pathsOf(graph, 0, 'from');
    expect(paths).toHaveLength(1);
    expect(loops.map(({ from, to }) => [from, to])).toEqual([[2, 1]]);
  });

  it('says when there are more paths than it lists', () => {
    // Nine diamonds in a row: 512 ways.
    const all: Link[] = Array.from({ length: 9 }, (_, i) => i * 3).flatMap((at): Link[] => [
      [at, at + 1],
      [at, at + 2],
      [at + 1, at + 3],
      [at + 2, at + 3],
    ]);
    const { paths, cut } = pathsOf(graphFrom(28, all), 0, 'from');
    expect(paths).toHaveLength(MOST_PATHS);
    expect(cut).toBe(true);
  });
});
