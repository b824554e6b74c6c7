import type { Path, Problem } from './problem';
import type { RigIndex } from './rigIndex';
import { indexRig } from './rigIndex';
import { cordBreaks, settingBreaks } from './sceneProblems';
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

/**
 * Everything the sessions of a studio ask of the rig that is not there, or no longer. Such a document
 * can be stored: a rig loses gear while sessions remember it, and the checks say where.
 */
export function rigBreaks(studio: Studio): readonly Problem[] {
  const index = indexRig(studio.rig);
  return studio.sessions.flatMap((session, i) => sessionBreaks(session, ['sessions', i], index));
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
