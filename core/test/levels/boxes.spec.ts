import type { RuleId } from '@ft/core/checks/finding';
import { runChecks } from '@ft/core/checks/runChecks';
import { describeWithNgspice, simulatedDb } from '../fixtures/ngspice';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';

/** A media player of +4 dBu through boxes to an input, and the level there. */
function levelAt(parts: Parts, to: string): number {
  const context = contextOf(studioOf(parts));
  const [planned] = context.threads;
  expect(planned!.complete).toBe(true);
  return planned!.ladder.rungs.find(({ lane }) => context.graph.lanes[lane]!.id === to)!.nominal!;
}

const found = (parts: Parts): readonly RuleId[] =>
  runChecks(contextOf(studioOf(parts))).findings.map(({ finding }) => finding.rule);

const TAPE = {
  id: 'tape',
  type: 'customUnit',
  params: { ports: [{ key: 'in', name: 'in', direction: 'in', connector: 'ts', impedanceOhm: 1e9 }] },
};

/** From the player through a box, by its first channel, to the tape machine's unbalanced input. */
const through = (box: NonNullable<Parts['devices']>[number], output = 'balanced line'): Parts => ({
  devices: [{ id: 'player', type: 'mediaPlayer', params: { output, outputOhm: 100 } }, box, TAPE],
  wires: [
    ['player/out-1/1', 'box/in-1/1'],
    ['box/out-1/1', 'tape/in/1'],
  ],
  threads: [
    {
      ...{ from: 'player/out-1/1', purpose: 'feed', to: 'tape/in/1', levelDbu: 4, crestDb: 3.0103 },
      inserts: box.type === 'dynamics' ? ['box/channel-a'] : [],
    },
  ],
});

// Common practice, no source: a floating winding gives the whole voltage with one side earthed, and parts
// the earths; an active balanced output gives half.
describe('a transformer between balanced and unbalanced', () => {
  const transformer = { id: 'box', type: 'lineTransformer', params: { inputOhm: 10_000 } };
  const opto = (transformers: boolean) => ({
    id: 'box',
    type: 'dynamics',
    params: { transformers, inputOhm: 10_000, outputOhm: 100 },
  });
  const INTO_10K = 20 * Math.log10(10_000 / 10_100);

  it('keeps the level that one leg of an active output would halve', () => {
    expect(levelAt(through(opto(false)), 'tape/in/1')).toBeCloseTo(4 + INTO_10K - 6.0206, 3);
    expect(levelAt(through(opto(true)), 'tape/in/1')).toBeCloseTo(4 + INTO_10K, 3);
    expect(levelAt(through(transformer), 'tape/in/1')).toBeCloseTo(4 + INTO_10K, 3);
  });

  it('leaves nothing to warn of, on the side it has and on the side it has not', () => {
    expect(found(through(opto(false)))).toContain('unbalanced-leg');
    for (const parts of [through(opto(true)), through(transformer), through(transformer, 'unbalanced line')])
      expect(found(parts)).not.toContain('unbalanced-leg');
    expect(found(through(opto(false), 'unbalanced line'))).toContain('unbalanced-leg');
  });

  it('changes the level by its ratio, and its greatest level with it', () => {
    const stepDown = { ...transformer, params: { inputOhm: 1e9, gainDb: -12, maxInputDbu: 20 } };
    expect(levelAt(through(stepDown), 'tape/in/1')).toBeCloseTo(-8, 3);
    const { lanes, laneIndex } = contextOf(studioOf(through(stepDown))).graph;
    expect(lanes[laneIndex.get('box/out-1/1' as never)!]!.output!.maxDbu).toBe(8);
  });

  it('may stand at a connector of a unit of one’s own', () => {
    const own = (floating: boolean) => ({
      id: 'box',
      type: 'customUnit',
      params: {
        ports: [
          { key: 'in-1', name: 'in', direction: 'in', impedanceOhm: 1e9 },
          { key: 'out-1', name: 'out', direction: 'out', impedanceOhm: 100, floating },
        ],
        routes: [{ from: 'in-1', to: 'out-1', passedAs: 'nothing' }],
      },
    });
    expect(levelAt(through(own(true)), 'tape/in/1')).toBeCloseTo(4, 3);
    expect(levelAt(through(own(false)), 'tape/in/1')).toBeCloseTo(4 - 6.0206, 3);
  });
});

/** Line level into a microphone input, by way of a pad or straight. */
const intoPreamp = (pad: boolean): Parts => ({
  devices: [
    { id: 'player', type: 'mediaPlayer', params: { outputOhm: 100 } },
    { id: 'pad', type: 'inlinePad', params: { lossDb: 40, inputOhm: 2000, outputOhm: 20 } },
    { id: 'preamp', type: 'micPreamp', params: { channels: 1, inputOhm: 2400 } },
  ],
  wires: pad
    ? [
        ['player/out-1/1', 'pad/in-1/1'],
        ['pad/out-1/1', 'preamp/mic-1/1'],
      ]
    : [['player/out-1/1', 'preamp/mic-1/1']],
  threads: [{ from: 'player/out-1/1', purpose: 'feed', to: 'preamp/mic-1/1', levelDbu: 4, crestDb: 3.0103 }],
});

describe('a pad', () => {
  it('is the box between line and mic level', () => {
    expect(found(intoPreamp(false))).toContain('level-class');
    expect(found(intoPreamp(true))).not.toContain('level-class');
  });
});

describeWithNgspice('a pad of two resistors', () => {
  it('takes off what the simulator says, loads included', () => {
    // 1980 Ω and 20 Ω: 40 dB open, 2 kΩ as the source sees it.
    const simulated = simulatedDb([
      'V1 source 0 DC 1',
      'Rs source in 100',
      'R1 in out 1980',
      'R2 out 0 20',
      'Rl out 0 2400',
    ]);
    expect(levelAt(intoPreamp(true), 'preamp/mic-1/1') - 4).toBeCloseTo(simulated, 2);
  });
});
