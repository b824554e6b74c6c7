import fc from 'fast-check';
import type { Ladder, Rung } from '@ft/core/levels/ladder';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';
import { WORKED_LADDER } from '../fixtures/workedLadder';

interface Named extends Rung {
  readonly id: string;
}

function ladderOf(parts: Parts): { ladder: Ladder; at: (lane: string) => Named; complete: boolean } {
  const context = contextOf(studioOf(parts));
  const planned = context.threads[0]!;
  const rungs = planned.ladder.rungs.map((rung) => ({ ...rung, id: context.graph.lanes[rung.lane]!.id }));
  return {
    ladder: planned.ladder,
    complete: planned.complete,
    at: (lane) => rungs.find(({ id }) => id === lane)!,
  };
}

const soundAt = (levelDbSpl: number, crestDb = 14): Parts => ({
  ...WORKED_LADDER,
  threads: [{ ...WORKED_LADDER.threads![0]!, levelDbSpl, crestDb }],
});

/** The worked ladder with a patchbay, fully normalled, between preamp and compressor: copper alone. */
const WITH_COPPER: Parts = {
  ...WORKED_LADDER,
  devices: [
    ...WORKED_LADDER.devices!,
    { id: 'bay', type: 'patchbay', params: { columns: 1, normalling: 'full' } },
  ],
  wires: [
    ...WORKED_LADDER.wires!.filter(([from]) => from !== 'preamp/out-1/1'),
    ['preamp/out-1/1', 'bay/upper-rear-1/1'],
    ['bay/lower-rear-1/1', 'opto/in-1/1'],
  ],
};

describe('the worked ladder (derived: recomputed outside the project)', () => {
  const { at, ladder, complete } = ladderOf(WORKED_LADDER);

  it.each([
    ['mic/out/1', -42.2],
    ['preamp/mic-1/1', -42.89],
    ['preamp/out-1/1', 1.11],
    ['opto/out-1/1', -0.96],
    ['converter/line-in-1/1', -1.0],
    ['converter/host-out/1', -19.0],
  ])('nominal at %s is %f', (lane, expected) => {
    expect(Math.abs(at(lane).nominal! - expected)).toBeLessThan(0.01);
  });

  it('peaks at −8.01 dBFS in the converter', () => {
    expect(Math.abs(at('converter/host-out/1').peak! + 8.01)).toBeLessThan(0.01);
  });

  it.each([
    ['mic/out/1', -116.2],
    ['preamp/mic-1/1', -116.73],
    ['preamp/out-1/1', -72.73],
    ['converter/host-out/1', -74.43 - 18],
  ])('noise at %s is %f', (lane, expected) => {
    expect(Math.abs(at(lane).noise! - expected)).toBeLessThan(0.01);
  });

  // Johnson 1928, Nyquist 1928: the EIN is quoted with 150 Ω, whose own noise is in it.
  it('takes the noise of the source out of the EIN of the preamp', () => {
    const power = (dbu: number): number => 10 ** (dbu / 10);
    const thermal = 20 * Math.log10(Math.sqrt(4 * 1.380649e-23 * 293.15 * 150 * 20_000) / Math.sqrt(0.6));
    expect(thermal).toBeCloseTo(-130.92, 2);
    const own = 10 * Math.log10(power(-128) - power(thermal));
    expect(own).toBeCloseTo(-131.1, 2);
    expect(at('preamp/mic-1/1').noise).toBeCloseTo(
      10 * Math.log10(power(own) + power(at('mic/out/1').noise! - 0.6952)),
      2,
    );
  });

  it('ends 73.43 dB over its noise', () => {
    const end = at('converter/host-out/1');
    expect(Math.abs(end.nominal! - end.noise! - 73.43)).toBeLessThan(0.01);
  });

  it('is complete and has least headroom where the converter’s full scale is', () => {
    expect(complete).toBe(true);
    expect(ladder.rungs[ladder.worst]!.headroomDb).toBeCloseTo(8.01, 1);
  });

  it('adds up delay: 12 samples of the converter and one buffer', () => {
    expect(at('converter/host-out/1').delaySamples).toBe(12);
    expect(at('daw/input/1').delaySamples).toBe(76);
  });
});

describe('properties of a ladder', () => {
  it('moves every nominal level by x when the source moves by x', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: 20, noNaN: true }), (x) => {
        const [before, after] = [ladderOf(soundAt(88)).ladder, ladderOf(soundAt(88 + x)).ladder];
        before.rungs.forEach((rung, i) => {
          expect(after.rungs[i]!.nominal! - rung.nominal!).toBeCloseTo(x, 9);
          expect(after.rungs[i]!.noise).toBeCloseTo(rung.noise!, 9);
        });
      }),
      { numRuns: 30 },
    );
  });

  it('is not changed by copper in between', () => {
    const [plain, longer] = [ladderOf(WORKED_LADDER), ladderOf(WITH_COPPER)];
    for (const lane of [
      'mic/out/1',
      'preamp/out-1/1',
      'opto/in-1/1',
      'converter/host-out/1',
      'daw/input/1',
    ]) {
      expect(longer.at(lane).nominal).toBeCloseTo(plain.at(lane).nominal!, 9);
      expect(longer.at(lane).noise).toBeCloseTo(plain.at(lane).noise!, 9);
      expect(longer.at(lane).delaySamples).toBe(plain.at(lane).delaySamples);
    }
  });

  it('never lets noise fall where the gain is unity or more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 65 }), (gainDb) => {
        const { ladder } = ladderOf({
          ...WORKED_LADDER,
          settings: { 'preamp/gainDb/1': gainDb, 'opto/netGainDb/1': 0 },
        });
        // What little falls is the loading of the two joints, under 0.1 dB each; the scale changes at the end.
        const analogue = ladder.rungs.filter(({ unit }) => unit === 'dBu').slice(1);
        analogue.slice(1).forEach((rung, i) => {
          expect(rung.noise!).toBeGreaterThan(analogue[i]!.noise! - 0.1);
        });
      }),
      { numRuns: 20 },
    );
  });

  it('turns polarity over where a preamp inverts', () => {
    const { at } = ladderOf({ ...WORKED_LADDER, settings: { 'preamp/invert/1': true } });
    expect(at('preamp/mic-1/1').inverted).toBe(false);
    expect(at('daw/input/1').inverted).toBe(true);
  });
});

describe('what is not known', () => {
  it('stays unknown: no sound level, no levels and a note', () => {
    const { ladder, at } = ladderOf({
      ...WORKED_LADDER,
      threads: [{ from: 'mic/out/1', inserts: ['opto/channel-a'] }],
    });
    expect(ladder.rungs.every((rung) => rung.nominal === undefined && rung.headroomDb === undefined)).toBe(
      true,
    );
    expect(ladder.gaps.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['sound-level-unknown', 'crest-unknown', 'max-unknown']),
    );
    // Noise does not depend on the source.
    expect(at('preamp/out-1/1').noise).toBeCloseTo(-74.4 + 1.8, 0);
  });

  it('is not an impedance where an output drives nothing', () => {
    const codes = (wires: Parts['wires']): readonly string[] =>
      ladderOf({ ...WORKED_LADDER, wires }).ladder.gaps.map(({ code }) => code);
    expect(codes(WORKED_LADDER.wires)).not.toContain('impedance-unknown');
    expect(codes(WORKED_LADDER.wires!.slice(0, 1))).not.toContain('impedance-unknown');
  });

  it('takes the thermal noise of a microphone whose own noise is not given', () => {
    const dynamic = { principle: 'dynamic', sensitivityMvPerPa: 2, sourceOhm: 200 };
    const { at } = ladderOf({
      ...WORKED_LADDER,
      devices: [{ id: 'mic', type: 'microphone', params: dynamic }, ...WORKED_LADDER.devices!.slice(1)],
    });
    expect(at('mic/out/1').noise).toBeCloseTo(-129.67, 2);
  });

  it('knows a microphone’s maximum where its greatest sound level is given', () => {
    const [mic, ...rest] = WORKED_LADDER.devices!;
    const params = { ...mic!.params, maxDbSpl: 130 };
    const { at } = ladderOf({ ...WORKED_LADDER, devices: [{ ...mic!, params }, ...rest] });
    // 130 dB SPL is 42 dB over the voice at 88.
    expect(at('mic/out/1').max).toBeCloseTo(-42.2 + 42, 2);
  });
});
