/** Items that are put in every order. */
const MOST_PERMUTED = 3;

/** Every order of a few; of more, the given one and its reverse. */
export function ordersOf(items: readonly number[]): readonly (readonly number[])[] {
  if (items.length < 2) return [items];
  if (items.length > MOST_PERMUTED) return [items, [...items].reverse()];
  return items.flatMap((first) =>
    ordersOf(items.filter((item) => item !== first)).map((rest) => [first, ...rest]),
  );
}
