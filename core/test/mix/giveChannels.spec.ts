import type { ChannelWish, GivenPair } from '@ft/core/mix/giveChannels';
import { giveChannels } from '@ft/core/mix/giveChannels';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';

const numbersTo = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);
const all = (count: number): ReadonlySet<number> => new Set(numbersTo(count));

const wish = (id: string, sides = 1, more: Partial<ChannelWish> = {}): ChannelWish => ({
  ...{ id, sides, sendCost: () => 2, returnCost: () => 2 },
  ...more,
});

const given = (
  wishes: readonly ChannelWish[],
  count: number,
  isStrict = true,
  outputs = all(count),
  inputs = all(count),
): Record<string, string> =>
  Object.fromEntries(
    [...giveChannels(wishes, { outputs, inputs, isStrict })].map(([id, pair]) => [
      id,
      `${String(pair.send)}/${String(pair.return)}`,
    ]),
  );

describe('channels of the host given out', () => {
  it('puts out and in on one number, pairs on an odd one, and leaves pairs whole for those that come later', () => {
    expect(given([wish('a'), wish('pair', 2), wish('b')], 6)).toEqual({ a: '3/3', pair: '1/1', b: '4/4' });
  });

  it('takes the number wiring leads to, though a lower one is free', () => {
    const wired = wish('a', 1, { sendCost: (n) => (n === 5 ? 0 : 2), returnCost: (n) => (n === 5 ? 0 : 2) });
    expect(given([wired], 6)).toEqual({ a: '5/5' });
  });

  it('gives up a better number where somebody else has no other', () => {
    const only = wish('only', 1, { sendCost: (n) => (n === 1 ? 2 : undefined) });
    expect(given([wish('a'), only], 2)).toEqual({ a: '2/2', only: '1/1' });
  });

  it('leaves out what a strict host cannot line up, and lets the two differ on a free one', () => {
    const apart = wish('a', 1, {
      sendCost: (n) => (n <= 2 ? 1 : undefined),
      returnCost: (n) => (n > 2 ? 1 : undefined),
    });
    expect(given([apart], 4)).toEqual({});
    expect(given([apart], 4, false)).toEqual({ a: '1/3' });
  });

  it('uses no pair that begins on an even number, be it that both are free', () => {
    expect(given([wish('pair', 2)], 4, true, new Set([2, 3]), new Set([2, 3]))).toEqual({});
  });
});

/** Wishes of random widths that reach some numbers and not others. */
function randomWishes(dice: Dice, count: number): readonly ChannelWish[] {
  return numbersTo(1 + dice.below(8)).map((n) => {
    const reach = (): ReadonlyMap<number, number> =>
      new Map(
        numbersTo(count).flatMap((number) => (dice.chance(0.75) ? [[number, dice.below(4)] as const] : [])),
      );
    const [sends, returns] = [reach(), reach()];
    const sides = dice.pick([1, 1, 1, 2, 2, 4]);
    const over = (known: ReadonlyMap<number, number>, first: number): number | undefined => {
      const own = numbersTo(sides).map((side) => known.get(first + side - 1));
      return own.every((each) => each !== undefined) ? own.reduce((sum, each) => sum + each, 0) : undefined;
    };
    return wish(`job-${String(n)}`, sides, {
      sendCost: (first) => over(sends, first),
      returnCost: (first) => over(returns, first),
    });
  });
}

const lanesOf = (first: number, sides: number): readonly number[] =>
  Array.from({ length: sides }, (_, i) => first + i);

describe('random wishes', () => {
  it.each(seedsFrom1(150, 3000))('%d: no channel is given twice, and the rule of the host holds', (seed) => {
    const dice = seeded(seed);
    const count = 4 + dice.below(12);
    const free = (): ReadonlySet<number> => new Set(numbersTo(count).filter(() => dice.chance(0.8)));
    const stock = { outputs: free(), inputs: free(), isStrict: dice.chance(0.5) };
    const wishes = randomWishes(dice, count);
    const pairs = giveChannels(wishes, stock);
    const taken = (end: keyof GivenPair): readonly number[] =>
      wishes.flatMap(({ id, sides }) => {
        const pair = pairs.get(id);
        return pair === undefined ? [] : lanesOf(pair[end], sides);
      });
    for (const [end, own] of [
      ['send', stock.outputs],
      ['return', stock.inputs],
    ] as const) {
      const numbers = taken(end);
      expect(new Set(numbers).size).toBe(numbers.length);
      expect(numbers.every((number) => own.has(number))).toBe(true);
    }
    for (const { id, sides, sendCost, returnCost } of wishes) {
      const pair = pairs.get(id);
      if (pair === undefined) continue;
      expect(sendCost(pair.send)).toBeDefined();
      expect(returnCost(pair.return)).toBeDefined();
      if (stock.isStrict) expect(pair.return).toBe(pair.send);
      if (sides > 1) expect([pair.send % 2, pair.return % 2]).toEqual([1, 1]);
    }
  });

  it.each(seedsFrom1(60, 600))(
    '%d: of mono wishes as many are served as a search of all ways finds',
    (seed) => {
      const dice = seeded(1000 + seed);
      const wishes = randomWishes(dice, 5).filter(({ sides }) => sides === 1);
      const stock = { outputs: all(5), inputs: all(5), isStrict: true };
      const fits = ({ sendCost, returnCost }: ChannelWish, n: number): boolean =>
        sendCost(n) !== undefined && returnCost(n) !== undefined;
      const most = (left: readonly ChannelWish[], used: ReadonlySet<number>): number => {
        const [first, ...rest] = left;
        if (first === undefined) return 0;
        const without = most(rest, used);
        return Math.max(
          without,
          ...numbersTo(5)
            .filter((n) => !used.has(n) && fits(first, n))
            .map((n) => 1 + most(rest, new Set([...used, n]))),
        );
      };
      expect(giveChannels(wishes, stock).size).toBe(most(wishes, new Set()));
    },
  );
});
