import type { Path, Problem } from '../session/problem';

/** Nothing the program writes is deeper than a dozen levels. */
export const MOST_LEVELS = 64;
/** Items in one list or object. */
export const MOST_CHILDREN = 100_000;
/** Values in all: a facility of twenty bays has a quarter of a million. */
export const MOST_VALUES = 3_000_000;

const LONE_SURROGATE = /\p{Surrogate}/u;

interface Pending {
  readonly value: unknown;
  readonly path: Path;
}

function textProblem(text: string, path: Path): Problem | undefined {
  return LONE_SURROGATE.test(text) ? { code: 'broken-text', path } : undefined;
}

/**
 * What makes JSON unfit to be looked at any closer, or undefined: nested so deep that reading it would
 * overflow, so much of it that reading it would never end, or texts that cannot be stored as UTF-8. Walks
 * without recursion and stops at the first.
 */
export function boundsProblem(root: unknown): Problem | undefined {
  const pending: Pending[] = [{ value: root, path: [] }];
  let values = 0;
  for (let next = pending.pop(); next !== undefined; next = pending.pop()) {
    const { value, path } = next;
    if (typeof value === 'string') {
      const problem = textProblem(value, path);
      if (problem !== undefined) return problem;
    }
    if (typeof value !== 'object' || value === null) continue;
    if (path.length >= MOST_LEVELS) return { code: 'too-deep', path, most: MOST_LEVELS };
    const children: readonly (readonly [string | number, unknown])[] = Array.isArray(value)
      ? value.slice(0, MOST_CHILDREN + 1).map((child: unknown, i) => [i, child] as const)
      : Object.entries(value);
    const found = Array.isArray(value) ? value.length : children.length;
    if (found > MOST_CHILDREN) return { code: 'too-many', path, found, most: MOST_CHILDREN };
    values += found;
    if (values > MOST_VALUES) return { code: 'too-many', path: [], found: values, most: MOST_VALUES };
    for (const [key, child] of children) {
      const problem = typeof key === 'string' ? textProblem(key, path) : undefined;
      if (problem !== undefined) return problem;
      if (child !== null && (typeof child === 'object' || typeof child === 'string'))
        pending.push({ value: child, path: [...path, key] });
    }
  }
  return undefined;
}
