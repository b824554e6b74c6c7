import type { GraphStation } from '../../graph/signalGraph';
import { arrivalsAt } from '../../levels/laneSum';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneIdAt, laneRef, threadRefs, threadsThrough } from '../../scene/places';
import type { Rule } from '../rule';

/** Hardware slots that do not come back. */
function slots(context: WorkedScene): readonly Finding[] {
  const { graph, insertRoundTrips } = context;
  return insertRoundTrips.flatMap((trip): readonly Finding[] => {
    const [send, back] = [graph.laneIndex.get(trip.send), graph.laneIndex.get(trip.return)];
    if (trip.comesBack || send === undefined || back === undefined) return [];
    const end = trip.path.at(-1)?.to ?? send;
    return [
      {
        rule: 'send-without-return',
        at: [{ kind: 'track', id: trip.track.id }, laneRef(context, send)],
        figures: {
          what: 'slot',
          slot: trip.slot,
          stopsAt: laneIdAt(context, end),
          return: trip.return,
        },
      },
    ];
  });
}

/** Units that are fed and that nobody listens to; of a stereo unit, one of its sides is enough. */
function units(context: WorkedScene): readonly Finding[] {
  const { graph, field, nets } = context;
  const listenedTo = new Set(nets.filter(({ loads }) => loads.length > 0).map(({ driver }) => driver));
  const heard = new Set(
    graph.stations
      .filter(({ role, out }) => role === 'processor' && listenedTo.has(out))
      .map(({ device }) => device),
  );
  const fed = (station: GraphStation): boolean =>
    station.role === 'processor' &&
    graph.lanes[station.out]?.face !== 'inside' &&
    !heard.has(station.device) &&
    arrivalsAt(field, station.in).length > 0;
  return graph.stations.filter(fed).map((station): Finding => ({
    rule: 'send-without-return',
    at: [...threadRefs(threadsThrough(context, station.in)), { kind: 'station', id: station.id }],
    figures: { what: 'unit' },
  }));
}

export const sendWithoutReturn: Rule = {
  id: 'send-without-return',
  title: 'Sent out and not brought back',
  severity: 'error',
  stage: 'mix',
  why: 'An insert whose send leaves and whose return never comes mutes its track; an effect nobody listens to is work for nothing.',
  limits:
    'A trip is looked for without the tracks: an insert that comes back by way of another track counts as not coming back.',
  run: (context) => [...slots(context), ...units(context)],
};
