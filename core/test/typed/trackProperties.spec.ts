import * as fc from 'fast-check';
import { compile } from '@ft/core/graph/compile';
import { trace } from '@ft/core/graph/trace';
import type { BusId } from '@ft/core/rig/ids';
import { readInput, readOutputs, readSends } from '@ft/core/typed/track/destinationText';
import { readInserts } from '@ft/core/typed/track/insertsText';
import { readTrackCell, TRACK_COLUMNS, trackCellText } from '@ft/core/typed/track/trackCells';
import type { Destination, Track } from '@ft/core/session/daw/trackSchema';
import { plainTrack, tracksFromTemplate } from '@ft/core/session/daw/trackTemplate';
import { trackSchema } from '@ft/core/session/daw/trackSchema';
import { firstScene, studioOf } from '../fixtures/studioOf';

const BUSES = ['Music', 'Long plate', 'Key'].map((name) => ({
  id: name.toLowerCase().replace(' ', '-') as BusId,
  name,
  width: 2,
}));
const FREE = {
  insertPairs: 'free',
  trims: true,
  insertDelay: 'typed in',
  compensates: true,
  reusePair: true,
  insertsAtSmallBuffer: true,
} as const;

const hostNumber = fc.integer({ min: 1, max: 64 });
const busId = fc.constantFrom(...BUSES.map(({ id }) => id));
const destination: fc.Arbitrary<Destination> = fc.oneof(
  hostNumber.map((first) => ({ to: 'host', first }) as const),
  busId.map((bus) => ({ to: 'bus', bus }) as const),
);
const level = fc.integer({ min: -1440, max: 120 }).map((tenths) => tenths / 10);
const pan = fc.integer({ min: -100, max: 100 });
const delay = fc.integer({ min: 0, max: 4096 });
const plugin = fc.record(
  {
    kind: fc.constant('plugin' as const),
    name: fc.constantFrom('De-esser', 'Ducker', 'Wide 3', 'Tape'),
    delaySamples: delay,
    key: busId,
  },
  { requiredKeys: ['kind', 'name', 'delaySamples'] },
);
const hardware = fc.record(
  {
    kind: fc.constant('hardware' as const),
    send: hostNumber,
    return: hostNumber,
    sendTrimDb: fc.integer({ min: -20, max: 20 }),
    returnTrimDb: fc.integer({ min: -20, max: 20 }),
    delaySamples: delay,
  },
  { requiredKeys: ['kind', 'send', 'return', 'sendTrimDb', 'returnTrimDb'] },
);
const slots = fc
  .array(fc.option(fc.oneof(plugin, hardware), { nil: null }), { maxLength: 10 })
  // A sheet writes no empty slots after the last one.
  .map((list) => {
    while (list.at(-1) === null) list.pop();
    return list;
  });

const track: fc.Arbitrary<Track> = fc
  .record({
    width: fc.integer({ min: 1, max: 2 }),
    input: fc.oneof(
      fc.constant({ from: 'none' } as const),
      hostNumber.map((first) => ({ from: 'host', first }) as const),
      busId.map((bus) => ({ from: 'bus', bus }) as const),
    ),
    inserts: slots,
    faderDb: level,
    pan,
    sends: fc.array(fc.record({ destination, preFader: fc.boolean(), levelDb: level, pan }), {
      maxLength: 4,
    }),
    outputs: fc.array(destination, { maxLength: 4 }),
  })
  .map((own) => ({
    ...plainTrack({ id: 'it' as Track['id'], number: 1, name: 'It', kind: 'audio', width: own.width }),
    ...own,
  }));

describe('cells of the track sheet, over random tracks', () => {
  it('are read as they are written', () => {
    const daw = { tracks: [], buses: BUSES, hostProfile: FREE };
    fc.assert(
      fc.property(track, (it) => {
        for (const { field } of TRACK_COLUMNS) {
          const text = trackCellText(field, it, daw);
          const read = readTrackCell(field, text, it, daw);
          expect({ field, text, value: read.ok ? (read.value ?? undefined) : read.sentence }).toEqual({
            field,
            text,
            value: it[field as keyof Track],
          });
        }
      }),
    );
  });

  it('never take in what the schema would not', () => {
    const typed = fc.string({ maxLength: 30 });
    fc.assert(
      fc.property(typed, fc.integer({ min: 1, max: 2 }), (text, width) => {
        const base = plainTrack({ id: 'it' as Track['id'], number: 1, name: 'It', kind: 'audio', width });
        for (const [field, read] of [
          ['input', readInput(text, base, BUSES)],
          ['outputs', readOutputs(text, base, BUSES)],
          ['sends', readSends(text, base, BUSES)],
          ['inserts', readInserts(text, BUSES)],
        ] as const)
          if (read.ok) {
            const parsed = trackSchema.safeParse({ ...base, [field]: read.value });
            // Numbers past what a host has are the schema's to refuse, when the edit is applied.
            const only =
              parsed.error?.issues.every(({ code }) => code === 'too_big' || code === 'too_small') ?? true;
            expect(only).toBe(true);
          } else expect(read.sentence).toMatch(/[.?]$/);
      }),
    );
  });
});

describe('tracks in the graph, over random sheets', () => {
  it('never lead outside their host but by its outputs, and hold every lane they name', () => {
    fc.assert(
      fc.property(fc.array(track, { minLength: 1, maxLength: 5 }), (list) => {
        const tracks = list.map((it, i) => ({ ...it, id: `t${String(i)}`, name: `T${String(i)}` }));
        const studio = studioOf({
          devices: [{ id: 'daw', type: 'dawHost', params: { inputs: 64, outputs: 64 } }],
          session: { host: 'daw', tracks, buses: BUSES },
        });
        const { session, scene } = firstScene(studio);
        const graph = compile(studio.rig, session, scene);
        graph.lanes.forEach((lane, index) => {
          expect(graph.laneIndex.get(lane.id)).toBe(index);
        });
        for (const edge of graph.edges) {
          expect(graph.lanes[edge.from]).toBeDefined();
          expect(graph.lanes[edge.to]).toBeDefined();
        }
        for (const lane of graph.lanes.filter(({ id }) => id.includes('/track-')))
          for (const end of trace(graph, lane.index, 'from').lanes)
            expect(graph.lanes[end]!.device).toBe('daw');
      }),
      { numRuns: 40 },
    );
  });
});

describe('templates', () => {
  it('give ids and numbers of their own, and inputs that count on by the width', () => {
    const { session } = firstScene(studioOf({}));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 4 }), (count, width) => {
        const made = tracksFromTemplate(session, {
          ...{
            count,
            width,
            name: 'Mic #',
            kind: 'audio',
            firstInput: 5,
            firstOutput: 1,
            outputsAscend: true,
          },
        });
        expect(new Set(made.map(({ id }) => id)).size).toBe(count);
        expect(made.map(({ number }) => number)).toEqual(Array.from({ length: count }, (_, i) => i + 1));
        expect(made.map(({ input }) => (input.from === 'host' ? input.first : 0))).toEqual(
          Array.from({ length: count }, (_, i) => 5 + i * width),
        );
        expect(made.every((it) => trackSchema.safeParse(it).success)).toBe(true);
      }),
    );
  });
});
