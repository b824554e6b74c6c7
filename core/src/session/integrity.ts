import { boundProblems } from './boundProblems';
import { dawProblems } from './daw/dawProblems';
import { duplicateIds } from './duplicateIds';
import type { Problem } from './problem';
import { floorProblems } from './floorProblems';
import { followProblems } from './followProblems';
import type { Rig } from '../rig/rigSchema';
import { listsBesideRig, listsOfRig } from './listsOf';
import { indexRig } from './rigIndex';
import { rigProblems } from './rigProblems';
import { sceneProblems } from './sceneProblems';
import type { Session } from './sessionSchema';
import type { Studio } from './studioSchema';
import { threadProblems } from './threadProblems';

function sessionProblems(session: Session, at: number): readonly Problem[] {
  const path = ['sessions', at];
  const threads = new Set(session.threads.map((thread) => thread.id));
  return [
    ...threadProblems(session, path),
    ...followProblems(session, path),
    ...dawProblems(session, path),
    ...session.scenes.flatMap((scene, i) => sceneProblems(scene, [...path, 'scenes', i], threads)),
  ];
}

/** A rig that has not changed is the same object, and was found sound before. */
const soundRigs = new WeakSet<Rig>();

/** Takes a rig for sound without looking: it was found so before it was stored, and is a new object only by being read. */
export const trustRig = (rig: Rig): void => {
  soundRigs.add(rig);
};

function rigProblemsOnce(studio: Studio): readonly Problem[] {
  const { rig } = studio;
  if (soundRigs.has(rig)) return [];
  const problems = [
    ...listsOfRig(studio).flatMap(({ items, path }) => duplicateIds(items, path)),
    ...rigProblems(rig, indexRig(rig)),
  ];
  if (problems.length === 0) soundRigs.add(rig);
  return problems;
}

/**
 * Everything that always holds inside a studio document: ids are unique, devices have names of their
 * own, wires run from outputs to inputs of the rig, a jack holds one plug. A document that is stored has
 * no such problems. What a session asks of its rig is looked at apart (`rigBreaks`): gear may be sold.
 */
export function integrityProblems(studio: Studio): readonly Problem[] {
  return [
    ...boundProblems(studio),
    ...rigProblemsOnce(studio),
    ...listsBesideRig(studio).flatMap(({ items, path }) => duplicateIds(items, path)),
    ...floorProblems(studio.floor, ['floor']),
    ...studio.sessions.flatMap(sessionProblems),
  ];
}
