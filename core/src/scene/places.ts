import type { LaneId } from '../rig/ids';
import type { SoundSource } from '../levels/soundSources';
import type { WorkedScene, PlannedThread } from './workedScene';
import type { EntityRef } from '../session/entityRef';

/** The id of a lane by its index. */
export const laneIdAt = ({ graph }: WorkedScene, lane: number): LaneId =>
  graph.lanes[lane]?.id ?? ('' as LaneId);

export const laneRef = (context: WorkedScene, lane: number): EntityRef => ({
  kind: 'lane',
  id: laneIdAt(context, lane),
});

export const threadRefs = (threads: readonly PlannedThread[]): readonly EntityRef[] =>
  threads.map(({ thread }) => ({ kind: 'thread', id: thread.id }));

/** Threads that run through a lane, or start there. */
export const threadsThrough = ({ threads }: WorkedScene, lane: number): readonly PlannedThread[] =>
  threads.filter(({ start, path }) => start === lane || path.some(({ to }) => to === lane));

/** The thread or track a source belongs to. */
export function sourceRef(context: WorkedScene, source: SoundSource | undefined): EntityRef {
  if (source?.thread !== undefined) return { kind: 'thread', id: source.thread };
  if (source?.track !== undefined) return { kind: 'track', id: source.track };
  return laneRef(context, source?.lane ?? -1);
}
