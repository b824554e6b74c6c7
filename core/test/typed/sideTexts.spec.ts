import { readSides, sidesText } from '@ft/core/typed/sum/sideTexts';

describe('a text for things side by side', () => {
  it.each([
    ['fader', ['−6', '−6'], '−6'],
    ['pan', ['L100', 'R100'], 'L100 / R100'],
    ['groups', ['1', '2'], '1–2'],
    ['groups', ['3', '3'], '3'],
    ['groups', ['2', '1'], '2 / 1'],
    ['groups', ['1–2', '3'], '1–2 / 3'],
    ['fader', ['1', '2'], '1 / 2'],
  ])('of %s says what %j say together: %s', (column, texts, text) => {
    expect(sidesText(column, texts)).toBe(text);
    expect(readSides(column, text, texts.length)).toEqual({ ok: true, value: texts });
  });

  it('of one side is read as it stands', () => {
    expect(readSides('groups', '1-2', 1)).toEqual({ ok: true, value: ['1-2'] });
    expect(sidesText('pan', [])).toBe('');
  });

  it('for another number of sides says how many there are', () => {
    expect(readSides('pan', 'L / R / C', 2)).toEqual({
      ok: false,
      sentence: '“L / R / C” names 3 sides, and there are 2. Write one for each, or one for all.',
    });
  });
});
