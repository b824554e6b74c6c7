import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { BENCH_SESSION } from './benchSession';

const numbers = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);

const LINES = 8;
const SOURCES = { levelDbSpl: 88, crestDb: 14 };

/** One suite of rooms: microphones, panel, two bays, preamps, a compressor, a converter and a DAW. 500 lanes. */
function suite(n: number): {
  devices: object[];
  wires: [string, string][];
  threads: object[];
  cords: object[];
} {
  const id = (what: string): string => `${what}-${String(n)}`;
  const device = (what: string, type: string, params: object): object => ({
    id: id(what),
    name: id(what),
    room: 'room',
    type,
    params,
  });
  const lane = (what: string, port: string, number = 1): string => `${id(what)}/${port}/${String(number)}`;
  return {
    devices: [
      ...numbers(LINES).map((line) =>
        device(`mic-${String(line)}`, 'microphone', { principle: 'condenser', sensitivityMvPerPa: 12 }),
      ),
      device('panel', 'wallPanel', { lines: LINES }),
      device('bay-a', 'patchbay', { columns: 24, normalling: 'full' }),
      device('bay-b', 'patchbay', { columns: 48, normalling: 'half' }),
      device('preamp', 'micPreamp', { channels: LINES }),
      device('opto', 'dynamics', { channels: 2 }),
      device('converter', 'converter', { adcs: 24, dacs: 24 }),
      device('daw', 'dawHost', { inputs: 24, outputs: 24 }),
    ],
    wires: [
      ...numbers(LINES).flatMap((line): [string, string][] => [
        [lane('panel', `rear-${String(line)}`), lane('bay-a', `upper-rear-${String(line)}`)],
        [lane('bay-a', `lower-rear-${String(line)}`), lane('preamp', `mic-${String(line)}`)],
        [lane('preamp', `out-${String(line)}`), lane('bay-b', `upper-rear-${String(line)}`)],
        [lane('bay-b', `lower-rear-${String(line)}`), lane('converter', 'line-in-1', line)],
      ]),
      ...numbers(24).map((line): [string, string] => [
        lane('converter', 'host-out', line),
        lane('daw', 'stream-in', line),
      ]),
    ],
    threads: numbers(LINES).map((line) => ({
      id: `thread-${String(n)}-${String(line)}`,
      number: Math.min(9999, n * LINES + line),
      purpose: 'input',
      performer: '',
      source: 'Source',
      from: lane(`mic-${String(line)}`, 'out'),
      ...SOURCES,
      inserts: [],
      trackName: '',
      pins: {},
      scenes: ['scene'],
    })),
    cords: numbers(LINES).map((line) => ({
      id: `cord-${String(n)}-${String(line)}`,
      from: lane(`mic-${String(line)}`, 'out'),
      to: lane('panel', `jack-${String(line)}`),
      stock: 'mic',
      thread: `thread-${String(n)}-${String(line)}`,
    })),
  };
}

/** A studio of `suites` times 500 lanes and 8 threads, all running. */
export function generatedStudio(suites: number): Studio {
  const made = numbers(suites).map(suite);
  return canonicalStudio(
    studioSchema.parse({
      id: 'generated',
      name: 'Generated',
      rig: {
        rooms: [{ id: 'room', name: 'Room' }],
        devices: made.flatMap(({ devices }) => devices),
        hardwires: made
          .flatMap(({ wires }) => wires)
          .map(([from, to], i) => ({ id: `wire-${String(i)}`, from, to })),
        cords: [
          { id: 'mic', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: '', count: 9999 },
        ],
      },
      sessions: [
        {
          ...BENCH_SESSION,
          threads: made.flatMap(({ threads }) => threads),
          scenes: [{ id: 'scene', name: 'Scene', cords: made.flatMap(({ cords }) => cords), settings: {} }],
        },
      ],
    }),
  );
}
