import { laneSum } from '@ft/core/levels/laneSum';
import { responseDb } from '@ft/core/timing/response';
import { dawParts, track } from '../checks/examples/example';
import { describeWithSox, soxCombDb, soxRmsDbfs } from '../fixtures/sox';
import { contextOf, studioOf } from '../fixtures/studioOf';

const RATE_HZ = 48_000;
const VOLTS_AT_0_DBU = Math.sqrt(0.6);

/** A full-scale sine at a converter's reference level has this peak voltage. */
const peakVolts = (referenceDbu: number): number => VOLTS_AT_0_DBU * 10 ** (referenceDbu / 20) * Math.SQRT2;

/** A divider of a source impedance and a load. */
const divided = (sourceOhm: number, loadOhm: number): number => loadOhm / (sourceOhm + loadOhm);

describeWithSox('a rendered tone, measured by sox', () => {
  it('comes back from converter, pad and compressor as the ladder says', () => {
    // In the program: out at +22 dBu, 600 Ω into 1.5 kΩ, −7.3 dB, 100 Ω into 20 kΩ, in at +18 dBu.
    const context = contextOf(
      studioOf(
        dawParts([track('tone', { levelDbfs: -20, crestDb: 3.01, outputs: [{ to: 'host', first: 1 }] })], {
          devices: [{ id: 'opto', type: 'dynamics', params: { inputOhm: 1500 } }],
          wires: [
            ['converter/line-out-1/1', 'opto/in-1/1'],
            ['opto/out-1/1', 'converter/line-in-1/2'],
          ],
          settings: { 'opto/netGainDb/1': -7.3, 'converter/adcReferenceDbu/2': 18 },
        }),
      ),
    );
    const told = laneSum(context.field, context.graph.laneIndex.get('daw/input/2' as never)!).nominal!;
    // Rendered: samples to volts, voltage dividers, a factor, and samples again.
    const gain =
      peakVolts(22) * divided(100, 1500) * 10 ** (-7.3 / 20) * divided(100, 20_000) * (1 / peakVolts(18));
    const tone = Float64Array.from(
      { length: RATE_HZ },
      (_, n) => 0.1 * Math.sin((2 * Math.PI * 997 * n) / RATE_HZ) * gain,
    );
    expect(soxRmsDbfs(tone, RATE_HZ)).toBeCloseTo(told, 2);
    expect(told).toBeCloseTo(-20 + 22 - 18 - 7.3 - 0.56 - 0.04, 1);
  });

  it.each([
    [19, 0, 500],
    [19, 0, 1200],
    [19, -6, 1263],
    [64, -10, 3000],
    [150, -3, 160],
  ])('a copy %d samples late and %d dB softer at %d Hz adds as the phasors say', (delay, copyDb, hz) => {
    const ways = [
      { gainDb: 0, alignedSamples: 0, inverted: false },
      { gainDb: copyDb, alignedSamples: delay, inverted: false },
    ];
    expect(soxCombDb(hz, delay, copyDb, RATE_HZ)).toBeCloseTo(responseDb(ways, hz, RATE_HZ), 1);
  });
});
