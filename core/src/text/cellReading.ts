/** A cell of the track sheet as typed: its value, or what is wrong with it. */
export type CellReading<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly sentence: string };

export const value = <T>(it: T): CellReading<T> => ({ ok: true, value: it });
export const refuse = (sentence: string): { readonly ok: false; readonly sentence: string } => ({
  ok: false,
  sentence,
});

/** All of a list, or the first refusal. */
export function all<T>(readings: readonly CellReading<T>[]): CellReading<T[]> {
  const values: T[] = [];
  for (const reading of readings) {
    if (!reading.ok) return reading;
    values.push(reading.value);
  }
  return value(values);
}

/** What stands between separators, without blanks and without what is empty. */
export const parts = (text: string, separator: RegExp): readonly string[] =>
  text
    .split(separator)
    .map((part) => part.trim())
    .filter((part) => part !== '');
