import {
  DBU_REFERENCE_V,
  dbuFromDbv,
  dbuFromVolts,
  peakOnSineScale,
  SINE_CREST_DB,
  voltsFromDbu,
} from '@ft/core/units/analogueLevel';
import { dbFromVoltageRatio, equalSumDb, powerSumDb, voltageRatioFromDb } from '@ft/core/units/decibel';
import { referenceDbuOf } from '@ft/core/units/digitalLevel';
import fc from 'fast-check';

describe('analogue level', () => {
  it('has 0 dBu at the voltage of 1 mW in 600 Ω (usage of the IEC 60268 series)', () => {
    expect(DBU_REFERENCE_V).toBeCloseTo(0.774597, 6);
    expect((DBU_REFERENCE_V ** 2 / 600) * 1000).toBeCloseTo(1, 12);
  });

  it.each([
    ['0 dBV', dbuFromDbv(0), 2.2185],
    ['−10 dBV', dbuFromDbv(-10), -7.7815],
    ['1.22765 V', dbuFromVolts(1.22765), 4],
    ['0.316228 V', dbuFromVolts(0.316228), -7.7815],
    ['0 VU = 1.228 V (IEC 60268-17)', dbuFromVolts(1.228), 4.0],
  ])('puts %s where its formula says', (_name, dbu, expected) => {
    expect(dbu).toBeCloseTo(expected, 2);
  });

  it('sets +4 dBu and −10 dBV 11.7815 dB apart', () => {
    expect(4 - dbuFromDbv(-10)).toBeCloseTo(11.7815, 4);
  });

  it('turns volts to dBu and back', () => {
    fc.assert(
      fc.property(fc.double({ min: -120, max: 40, noNaN: true }), (dbu) => {
        expect(dbuFromVolts(voltsFromDbu(dbu))).toBeCloseTo(dbu, 9);
        expect(dbFromVoltageRatio(voltageRatioFromDb(dbu))).toBeCloseTo(dbu, 9);
      }),
    );
  });

  it('takes the crest factor of a sine, 3.01 dB, off a peak on a scale quoted for a sine', () => {
    expect(SINE_CREST_DB).toBeCloseTo(20 * Math.log10(Math.SQRT2), 12);
    expect(peakOnSineScale(0, SINE_CREST_DB)).toBe(0);
    expect(peakOnSineScale(-19, 14)).toBeCloseTo(-8.01, 2);
  });
});

describe('line-up', () => {
  it.each([
    ['−18 dBFS = 0 dBu (EBU R 68)', { dbfs: -18, dbu: 0 }, 18],
    ['−20 dBFS = +4 dBu (SMPTE RP 155)', { dbfs: -20, dbu: 4 }, 24],
    ['−18 dBFS = +4 dBu (common practice, no source)', { dbfs: -18, dbu: 4 }, 22],
  ])('%s', (_name, lineUp, reference) => {
    expect(referenceDbuOf(lineUp)).toBe(reference);
  });
});

describe('adding levels', () => {
  // Derived: 10·log10 N for unrelated signals, 20·log10 N for identical ones.
  it.each([
    [8, 9.03, 18.06],
    [16, 12.04, 24.08],
    [32, 15.05, 30.1],
  ])('%d equal signals add %f dB unrelated and %f dB identical', (count, unrelated, identical) => {
    expect(equalSumDb(count).unrelatedDb).toBeCloseTo(unrelated, 2);
    expect(equalSumDb(count).identicalDb).toBeCloseTo(identical, 2);
    expect(powerSumDb(new Array<number>(count).fill(-40)) + 40).toBeCloseTo(unrelated, 2);
  });

  it('sums nothing to silence', () => {
    expect(powerSumDb([])).toBe(-Infinity);
  });

  it('never falls under the loudest', () => {
    const level = fc.double({ min: -150, max: 30, noNaN: true });
    fc.assert(
      fc.property(fc.array(level, { minLength: 1, maxLength: 20 }), (levels) => {
        expect(powerSumDb(levels)).toBeGreaterThanOrEqual(Math.max(...levels) - 1e-9);
      }),
    );
  });
});
