import type { Edit } from '../../edits/make';
import { editRemove } from '../../edits/make';
import type { CueId } from '../../rig/ids';
import { removeThreadEdits } from '../track/threadEdits';
import type { WorkPlace } from '../workPlace';
import { workPlaceAfter } from '../workPlace';

/** Takes a cue away with the lines that bring it. Its sends stay as they are on their console. */
export function removedCue(it: WorkPlace, id: CueId): readonly Edit[] {
  const { session } = it.context;
  const cue = session.cues.find((each) => each.id === id);
  if (cue === undefined) return [];
  const edits: Edit[] = [];
  let now: WorkPlace | undefined = it;
  for (const thread of session.threads.filter((each) => each.cue === id)) {
    const more: readonly Edit[] =
      now === undefined ? [] : removeThreadEdits(now.studio, now.place, thread.id);
    edits.push(...more);
    now = now && workPlaceAfter(now, more);
  }
  return [...edits, editRemove('cue', { session: session.id }, id, cue)];
}
