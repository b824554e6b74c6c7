import type { Edit } from '../../edits/make';
import { editAdd } from '../../edits/make';
import { threadName } from '../../session/threadName';
import { applyChange } from '../../edits/change';
import { compile } from '../../graph/compile';
import type { LaneId, ThreadId } from '../../rig/ids';
import { lanesOnPath } from '../../routing/realise';
import { realiseAll } from '../../routing/realiseAll';
import type { Scene, Session } from '../../session/sessionSchema';
import { threadsIn } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import { findScene } from '../../session/scenePlace';
import { routeEdits } from '../track/threadEdits';
import { compareScenes } from '../../views/scenes/compareScenes';

/** What marking a jack as faulty leads to in one scene. */
export interface WayRound {
  readonly session: string;
  readonly scene: string;
  /** The difference it makes, told. */
  readonly story: readonly string[];
  /** Threads that have no way without the jack. */
  readonly stuck: readonly string[];
}

export interface DeadJack {
  readonly label: string;
  readonly edits: readonly Edit[];
  readonly waysRound: readonly WayRound[];
}

/** The threads of a scene that run over a lane. */
function usersOf({ rig }: Studio, session: Session, scene: Scene, jack: LaneId): readonly ThreadId[] {
  const graph = compile(rig, session, scene);
  const lane = graph.laneIndex.get(jack);
  return realiseAll(graph, threadsIn(session, scene))
    .filter((realisation) => lane !== undefined && lanesOnPath(realisation).includes(lane))
    .map(({ thread }) => thread.id);
}

/** How a scene changes from one state of the studio to another. */
function wayRound(before: Studio, after: Studio, session: Session, scene: Scene): WayRound | undefined {
  const place = { session: session.id, scene: scene.id };
  const [left, right] = [findScene(before, place), findScene(after, place)];
  if (left === undefined || right === undefined) return undefined;
  const runs = realiseAll(
    compile(after.rig, right.session, right.scene),
    threadsIn(right.session, right.scene),
  );
  const ran = realiseAll(compile(before.rig, left.session, left.scene), threadsIn(left.session, left.scene));
  const stuck = runs.filter(({ complete }, i) => !complete && ran[i]?.complete === true);
  return {
    session: session.name,
    scene: scene.name,
    story: compareScenes(before.rig, left, right, after.rig).story,
    stuck: stuck.map(({ thread }) => threadName(thread)),
  };
}

/**
 * Marks a jack as faulty and routes whoever used it another way, in every scene that is not put away.
 * One change: taken back, the jack is good again and the cords are where they were.
 */
export function deadJack(studio: Studio, jack: LaneId, name: string, note: string): DeadJack {
  const edits: Edit[] = [editAdd('fault', {}, { id: jack, note })];
  const marked = applyChange(studio, edits);
  if (!marked.ok) return { label: `${name} does not work`, edits, waysRound: [] };
  let after = marked.value;
  const touched: (readonly [Session, Scene])[] = [];
  for (const session of studio.sessions)
    for (const scene of session.scenes.filter(({ archived }) => archived !== true)) {
      const users = usersOf(studio, session, scene, jack);
      if (users.length === 0) continue;
      const more = routeEdits(after, { session: session.id, scene: scene.id }, { only: users });
      const next = applyChange(after, more);
      if (!next.ok) continue;
      after = next.value;
      edits.push(...more);
      touched.push([session, scene]);
    }
  return {
    label: `${name} does not work`,
    edits,
    waysRound: touched.flatMap(([session, scene]) => wayRound(studio, after, session, scene) ?? []),
  };
}
