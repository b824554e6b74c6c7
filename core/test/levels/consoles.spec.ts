import type { WorkedScene } from '@ft/core/scene/workedScene';
import type { Edge } from '@ft/core/graph/signalGraph';
import { edgesFrom } from '@ft/core/graph/walk';
import type { Rung } from '@ft/core/levels/ladder';
import { ladder } from '@ft/core/levels/ladder';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';

/** The shortest conducting way between two lanes. */
function pathBetween({ graph }: WorkedScene, from: number, to: number): readonly Edge[] {
  const by = new Map<number, Edge>();
  const seen = new Set([from]);
  for (const lane of seen)
    for (const edge of edgesFrom(graph, lane))
      if (!seen.has(edge.to)) {
        seen.add(edge.to);
        by.set(edge.to, edge);
      }
  const path: Edge[] = [];
  for (let lane = to; lane !== from;) {
    const edge = by.get(lane);
    if (edge === undefined) throw new Error('no way leads there');
    path.unshift(edge);
    lane = edge.from;
  }
  return path;
}

/** The ladder of a voice at 88 dB SPL from a microphone to a lane. */
function voiceAt(parts: Parts, to: string): readonly Rung[] {
  const context = contextOf(studioOf(parts));
  const { graph } = context;
  const [start, end] = [graph.laneIndex.get('mic/out/1' as never)!, graph.laneIndex.get(to as never)!];
  return ladder(graph, start, pathBetween(context, start, end), { levelDbSpl: 88, crestDb: 14 }).rungs;
}

/** 12 mV/Pa: −36.2 dBu in 94 dB SPL, so −42.20 dBu at 88 (numbers.md, worked ladder). */
const MIC = {
  id: 'mic',
  type: 'microphone',
  params: { principle: 'condenser', sensitivityMvPerPa: 12, sourceOhm: 200, selfNoiseDbSpl: 14 },
};

describe('levels through an analogue split console', () => {
  const desk = (settings: Record<string, number | boolean>): Parts => ({
    devices: [MIC, { id: 'desk', type: 'splitConsole', params: { channels: 2, auxes: 2, groups: 2 } }],
    wires: [['mic/out/1', 'desk/mic-1/1']],
    settings: { 'desk/gainDb/1': 44, ...settings },
  });
  // −42.20 dBu, −0.70 dB into 2.4 kΩ, +44 dB: +1.11 dBu behind the preamp.
  const BEHIND_PREAMP = 1.11;
  const last = (settings: Record<string, number | boolean>, to: string): number =>
    voiceAt(desk(settings), to).at(-1)!.nominal!;

  it.each<[string, Record<string, number | boolean>, string, number]>([
    ['at the direct output, fader at unity', {}, 'desk/direct-1/1', 0],
    ['at the direct output, fader down', { 'desk/faderDb/1': -10 }, 'desk/direct-1/1', -10],
    ['before the fader', { 'desk/faderDb/1': -10, 'desk/directPre/1': true }, 'desk/direct-1/1', 0],
    ['at the mix, in the centre', { 'desk/toMix/1': true }, 'desk/mix-out-left/1', -3.01],
    ['at the mix, hard left', { 'desk/toMix/1': true, 'desk/pan/1': -100 }, 'desk/mix-out-left/1', 0],
    ['at a group', { 'desk/group2/1': true, 'desk/groupFaderDb/2': -6 }, 'desk/group-out-2/1', -6],
    [
      'at an aux with its send and master',
      { 'desk/aux1/1': 1, 'desk/aux1Db/1': -4, 'desk/auxMasterDb/1': 3 },
      'desk/aux-out-1/1',
      -1,
    ],
    ['after the equaliser', { 'desk/eqGainDb/1': 6 }, 'desk/direct-1/1', 6],
    [
      'on the loudspeakers: mix, −20 dB of level',
      { 'desk/toMix/1': true, 'desk/pan/1': -100 },
      'desk/speakers-1-left/1',
      -20,
    ],
  ])('%s', (_name, settings, to, gainDb) => {
    expect(last(settings, to)).toBeCloseTo(BEHIND_PREAMP + gainDb, 2);
  });

  it('are quieter by 6 dB each where mono adds two sides', () => {
    const settings = { 'desk/toMix/1': true, 'desk/pan/1': -100, 'desk/mono/1': true };
    expect(last(settings, 'desk/speakers-1-right/1')).toBeCloseTo(BEHIND_PREAMP - 20 - 6.02, 2);
  });

  it('noise of the preamp rises with its gain, and never falls on the way at unity', () => {
    const rungs = voiceAt(desk({}), 'desk/direct-1/1');
    const noise = rungs.map(({ noise: level }) => level!);
    const behind = rungs.findIndex((_, i) => i > 0 && noise[i]! > -80);
    for (let i = behind + 1; i < noise.length; i++)
      expect(noise[i]!).toBeGreaterThanOrEqual(noise[i - 1]! - 1e-9);
  });
});

describe('levels through a digital console', () => {
  const desk = (settings: Record<string, number | boolean>): Parts => ({
    devices: [
      MIC,
      { id: 'box', type: 'stagebox', params: { inputs: 8, outputs: 4 } },
      { id: 'desk', type: 'digitalConsole', params: { channels: 8, micInputs: 0, lineOutputs: 2, cards: 1 } },
    ],
    wires: [
      ['mic/out/1', 'box/mic-1/1'],
      ...Array.from({ length: 8 }, (_, i): [string, string] => [
        `box/madi-out-1/${String(i + 1)}`,
        `desk/madi-in-1/${String(i + 1)}`,
      ]),
    ],
    settings: {
      'box/gainDb/1': 44,
      'desk/channelSource/1': 1,
      'desk/toMix/1': true,
      'desk/lineOutSource/1': 1,
      ...settings,
    },
  });

  it('go by the reference level of the stagebox in, and of the console out', () => {
    const rungs = voiceAt(desk({}), 'desk/out-1/1');
    const digital = rungs.find(({ unit }) => unit === 'dBFS')!;
    // +1.11 dBu with 0 dBFS = +18 dBu: −16.89 dBFS; then −3.01 dB in the centre of the mix, and +18 dBu out.
    expect(digital.nominal).toBeCloseTo(-16.89, 2);
    expect(rungs.at(-1)!.nominal).toBeCloseTo(1.11 - 3.01, 2);
    const hot = voiceAt(desk({ 'desk/dacReferenceDbu/1': 24 }), 'desk/out-1/1');
    expect(hot.at(-1)!.nominal).toBeCloseTo(1.11 - 3.01 + 6, 2);
  });

  it('are cut by a mute, and by a source that is not chosen', () => {
    expect(() => voiceAt(desk({ 'desk/mute/1': true }), 'desk/out-1/1')).toThrow('no way');
    expect(() => voiceAt(desk({ 'desk/channelSource/1': 0 }), 'desk/out-1/1')).toThrow('no way');
  });

  it('are late by the stagebox’s and the console’s converters', () => {
    const rungs = voiceAt(desk({}), 'desk/out-1/1');
    expect(rungs.at(-1)!.delaySamples).toBe(12 + 10);
  });
});

describe('levels through an interface’s monitor mix', () => {
  it('add the level in the mix to what comes in', () => {
    const parts: Parts = {
      devices: [
        MIC,
        { id: 'pre', type: 'micPreamp', params: { channels: 1 } },
        { id: 'box', type: 'audioInterface', params: { lineInputs: 2, hostStreams: 8, opticalLinks: 0 } },
      ],
      wires: [
        ['mic/out/1', 'pre/mic-1/1'],
        ['pre/out-1/1', 'box/line-in-1/1'],
      ],
      // Sources: eight host streams, two line inputs, then the mixes: line input 1 is number 9, mix 1 left 11.
      settings: { 'pre/gainDb/1': 44, 'box/mix1To/9': 1, 'box/mix1Db/9': -6, 'box/lineOutSource/1': 11 },
    };
    const rungs = voiceAt(parts, 'box/line-out-1/1');
    // Into 20 kΩ from 75 Ω: −0.03 dB; converters at one reference in and out: unity.
    expect(rungs.at(-1)!.nominal).toBeCloseTo(1.107 + 20 * Math.log10(20_000 / 20_075) - 6, 2);
    expect(rungs.at(-1)!.inverted).toBe(false);
  });
});

describe('levels through re-amp box, pedal and DI', () => {
  it('come down to instrument level and back to mic level, with every joint loaded', () => {
    const parts: Parts = {
      devices: [
        MIC,
        { id: 'pre', type: 'micPreamp', params: { channels: 2 } },
        { id: 'reamp', type: 'reampBox' },
        { id: 'fuzz', type: 'pedal' },
        { id: 'di', type: 'diBox' },
      ],
      wires: [
        ['mic/out/1', 'pre/mic-1/1'],
        ['pre/out-1/1', 'reamp/in-1/1'],
        ['reamp/isolated-1/1', 'fuzz/in-1/1'],
        ['fuzz/out-1/1', 'di/in-1/1'],
        ['di/out-1/1', 'pre/mic-2/1'],
      ],
      settings: { 'pre/gainDb/1': 44, 'reamp/invert/1': true, 'fuzz/netGainDb/1': 3 },
    };
    const rungs = voiceAt(parts, 'pre/mic-2/1');
    const at = (i: number): number => rungs[i]!.nominal!;
    // Voltage dividers, recomputed: 75 Ω into 10 kΩ, 10 kΩ into 1 MΩ, 1 kΩ into 1 MΩ, 150 Ω into 2.4 kΩ.
    const divider = (source: number, load: number): number => 20 * Math.log10(load / (source + load));
    expect(at(3)).toBeCloseTo(1.11 + divider(75, 10_000), 2);
    expect(at(4)).toBeCloseTo(at(3) - 20, 6);
    expect(at(5) - at(4)).toBeCloseTo(divider(10_000, 1_000_000), 6);
    expect(at(6)).toBeCloseTo(at(5) + 3, 6);
    expect(at(7) - at(6)).toBeCloseTo(divider(1000, 1_000_000), 6);
    expect(at(8)).toBeCloseTo(at(7) - 20, 6);
    expect(at(9) - at(8)).toBeCloseTo(divider(150, 2400), 6);
    expect(rungs.at(-1)!.inverted).toBe(true);
  });
});
