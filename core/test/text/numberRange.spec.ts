import { numberRange } from '@ft/core/text/numberRange';

describe('number ranges', () => {
  it.each([
    ['7', [7]],
    ['1-4', [1, 2, 3, 4]],
    ['4-1', [4, 3, 2, 1]],
    ['1–7/2', [1, 3, 5, 7]],
    ['8-2 step 3', [8, 5, 2]],
    ['1-2, 10, 5-4', [1, 2, 10, 5, 4]],
  ])('%s', (text, numbers) => {
    expect(numberRange(text)).toEqual({ ok: true, numbers });
  });

  it.each([
    ['', 'not-a-range', ''],
    ['1-', 'not-a-range', '1-'],
    ['1-4, odd', 'not-a-range', 'odd'],
    ['1-8/0', 'no-step', '1-8/0'],
    ['1-99999', 'too-many', '1-99999'],
  ])('%j cannot be read', (text, code, part) => {
    expect(numberRange(text)).toEqual({ ok: false, code, part });
  });
});
