import { prepare } from '@ft/core/routing/prepare';
import { route } from '@ft/core/routing/route';
import { Board } from '@ft/core/routing/solve/board';
import type { Session } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { routingStudio } from './routingRig';

/** Runs of each, in turns. */
const ROUNDS = 9;

const median = (numbers: readonly number[]): number =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? NaN;

interface Result {
  readonly unrouted: number;
  /** Points of each thread that has a way. */
  readonly points: ReadonlyMap<string, number>;
  readonly ms: number;
}

function timed<T>(work: () => T): { readonly value: T; readonly ms: number } {
  const started = performance.now();
  const value = work();
  return { value, ms: performance.now() - started };
}

/** One thread after the other, each by its shortest path around those before: what most people do by hand. */
function oneByOne(studio: Studio): Result {
  const [session] = studio.sessions as [Session];
  const [scene] = session.scenes as [Session['scenes'][number]];
  const { value, ms } = timed(() => {
    const { space, items } = prepare(studio.rig, session, scene, undefined);
    const board = new Board(space, items);
    for (const item of items.keys()) board.set(item, board.find(item));
    return board;
  });
  const points = value.items.flatMap(({ demands }, item) =>
    demands.flatMap(({ thread }, side): [string, number][] => {
      const way = value.ways(item)?.[side];
      return way === undefined ? [] : [[thread, way.cost]];
    }),
  );
  const sides = value.items.reduce((sum, { demands }) => sum + demands.length, 0);
  return { unrouted: sides - points.length, points: new Map(points), ms };
}

function together(studio: Studio): Result & { readonly studio: Studio } {
  const [session] = studio.sessions as [Session];
  const [scene] = session.scenes as [Session['scenes'][number]];
  const { value, ms } = timed(() => route(studio.rig, session, scene));
  const settings = Object.fromEntries(
    Object.entries({ ...scene.settings, ...value.settings }).filter(([, each]) => each !== null),
  );
  const after = {
    ...session,
    scenes: [{ ...scene, cords: [...value.cords], settings: settings as typeof scene.settings }],
  };
  const points = value.outcomes.flatMap((outcome): [string, number][] =>
    outcome.routed ? [[outcome.thread, outcome.cost]] : [],
  );
  const unrouted = value.outcomes.length - points.length;
  return { unrouted, points: new Map(points), ms, studio: { ...studio, sessions: [after] } };
}

/** One microphone less, one pin more: how long it takes, and how many cords of others move. */
function again(studio: Studio): { readonly ms: number; readonly moved: number } {
  const [session] = studio.sessions as [Session];
  const [scene] = session.scenes as [Session['scenes'][number]];
  const changed = session.threads.map((thread) =>
    thread.id === 'thread-7'
      ? { ...thread, pins: { ...thread.pins, preamp: 'preamp-3/channel-60' as never } }
      : thread,
  );
  const { value, ms } = timed(() =>
    route(studio.rig, { ...session, threads: changed }, scene, { only: ['thread-7' as never] }),
  );
  const after = new Set(value.cords.map(({ id }) => id));
  return {
    ms,
    moved: scene.cords.filter(({ id, thread }) => thread !== 'thread-7' && !after.has(id)).length,
  };
}

/** A facility of twenty bays routed whole, and once more after one edit. */
export function routing(): void {
  const studio = routingStudio();
  // The first run of each compiles; then they take turns, so that what else the machine does hits both.
  oneByOne(studio);
  const whole = together(studio);
  const rounds = Array.from({ length: ROUNDS }, () => ({
    plainMs: oneByOne(studio).ms,
    wholeMs: together(studio).ms,
  }));
  const plain = { ...oneByOne(studio), ms: median(rounds.map(({ plainMs }) => plainMs)) };
  const wholeMs = median(rounds.map((round) => round.wholeMs));
  const times = median(rounds.map((round) => round.wholeMs / round.plainMs));
  again(whole.studio);
  const edit = again(whole.studio);
  // Costs are compared over the threads that both give a way: leaving one out is no saving.
  const costOfBoth = ({ points }: Result): number =>
    [...plain.points.keys()].reduce((sum, thread) => sum + (points.get(thread) ?? 0), 0);
  const row = (what: string, result: Result, ratio: number, ms: number): string =>
    `  ${what.padEnd(34)} ${String(result.unrouted).padStart(3)} without a way, ${(costOfBoth(result) / costOfBoth(plain)).toFixed(3)} x the cost of what both route, ${ratio.toFixed(1)} x the time (${ms.toFixed(0)} ms)`;
  console.log(`\n20 bays of 96, 150 threads, all to be routed`);
  console.log(row('one after another, shortest path', plain, 1, plain.ms));
  console.log(row('together', whole, times, wholeMs));
  console.log(
    `  again after one edit               ${(edit.ms / wholeMs).toFixed(2)} x routing all (${edit.ms.toFixed(0)} ms), ${String(edit.moved)} cords of others moved`,
  );
}
