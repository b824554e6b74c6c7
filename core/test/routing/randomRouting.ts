import type { Studio } from '@ft/core/session/studioSchema';
import { seeded } from '../fixtures/seeded';
import type { Parts } from '../fixtures/studioOf';
import { studioOf } from '../fixtures/studioOf';

type Wire = readonly [string, string];

const to = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);
const at = (device: string, port: string, n: number, lane = 1): string =>
  `${device}/${port}-${String(n)}/${String(lane)}`;

/**
 * A small studio with too little of everything: microphones, a wall panel, a microphone bay before the
 * preamps, a line bay before the converter, outboard on a bay of its own; up to 12 threads with inserts,
 * pins, stereo pairs and microphones used twice. Equal seeds make equal studios.
 */
export function randomRouting(seed: number): Studio {
  const { below, chance } = seeded(seed);
  /** From `a` to `b`, both included. */
  const int = (a: number, b: number): number => a + below(b - a + 1);
  const mics = int(2, seed % 5 === 0 ? 10 : 6);
  const lines = Math.max(2, mics + int(-1, 2));
  const preamps = Math.max(2, mics + int(-1, 2));
  const inputs = Math.max(2, mics + int(-1, 2));
  const units = int(1, 3);
  const matrix = chance(0.3);
  const normalling = (): string => (['full', 'half', 'none'] as const)[int(0, 2)] ?? 'full';
  const micColumns = Math.max(lines, preamps);
  const lineColumns = Math.max(preamps, inputs);
  const panelTo = (i: number): number => (chance(0.8) ? i : (i % micColumns) + 1);
  const taken = new Set<number>();
  const ownColumn = (i: number): number => {
    let column = panelTo(i);
    while (taken.has(column)) column = (column % micColumns) + 1;
    taken.add(column);
    return column;
  };
  const wires: Wire[] = [
    ...to(lines).map((i): Wire => [at('panel', 'rear', i), at('mic-bay', 'upper-rear', ownColumn(i))]),
    ...to(preamps).flatMap((i): Wire[] => [
      [at('mic-bay', 'lower-rear', i), at('preamp', 'mic', i)],
      [at('preamp', 'out', i), at('line-bay', 'upper-rear', i)],
    ]),
    ...to(inputs).map((i): Wire => [
      at('line-bay', 'lower-rear', i),
      matrix
        ? `interface/line-in-${String(i)}/1`
        : `converter/line-in-${String(Math.ceil(i / 8))}/${String(((i - 1) % 8) + 1)}`,
    ]),
    ...to(units).flatMap((i): Wire[] => [
      [at('unit', 'out', i), at('unit-bay', 'upper-rear', i)],
      [at('unit-bay', 'lower-rear', i), at('unit', 'in', i)],
    ]),
    ...to(inputs).map((i): Wire => [
      `${matrix ? 'interface' : 'converter'}/host-out/${String(i)}`,
      `daw/stream-in/${String(i)}`,
    ]),
  ];
  const converter = matrix
    ? {
        id: 'interface',
        type: 'audioInterface',
        params: { lineInputs: inputs, lineOutputs: 2, opticalLinks: 0, hostStreams: inputs, monitorMixes: 0 },
      }
    : { id: 'converter', type: 'converter', params: { adcs: inputs, dacs: 2 } };
  const bay = (id: string, columns: number, kind: string) => ({
    id,
    type: 'patchbay',
    params: { columns, normalling: kind },
  });
  const count = Math.min(12, Math.max(2, mics + int(-1, 1)));
  let twice = 0;
  const threads = to(count).map((i) => {
    // A microphone used twice makes the exact program slow, so there are at most two such threads.
    const again = i > mics || chance(0.12);
    const mic = again && twice < 2 ? int(1, mics) : Math.min(i, mics);
    if (mic !== i) twice++;
    const pins: Record<string, string> = {};
    if (chance(0.12)) pins['preamp'] = `preamp/channel-${String(int(1, preamps))}`;
    if (chance(0.1)) pins['room-jack'] = `panel/line-${String(int(1, lines))}`;
    if (chance(0.1)) pins['daw-input'] = `daw/input-${String(int(1, inputs))}`;
    return {
      from: `mic-${String(mic)}/out/1`,
      inserts: chance(0.25) ? [`unit/channel-${'abc'.charAt(int(0, units - 1))}`] : [],
      pins,
    };
  });
  const linked = count >= 2 && chance(0.35) ? int(2, count) : 0;
  const parts: Parts = {
    devices: [
      ...to(mics).map((i) => ({
        id: `mic-${String(i)}`,
        type: 'microphone',
        params: { principle: 'dynamic', sensitivityMvPerPa: 2 },
      })),
      { id: 'panel', type: 'wallPanel', params: { lines } },
      bay('mic-bay', micColumns, normalling()),
      bay('line-bay', lineColumns, normalling()),
      bay('unit-bay', units, 'none'),
      { id: 'preamp', type: 'micPreamp', params: { channels: preamps } },
      { id: 'unit', type: 'dynamics', params: { channels: units } },
      converter,
      { id: 'daw', type: 'dawHost', params: { inputs, outputs: 2 } },
    ],
    wires,
    stocks: [
      {
        id: 'mic',
        name: 'Mic cable',
        connectors: ['xlr', 'xlr'],
        lengthM: 5,
        colour: '',
        count: int(1, mics + 1),
      },
      {
        id: 'mic-long',
        name: 'Mic cable',
        connectors: ['xlr', 'xlr'],
        lengthM: 10,
        colour: '',
        count: int(0, 2),
      },
      {
        id: 'tt',
        name: 'TT cord',
        connectors: ['tt', 'tt'],
        lengthM: 0.6,
        colour: '',
        count: int(1, 2 * mics),
      },
    ],
    threads: threads.map((thread, i) =>
      i + 1 === linked && thread.from !== threads[i - 1]?.from
        ? { ...thread, link: { lead: `thread-${String(i)}`, place: 2 } }
        : thread,
    ),
  };
  return studioOf(parts);
}
