import type { Edit } from '../../../edits/make';
import { editSet } from '../../../edits/make';
import type { JobStand } from '../../../mix/jobStand';
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
function takeOn(up: SettingUp, { job, track }: JobStand, ends: readonly InLineEnd[]): readonly Thread[] {
  const lines = inLineLines(up.it.context, job, track, ends);
  const known = ends.map((end) => joining(up, end));
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
    const missing = takeOn(up, stand, ends.value);
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
