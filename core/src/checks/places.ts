import type { LaneId } from '../rig/ids';
import type { SoundSource } from '../levels/soundSources';
import type { CheckContext, PlannedThread } from './context';
import type { EntityRef } from './finding';

/** The id of a lane by its index. */
export const laneIdAt = ({ graph }: CheckContext, lane: number): LaneId =>
  graph.lanes[lane]?.id ?? ('' as LaneId);

export const laneRef = (context: CheckContext, lane: number): EntityRef => ({
  kind: 'lane',
  id: laneIdAt(context, lane),
});

export const threadRefs = (threads: readonly PlannedThread[]): readonly EntityRef[] =>
  threads.map(({ thread }) => ({ kind: 'thread', id: thread.id }));

/** Threads that run through a lane, or start there. */
export const threadsThrough = ({ threads }: CheckContext, lane: number): readonly PlannedThread[] =>
  threads.filter(({ start, path }) => start === lane || path.some(({ to }) => to === lane));

/** The thread or track a source belongs to. */
export function sourceRef(context: CheckContext, source: SoundSource | undefined): EntityRef {
  if (source?.thread !== undefined) return { kind: 'thread', id: source.thread };
  if (source?.track !== undefined) return { kind: 'track', id: source.track };
  return laneRef(context, source?.lane ?? -1);
}
