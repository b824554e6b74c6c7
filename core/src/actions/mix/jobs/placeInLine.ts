import type { Edit } from '../../../edits/make';
import { editRemove, editSet } from '../../../edits/make';
import { shortestWay } from '../../../graph/shortestWay';
import type { JobStand } from '../../../mix/jobStand';
import type { CordId } from '../../../rig/ids';
import type { Thread } from '../../../session/sessionSchema';
import type { SettingUp } from '../../settingUp';
import { thenRoute } from '../../track/threadEdits';
import { inLineEnds } from './inLineEnds';
import type { InLineEnd } from './jobLines';
import { inLineLines } from './jobLines';
import { addJobLines, standstill, turnLoops } from './jobRoutes';

/** A line of the scene that joins two ends already. */
const joining = ({ it: { context } }: SettingUp, { from, to }: InLineEnd): Thread | undefined =>
  context.threads.find(
    ({ thread, complete }) =>
      thread.from === from &&
      thread.job === undefined &&
      (to === undefined ? thread.purpose === 'print' && complete : thread.to === to),
  )?.thread;

/**
 * Lines that join the ends of a chain already take the chain on.
 * @returns the lines that are missing.
 */
function takeOn(
  up: SettingUp,
  { job, track }: JobStand,
  ends: readonly InLineEnd[],
  known: readonly (Thread | undefined)[],
): readonly Thread[] {
  const lines = inLineLines(up.it.context, job, track, ends);
  const session = { session: up.it.place.session };
  const edits = known.flatMap((thread, side): readonly Edit[] =>
    thread === undefined
      ? []
      : [
          editSet('thread', session, thread.id, {
            ...{ field: 'inserts', value: lines[side]?.inserts ?? [], was: thread.inserts },
          }),
          editSet('thread', session, thread.id, { field: 'job', value: job.id, was: null }),
        ],
  );
  const ids = known.flatMap((thread) => thread?.id ?? []);
  if (edits.length > 0) up.make(thenRoute(up.it.studio, up.it.place, edits, ids));
  return lines.filter((_, side) => known[side] === undefined);
}

/** Cords that somebody planned by hand on the way the chain goes into: they would keep their jacks. */
function byHand({ it: { context } }: SettingUp, { from, to, input }: InLineEnd): readonly CordId[] {
  const { graph, scene } = context;
  const station = input === undefined ? undefined : graph.stations[graph.stationIndex.get(input) ?? -1];
  const [start, end] = [graph.laneIndex.get(from), to === undefined ? station?.out : graph.laneIndex.get(to)];
  if (start === undefined || end === undefined) return [];
  const { path, arrives } = shortestWay(graph, start, end, ({ track }) => track === undefined);
  const own = new Set(scene.cords.filter(({ thread }) => thread === undefined).map(({ id }) => id));
  return arrives ? path.flatMap(({ cord }) => (cord !== undefined && own.has(cord) ? [cord] : [])) : [];
}

function pullByHand(up: SettingUp, ends: readonly InLineEnd[]): void {
  const cords = new Set(ends.flatMap((end) => byHand(up, end)));
  up.make([...cords].map((id) => editRemove('cord', up.it.place, id)));
}

/** Puts a chain in line: between what feeds it and what it feeds. */
export function placeInLine(up: SettingUp, stand: JobStand): void {
  const { job, track } = stand;
  const ends = inLineEnds(up.it.context, job, track);
  if (!ends.ok) {
    up.leaveOut(track.name, 'chain', ends.sentence);
    return;
  }
  const isPlaced = up.attempt(() => {
    turnLoops(up, job);
    const known = ends.value.map((end) => joining(up, end));
    pullByHand(up, ends.value);
    const missing = takeOn(up, stand, ends.value, known);
    if (missing.length > 0 && !addJobLines(up, track.name, missing)) return false;
    const own = up.it.context.session.threads.filter((thread) => thread.job === job.id);
    const why = standstill(up, own);
    if (why !== undefined) up.leaveOut(track.name, 'chain', why);
    return why === undefined;
  });
  if (isPlaced)
    up.say(
      track.name,
      'chain',
      job.at.in === 'input' ? 'in line before its input' : 'in line behind its outputs',
    );
}
