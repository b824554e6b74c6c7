import type { Edit } from '../../edits/make';
import { editRemove } from '../../edits/make';
import type { Track } from '../../session/daw/trackSchema';
import { SettingUp } from '../settingUp';
import type { WorkPlace } from '../workPlace';
import { sumNamed } from './sums/sharePlaces';
import { setPrint } from './sums/printReturn';
import { removeStem } from './sums/sumDeed';
import { removeTrackEdits } from './trackEdits';
import { jobNamed } from './jobs/jobEdits';
import { takeDown } from './jobs/takeDown';

/** A track leaves its sums, as a stem and as what prints them. */
function outOfSums(up: SettingUp, { id }: Track): void {
  for (const sum of up.it.context.session.sums) {
    if (sum.stems.some((stem) => stem.track === id)) removeStem(up, sum.id, id);
    const now = sumNamed(up, sum.id);
    if (now?.print === id) setPrint(up, now, undefined);
  }
}

/** Takes a track out with its jobs, their lines and cords, and out of sums. */
export function removedTrackEdits(it: WorkPlace, track: Track): readonly Edit[] {
  const up = new SettingUp(it);
  for (const { id } of it.context.session.jobs.filter((job) => job.track === track.id)) {
    const job = jobNamed(up.it, id);
    if (job === undefined) continue;
    takeDown(up, job, false);
    up.make([editRemove('job', { session: it.place.session }, id)]);
  }
  outOfSums(up, track);
  const { session } = up.it.context;
  const now = session.tracks.find(({ id }) => id === track.id) ?? track;
  return [...up.edits, ...removeTrackEdits(session, now)];
}
