import { formatDb, formatGain, formatLevel, formatMs, formatOhm, formatSamples } from '@ft/core/units/format';

describe('figures for readers', () => {
  it.each([
    [formatLevel(4, 'dBu'), '+4.0 dBu'],
    [formatLevel(-18, 'dBFS'), '−18.0 dBFS'],
    [formatLevel(0, 'dBu'), '0.0 dBu'],
    [formatLevel(-0.04, 'dBu'), '0.0 dBu'],
    [formatLevel(-Infinity, 'dBu'), '−∞ dBu'],
    [formatGain(44), '+44.0'],
    [formatGain(-0.7), '−0.7'],
    [formatDb(9.24), '9.2 dB'],
    [formatDb(-3.3), '−3.3 dB'],
    [formatMs(1.3333), '1.33 ms'],
    [formatSamples(64), '64'],
    [formatSamples(19.254), '19.25'],
    [formatOhm(200), '200 Ω'],
    [formatOhm(2400), '2.4 kΩ'],
    [formatOhm(1_000_000), '1 MΩ'],
    [formatOhm(6666.67), '6.67 kΩ'],
  ])('%s', (shown, expected) => {
    expect(shown).toBe(expected);
  });
});
