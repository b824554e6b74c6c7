import type { Edit } from '../../../edits/make';
import { editSet } from '../../../edits/make';
import type { JobId } from '../../../rig/ids';
import type { Slot, Track } from '../../../session/daw/trackSchema';
import type { Job } from '../../../session/jobSchema';
import type { SettingUp } from '../../settingUp';
import type { WorkPlace } from '../../workPlace';

export const jobNamed = ({ context }: WorkPlace, id: JobId): Job | undefined =>
  context.session.jobs.find((job) => job.id === id);

/** The track of a job, as it is now. */
export const trackOf = ({ context }: WorkPlace, { track }: Job): Track | undefined =>
  context.session.tracks.find(({ id }) => id === track);

/** Puts other slots into a track; nothing where they stand so. */
export function slotsSet(
  { context }: WorkPlace,
  { id, inserts }: Track,
  slots: (Slot | null)[],
): readonly Edit[] {
  if (JSON.stringify(slots) === JSON.stringify(inserts)) return [];
  return [
    editSet('track', { session: context.session.id }, id, { field: 'inserts', value: slots, was: inserts }),
  ];
}

/** Sets the state of a job. */
export function stateSet({ context }: WorkPlace, { id, state }: Job, now: Job['state']): readonly Edit[] {
  if (state === now) return [];
  return [editSet('job', { session: context.session.id }, id, { field: 'state', value: now, was: state })];
}

/** Makes an edit of slots in the place as it stands, and says whether it goes. */
export function putSlots(
  up: SettingUp,
  job: Job,
  change: (track: Track) => (Slot | null)[] | undefined,
): boolean {
  const track = trackOf(up.it, job);
  const slots = track && change(track);
  return track !== undefined && slots !== undefined && up.make(slotsSet(up.it, track, slots));
}
