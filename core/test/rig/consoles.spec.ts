import type { SignalGraph } from '@ft/core/graph/signalGraph';
import { trace } from '@ft/core/graph/trace';
import { speakerNames } from '@ft/core/rig/catalogue/monitoring/speakerLayout';
import { compiled, gainDb, lane, reached, unit } from '../fixtures/oneUnit';

type Settings = Record<string, number | boolean>;
const CENTRE_DB = 20 * Math.log10(Math.SQRT1_2);

// What the consoles here do is common practice, no source, unless a line says otherwise.
describe('a digital console', () => {
  const PARAMS = { channels: 8, micInputs: 8, lineOutputs: 8, groups: 4, auxes: 4, matrices: 2, effects: 2 };
  /** Channel 1 listens to mic input 1, and line output n plays bus n: mix, groups 1 to 4, auxes 1 and 2. */
  const PATCHED = {
    'channelSource/1': 1,
    ...Object.fromEntries([1, 2, 3, 4, 5, 6, 7, 8].map((n) => [`lineOutSource/${String(n)}`, n])),
  };
  const desk = (settings: Settings, params = {}): SignalGraph =>
    unit('digitalConsole', { ...PARAMS, ...params }, { ...PATCHED, ...settings });

  it.each<[string, Settings, Settings, string]>([
    ['mix', { 'toMix/1': true }, { 'mixMute/1': true }, 'out-1/1'],
    ['group', { 'group1/1': true }, { 'groupMute/1': true }, 'out-3/1'],
    ['aux', { 'aux1/1': 2 }, { 'auxMute/1': true }, 'out-7/1'],
  ])('has a mute for the %s', (_name, fed, mute, out) => {
    expect(reached(desk(fed), 'mic-1/1')).toEqual([out, ...(out === 'out-1/1' ? ['out-2/1'] : [])]);
    expect(reached(desk({ ...fed, ...mute }), 'mic-1/1')).toEqual([]);
  });

  it.each<[string, Settings, string, number]>([
    ['group', { 'group1/1': true, 'groupFaderDb/1': -7 }, 'out-3/1', -7],
    ['aux', { 'aux1/1': 2, 'aux1Db/1': -4, 'auxMasterDb/1': 3 }, 'out-7/1', -1],
    [
      'matrix',
      { 'group1/1': true, 'matrix1/3': true, 'matrixMasterDb/1': -5, 'lineOutSource/8': 11 },
      'out-8/1',
      -5,
    ],
  ])('has a master for the %s, on the way to its output', (_name, settings, out, db) => {
    // Gain of the amplifier at first 30 dB; the converters are at one reference.
    expect(gainDb(desk(settings), 'mic-1/1', out)).toBeCloseTo(30 + db, 6);
  });

  it('pans a send into a stereo pair of auxes, by the level of the odd one', () => {
    const pair = { 'auxStereo/1': true, 'aux1/1': 1, 'aux1Db/1': -2, 'aux2/1': 1, 'aux2Db/1': 12 };
    const centre = desk(pair);
    for (const out of ['out-7/1', 'out-8/1'])
      expect(gainDb(centre, 'mic-1/1', out)).toBeCloseTo(30 - 2 + CENTRE_DB, 6);
    expect(reached(desk({ ...pair, 'aux1Pan/1': -100 }), 'mic-1/1')).toEqual(['out-7/1']);
    expect(reached(desk({ ...pair, 'aux1Pan/1': 100 }), 'mic-1/1')).toEqual(['out-8/1']);
  });

  it('brings an effect back in stereo, with one fader', () => {
    const back = {
      ...{ 'aux3/1': 2, 'effectSource/1': 9, 'returnSource/1': 1, 'returnToMix/1': true },
      'returnFaderDb/1': -8,
    };
    const graph = desk(back);
    expect(reached(graph, 'mic-1/1')).toEqual(['out-1/1', 'out-2/1']);
    expect(gainDb(graph, 'mic-1/1', 'out-2/1')).toBeCloseTo(30 - 8, 6);
    expect(reached(desk({ ...back, 'returnMute/1': true }), 'mic-1/1')).toEqual([]);
    expect(reached(desk({ ...back, 'returnToMix/1': false }), 'mic-1/1')).toEqual([]);
  });

  it('is late by the engine once through a channel, and once more through the return', () => {
    const graph = desk(
      { 'aux3/1': 2, 'effectSource/1': 9, 'returnSource/1': 1, 'returnToMix/1': true },
      { effectLatencySamples: 30 },
    );
    const late = trace(graph, lane(graph, 'adc/1'), 'from').edges.reduce(
      (sum, edge) => sum + edge.delaySamples,
      0,
    );
    // Channel 1, then left and right of the return, and the two line outputs that play the mix.
    expect(late).toBe(30 + 2 * 30 + 2 * 10);
  });

  it('sends a return to players: side by side into a pair, both at half voltage into one aux', () => {
    const back = { 'returnSource/1': 3, 'returnAux1/1': 1 };
    expect(reached(desk(back), 'mic-1/1')).toEqual(['out-7/1']);
    expect(gainDb(desk(back), 'mic-2/1', 'out-7/1')).toBeCloseTo(30 - 6.0206, 4);
    const pair = desk({ ...back, 'auxStereo/1': true });
    expect(reached(pair, 'mic-1/1')).toEqual(['out-7/1']);
    expect(reached(pair, 'mic-2/1')).toEqual(['out-8/1']);
  });

  it('has insert points on its first mic inputs, before the converter, so that they are recorded', () => {
    const patched = { 'cardOutSource/1': 2 };
    const graph = desk(patched, { insertPoints: 2 });
    expect(reached(graph, 'mic-2/1')).toEqual(['insert-send-2/1', 'madi-out-1/2']);
    expect(reached(graph, 'insert-return-2/1')).toEqual(['madi-out-1/2']);
    const out = desk({ ...patched, 'insertIn/2': false }, { insertPoints: 2 });
    expect(reached(out, 'insert-return-2/1')).toEqual([]);
    expect(graph.laneIndex.has('it/insert-send-3/1' as never)).toBe(false);
  });

  it('breaks the way inside once something sits in the return', () => {
    const graph = compiled({
      devices: [
        {
          id: 'it',
          type: 'digitalConsole',
          params: { ...PARAMS, insertPoints: 1, cardBlocks: 'each alone' },
        },
        { id: 'unit', type: 'dynamics', params: {} },
      ],
      wires: [['unit/out-1/1', 'it/insert-return-1/1']],
      settings: { 'it/cardOutSource/1': PARAMS.channels + 1 },
    });
    expect(reached(graph, 'mic-1/1')).toEqual(['insert-send-1/1']);
  });

  it('adds what equaliser and dynamics do while they are in', () => {
    const set = { 'toMix/1': true, 'pan/1': -100, 'eqGainDb/1': 4, 'dynamicsGainDb/1': -6 };
    const at = (more: Settings): number => gainDb(desk({ ...set, ...more }), 'mic-1/1', 'out-1/1');
    expect(at({})).toBeCloseTo(30, 6);
    expect(at({ 'eqIn/1': true })).toBeCloseTo(34, 6);
    expect(at({ 'eqIn/1': true, 'dynamicsIn/1': true })).toBeCloseTo(28, 6);
    expect(at({ 'dynamicsIn/1': true, 'channelInsert/1': 2 })).toBeCloseTo(24, 6);
  });

  it('lets a VCA turn and mute the channels that follow it, and no others', () => {
    const set = { 'toMix/1': true, 'pan/1': -100, 'vca/1': 2, 'faderDb/1': -3, 'vcaDb/2': -10 };
    expect(gainDb(desk(set), 'mic-1/1', 'out-1/1')).toBeCloseTo(30 - 13, 6);
    expect(reached(desk({ ...set, 'vcaMute/2': true }), 'mic-1/1')).toEqual([]);
    expect(reached(desk({ ...set, 'vcaMute/1': true }), 'mic-1/1')).toEqual(['out-1/1']);
  });

  it('takes sends before the fader along with a mute where the device is so', () => {
    const sends = { 'aux1/1': 1, 'aux2/1': 2 };
    const outs = (settings: Settings, muteCutsPreSends: boolean): readonly string[] =>
      reached(desk({ ...sends, ...settings }, { muteCutsPreSends }), 'mic-1/1');
    expect(outs({}, true)).toEqual(['out-7/1', 'out-8/1']);
    expect(outs({ 'mute/1': true }, false)).toEqual(['out-7/1']);
    expect(outs({ 'mute/1': true }, true)).toEqual([]);
    expect(outs({ 'vca/1': 1, 'vcaMute/1': true }, true)).toEqual([]);
  });

  it('talks to auxes and to the studio, one by one', () => {
    expect(reached(desk({}), 'talkback/1')).toEqual([]);
    expect(reached(desk({ 'talkToAux/2': true }), 'talkback/1')).toEqual(['out-8/1']);
    expect(reached(desk({ 'talkToStudio/1': true }), 'talkback/1')).toEqual([
      'studio-left/1',
      'studio-right/1',
    ]);
    expect(gainDb(desk({ 'talkToAux/2': true, 'talkLevelDb/1': -12 }), 'talkback/1', 'out-8/1')).toBeCloseTo(
      -12,
      6,
    );
  });

  it('lets control room and studio listen to a bus each', () => {
    // Sources: mix, groups 1–2 and 3–4, auxes 1–2 and 3–4, then the matrices.
    const fed = { 'aux3/1': 2, 'monitorSource/1': 5, 'studioSource/1': 5 };
    expect(reached(desk(fed), 'mic-1/1')).toEqual(['studio-left/1', 'speakers-1-left/1']);
    expect(gainDb(desk({ ...fed, 'dim/1': true }), 'mic-1/1', 'speakers-1-left/1')).toBeCloseTo(30 - 40, 6);
    expect(reached(desk({ ...fed, 'cut/1': true, 'studioMute/1': true }), 'mic-1/1')).toEqual([]);
  });

  it('is built without what it does not have', () => {
    const none = { groups: 0, auxes: 0, matrices: 0, vcas: 0, effects: 0, stereoReturns: 0, speakerSets: 0 };
    const graph = unit('digitalConsole', { ...PARAMS, ...none, studioOutputs: false, talkbackInput: false });
    const keys = new Set(graph.lanes.map(({ id }) => id.split('/')[1]));
    for (const gone of ['talkback', 'studio-left', 'speakers-1-left', 'return', 'aux', 'group-fader'])
      expect(keys.has(gone)).toBe(false);
  });
});

describe('an analogue split console', () => {
  const desk = (settings: Settings = {}, params = {}): SignalGraph =>
    unit('splitConsole', { channels: 4, groups: 2, auxes: 2, ...params }, settings);

  it('has a stereo cue with level and pan from either path', () => {
    const cue = { 'cue/1': 1, 'cueDb/1': -5, 'cueMasterDb/1': 2 };
    const sides = ['cue-out-left/1', 'cue-out-right/1'];
    expect(reached(desk(), 'mic-1/1').filter((port) => sides.includes(port))).toEqual([]);
    for (const side of sides)
      expect(gainDb(desk(cue), 'mic-1/1', side)).toBeCloseTo(30 - 5 + 2 + CENTRE_DB, 6);
    const tape = desk({ 'cue/1': 3, 'cuePan/1': -100 });
    expect(reached(tape, 'tape-1/1')).toContain('cue-out-left/1');
    expect(reached(tape, 'tape-1/1')).not.toContain('cue-out-right/1');
    expect(reached(desk({ ...cue, 'cueMute/1': true }), 'mic-1/1')).not.toContain('cue-out-left/1');
    expect(reached(desk({ 'talkToCue/1': true }), 'talkback/1')).toEqual(sides);
  });

  it('puts the mix as it is heard on auxes 1 and 2', () => {
    const set = { 'monitorToMix/1': true, 'monitorPan/1': -100, 'mixToAuxes/1': true, 'mixFaderDb/1': -4 };
    expect(gainDb(desk(set), 'tape-1/1', 'aux-out-1/1')).toBeCloseTo(-4, 6);
    expect(reached(desk({ ...set, 'mixToAuxes/1': false }), 'tape-1/1')).not.toContain('aux-out-1/1');
  });

  it('has VCAs on the channel faders', () => {
    const set = { 'vca/1': 1, 'vcaDb/1': -9 };
    expect(gainDb(desk(set), 'mic-1/1', 'direct-1/1')).toBeCloseTo(30 - 9, 6);
    expect(reached(desk({ ...set, 'vcaMute/1': true }), 'mic-1/1')).not.toContain('direct-1/1');
  });

  it('cuts sends before the fader with the mute of their own path, where the device is so', () => {
    const aux = (settings: Settings, muteCutsPreSends: boolean): boolean =>
      reached(desk({ 'aux1/1': 3, ...settings }, { muteCutsPreSends }), 'tape-1/1').includes('aux-out-1/1');
    expect(aux({ 'monitorMute/1': true }, false)).toBe(true);
    expect(aux({ 'monitorMute/1': true }, true)).toBe(false);
    expect(aux({ 'mute/1': true }, true)).toBe(true);
  });

  it('takes the equaliser out of the way', () => {
    const set = { 'eqGainDb/1': 5 };
    expect(gainDb(desk(set), 'mic-1/1', 'direct-1/1')).toBeCloseTo(35, 6);
    expect(gainDb(desk({ ...set, 'eqIn/1': false }), 'mic-1/1', 'direct-1/1')).toBeCloseTo(30, 6);
  });

  it('gives each group out on several jacks: of two groups, jacks 1, 3 and 5 are group 1', () => {
    const graph = desk({ 'group1/1': true }, { groupOutputs: 6 });
    expect(reached(graph, 'mic-1/1').filter((port) => port.startsWith('group-out'))).toEqual([
      ...['group-out-1/1', 'group-out-3/1', 'group-out-5/1'],
    ]);
    expect(graph.lanes[lane(graph, 'group-out-5/1')]!.name).toBe('It group out 5 (group 1 again)');
  });
});

describe('a loop switcher with stereo loops at its end', () => {
  const switcher = (settings: Settings, params = {}): SignalGraph =>
    unit('loopSwitcher', { loops: 3, stereoLoops: 1, ...params }, settings);

  it('splits the one signal where stereo begins, in the loop or past it', () => {
    expect(reached(switcher({}), 'in/1')).toEqual(['out/1', 'out-right/1']);
    expect(reached(switcher({ 'loopIn/3': true }), 'in/1')).toEqual(['send-3/1', 'send-3-right/1']);
    expect(reached(switcher({ 'loopIn/3': true }), 'return-3-right/1')).toEqual(['out-right/1']);
  });

  it('keeps left and right apart all the way with nothing but stereo loops', () => {
    const graph = switcher({ 'loopIn/2': true }, { stereoLoops: 3 });
    expect(reached(graph, 'in/1')).toEqual(['send-2/1']);
    expect(reached(graph, 'in-right/1')).toEqual(['send-2-right/1']);
    expect(reached(graph, 'return-2-right/1')).toEqual(['out-right/1']);
  });
});

describe('a monitor controller with sets of many loudspeakers', () => {
  const box = (settings: Settings = {}): SignalGraph =>
    unit(
      'monitorController',
      { sources: 2, wideSources: 1, speakerSets: 3, setSpeakers: [2, 6, 1] },
      settings,
    );

  it('plays each channel of a wide source on its own loudspeaker', () => {
    const graph = box({ 'speakerSet/1': 2 });
    for (const name of ['left', 'right', 'centre', 'low', 'surround-left', 'surround-right'])
      expect(reached(graph, `source-1-${name}/1`)).toEqual([`speakers-2-${name}/1`]);
    expect(reached(box(), 'source-1-centre/1')).toEqual([]);
  });

  it('plays one set at a time, a stereo source on its front', () => {
    const graph = box({ 'speakerSet/1': 2, 'monitorSource/1': 2 });
    expect(reached(graph, 'source-2-left/1')).toEqual(['speakers-2-left/1']);
    expect(reached(graph, 'source-1-left/1')).toEqual([]);
  });

  it('adds both sides at half voltage for one loudspeaker', () => {
    const graph = box({ 'speakerSet/1': 3 });
    for (const side of ['left', 'right']) {
      expect(reached(graph, `source-1-${side}/1`)).toEqual(['speakers-3-mono/1']);
      expect(gainDb(graph, `source-1-${side}/1`, 'speakers-3-mono/1')).toBeCloseTo(-20 - 6.0206, 4);
    }
  });

  it('in mono puts all of a source on left and right, so that what is alike keeps its level', () => {
    const graph = box({ 'speakerSet/1': 2, 'mono/1': true });
    expect(reached(graph, 'source-1-centre/1')).toEqual(['speakers-2-left/1', 'speakers-2-right/1']);
    expect(gainDb(graph, 'source-1-centre/1', 'speakers-2-left/1')).toBeCloseTo(-20 - 20 * Math.log10(6), 4);
  });

  it('names six loudspeakers in the order ITU-R BS.775-4 gives for 3/2 with a low channel', () => {
    expect(speakerNames(6)).toEqual(['left', 'right', 'centre', 'low', 'surround left', 'surround right']);
    for (let count = 1; count <= 12; count++) expect(new Set(speakerNames(count)).size).toBe(count);
  });
});
