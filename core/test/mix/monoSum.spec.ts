import { monoCurve, monoSum } from '@ft/core/mix/monoSum';
import { monoCheckView } from '@ft/core/views/mix/monoCheckView';
import { MIX_EXAMPLES } from '../checks/examples/mix';
import { contextOf, studioOf } from '../fixtures/studioOf';
import type { Arrival } from '@ft/core/levels/arrival';
import { describeWithSox, soxRemixDbfs } from '../fixtures/sox';

const RATE_HZ = 48_000;
const way = (alignedSamples: number, gainDb = 0, inverted = false): Arrival => ({
  ...{ source: 0, gainDb, delaySamples: alignedSamples, alignedSamples, throughHost: false, inverted },
});

describe('two sides of one sound, summed to mono', () => {
  it('lose nothing where they are alike', () => {
    expect(monoSum([[way(0)], [way(0)]], RATE_HZ).lossDb).toBeCloseTo(0, 9);
  });

  // Two identical sides, one inverted: the mono sum is silence (numbers, derived).
  it('are silence where one is upside down', () => {
    expect(monoSum([[way(0)], [way(0, 0, true)]], RATE_HZ).lossDb).toBe(Infinity);
  });

  it('lose 3 dB on average where one is late: half of the energy cancels', () => {
    const { lossDb, worstLossDb } = monoSum([[way(0)], [way(480)]], RATE_HZ);
    expect(lossDb).toBeCloseTo(10 * Math.log10(2), 0);
    expect(worstLossDb).toBeGreaterThan(20);
  });

  it('lose less the more they differ in level', () => {
    const losses = [0, 6, 12, 20].map((softer) => monoSum([[way(0)], [way(480, -softer)]], RATE_HZ).lossDb);
    expect([...losses].sort((a, b) => b - a)).toEqual(losses);
    expect(losses.at(-1)).toBeLessThan(1);
  });
});

describe('the curve of a mono sum', () => {
  // |1 + e^(−j2πfτ)| / 2 = |cos(πfτ)|: the comb of a copy, any handbook of audio.
  it('is that of a comb where one side is late', () => {
    for (const { hz, lossDb } of monoCurve([[way(0)], [way(24)]], RATE_HZ).filter(({ hz: at }) => at < 900))
      expect(lossDb).toBeCloseTo(-20 * Math.log10(Math.abs(Math.cos((Math.PI * hz * 24) / RATE_HZ))), 6);
  });

  it('stands beside the average: their energies agree', () => {
    const sides = [[way(0)], [way(30, -4, true)]] as const;
    const curve = monoCurve(sides, RATE_HZ);
    const kept = curve.reduce((sum, { lossDb }) => sum + 10 ** (-lossDb / 10), 0) / curve.length;
    expect(monoSum(sides, RATE_HZ).lossDb).toBeCloseTo(-10 * Math.log10(kept), 6);
  });
});

describe('the mono check of a session', () => {
  const { trips, nearMiss } = MIX_EXAMPLES['mono-sum-loss'];

  it('says of a track what is lost of which sound', () => {
    const [check, ...others] = monoCheckView(contextOf(studioOf(trips)));
    expect(others).toEqual([]);
    expect(check!.name).toBe('WIDE');
    expect(check!.says).toMatch(/^DRY.* in it loses .* on average when both sides are added/);
    expect(check!.curve[0]!.hz).toBe(20);
    expect(check!.curve.at(-1)!.hz).toBeCloseTo(20_000, 6);
  });

  it('is empty where both sides are alike', () => {
    expect(monoCheckView(contextOf(studioOf(nearMiss)))).toEqual([]);
  });
});

describeWithSox('the mono sum of a pair, mixed by sox', () => {
  it.each([
    [480, 0, 1000, false],
    [19, -3, 1263, false],
    [24, -6, 500, true],
    [0, 0, 440, true],
  ])('%d samples late, %d dB softer, at %d Hz, upside down %s', (late, softerDb, hz, inverted) => {
    const tone = (delay: number, gain: number): Float64Array =>
      Float64Array.from(
        { length: RATE_HZ },
        (_, n) => gain * 0.3 * Math.sin((2 * Math.PI * hz * (n - delay)) / RATE_HZ),
      );
    const [left, right] = [tone(0, 1), tone(late, 10 ** (softerDb / 20) * (inverted ? -1 : 1))];
    const mono = soxRemixDbfs(left, right, '1v1,2v1', RATE_HZ);
    const alone = soxRemixDbfs(left, right, '1', RATE_HZ);
    const phasor = Math.hypot(
      1 + (inverted ? -1 : 1) * 10 ** (softerDb / 20) * Math.cos((2 * Math.PI * hz * late) / RATE_HZ),
      10 ** (softerDb / 20) * Math.sin((2 * Math.PI * hz * late) / RATE_HZ),
    );
    // What the program adds up, frequency by frequency, is this ratio.
    if (phasor > 1e-3) expect(mono - alone).toBeCloseTo(20 * Math.log10(phasor), 1);
    else expect(mono - alone).toBeLessThan(-60);
    const told = monoSum([[way(0)], [way(late, softerDb, inverted)]], RATE_HZ);
    expect(told.worstLossDb).toBeGreaterThanOrEqual(
      -(mono - alone) + 20 * Math.log10(1 + 10 ** (softerDb / 20)) - 0.5,
    );
  });
});
