import type { SignalGraph } from '../graph/signalGraph';
import type { Arrival } from '../levels/arrival';
import { arrivalsAt } from '../levels/laneSum';
import type { LevelField } from '../levels/levelField';
import type { DeviceId, ThreadId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Performer } from '../session/performerSchema';
import type { Session } from '../session/sessionSchema';
import { msFromSamples } from '../units/duration';

/** How late a performer hears one of their own lines. */
export interface PerformerDelay {
  readonly performer: Performer;
  readonly headphones: DeviceId;
  readonly thread: ThreadId;
  readonly delaySamples: number;
  readonly delayMs: number;
}

const SIDES = [1, 2];

/** The strongest way in which each of some sources reaches headphones. */
function strongestAt(
  graph: SignalGraph,
  field: LevelField,
  headphones: DeviceId,
): ReadonlyMap<number, Arrival> {
  const strongest = new Map<number, Arrival>();
  for (const side of SIDES)
    for (const arrival of arrivalsAt(field, graph.laneIndex.get(laneIdOf(headphones, 'in', side)) ?? -1)) {
      const before = strongest.get(arrival.source);
      if (before === undefined || arrival.gainDb > before.gainDb) strongest.set(arrival.source, arrival);
    }
  return strongest;
}

/** For every performer with headphones, how late their own lines arrive there; nothing for lines they do not hear. */
export function performerDelays(
  session: Session,
  graph: SignalGraph,
  field: LevelField,
): readonly PerformerDelay[] {
  const threads = new Map(session.threads.map((thread) => [thread.id, thread]));
  return session.performers.flatMap((performer) => {
    const { headphones } = performer;
    if (headphones === undefined) return [];
    return [...strongestAt(graph, field, headphones)].flatMap(
      ([source, { alignedSamples: delaySamples }]) => {
        const thread = threads.get(field.sources[source]?.thread ?? ('' as ThreadId));
        if (thread?.performer !== performer.name) return [];
        const delayMs = msFromSamples(delaySamples, session.sampleRateHz);
        return [{ performer, headphones, thread: thread.id, delaySamples, delayMs }];
      },
    );
  });
}
