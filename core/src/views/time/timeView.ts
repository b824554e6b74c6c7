import type { WorkedScene } from '../../scene/workedScene';
import type { PerformerId, TrackId } from '../../rig/ids';
import { performerDelays } from '../../timing/performerDelays';
import { airDelayMs } from '../../units/air';
import { msFromSamples } from '../../units/duration';
import type { ParallelPathsView } from './parallelPathViews';
import { parallelPathViews } from './parallelPathViews';

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
  readonly parallelPaths: readonly ParallelPathsView[];
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
function insertViews({ insertRoundTrips, session }: WorkedScene): readonly InsertView[] {
  const { compensates, insertDelay } = session.hostProfile;
  return insertRoundTrips
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

function performerViews({ session, graph, field }: WorkedScene): readonly PerformerView[] {
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

function loudspeakerViews({ rig }: WorkedScene): TimeView['loudspeakers'] {
  return rig.devices.flatMap(({ type, name, params }) => {
    const distanceM = params['distanceM'];
    return type === 'loudspeaker' && typeof distanceM === 'number'
      ? [{ name, distanceM, delayMs: airDelayMs(distanceM) }]
      : [];
  });
}

/** Everything about time in a scene: ways that meet, inserts, performers, loudspeakers. */
export const timeView = (context: WorkedScene): TimeView => ({
  parallelPaths: parallelPathViews(context),
  inserts: insertViews(context),
  performers: performerViews(context),
  loudspeakers: loudspeakerViews(context),
  budget: {
    used: context.insertRoundTrips.filter(({ side, track }) => side === 1 && !track.muted).length,
    felt: FELT_INSERTS,
    counts: context.session.hostProfile.insertsAtSmallBuffer,
  },
});
