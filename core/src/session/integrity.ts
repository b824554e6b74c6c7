import { duplicateIds } from './duplicateIds';
import type { Problem } from './problem';
import type { RigIndex } from './rigIndex';
import { indexRig } from './rigIndex';
import { rigProblems } from './rigProblems';
import { sceneProblems } from './sceneProblems';
import type { Session } from './sessionSchema';
import type { Studio } from './studioSchema';
import { threadProblems } from './threadProblems';

function sessionProblems(session: Session, at: number, index: RigIndex): readonly Problem[] {
  const path = ['sessions', at];
  const threads = new Set(session.threads.map((thread) => thread.id));
  return [
    ...duplicateIds(session.threads, [...path, 'threads']),
    ...duplicateIds(session.scenes, [...path, 'scenes']),
    ...duplicateIds(session.waivers, [...path, 'waivers']),
    ...threadProblems(session, path, index),
    ...session.scenes.flatMap((scene, i) => sceneProblems(scene, [...path, 'scenes', i], index, threads)),
  ];
}

/**
 * Everything that holds between the parts of a studio document: ids are unique, references lead
 * somewhere, cables run from outputs to inputs, a jack holds one plug, settings fit their knobs.
 * A document that is stored has no problems.
 */
export function integrityProblems(studio: Studio): readonly Problem[] {
  const index = indexRig(studio.rig);
  return [
    ...rigProblems(studio.rig, index),
    ...duplicateIds(studio.sessions, ['sessions']),
    ...studio.sessions.flatMap((session, i) => sessionProblems(session, i, index)),
  ];
}
