import { boundProblems } from './boundProblems';
import { cueProblems } from './cueProblems';
import { dawProblems } from './daw/dawProblems';
import { duplicateIds } from './duplicateIds';
import { playbackProblems } from './playbackProblems';
import { jobProblems } from './jobProblems';
import type { Path, Problem } from './problem';
import { floorProblems } from './floorProblems';
import { followProblems } from './followProblems';
import type { Rig } from '../rig/rigSchema';
import type { FilledList } from './listsOf';
import { listsOfRig, listsOfSession, listsOfStudio } from './listsOf';
import { indexRig } from './rigIndex';
import { rigProblems } from './rigProblems';
import { sceneProblems } from './sceneProblems';
import type { Session } from './sessionSchema';
import type { Studio } from './studioSchema';
import { sumProblems } from './sumProblems';
import { threadProblems } from './threadProblems';

function listProblems(lists: readonly FilledList[]): readonly Problem[] {
  return [...boundProblems(lists), ...lists.flatMap(({ items, path }) => duplicateIds(items, path))];
}

/** Sessions that were found sound before: one that has not changed is the same object. */
const soundSessions = new WeakSet<Session>();

function sessionProblemsOnce(session: Session, at: number): readonly Problem[] {
  if (soundSessions.has(session)) return [];
  const problems = sessionProblems(session, ['sessions', at]);
  if (problems.length === 0) soundSessions.add(session);
  return problems;
}

function sessionProblems(session: Session, path: Path): readonly Problem[] {
  const threads = new Set(session.threads.map((thread) => thread.id));
  return [
    ...listProblems(listsOfSession(session, path)),
    ...threadProblems(session, path),
    ...followProblems(session, path),
    ...dawProblems(session, path),
    ...cueProblems(session, path),
    ...playbackProblems(session, path),
    ...jobProblems(session, path),
    ...sumProblems(session, path),
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
  const problems = [...listProblems(listsOfRig(studio)), ...rigProblems(rig, indexRig(rig))];
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
    ...rigProblemsOnce(studio),
    ...listProblems(listsOfStudio(studio)),
    ...floorProblems(studio.floor, ['floor']),
    ...studio.sessions.flatMap(sessionProblemsOnce),
  ];
}
