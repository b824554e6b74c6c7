import type { Rig } from '../rig/rigSchema';
import type { Floor } from '../session/floorSchema';
import type { Scene, Session } from '../session/sessionSchema';
import type { Studio } from '../session/studioSchema';

const byId = <T extends { readonly id: string }>(items: readonly T[]): T[] =>
  [...items].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));

const byKey = <T extends object>(record: T): T =>
  Object.fromEntries(Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1))) as T;

const canonicalRig = (rig: Rig): Rig => ({
  rooms: byId(rig.rooms),
  devices: byId(rig.devices),
  hardwires: byId(rig.hardwires),
  cords: byId(rig.cords),
  adaptors: byId(rig.adaptors),
  faults: byId(rig.faults),
});

const canonicalScene = (scene: Scene): Scene => ({
  ...scene,
  cords: byId(scene.cords),
  settings: byKey(scene.settings),
});

const canonicalSession = (session: Session): Session => ({
  ...session,
  threads: byId(session.threads),
  scenes: byId(session.scenes).map(canonicalScene),
  waivers: byId(session.waivers),
  buses: byId(session.buses),
  tracks: byId(session.tracks),
  performers: byId(session.performers),
  readings: byId(session.readings),
});

const canonicalFloor = (floor: Floor): Floor => ({
  ...floor,
  cords: byId(floor.cords),
  settings: byKey(floor.settings),
  precautions: byId(floor.precautions),
});

/**
 * The one order in which a studio is stored: lists by id, settings by key, fields as in the schema.
 * Two studios that mean the same are then the same text.
 */
export const canonicalStudio = (studio: Studio): Studio => ({
  ...studio,
  rig: canonicalRig(studio.rig),
  floor: canonicalFloor(studio.floor),
  sessions: byId(studio.sessions).map(canonicalSession),
});
