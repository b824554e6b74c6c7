/** A number that counts on; longer ones are part of the name. */
const COUNTED = /^(.+?)\s+(\d{1,6})$/;

/**
 * A name nobody has yet, whatever the case. A name that ends with a number counts on from it:
 * after "Cue box 4" comes "Cue box 5".
 * @param taken in lower case.
 * @param numbered gives a number even where the bare name is free.
 */
export function freeName(name: string, taken: ReadonlySet<string>, numbered = false): string {
  if (!numbered && !taken.has(name.toLowerCase())) return name;
  const [, stem = name, number = numbered ? '1' : '2'] = COUNTED.exec(name) ?? [];
  for (let n = Number(number); ; n++) {
    const next = `${stem} ${String(n)}`;
    if (!taken.has(next.toLowerCase())) return next;
  }
}
