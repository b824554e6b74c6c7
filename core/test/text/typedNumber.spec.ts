import { typedNumber } from '@ft/core/text/typedNumber';

describe('a typed number', () => {
  it.each([
    ['88', 88],
    [' -18 ', -18],
    ['−18', -18],
    ['3,5', 3.5],
    ['', undefined],
    ['loud', undefined],
    ['1.2.3', undefined],
  ])('%j', (text, value) => {
    expect(typedNumber(text)).toBe(value);
  });
});
