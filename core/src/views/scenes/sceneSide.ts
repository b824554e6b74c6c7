import { threadName } from '../../session/threadName';
import { compile } from '../../graph/compile';
import type { GraphStation, SignalGraph } from '../../graph/signalGraph';
import type { Rig } from '../../rig/rigSchema';
import { realiseAll } from '../../routing/realiseAll';
import type { Scene, Session, Thread } from '../../session/sessionSchema';
import { threadsIn } from '../../session/sessionSchema';

/** A thread as it runs in one of two scenes that are compared. */
export interface SideThread {
  readonly thread: Thread;
  readonly name: string;
  readonly isWhole: boolean;
  readonly stations: readonly GraphStation[];
}

/** One of two scenes that are compared, worked out. */
export interface SceneSide {
  readonly session: Session;
  readonly scene: Scene;
  readonly graph: SignalGraph;
  readonly threads: readonly SideThread[];
}

/** Works out a scene for a comparison. */
export function sceneSide(rig: Rig, session: Session, scene: Scene): SceneSide {
  const graph = compile(rig, session, scene);
  return {
    ...{ session, scene, graph },
    threads: realiseAll(graph, threadsIn(session, scene)).map(({ thread, complete, stations }) => ({
      ...{ thread, stations },
      name: threadName(thread),
      isWhole: complete,
    })),
  };
}

/** A thread on both sides, or on one. */
export interface ThreadPair {
  readonly name: string;
  readonly left?: SideThread;
  readonly right?: SideThread;
}

/** Threads are the same by id within a session; between two sessions, by number and name. */
export function threadPairs(left: SceneSide, right: SceneSide): readonly ThreadPair[] {
  const isOne = left.session.id === right.session.id;
  const keyOf = ({ thread, name }: SideThread): string => (isOne ? thread.id : name);
  const rights = new Map(right.threads.map((thread) => [keyOf(thread), thread]));
  const pairs = left.threads.map((thread): ThreadPair => {
    const other = rights.get(keyOf(thread));
    rights.delete(keyOf(thread));
    return { name: thread.name, left: thread, ...(other && { right: other }) };
  });
  return [...pairs, ...[...rights.values()].map((thread) => ({ name: thread.name, right: thread }))];
}
