import type { Edit } from '../../edits/make';
import { threadName } from '../../session/threadName';
import { applyChange } from '../../edits/change';
import { compile } from '../../graph/compile';
import type { Rig } from '../../rig/rigSchema';
import { realise } from '../../routing/realise';
import type { Scene, Session } from '../../session/sessionSchema';
import { threadsIn } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';

/** Threads of one scene that ran and would not any more. */
export interface SceneLoss {
  readonly session: string;
  readonly scene: string;
  readonly threads: readonly string[];
}

/** What a change to the rig takes with it, before it is made. */
export interface RigLoss {
  readonly devices: readonly string[];
  readonly wires: number;
  readonly scenes: readonly SceneLoss[];
}

function running(rig: Rig, session: Session, scene: Scene): ReadonlySet<string> {
  const graph = compile(rig, session, scene);
  const complete = threadsIn(session, scene).filter((thread) => realise(graph, thread).complete);
  return new Set(complete.map(({ id }) => id));
}

function sceneLoss(before: Rig, after: Rig, session: Session, scene: Scene): readonly SceneLoss[] {
  const [ran, runs] = [running(before, session, scene), running(after, session, scene)];
  const lost = threadsIn(session, scene).filter(({ id }) => ran.has(id) && !runs.has(id));
  if (lost.length === 0) return [];
  return [{ session: session.name, scene: scene.name, threads: lost.map(threadName) }];
}

/** The devices and wires that edits take out, and the threads that break, session by session. */
export function rigLoss(studio: Studio, edits: readonly Edit[]): RigLoss {
  const removed = (type: string): readonly Edit[] => edits.filter((edit) => edit.type === type);
  const names = new Map(studio.rig.devices.map(({ id, name }) => [id as string, name]));
  const result = applyChange(studio, edits);
  const scenes = result.ok
    ? studio.sessions.flatMap((session) =>
        session.scenes.flatMap((scene) => sceneLoss(studio.rig, result.value.rig, session, scene)),
      )
    : [];
  return {
    devices: removed('device.remove').flatMap(({ id }) => names.get(String(id)) ?? []),
    wires: removed('hardwire.remove').length,
    scenes,
  };
}
