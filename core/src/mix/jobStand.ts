import type { InsertRoundTrip } from '../timing/insertRoundTrips';
import type { PlannedThread, WorkedScene } from '../scene/workedScene';
import { byNumber } from '../session/byNumber';
import type { HardwareSlot, Track } from '../session/daw/trackSchema';
import type { Job } from '../session/jobSchema';
import type { Session } from '../session/sessionSchema';
import type { JobFault } from './jobFaults';
import { jobFaults } from './jobFaults';

/**
 * How far a job is: `up` has its channels and its units; `standing by` keeps its channels and is switched off; `waiting`
 * has neither.
 */
export type JobPlacing = 'up' | 'standing by' | 'waiting';

/** A job with what there is of it in the session and the scene. */
export interface JobStand {
  readonly job: Job;
  readonly track: Track;
  /** Its slot and which one, from 1, where it has one. */
  readonly slot?: HardwareSlot;
  readonly slotNumber?: number;
  /** The lines that do it in this scene, side by side. */
  readonly lines: readonly PlannedThread[];
  readonly placing: JobPlacing;
  readonly trips: readonly InsertRoundTrip[];
  readonly faults: readonly JobFault[];
}

function slotOf(track: Track, { id }: Job): Pick<JobStand, 'slot' | 'slotNumber'> {
  const at = track.inserts.findIndex((slot) => slot?.kind === 'hardware' && slot.job === id);
  const slot = track.inserts[at];
  return slot?.kind === 'hardware' ? { slot, slotNumber: at + 1 } : {};
}

function placingOf({ at }: Job, slot: HardwareSlot | undefined, lines: number): JobPlacing {
  if (at.in !== 'slot') return lines > 0 ? 'up' : 'waiting';
  if (slot === undefined) return 'waiting';
  return slot.off === true ? 'standing by' : 'up';
}

function standOf(context: WorkedScene, job: Job): readonly JobStand[] {
  const track = context.session.tracks.find(({ id }) => id === job.track);
  if (track === undefined) return [];
  const own = slotOf(track, job);
  const lines = context.threads.filter(({ thread }) => thread.job === job.id);
  const trips = context.insertRoundTrips.filter(
    (trip) => trip.track.id === track.id && trip.slot === own.slotNumber,
  );
  const faults = jobFaults(context, job, track);
  return [
    { ...{ job, track, ...own, lines, trips, faults }, placing: placingOf(job, own.slot, lines.length) },
  ];
}

/** How many jobs of a session have their channels or are committed, and how many there are: what documents say by themselves. */
export function jobsPlaced({ jobs, tracks, threads }: Pick<Session, 'jobs' | 'tracks' | 'threads'>): {
  readonly placed: number;
  readonly all: number;
} {
  const up = new Set([
    ...tracks.flatMap(({ inserts }) => inserts.map((slot) => slot?.job)),
    ...threads.map(({ job }) => job),
  ]);
  return {
    placed: jobs.filter(({ id, state }) => state === 'committed' || up.has(id)).length,
    all: jobs.length,
  };
}

const known = new WeakMap<WorkedScene, readonly JobStand[]>();

/** Every job of the session as it stands, by number. */
export function jobsIn(context: WorkedScene): readonly JobStand[] {
  const before = known.get(context);
  if (before !== undefined) return before;
  const found = [...context.session.jobs].sort(byNumber).flatMap((job) => standOf(context, job));
  known.set(context, found);
  return found;
}
