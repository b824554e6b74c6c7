import { paramFigure } from '../src/app/stages/rig/devices/param-figure';

describe('a parameter in a line of data', () => {
  it.each([
    [47_000, 'Ω', '47 kΩ'],
    [200, 'Ω', '200 Ω'],
    [-6.5, 'dB', '−6.5 dB'],
    [[-6, -3, 0, 3], 'dB', '−6/−3/0/3 dB'],
    ['full', '', 'full'],
    [true, '', ''],
  ])('%j %s is written %s', (value, unit, text) => {
    expect(paramFigure(value, unit)).toBe(text);
  });
});
