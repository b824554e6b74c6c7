import type { SignalGraph } from '../graph/signalGraph';
import type { EntityRef } from './finding';
import type { Rig } from '../rig/rigSchema';
import type { Session } from '../session/sessionSchema';

/** Turns ids into the names a reader knows. An id that leads nowhere is named as itself. */
export interface Naming {
  lane(id: string): string;
  station(id: string): string;
  thread(id: string): string;
  cord(id: string): string;
  device(id: string): string;
  stock(id: string): string;
  track(id: string): string;
}

/** "3 Foley": number and source, and the performer where there is one. */
export function threadName(thread: { number: number; source: string; performer: string }): string {
  const who = [thread.performer, thread.source].filter((part) => part !== '').join(', ');
  return `${thread.number} ${who}`.trim();
}

export function namingOf(rig: Rig, session: Session, graph: SignalGraph): Naming {
  const lane = (id: string): string => graph.lanes[graph.laneIndex.get(id as never) ?? -1]?.name ?? id;
  const cord = (id: string): string => {
    const found = session.scenes.flatMap((scene) => scene.cords).find((candidate) => candidate.id === id);
    return found === undefined ? id : `${lane(found.from)} → ${lane(found.to)}`;
  };
  return {
    lane,
    cord,
    station: (id) => graph.stations[graph.stationIndex.get(id as never) ?? -1]?.name ?? id,
    thread: (id) => {
      const thread = session.threads.find((candidate) => candidate.id === id);
      return thread === undefined ? id : threadName(thread);
    },
    device: (id) => rig.devices.find((candidate) => candidate.id === id)?.name ?? id,
    track: (id) => session.tracks.find((candidate) => candidate.id === id)?.name ?? id,
    stock: (id) => rig.cords.find((candidate) => candidate.id === id)?.name ?? id,
  };
}

export function entityName(naming: Naming, ref: EntityRef): string {
  return naming[ref.kind](ref.id);
}
