import type { WorkedScene } from '@ft/core/scene/workedScene';
import { performerDelays } from '@ft/core/timing/performerDelays';
import { EXAMPLES } from '../checks/examples';
import { dawParts, hardwareSlot, track } from '../checks/examples/example';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, firstScene, studioOf } from '../fixtures/studioOf';

const OPTO: Parts = {
  devices: [{ id: 'opto', type: 'dynamics', params: { channels: 2 } }],
  wires: [
    ['converter/line-out-1/1', 'opto/in-1/1'],
    ['opto/out-1/1', 'converter/line-in-1/1'],
  ],
};
const inserted = (parts: Parts, more: Parameters<typeof track>[1] = {}): WorkedScene =>
  contextOf(studioOf(dawParts([track('narr', { inserts: [hardwareSlot(1)], ...more })], parts)));

describe('the round trip of a hardware insert', () => {
  // Buffer out, DAC, ADC, buffer in: 64 + 10 + 12 + 64 samples. Derived from the parts' own figures.
  it('is two buffers and two conversions', () => {
    expect(inserted(OPTO).insertRoundTrips[0]).toMatchObject({ comesBack: true, delaySamples: 150 });
  });

  it('grows with the buffer, the driver’s safety offset and digital outboard', () => {
    const [converter, daw] = dawParts([]).devices!;
    const parts = dawParts([track('narr', { inserts: [hardwareSlot(1)] })], OPTO);
    const late = contextOf(
      studioOf({
        ...parts,
        devices: [
          converter!,
          { ...daw!, params: { ...daw!.params, safetyOffsetSamples: 24 } },
          { id: 'opto', type: 'effectUnit', params: { inputs: 'mono', latencyMs: 1 } },
        ],
        session: { ...parts.session, bufferSamples: 128 },
      }),
    );
    // 2 × 128 + 24 + 22, and 1 ms at 48 kHz.
    expect(late.insertRoundTrips[0]!.delaySamples).toBe(256 + 24 + 22 + 48);
  });

  it('follows the converters at another rate', () => {
    const parts = dawParts([track('narr', { inserts: [hardwareSlot(1)] })], OPTO);
    const [converter, ...rest] = parts.devices!;
    const double = contextOf(
      studioOf({
        ...parts,
        devices: [
          { ...converter!, params: { ...converter!.params, adcLatencyDoubleRateSamples: 24 } },
          ...rest,
        ],
        session: { ...parts.session, sampleRateHz: 96_000 },
      }),
    );
    expect(double.insertRoundTrips[0]!.delaySamples).toBe(128 + 24 + 5);
  });

  it('is told side by side on a stereo track, and where it ends when it does not come back', () => {
    const trips = inserted(OPTO, { width: 2 }).insertRoundTrips;
    expect(trips.map(({ side, comesBack }) => [side, comesBack])).toEqual([
      [1, true],
      [2, false],
    ]);
  });

  it('is not confused by a way that only another track makes', () => {
    // Track 2 listens to input 1 and plays to output 2: no trip of the insert may run through it.
    const context = contextOf(
      studioOf(
        dawParts(
          [
            track('narr', { inserts: [hardwareSlot(2)] }),
            track('loop', {
              number: 2,
              input: { from: 'host', first: 1 },
              inputMonitor: true,
              outputs: [{ to: 'host', first: 2 }],
            }),
          ],
          OPTO,
        ),
      ),
    );
    expect(context.insertRoundTrips[0]!.comesBack).toBe(false);
  });
});

describe('how late performers hear themselves', () => {
  const told = (parts: Parts): readonly (readonly [string, number])[] => {
    const context = contextOf(studioOf(parts));
    return performerDelays(context.session, context.graph, context.field).map(({ thread, delayMs }) => [
      thread,
      Number(delayMs.toFixed(1)),
    ]);
  };
  const { trips } = EXAMPLES['cue-delay'];

  it('is the delay of their own lines, and of nobody else’s', () => {
    expect(told(trips)).toEqual([['thread-1', 3.1]]);
    const stranger = { ...trips, threads: [{ ...trips.threads![0]!, performer: 'Joss Verrill' }] };
    expect(told(stranger)).toEqual([]);
  });

  it('counts the air before a distant microphone', () => {
    const far = { ...trips, threads: [{ ...trips.threads![0]!, distanceM: 1.716 }] };
    expect(told(far)).toEqual([['thread-1', 8.1]]);
  });

  it('is nothing for whoever has no headphones', () => {
    const bare = {
      ...trips,
      session: { ...trips.session, performers: [{ id: 'a', name: 'Imke Tarrow' } as never] },
    };
    expect(told(bare)).toEqual([]);
    expect(firstScene(studioOf(bare)).session.performers[0]).toMatchObject({ cueLimitMs: 10 });
  });
});
