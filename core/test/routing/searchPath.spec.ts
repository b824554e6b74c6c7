import fc from 'fast-check';
import type { SignalGraph } from '@ft/core/graph/signalGraph';
import type { Medium } from '@ft/core/rig/medium';
import { searchPath } from '@ft/core/routing/searchPath';
import type { Waypoint } from '@ft/core/routing/waypoints';
import { graphFrom } from '../fixtures/graphFrom';

const LANES = 12;
const MEDIA: readonly Medium[] = ['any', 'any', 'any', 'mic', 'line'];

interface Puzzle {
  readonly links: readonly (readonly [number, number])[];
  readonly media: readonly number[];
  readonly goals: readonly (readonly number[])[];
}

const lane = fc.nat({ max: LANES - 1 });
const puzzle: fc.Arbitrary<Puzzle> = fc.record({
  links: fc.array(fc.tuple(lane, lane), { maxLength: 40 }),
  media: fc.array(fc.nat({ max: MEDIA.length - 1 }), { minLength: LANES, maxLength: LANES }),
  goals: fc.array(fc.uniqueArray(lane, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 3 }),
});

const mediumOf = ({ media }: Puzzle, index: number): Medium => MEDIA[media[index]!]!;
const graphOf = (it: Puzzle): SignalGraph => graphFrom(LANES, it.links, (index) => mediumOf(it, index));
const waypoints = ({ goals }: Puzzle): readonly Waypoint[] =>
  goals.map((lanes) => ({ role: 'preamp', lanes: new Set(lanes) }));

/**
 * The obvious twin: relaxes every step of every state until nothing gets shorter. A state is the
 * waypoints passed, the kind of signal, and the lane.
 */
function slowLength(it: Puzzle, start: number): number {
  const best = new Map<string, number>();
  let open: (readonly [number, Medium, number, number])[] = [];
  const arrive = (passed: number, signal: Medium, at: number, length: number): void => {
    const own = mediumOf(it, at);
    if (own !== 'any' && own !== signal) return;
    const next = it.goals[passed]?.includes(at) === true ? passed + 1 : passed;
    const key = `${String(next)} ${signal} ${String(at)}`;
    if (length >= (best.get(key) ?? Infinity)) return;
    best.set(key, length);
    open.push([next, signal, at, length]);
  };
  arrive(0, mediumOf(it, start), start, 0);
  while (open.length > 0) {
    const now = open;
    open = [];
    for (const [passed, signal, at, length] of now)
      if (passed < it.goals.length)
        for (const [from, to] of it.links) if (from === at) arrive(passed, signal, to, length + 1);
  }
  const ends = [...best].filter(([key]) => key.startsWith(`${String(it.goals.length)} `));
  return Math.min(Infinity, ...ends.map(([, length]) => length));
}

const run = (it: Puzzle, start: number): ReturnType<typeof searchPath> =>
  searchPath(graphOf(it), () => true, start, waypoints(it));

describe('the path search', () => {
  it('finds what the obvious search finds, on random graphs with media and waypoints', () => {
    fc.assert(
      fc.property(puzzle, lane, (it, start) => {
        const result = run(it, start);
        expect(result.found ? result.path.length : Infinity).toBe(slowLength(it, start));
      }),
      { numRuns: 500 },
    );
  });

  it('gives edges that join and pass the waypoints in order', () => {
    fc.assert(
      fc.property(puzzle, lane, (it, start) => {
        const result = run(it, start);
        fc.pre(result.found);
        let at = start;
        let passed = it.goals[0]!.includes(start) ? 1 : 0;
        for (const { from, to } of result.path) {
          expect(from).toBe(at);
          at = to;
          if (it.goals[passed]?.includes(at) === true) passed++;
        }
        expect(passed).toBe(it.goals.length);
      }),
      { numRuns: 300 },
    );
  });

  it('keeps off what does not conduct', () => {
    fc.assert(
      fc.property(puzzle, lane, fc.nat({ max: 40 }), (it, start, dead) => {
        const result = searchPath(graphOf(it), ({ index }) => index !== dead, start, waypoints(it));
        expect(result.path.some(({ index }) => index === dead)).toBe(false);
      }),
      { numRuns: 100 },
    );
  });

  it('says the same twice', () => {
    fc.assert(
      fc.property(puzzle, lane, (it, start) => {
        expect(run(it, start)).toEqual(run(it, start));
      }),
      { numRuns: 50 },
    );
  });
});
