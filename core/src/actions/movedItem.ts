/** Something that stands where its number puts it. */
export interface Numbered {
  readonly id: string;
  readonly number: number;
}

/** A number somebody gets, and the one it had. */
export interface Renumbered<T> {
  readonly item: T;
  readonly number: number;
}

/** A list with one of it moved to another place; the others close up. */
export function movedTo<T>(items: readonly T[], from: number, to: number): readonly T[] {
  const rest = items.filter((_, at) => at !== from);
  return [...rest.slice(0, to), ...items.slice(from, from + 1), ...rest.slice(to)];
}

/** Something that may have a place of its own in a list. */
export interface Placed {
  readonly id: string;
  readonly position?: number | undefined;
}

/**
 * Puts one of a list elsewhere: every one then has a place of its own, from 1.
 * @param before the list in its order.
 * @param by how many places down, or up where negative; at the ends it stays.
 * @returns who gets another place, and the one it had.
 */
export function repositionedBy<T extends Placed>(
  before: readonly T[],
  id: T['id'],
  by: number,
): readonly { readonly item: T; readonly value: number; readonly was: number | null }[] {
  const from = before.findIndex((item) => item.id === id);
  const after = movedTo(before, from, Math.min(Math.max(from + by, 0), before.length - 1));
  return after.flatMap((item, at) =>
    item.position === at + 1 ? [] : [{ item, value: at + 1, was: item.position ?? null }],
  );
}

/**
 * Moves one of a list that is in the order of its numbers. The numbers stay those the list has, gaps and all:
 * each goes to whoever stands at its place now.
 * @param together what stands and moves with an item, such as the sides of a wide line; itself included.
 * @param by how many places down, or up where negative; at the ends it stays.
 * @returns who gets another number.
 */
export function renumberedBy<T extends Numbered>(
  items: readonly T[],
  id: string,
  by: number,
  together: (item: T) => readonly T[],
): readonly Renumbered<T>[] {
  const from = items.findIndex((item) => item.id === id);
  const moving = items[from];
  if (moving === undefined || by === 0) return [];
  const block = new Set(together(moving));
  const step = Math.sign(by);
  let to = Math.min(Math.max(from + by, 0), items.length - 1);
  let reached = items[to];
  while (reached !== undefined && block.has(reached)) reached = items[(to += step)];
  if (reached === undefined) return [];
  // What stands together is passed together, and never parted.
  const rest = items.filter((item) => !block.has(item));
  const passed = together(reached).map((item) => rest.indexOf(item));
  const place = step > 0 ? Math.max(...passed) + 1 : Math.min(...passed);
  const moved = items.filter((item) => block.has(item));
  const after = [...rest.slice(0, place), ...moved, ...rest.slice(place)];
  return after.flatMap((item, at) => {
    const number = items[at]?.number ?? item.number;
    return number === item.number ? [] : [{ item, number }];
  });
}
