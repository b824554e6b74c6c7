import { airDelayMs, speedOfSound } from '@ft/core/units/air';
import { headphoneDbSpl } from '@ft/core/levels/headphoneLevel';
import { dbuFromDbv } from '@ft/core/units/analogueLevel';
import { formatFrequency } from '@ft/core/units/format';
import { allowedHours, dailyDose, eightHourLevelDb } from '@ft/core/units/hearing';

describe('allowed daily time', () => {
  // NIOSH 98-126.
  it.each([
    [85, 8],
    [88, 4],
    [94, 1],
    [100, 0.25],
  ])('by NIOSH at %d dBA is %f h', (level, hours) => {
    expect(allowedHours(level, 'niosh')).toBeCloseTo(hours, 9);
  });

  // 29 CFR 1910.95, table G-16.
  it.each([
    [90, 8],
    [95, 4],
    [100, 2],
    [105, 1],
    [110, 0.5],
  ])('by OSHA at %d dBA is %f h', (level, hours) => {
    expect(allowedHours(level, 'osha')).toBeCloseTo(hours, 9);
  });

  it('adds as a dose: 2 h at 91 and 1 h at 94 are 200 %, as steady as 88 dBA over 8 h', () => {
    const parts = [
      { levelDbSpl: 91, hours: 2 },
      { levelDbSpl: 94, hours: 1 },
    ];
    const dose = dailyDose(parts, 'niosh');
    expect(dose).toBeCloseTo(2, 9);
    expect(eightHourLevelDb(dose, 'niosh')).toBeCloseTo(88, 9);
  });
});

describe('headphones', () => {
  // Derived: sensitivity + 10·log10(P / 1 mW), P = V² / Z.
  it.each([
    [32, 100, 114.9],
    [250, 96, 102.0],
  ])('of %d Ω and %d dB/mW at 1 V give %f dB SPL', (ohm, sensitivity, expected) => {
    expect(headphoneDbSpl(dbuFromDbv(0), ohm, sensitivity)).toBeCloseTo(expected, 1);
  });
});

describe('air at 20 °C', () => {
  // Derived: 331.3·√(1 + t / 273.15).
  it('carries sound 343.2 m in a second: 34.3 cm in a millisecond', () => {
    expect(speedOfSound(20)).toBeCloseTo(343.2, 1);
    expect(airDelayMs(0.343)).toBeCloseTo(1, 2);
  });
});

it('frequencies have three figures', () => {
  expect([62.53, 1263.16, 12_632, 0].map(formatFrequency)).toEqual([
    '62.5 Hz',
    '1.26 kHz',
    '12.6 kHz',
    '0 Hz',
  ]);
});
