/** Whether every word typed occurs in a name, in any order and case. */
export function nameMatches(name: string, typed: string): boolean {
  const target = name.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => target.includes(word));
}

/** How well a name answers what was typed: lower is better; undefined where it does not. */
export function matchRank(name: string, typed: string): number | undefined {
  const [target, text] = [name.toLowerCase(), typed.trim().toLowerCase()];
  if (target === text) return 0;
  if (!nameMatches(name, text)) return undefined;
  return target.startsWith(text) ? 1 : 2;
}

/** The items whose names answer best first; equal ones keep their order. */
export function ranked<T>(items: readonly T[], nameOf: (item: T) => string, typed: string): readonly T[] {
  const rated = items.flatMap((item) => {
    const rank = matchRank(nameOf(item), typed);
    return rank === undefined ? [] : [{ item, rank, length: nameOf(item).length }];
  });
  return rated.sort((a, b) => a.rank - b.rank || a.length - b.length).map(({ item }) => item);
}
