import type { SignalGraph } from '../graph/signalGraph';
import { edgesInto } from '../graph/walk';
import type { Arrival } from '../levels/arrival';
import { arrivalsAt } from '../levels/laneSum';
import type { LevelField } from '../levels/levelField';
import { recordedOn } from '../levels/soundSources';
import { airSamples } from '../levels/sourceLevel';
import { addingLanes } from '../levels/sumLanes';
import type { Session, Thread } from '../session/sessionSchema';

/** What several microphones heard of one sound, where it comes together. */
export interface CoherentSum {
  readonly lane: number;
  /** "Wen Askelby, Harp". */
  readonly sound: string;
  /** By microphone the strongest way: its level in the unit of the lane, its delay since the sound. */
  readonly ways: readonly { readonly thread: Thread; readonly arrival: Arrival }[];
}

/** What of a session's sources decides which of them hear one sound. */
interface Heard {
  readonly thread: Thread;
  /** A microphone of its own, or what was recorded from it: the two are never mixed. */
  readonly kind: 'live' | 'recorded';
  /** By air, as far as the source does not bring it along already. */
  readonly moreSamples: number;
  readonly nominal: number;
}

/** Lines of one performer whose source reads the same before a comma hear one sound: "Harp, close", "Harp, room". */
export function soundOf({ performer, source }: Pick<Thread, 'performer' | 'source'>): string {
  const what = source.split(',')[0]?.trim() ?? '';
  return what === '' ? '' : [performer, what].filter((part) => part !== '').join(', ');
}

function heardBy(session: Session, field: LevelField, sampleRateHz: number): readonly (Heard | undefined)[] {
  const threads = new Map(session.threads.map((thread) => [thread.id, thread]));
  const tracks = new Map(session.tracks.map((track) => [track.id, track]));
  return field.sources.map(({ thread: own, track: playing, nominal }): Heard | undefined => {
    if (nominal === undefined) return undefined;
    const live = own === undefined ? undefined : threads.get(own);
    if (live !== undefined) return { thread: live, kind: 'live', moreSamples: 0, nominal };
    const track = playing === undefined ? undefined : tracks.get(playing);
    const thread = track && recordedOn(session, track);
    // The way through the air is on the recording.
    return thread && { thread, kind: 'recorded', moreSamples: airSamples(thread, sampleRateHz), nominal };
  });
}

/** The strongest arrival of every source at a lane, by the sound it is of. */
function bySound(
  arrivals: readonly Arrival[],
  heard: readonly (Heard | undefined)[],
): ReadonlyMap<string, ReadonlyMap<number, Arrival>> {
  const sounds = new Map<string, Map<number, Arrival>>();
  for (const arrival of arrivals) {
    const from = heard[arrival.source];
    const sound = from === undefined ? '' : soundOf(from.thread);
    if (from === undefined || sound === '') continue;
    const key = `${from.kind} ${sound}`;
    const own = sounds.get(key) ?? new Map<number, Arrival>();
    const before = own.get(arrival.source);
    if (before === undefined || arrival.gainDb > before.gainDb) own.set(arrival.source, arrival);
    sounds.set(key, own);
  }
  return sounds;
}

/** Whether one source comes by an edge that another does not come by. */
const comesApart = (edges: readonly ReadonlySet<number>[], one: number, other: number): boolean =>
  edges.some((sources) => sources.has(one) && !sources.has(other));

/**
 * Every place where microphones of one sound come together, one for the sides of a bus; where they come on
 * together from such a place, that is not another one. The level of spill is not known: each is taken at
 * the level its line says.
 */
export function coherentSums(
  session: Session,
  graph: SignalGraph,
  field: LevelField,
): readonly CoherentSum[] {
  const heard = heardBy(session, field, graph.sampleRateHz);
  const known = new Set<string>();
  return addingLanes(graph, field).flatMap((lane): readonly CoherentSum[] => {
    const before = edgesInto(graph, lane).map(
      ({ from }) => new Set(arrivalsAt(field, from).map(({ source }) => source)),
    );
    const id = graph.lanes[lane]?.id ?? '';
    const port = id.slice(0, id.lastIndexOf('/'));
    return [...bySound(arrivalsAt(field, lane), heard)].flatMap(([key, own]): readonly CoherentSum[] => {
      const meetHere = [...own.keys()].some((a) =>
        [...own.keys()].some((b) => a !== b && comesApart(before, a, b) && comesApart(before, b, a)),
      );
      if (!meetHere || known.has(`${key} ${port}`)) return [];
      known.add(`${key} ${port}`);
      const ways = [...own].flatMap(([source, arrival]): CoherentSum['ways'] => {
        const from = heard[source];
        if (from === undefined) return [];
        const { thread, nominal, moreSamples } = from;
        const alignedSamples = arrival.alignedSamples + moreSamples;
        return [{ thread, arrival: { ...arrival, gainDb: nominal + arrival.gainDb, alignedSamples } }];
      });
      return [{ lane, sound: key.slice(key.indexOf(' ') + 1), ways }];
    });
  });
}
