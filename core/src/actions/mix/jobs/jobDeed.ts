import { editAdd, editRemove, editSet } from '../../../edits/make';
import { jobsIn } from '../../../mix/jobStand';
import { contentions } from '../../../mix/scarcity';
import type { JobId } from '../../../rig/ids';
import { idFromName } from '../../../rig/ids';
import type { Job, MixSettings } from '../../../session/jobSchema';
import { jobSchema } from '../../../session/jobSchema';
import { MOST_SLOTS } from '../../../session/daw/trackSchema';
import { typedJob } from '../../../typed/job/typedJob';
import { chainText } from '../../../views/mix/chainText';
import type { ChannelPlan } from '../../consoles/channelPlan';
import { SettingUp } from '../../settingUp';
import type { WorkPlace } from '../../workPlace';
import { adoptSlots } from './adoptSlots';
import { bringUp, holdersOf, isUp } from './bringUp';
import { jobNamed, stateSet, trackOf } from './jobEdits';
import { tellDelay } from './placeInSlot';
import { takeDown } from './takeDown';
import { trimJob } from './trimJobs';

/** What is done with jobs of the mix in one step: looked at as a plan first, then made as one change. */
export type JobDeed =
  /** A job as it is typed, brought up where its units are free. */
  | { readonly does: 'add-job'; readonly text: string }
  /** Every live job that is not up gets its channels. */
  | { readonly does: 'bring-up'; readonly job?: JobId }
  /** A job in the place of those that have its units. */
  | { readonly does: 'put-up'; readonly job: JobId }
  | { readonly does: 'take-down' | 'commit' | 'remove-job'; readonly job: JobId }
  /** All that is not to commit gets its channels anew. */
  | { readonly does: 'give-anew' }
  /** Of jobs that want one unit one stays live, the others are to be committed. */
  | { readonly does: 'resolve' }
  | { readonly does: 'trim' | 'tell-delays'; readonly job?: JobId }
  | { readonly does: 'adopt' }
  | { readonly does: 'mix-settings'; readonly settings: MixSettings };

/** The first slot of a track that is empty. */
const firstSlot = (slots: readonly unknown[]): number => {
  const empty = slots.findIndex((slot) => slot === null);
  return Math.min(MOST_SLOTS, (empty < 0 ? slots.length : empty) + 1);
};

function addJob(up: SettingUp, text: string): void {
  const { context, place } = up.it;
  const typed = typedJob(context, text);
  if (!typed.ok) {
    up.leaveOut('New job', 'chain', typed.sentence);
    return;
  }
  const track = context.session.tracks.find(({ id }) => id === typed.value.track);
  if (track === undefined) return;
  const { jobs } = context.session;
  const id = idFromName(`${track.name} job`, new Set(jobs.map((job) => job.id)), 'job') as JobId;
  const job = jobSchema.parse({
    at: { in: 'slot', slot: firstSlot(track.inserts) },
    ...typed.value,
    ...{ id, number: Math.max(0, ...jobs.map(({ number }) => number)) + 1 },
  });
  if (!up.make([editAdd('job', { session: place.session }, job)])) return;
  up.say(track.name, 'new job', chainText(up.it.context, job));
  if (job.state === 'live') bringUp(up, [id]);
}

/** Whoever has the units of a job makes room; then it comes up. */
function putUp(up: SettingUp, job: Job): void {
  const stand = jobsIn(up.it.context).find((each) => each.job.id === job.id);
  if (stand === undefined) return;
  const keeps = up.it.context.session.hostProfile.reusePair;
  for (const holder of holdersOf(up.it.context, stand)) takeDown(up, holder.job, keeps);
  bringUp(up, [job.id]);
}

function commit(up: SettingUp, job: Job): void {
  takeDown(up, job, false);
  const now = jobNamed(up.it, job.id);
  if (now !== undefined && up.make(stateSet(up.it, now, 'committed')))
    up.say(trackOf(up.it, job)?.name ?? '', 'state', 'committed: its units are free');
}

function resolve(up: SettingUp): void {
  for (const { first, live } of contentions(up.it.context)) {
    for (const job of first) {
      if (job.state !== 'live') continue;
      takeDown(up, job, up.it.context.session.hostProfile.reusePair);
      const now = jobNamed(up.it, job.id);
      if (now !== undefined && up.make(stateSet(up.it, now, 'to commit')))
        up.say(trackOf(up.it, job)?.name ?? '', 'state', 'to commit first');
    }
    for (const job of live) up.say(trackOf(up.it, job)?.name ?? '', 'state', 'stays live');
  }
}

function removeJob(up: SettingUp, job: Job): void {
  takeDown(up, job, false);
  const name = trackOf(up.it, job)?.name ?? '';
  if (up.make([editRemove('job', { session: up.it.place.session }, job.id)])) up.say(name, 'job', 'removed');
}

const live = (up: SettingUp): readonly JobId[] =>
  jobsIn(up.it.context)
    .filter(({ job }) => job.state === 'live')
    .map(({ job }) => job.id);

function giveAnew(up: SettingUp): void {
  const all = jobsIn(up.it.context).filter((stand) => isUp(stand) && stand.job.at.in === 'slot');
  for (const { job } of all) takeDown(up, job, false);
  bringUp(
    up,
    all.map(({ job }) => job.id),
  );
}

function setMix(up: SettingUp, settings: MixSettings): void {
  const { id, mix } = up.it.context.session;
  const value = Object.keys(settings).length === 0 ? null : settings;
  if (up.make([editSet('session', {}, id, { field: 'mix', value, was: mix ?? null })]))
    up.say('Mix', 'reckoned with', 'as set');
}

/** Does something to a job that is still there. */
function withJob(up: SettingUp, id: JobId, does: (up: SettingUp, job: Job) => void): void {
  const job = jobNamed(up.it, id);
  if (job === undefined) up.leaveOut('This job', 'job', 'It is not here any more.');
  else does(up, job);
}

/** Deeds that are about one job. */
const OF_ONE = {
  'put-up': putUp,
  'take-down': (up: SettingUp, job: Job): void => {
    takeDown(up, job, false);
  },
  commit,
  'remove-job': removeJob,
} as const;

const isOfOne = (does: JobDeed['does']): does is keyof typeof OF_ONE => does in OF_ONE;

/** The job a deed names, else all that are live. */
const named = (up: SettingUp, job: JobId | undefined): readonly JobId[] =>
  job === undefined ? live(up) : [job];

function done(up: SettingUp, deed: JobDeed): void {
  if (isOfOne(deed.does) && 'job' in deed && deed.job !== undefined) {
    withJob(up, deed.job, OF_ONE[deed.does]);
    return;
  }
  switch (deed.does) {
    case 'add-job':
      addJob(up, deed.text);
      break;
    case 'bring-up':
      bringUp(up, named(up, deed.job));
      break;
    case 'give-anew':
      giveAnew(up);
      break;
    case 'resolve':
      resolve(up);
      break;
    case 'trim':
      for (const id of named(up, deed.job)) trimJob(up, id);
      break;
    case 'tell-delays':
      for (const id of named(up, deed.job)) tellDelay(up, id);
      break;
    case 'adopt':
      adoptSlots(up);
      break;
    case 'mix-settings':
      setMix(up, deed.settings);
      break;
    default:
  }
}

/** What a deed comes to. */
export function jobDeed(it: WorkPlace, deed: JobDeed): ChannelPlan {
  const up = new SettingUp(it);
  done(up, deed);
  return { edits: up.edits, changes: up.changes, refused: up.refused };
}
