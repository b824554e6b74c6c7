import { commitSeconds, lengthOf } from '../../mix/commitLength';
import type { KeptLive } from '../../mix/scarcity';
import { contentions, unitDays } from '../../mix/scarcity';
import type { JobId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Job } from '../../session/jobSchema';
import { lengthText } from '../../typed/job/jobOptions';
import { listed } from '../../words/findings/speak';
import { wantName } from '../../words/mix/wantName';
import { namingOf } from '../../words/naming';

/** A unit that several jobs want, in words. */
export interface ContentionLine {
  readonly key: string;
  readonly isConflict: boolean;
  readonly says: string;
}

/** One job in the day of a unit. */
export interface DayEntry {
  readonly job: JobId;
  readonly track: string;
  readonly state: Job['state'];
  /** "0:00–4:30" from the first commit on; "live from 9:00"; empty where a length is not known, or for what is done. */
  readonly when: string;
}

export interface DayLine {
  readonly unit: string;
  readonly entries: readonly DayEntry[];
}

const WHY: Readonly<Record<KeptLive, string>> = {
  mix: 'it is on the mix, and everything before it changes what it does',
  bus: 'it is on a bus, and every track in it changes what it does',
  first: 'it has the lowest number of them',
};

const trackName = ({ session }: WorkedScene, { track }: Job): string =>
  session.tracks.find(({ id }) => id === track)?.name ?? track;

function orderText(context: WorkedScene, first: readonly Job[]): string {
  const { session } = context;
  const each = first.map((job, i) => {
    const seconds = lengthOf(session, job);
    return `${String(i + 1)} ${trackName(context, job)}${seconds === undefined ? '' : ` (${lengthText(seconds)})`}`;
  });
  const total = commitSeconds(session, first);
  const sum = total === undefined ? '' : `; ${lengthText(total)} in real time`;
  return `${each.join(', ')}${sum}`;
}

/** Every unit that several open jobs want: who stays live, who is committed before, in which order, and what that takes. */
export function contentionLines(context: WorkedScene): readonly ContentionLine[] {
  const naming = namingOf(context.rig, context.session, context.graph);
  return contentions(context).map(({ units: wanted, first, live, why, isConflict }) => {
    const units = listed(wanted.map((want) => wantName(naming, want)));
    const count = String(first.length + live.length);
    const order = first.length === 0 ? '' : ` Commit first: ${orderText(context, first)}.`;
    const names = listed(live.map((job) => trackName(context, job)));
    const stay = isConflict ? 'should stay' : live.length === 1 ? 'stays' : 'stay';
    const reason = why === undefined || live.length > 1 ? '' : `: ${WHY[why]}`;
    const stays = live.length === 0 ? '' : ` ${names} ${stay} live${reason}.`;
    return {
      ...{ key: wanted.join(' '), isConflict },
      says: `${units}: ${count} jobs.${stays}${order}`,
    };
  });
}

/** What each unit serves and when, counted from the first commit on. */
export function dayLines(context: WorkedScene): readonly DayLine[] {
  const { session } = context;
  const naming = namingOf(context.rig, session, context.graph);
  const days = [...unitDays(context)].sort((a, b) => Number(b.jobs.length > 1) - Number(a.jobs.length > 1));
  return days.map(({ unit, jobs }): DayLine => {
    let at: number | undefined = 0;
    const entries = jobs.map((job): DayEntry => {
      const base = { job: job.id, track: trackName(context, job), state: job.state };
      if (job.state === 'committed') return { ...base, when: '' };
      if (job.state === 'live')
        return { ...base, when: at === undefined || at === 0 ? '' : `from ${lengthText(at)}` };
      const seconds = lengthOf(session, job);
      const from: number | undefined = at;
      at = from === undefined || seconds === undefined ? undefined : from + seconds;
      return {
        ...base,
        when: from === undefined || at === undefined ? '' : `${lengthText(from)}–${lengthText(at)}`,
      };
    });
    return { unit: wantName(naming, unit), entries };
  });
}
