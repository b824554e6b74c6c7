import { compileNear } from '../graph/recompile';
import type { Rig } from '../rig/rigSchema';
import type { Scene, Session } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import { realiseAll } from './realiseAll';

const NONE: ReadonlySet<string> = new Set();
const known = new WeakMap<
  Session,
  { readonly rig: Rig; readonly byScene: Map<string, ReadonlySet<string>> }
>();

function work(rig: Rig, session: Session, scene: Scene): ReadonlySet<string> {
  const names = new Set<string>();
  for (const other of session.scenes) {
    if (other.id === scene.id) continue;
    const graph = compileNear(rig, session, other);
    for (const { path } of realiseAll(graph, threadsIn(session, other)))
      for (const edge of path)
        if (edge.kind === 'normal')
          names.add(`${graph.lanes[edge.from]?.id ?? ''} ${graph.lanes[edge.to]?.id ?? ''}`);
  }
  return names;
}

/**
 * Normals, as "from to", that threads of the session's other scenes run over. Worked out once for a
 * session on a rig: documents are immutable.
 */
export function normalsElsewhere(rig: Rig, session: Session, scene: Scene): ReadonlySet<string> {
  if (session.scenes.length < 2) return NONE;
  const entry = known.get(session);
  const byScene = entry?.rig === rig ? entry.byScene : new Map<string, ReadonlySet<string>>();
  known.set(session, { rig, byScene });
  const names = byScene.get(scene.id) ?? work(rig, session, scene);
  byScene.set(scene.id, names);
  return names;
}
