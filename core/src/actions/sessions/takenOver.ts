import type { JobId } from '../../rig/ids';
import { deviceIdIn } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import type { Performer } from '../../session/performerSchema';
import type { Cue } from '../../session/cueSchema';
import type { Job } from '../../session/jobSchema';
import type { PlaybackCheck } from '../../session/playbackSchema';
import type { Session, Thread } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { Sum } from '../../session/sumSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import type { Counterpart } from './counterparts';
import { standsTwice } from './counterparts';
import type { Crossed, Crossing, LeftOut } from './crossing';
import { crossed, crossingBetween, leftOut } from './crossing';
import { cueOver } from './cueOver';
import { sceneOver } from './sceneOver';
import type { MadeSession } from './sessionEdits';
import { sessionAdded } from './sessionEdits';
import { forThreads, ofJobs, slotsOfJobs } from './sessionParts';
import { threadOver } from './threadOver';

/** Sides whose first side is left out stand alone, and lines whose cue or job is left out are of none. */
function withoutLost(threads: readonly Thread[], cues: readonly Cue[], jobs: ReadonlySet<JobId>): Thread[] {
  const there = new Set<string>([...threads, ...cues].map(({ id }) => id));
  const ofKnownJobs = threads.map((thread) => ofJobs(thread, jobs));
  return ofKnownJobs.map(({ link, cue, ...alone }) => ({
    ...alone,
    ...(link !== undefined && there.has(link.lead) && { link }),
    ...(cue !== undefined && there.has(cue) && { cue }),
  }));
}

function performerOver({ to, name }: Crossing, performer: Performer): Crossed<Performer> {
  const { headphones, ...bare } = performer;
  if (headphones === undefined) return { kept: performer, left: [] };
  const ours = to.get(headphones);
  return ours === undefined
    ? { kept: bare, left: [leftOut('headphones', performer.name, name(headphones))] }
    : { kept: { ...bare, headphones: ours }, left: [] };
}

/** Host, automated console and what a meter showed: what of a session stands beside its lists. */
function besidesOver(over: Crossing, session: Session): Crossed<Session> {
  const { host, automatedConsole, readings, consoleViews, waivers, ...rest } = session;
  const left: LeftOut[] = [];
  const device = (what: 'host' | 'automation', id: Session['host']): Session['host'] => {
    const ours = id && over.to.get(id);
    if (id !== undefined && ours === undefined) left.push(leftOut(what, '', over.name(id)));
    return ours;
  };
  const [newHost, newConsole] = [device('host', host), device('automation', automatedConsole)];
  const kept = readings.flatMap((reading) => {
    const id = crossed(over, reading.id);
    if (id === undefined) left.push(leftOut('readings', '', over.name(deviceIdIn(reading.id))));
    return id === undefined ? [] : [{ ...reading, id }];
  });
  const views = consoleViews.flatMap((view) => {
    const ours = over.to.get(view.device);
    if (ours === undefined) left.push(leftOut('console-view', view.name, over.name(view.device)));
    return ours === undefined ? [] : [{ ...view, device: ours }];
  });
  // A waiver is known by the ids of the places it is about.
  const isSameRig = [...over.to].every(([theirs, ours]) => theirs === ours);
  if (!isSameRig && waivers.length > 0) left.push({ ...leftOut('waivers', '', ''), count: waivers.length });
  return {
    kept: {
      ...{ ...rest, readings: kept, consoleViews: views, waivers: isSameRig ? waivers : [] },
      ...(newHost !== undefined && { host: newHost }),
      ...(newConsole !== undefined && { automatedConsole: newConsole }),
    },
    left,
  };
}

/** A playback check is one of a console and a recorder; without either there is none. */
function checkOver({ to, name }: Crossing, check: PlaybackCheck): Crossed<PlaybackCheck | undefined> {
  const [console, recorder] = [to.get(check.console), to.get(check.recorder)];
  if (console !== undefined && recorder !== undefined)
    return { kept: { ...check, console, recorder }, left: [] };
  const missing = name(console === undefined ? check.console : check.recorder);
  return { kept: undefined, left: [leftOut('playback-check', check.name, missing)] };
}

/** A job passes the units it names; without one of them there is none. */
function jobOver(over: Crossing, { tracks }: Session, job: Job): Crossed<Job | undefined> {
  const missing = job.chain.flat().find((id) => crossed(over, id) === undefined);
  const chain = job.chain.map((sides) => sides.flatMap((id) => crossed(over, id) ?? []));
  if (missing === undefined) return { kept: { ...job, chain }, left: [] };
  const track = tracks.find(({ id }) => id === job.track)?.name ?? job.track;
  return { kept: undefined, left: [leftOut('job', track, over.name(deviceIdIn(missing)))] };
}

interface JobsOver extends Crossed<Job[]> {
  readonly known: ReadonlySet<JobId>;
  /** With slots that do no job which is left out. */
  readonly tracks: Session['tracks'];
}

function jobsOver(over: Crossing, session: Session): JobsOver {
  const jobs = session.jobs.map((job) => jobOver(over, session, job));
  const kept = jobs.flatMap((each) => each.kept ?? []);
  const known = new Set(kept.map(({ id }) => id));
  const tracks = session.tracks.map((track) => ({ ...track, inserts: slotsOfJobs(track.inserts, known) }));
  return { kept, known, tracks, left: jobs.flatMap(({ left }) => left) };
}

/** A sum is one of its mixers; without one of them there is none. */
function sumsOver({ to, name }: Crossing, { sums }: Session): Crossed<Sum[]> {
  const missing = sums.map(({ mixers }) => mixers.find((id) => !to.has(id)));
  return {
    kept: sums
      .filter((_, i) => missing[i] === undefined)
      .map((sum) => ({ ...sum, mixers: sum.mixers.flatMap((id) => to.get(id) ?? []) })),
    left: sums.flatMap((sum, i) => {
      const lost = missing[i];
      return lost === undefined ? [] : [leftOut('sum', sum.name, name(lost))];
    }),
  };
}

/**
 * A session of another rig as it can be on this one, and all that cannot. Ids, numbers and names stay; nothing is
 * put in the place of what is missing.
 */
export function sessionOver(
  session: Session,
  theirs: Rig,
  ours: Rig,
  all: readonly Counterpart[],
): Crossed<Session> {
  const over = crossingBetween(theirs, ours, all);
  const threads = session.threads.map((thread) => ({ number: thread.number, ...threadOver(over, thread) }));
  const cues = session.cues.map((cue) => cueOver(over, cue));
  const checks = session.playbackChecks.map((check) => checkOver(over, check));
  const keptCues = cues.flatMap((each) => each.kept ?? []);
  const [jobs, sums] = [jobsOver(over, session), sumsOver(over, session)];
  const kept = withoutLost(
    threads.flatMap((each) => each.kept ?? []),
    keptCues,
    jobs.known,
  );
  const there = new Set(kept.map(({ id }) => id));
  const scenes = session.scenes.map((scene) => sceneOver(over, forThreads(scene, there)));
  const performers = session.performers.map((performer) => performerOver(over, performer));
  const besides = besidesOver(over, session);
  return {
    kept: {
      ...besides.kept,
      ...{ threads: kept, scenes: scenes.map((each) => each.kept) },
      performers: performers.map((each) => each.kept),
      ...{ cues: keptCues, jobs: jobs.kept, tracks: jobs.tracks, sums: sums.kept },
      playbackChecks: checks.flatMap((each) => each.kept ?? []),
    },
    left: [
      ...[...threads].sort((a, b) => a.number - b.number),
      ...[...scenes, ...performers, ...cues, ...checks, jobs, sums, besides],
    ].flatMap((each) => each.left),
  };
}

/** A session that was taken over, and what was left behind. */
export interface TakenOver extends MadeSession {
  readonly left: readonly LeftOut[];
}

/** Takes a session of another rig over into this studio under a name of its own. */
export function takenOver(
  studio: Studio,
  name: string,
  {
    session,
    theirs,
    all,
  }: { readonly session: Session; readonly theirs: Rig; readonly all: readonly Counterpart[] },
): CellReading<TakenOver> {
  const twice = standsTwice(all);
  if (twice !== undefined)
    return refuse(`${twice.name} would stand for two devices. Choose another one, or none, for one of them.`);
  const { kept, left } = sessionOver(session, theirs, studio.rig, all);
  const kind = session.template === true ? 'template' : 'session';
  const made = sessionAdded(studio, kept, { name, kind, label: 'Take over' });
  return made.ok ? value({ ...made.value, left }) : made;
}
