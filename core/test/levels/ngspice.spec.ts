import { loadingOf } from '@ft/core/levels/loadingOf';
import { describeWithNgspice, simulatedDb } from '../fixtures/ngspice';
import { contextOf, studioOf } from '../fixtures/studioOf';

/** A source of 1 V behind its impedance, and everything it feeds. */
const network = (sourceOhm: number, loads: readonly number[]): readonly string[] => [
  'V1 in 0 DC 1',
  `Rs in out ${String(sourceOhm)}`,
  ...loads.map((ohm, i) => `Rl${String(i)} out 0 ${String(ohm)}`),
];

/** A preamp output multed to several compressors by a half-normalled bay, and what the program makes of it. */
function computedDb(sourceOhm: number, loads: readonly number[]): number {
  const columns = loads.length;
  const context = contextOf(
    studioOf({
      devices: [
        { id: 'pre', type: 'micPreamp', params: { channels: 1, outputOhm: sourceOhm } },
        { id: 'bay', type: 'patchbay', params: { columns, normalling: 'half' } },
        ...loads.map((inputOhm, i) => ({
          id: `unit-${String(i + 1)}`,
          type: 'dynamics',
          params: { inputOhm },
        })),
      ],
      wires: [
        ['pre/out-1/1', 'bay/upper-rear-1/1'],
        ...loads.map((_, i): [string, string] => [
          `bay/lower-rear-${String(i + 1)}/1`,
          `unit-${String(i + 1)}/in-1/1`,
        ]),
      ],
      cords: columns > 1 ? [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }] : [],
    }),
  );
  return loadingOf(context.graph, context.graph.laneIndex.get('pre/out-1/1' as never)!)!.lossDb;
}

describeWithNgspice('loading against ngspice', () => {
  it.each([
    [75, [10_000]],
    [600, [600]],
    [150, [1500]],
    [75, [10_000, 20_000]],
    [600, [10_000, 600]],
  ])('%d Ω into %j', (sourceOhm, loads) => {
    expect(computedDb(sourceOhm, loads)).toBeCloseTo(simulatedDb(network(sourceOhm, loads)), 4);
  });
});

/** The level at the end of a passive bus when one input is driven, as the program's ladder has it. */
function summedDb(inputs: number, resistorOhm: number, feedOhm: number, loadOhm?: number): number {
  const context = contextOf(
    studioOf({
      devices: [
        { id: 'dac', type: 'converter', params: { adcs: 1, dacs: inputs, outputOhm: feedOhm } },
        {
          id: 'sum',
          type: 'passiveSumming',
          params: { inputsPerBus: inputs, stereo: false, resistorOhm, feedOhm },
        },
        { id: 'pre', type: 'micPreamp', params: { channels: 1, inputOhm: loadOhm ?? 1e9 } },
      ],
      wires: [
        ['dac/line-out-1/1', 'sum/in-1/1'],
        ['sum/out-left/1', 'pre/mic-1/1'],
      ],
    }),
  );
  const { graph } = context;
  const lanes = [
    'dac/host-in/1',
    'dac/line-out-1/1',
    'sum/in-1/1',
    'sum/bus/1',
    'sum/out-left/1',
    'pre/mic-1/1',
  ];
  const path = lanes.slice(1).map((to, i) => {
    const [from, into] = [graph.laneIndex.get(lanes[i] as never), graph.laneIndex.get(to as never)];
    return graph.edges.find((edge) => edge.from === from && edge.to === into)!;
  });
  // Without the converter's own gain: from the electromotive force of the source to the load.
  const [, toInput, through, , toLoad] = path;
  const loss = (edge: typeof toInput): number => loadingOf(graph, edge!.from)!.lossDb;
  return loss(toInput) + through!.gainDb + loss(toLoad);
}

/** N resistors that meet in one node, one driven with 1 V, the others fed from sources of nought. */
const bus = (inputs: number, resistorOhm: number, feedOhm: number, loadOhm = 1e9): readonly string[] => [
  'V1 s1 0 DC 1',
  `Rs1 s1 a1 ${String(feedOhm)}`,
  `R1 a1 out ${String(resistorOhm)}`,
  ...Array.from({ length: inputs - 1 }, (_, i) => `Rr${String(i)} out b${String(i)} ${String(resistorOhm)}`),
  ...Array.from({ length: inputs - 1 }, (_, i) => `Rf${String(i)} b${String(i)} 0 ${String(feedOhm)}`),
  `RL out 0 ${String(loadOhm)}`,
];

describeWithNgspice('passive summing against ngspice', () => {
  it.each<[number, number, number, number | undefined, number]>([
    // The last column is the value worked out on paper: G / (N·G + 1/RL), G = 1/(R + Rs).
    [16, 10_000, 50, 1500, -27.12],
    [8, 10_000, 50, 1500, -23.35],
    [2, 10_000, 0.001, undefined, -6.02],
    [8, 4700, 600, 2400, -20.18],
  ])('%d inputs of %d Ω fed from %d Ω into %d Ω', (inputs, resistorOhm, feedOhm, loadOhm, onPaper) => {
    const computed = summedDb(inputs, resistorOhm, feedOhm, loadOhm);
    expect(computed).toBeCloseTo(simulatedDb(bus(inputs, resistorOhm, feedOhm, loadOhm)), 3);
    expect(computed).toBeCloseTo(onPaper, 2);
  });
});
