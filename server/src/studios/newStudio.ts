import { idFromName } from '@ft/core/rig/ids';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';

/** A studio to begin with: one room, nothing in it, and a session with one scene. */
export const newStudio = (name: string, taken: ReadonlySet<string>): Studio =>
  studioSchema.parse({
    id: idFromName(name, taken, 'studio'),
    name,
    rig: { rooms: [{ id: 'control', name: 'Control room' }], devices: [], hardwires: [], cords: [] },
    sessions: [
      {
        id: 'session-1',
        name: 'First session',
        sampleRateHz: 48_000,
        wordLengthBits: 24,
        bufferSamples: 64,
        lineUp: { dbfs: -18, dbu: 4 },
        threads: [],
        scenes: [{ id: 'tracking', name: 'Tracking', cords: [], settings: {} }],
        waivers: [],
      },
    ],
  });
