import type { RoomId, SessionId, StudioId } from '@ft/core/rig/ids';
import { idFromName } from '@ft/core/rig/ids';
import { emptySession } from '@ft/core/session/emptySession';
import { BARE_FLOOR } from '@ft/core/session/floorSchema';
import type { Studio } from '@ft/core/session/studioSchema';

/** A studio to begin with: one room, nothing in it, and a session with one scene. */
export const newStudio = (name: string, taken: ReadonlySet<string>): Studio => ({
  id: idFromName(name, taken, 'studio') as StudioId,
  name,
  rig: {
    rooms: [{ id: 'control' as RoomId, name: 'Control room' }],
    ...{ devices: [], hardwires: [], cords: [], adaptors: [], faults: [] },
  },
  floor: BARE_FLOOR,
  sessions: [emptySession('session-1' as SessionId, 'First session')],
});
