import { newCordPoints, weightsOf } from '@ft/core/routing/costs';
import { firstScene } from '../fixtures/studioOf';
import type { Highs, Optimum } from './againstOptimum';
import { exactOptimum, loadHighs, routedRandom } from './againstOptimum';
import { seedCount } from '../fixtures/seeds';
import { randomRouting } from './randomRouting';

/** Rigs compared in every run of the suite, and as many as the README speaks of in the bench. */
const RIGS = seedCount(4, 1000);
const FIRST_SEED = 1;
/** Differences below this are rounding. */
const TINY = 0.5;

let highs: Highs;
beforeAll(async () => {
  highs = await loadHighs();
});

/** Rigs where a thread once was shown on the input of another, or a side of a wide one away from its other side. */
const KEPT = [72, 74, 136, 171, 189, 190, 199, 342, 428, 807].slice(0, seedCount(3, 10));

describe('threads that could end in several places', () => {
  it.each(KEPT)('rig %d: run as they were routed, each to its own end', (seed) => {
    expect(routedRandom(seed).faults).toEqual([]);
  });
});

describe('all threads together, against the exact optimum of an integer program (HiGHS)', () => {
  const seeds = Array.from({ length: RIGS }, (_, i) => FIRST_SEED + i);
  const cord = newCordPoints(weightsOf(firstScene(randomRouting(1)).session.routing), 10);
  let results: { seed: number; ours: ReturnType<typeof routedRandom>; exact: Optimum }[] = [];
  beforeAll(() => {
    results = seeds.map((seed) => ({ seed, ours: routedRandom(seed), exact: exactOptimum(highs, seed) }));
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

  it('costs as little in 99 of 100, and at most a cord more in the rest', () => {
    const alike = results.filter(({ ours: mine, exact: best }) => mine.unrouted === best.unrouted);
    const proven = alike.filter(({ exact: best }) => best.proven);
    const dearer = alike.filter(({ ours: mine, exact: best }) => mine.points > best.points + TINY);
    expect(
      proven
        .filter(({ ours: mine, exact: best }) => mine.points < best.points - TINY)
        .map(({ seed }) => seed),
    ).toEqual([]);
    expect(dearer.length / alike.length).toBeLessThanOrEqual(0.01);
    expect(
      dearer
        .filter(({ ours: mine, exact: best }) => mine.points > best.points + cord + TINY)
        .map(({ seed }) => seed),
    ).toEqual([]);
  });
});
