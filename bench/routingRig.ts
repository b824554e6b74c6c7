import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { BENCH_SESSION } from './benchSession';

const ROOMS = 4;
const LINES_PER_ROOM = 48;
const LINES = ROOMS * LINES_PER_ROOM;
const THREADS = 150;
const UNITS = 96;
const COLUMNS = 96;
const SPARE_BAYS = 13;

const numbers = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);
const room = (line: number): number => Math.ceil(line / LINES_PER_ROOM);
/** The n-th column of several bays of one kind. */
const column = (bays: string, row: string, n: number): string =>
  `${bays}-${String(Math.ceil(n / COLUMNS))}/${row}-${String(((n - 1) % COLUMNS) + 1)}/1`;
const channel = (devices: string, port: string, n: number): string =>
  `${devices}-${String(Math.ceil(n / 64))}/${port}-${String(((n - 1) % 64) + 1)}/1`;
const lineIn = (n: number): string => {
  const own = (n - 1) % 64;
  return `converter-${String(Math.ceil(n / 64))}/line-in-${String(Math.floor(own / 8) + 1)}/${String((own % 8) + 1)}`;
};
const stream = (n: number): [string, string] => {
  const own = ((n - 1) % 64) + 1;
  return [`converter-${String(Math.ceil(n / 64))}/host-out/${String(own)}`, `daw/stream-in/${String(n)}`];
};

const device = (id: string, type: string, params: object, at = 'control'): object => ({
  id,
  name: id,
  room: at,
  type,
  params,
});
const bay = (id: string, normalling: string): object =>
  device(id, 'patchbay', { columns: COLUMNS, normalling });

const devices = [
  ...numbers(THREADS).map((n) =>
    device(
      `mic-${String(n)}`,
      'microphone',
      { principle: 'dynamic', sensitivityMvPerPa: 2 },
      `room-${String(room(1 + ((n * 7) % LINES)))}`,
    ),
  ),
  ...numbers(ROOMS).map((n) =>
    device(`panel-${String(n)}`, 'wallPanel', { lines: LINES_PER_ROOM }, `room-${String(n)}`),
  ),
  ...numbers(2).map((n) => bay(`mic-bay-${String(n)}`, 'full')),
  ...numbers(2).map((n) => bay(`line-bay-${String(n)}`, 'half')),
  ...numbers(3).map((n) => bay(`unit-bay-${String(n)}`, 'none')),
  ...numbers(SPARE_BAYS).map((n) => bay(`spare-bay-${String(n)}`, 'half')),
  ...numbers(3).map((n) => device(`preamp-${String(n)}`, 'micPreamp', { channels: 64 })),
  ...numbers(3).map((n) => device(`converter-${String(n)}`, 'converter', { adcs: 64, dacs: 64 })),
  ...numbers(UNITS).map((n) => device(`unit-${String(n)}`, 'dynamics', { channels: 1 })),
  ...numbers(7).map((n) => device(`player-${String(n)}`, 'converter', { adcs: 64, dacs: 64 })),
  device('daw', 'dawHost', { inputs: 192, outputs: 64 }),
];

const wires = [
  // The panels' lines reach the bay a few columns off, as extensions of a house do.
  ...numbers(LINES).map((n): [string, string] => [
    `panel-${String(room(n))}/rear-${String(((n - 1) % LINES_PER_ROOM) + 1)}/1`,
    column('mic-bay', 'upper-rear', ((n + 4) % LINES) + 1),
  ]),
  ...numbers(LINES).flatMap((n): [string, string][] => [
    [column('mic-bay', 'lower-rear', n), channel('preamp', 'mic', n)],
    [channel('preamp', 'out', n), column('line-bay', 'upper-rear', n)],
    [column('line-bay', 'lower-rear', n), lineIn(n)],
    stream(n),
  ]),
  ...numbers(UNITS).flatMap((n): [string, string][] => [
    [`unit-${String(n)}/out-1/1`, column('unit-bay', 'upper-rear', n)],
    [column('unit-bay', 'lower-rear', n), `unit-${String(n)}/in-1/1`],
  ]),
];

/** 150 threads: every third through a unit, some pinned, ten stereo pairs. */
const threads = numbers(THREADS).map((n) => ({
  id: `thread-${String(n)}`,
  number: n,
  purpose: 'input',
  performer: '',
  source: 'Source',
  from: `mic-${String(n)}/out/1`,
  inserts: n % 3 === 0 ? [`unit-${String(n / 3)}/channel-a`] : [],
  trackName: '',
  pins:
    n % 10 === 0
      ? { preamp: `preamp-${String(Math.ceil((n + 20) / 64))}/channel-${String(((n + 19) % 64) + 1)}` }
      : {},
  ...(n % 15 === 2 && { link: { lead: `thread-${String(n - 1)}`, place: 2 } }),
  scenes: ['scene'],
}));

/** A facility of twenty bays of 96 columns and 150 threads, none of them routed. */
export const routingStudio = (): Studio =>
  canonicalStudio(
    studioSchema.parse({
      id: 'facility',
      name: 'Facility',
      rig: {
        rooms: [
          { id: 'control', name: 'Control' },
          ...numbers(ROOMS).map((n) => ({ id: `room-${String(n)}`, name: `Room ${String(n)}` })),
        ],
        devices,
        hardwires: wires.map(([from, to], i) => ({ id: `wire-${String(i)}`, from, to })),
        cords: [
          { id: 'mic', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: '', count: 150 },
          { id: 'tt', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: '', count: 160 },
          { id: 'tt-long', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 1.2, colour: '', count: 40 },
        ],
      },
      sessions: [
        {
          ...BENCH_SESSION,
          threads,
          scenes: [{ id: 'scene', name: 'Scene', cords: [], settings: {} }],
        },
      ],
    }),
  );
