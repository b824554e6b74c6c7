import type { ParallelPaths } from '../levels/levelField';
import type { WorkedScene } from './workedScene';

/** The connector or bus a lane is part of. */
const portOf = ({ graph }: WorkedScene, { lane }: ParallelPaths): string => {
  const id = graph.lanes[lane]?.id ?? '';
  return id.slice(0, id.lastIndexOf('/'));
};

/** Whose sound it is: the sides of a stereo track are one. */
function ownerOf({ field }: WorkedScene, { source }: ParallelPaths): string {
  const { thread, track, lane } = field.sources[source] ?? {};
  return thread ?? track ?? String(lane ?? source);
}

/**
 * Of the sides of one bus where one sound meets itself, the worst: that is one fault.
 * @param worth of a parallel, undefined where there is nothing to say of it; the greatest is the worst.
 * @returns the worst of each, with the first lane of its bus to stand for the place.
 */
export function worstParallelPaths<T extends { readonly worth: number }>(
  context: WorkedScene,
  judge: (parallel: ParallelPaths) => T | undefined,
): readonly { readonly parallel: ParallelPaths; readonly lane: number; readonly judged: T }[] {
  const worst = new Map<string, { parallel: ParallelPaths; lane: number; judged: T }>();
  for (const parallel of context.field.parallelPaths) {
    const judged = judge(parallel);
    if (judged === undefined) continue;
    const key = `${ownerOf(context, parallel)} ${portOf(context, parallel)}`;
    const known = worst.get(key);
    const lane = Math.min(parallel.lane, known?.lane ?? Infinity);
    if (known === undefined || judged.worth > known.judged.worth) worst.set(key, { parallel, lane, judged });
    else worst.set(key, { ...known, lane });
  }
  return [...worst.values()];
}
