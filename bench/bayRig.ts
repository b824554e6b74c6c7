import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import { lanesOf } from '@ft/core/rig/faces';
import { laneLabel } from '@ft/core/rig/laneLabel';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { BENCH_SESSION } from './benchSession';
import { wireIdOf } from '@ft/core/rig/wiring/wireId';

const BAYS = 20;
const COLUMNS = 96;
const WIRES = 5000;

const numbers = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);

const device = (name: string, type: string, params: object): object => ({
  id: name.toLowerCase().replace(/[^a-z0-9]+/g, '-'),
  name,
  room: 'room',
  type,
  params,
});

const DEVICES = [
  ...numbers(BAYS).map((n) =>
    device(`Bay ${String(n)}`, 'patchbay', {
      columns: COLUMNS,
      labels: Object.fromEntries(numbers(COLUMNS).map((c) => [`upper-${String(c)}`, `Line ${String(c)}`])),
    }),
  ),
  ...numbers(14).map((n) => device(`Converter ${String(n)}`, 'converter', { adcs: 64, dacs: 64 })),
  ...numbers(4).map((n) => device(`Host ${String(n)}`, 'dawHost', { inputs: 256, outputs: 256 })),
  ...numbers(7).map((n) => device(`Preamp ${String(n)}`, 'micPreamp', { channels: 64 })),
];

/** Rear lanes of devices whose names begin alike, in one direction. */
function rears(rig: Rig, name: string, direction: 'in' | 'out', port: string): readonly string[] {
  return rig.devices
    .filter((each) => each.name.startsWith(name))
    .flatMap((each) => [...lanesOf(each)])
    .filter(
      ([id, { port: it }]) => it.direction === direction && it.face === 'rear' && id.includes(`/${port}`),
    )
    .map(([id]) => id);
}

/** Outputs of the gear behind the upper rows, inputs behind the lower ones, streams between them, up to 5 000. */
function pairs(rig: Rig): readonly (readonly [string, string])[] {
  const zip = (from: readonly string[], to: readonly string[]): readonly (readonly [string, string])[] =>
    from.slice(0, to.length).map((each, i) => [each, to[i] ?? ''] as const);
  const sources = [...rears(rig, 'Preamp', 'out', 'out'), ...rears(rig, 'Converter', 'out', 'line-out')];
  const inputs = [...rears(rig, 'Converter', 'in', 'line-in'), ...rears(rig, 'Preamp', 'in', 'mic')];
  const all = [
    ...zip(sources, rears(rig, 'Bay', 'in', 'upper-rear')),
    ...zip(rears(rig, 'Bay', 'out', 'lower-rear'), inputs),
    ...zip(rears(rig, 'Converter', 'out', 'host-out'), rears(rig, 'Host', 'in', 'stream-in')),
    ...zip(rears(rig, 'Host', 'out', 'stream-out'), rears(rig, 'Converter', 'in', 'host-in')),
    // What is left of the bays is tied row to row, as spare lines are.
    ...zip(
      rears(rig, 'Bay', 'out', 'lower-rear').slice(inputs.length),
      rears(rig, 'Bay', 'in', 'upper-rear').slice(sources.length),
    ),
  ];
  return all.slice(0, WIRES);
}

const SESSION = {
  ...BENCH_SESSION,
  threads: [],
  scenes: [{ id: 'scene', name: 'Scene', cords: [], settings: {} }],
};

/** Twenty bays of 96 columns with gear behind them, and nothing wired. */
export const bareBayStudio = (): Studio =>
  studioSchema.parse({
    id: 'bays',
    name: 'Bays',
    rig: { rooms: [{ id: 'room', name: 'Room' }], devices: DEVICES, hardwires: [], cords: [] },
    sessions: [SESSION],
  });

/** The same, wired. */
export function bayStudio(): Studio {
  const bare = bareBayStudio();
  const hardwires = pairs(bare.rig).map(([from, to]) => ({
    id: wireIdOf(from as never, to as never),
    from,
    to,
  }));
  return canonicalStudio(studioSchema.parse({ ...bare, rig: { ...bare.rig, hardwires } }));
}

/** The wiring of the same as a list that somebody would paste: the names of both ends. */
export function wireList(): string {
  const { rig } = bareBayStudio();
  const names = new Map(
    rig.devices
      .flatMap((each) => [...lanesOf(each)])
      .map(([id, face]) => [id as string, laneLabel(face, id)]),
  );
  const lines = pairs(rig).map(([from, to]) => `${names.get(from) ?? ''},${names.get(to) ?? ''}`);
  return ['From,To', ...lines].join('\n');
}
