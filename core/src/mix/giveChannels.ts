import type { Pipe } from '../repatch/cheapestFlow';
import { cheapestFlow } from '../repatch/cheapestFlow';

/** What wants channels of the host: as many side by side as it has sides. */
export interface ChannelWish {
  readonly id: string;
  readonly sides: number;
  /** What it costs to send from a number on, and to come back there; undefined where it cannot. Whole, under 100. */
  sendCost(first: number): number | undefined;
  returnCost(first: number): number | undefined;
}

/** Where a chain goes out and comes back: the first number of each. */
export interface GivenPair {
  readonly send: number;
  readonly return: number;
}

export interface ChannelStock {
  /** Numbers of outputs and inputs that nothing uses. */
  readonly outputs: ReadonlySet<number>;
  readonly inputs: ReadonlySet<number>;
  /** The host returns an insert on the number it sends on. */
  readonly isStrict: boolean;
}

/** A mono chain leaves pairs whole where it can; of what costs the same the lowest number is taken. */
const SPLITS_PAIR = 20;
const COST = 10_000;

const numbersFrom = (first: number, sides: number): readonly number[] =>
  Array.from({ length: sides }, (_, i) => first + i);

/** The neighbour a number makes a pair with: odd and the even one behind it. */
const partnerOf = (n: number): number => (n % 2 === 1 ? n + 1 : n - 1);

/** Where a run of numbers may begin: a wide one on an odd number. */
const isStart = (first: number, sides: number, free: ReadonlySet<number>): boolean =>
  (sides === 1 || first % 2 === 1) && numbersFrom(first, sides).every((n) => free.has(n));

/** One end of the trip, or both of one number. */
interface Ground {
  readonly free: ReadonlySet<number>;
  cost(wish: ChannelWish, first: number): number | undefined;
}

/**
 * Gives wishes of one width their numbers: as many of them as can be, and of all such ways the cheapest (a flow of least
 * cost). Runs of more than two overlap each other, so they are given one after the other.
 */
function givenWide(
  wishes: readonly ChannelWish[],
  sides: number,
  ground: Ground,
): ReadonlyMap<string, number> {
  const starts = [...ground.free].filter((n) => isStart(n, sides, ground.free)).sort((a, b) => a - b);
  const costOf = (wish: ChannelWish, first: number): number | undefined => {
    const own = ground.cost(wish, first);
    const splits = sides === 1 && ground.free.has(partnerOf(first)) ? SPLITS_PAIR : 0;
    return own === undefined ? undefined : (own + splits) * COST + first;
  };
  const wishNode = (i: number): number => 2 + i;
  const startNode = (k: number): number => 2 + wishes.length + k;
  const ways = wishes.flatMap((wish, i) =>
    starts.flatMap((first, k) => {
      const cost = costOf(wish, first);
      return cost === undefined ? [] : [{ wish, first, pipe: pipe(wishNode(i), startNode(k), cost) }];
    }),
  );
  const pipes = [
    ...ways.map((way) => way.pipe),
    ...wishes.map((_, i) => pipe(0, wishNode(i), 0)),
    ...starts.map((_, k) => pipe(startNode(k), 1, 0)),
  ];
  const units = cheapestFlow(2 + wishes.length + starts.length, pipes, 0, 1);
  return new Map(ways.flatMap(({ wish, first }, k) => (units[k] === 1 ? [[wish.id, first] as const] : [])));
}

const pipe = (from: number, to: number, cost: number): Pipe => ({ from, to, capacity: 1, cost });

/** Numbers for wishes of all widths, the widest first: a pair cannot be made of what monos have left over. */
function given(wishes: readonly ChannelWish[], ground: Ground): ReadonlyMap<string, number> {
  const free = new Set(ground.free);
  const all = new Map<string, number>();
  const widths = [...new Set(wishes.map(({ sides }) => sides))].sort((a, b) => b - a);
  for (const sides of widths) {
    const own = wishes.filter((wish) => wish.sides === sides);
    const groups = sides > 2 ? own.map((wish) => [wish]) : [own];
    for (const group of groups)
      for (const [id, first] of givenWide(group, sides, { ...ground, free })) {
        all.set(id, first);
        for (const n of numbersFrom(first, sides)) free.delete(n);
      }
  }
  return all;
}

/**
 * Gives channels of the host to chains: out and back on one number; where the host lets them differ, those left over
 * then go out and come back wherever there is room. Pairs begin on odd numbers. No number is given twice.
 * @returns the pair of each wish; one that is left out has no room.
 */
export function giveChannels(
  wishes: readonly ChannelWish[],
  { outputs, inputs, isStrict }: ChannelStock,
): ReadonlyMap<string, GivenPair> {
  const own = given(wishes, {
    free: new Set([...outputs].filter((n) => inputs.has(n))),
    cost(wish, first) {
      const [send, back] = [wish.sendCost(first), wish.returnCost(first)];
      return send === undefined || back === undefined ? undefined : send + back;
    },
  });
  const pairs = new Map(
    [...own].map(([id, first]): [string, GivenPair] => [id, { send: first, return: first }]),
  );
  const left = wishes.filter(({ id }) => !pairs.has(id));
  if (isStrict || left.length === 0) return pairs;
  const taken = new Set(
    wishes.flatMap(({ id, sides }) => {
      const first = own.get(id);
      return first === undefined ? [] : numbersFrom(first, sides);
    }),
  );
  const without = (free: ReadonlySet<number>): ReadonlySet<number> =>
    new Set([...free].filter((n) => !taken.has(n)));
  const sends = given(left, { free: without(outputs), cost: (wish, first) => wish.sendCost(first) });
  const returns = given(left, { free: without(inputs), cost: (wish, first) => wish.returnCost(first) });
  for (const { id } of left) {
    const [send, back] = [sends.get(id), returns.get(id)];
    if (send !== undefined && back !== undefined) pairs.set(id, { send, return: back });
  }
  return pairs;
}
