import { threadName } from '../session/threadName';
import type { SignalGraph } from '../graph/signalGraph';
import type { EntityRef } from '../session/entityRef';
import { settingsOf } from '../rig/buildDevice';
import { knobTitle } from '../rig/knobText';
import type { Rig } from '../rig/rigSchema';
import type { SettingKey } from '../rig/settings';
import { partsOfSettingKey } from '../rig/settings';
import type { Session } from '../session/sessionSchema';

/** Turns ids into the names a reader knows. An id that leads nowhere is named as itself. */
export interface Naming {
  lane(id: string): string;
  station(id: string): string;
  thread(id: string): string;
  cord(id: string): string;
  device(id: string): string;
  /** A kind of cord, with its length, or of adaptor. */
  stock(id: string): string;
  /** "Interface: 4 To host", a switch or knob of a device. */
  knob(key: string): string;
  track(id: string): string;
  performer(id: string): string;
  cue(id: string): string;
}

const byId = <T extends { readonly id: string }>(items: readonly T[]): ReadonlyMap<string, T> =>
  new Map(items.map((item) => [item.id, item]));

export function namingOf(rig: Rig, session: Session, graph: SignalGraph): Naming {
  const [devices, threads, tracks] = [byId(rig.devices), byId(session.threads), byId(session.tracks)];
  const lane = (id: string): string => graph.lanes[graph.laneIndex.get(id as never) ?? -1]?.name ?? id;
  const cord = (id: string): string => {
    for (const { cords } of session.scenes) {
      const found = cords.find((candidate) => candidate.id === id);
      if (found !== undefined) return `${lane(found.from)} → ${lane(found.to)}`;
    }
    return id;
  };
  return {
    lane,
    cord,
    station: (id) => graph.stations[graph.stationIndex.get(id as never) ?? -1]?.name ?? id,
    thread: (id) => {
      const thread = threads.get(id);
      return thread === undefined ? id : threadName(thread);
    },
    device: (id) => devices.get(id)?.name ?? id,
    track: (id) => tracks.get(id)?.name ?? id,
    performer: (id) => session.performers.find((candidate) => candidate.id === id)?.name ?? id,
    cue: (id) => session.cues.find((candidate) => candidate.id === id)?.name ?? id,
    stock: (id) => {
      const cord = rig.cords.find((candidate) => candidate.id === id);
      if (cord !== undefined) return `${cord.name} (${String(cord.lengthM)} m)`;
      return rig.adaptors.find((candidate) => candidate.id === id)?.name ?? id;
    },
    knob: (key) => {
      const { deviceId, setting, channel } = partsOfSettingKey(key as SettingKey);
      const device = devices.get(deviceId);
      const spec = device && settingsOf(device).find((each) => each.setting === setting);
      return spec === undefined || device === undefined ? key : `${device.name}: ${knobTitle(spec, channel)}`;
    },
  };
}

export function entityName(naming: Naming, ref: EntityRef): string {
  return naming[ref.kind](ref.id);
}
