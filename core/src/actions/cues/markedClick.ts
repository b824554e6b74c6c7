import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { Session } from '../../session/sessionSchema';

/** Says of a line or a track that it is the click, or that it is none. */
export function markedClick(session: Session, source: string, isClick: boolean): readonly Edit[] {
  const place = { session: session.id };
  const [kind, id] = source.split(':');
  const value = isClick ? true : null;
  if (kind === 'line') {
    const thread = session.threads.find((each) => each.id === id);
    const was = thread?.click ?? null;
    return thread === undefined || was === value
      ? []
      : [editSet('thread', place, thread.id, { field: 'click', value, was })];
  }
  const track = kind === 'track' ? session.tracks.find((each) => each.id === id) : undefined;
  const was = track?.click ?? null;
  return track === undefined || was === value
    ? []
    : [editSet('track', place, track.id, { field: 'click', value, was })];
}
