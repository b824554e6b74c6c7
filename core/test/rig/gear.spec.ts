import type { SignalGraph } from '@ft/core/graph/signalGraph';
import { trace } from '@ft/core/graph/trace';
import { buildDevice } from '@ft/core/rig/buildDevice';
import { deviceSchema } from '@ft/core/rig/rigSchema';
import { compiled, gainDb, lane, reached, unit } from '../fixtures/oneUnit';

describe('boxes between kinds of level', () => {
  it('a DI box passes the instrument on by copper and gives it out at mic level', () => {
    const graph = unit('diBox', { gainDb: -22 });
    expect(reached(graph, 'in-1/1')).toEqual(['through-1/1', 'out-1/1']);
    expect(gainDb(graph, 'in-1/1', 'out-1/1')).toBe(-22);
    expect(gainDb(unit('diBox', {}, { 'pad/1': true }), 'in-1/1', 'out-1/1')).toBe(-40);
  });

  it('a re-amp box turns the polarity of its isolated output alone', () => {
    const graph = unit('reampBox', {}, { 'invert/1': true });
    const inverts = (to: string): boolean => graph.edges.find((edge) => edge.to === lane(graph, to))!.inverts;
    expect([inverts('direct-1/1'), inverts('isolated-1/1')]).toEqual([false, true]);
    expect(graph.lanes[lane(graph, 'isolated-1/1')]!.medium).toBe('instrument');
  });

  it('a loop switcher takes loops in their order, and passes by those that are out', () => {
    const graph = unit('loopSwitcher', { loops: 3 }, { 'loopIn/2': true });
    expect(reached(graph, 'in/1')).toEqual(['send-2/1']);
    expect(reached(graph, 'return-2/1')).toEqual(['out/1']);
    expect(reached(unit('loopSwitcher', { loops: 3 }), 'in/1')).toEqual(['out/1']);
  });

  it('a key input is listened to and heard nowhere', () => {
    const graph = unit('dynamics', { keyInput: true });
    expect(reached(graph, 'key-1/1')).toEqual([]);
    expect(reached(graph, 'in-1/1')).toEqual(['out-1/1']);
  });

  it('a unit with a latency in ms is as late at every sample rate', () => {
    const late = (sampleRateHz: 48_000 | 96_000): number =>
      unit('effectUnit', { latencyMs: 2 }, {}, { sampleRateHz }).edges[0]!.delaySamples;
    expect([late(48_000), late(96_000)]).toEqual([96, 192]);
  });
});

describe('converters and interfaces', () => {
  it('give the latency of the rate the session runs at', () => {
    const late = (sampleRateHz: 44_100 | 96_000 | 192_000): number =>
      unit(
        'converter',
        { adcs: 1, dacs: 1, adcLatencySamples: 12, adcLatencyDoubleRateSamples: 9 },
        {},
        { sampleRateHz },
      ).edges[0]!.delaySamples;
    expect([late(44_100), late(96_000), late(192_000)]).toEqual([12, 9, 5]);
  });

  it('play host stream 17 from line output 1 where the matrix says so', () => {
    const graph = unit('audioInterface', { firstHostForLineOutputs: 17 });
    expect(reached(graph, 'host-in/17')).toEqual(['line-out-1/1']);
    const crossed = unit('audioInterface', {}, { 'lineOutSource/1': 17 });
    expect(reached(crossed, 'host-in/17')).toEqual(['line-out-1/1']);
    expect(crossed.edges.some(({ kind }) => kind === 'crosspoint')).toBe(true);
  });

  it('send line inputs and then the digital ones to the host, one to one', () => {
    const graph = unit('audioInterface', { lineInputs: 2, opticalLinks: 1, hostStreams: 12 });
    expect(reached(graph, 'line-in-2/1')).toEqual(['host-out/2']);
    expect(reached(graph, 'optical-in-1/1')).toEqual(['host-out/3']);
  });

  it('mix sources to a stereo pair that a line output can play', () => {
    const settings = { 'mix1To/1': 1, 'mix1Db/1': -6, 'lineOutSource/3': 35 };
    const graph = unit('audioInterface', { hostStreams: 24, lineInputs: 2, opticalLinks: 1 }, settings);
    // Sources: 24 host streams, 2 line inputs, 8 optical lanes, then mix 1 left as number 35.
    expect(reached(graph, 'host-in/1')).toEqual(['line-out-1/1', 'line-out-3/1']);
    expect(graph.edges.find((edge) => edge.to === lane(graph, 'mix/1'))!.gainDb).toBe(-6);
  });

  it.each([
    [48_000, 8],
    [96_000, 4],
    [192_000, 2],
  ] as const)('carry on an optical cable at %d Hz %d lanes', (sampleRateHz, lanes) => {
    const graph = compiled({
      devices: [
        { id: 'pre', type: 'opticalPreamp' },
        { id: 'it', type: 'audioInterface' },
      ],
      wires: Array.from({ length: 8 }, (_, i) => [
        `pre/optical-out-1/${String(i + 1)}`,
        `it/optical-in-1/${String(i + 1)}`,
      ]),
      session: { sampleRateHz },
    });
    expect(graph.edges.filter(({ kind, closed }) => kind === 'hardwire' && closed)).toHaveLength(lanes);
  });
});

describe('an analogue split console', () => {
  const desk = (settings: Record<string, number | boolean> = {}): SignalGraph =>
    unit('splitConsole', { channels: 4, groups: 2, auxes: 2, externals: 1 }, settings);

  it('takes its mic input past the insert to the direct output, and its tape return to the mix', () => {
    expect(reached(desk(), 'mic-1/1')).toEqual(['send-1/1', 'direct-1/1']);
    expect(reached(desk(), 'tape-1/1')).toEqual(
      expect.arrayContaining(['mix-out-left/1', 'mix-out-right/1']),
    );
  });

  it('turns a channel to its line or tape input', () => {
    expect(reached(desk({ 'channelInput/1': 2 }), 'mic-1/1')).toEqual([]);
    expect(reached(desk({ 'channelInput/1': 3 }), 'tape-1/1')).toContain('direct-1/1');
  });

  it('opens its insert where something sits in the return, by a plug or by a wire for good', () => {
    const wired = compiled({
      devices: [
        { id: 'it', type: 'splitConsole', params: { channels: 1 } },
        { id: 'opto', type: 'dynamics' },
      ],
      wires: [
        ['it/send-1/1', 'opto/in-1/1'],
        ['opto/out-1/1', 'it/return-1/1'],
      ],
      settings: { 'opto/netGainDb/1': -3 },
    });
    expect(gainDb(wired, 'channel/1', 'direct-1/1')).toBe(-3);
    const inner = wired.edges.find(
      (edge) => edge.from === lane(wired, 'channel/1') && edge.to === lane(wired, 'middle/1'),
    );
    expect(inner!.closed).toBe(false);
  });

  it('puts the insert before or after the equaliser', () => {
    const before = (settings: Record<string, number | boolean>): boolean => {
      const graph = desk({ 'eqGainDb/1': 6, ...settings });
      return gainDb(graph, 'mic-1/1', 'send-1/1') === 30;
    };
    expect([before({}), before({ 'insertPostEq/1': true })]).toEqual([true, false]);
  });

  it.each([
    ['before the fader', 1, 30],
    ['after the fader', 2, 20],
  ])('sends to an aux %s', (_name, tap, level) => {
    const graph = desk({ 'aux2/1': tap, 'faderDb/1': -10, 'auxMasterDb/2': 0 });
    expect(gainDb(graph, 'mic-1/1', 'aux-out-2/1')).toBe(level);
  });

  it('pans at −3 dB in the centre, and silences the far side', () => {
    const centre = desk({ 'toMix/1': true });
    expect(
      centre.edges
        .filter((edge) => edge.from === lane(centre, 'fader/1') && edge.kind === 'crosspoint')
        .map(({ gainDb: gain }) => gain),
    ).toEqual([expect.closeTo(-3.01, 2), expect.closeTo(-3.01, 2)]);
    const left = desk({ 'toMix/1': true, 'pan/1': -100 });
    expect(
      left.edges.filter((edge) => edge.from === lane(left, 'fader/1') && edge.kind === 'crosspoint'),
    ).toHaveLength(1);
  });

  it('lets the control room listen to one source on one set of loudspeakers', () => {
    expect(reached(desk(), 'external-1-left/1')).toEqual([]);
    expect(reached(desk({ 'monitorSource/1': 2 }), 'external-1-left/1')).toEqual(['speakers-1-left/1']);
    expect(reached(desk({ 'monitorSource/1': 2, 'speakerSet/1': 2 }), 'external-1-left/1')).toEqual([
      'speakers-2-left/1',
    ]);
    expect(reached(desk({ 'monitorSource/1': 2, 'cut/1': true }), 'external-1-left/1')).toEqual([]);
    expect(
      gainDb(desk({ 'monitorSource/1': 2, 'dim/1': true }), 'external-1-left/1', 'speakers-1-left/1'),
    ).toBe(-40);
  });
});

describe('a digital console', () => {
  const PARAMS = { channels: 16, micInputs: 8, lineOutputs: 4, groups: 2, auxes: 2, matrices: 1, effects: 2 };
  const desk = (settings: Record<string, number | boolean> = {}, params = {}): SignalGraph =>
    unit('digitalConsole', { ...PARAMS, ...params }, settings);

  it('connects nothing by itself', () => {
    expect(reached(desk(), 'mic-1/1')).toEqual([]);
    expect(desk().edges.filter(({ kind }) => kind === 'crosspoint')).toEqual([]);
  });

  it('takes an input through a channel to the mix and out', () => {
    const graph = desk({ 'channelSource/5': 1, 'toMix/5': true, 'lineOutSource/1': 1 });
    expect(reached(graph, 'mic-1/1')).toEqual(['out-1/1']);
  });

  it('patches an inside effect into a channel, and its return to another', () => {
    const inserted = desk({ 'channelSource/1': 1, 'channelInsert/1': 2, 'lineOutSource/1': 8 });
    // Sources of a line output: 2 mix, 2 groups, 2 auxes, 1 matrix, then the direct outputs.
    expect(reached(inserted, 'mic-1/1')).toEqual(['out-1/1']);
    const lanes = trace(inserted, lane(inserted, 'mic-1/1'), 'from').lanes.map(
      (index) => inserted.lanes[index]!.id,
    );
    expect(lanes).toContain('it/effect-out/2');
  });

  it('moves card outputs in blocks of eight', () => {
    const graph = desk({ 'channelSource/1': 1, 'cardOutSource/2': 1 });
    expect(reached(graph, 'mic-1/1')).toEqual(['madi-out-1/9']);
  });

  it('moves all channels together where the patch is that coarse', () => {
    const graph = desk({ 'channelSource/1': 1, 'cardOutSource/1': 1 }, { channelBlocks: 'all together' });
    expect(reached(graph, 'mic-3/1')).toEqual(['madi-out-1/3']);
  });

  it('says on which layer a channel lies', () => {
    const graph = desk({}, { fadersPerLayer: 8 });
    expect(graph.lanes[lane(graph, 'channel/11')]!.name).toBe('It channel 11 (layer 2, fader 3)');
  });
});

describe('summing mixers', () => {
  it('put odd inputs left and even ones right, mono ones in both, and hand the bus on', () => {
    const graph = unit(
      'summingMixer',
      { inputs: 4 },
      { 'mono/3': true, 'inputGainDb/1': 3, 'boost/1': true },
    );
    expect(reached(graph, 'in-1/1')).toEqual(expect.arrayContaining(['out-left/1', 'link-out-left/1']));
    expect(reached(graph, 'in-1/1')).not.toContain('out-right/1');
    expect(reached(graph, 'in-2/1')).toContain('out-right/1');
    expect(reached(graph, 'in-3/1')).toEqual(expect.arrayContaining(['out-left/1', 'out-right/1']));
    expect(gainDb(graph, 'in-1/1', 'out-left/1')).toBe(9);
    expect(reached(graph, 'link-in-left/1')).toContain('out-left/1');
  });
});

describe('cues', () => {
  it('headphone boxes hand their sources on to the next one', () => {
    const graph = unit('headphoneBox', { channels: 2 }, { 'cueTo/2': 0 });
    expect(reached(graph, 'link-in/1')).toEqual(['link-out/1', 'phones/1', 'phones/2']);
    expect(reached(graph, 'link-in/2')).toEqual(['link-out/2']);
  });

  it('a talkback is silent until its key is held', () => {
    expect(unit('talkback').edges).toEqual([]);
    expect(unit('talkback', {}, { 'talk/1': true }).edges).toHaveLength(1);
  });
});

describe('a unit of one’s own', () => {
  const PORTS = [
    { key: 'in', name: 'in', direction: 'in', lanes: 2, impedanceOhm: 5000, maxDbu: 20 },
    { key: 'out', name: 'out', direction: 'out', lanes: 2 },
    { key: 'back', name: 'back', direction: 'in', lanes: 2 },
  ];
  const made = (params: Record<string, unknown>): ReturnType<typeof deviceSchema.safeParse> =>
    deviceSchema.safeParse({ id: 'it', name: 'It', room: 'main', type: 'customUnit', params });

  it('joins its connectors lane to lane, with the figures given and no others', () => {
    const parsed = made({ ports: PORTS, routes: [{ from: 'in', to: 'out', gainDb: 6, openedBy: 'back' }] });
    const { routes, ports, stations } = buildDevice(parsed.data!, {});
    expect(routes).toHaveLength(2);
    expect(routes[1]).toMatchObject({ gainDb: 6, unlessPlugged: [{ port: 'back', lane: 2 }] });
    expect(ports[0]).toMatchObject({ input: { loadOhm: 5000, maxDbu: 20 } });
    expect(ports[1]!.output).toEqual({});
    expect(stations.map(({ key }) => key)).toEqual(['way-1-1', 'way-1-2']);
  });

  it.each([
    [[...PORTS, PORTS[0]], [], 'params.ports.3.key: The connector “in” stands twice. Give one another key.'],
    [
      PORTS,
      [{ from: 'in', to: 'exit' }],
      'params.routes.0.to: There is no connector “exit”. There are: in, out, back.',
    ],
    [
      [...PORTS, { key: 'mono', name: 'mono', direction: 'out' }],
      [{ from: 'in', to: 'mono' }],
      'params.routes.0.to: “in” has 2 lanes and “mono” has 1; a route joins as many.',
    ],
  ])('is refused where it does not fit itself', (ports, routes, sentence) => {
    const issues = made({ ports, routes }).error!.issues;
    expect(issues.map(({ path, message }) => `${path.join('.')}: ${message}`)).toContain(sentence);
  });
});
