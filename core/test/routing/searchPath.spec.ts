import fc from 'fast-check';
import type { StockId } from '@ft/core/rig/ids';
import type { Medium } from '@ft/core/rig/medium';
import type { SearchSpace } from '@ft/core/routing/searchSpace';
import { searchPath } from '@ft/core/routing/searchPath';
import type { Waypoint } from '@ft/core/routing/waypoints';
import { graphFrom } from '../fixtures/graphFrom';

const LANES = 12;
const MEDIA: readonly Medium[] = ['any', 'any', 'any', 'mic', 'line'];

interface Puzzle {
  readonly links: readonly (readonly [number, number, number])[];
  readonly plugs: readonly number[];
  readonly hubs: readonly { readonly inputs: readonly number[]; readonly cost: number }[];
  readonly hubOf: readonly number[];
  readonly media: readonly number[];
  readonly goals: readonly (readonly number[])[];
}

const lane = fc.nat({ max: LANES - 1 });
const puzzle: fc.Arbitrary<Puzzle> = fc.record({
  links: fc.array(fc.tuple(lane, lane, fc.nat({ max: 9 })), { maxLength: 30 }),
  plugs: fc.array(fc.nat({ max: 5 }), { minLength: LANES, maxLength: LANES }),
  hubs: fc.array(
    fc.record({ inputs: fc.uniqueArray(lane, { maxLength: 4 }), cost: fc.integer({ min: 1, max: 9 }) }),
    { minLength: 2, maxLength: 2 },
  ),
  hubOf: fc.array(fc.integer({ min: -1, max: 1 }), { minLength: LANES, maxLength: LANES }),
  media: fc.array(fc.nat({ max: MEDIA.length - 1 }), { minLength: LANES, maxLength: LANES }),
  goals: fc.array(fc.uniqueArray(lane, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 3 }),
});

const mediumOf = ({ media }: Puzzle, index: number): Medium => MEDIA[media[index]!]!;

function spaceOf(it: Puzzle): SearchSpace {
  const graph = graphFrom(
    LANES,
    it.links.map(([from, to]) => [from, to]),
    (index) => mediumOf(it, index),
  );
  return {
    graph,
    edgeCost: (edge) => it.links[edge.index]![2],
    plugCost: (index) => it.plugs[index]!,
    hubs: it.hubs.map(({ inputs, cost }) => ({ stock: 'cord' as StockId, costPerCord: cost, inputs })),
    hubsFrom: (index) => (it.hubOf[index]! < 0 ? [] : [it.hubOf[index]!]),
  };
}

/**
 * The obvious twin: relaxes every step of every state until nothing gets cheaper. A state is the
 * waypoints passed, the kind of signal, and the lane.
 */
function slowCost(it: Puzzle, start: number): number {
  const best = new Map<string, number>();
  let open: (readonly [number, Medium, number, number])[] = [];
  const arrive = (passed: number, signal: Medium, at: number, cost: number): void => {
    const own = mediumOf(it, at);
    if (own !== 'any' && own !== signal) return;
    const next = it.goals[passed]?.includes(at) === true ? passed + 1 : passed;
    const key = `${String(next)} ${signal} ${String(at)}`;
    if (cost >= (best.get(key) ?? Infinity)) return;
    best.set(key, cost);
    open.push([next, signal, at, cost]);
  };
  arrive(0, mediumOf(it, start), start, 0);
  while (open.length > 0) {
    const now = open;
    open = [];
    for (const [passed, signal, at, cost] of now) {
      if (passed === it.goals.length) continue;
      for (const [from, to, price] of it.links) if (from === at) arrive(passed, signal, to, cost + price);
      const hub = it.hubs[it.hubOf[at]!];
      for (const to of hub?.inputs ?? [])
        arrive(passed, signal, to, cost + it.plugs[at]! + hub!.cost + it.plugs[to]!);
    }
  }
  const ends = [...best].filter(([key]) => key.startsWith(`${String(it.goals.length)} `));
  return Math.min(Infinity, ...ends.map(([, cost]) => cost));
}

const waypoints = ({ goals }: Puzzle): readonly Waypoint[] =>
  goals.map((lanes) => ({ role: 'preamp', lanes: new Set(lanes) }));

describe('the path search', () => {
  it('costs what the obvious search costs, on random graphs with cords, media and waypoints', () => {
    fc.assert(
      fc.property(puzzle, lane, (it, start) => {
        const result = searchPath(spaceOf(it), start, waypoints(it));
        expect(result.found ? result.cost : Infinity).toBe(slowCost(it, start));
      }),
      { numRuns: 500 },
    );
  });

  it('gives hops that join, pass the waypoints in order, and cost what it says', () => {
    fc.assert(
      fc.property(puzzle, lane, (it, start) => {
        const space = spaceOf(it);
        const result = searchPath(space, start, waypoints(it));
        fc.pre(result.found);
        let at = start;
        let passed = it.goals[0]!.includes(start) ? 1 : 0;
        let cost = 0;
        for (const hop of result.hops) {
          const [from, to] = hop.kind === 'edge' ? [hop.edge.from, hop.edge.to] : [hop.from, hop.to];
          expect(from).toBe(at);
          cost +=
            hop.kind === 'edge'
              ? it.links[hop.edge.index]![2]
              : it.plugs[from]! + it.hubs[it.hubOf[from]!]!.cost + it.plugs[to]!;
          at = to;
          if (it.goals[passed]?.includes(at) === true) passed++;
        }
        expect(passed).toBe(it.goals.length);
        expect(cost).toBe(result.cost);
      }),
      { numRuns: 300 },
    );
  });

  it('says the same twice', () => {
    fc.assert(
      fc.property(puzzle, lane, (it, start) => {
        const run = (): unknown => searchPath(spaceOf(it), start, waypoints(it));
        expect(run()).toEqual(run());
      }),
      { numRuns: 50 },
    );
  });
});
