/**
 * A copy of `after` in which everything that is equal in `before` is the very object of `before`. What came
 * over a wire is then told apart by identity, as what was edited in place is.
 */
export function keepSame<T>(before: unknown, after: T): T {
  if (Object.is(before, after)) return after;
  if (typeof before !== 'object' || typeof after !== 'object' || before === null || after === null)
    return after;
  if (Array.isArray(before) !== Array.isArray(after)) return after;
  return (Array.isArray(after) ? keptList(before as unknown[], after) : keptRecord(before, after)) as T;
}

/** Items with ids are compared with the item of their id, others with the one in their place. */
function keptList(before: readonly unknown[], after: readonly unknown[]): readonly unknown[] {
  const byId = new Map(before.map((item) => [idOf(item), item]));
  const kept = after.map((item, i) =>
    keepSame(idOf(item) === undefined ? before[i] : byId.get(idOf(item)), item),
  );
  const isSame = kept.length === before.length && kept.every((item, i) => Object.is(item, before[i]));
  return isSame ? before : kept;
}

function keptRecord(before: object, after: object): object {
  const was = before as Readonly<Record<string, unknown>>;
  const entries = Object.entries(after).map(([key, value]): [string, unknown] => [
    key,
    keepSame(was[key], value),
  ]);
  const isSame =
    entries.length === Object.keys(before).length &&
    entries.every(([key, value]) => Object.is(value, was[key]));
  return isSame ? before : Object.fromEntries(entries);
}

const idOf = (item: unknown): unknown =>
  typeof item === 'object' && item !== null && 'id' in item ? item.id : undefined;
