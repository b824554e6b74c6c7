/** Numbers as people write them, or why they cannot be read. */
export type NumberRange =
  | { readonly ok: true; readonly numbers: readonly number[] }
  | {
      readonly ok: false;
      readonly code: 'not-a-range' | 'no-step' | 'too-many';
      readonly part: string;
    };

const PART = /^(\d{1,5})(?:\s*[-–]\s*(\d{1,5})(?:\s*(?:\/|step)\s*(\d{1,4}))?)?$/;
/** More than any bay or connector has. */
const MOST_NUMBERS = 5000;

function partNumbers(part: string): NumberRange {
  const match = PART.exec(part);
  if (match === null) return { ok: false, code: 'not-a-range', part };
  const first = Number(match[1]);
  const last = Number(match[2] ?? match[1]);
  const step = Number(match[3] ?? 1);
  if (step === 0) return { ok: false, code: 'no-step', part };
  const count = Math.floor(Math.abs(last - first) / step) + 1;
  if (count > MOST_NUMBERS) return { ok: false, code: 'too-many', part };
  const direction = last < first ? -step : step;
  return { ok: true, numbers: Array.from({ length: count }, (_, i) => first + i * direction) };
}

/**
 * Reads number ranges: "1-24", "24-1" (downwards), "1-23/2" or "1-23 step 2" (odd numbers), and lists
 * of them: "1-8, 17, 20". The order is kept and nothing is left out or sorted.
 */
export function numberRange(text: string): NumberRange {
  const numbers: number[] = [];
  for (const part of text.split(/[,;]/).map((each) => each.trim())) {
    const read = partNumbers(part);
    if (!read.ok) return read;
    numbers.push(...read.numbers);
  }
  return { ok: true, numbers };
}
