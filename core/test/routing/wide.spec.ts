import { prepare } from '@ft/core/routing/prepare';
import { Board } from '@ft/core/routing/solve/board';
import { seedsFrom1 } from '../fixtures/seeds';
import { firstScene } from '../fixtures/studioOf';
import type { Highs } from './againstOptimum';
import { leastPoints, loadHighs } from './againstOptimum';
import { faultsOf } from './validRouting';
import { route } from '@ft/core/routing/route';
import { randomRouting } from './randomRouting';

let highs: Highs;
beforeAll(async () => {
  highs = await loadHighs();
});

describe('a wide thread with nobody else about', () => {
  // Seeds of which about a third have one.
  const seeds = seedsFrom1(60, 1000);

  it('costs what an integer program finds: all slots, and either side before the other (HiGHS)', () => {
    let compared = 0;
    const differ = seeds.flatMap((seed) => {
      const studio = randomRouting(seed);
      const { session, scene } = firstScene(studio);
      const { space, items } = prepare(studio.rig, session, scene, undefined);
      return items
        .filter(({ slots }) => slots !== undefined)
        .flatMap((item) => {
          const board = new Board(space, [item]);
          board.set(0, board.find(0));
          const [ours, best] = [board.total(), leastPoints(highs, space, [item])];
          compared++;
          return Math.abs(ours - best) < 0.5 ? [] : [{ seed, ours, best }];
        });
    });
    expect(differ).toEqual([]);
    expect(compared).toBeGreaterThan(seeds.length / 5);
  });
});

describe('a pair that has one way only', () => {
  it.each([257, 605, 818])('rig %d: is not left out', (seed) => {
    const studio = randomRouting(seed);
    const { session, scene } = firstScene(studio);
    const routing = route(studio.rig, session, scene);
    expect(faultsOf(studio, routing)).toEqual([]);
    expect(routing.outcomes.filter(({ routed }) => !routed)).toHaveLength({ 257: 2, 605: 2, 818: 1 }[seed]!);
  });
});
