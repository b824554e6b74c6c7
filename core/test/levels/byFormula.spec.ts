import type { Track } from '@ft/core/session/daw/trackSchema';
import type { WorkedScene } from '@ft/core/scene/workedScene';
import { laneSum, togetherDb } from '@ft/core/levels/laneSum';
import { loadingOf } from '@ft/core/levels/loadingOf';
import { maxLevel } from '@ft/core/levels/maxLevel';
import { performerDelays } from '@ft/core/timing/performerDelays';
import { runChecks } from '@ft/core/checks/runChecks';
import { readOutputs, outputsText } from '@ft/core/typed/track/destinationText';
import { amplifierNoiseDbu } from '@ft/core/units/thermalNoise';
import { dawParts, hardwareSlot, track } from '../checks/examples/example';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';

/** What is asked here is worked out on the spot from the formula named beside it, never by the program's own code. */
const power = (db: number): number => 10 ** (db / 10);
const db = (ratio: number): number => 20 * Math.log10(ratio);
const K_T = 1.380649e-23 * 293.15;
/** Johnson 1928, Nyquist 1928: e = √(4kTRB), B = 20 kHz, 20 °C; 0 dBu = √0.6 V. */
const thermalDbu = (ohm: number): number => db(Math.sqrt(4 * K_T * ohm * 20_000) / Math.sqrt(0.6));

const laneAt = ({ graph }: WorkedScene, id: string): number => graph.laneIndex.get(id as never)!;
const context = (parts: Parts): WorkedScene => contextOf(studioOf(parts));
const nominalAt = (scene: WorkedScene, id: string): number =>
  laneSum(scene.field, laneAt(scene, id)).nominal!;
const noiseAt = (scene: WorkedScene, id: string): number =>
  10 * Math.log10(scene.field.noisePower[laneAt(scene, id)]!);
const rules = (scene: WorkedScene): readonly string[] =>
  runChecks(scene).findings.map(({ finding }) => finding.rule);

describe('a pad before an amplifier (common practice, no source)', () => {
  it.each([
    ['micPreamp', { channels: 1, padDb: 15, maxInputDbu: 8 }, 'unit/mic-1/1'],
    ['stagebox', { inputs: 8, padDb: 15, maxInputDbu: 8 }, 'unit/mic-1/1'],
    ['digitalConsole', { padDb: 15, maxInputDbu: 8 }, 'unit/mic-1/1'],
    ['splitConsole', { padDb: 15, maxInputDbu: 8 }, 'unit/mic-1/1'],
    ['diBox', { padDb: 15, maxInputDbu: 8 }, 'unit/in-1/1'],
  ])('raises what the input of a %s takes by itself, and no other', (type, params, lane) => {
    const max = (settings: Record<string, boolean>): number => {
      const scene = context({ devices: [{ id: 'unit', type, params }], settings });
      return maxLevel(scene.graph.lanes[laneAt(scene, lane)]!)!;
    };
    expect(max({})).toBe(8);
    expect(max({ 'unit/pad/1': true })).toBe(8 + 15);
  });

  it('ends the finding that asked for it', () => {
    const loud = (pad: boolean): Parts => ({
      devices: [
        { id: 'mic', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 20 } },
        { id: 'preamp', type: 'micPreamp', params: { channels: 1, minGainDb: 0, maxInputDbu: 0 } },
      ],
      wires: [['mic/out/1', 'preamp/mic-1/1']],
      threads: [{ from: 'mic/out/1', purpose: 'feed', to: 'preamp/mic-1/1', levelDbSpl: 120, crestDb: 20 }],
      settings: { 'preamp/gainDb/1': 0, 'preamp/pad/1': pad },
    });
    // 20 mV/Pa at 120 dB SPL are −5.76 dBu; peaks 17 dB over that pass 0 dBu, and not +20.
    expect(rules(context(loud(false)))).toContain('over-max-input');
    expect(rules(context(loud(true)))).not.toContain('over-max-input');
  });
});

describe('a group of an analogue split console (common practice, no source)', () => {
  const grouped = (groupFaderDb: number, more: Record<string, number | boolean>): WorkedScene =>
    context({
      devices: [
        { id: 'player', type: 'mediaPlayer', params: { outputOhm: 1 } },
        { id: 'console', type: 'splitConsole', params: { channels: 2, groups: 2, lineInputOhm: 1e9 } },
      ],
      wires: [['player/out-1/1', 'console/line-1/1']],
      threads: [
        { from: 'player/out-1/1', purpose: 'feed', to: 'console/line-1/1', levelDbu: 4, crestDb: 3.01 },
      ],
      settings: {
        'console/channelInput/1': 2,
        'console/group1/1': true,
        'console/groupFaderDb/1': groupFaderDb,
        ...more,
      },
    });

  it('reaches the mix, its output and a monitor path after its fader', () => {
    const scene = grouped(-7, {
      'console/groupToMix/1': true,
      'console/monitorInput/1': 2,
      'console/monitorToMix/1': false,
    });
    expect(nominalAt(scene, 'console/group/1')).toBeCloseTo(4, 3);
    for (const lane of ['console/group-out-1/1', 'console/mix/1', 'console/monitor/1'])
      expect(nominalAt(scene, lane)).toBeCloseTo(4 - 7, 3);
  });
});

describe('the engine of a digital console', () => {
  it('delays every path through it: to the mix, a group, an aux and a direct out', () => {
    const settings = {
      'console/channelSource/1': 1,
      'console/toMix/1': true,
      'console/group1/1': true,
      'console/aux1/1': 2,
      'console/channelSource/2': 2,
      'console/channelInsert/2': 1,
      'console/toMix/2': true,
    };
    const scene = context({
      devices: [
        { id: 'mic', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
        {
          ...{ id: 'console', type: 'digitalConsole' },
          params: { channels: 8, micInputs: 8, effectLatencySamples: 33, adcLatencySamples: 12 },
        },
      ],
      wires: [['mic/out/1', 'console/mic-1/1']],
      threads: [{ from: 'mic/out/1', purpose: 'feed', to: 'console/mic-1/1', levelDbSpl: 94, crestDb: 10 }],
      settings,
    });
    for (const lane of ['console/fader/1', 'console/mix/1', 'console/group/1', 'console/aux/1']) {
      const [arrival] = scene.field.arrivals[laneAt(scene, lane)]!;
      expect(arrival!.delaySamples).toBe(12 + 33);
    }
  });
});

describe('a passive bus', () => {
  const bus = (makeUp: boolean, inputsPerBus = 8): WorkedScene =>
    context({
      devices: [
        {
          ...{ id: 'sum', type: 'passiveSumming' },
          params: { inputsPerBus, stereo: false, makeUp, makeUpNoiseDbu: -128 },
        },
      ],
      settings: makeUp ? { 'sum/makeUpDb/1': 20 } : {},
    });

  it('without an amplifier makes the thermal noise of its resistors', () => {
    // N legs of 10 kΩ and 50 Ω in parallel.
    expect(noiseAt(bus(false), 'sum/out-left/1')).toBeCloseTo(thermalDbu(10_050 / 8), 6);
    expect(noiseAt(bus(false, 32), 'sum/out-left/1')).toBeCloseTo(thermalDbu(10_050 / 32), 6);
  });

  it.each([8, 32])('counts the noise of its amplifier once, not once an input (%d inputs)', (inputs) => {
    const resistors = thermalDbu(10_050 / inputs) + db(10_000 / (10_000 + 10_050 / inputs));
    const atOutput = 10 * Math.log10(power(resistors) + power(-128)) + 20;
    expect(noiseAt(bus(true, inputs), 'sum/out-left/1')).toBeCloseTo(atOutput, 6);
  });
});

describe('the noise of an amplifier by its EIN', () => {
  it.each([
    [-128, 150, -131.1],
    [-129, 200, 10 * Math.log10(power(-129) - power(thermalDbu(200)))],
    [-127, 0, -127],
  ])('%f dBu measured with %f Ω is %f dBu of its own', (ein, ohm, own) => {
    expect(amplifierNoiseDbu(ein, ohm)).toBeCloseTo(own, 2);
  });

  it('is not told by an EIN that the source alone would have', () => {
    expect(amplifierNoiseDbu(-131, 150)).toBeUndefined();
  });
});

describe('the noise of a microphone', () => {
  const gaps = (params: object): readonly string[] =>
    context({
      devices: [
        { id: 'mic', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2, ...params } },
        { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
      ],
      wires: [['mic/out/1', 'preamp/mic-1/1']],
      threads: [{ from: 'mic/out/1', purpose: 'feed', to: 'preamp/mic-1/1', levelDbSpl: 94, crestDb: 10 }],
    }).threads[0]!.ladder.gaps.map(({ code }) => code);

  it('says that it is weighted, as it usually is, where it is summed with what is not', () => {
    expect(gaps({ selfNoiseDbSpl: 14 })).toContain('noise-weighted');
    expect(gaps({ selfNoiseDbSpl: 14, selfNoiseWeighting: 'unweighted' })).not.toContain('noise-weighted');
    // The noise of its impedance alone is a physical figure, unweighted.
    expect(gaps({})).not.toContain('noise-weighted');
  });
});

describe('a DI box', () => {
  const di = (params: Record<string, unknown>, micOhm = 1500): WorkedScene =>
    context({
      devices: [
        { id: 'bass', type: 'instrument', params: { sourceOhm: 10_000 } },
        { id: 'di', type: 'diBox', params },
        { id: 'preamp', type: 'micPreamp', params: { channels: 1, inputOhm: micOhm } },
      ],
      wires: [
        ['bass/out/1', 'di/in-1/1'],
        ['di/out-1/1', 'preamp/mic-1/1'],
      ],
      threads: [{ from: 'bass/out/1', purpose: 'feed', to: 'preamp/mic-1/1', levelDbu: -10, crestDb: 12 }],
    });

  it('with an amplifier loads by its own input, whatever is behind it', () => {
    const scene = di({ kind: 'active', inputOhm: 1_000_000, gainDb: -20, outputOhm: 150 });
    expect(loadingOf(scene.graph, laneAt(scene, 'bass/out/1'))!.lossDb).toBeCloseTo(
      db(1e6 / (1e6 + 10_000)),
      6,
    );
    expect(nominalAt(scene, 'preamp/mic-1/1')).toBeCloseTo(
      -10 + db(1e6 / 1_010_000) - 20 + db(1500 / 1650),
      6,
    );
  });

  // An ideal transformer of n : 1 with its winding: Z seen is n²·(Rw + ZL). Elementary.
  it.each([1500, 10_000])('of a transformer loads by the square of its turns (%d Ω behind)', (micOhm) => {
    const scene = di({ kind: 'passive', ratio: 12, outputOhm: 150 }, micOhm);
    const seen = 144 * (150 + micOhm);
    expect(loadingOf(scene.graph, laneAt(scene, 'bass/out/1'))!.loadOhm).toBeCloseTo(seen, 3);
    expect(nominalAt(scene, 'preamp/mic-1/1')).toBeCloseTo(
      -10 + db(seen / (seen + 10_000)) - db(12) + db(micOhm / (micOhm + 150)),
      6,
    );
  });
});

describe('converters (usual parts, from memory: 12, 9 and 5 samples in, 10, 5 and 2.5 out)', () => {
  const RATES = [48_000, 96_000, 192_000];
  const samples = (params: object, from: string, to: string): readonly number[] =>
    RATES.map((sampleRateHz) => {
      const scene = context({
        devices: [{ id: 'unit', type: 'converter', params: { adcs: 1, dacs: 1, ...params } }],
        session: { sampleRateHz: sampleRateHz as 48_000 },
      });
      const [start, end] = [laneAt(scene, from), laneAt(scene, to)];
      return scene.graph.edges.find((edge) => edge.from === start && edge.to === end)!.delaySamples;
    });

  it('are late by other samples at each rate, and on the way in and out', () => {
    expect(samples({}, 'unit/line-in-1/1', 'unit/host-out/1')).toEqual([12, 9, 5]);
    expect(samples({}, 'unit/host-in/1', 'unit/line-out-1/1')).toEqual([10, 5, 2.5]);
  });

  it('are as late as their data say where they say', () => {
    const data = { adcLatencySamples: 40, adcLatencyDoubleRateSamples: 38 };
    const found = samples(data, 'unit/line-in-1/1', 'unit/host-out/1');
    expect(found.slice(0, 2)).toEqual([40, 38]);
    expect(found[2]).toBeCloseTo((40 * 5) / 12, 9);
  });
});

describe('a media player', () => {
  it.each([
    ['balanced line', 18],
    ['unbalanced line', 8],
  ])('with a %s output gives %d dBu at most (common practice, no source)', (output, max) => {
    const scene = context({ devices: [{ id: 'player', type: 'mediaPlayer', params: { output } }] });
    expect(maxLevel(scene.graph.lanes[laneAt(scene, 'player/out-1/1')]!)).toBe(max);
  });
});

describe('copies of one sound', () => {
  const way = (alignedSamples: number, gainDb: number, inverted = false) => ({
    ...{ source: 0, gainDb, alignedSamples, delaySamples: alignedSamples },
    ...{ throughHost: false, inverted },
  });

  it('are alike up to a tenth of the period, and add as voltages there', () => {
    // 4.8 samples at 48 kHz are 0.1 ms: a tenth of the period of 1 kHz.
    const sum = togetherDb([way(0, 0), way(4.8, 0)], 48_000);
    expect(sum.alikeBelowHz).toBeCloseTo(1000, 6);
    expect(sum.alike).toBeCloseTo(6.0206, 4);
    expect(sum.power).toBeCloseTo(3.0103, 4);
  });

  it('of opposite polarity take each other away there', () => {
    const sum = togetherDb([way(0, 0), way(4.8, -6, true)], 48_000);
    expect(sum.alike).toBeCloseTo(db(1 - 10 ** (-6 / 20)), 6);
  });

  it('that near are alike over the whole band, and add as voltages alone', () => {
    // A fifth of a sample at 48 kHz: alike up to 24 kHz.
    const sum = togetherDb([way(0, 0), way(0.2, 0)], 48_000);
    expect(sum.power).toBeCloseTo(6.0206, 4);
  });
});

const plugin = (delaySamples: number): Track['inserts'][number] => ({
  ...{ kind: 'plugin', name: 'Delay' },
  delaySamples,
});

describe('what a host compensates', () => {
  const bus = { to: 'bus', bus: 'b' as never } as const;
  /** A microphone straight to headphones' amp and through the host beside it; another track with a slow plug-in. */
  const monitored = (slow: number): WorkedScene =>
    context({
      ...dawParts(
        [
          track('voice', {
            input: { from: 'host', first: 1 },
            inputMonitor: true,
            outputs: [{ to: 'host', first: 1 }],
          }),
          track('slow', { number: 2, inserts: [plugin(slow)], outputs: [{ to: 'host', first: 3 }] }),
        ],
        {
          devices: [
            { id: 'player', type: 'mediaPlayer', params: {} },
            { id: 'cans', type: 'headphones', params: {} },
          ],
          wires: [
            ['player/out-1/1', 'converter/line-in-1/1'],
            ['converter/line-out-1/1', 'cans/in/1'],
          ],
          threads: [
            {
              from: 'player/out-1/1',
              performer: 'Imke Tarrow',
              levelDbu: 4,
              crestDb: 10,
              trackName: 'VOICE',
            },
          ],
          session: {
            performers: [{ id: 'imke', name: 'Imke Tarrow', headphones: 'cans', cueLimitMs: 5 }] as never,
          },
        },
      ),
    });

  it.each([0, 500])('delays what a performer hears by the slowest path of all (%d samples)', (slow) => {
    const { session, graph, field } = monitored(slow);
    // Converter in, buffer, buffer, converter out; and everything waits for the slowest.
    expect(performerDelays(session, graph, field).map(({ delaySamples }) => delaySamples)).toEqual([
      12 + 64 + 64 + 10 + slow,
    ]);
  });

  /** One track plays to output 1 by way of a bus with a plug-in, and straight to output 1. */
  it('brings together what passes it, polarity and all', () => {
    const scene = context(
      dawParts(
        [
          track('dry', {
            outputs: [{ to: 'host', first: 1 }],
            sends: [{ destination: bus, preFader: false, levelDb: 0, pan: 0 }],
          }),
          track('wet', {
            ...{ kind: 'aux', number: 2, input: { from: 'bus', bus: 'b' as never } },
            ...{ inserts: [plugin(77)], outputs: [{ to: 'host', first: 1 }] },
          }),
        ],
        { session: { buses: [{ id: 'b', name: 'B', width: 1 }] as never } },
      ),
    );
    expect(nominalAt(scene, 'daw/output/1')).toBeCloseTo(-18 + 6.0206, 3);
    expect(rules(scene)).not.toContain('parallel-comb');
  });

  it('is taken off only where both ways pass it: a way beside the host is as early as it is', () => {
    /** The player into a summing mixer by itself, and through the host; a plug-in on the way through. */
    const scene = context(
      dawParts(
        [
          track('through', {
            ...{ input: { from: 'host', first: 1 }, inputMonitor: true },
            ...{ inserts: [plugin(100)], outputs: [{ to: 'host', first: 1 }] },
          }),
        ],
        {
          devices: [
            { id: 'player', type: 'mediaPlayer', params: {} },
            { id: 'sum', type: 'summingMixer', params: { inputs: 4 } },
            { id: 'split', type: 'mult', params: {} },
          ],
          wires: [
            ['player/out-1/1', 'split/in-1/1'],
            ['split/out-1-1/1', 'converter/line-in-1/1'],
            ['split/out-1-2/1', 'sum/in-1/1'],
            ['converter/line-out-1/1', 'sum/in-3/1'],
          ],
          threads: [{ from: 'player/out-1/1', levelDbu: 4, crestDb: 10, trackName: 'THROUGH' }],
        },
      ),
    );
    const comb = runChecks(scene).findings.find(({ finding }) => finding.rule === 'parallel-comb');
    expect(comb?.finding.figures).toMatchObject({ differenceSamples: 12 + 64 + 100 + 64 + 10 });
  });
});

describe('a mono track on a pair of outputs', () => {
  const mono = { width: 1 };

  it('is read as typed and written so again', () => {
    const read = readOutputs('1-2', mono, []);
    expect(read).toEqual({ ok: true, value: [{ to: 'host', first: 1, width: 2 }] });
    expect(outputsText({ outputs: [{ to: 'host', first: 1, width: 2 }], width: 1 }, [])).toBe('1–2');
    expect(readOutputs('1-3', mono, [])).toMatchObject({ ok: false });
    expect(readOutputs('3', mono, [])).toEqual({ ok: true, value: [{ to: 'host', first: 3 }] });
  });

  // Pan law −3 dB: sine and cosine. Elementary.
  it.each([0, 50, -100])('feeds both by its pan (%d)', (pan) => {
    const outputs = [{ to: 'host', first: 1, width: 2 }] as const;
    const scene = context(dawParts([track('voice', { pan, outputs: [...outputs] })]));
    const angle = ((pan + 100) / 200) * (Math.PI / 2);
    const gains = [Math.cos(angle), Math.sin(angle)];
    gains.forEach((gain, i) => {
      const lane = `daw/output/${i + 1}`;
      if (gain < 1e-9) expect(laneSum(scene.field, laneAt(scene, lane)).nominal).toBeUndefined();
      else expect(nominalAt(scene, lane)).toBeCloseTo(-18 + db(gain), 3);
    });
  });
});

describe('a wide hardware insert', () => {
  it('is read on every side: the one that is off counts', () => {
    const parts = (rightLatencyMs: number): Parts =>
      dawParts([track('pair', { width: 2, inserts: [hardwareSlot(1, 1, { delaySamples: 150 })] })], {
        devices: [
          { id: 'left', type: 'effectUnit', params: { inputs: 'mono', latencyMs: 0 } },
          { id: 'right', type: 'effectUnit', params: { inputs: 'mono', latencyMs: rightLatencyMs } },
        ],
        wires: [
          ['converter/line-out-1/1', 'left/in-1/1'],
          ['left/out-1/1', 'converter/line-in-1/1'],
          ['converter/line-out-1/2', 'right/in-1/1'],
          ['right/out-1/1', 'converter/line-in-1/2'],
        ],
      });
    // Two buffers of 64 and both converters: 150 samples; 1 ms on the right are 48 more.
    expect(rules(context(parts(0)))).not.toContain('insert-uncompensated');
    const [late] = runChecks(context(parts(1))).findings.filter(
      ({ finding }) => finding.rule === 'insert-uncompensated',
    );
    expect(late?.finding.figures).toMatchObject({
      why: 'wrong',
      side: 2,
      tripSamples: 198,
      knownSamples: 150,
    });
  });
});
