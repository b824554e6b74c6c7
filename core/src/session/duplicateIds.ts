import type { Path, Problem } from './problem';

/** A problem for every item whose id an earlier item of the list already has. */
export function duplicateIds(items: readonly { readonly id: string }[], path: Path): readonly Problem[] {
  const first = new Map<string, number>();
  return items.flatMap(({ id }, i): Problem[] => {
    const earlier = first.get(id);
    if (earlier === undefined) {
      first.set(id, i);
      return [];
    }
    return [{ code: 'duplicate-id', path: [...path, i, 'id'], id, firstAt: [...path, earlier, 'id'] }];
  });
}
