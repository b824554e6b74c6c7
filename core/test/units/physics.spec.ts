import { msFromSamples, samplesFromMs } from '@ft/core/units/duration';
import { loadingDb, parallelOhm } from '@ft/core/units/loading';
import { microphoneDbu, sensitivityDbu } from '@ft/core/units/soundLevel';
import { thermalNoiseDbu } from '@ft/core/units/thermalNoise';

describe('a microphone', () => {
  // Derived: 20·log10(S·p / 0.774597 V), p from the sound level.
  it.each([
    [10, 94, -37.78],
    [1.5, 94, -54.26],
    [20, 120, -5.76],
    [12, 88, -42.2],
  ])('of %f mV/Pa in %f dB SPL gives %f dBu', (sensitivity, sound, expected) => {
    expect(microphoneDbu(sensitivityDbu(sensitivity), sound)).toBeCloseTo(expected, 2);
  });
});

describe('thermal noise over 20 kHz at 20 °C (Johnson, Nyquist)', () => {
  it.each([
    [150, -130.92],
    [200, -129.67],
    [600, -124.9],
  ])('of %d Ω is %f dBu', (ohm, expected) => {
    expect(thermalNoiseDbu(ohm)).toBeCloseTo(expected, 2);
  });
});

describe('loading, 20·log10(ZL / (ZS + ZL))', () => {
  it.each([
    [600, 600, -6.02],
    [150, 1500, -0.83],
    [150, 10_000, -0.13],
    [10_000, 1_000_000, -0.09],
    [10_000, 10_000, -6.02],
  ])('%d Ω into %d Ω loses %f dB', (source, load, expected) => {
    expect(loadingDb(source, load)).toBeCloseTo(expected, 2);
  });

  it('loses nothing into an open circuit', () => {
    expect(loadingDb(600, Infinity)).toBe(0);
    expect(parallelOhm([])).toBe(Infinity);
  });

  it('sees loads in parallel', () => {
    expect(parallelOhm([10_000, 10_000])).toBeCloseTo(5000, 9);
    expect(parallelOhm([10_000, 20_000])).toBeCloseTo(6666.67, 2);
  });
});

describe('samples and milliseconds', () => {
  it.each([
    [19, 44_100, 0.431],
    [19, 48_000, 0.396],
    [64, 48_000, 1.333],
    [1024, 48_000, 21.333],
  ])('%d samples at %d Hz are %f ms', (samples, rate, ms) => {
    expect(msFromSamples(samples, rate)).toBeCloseTo(ms, 3);
    expect(samplesFromMs(msFromSamples(samples, rate), rate)).toBeCloseTo(samples, 9);
  });
});
