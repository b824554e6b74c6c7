import { boundsProblem, MOST_CHILDREN, MOST_LEVELS } from '@ft/core/formats/jsonBounds';

const nested = (levels: number): unknown => JSON.parse('['.repeat(levels) + ']'.repeat(levels));

describe('JSON from outside', () => {
  it('is fit where it is what the program writes', () => {
    expect(boundsProblem({ a: [1, 'text', null, { b: true, c: '🎧' }] })).toBeUndefined();
    expect(boundsProblem(nested(MOST_LEVELS))).toBeUndefined();
    expect(boundsProblem(Array.from({ length: MOST_CHILDREN }, () => 0))).toBeUndefined();
    expect(boundsProblem('alone')).toBeUndefined();
  });

  it('is not where it is nested deeper, however deep', () => {
    expect(boundsProblem(nested(MOST_LEVELS + 1))).toMatchObject({ code: 'too-deep', most: MOST_LEVELS });
    expect(boundsProblem(nested(200_000))).toMatchObject({ code: 'too-deep' });
  });

  it('is not where a list or an object is too long, and says where', () => {
    const zeros = Array.from({ length: MOST_CHILDREN + 1 }, () => 0);
    expect(boundsProblem({ a: { b: zeros } })).toEqual({
      code: 'too-many',
      path: ['a', 'b'],
      found: MOST_CHILDREN + 1,
      most: MOST_CHILDREN,
    });
    const keys = Object.fromEntries(zeros.map((_, i) => [`k${String(i)}`, 0]));
    expect(boundsProblem([keys])).toMatchObject({ code: 'too-many', path: [0] });
  });

  it('is not where there is too much of it in all', () => {
    const many = Array.from({ length: 40 }, () => Array.from({ length: MOST_CHILDREN }, () => 0));
    expect(boundsProblem(many)).toMatchObject({ code: 'too-many', path: [] });
  });

  it.each<[string, unknown, (string | number)[]]>([
    ['a text', { a: ['\ud800'] }, ['a', 0]],
    ['the end of a text', { a: 'x\udc00' }, ['a']],
    ['a key', { a: { '\ud83c': 1 } }, ['a']],
  ])('is not with half a character in %s', (_name, value, path) => {
    expect(boundsProblem(value)).toEqual({ code: 'broken-text', path });
  });
});
