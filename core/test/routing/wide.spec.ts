import { prepare } from '@ft/core/routing/prepare';
import { Board } from '@ft/core/routing/solve/board';
import { seedsFrom1 } from '../fixtures/seeds';
import { firstScene } from '../fixtures/studioOf';
import type { Highs } from './againstOptimum';
import { leastPoints, loadHighs } from './againstOptimum';
import { faultsOf } from './validRouting';
import { route } from '@ft/core/routing/route';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Parts } from '../fixtures/studioOf';
import { cordsIn, from, outcomeOf, routed, studio } from './lineRig';
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

describe('a pair of which one side has broken', () => {
  const pair: Parts['threads'] = [from(1), from(2, { link: { lead: 'thread-1', place: 2 } })];
  const patched = (faults: string[]): Studio =>
    studio({
      threads: pair,
      faults,
      cords: [
        { from: 'mic-1/out/1', to: 'panel/jack-3/1', stock: 'mic', thread: 'thread-1' },
        { from: 'mic-2/out/1', to: 'panel/jack-4/1', stock: 'mic', thread: 'thread-2' },
      ],
    });

  it('gets it back beside the other, which stays where it is', () => {
    const routing = routed(patched(['panel/jack-4/1']));
    expect(cordsIn(routing)).toContain('mic-1/out/1 → panel/jack-3/1');
    expect(outcomeOf(routing, 'thread-1')).toMatchObject({ routed: true, kept: true });
    expect(outcomeOf(routing, 'thread-2')).toMatchObject({ routed: true, kept: false });
  });

  it('keeps the other running where there is no way for it', () => {
    const dead = [1, 2, 4].map((n) => `panel/jack-${String(n)}/1`);
    const routing = routed(patched(dead));
    expect(cordsIn(routing)).toEqual(['mic-1/out/1 → panel/jack-3/1']);
    expect(outcomeOf(routing, 'thread-1')).toMatchObject({ routed: true, kept: true });
    expect(outcomeOf(routing, 'thread-2')).toMatchObject({ routed: false });
  });

  it('keeps it while another line is routed alone', () => {
    const { rig, sessions } = patched(['panel/jack-4/1']);
    const [session] = sessions as [Studio['sessions'][number]];
    const late = {
      ...session.threads[0]!,
      ...{ id: 'thread-3' as never, number: 3, from: 'mic-3/out/1' as never },
      pins: { 'room-jack': 'panel/line-3' as never },
    };
    const threads = [...session.threads, late];
    const only = { only: ['thread-3' as never], mode: 'stay' } as const;
    const routing = route(rig, { ...session, threads }, session.scenes[0]!, only);
    expect(cordsIn(routing)).toContain('mic-1/out/1 → panel/jack-3/1');
    expect(outcomeOf(routing, 'thread-3')).toMatchObject({ routed: false });
  });

  it('is not stopped for one that comes new', () => {
    const { rig, sessions } = patched([1, 2, 4].map((n) => `panel/jack-${String(n)}/1`));
    const [session] = sessions as [Studio['sessions'][number]];
    const late = {
      ...session.threads[0]!,
      id: 'thread-3' as never,
      number: 3,
      from: 'mic-3/out/1' as never,
    };
    const threads = [late, ...session.threads];
    const routing = route(rig, { ...session, threads }, session.scenes[0]!);
    expect(cordsIn(routing)).toEqual(['mic-1/out/1 → panel/jack-3/1']);
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
