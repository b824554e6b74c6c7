import type { School, Sound, Sum } from '../../session/sumSchema';
import { SCHOOLS, SOUNDS } from '../../session/sumSchema';
import type { CellReading } from '../../text/cellReading';
import { all, parts, refuse, value } from '../../text/cellReading';
import { didYouMean, nearestNames } from '../../text/nearestName';

/** "3", "3–4". */
export const inputsText = (inputs: readonly number[]): string =>
  inputs.length < 2 ? String(inputs[0] ?? '') : `${String(inputs[0])}–${String(inputs.at(-1))}`;

/** An input, or two side by side: "3", "3-4". @param count how many there are. */
export function readInputs(text: string, count: number): CellReading<number[]> {
  const match = /^(\d+)(?:\s*[-–]\s*(\d+))?$/.exec(text.trim());
  const first = Number(match?.[1] ?? NaN);
  const last = match?.[2] === undefined ? first : Number(match[2]);
  if (match === null || last < first || last - first > 1)
    return refuse(`“${text}” is no place of a sum. Write one input, 3, or two side by side, 3–4.`);
  if (first < 1 || last > count)
    return refuse(`There is no input ${String(last > count ? last : first)}: the sum has ${String(count)}.`);
  return value(last === first ? [first] : [first, last]);
}

/** One's own school: "1, 2, 3-4, 5-6". Every input once. */
export function readLayout(text: string, count: number): CellReading<NonNullable<Sum['layout']>> {
  const read = all(parts(text, /[,;]/).map((part) => readInputs(part, count)));
  if (!read.ok) return read;
  if (read.value.length === 0) return refuse('Write the places in order: 1, 2, 3–4, 5–6.');
  const flat = read.value.flat();
  const twice = flat.find((n, i) => flat.indexOf(n) < i);
  return twice === undefined ? read : refuse(`Input ${String(twice)} stands in two places. Leave it in one.`);
}

function oneOf<T extends string>(list: readonly T[], what: string, text: string): CellReading<T> {
  const plain = text.trim().toLowerCase();
  const found =
    list.find((each) => each === plain) ?? list.find((each) => plain !== '' && each.startsWith(plain));
  if (found !== undefined) return value(found);
  const hint = didYouMean(nearestNames(plain, list)) || ` There are ${list.join(', ')}.`;
  return refuse(`“${text}” is no ${what}.${hint}`);
}

export const readSound = (text: string): CellReading<Sound> => oneOf(SOUNDS, 'kind of sound', text);
export const readSchool = (text: string): CellReading<School> => oneOf(SCHOOLS, 'school', text);
