import { newCordPoints, weightsOf } from '@ft/core/routing/costs';
import { firstScene } from '../fixtures/studioOf';
import type { Cost, Highs } from './againstOptimum';
import { exactOptimum, loadHighs, routedRandom } from './againstOptimum';
import { seedCount } from '../fixtures/seeds';
import { randomRouting } from './randomRouting';

/** Rigs compared in every run of the suite, and as many as the README speaks of in the bench. */
const RIGS = seedCount(8, 200);
const FIRST_SEED = 1;
/** Differences below this are rounding. */
const TINY = 0.5;

let highs: Highs;
beforeAll(async () => {
  highs = await loadHighs();
});

function exact(seed: number): Cost {
  const best = exactOptimum(highs, seed);
  if (typeof best === 'string') throw new Error(`seed ${String(seed)}: ${best}`);
  return best;
}

/** Rigs where a thread once was shown on the input of another of the same source. */
const KEPT = [72, 74, 136, 171, 189, 190, 199];

describe('threads of one source', () => {
  it.each(KEPT)('rig %d: run as they were routed, each to its own end', (seed) => {
    expect(routedRandom(seed).faults).toEqual([]);
  });
});

describe('all threads together, against the exact optimum of an integer program (HiGHS)', () => {
  const seeds = Array.from({ length: RIGS }, (_, i) => FIRST_SEED + i);
  const cord = newCordPoints(weightsOf(firstScene(randomRouting(1)).session.routing), 10);
  let results: { seed: number; ours: ReturnType<typeof routedRandom>; exact: Cost }[] = [];
  beforeAll(() => {
    results = seeds.map((seed) => ({ seed, ours: routedRandom(seed), exact: exact(seed) }));
  });

  it('is never invalid', () => {
    expect(
      results.flatMap(({ seed, ours: { faults } }) => faults.map((fault) => `${String(seed)}: ${fault}`)),
    ).toEqual([]);
  });

  it('routes everything wherever that is possible, and as many threads as can be where it is not', () => {
    expect(
      results.filter(({ ours: mine, exact: best }) => mine.unrouted > best.unrouted).map(({ seed }) => seed),
    ).toEqual([]);
    // The rigs are tight enough to be a test: some of them cannot take all their threads.
    expect(results.some(({ exact: best }) => best.unrouted > 0)).toBe(true);
    expect(results.some(({ exact: best }) => best.unrouted === 0)).toBe(true);
  });

  it('costs as little in 95 of 100, and less than a cord more in the rest', () => {
    const alike = results.filter(({ ours: mine, exact: best }) => mine.unrouted === best.unrouted);
    const dearer = alike.filter(({ ours: mine, exact: best }) => mine.points > best.points + TINY);
    expect(
      alike.filter(({ ours: mine, exact: best }) => mine.points < best.points - TINY).map(({ seed }) => seed),
    ).toEqual([]);
    expect(dearer.length / alike.length).toBeLessThanOrEqual(0.05);
    expect(
      dearer
        .filter(({ ours: mine, exact: best }) => mine.points > best.points + cord)
        .map(({ seed }) => seed),
    ).toEqual([]);
  });
});
