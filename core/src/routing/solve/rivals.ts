import type { Board, ItemWays } from './board';

const usesOf = (ways: ItemWays): ReadonlyMap<number, number> => {
  const uses = new Map<number, number>();
  for (const { resources, values } of ways)
    resources.forEach((resource, i) => uses.set(resource, values[i] ?? 0));
  return uses;
};

/** Things off the hook of which these ways would leave too few. */
const shortThings = (board: Board, ways: ItemWays): ReadonlySet<number> =>
  new Set(
    ways
      .flatMap(({ takes }) => takes.map(({ thing }) => thing))
      .filter((thing) => board.table.left(thing) <= 0),
  );

/** Items on the board that `ways` cannot go together with, in order. */
export function rivalsOf(board: Board, ways: ItemWays, among: readonly number[]): readonly number[] {
  const uses = usesOf(ways);
  const short = shortThings(board, ways);
  return among.filter((item) =>
    board.ways(item)?.some(
      ({ resources, values, takes }) =>
        resources.some((resource, i) => {
          const wanted = uses.get(resource);
          return wanted !== undefined && wanted !== values[i];
        }) || takes.some(({ thing }) => short.has(thing)),
    ),
  );
}
