import type { StationRole } from '../rig/deviceModel';
import { STATION_ROLES } from '../rig/deviceModel';
import { stationRoleOf } from '../rig/faces';
import type { StationId } from '../rig/ids';
import { deviceIdIn } from '../rig/ids';
import type { Path, Problem } from './problem';
import type { RigIndex } from './rigIndex';
import type { Session, Thread } from './sessionSchema';

function stationProblem(id: StationId, needs: StationRole, path: Path, index: RigIndex): readonly Problem[] {
  const device = index.device(deviceIdIn(id));
  const role = device && stationRoleOf(device, id);
  if (role === undefined) return [{ code: 'dangling', path, kind: 'station', id }];
  return role === needs ? [] : [{ code: 'wrong-role', path, id, needs }];
}

function sourceProblem(thread: Thread, path: Path, index: RigIndex): readonly Problem[] {
  const lane = index.lane(thread.from);
  if (lane === undefined) return [{ code: 'dangling', path, kind: 'lane', id: thread.from }];
  return lane.port.direction === 'out'
    ? []
    : [{ code: 'wrong-direction', path, id: thread.from, needs: 'out' }];
}

/** Scenes a thread names that the session does not have. */
export function threadProblems(session: Session, path: Path): readonly Problem[] {
  const scenes = new Set(session.scenes.map((scene) => scene.id));
  return session.threads.flatMap((thread, i) =>
    thread.scenes.flatMap((id, k): Problem[] =>
      scenes.has(id)
        ? []
        : [{ code: 'dangling', path: [...path, 'threads', i, 'scenes', k], kind: 'scene', id }],
    ),
  );
}

/** What a thread asks of the rig that the rig does not have: its source, inserts and pins. */
export function threadBreaks(thread: Thread, here: Path, index: RigIndex): readonly Problem[] {
  return [
    ...sourceProblem(thread, [...here, 'from'], index),
    ...thread.inserts.flatMap((id, k) => stationProblem(id, 'processor', [...here, 'inserts', k], index)),
    ...STATION_ROLES.flatMap((role) => {
      const id = thread.pins[role];
      return id === undefined ? [] : stationProblem(id, role, [...here, 'pins', role], index);
    }),
  ];
}
