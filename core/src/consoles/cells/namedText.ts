import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { didYouMean, nearestNames } from '../../text/nearestName';

const plain = (text: string): string => text.trim().toLowerCase().replaceAll(/\s+/g, ' ');

/**
 * Which of some names is meant: the very name, or the only one that begins so.
 * @param what the thing is called that has the names: "Channel 3 listens to".
 * @returns its place, from 0.
 */
export function readName(what: string, names: readonly string[], text: string): CellReading<number> {
  const typed = plain(text);
  const whole = names.findIndex((name) => plain(name) === typed);
  if (whole >= 0) return value(whole);
  const begun = names.flatMap((name, at) => (plain(name).startsWith(typed) ? [at] : []));
  const [only] = begun;
  if (only !== undefined && new Set(begun.map((at) => names[at])).size === 1) return value(only);
  const nearest =
    begun.length > 0 ? begun.slice(0, 3).map((at) => names[at] ?? '') : nearestNames(text, names);
  return refuse(`“${text}” is no position of ${what}.${didYouMean(nearest)}`);
}
