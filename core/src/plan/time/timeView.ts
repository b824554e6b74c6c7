import type { CheckContext } from '../../checks/context';
import { entityName, namingOf } from '../../checks/naming';
import { laneIdAt, sourceRef } from '../../checks/places';
import { deepestComb } from '../../checks/deepestComb';
import { worstMeetings } from '../../checks/meetingsByPort';
import type { LaneId, PerformerId, TrackId } from '../../rig/ids';
import { performerDelays } from '../../timing/performerDelays';
import { airDelayMs } from '../../units/air';
import { msFromSamples } from '../../units/duration';
import { logFrequenciesHz, responseDb } from '../../timing/response';

/** Two ways of one sound that come together, and what they make of it. */
export interface MeetingView {
  readonly key: string;
  readonly lane: LaneId;
  readonly source: string;
  readonly place: string;
  /** Every way: through which lane it comes, when, how loud and which way up, against the strongest. */
  readonly ways: readonly {
    readonly through: string;
    readonly lateSamples: number;
    readonly lateMs: number;
    readonly levelDb: number;
    readonly inverted: boolean;
  }[];
  /** First notches of the two ways that make the deepest comb. */
  readonly notchesHz: readonly number[];
  /** Least and greatest of the response. */
  readonly dipDb: number;
  readonly peakDb: number;
  /** Response of the sum over the strongest way alone. */
  readonly response: readonly { readonly hz: number; readonly db: number }[];
}

export interface InsertView {
  readonly track: TrackId;
  readonly name: string;
  readonly slot: number;
  readonly comesBack: boolean;
  readonly tripSamples: number;
  readonly tripMs: number;
  readonly knownSamples?: number;
  /** Samples it comes late after what the host makes up for. */
  readonly leftSamples: number;
}

export interface PerformerView {
  readonly performer: PerformerId;
  readonly name: string;
  readonly line: string;
  readonly delaySamples: number;
  readonly delayMs: number;
  readonly limitMs: number;
  readonly isLate: boolean;
}

export interface TimeView {
  readonly meetings: readonly MeetingView[];
  readonly inserts: readonly InsertView[];
  readonly performers: readonly PerformerView[];
  readonly loudspeakers: readonly {
    readonly name: string;
    readonly distanceM: number;
    readonly delayMs: number;
  }[];
  /** Hardware inserts that run at the small buffer, of the number at which people begin to feel it. */
  readonly budget: { readonly used: number; readonly felt: number; readonly counts: boolean };
}

/** Inserts at the small buffer at which people feel the load. Common practice, no source. */
export const FELT_INSERTS = 20;
const POINTS = 2400;
/** A curve that goes to nothing is drawn down to here. */
const LOWEST_DB = -60;

function meetingViews(context: CheckContext): readonly MeetingView[] {
  const { graph, field, rig, session } = context;
  const naming = namingOf(rig, session, graph);
  const rate = session.sampleRateHz;
  return worstMeetings(context, (meeting) => {
    const deepest = deepestComb(meeting, rate);
    return deepest === undefined ? undefined : { ...deepest, worth: -deepest.comb.dipDb };
  }).map(({ meeting, lane, judged: { comb } }) => {
    const arrivals = meeting.ways.map(({ arrival }) => arrival);
    const strongest = arrivals.reduce((a, b) => (b.gainDb > a.gainDb ? b : a));
    const source = entityName(naming, sourceRef(context, field.sources[meeting.source]));
    const id = laneIdAt(context, lane);
    const response = logFrequenciesHz(POINTS).map((hz) => ({
      hz,
      db: Math.max(LOWEST_DB, responseDb(arrivals, hz, rate) - strongest.gainDb),
    }));
    const levels = response.map(({ db }) => db);
    return {
      key: `${source} ${id}`,
      lane: id,
      source,
      place: graph.lanes[lane]?.name ?? id,
      ways: meeting.ways
        .map(({ edge, arrival }) => {
          const late = arrival.alignedSamples - strongest.alignedSamples;
          return {
            through: graph.lanes[graph.edges[edge]?.from ?? -1]?.name ?? 'here',
            lateSamples: late,
            lateMs: msFromSamples(late, rate),
            levelDb: arrival.gainDb - strongest.gainDb,
            inverted: arrival.inverted !== strongest.inverted,
          };
        })
        .sort((a, b) => b.levelDb - a.levelDb),
      notchesHz: comb.notchesHz,
      dipDb: Math.min(...levels),
      peakDb: Math.max(...levels),
      response,
    };
  });
}

function insertViews({ insertTrips, session }: CheckContext): readonly InsertView[] {
  const { compensates, insertDelay } = session.hostProfile;
  return insertTrips
    .filter(({ side }) => side === 1)
    .map(({ track, slot, settings, comesBack, delaySamples }) => {
      const known = insertDelay === 'not known to the host' ? undefined : settings.delaySamples;
      return {
        ...{ track: track.id, name: track.name, slot, comesBack },
        tripSamples: delaySamples,
        tripMs: msFromSamples(delaySamples, session.sampleRateHz),
        ...(known !== undefined && { knownSamples: known }),
        leftSamples: delaySamples - (compensates ? (known ?? 0) : 0),
      };
    });
}

function performerViews({ session, graph, field }: CheckContext): readonly PerformerView[] {
  const threads = new Map(session.threads.map((thread) => [thread.id, thread]));
  return performerDelays(session, graph, field).map(({ performer, thread, delaySamples, delayMs }) => ({
    performer: performer.id,
    name: performer.name,
    line: threads.get(thread)?.source ?? '',
    delaySamples,
    delayMs,
    limitMs: performer.cueLimitMs,
    isLate: delayMs > performer.cueLimitMs,
  }));
}

function loudspeakerViews({ rig }: CheckContext): TimeView['loudspeakers'] {
  return rig.devices.flatMap(({ type, name, params }) => {
    const distanceM = params['distanceM'];
    return type === 'loudspeaker' && typeof distanceM === 'number'
      ? [{ name, distanceM, delayMs: airDelayMs(distanceM) }]
      : [];
  });
}

/** Everything about time in a scene: ways that meet, inserts, performers, loudspeakers. */
export const timeView = (context: CheckContext): TimeView => ({
  meetings: meetingViews(context),
  inserts: insertViews(context),
  performers: performerViews(context),
  loudspeakers: loudspeakerViews(context),
  budget: {
    used: context.insertTrips.filter(({ side, track }) => side === 1 && !track.muted).length,
    felt: FELT_INSERTS,
    counts: context.session.hostProfile.insertsAtSmallBuffer,
  },
});
