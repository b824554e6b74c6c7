import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { numberRange } from '../../text/numberRange';
import { rangesText } from '../../text/rangesText';

/** Columns whose numbers are given out side by side: left to the first, right to the second. */
const SIDE_BY_SIDE = new Set(['groups']);

const isOneNumber = (text: string): boolean => /^\d+$/.test(text);

/** What the sides of something say together: what is the same once, what differs with a stroke between. */
export function sidesText(column: string, texts: readonly string[]): string {
  if (new Set(texts).size < 2) return texts[0] ?? '';
  const numbers = texts.map(Number);
  const isRun = texts.every(isOneNumber) && numbers.every((n, i) => n === (numbers[0] ?? 0) + i);
  return SIDE_BY_SIDE.has(column) && isRun ? rangesText(numbers) : texts.join(' / ');
}

/**
 * A text for every side: "L30 / R30" has one for each, one text is for all of them, and of groups "1–2" is a number for
 * each side.
 */
export function readSides(column: string, text: string, sides: number): CellReading<readonly string[]> {
  if (sides === 1) return value([text]);
  const parts = text.split('/').map((part) => part.trim());
  if (parts.length === sides) return value(parts);
  if (parts.length > 1)
    return refuse(
      `“${text}” names ${String(parts.length)} sides, and there are ${String(sides)}. Write one for each, or one for all.`,
    );
  const range = SIDE_BY_SIDE.has(column) ? numberRange(text) : undefined;
  if (range?.ok === true && range.numbers.length === sides) return value(range.numbers.map(String));
  return value(Array.from({ length: sides }, () => text));
}
