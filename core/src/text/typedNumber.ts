/** A typed number, with a comma or a real minus sign allowed; undefined where it is none. */
export function typedNumber(text: string): number | undefined {
  const plain = text.trim().replace(',', '.').replace('−', '-');
  return plain === '' || Number.isNaN(Number(plain)) ? undefined : Number(plain);
}
