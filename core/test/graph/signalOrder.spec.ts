import { loopsOf } from '@ft/core/graph/loops';
import { signalOrder } from '@ft/core/graph/signalOrder';
import type { SignalGraph } from '@ft/core/graph/signalGraph';
import type { Link } from '../fixtures/graphFrom';
import { graphFrom } from '../fixtures/graphFrom';
import { seeded } from '../fixtures/seeded';

const randomGraph = (seed: number): SignalGraph => {
  const dice = seeded(seed);
  const lanes = 3 + dice.below(20);
  const links = Array.from({ length: dice.below(2 * lanes) }, (): Link => [
    dice.below(lanes),
    dice.below(lanes),
    dice.chance(0.9),
  ]);
  return graphFrom(lanes, links);
};

/** The slow twin: lanes nothing leads to are taken out until none is left; what stays is in loops. */
function hasLoop({ lanes, edges }: SignalGraph): boolean {
  let left = lanes.map(({ index }) => index);
  for (;;) {
    const stays = left.filter((lane) =>
      edges.some(({ from, to, closed }) => closed && to === lane && left.includes(from)),
    );
    if (stays.length === left.length) return left.length > 0;
    left = stays;
  }
}

describe('the order of signals', () => {
  it('has every lane once, before all it leads to, but for the edges that close loops', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const graph = randomGraph(seed);
      const { lanes, loopEdges } = signalOrder(graph);
      expect([...lanes].sort((a, b) => a - b)).toEqual(graph.lanes.map(({ index }) => index));
      const position = new Map([...lanes].map((lane, i) => [lane, i]));
      for (const { index, from, to, closed } of graph.edges)
        if (closed && !loopEdges.has(index)) expect(position.get(from)!).toBeLessThan(position.get(to)!);
      expect(loopEdges.size > 0).toBe(hasLoop(graph));
    }
  });
});

describe('loops', () => {
  const active = (graph: SignalGraph): SignalGraph => ({
    ...graph,
    edges: graph.edges.map((edge) => ({ ...edge, passive: false })),
  });

  it('are ways back to where they start', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const graph = active(randomGraph(seed));
      for (const loop of loopsOf(graph, signalOrder(graph).loopEdges))
        loop.forEach((edge, i) => {
          expect(edge.to).toBe((loop[i + 1] ?? loop[0])!.from);
        });
    }
  });

  it('of copper alone are none', () => {
    const graph = graphFrom(2, [
      [0, 1],
      [1, 0],
    ]);
    expect(loopsOf(graph, signalOrder(graph).loopEdges)).toEqual([]);
    expect(loopsOf(active(graph), [1])).toHaveLength(1);
  });
});
