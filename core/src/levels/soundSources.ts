import { hostOf, trackPort } from '../graph/dawTracks';
import type { SignalGraph } from '../graph/signalGraph';
import { edgesFrom } from '../graph/walk';
import type { ThreadId, TrackId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Track } from '../session/daw/trackSchema';
import type { Scene, Session, Thread } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import type { SourceLevel } from './sourceLevel';
import { airSamples, startLevel } from './sourceLevel';

/** Something that sounds in a scene, at the lane where it comes into the rig. */
export interface SoundSource {
  readonly lane: number;
  /** RMS, in the unit of its lane; unknown where nobody said. */
  readonly nominal?: number;
  readonly crestDb?: number;
  /** Its delay by air. */
  readonly delaySamples: number;
  readonly thread?: ThreadId;
  readonly track?: TrackId;
}

function sourceAt(
  graph: SignalGraph,
  lane: number,
  level: SourceLevel,
  owner: Pick<SoundSource, 'thread' | 'track'>,
): readonly SoundSource[] {
  const at = graph.lanes[lane];
  if (at === undefined) return [];
  const nominal = startLevel(at, level);
  const { crestDb } = level;
  const delaySamples = airSamples(level, graph.sampleRateHz);
  return [
    {
      lane,
      delaySamples,
      ...(nominal !== undefined && { nominal }),
      ...(crestDb !== undefined && { crestDb }),
      ...owner,
    },
  ];
}

/** The line of the input list that is recorded on a track. */
export const recordedOn = ({ threads }: Session, { name }: Track): Thread | undefined =>
  threads.find(({ trackName }) => trackName !== '' && trackName === name);

/**
 * What a track plays: at the level of the line-up unless it says otherwise, since that is what recordings
 * are made at; with the crest of what was recorded on it.
 */
export function playbackLevel(session: Session, track: Track): SourceLevel {
  const crestDb = track.crestDb ?? recordedOn(session, track)?.crestDb;
  return { levelDbfs: track.levelDbfs ?? session.lineUp.dbfs, ...(crestDb !== undefined && { crestDb }) };
}

/** Lanes a DAW output feeds from: a thread that starts there carries what the tracks send, no sound of its own. */
const isFed = (graph: SignalGraph, lane: number): boolean =>
  (graph.incoming.start[lane + 1] ?? 0) > (graph.incoming.start[lane] ?? 0);

/** Whether anything hangs behind the cable that a lane leaves by; a recorder plays all its tracks, wanted or not. */
function isListenedTo(graph: SignalGraph, start: number): boolean {
  const seen = new Set([start]);
  for (const lane of seen) {
    const [edge, other] = edgesFrom(graph, lane);
    if (other !== undefined) return true;
    if (edge === undefined) return lane !== start && graph.lanes[lane]?.face === 'inside';
    seen.add(edge.to);
  }
  return true;
}

/**
 * What recorders of their own play, where somebody listens: at the level of the line-up, since that is what recordings
 * are made at. Its crest is not known.
 */
function recorderSources(rig: Rig, session: Session, graph: SignalGraph): readonly SoundSource[] {
  return rig.devices
    .filter(({ type }) => type === 'multitrackRecorder')
    .flatMap(({ id }) => {
      const sources: SoundSource[] = [];
      for (let n = 1; ; n++) {
        const lane = graph.laneIndex.get(laneIdOf(id, 'play', n));
        if (lane === undefined) return sources;
        if (isListenedTo(graph, lane))
          sources.push(...sourceAt(graph, lane, { levelDbfs: session.lineUp.dbfs }, {}));
      }
    });
}

/** Everything that sounds in a scene: the sources of its threads, and what tracks and recorders play. One a lane. */
export function soundSources(
  rig: Rig,
  session: Session,
  scene: Scene,
  graph: SignalGraph,
): readonly SoundSource[] {
  const sources = new Map<number, SoundSource>();
  const add = (found: readonly SoundSource[]): void => {
    for (const source of found) if (!sources.has(source.lane)) sources.set(source.lane, source);
  };
  for (const thread of threadsIn(session, scene)) {
    const lane = graph.laneIndex.get(thread.from);
    if (lane !== undefined && !isFed(graph, lane)) add(sourceAt(graph, lane, thread, { thread: thread.id }));
  }
  const host = hostOf(rig.devices, session);
  for (const track of host === undefined ? [] : session.tracks)
    for (let side = 1; side <= track.width; side++) {
      const lane = graph.laneIndex.get(laneIdOf(host?.id ?? '', trackPort(track, 'play'), side));
      if (lane === undefined || graph.outgoing.start[lane] === graph.outgoing.start[lane + 1]) continue;
      add(sourceAt(graph, lane, playbackLevel(session, track), { track: track.id }));
    }
  add(recorderSources(rig, session, graph));
  return [...sources.values()];
}
