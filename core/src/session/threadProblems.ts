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
  // A hardware insert starts inside the host, where its tracks play to: at a host output.
  return lane.port.direction === 'out' || lane.port.face === 'inside'
    ? []
    : [{ code: 'wrong-direction', path, id: thread.from, needs: 'out' }];
}

/** Where a feed ends: an input of the rig. Other threads end at the DAW and name none. */
function endProblem(thread: Thread, path: Path, index: RigIndex): readonly Problem[] {
  if (thread.to === undefined) return [];
  const lane = index.lane(thread.to);
  if (lane === undefined) return [{ code: 'dangling', path, kind: 'lane', id: thread.to }];
  return lane.port.direction === 'in' ? [] : [{ code: 'wrong-direction', path, id: thread.to, needs: 'in' }];
}

/** A side belongs to the first side of a wide thread, and no two sides have one place. */
function linkProblems(session: Session, path: Path): readonly Problem[] {
  const firsts = new Set(session.threads.filter(({ link }) => link === undefined).map(({ id }) => id));
  const places = new Map<string, Path>();
  return session.threads.flatMap(({ link }, i): Problem[] => {
    if (link === undefined) return [];
    const here = [...path, 'threads', i, 'link'];
    if (!firsts.has(link.lead)) return [{ code: 'dangling', path: here, kind: 'thread', id: link.lead }];
    const id = `${link.lead}, side ${String(link.place)}`;
    const firstAt = places.get(id);
    places.set(id, firstAt ?? here);
    return firstAt === undefined ? [] : [{ code: 'duplicate-id', path: here, id, firstAt }];
  });
}

/** Scenes and first sides a thread names that the session does not have. */
export function threadProblems(session: Session, path: Path): readonly Problem[] {
  const scenes = new Set(session.scenes.map((scene) => scene.id));
  const dangling = session.threads.flatMap((thread, i) =>
    thread.scenes.flatMap((id, k): Problem[] =>
      scenes.has(id)
        ? []
        : [{ code: 'dangling', path: [...path, 'threads', i, 'scenes', k], kind: 'scene', id }],
    ),
  );
  return [...dangling, ...linkProblems(session, path)];
}

/** What a thread asks of the rig that the rig does not have: its source, inserts and pins. */
export function threadBreaks(thread: Thread, here: Path, index: RigIndex): readonly Problem[] {
  return [
    ...sourceProblem(thread, [...here, 'from'], index),
    ...endProblem(thread, [...here, 'to'], index),
    ...thread.inserts.flatMap((id, k) => stationProblem(id, 'processor', [...here, 'inserts', k], index)),
    ...STATION_ROLES.flatMap((role) => {
      const id = thread.pins[role];
      return id === undefined ? [] : stationProblem(id, role, [...here, 'pins', role], index);
    }),
  ];
}
