import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';

/** An id from a name: "Saltglass Rooms" becomes "saltglass-rooms"; a number follows where it is taken. */
export function idFromName(name: string, taken: ReadonlySet<string>): string {
  const plain = name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  const base = plain.replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, '').slice(0, 48) || 'studio';
  let id = base;
  for (let n = 2; taken.has(id); n++) id = `${base}-${String(n)}`;
  return id;
}

/** A studio to begin with: one room, nothing in it, and a session with one scene. */
export const newStudio = (name: string, taken: ReadonlySet<string>): Studio =>
  studioSchema.parse({
    id: idFromName(name, taken),
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
