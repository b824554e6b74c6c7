import type { WorkedScene } from '@ft/core/scene/workedScene';
import { arrivalsAt, laneSum } from '@ft/core/levels/laneSum';
import { fieldOfOthers, levelField } from '@ft/core/levels/levelField';
import { saltglassRooms } from '../fixtures/builtDemo';
import { dawParts, hardwareSlot, loudspeaker, track } from '../checks/examples/example';
import { seeded } from '../fixtures/seeded';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';
import { WORKED_LADDER } from '../fixtures/workedLadder';

const laneAt = ({ graph }: WorkedScene, id: string): number => graph.laneIndex.get(id as never)!;

/** As many equal tracks onto one host output, crest of a sine: the peak is the level. */
const equalTracks = (count: number): WorkedScene =>
  contextOf(
    studioOf(
      dawParts(
        Array.from({ length: count }, (_, i) =>
          track(`t-${i}`, {
            number: i + 1,
            levelDbfs: -60,
            crestDb: 3.0103,
            outputs: [{ to: 'host', first: 1 }],
          }),
        ),
      ),
    ),
  );

describe('a sum of equal signals', () => {
  // Derived: unrelated +10·log10 N, identical +20·log10 N.
  it.each([
    [8, 9.03, 18.06],
    [16, 12.04, 24.08],
    [32, 15.05, 30.1],
    // As many channels as a large console has: none of them is lost.
    [96, 19.82, 39.65],
  ])('of %d is %f dB over one as unrelated, %f dB at worst', (count, unrelated, identical) => {
    const context = equalTracks(count);
    const sum = laneSum(context.field, laneAt(context, 'daw/output/1'));
    expect(sum.nominal! + 60).toBeCloseTo(unrelated, 2);
    expect(sum.peak! + 60).toBeCloseTo(unrelated, 2);
    expect(sum.worstPeak! + 60).toBeCloseTo(identical, 2);
    expect(sum.sources).toHaveLength(count);
  });
});

describe('levels of everything at once', () => {
  it('are the ladder’s along a path where nothing else sounds', () => {
    const context = contextOf(studioOf(WORKED_LADDER));
    const [planned] = context.threads;
    for (const { lane, nominal, peak, delaySamples } of planned!.ladder.rungs) {
      const sum = laneSum(context.field, lane);
      expect(sum.nominal).toBeCloseTo(nominal!, 9);
      expect(sum.peak).toBeCloseTo(peak!, 9);
      expect(arrivalsAt(context.field, lane)[0]!.delaySamples).toBeCloseTo(delaySamples, 9);
    }
    // Noise at the end of the line is the ladder's too: nothing follows there that would add its own.
    const end = planned!.ladder.rungs.at(-1)!;
    expect(laneSum(context.field, end.lane).noise).toBeCloseTo(end.noise!, 9);
  });

  it('are the ladder’s on every thread of the demo, before anything meets it', () => {
    const context = contextOf(saltglassRooms());
    let compared = 0;
    for (const planned of context.threads.filter(({ thread }) => thread.purpose === 'input'))
      for (const { lane, nominal } of planned.ladder.rungs) {
        const sum = laneSum(context.field, lane);
        expect(sum.sources).toHaveLength(1);
        expect(sum.nominal).toBeCloseTo(nominal!, 9);
        compared++;
      }
    expect(compared).toBeGreaterThan(80);
  });

  it('counts what it cannot know', () => {
    const context = contextOf(
      studioOf(
        dawParts([
          track('known', { crestDb: 14, outputs: [{ to: 'host', first: 1 }] }),
          track('unknown', { number: 2, outputs: [{ to: 'host', first: 1 }] }),
        ]),
      ),
    );
    expect(laneSum(context.field, laneAt(context, 'daw/output/1'))).toMatchObject({ unknown: 1 });
  });

  it('play at the line-up, unless the track says otherwise, with the crest of what was recorded on it', () => {
    const context = contextOf(
      studioOf({
        ...dawParts([track('narr', { outputs: [{ to: 'host', first: 1 }] })]),
        threads: [{ from: 'converter/line-out-1/4', trackName: 'NARR', crestDb: 14 }],
      }),
    );
    expect(laneSum(context.field, laneAt(context, 'daw/output/1'))).toMatchObject({
      nominal: -18,
      peak: expect.closeTo(-18 + 14 - 3.01, 2) as number,
    });
  });
});

describe('parallel ways of one source', () => {
  const parallel = (more: object): WorkedScene =>
    contextOf(
      studioOf(
        dawParts(
          [
            track('dry', {
              crestDb: 3.0103,
              outputs: [{ to: 'host', first: 2 }],
              sends: [{ destination: { to: 'bus', bus: 'b' as never }, preFader: false, levelDb: 0, pan: 0 }],
            }),
            track('wet', {
              kind: 'aux',
              number: 2,
              input: { from: 'bus', bus: 'b' as never },
              outputs: [{ to: 'host', first: 2 }],
              ...more,
            }),
          ],
          { session: { buses: [{ id: 'b', name: 'B', width: 1 }] as never }, devices: [loudspeaker('m')] },
        ),
      ),
    );
  const nominal = (context: WorkedScene): number | undefined =>
    laneSum(context.field, laneAt(context, 'daw/output/2')).nominal;

  it('that come together in time add as voltages', () => {
    expect(nominal(parallel({}))! + 18).toBeCloseTo(6.02, 2);
    expect(nominal(parallel({ faderDb: -6 }))! + 18).toBeCloseTo(3.53, 2);
  });

  it('that the host brings together in time add as voltages too, though one is later before that', () => {
    const context = parallel({ inserts: [hardwareSlot(1)] });
    expect(context.field.parallelPaths).toHaveLength(0);
    const late = parallel({
      inserts: [{ kind: 'plugin', name: 'Delay', delaySamples: 19 }],
    });
    // Compensated, the dry way is held back by as much as the plug-in reports.
    expect(late.field.parallelPaths[0]!.ways.map(({ arrival }) => arrival.alignedSamples)).toEqual([19, 19]);
    expect(nominal(late)! + 18).toBeCloseTo(6.02, 2);
  });
});

/** A chain of transparent units after the opto, 0 dB each. */
const chained = (hops: number, noiseDbu: number): Parts => ({
  ...WORKED_LADDER,
  devices: [
    ...WORKED_LADDER.devices!,
    ...Array.from({ length: hops }, (_, i) => ({
      id: `hop-${i}`,
      type: 'equaliser',
      params: { inputOhm: 1e9, outputOhm: 1e-3, outputNoiseDbu: noiseDbu, maxInputDbu: 60, maxOutputDbu: 60 },
    })),
  ],
  wires: [
    ...WORKED_LADDER.wires!.filter(([from]) => from !== 'preamp/out-1/1'),
    ...Array.from({ length: hops + 1 }, (_, i): [string, string] => [
      i === 0 ? 'preamp/out-1/1' : `hop-${i - 1}/out-1/1`,
      i === hops ? 'opto/in-1/1' : `hop-${i}/in-1/1`,
    ]),
  ],
});

describe('properties', () => {
  const dice = seeded(5);
  const end = (parts: Parts): ReturnType<typeof laneSum> => {
    const context = contextOf(studioOf(parts));
    return laneSum(context.field, laneAt(context, 'daw/input/1'));
  };

  it('a transparent hop of 0 dB changes nothing', () => {
    // Without one the preamp's 75 Ω drive the opto; with one a thousandth of an ohm does.
    const base = end(chained(1, -200));
    for (const hops of [2, 3, 7]) {
      const more = end(chained(hops, -200));
      expect(more.nominal).toBeCloseTo(base.nominal!, 6);
      expect(more.noise).toBeCloseTo(base.noise!, 6);
    }
  });

  it('noise never falls along hops of unity gain', () => {
    for (let run = 0; run < 20; run++) {
      const hops = 1 + dice.below(6);
      const context = contextOf(studioOf(chained(hops, -120 + dice.below(60))));
      const noises = Array.from(
        { length: hops },
        (_, i) => laneSum(context.field, laneAt(context, `hop-${i}/out-1/1`)).noise!,
      );
      for (let i = 1; i < hops; i++) expect(noises[i]!).toBeGreaterThanOrEqual(noises[i - 1]! - 1e-9);
    }
  });

  it('all sources x dB louder move every level by x', () => {
    const louder = (byDb: number): Parts => ({
      ...WORKED_LADDER,
      threads: [{ ...WORKED_LADDER.threads![0]!, levelDbSpl: 80 + byDb }],
    });
    const base = contextOf(studioOf(louder(0)));
    for (const byDb of [1, 7.5, 20]) {
      const { field } = contextOf(studioOf(louder(byDb)));
      field.arrivals.forEach((arrivals, lane) => {
        if (arrivals === undefined) return;
        expect(laneSum(field, lane).nominal! - laneSum(base.field, lane).nominal!).toBeCloseTo(byDb, 9);
      });
    }
  });
});

it('other sources through the same scene are as a field of them alone', () => {
  const context = contextOf(saltglassRooms());
  const { graph, field } = context;
  const sources = field.sources.slice(0, 3);
  const [whole, part] = [levelField(graph, sources), fieldOfOthers(field, graph, sources)];
  expect(part.arrivals).toEqual(whole.arrivals);
  expect(part.parallelPaths).toEqual(whole.parallelPaths);
});
