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

/** Tells whether other ways cannot go together with these. */
function clashesWith(board: Board, ways: ItemWays): (other: ItemWays) => boolean {
  const uses = usesOf(ways);
  const short = shortThings(board, ways);
  return (other) =>
    other.some(
      ({ resources, values, takes }) =>
        resources.some((resource, i) => {
          const wanted = uses.get(resource);
          return wanted !== undefined && wanted !== values[i];
        }) || takes.some(({ thing }) => short.has(thing)),
    );
}

/** Items on the board that `ways` cannot go together with, in order. */
export function rivalsOf(board: Board, ways: ItemWays, among: readonly number[]): readonly number[] {
  const clashes = clashesWith(board, ways);
  return among.filter((item) => {
    const own = board.ways(item);
    return own !== undefined && clashes(own);
  });
}

/** Items without a way that would like what `ways` would like, in order. */
export function waitingBeside(
  board: Board,
  ways: ItemWays,
  among: readonly number[],
  ideals: readonly (ItemWays | undefined)[],
): readonly number[] {
  const clashes = clashesWith(board, ways);
  return among.filter((item) => {
    const liked = board.ways(item) === undefined ? ideals[item] : undefined;
    return liked !== undefined && clashes(liked);
  });
}
