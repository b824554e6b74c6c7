import type { BusId, JobId, ThreadId } from '../../rig/ids';
import type { Destination, Track } from '../../session/daw/trackSchema';
import { scenesInOrder } from '../../session/scenesInOrder';
import type { Job } from '../../session/jobSchema';
import type { Scene, Session, Thread } from '../../session/sessionSchema';

/** What a template, or a session begun from another, may keep; rate, line-up and host always stay. */
export const SESSION_PARTS = ['lines', 'pins', 'tracks', 'buses', 'scenes', 'settings'] as const;
export type SessionPart = (typeof SESSION_PARTS)[number];

export const ALL_PARTS: ReadonlySet<SessionPart> = new Set(SESSION_PARTS);

const isBus = (to: Destination): to is Extract<Destination, { to: 'bus' }> => to.to === 'bus';

/** A track that names only buses there are. */
export function onBuses(track: Track, there: ReadonlySet<BusId>): Track {
  const leads = (to: Destination): boolean => !isBus(to) || there.has(to.bus);
  const { input, inserts, sends, outputs } = track;
  return {
    ...track,
    input: input.from === 'bus' && !there.has(input.bus) ? { from: 'none' } : input,
    inserts: inserts.map((slot) => {
      if (slot?.kind !== 'plugin' || slot.key === undefined || there.has(slot.key)) return slot;
      const { key: _key, ...others } = slot;
      return others;
    }),
    sends: sends.filter(({ destination }) => leads(destination)),
    outputs: outputs.filter(leads),
  };
}

/** A scene whose cords name only threads there are: a cord of one that is not goes with it. */
export const forThreads = (scene: Scene, there: ReadonlySet<ThreadId>): Scene => ({
  ...scene,
  cords: scene.cords.filter(({ thread }) => thread === undefined || there.has(thread)),
});

function keptScenes(session: Session, keeps: ReadonlySet<SessionPart>): Scene[] {
  const [first] = scenesInOrder(session);
  const there = new Set(keeps.has('lines') ? session.threads.map(({ id }) => id) : []);
  const bare = (scene: Scene): Scene => {
    const { follows: _follows, position: _position, archived: _archived, trains: _trains, ...alone } = scene;
    return { ...alone, cords: [], settings: scene.settings };
  };
  const scenes = keeps.has('scenes')
    ? session.scenes.map((scene) => forThreads(scene, there))
    : first === undefined
      ? []
      : [bare(first)];
  const tracked = keeps.has('tracks') ? scenes : scenes.map(({ trackStates: _states, ...rest }) => rest);
  return keeps.has('settings') ? tracked : tracked.map((scene) => ({ ...scene, settings: {} }));
}

const inScenes = <T extends Pick<Thread, 'scenes'>>(item: T, scenes: readonly Scene[]): T => ({
  ...item,
  scenes: item.scenes.filter((id) => scenes.some((scene) => scene.id === id)),
});

const keptThread = (thread: Thread, scenes: readonly Scene[], withPins: boolean): Thread => ({
  ...inScenes(thread, scenes),
  pins: withPins ? thread.pins : {},
});

/** A line that does no job, or one there is. */
export function ofJobs(thread: Thread, there: ReadonlySet<JobId>): Thread {
  if (thread.job === undefined || there.has(thread.job)) return thread;
  const { job: _job, ...alone } = thread;
  return alone;
}

/** Slots that do no job, or one there is. */
export const slotsOfJobs = (inserts: Track['inserts'], there: ReadonlySet<JobId>): Track['inserts'] =>
  inserts.map((slot) => {
    if (slot?.job === undefined || there.has(slot.job)) return slot;
    const { job: _job, ...alone } = slot;
    return alone;
  });

/**
 * A session with only some of its parts. What no part holds is the house: rate, line-up, host, what the router
 * prefers. Numbers, names and places of what is kept are as they were.
 */
export function withParts(session: Session, keeps: ReadonlySet<SessionPart>): Session {
  const scenes = keptScenes(session, keeps);
  const buses = keeps.has('buses') ? session.buses : [];
  const there = new Set(buses.map(({ id }) => id));
  const jobs = keeps.has('tracks') ? session.jobs : [];
  const kept = new Set(jobs.map(({ id }) => id));
  return {
    ...session,
    scenes,
    ...{ buses, jobs },
    sums: keeps.has('tracks') ? session.sums.map((sum) => inScenes(sum, scenes)) : [],
    tracks: keeps.has('tracks') ? session.tracks.map((track) => onBuses(track, there)) : [],
    threads: keeps.has('lines')
      ? session.threads.map((thread) => ofJobs(keptThread(thread, scenes, keeps.has('pins')), kept))
      : [],
    performers: keeps.has('lines') ? session.performers : [],
    playbackChecks: keeps.has('scenes') && keeps.has('settings') ? session.playbackChecks : [],
    cues: keeps.has('lines') ? session.cues.map((cue) => inScenes(cue, scenes)) : [],
  };
}

/**
 * A session without what belongs to its day alone: date, what was waived, what a meter showed, the rate something
 * was recorded at, what was committed.
 */
export function withoutMaterial(session: Session): Session {
  const { date: _date, goesLive: _live, archived: _away, template: _template, ...rest } = session;
  const tracks = session.tracks.map((track) => {
    const { recordedAtHz: _rate, ...others } = track;
    return others;
  });
  const jobs = session.jobs.map((job): Job =>
    job.state === 'committed' ? { ...job, state: 'to commit' } : job,
  );
  return { ...rest, tracks, jobs, waivers: [], readings: [] };
}
