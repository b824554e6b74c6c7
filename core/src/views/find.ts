import type { WorkedScene } from '../scene/workedScene';
import type { EntityRef } from '../session/entityRef';
import { threadName } from '../session/threadName';
import type { SignalGraph } from '../graph/signalGraph';
import type { BayParams } from '../rig/catalogue/panels/patchbay';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import { ranked } from '../text/nameMatch';

/** Something the finder can jump to. */
export interface FoundPlace {
  readonly ref: EntityRef;
  readonly name: string;
  readonly what: 'thread' | 'track' | 'device' | 'station' | 'jack' | 'label';
}

export const MOST_FOUND = 12;

/** What the label strips of a bay say, each with the jack it stands at. */
const labelsOn =
  (graph: SignalGraph) =>
  ({ id, type, params }: Device): readonly FoundPlace[] => {
    if (type !== 'patchbay') return [];
    const { labels } = params as BayParams;
    return Object.entries(labels).flatMap(([key, label]): FoundPlace[] => {
      const lane = graph.lanes[graph.laneIndex.get(laneIdOf(id, key, 1)) ?? -1];
      return lane === undefined || label === ''
        ? []
        : [{ ref: { kind: 'lane', id: lane.id }, name: `${label} · ${lane.name}`, what: 'label' }];
    });
  };

/** Threads, tracks, devices, stations, jacks and labels whose names answer what was typed, best first. */
// eslint-disable-next-line max-lines-per-function -- a literal table of what can be found
export function findPlaces(context: WorkedScene, typed: string): readonly FoundPlace[] {
  if (typed.trim() === '') return [];
  const { threads, session, rig, graph } = context;
  const places: readonly FoundPlace[] = [
    ...threads.map(({ thread }): FoundPlace => {
      const track = thread.trackName === '' ? '' : ` · ${thread.trackName}`;
      return {
        ref: { kind: 'thread', id: thread.id },
        name: `${threadName(thread)}${track}`,
        what: 'thread',
      };
    }),
    ...session.tracks.map((track): FoundPlace => ({
      ref: { kind: 'track', id: track.id },
      name: track.name,
      what: 'track',
    })),
    ...rig.devices.map((device): FoundPlace => ({
      ref: { kind: 'device', id: device.id },
      name: device.name,
      what: 'device',
    })),
    ...graph.stations.map((station): FoundPlace => ({
      ref: { kind: 'station', id: station.id },
      name: station.name,
      what: 'station',
    })),
    ...graph.lanes.map((lane): FoundPlace => ({
      ref: { kind: 'lane', id: lane.id },
      name: lane.name,
      what: 'jack',
    })),
    ...rig.devices.flatMap(labelsOn(graph)),
  ];
  const seen = new Set<string>();
  const distinct = ranked(places, ({ name }) => name, typed).filter(
    ({ name }) => !seen.has(name) && seen.add(name),
  );
  return distinct.slice(0, MOST_FOUND);
}
