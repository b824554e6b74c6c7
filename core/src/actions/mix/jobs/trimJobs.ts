import { insertTrims } from '../../../advice/insertTrims';
import { jobsIn } from '../../../mix/jobStand';
import type { JobTrims } from '../../../mix/jobTrims';
import { jobTrims } from '../../../mix/jobTrims';
import { firstInput, sweetOf } from '../../../mix/sweetLevel';
import type { Job } from '../../../session/jobSchema';
import { formatGain, formatLevel } from '../../../units/format';
import type { SettingUp } from '../../settingUp';
import { jobNamed, putSlots } from './jobEdits';
import { withTrims } from './jobSlots';

/** What a host turns at most on the way out and back; a gain plug-in is held to the same. Common practice, no source. */
export const MOST_TRIM_DB = 24;

const tenth = (db: number): number => Math.round(db * 10) / 10;

/** Puts trims to a job, in the way its host can; says why where it cannot. */
export function putTrims(up: SettingUp, job: Job, trims: JobTrims): boolean {
  const { session } = up.it.context;
  const name = session.tracks.find(({ id }) => id === job.track)?.name ?? '';
  const over = [trims.sendTrimDb, trims.returnTrimDb].find((db) => Math.abs(db) > MOST_TRIM_DB + 0.05);
  if (over !== undefined) {
    up.leaveOut(
      name,
      'trim',
      `A trim of ${formatGain(over)} dB is out of range: at most ${String(MOST_TRIM_DB)} dB either way. Turn what the track plays, or want the unit at another level.`,
    );
    return false;
  }
  const made = putSlots(up, job, ({ inserts }) => {
    const had = jobTrims(inserts, job.id);
    const isSame = had.sendTrimDb === trims.sendTrimDb && had.returnTrimDb === trims.returnTrimDb;
    return isSame ? inserts : withTrims(inserts, job.id, trims, session.hostProfile.trims);
  });
  if (!made)
    up.leaveOut(
      name,
      'trim',
      `This kind of host does not trim inserts, and ${name} has no two slots free for gain plug-ins before and behind the unit. Clear some, or choose a host that trims.`,
    );
  return made;
}

/** Turns a job so that its first unit has its level and the track keeps its own. Nothing where no level is known. */
export function trimJob(up: SettingUp, id: Job['id']): void {
  const job = jobNamed(up.it, id);
  const stand = jobsIn(up.it.context).find((each) => each.job.id === id);
  const [trip] = stand?.trips ?? [];
  if (job === undefined || stand === undefined || trip === undefined) return;
  const unit = firstInput(up.it.context, stand);
  const sweet = sweetOf(up.it.context, job, unit);
  const advice = insertTrims(up.it.context, trip, sweet, unit);
  if (advice === undefined) return;
  const change = advice.sendTrimDb - trip.settings.sendTrimDb;
  const now = jobTrims(stand.track.inserts, id);
  const trims = {
    sendTrimDb: tenth(now.sendTrimDb + change),
    returnTrimDb: tenth(now.returnTrimDb - change),
  };
  if (Math.abs(change) < 0.05 || !putTrims(up, job, trims)) return;
  up.say(
    stand.track.name,
    'trim',
    `${formatGain(trims.sendTrimDb)} dB out, ${formatGain(trims.returnTrimDb)} dB back: ${formatLevel(sweet, 'dBu')} at the first unit`,
  );
}
