import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { BENCH_SESSION } from './benchSession';

/** A console of 96 channels, and an interface whose matrix is 64 line outputs against 64 host streams and more. */
export const consoleStudio = (): Studio =>
  canonicalStudio(
    studioSchema.parse({
      id: 'console',
      name: 'Console',
      rig: {
        rooms: [{ id: 'room', name: 'Room' }],
        devices: [
          {
            ...{ id: 'desk', name: 'Desk', room: 'room', type: 'digitalConsole' },
            params: {
              channels: 96,
              micInputs: 64,
              lineOutputs: 32,
              auxes: 12,
              groups: 8,
              channelBlocks: 'each alone',
            },
          },
          {
            ...{ id: 'matrix', name: 'Matrix', room: 'room', type: 'audioInterface' },
            params: { lineInputs: 0, lineOutputs: 64, opticalLinks: 0, hostStreams: 64, monitorMixes: 0 },
          },
        ],
        hardwires: [],
        cords: [],
      },
      sessions: [
        { ...BENCH_SESSION, threads: [], scenes: [{ id: 'scene', name: 'Scene', cords: [], settings: {} }] },
      ],
    }),
  );
