import type { Edit } from '../../../edits/make';
import { editRemove } from '../../../edits/make';
import type { Track } from '../../../session/daw/trackSchema';
import { SettingUp } from '../../settingUp';
import type { WorkPlace } from '../../workPlace';
import { removeTrackEdits } from '../trackEdits';
import { jobNamed } from './jobEdits';
import { takeDown } from './takeDown';

/** Takes a track out, and its jobs with their lines and cords. */
export function removeTrackWithJobs(it: WorkPlace, track: Track): readonly Edit[] {
  const up = new SettingUp(it);
  for (const { id } of it.context.session.jobs.filter((job) => job.track === track.id)) {
    const job = jobNamed(up.it, id);
    if (job === undefined) continue;
    takeDown(up, job, false);
    up.make([editRemove('job', { session: it.place.session }, id)]);
  }
  const { session } = up.it.context;
  const now = session.tracks.find(({ id }) => id === track.id) ?? track;
  return [...up.edits, ...removeTrackEdits(session, now)];
}
