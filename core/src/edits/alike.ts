/** Whether two objects hold the same, object for object, under every key but some. */
export function alike<T extends object>(a: T, b: T, but: ReadonlySet<string>): boolean {
  if (a === b) return true;
  const [one, other] = [a, b] as readonly Readonly<Record<string, unknown>>[];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every(
    (key) => but.has(key) || one?.[key] === other?.[key],
  );
}
