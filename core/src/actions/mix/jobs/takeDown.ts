import type { Edit } from '../../../edits/make';
import { editSet } from '../../../edits/make';
import { jobsIn } from '../../../mix/jobStand';
import type { Job } from '../../../session/jobSchema';
import type { SettingUp } from '../../settingUp';
import { after, thenRoute } from '../../track/threadEdits';
import { putSlots, trackOf } from './jobEdits';
import { withoutLines } from './jobLines';
import { hardwareChanged, withoutJob } from './jobSlots';

/** Lines of a chain in line stay and run straight: what they bring is still wanted. */
function straightened({ it: { studio, place, context } }: SettingUp, job: Job): readonly Edit[] {
  const own = context.session.threads.filter((thread) => thread.job === job.id);
  const session = { session: place.session };
  const edits = own.flatMap(({ id, inserts }) => [
    editSet('thread', session, id, { field: 'inserts', value: [], was: inserts }),
    editSet('thread', session, id, { field: 'job', value: null, was: job.id }),
  ]);
  const ids = own.map(({ id }) => id);
  return after(studio, edits) === undefined ? [] : thenRoute(studio, place, edits, ids);
}

/**
 * Frees the units of a job: its lines go with their cords. Its slot goes too, or is only switched off and keeps its channels.
 */
export function takeDown(up: SettingUp, job: Job, keepsChannels: boolean): void {
  const stand = jobsIn(up.it.context).find((each) => each.job.id === job.id);
  if (stand === undefined || (stand.placing === 'waiting' && stand.lines.length === 0)) return;
  if (job.at.in !== 'slot') {
    up.make(straightened(up, job));
    return;
  }
  up.make(withoutLines(up.it.studio, up.it.place, job));
  putSlots(up, job, ({ inserts }) =>
    keepsChannels ? hardwareChanged(inserts, job.id, { off: true }) : withoutJob(inserts, job.id),
  );
  const name = trackOf(up.it, job)?.name ?? '';
  up.say(name, 'chain', keepsChannels ? 'switched off, its channels kept' : 'taken down, its channels free');
}
