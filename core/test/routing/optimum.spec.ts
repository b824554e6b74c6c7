import * as highsModule from 'highs';
import { prepare } from '@ft/core/routing/prepare';
import { route } from '@ft/core/routing/route';
import { UNROUTED_POINTS } from '@ft/core/routing/solve/board';
import { newCordPoints, weightsOf } from '@ft/core/routing/costs';
import { firstScene } from '../fixtures/studioOf';
import { programOf } from './ilpOptimum';
import { randomRouting } from './randomRouting';
import { faultsOf } from './validRouting';

type Highs = Awaited<ReturnType<typeof highsModule.default>>;
type Loader = typeof highsModule.default;

/** The package is a function at the bottom of one or two defaults, by how it is loaded. */
function loaderOf(module: unknown): Loader {
  let at: unknown = module;
  while (typeof at !== 'function') at = (at as { default: unknown }).default;
  return at as Loader;
}

/** Rigs compared in every run of the suite; FT_RIGS=200 compares as many as the README speaks of. */
const RIGS = Number(process.env['FT_RIGS'] ?? 40);
const FIRST_SEED = 1;
/** Differences below this are rounding. */
const TINY = 0.5;

let highs: Highs;
beforeAll(async () => {
  highs = await loaderOf(highsModule)();
});

interface Cost {
  readonly unrouted: number;
  readonly points: number;
}

function exact(seed: number): Cost {
  const studio = randomRouting(seed);
  const { session, scene } = firstScene(studio);
  const { space, items } = prepare(studio.rig, session, scene, undefined);
  const { text, points, dropped } = programOf(space, items);
  const solution = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 1e-7 });
  expect(`${String(seed)} ${solution.Status}`).toBe(`${String(seed)} Optimal`);
  const on = (name: string): boolean => {
    const column = solution.Columns[name];
    return column !== undefined && 'Primal' in column && column.Primal > 0.5;
  };
  const sum = [...points].reduce((total, [name, each]) => total + (on(name) ? each : 0), 0);
  const unrouted = dropped.reduce(
    (count, name, i) => count + (on(name) ? (items[i]?.demands.length ?? 1) : 0),
    0,
  );
  return { unrouted, points: sum };
}

function ours(seed: number): Cost & { readonly faults: readonly string[] } {
  const studio = randomRouting(seed);
  const { session, scene } = firstScene(studio);
  const routing = route(studio.rig, session, scene);
  const unrouted = Math.round(routing.cost / UNROUTED_POINTS);
  return { unrouted, points: routing.cost - unrouted * UNROUTED_POINTS, faults: faultsOf(studio, routing) };
}

describe('all threads together, against the exact optimum of an integer program (HiGHS)', () => {
  const seeds = Array.from({ length: RIGS }, (_, i) => FIRST_SEED + i);
  const cord = newCordPoints(weightsOf(firstScene(randomRouting(1)).session.routing), 10);
  let results: { seed: number; ours: ReturnType<typeof ours>; exact: Cost }[] = [];
  beforeAll(() => {
    results = seeds.map((seed) => ({ seed, ours: ours(seed), exact: exact(seed) }));
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
