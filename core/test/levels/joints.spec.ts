import { arrivalsAt, laneSum } from '@ft/core/levels/laneSum';
import type { Ladder } from '@ft/core/levels/ladder';
import { ladder } from '@ft/core/levels/ladder';
import { realise } from '@ft/core/routing/realise';
import { RULES } from '@ft/core/checks/registry';
import { runChecks } from '@ft/core/checks/runChecks';
import { EXAMPLES } from '../checks/examples';
import { dawParts, track } from '../checks/examples/example';
import { describeWithNgspice, simulatedDb } from '../fixtures/ngspice';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, firstScene, studioOf } from '../fixtures/studioOf';

/** The ladder of the first thread, at a level of its own. */
function ladderOf(
  parts: Parts,
  levelDbu: number,
): { readonly it: Ladder; readonly at: (lane: string) => number } {
  const studio = studioOf(parts);
  const { graph } = contextOf(studio);
  const [thread] = firstScene(studio).session.threads;
  const { start, path } = realise(graph, thread!);
  const it = ladder(graph, start, path, { levelDbu, crestDb: 3.0103 });
  const at = (lane: string): number => it.rungs.find((rung) => graph.lanes[rung.lane]!.id === lane)!.nominal!;
  return { it, at };
}

const player = (output: string, input: Parts['devices'], wires: Parts['wires'], to: string): Parts => ({
  devices: [{ id: 'player', type: 'mediaPlayer', params: { output, outputOhm: 100 } }, ...input!],
  wires: wires!,
  threads: [{ from: 'player/out-1/1', purpose: 'feed', to }],
});

describe('a source that is no microphone', () => {
  it('has the level it is given in dBu, and no gap for it', () => {
    const opto = { id: 'opto', type: 'dynamics', params: { inputOhm: 10_000 } };
    const { it: told, at } = ladderOf(
      player('balanced line', [opto], [['player/out-1/1', 'opto/in-1/1']], 'opto/in-1/1'),
      4,
    );
    expect(at('player/out-1/1')).toBe(4);
    // 100 Ω into 10 kΩ.
    expect(at('opto/in-1/1')).toBeCloseTo(4 - 0.0864, 3);
    expect(told.gaps.map(({ code }) => code)).not.toContain('level-unknown');
  });

  it('without one says that its level is not known', () => {
    const context = contextOf(
      studioOf(
        player(
          'balanced line',
          [{ id: 'opto', type: 'dynamics' }],
          [['player/out-1/1', 'opto/in-1/1']],
          'opto/in-1/1',
        ),
      ),
    );
    expect(context.threads[0]!.ladder.gaps.map(({ code }) => code)).toContain('level-unknown');
  });
});

describe('one leg of a balanced output', () => {
  const TAPE = {
    id: 'tape',
    type: 'customUnit',
    params: {
      ports: [{ key: 'in', name: 'in', direction: 'in', connector: 'ts', impedanceOhm: 1e9 }],
    },
  };
  const parts = (output: string): Parts =>
    player(output, [TAPE], [['player/out-1/1', 'tape/in/1']], 'tape/in/1');

  // Derived: half the voltage is −6.02 dB.
  it('is what an unbalanced input takes, in the ladder and in the levels of everything', () => {
    expect(ladderOf(parts('balanced line'), 4).at('tape/in/1')).toBeCloseTo(4 - 6.0206, 3);
    const { graph, field } = contextOf(studioOf(parts('balanced line')));
    const [arrival] = arrivalsAt(field, graph.laneIndex.get('tape/in/1' as never)!);
    expect(arrival!.gainDb).toBeCloseTo(-6.0206, 3);
    const [found] = RULES.find(({ id }) => id === 'unbalanced-leg')!.run(
      contextOf(studioOf(parts('balanced line'))),
    );
    expect(found!.figures).toMatchObject({ into: 'unbalanced', lossDb: expect.closeTo(6.02, 2) as number });
  });

  it('is the whole signal where the output has no other', () => {
    expect(ladderOf(parts('unbalanced line'), 4).at('tape/in/1')).toBeCloseTo(4, 3);
  });
});

describe('an insert on another number', () => {
  const severityOn = (insertPairs: 'strict' | 'free'): string | undefined => {
    const { trips } = EXAMPLES['insert-pair-mismatch'];
    const hostProfile = {
      ...{ insertPairs, trims: false, insertDelay: 'typed in' as const, compensates: true, reusePair: true },
    } as const;
    const { findings } = runChecks(
      contextOf(studioOf({ ...trips, session: { ...trips.session, hostProfile } })),
    );
    return findings.find(({ finding }) => finding.rule === 'insert-pair-mismatch')?.severity;
  };

  it('is an error on a host of strict pairs, and a note where pairs are free', () => {
    expect(severityOn('strict')).toBe('error');
    expect(severityOn('free')).toBe('note');
  });
});

describe('a sum at a point that has no maximum of its own', () => {
  // A unit of one's own adds two inputs at a point inside; only its output has a maximum.
  const adder = (maxDbu: number): Parts => ({
    devices: [
      {
        id: 'adder',
        type: 'customUnit',
        params: {
          ports: [
            { key: 'in-1', name: 'in 1', direction: 'in', impedanceOhm: 1e6 },
            { key: 'in-2', name: 'in 2', direction: 'in', impedanceOhm: 1e6 },
            { key: 'sum', name: 'sum', direction: 'out', face: 'inside', connector: 'fixed' },
            { key: 'out', name: 'out', direction: 'out', impedanceOhm: 100, maxDbu },
          ],
          routes: [
            { from: 'in-1', to: 'sum', passedAs: 'nothing' },
            { from: 'in-2', to: 'sum', passedAs: 'nothing' },
            { from: 'sum', to: 'out', passedAs: 'nothing' },
          ],
        },
      },
      ...['a', 'b'].map((id) => ({ id, type: 'mediaPlayer', params: { outputOhm: 1e-3 } })),
    ],
    wires: [
      ['a/out-1/1', 'adder/in-1/1'],
      ['b/out-1/1', 'adder/in-2/1'],
    ],
    threads: [1, 2].map((n) => ({
      ...{ from: `${n === 1 ? 'a' : 'b'}/out-1/1`, purpose: 'feed', to: `adder/in-${n}/1` },
      ...{ levelDbu: 4, crestDb: 3.0103 },
    })),
  });

  it('is judged at the first place downstream that has one', () => {
    const found = (maxDbu: number) =>
      RULES.find(({ id }) => id === 'summing-headroom')!.run(contextOf(studioOf(adder(maxDbu))));
    // Two unrelated sines of +4 dBu: +7.0.
    expect(found(6.9)[0]).toMatchObject({ at: [{ id: 'adder/out/1' }], figures: { sources: 2 } });
    expect(found(7.1)).toEqual([]);
  });
});

describeWithNgspice('a passive bus with several inputs driven, against ngspice', () => {
  // The network of numbers.md: 10 kΩ each, 50 Ω sources, a load of 1.5 kΩ; inputs 1 and 3 stand left.
  const SOURCE_OHM = 50;

  it('adds in the program as superposition adds in the circuit', () => {
    const driven = [1, 3];
    const parts = dawParts(
      driven.map((n) =>
        track(`t${n}`, { number: n, levelDbfs: -20, crestDb: 3.0103, outputs: [{ to: 'host', first: n }] }),
      ),
      {
        devices: [
          {
            id: 'bus',
            type: 'passiveSumming',
            params: { inputsPerBus: 2, resistorOhm: 10_000, feedOhm: SOURCE_OHM },
          },
          { id: 'preamp', type: 'micPreamp', params: { channels: 2, inputOhm: 1500 } },
        ],
        wires: [
          ...driven.map((n) => [`converter/line-out-1/${n}`, `bus/in-${n}/1`] as const),
          ['bus/out-left/1', 'preamp/mic-1/1'],
        ],
      },
    );
    const context = contextOf(
      studioOf({
        ...parts,
        devices: parts.devices!.map((device) =>
          device.id === 'converter'
            ? { ...device, params: { ...device.params, outputOhm: SOURCE_OHM } }
            : device,
        ),
      }),
    );
    const sum = laneSum(context.field, context.graph.laneIndex.get('preamp/mic-1/1' as never)!);
    // Two inputs a side: each driven by 1 V behind 50 Ω, both in phase: the worst case.
    const circuit = simulatedDb([
      ...driven.flatMap((n) => [
        `V${n} s${n} 0 DC 1`,
        `Rs${n} s${n} i${n} ${SOURCE_OHM}`,
        `R${n} i${n} out 10000`,
      ]),
      'RL out 0 1500',
    ]);
    // −20 dBFS on a channel of +22 dBu is +2 dBu at the source.
    expect(sum.worstPeak! - 2).toBeCloseTo(circuit, 1);
  });
});
