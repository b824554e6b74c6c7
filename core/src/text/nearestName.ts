import { distance } from 'fastest-levenshtein';

const MOST_SUGGESTED = 3;

/** How many letters two words begin with alike. */
function lettersAlike(a: string, b: string): number {
  let count = 0;
  while (count < a.length && a[count] === b[count]) count++;
  return count;
}

/**
 * Names that stand nearest to what was typed, best first, by how many letters differ (Levenshtein). None
 * where more than half of the letters do, and more than the two of a transposition.
 */
export function nearestNames(typed: string, names: readonly string[]): readonly string[] {
  const plain = typed.trim().toLowerCase();
  return names
    .map((name) => ({
      name,
      letters: distance(plain, name.toLowerCase()),
      alike: lettersAlike(plain, name.toLowerCase()),
    }))
    .filter(({ name, letters }) => letters <= Math.max(2, Math.max(plain.length, name.length) / 2))
    .sort((a, b) => a.letters - b.letters || b.alike - a.alike || (a.name < b.name ? -1 : 1))
    .slice(0, MOST_SUGGESTED)
    .map(({ name }) => name);
}

/** The names as a question to put behind a sentence; nothing where there are none. */
export const didYouMean = (names: readonly string[]): string =>
  names.length === 0 ? '' : ` Did you mean ${names.map((name) => `“${name}”`).join(', ')}?`;
