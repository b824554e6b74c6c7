import type { z } from 'zod';
import type { rigSchema } from '@ft/core/rig/rigSchema';

type RigInput = z.input<typeof rigSchema>;
type DeviceInput = RigInput['devices'][number];
type WireInput = RigInput['hardwires'][number];

const numbers = (count: number, first = 1): readonly number[] =>
  Array.from({ length: count }, (_, i) => first + i);

const device = (
  id: string,
  name: string,
  room: string,
  type: string,
  params: Record<string, unknown>,
): DeviceInput => ({
  id,
  name,
  room,
  type,
  params,
});

/** A loom: one wire per pair of lanes, numbered as it is made. */
const loom = (name: string, pairs: readonly (readonly [string, string])[]): readonly WireInput[] =>
  pairs.map(([from, to], i) => ({ id: `${name}-${String(i + 1)}`, from, to }));

/** Converter lanes sit eight to a connector. */
const adcLane = (channel: number): string =>
  `converter/line-in-${String(Math.ceil(channel / 8))}/${String(((channel - 1) % 8) + 1)}`;
const dacLane = (channel: number): string =>
  `converter/line-out-${String(Math.ceil(channel / 8))}/${String(((channel - 1) % 8) + 1)}`;

const MICROPHONES: readonly DeviceInput[] = [
  device('narrator-mic', 'Large condenser', 'booth', 'microphone', {
    principle: 'condenser',
    sensitivityMvPerPa: 12,
    sourceOhm: 200,
    selfNoiseDbSpl: 14,
    maxDbSpl: 130,
  }),
  device('actor-mic', 'Broadcast dynamic', 'booth', 'microphone', {
    principle: 'dynamic',
    sensitivityMvPerPa: 1.8,
    sourceOhm: 300,
  }),
  device('foley-mic', 'Long ribbon', 'kiln', 'microphone', {
    principle: 'ribbon',
    sensitivityMvPerPa: 1.5,
    sourceOhm: 270,
    maxDbSpl: 140,
  }),
  device('harp-mic', 'Small condenser', 'kiln', 'microphone', {
    principle: 'condenser',
    sensitivityMvPerPa: 20,
    sourceOhm: 150,
    selfNoiseDbSpl: 12,
    maxDbSpl: 134,
  }),
];

const GEAR: readonly DeviceInput[] = [
  device('booth-panel', 'Booth panel', 'booth', 'wallPanel', { lines: 8 }),
  device('kiln-panel', 'Kiln panel', 'kiln', 'wallPanel', { lines: 8 }),
  device('bay-a', 'Bay A', 'batch', 'patchbay', { columns: 24, normalling: 'full', connector: 'tt' }),
  device('bay-b', 'Bay B', 'batch', 'patchbay', { columns: 48, normalling: 'half', connector: 'tt' }),
  device('preamp', 'Mic preamp', 'batch', 'micPreamp', { channels: 4 }),
  device('opto', 'Opto compressor', 'batch', 'dynamics', { channels: 1 }),
  device('converter', 'Converter', 'batch', 'converter', { adcs: 24, dacs: 24, initialReferenceDbu: 22 }),
  device('daw', 'DAW', 'batch', 'dawHost', { inputs: 24, outputs: 24 }),
];

const WIRES: readonly WireInput[] = [
  ...loom(
    'booth-tie',
    numbers(8).map((n) => [`booth-panel/rear-${String(n)}/1`, `bay-a/upper-rear-${String(n)}/1`]),
  ),
  ...loom(
    'kiln-tie',
    numbers(8).map((n) => [`kiln-panel/rear-${String(n)}/1`, `bay-a/upper-rear-${String(n + 8)}/1`]),
  ),
  // Booth lines 1 and 2 and Kiln lines 1 and 2 stand over the four preamps.
  ...loom(
    'mic-loom',
    [1, 2, 9, 10].map((column, i) => [
      `bay-a/lower-rear-${String(column)}/1`,
      `preamp/mic-${String(i + 1)}/1`,
    ]),
  ),
  ...loom(
    'preamp-loom',
    numbers(4).map((n) => [`preamp/out-${String(n)}/1`, `bay-b/upper-rear-${String(n)}/1`]),
  ),
  ...loom('opto-out', [['opto/out-1/1', 'bay-b/upper-rear-5/1']]),
  ...loom(
    'adc-loom',
    numbers(24).map((n) => [`bay-b/lower-rear-${String(n)}/1`, adcLane(n)]),
  ),
  ...loom(
    'dac-loom',
    numbers(24).map((n) => [dacLane(n), `bay-b/upper-rear-${String(n + 24)}/1`]),
  ),
  // DAW output 1 stands over the compressor's input: a hardware insert by normals alone.
  ...loom('opto-in', [['bay-b/lower-rear-25/1', 'opto/in-1/1']]),
  ...loom(
    'stream-in',
    numbers(24).map((n) => [`converter/host-out/${String(n)}`, `daw/stream-in/${String(n)}`]),
  ),
  ...loom(
    'stream-out',
    numbers(24).map((n) => [`daw/stream-out/${String(n)}`, `converter/host-in/${String(n)}`]),
  ),
];

/** The rooms, gear, wiring and cords of Saltglass Rooms. */
export const SALTGLASS_RIG: RigInput = {
  rooms: [
    { id: 'kiln', name: 'Kiln' },
    { id: 'booth', name: 'Annealing booth' },
    { id: 'batch', name: 'Batch room' },
  ],
  devices: [...MICROPHONES, ...GEAR],
  hardwires: [...WIRES],
  cords: [
    { id: 'tt-short', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: 'ochre', count: 16 },
    { id: 'tt-long', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 1.2, colour: 'slate', count: 8 },
    { id: 'mic-5', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: 'black', count: 10 },
    { id: 'mic-10', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 10, colour: 'black', count: 4 },
  ],
};
