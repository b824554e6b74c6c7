import * as highsModule from 'highs';
import { prepare } from '@ft/core/routing/prepare';
import { route } from '@ft/core/routing/route';
import { Board, UNROUTED_POINTS } from '@ft/core/routing/solve/board';
import type { Item } from '@ft/core/routing/solve/demand';
import type { RoutingSpace } from '@ft/core/routing/space/routingSpace';
import { firstScene } from '../fixtures/studioOf';
import { programOf } from './ilpOptimum';
import { randomRouting } from './randomRouting';
import { faultsOf } from './validRouting';

type Loader = typeof highsModule.default;
export type Highs = Awaited<ReturnType<Loader>>;

/** The solver. The package is a function at the bottom of one or two defaults, by how it is loaded. */
export function loadHighs(): Promise<Highs> {
  let at: unknown = highsModule;
  while (typeof at !== 'function') at = (at as { default: unknown }).default;
  return (at as Loader)();
}

/** Threads without a way, and the points of all others. */
export interface Cost {
  readonly unrouted: number;
  readonly points: number;
}

const split = (total: number): Cost => {
  const unrouted = Math.round(total / UNROUTED_POINTS);
  return { unrouted, points: total - unrouted * UNROUTED_POINTS };
};

/** The best an integer program finds for a random rig, and whether it has proven that nothing is better. */
export interface Optimum extends Cost {
  readonly proven: boolean;
}

/** Seconds after which a program is ended with the best it has found. */
const MOST_SECONDS = 30;

/** The best there is for a random rig, by integer programming, or the best found until the time was over. */
export function exactOptimum(highs: Highs, seed: number): Optimum {
  const studio = randomRouting(seed);
  const { session, scene } = firstScene(studio);
  const { space, items } = prepare(studio.rig, session, scene, undefined);
  const { text, points, dropped } = programOf(space, items);
  const solution = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 1e-7, time_limit: MOST_SECONDS });
  if (solution.Status !== 'Optimal' && solution.Status !== 'Time limit reached')
    throw new Error(`seed ${String(seed)}: ${solution.Status}`);
  const on = (name: string): boolean => {
    const column = solution.Columns[name];
    return column !== undefined && 'Primal' in column && column.Primal > 0.5;
  };
  return {
    proven: solution.Status === 'Optimal',
    points: [...points].reduce((total, [name, each]) => total + (on(name) ? each : 0), 0),
    unrouted: dropped.reduce((count, name, i) => count + (on(name) ? (items[i]?.demands.length ?? 1) : 0), 0),
  };
}

/** The points of some items alone, by integer programming; one without a way counts as on a board. */
export function leastPoints(highs: Highs, space: RoutingSpace, items: readonly Item[]): number {
  const { text, points, dropped } = programOf(space, items);
  const { Columns } = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 1e-7 });
  const on = (name: string): boolean => {
    const column = Columns[name];
    return column !== undefined && 'Primal' in column && column.Primal > 0.5;
  };
  const left = dropped.reduce((sum, name, i) => sum + (on(name) ? (items[i]?.demands.length ?? 1) : 0), 0);
  return [...points].reduce((sum, [name, each]) => sum + (on(name) ? each : 0), left * UNROUTED_POINTS);
}

/** What the router finds for a random rig, and what does not hold in it. */
export function routedRandom(seed: number): Cost & { readonly faults: readonly string[] } {
  const studio = randomRouting(seed);
  const { session, scene } = firstScene(studio);
  const routing = route(studio.rig, session, scene);
  return { ...split(routing.cost), faults: faultsOf(studio, routing) };
}

/** One thread of a random rig after another, each by its shortest path around those before. */
export function oneByOneRandom(seed: number): Cost {
  const studio = randomRouting(seed);
  const { session, scene } = firstScene(studio);
  const { space, items } = prepare(studio.rig, session, scene, undefined);
  const board = new Board(space, items);
  for (const item of items.keys()) board.set(item, board.find(item));
  return split(board.total());
}
