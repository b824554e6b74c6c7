import { sheetCommand } from '../src/app/ui/sheet/sheet-keys';
import { isInside, rangeOf, spread, within } from '../src/app/ui/sheet/sheet-range';

describe('a key in a sheet', () => {
  const does = (key: string, more: KeyboardEventInit = {}): unknown =>
    sheetCommand(new KeyboardEvent('keydown', { key, ...more }), 12);

  it('moves by a cell, a page, or to the edge, and extends the range with Shift', () => {
    expect(does('ArrowDown')).toEqual({ does: 'move', rows: 1, columns: 0, extends: false });
    expect(does('ArrowLeft', { shiftKey: true })).toEqual({
      ...{ does: 'move', rows: 0, columns: -1, extends: true },
    });
    expect(does('PageUp')).toMatchObject({ rows: -12, columns: 0 });
    expect(does('Home')).toMatchObject({ rows: 0, columns: -1e6 });
    expect(does('End', { ctrlKey: true })).toMatchObject({ rows: 1e6, columns: 1e6 });
    expect(does('ArrowUp', { ctrlKey: true })).toMatchObject({ rows: -1e6 });
  });

  it.each([
    ['Enter', {}, { does: 'edit' }],
    ['F2', {}, { does: 'edit' }],
    ['x', {}, { does: 'edit', typed: 'x' }],
    ['X', { shiftKey: true }, { does: 'edit', typed: 'X' }],
    ['Delete', {}, { does: 'clear' }],
    ['Delete', { ctrlKey: true }, { does: 'remove' }],
    [' ', {}, { does: 'toggle' }],
    ['d', { ctrlKey: true }, { does: 'fill' }],
    ['a', { metaKey: true }, { does: 'all' }],
    ['Escape', {}, { does: 'leave' }],
  ])('%s %j', (key, more, command) => {
    expect(does(key, more)).toEqual(command);
  });

  it('is left to the program where the program has a use for it', () => {
    for (const key of ['[', ']', '/', '?', '\\', 'Tab', 'Shift', 'F5']) expect(does(key)).toBeUndefined();
    expect(does('z', { ctrlKey: true })).toBeUndefined();
    expect(does('g', { altKey: true })).toBeUndefined();
  });
});

describe('a range', () => {
  const range = rangeOf({ row: 5, column: 3 }, { row: 2, column: 4 });

  it('reaches from one corner to the other, whichever was first', () => {
    expect(range).toEqual({ top: 2, bottom: 5, left: 3, right: 4 });
    expect(isInside(range, 5, 3)).toBe(true);
    expect(isInside(range, 6, 3)).toBe(false);
    expect(within({ row: -1, column: 99 }, 10, 4)).toEqual({ row: 0, column: 3 });
  });

  it('is filled by one text, repeated by rows that fit, and run over by more than fits', () => {
    const places = (texts: readonly (readonly string[])[]): readonly string[] =>
      spread(texts, range).map(({ row, column, text }) => `${String(row)}.${String(column)}=${text}`);
    expect(places([['x']])).toHaveLength(8);
    expect(
      places([
        ['a', 'b'],
        ['c', 'd'],
      ]),
    ).toEqual([...['2.3=a', '2.4=b', '3.3=c', '3.4=d', '4.3=a', '4.4=b', '5.3=c', '5.4=d']]);
    expect(places([['a'], ['b'], ['c']])).toEqual([
      ...['2.3=a', '2.4=a', '3.3=b', '3.4=b', '4.3=c', '4.4=c'],
    ]);
    expect(places([])).toEqual([]);
    expect(places([['a', 'b', 'c']])).toEqual(expect.arrayContaining(['2.5=c', '5.5=c']));
  });
});
