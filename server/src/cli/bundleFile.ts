import { readFileSync } from 'node:fs';
import { readBundle } from '@ft/core/formats/bundle';
import { decodeText } from '@ft/core/formats/decodeText';
import type { Studio } from '@ft/core/session/studioSchema';
import { didYouMean, nearestNames } from '@ft/core/text/nearestName';
import { problemLine } from '@ft/core/words/problemWording';
import { BadInput } from './badInput';

function bytesOf(file: string, hint: string): Buffer {
  try {
    return readFileSync(file);
  } catch {
    throw new BadInput(`There is no readable file “${file}”. ${hint}`);
  }
}

/** A table in a file, as text. Throws `BadInput` where it cannot be read. */
export function tableIn(file: string): string {
  const decoded = decodeText(bytesOf(file, 'Give the path of a table, CSV or tab-separated.'));
  if (!decoded.ok) throw new BadInput(`${file}: ${decoded.sentence}`);
  return decoded.text;
}

function textOf(file: string): string {
  const decoded = decodeText(bytesOf(file, 'Give the path of a *.thread.json bundle.'));
  if (!decoded.ok) throw new BadInput(`${file} is not a usable bundle: it is no text.`);
  return decoded.text;
}

/** The studio in a bundle. Throws `BadInput` with every problem and its place. */
export function studioIn(file: string): Studio {
  const reading = readBundle(textOf(file));
  if (reading.ok) return reading.studio;
  const lines = reading.problems.map((problem) => `  ${problemLine(problem)}`);
  throw new BadInput(`${file} is not a usable bundle:\n${lines.join('\n')}`);
}

/** Finds a session or scene by name or id; without one asked for, the first. */
export function named<T extends { readonly id: string; readonly name: string }>(
  items: readonly T[],
  wanted: string | undefined,
  what: string,
): T {
  const byId = items.find(({ id }) => id === wanted);
  const byName = items.filter(({ name }) => name === wanted);
  if (byId === undefined && byName.length > 1)
    throw new BadInput(
      `There are ${String(byName.length)} called “${wanted ?? ''}”. Say which by its id: ${byName.map(({ id }) => id).join(', ')}.`,
    );
  const found = wanted === undefined ? items[0] : (byId ?? byName[0]);
  if (found !== undefined) return found;
  const there = items.map((item) => `“${item.name}”`).join(', ') || 'none';
  const near = nearestNames(
    wanted ?? '',
    items.map(({ name }) => name),
  );
  throw new BadInput(`There is no ${what} “${wanted ?? ''}”. The bundle has: ${there}.${didYouMean(near)}`);
}
