import type { Meeting } from '../levels/levelField';
import type { WorkedScene } from './workedScene';

/** The connector or bus a lane is part of. */
const portOf = ({ graph }: WorkedScene, { lane }: Meeting): string => {
  const id = graph.lanes[lane]?.id ?? '';
  return id.slice(0, id.lastIndexOf('/'));
};

/** Whose sound it is: the sides of a stereo track are one. */
function ownerOf({ field }: WorkedScene, { source }: Meeting): string {
  const { thread, track, lane } = field.sources[source] ?? {};
  return thread ?? track ?? String(lane ?? source);
}

/**
 * Of the sides of one bus where one sound meets itself, the worst: that is one fault.
 * @param worth of a meeting, undefined where there is nothing to say of it; the greatest is the worst.
 * @returns the worst of each, with the first lane of its bus to stand for the place.
 */
export function worstMeetings<T extends { readonly worth: number }>(
  context: WorkedScene,
  judge: (meeting: Meeting) => T | undefined,
): readonly { readonly meeting: Meeting; readonly lane: number; readonly judged: T }[] {
  const worst = new Map<string, { meeting: Meeting; lane: number; judged: T }>();
  for (const meeting of context.field.meetings) {
    const judged = judge(meeting);
    if (judged === undefined) continue;
    const key = `${ownerOf(context, meeting)} ${portOf(context, meeting)}`;
    const known = worst.get(key);
    const lane = Math.min(meeting.lane, known?.lane ?? Infinity);
    if (known === undefined || judged.worth > known.judged.worth) worst.set(key, { meeting, lane, judged });
    else worst.set(key, { ...known, lane });
  }
  return [...worst.values()];
}
