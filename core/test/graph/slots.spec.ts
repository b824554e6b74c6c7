import { laneSum } from '@ft/core/levels/laneSum';
import { responseDb } from '@ft/core/timing/response';
import type { WorkedScene } from '@ft/core/scene/workedScene';
import { arrivalsAt } from '@ft/core/levels/laneSum';
import { runChecks } from '@ft/core/checks/runChecks';
import { insertsText, readInserts } from '@ft/core/typed/track/insertsText';
import type { Track } from '@ft/core/session/daw/trackSchema';
import { trackCellEdits } from '@ft/core/actions/mix/trackEdits';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { then } from '../fixtures/cuePlace';
import { dawParts, hardwareSlot, track } from '../checks/examples/example';
import { added, FREE, mixPlace, stand, tracksOf } from '../fixtures/mixStudio';
import { describeWithSox, soxCombDb, soxRemixDbfs, soxRmsDbfs } from '../fixtures/sox';
import { contextOf, studioOf } from '../fixtures/studioOf';

const RATE_HZ = 48_000;
const laneOf = (context: WorkedScene, id: string): number =>
  context.graph.laneIndex.get(`daw/${id}` as never)!;
const nominal = (context: WorkedScene, id: string): number =>
  laneSum(context.field, laneOf(context, id)).nominal!;

/** A stereo track whose two sides are played by tracks of their own, so that each has a level. */
const sides = (leftDbfs: number, rightDbfs: number, slot: object, settings: Record<string, number> = {}) => {
  const bus = { id: 'dx', name: 'DX', width: 2 };
  const into = { outputs: [{ to: 'bus', bus: 'dx' } as never] };
  const tracks = [
    track('left', { levelDbfs: leftDbfs, pan: -100, ...into }),
    track('right', { number: 2, levelDbfs: rightDbfs, pan: 100, ...into }),
    track('dx', {
      ...{ number: 3, kind: 'group', width: 2, input: { from: 'bus', bus: 'dx' as never } },
      inserts: [hardwareSlot(1, 1, slot)],
    }),
  ];
  return contextOf(
    studioOf(
      dawParts(tracks, {
        devices: [{ id: 'glue', type: 'dynamics', params: { channels: 2 } }],
        wires: [1, 2].flatMap((n): [string, string][] => [
          [`converter/line-out-1/${String(n)}`, `glue/in-${String(n)}/1`],
          [`glue/out-${String(n)}/1`, `converter/line-in-1/${String(n)}`],
        ]),
        settings,
        session: { buses: [bus] as never, hostProfile: { ...FREE, insertDelay: 'measured by the host' } },
      }),
    ),
  );
};

const tone = (hz: number, dbfs: number): Float64Array =>
  Float64Array.from(
    { length: RATE_HZ },
    (_, n) => 10 ** (dbfs / 20) * Math.sin((2 * Math.PI * hz * n) / RATE_HZ),
  );

describe('a slot in mid and side', () => {
  it('sends half the sum and half the difference, and gives left and right back at unity', () => {
    const context = sides(-20, -30, { midSide: true });
    // Unlike sides add as power: both halves carry the same.
    const half = 10 * Math.log10((10 ** (-20 / 10) + 10 ** (-30 / 10)) / 4);
    expect(nominal(context, 'output/1')).toBeCloseTo(half, 6);
    expect(nominal(context, 'output/2')).toBeCloseTo(half, 6);
    // What the compressor takes by its input and output impedance is the same on both sides.
    const loss = nominal(context, 'input/1') - nominal(context, 'output/1');
    expect(nominal(context, 'track-dx-slot-1/1')).toBeCloseTo(-20 + loss, 6);
    expect(nominal(context, 'track-dx-slot-1/2')).toBeCloseTo(-30 + loss, 6);
  });

  it('is no polarity fault and no comb', () => {
    const { findings } = runChecks(sides(-20, -20, { midSide: true }));
    const rules = findings.map(({ finding }) => finding.rule);
    expect(rules).not.toContain('polarity');
    expect(rules).not.toContain('parallel-comb');
  });

  it('widens where the side comes back louder: the far side leaks in upside down', () => {
    const context = sides(-20, -80, { midSide: true }, { 'glue/netGainDb/2': 6 });
    const [loud, leak] = ['track-dx-slot-1/1', 'track-dx-slot-1/2'].map((id) => nominal(context, id)) as [
      number,
      number,
    ];
    // L = M + 2S: (1 + 2)/2 of the left; R = M − 2S: (1 − 2)/2 of it; +6 dB is a factor of 1.995.
    const s = 10 ** (6 / 20);
    const loss = nominal(context, 'input/1') - nominal(context, 'output/1');
    expect(loud).toBeCloseTo(-20 + loss + 20 * Math.log10((1 + s) / 2), 2);
    expect(leak).toBeCloseTo(-20 + loss + 20 * Math.log10(Math.abs(1 - s) / 2), 2);
    const inverted = arrivalsAt(context.field, laneOf(context, 'track-dx-slot-1/2')).some(
      (each) => each.inverted,
    );
    expect(inverted).toBe(true);
  });
});

describeWithSox('mid and side, rendered and mixed by sox', () => {
  it.each([
    [-20, -30],
    [-18, -18],
    [-12, -40],
  ])('left at %d and right at %d dBFS', (left, right) => {
    const context = sides(left, right, { midSide: true });
    const [l, r] = [tone(997, left), tone(1499, right)];
    expect(soxRemixDbfs(l, r, '1v0.5,2v0.5', RATE_HZ)).toBeCloseTo(nominal(context, 'output/1'), 2);
    expect(soxRemixDbfs(l, r, '1v0.5,2v-0.5', RATE_HZ)).toBeCloseTo(nominal(context, 'output/2'), 2);
    expect(soxRmsDbfs(l, RATE_HZ)).toBeCloseTo(left, 2);
  });
});

/** A track with a compressor beside its dry signal, told its round trip or not. */
const parallel = (more: object, session: object = {}): WorkedScene => {
  const it = mixPlace({ tracks: [track('narr', { levelDbfs: -20 })], session });
  const up = added(it, 'NARR: opto; parallel −6');
  const { slot } = stand(up, 1);
  const [narr] = up.context.session.tracks;
  const tracks = [{ ...narr!, inserts: [{ ...slot!, ...more }] as Track['inserts'] }];
  const { studio } = up;
  const changed = { ...studio, sessions: studio.sessions.map((each) => ({ ...each, tracks })) };
  return contextOf(changed);
};

describe('a slot with the dry signal beside it', () => {
  const waysAt = (context: WorkedScene) => arrivalsAt(context.field, laneOf(context, 'track-narr-slot-1/1'));

  it('meets in time where the host knows the round trip', () => {
    const ways = waysAt(parallel({}));
    expect(ways).toHaveLength(1);
    expect(ways[0]!.gainDb).toBeCloseTo(20 * Math.log10(1 + 10 ** (-6.2 / 20)), 1);
  });

  it('combs by the whole round trip where it does not, and says so', () => {
    const context = parallel({ delaySamples: undefined }, { hostProfile: { ...FREE, compensates: false } });
    const late = waysAt(context).map(({ alignedSamples }) => alignedSamples);
    expect(Math.max(...late) - Math.min(...late)).toBe(150);
    const { findings } = runChecks(context);
    expect(findings.map(({ finding }) => finding.rule)).toContain('parallel-comb');
  });
});

describeWithSox('a parallel chain that comes late, both ways rendered and mixed by sox', () => {
  it.each([160, 320, 997])('at %d Hz', (hz) => {
    const context = parallel({ delaySamples: undefined }, { hostProfile: { ...FREE, compensates: false } });
    const [dry, wet] = [...arrivalsAt(context.field, laneOf(context, 'track-narr-slot-1/1'))].sort(
      (a, b) => a.alignedSamples - b.alignedSamples,
    );
    const late = wet!.alignedSamples - dry!.alignedSamples;
    const told = responseDb([dry!, wet!], hz, RATE_HZ) - dry!.gainDb;
    expect(soxCombDb(hz, late, wet!.gainDb - dry!.gainDb, RATE_HZ)).toBeCloseTo(told, 1);
  });
});

describe('a slot that is off', () => {
  const off = (hostProfile: object): WorkedScene =>
    contextOf(
      studioOf(
        dawParts([track('narr', { inserts: [hardwareSlot(1, 1, { off: true, delaySamples: 150 })] })], {
          session: { hostProfile: { ...FREE, ...hostProfile } },
        }),
      ),
    );

  it('goes past the hardware and keeps its time where the host bypasses it', () => {
    const context = off({});
    expect(context.insertRoundTrips).toEqual([]);
    expect(context.graph.compensationSamples).toBe(150);
    const [arrival] = arrivalsAt(context.field, laneOf(context, 'track-narr-slot-1/1'));
    expect(arrival).toMatchObject({ delaySamples: 150, gainDb: 0 });
  });

  it('loses its time where the host can only switch it off', () => {
    const context = off({ onlySwitchesOff: true });
    expect(context.graph.compensationSamples).toBe(0);
    expect(arrivalsAt(context.field, laneOf(context, 'track-narr-slot-1/1'))[0]!.delaySamples).toBe(0);
  });
});

describe('slots as they are typed', () => {
  it.each([
    'hw 5',
    'hw 5/6 trim +3/-3 @31',
    'hw 17 mid/side @150',
    'hw 5 parallel 0/-8 off',
    'hw 5/7 mid/side parallel -3/-6 trim -1.5/+1.5 @64 off',
    'Gain to outboard gain -4.5',
    'De-ess gain +1 @64',
  ])('“%s” is read back as it is written', (text) => {
    const read = readInserts(text, []);
    if (!read.ok) throw new Error(read.sentence);
    const written = insertsText({ inserts: read.value }, []).replaceAll('−', '-');
    expect(written).toBe(text);
  });

  it('keep the job they do when the cell of the track is edited', () => {
    const it = added(mixPlace({ tracks: tracksOf(['NARR']) }), 'NARR: opto');
    const { session } = it.context;
    const [narr] = session.tracks;
    const typed = (text: string): WorkPlace => {
      const done = trackCellEdits(session, narr!, 'inserts', text);
      if (!done.ok) throw new Error(done.sentence);
      return then(it, done.edits);
    };
    expect(stand(typed('De-ess @64; hw 1 trim +1/-1'), 1)).toMatchObject({ placing: 'up', slotNumber: 2 });
    expect(stand(typed('hw 3'), 1).placing).toBe('waiting');
  });
});
