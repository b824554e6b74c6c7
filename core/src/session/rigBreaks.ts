import type { Path, Problem } from './problem';
import type { RigIndex } from './rigIndex';
import { indexRig } from './rigIndex';
import { cordBreaks, settingBreaks } from './sceneProblems';
import type { Rig } from '../rig/rigSchema';
import type { Session } from './sessionSchema';
import type { Studio } from './studioSchema';
import { threadBreaks } from './threadProblems';

function hostBreak({ host }: Session, path: Path, index: RigIndex): readonly Problem[] {
  if (host === undefined || index.device(host)?.type === 'dawHost') return [];
  return [{ code: 'dangling', path: [...path, 'host'], kind: 'DAW host', id: host }];
}

/** What one session asks of a rig that the rig does not have. */
export function sessionBreaks(session: Session, path: Path, index: RigIndex): readonly Problem[] {
  return [
    ...hostBreak(session, path, index),
    ...session.threads.flatMap((thread, i) => threadBreaks(thread, [...path, 'threads', i], index)),
    ...session.scenes.flatMap((scene, i) => {
      const here = [...path, 'scenes', i];
      return [
        ...scene.cords.flatMap((cord, k) => cordBreaks(cord, [...here, 'cords', k], index)),
        ...settingBreaks(scene, here, index),
      ];
    }),
  ];
}

/** Sessions that asked nothing of a rig that it does not have; both are the same objects as long as they do not change. */
const fitting = new WeakMap<Rig, WeakSet<Session>>();

function sessionBreaksOnce(
  session: Session,
  at: number,
  rig: Rig,
  index: () => RigIndex,
): readonly Problem[] {
  const known = fitting.get(rig) ?? new WeakSet<Session>();
  if (known.has(session)) return [];
  const breaks = sessionBreaks(session, ['sessions', at], index());
  if (breaks.length === 0) fitting.set(rig, known.add(session));
  return breaks;
}

/**
 * Everything the sessions of a studio ask of the rig that is not there, or no longer. Such a document
 * can be stored: a rig loses gear while sessions remember it, and the checks say where.
 */
export function rigBreaks({ rig, sessions }: Studio): readonly Problem[] {
  let indexed: RigIndex | undefined;
  const index = (): RigIndex => (indexed ??= indexRig(rig));
  return sessions.flatMap((session, at) => sessionBreaksOnce(session, at, rig, index));
}

/** What a break is about, wherever it stands. */
const aboutOf = (problem: Problem): string => `${problem.code} ${'id' in problem ? problem.id : ''}`;

/** The breaks that come on top of earlier ones: of each kind as many as there are more than before. */
export function newBreaks(before: readonly Problem[], after: readonly Problem[]): readonly Problem[] {
  const known = new Map<string, number>();
  for (const problem of before) known.set(aboutOf(problem), (known.get(aboutOf(problem)) ?? 0) + 1);
  return after.filter((problem) => {
    const left = known.get(aboutOf(problem)) ?? 0;
    known.set(aboutOf(problem), left - 1);
    return left <= 0;
  });
}
