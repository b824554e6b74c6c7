/** In the order of their numbers; what has the same, in the order of ids. */
export const byNumber = <T extends { readonly id: string; readonly number: number }>(a: T, b: T): number =>
  a.number - b.number || (a.id < b.id ? -1 : 1);
