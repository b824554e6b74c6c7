import { formatNumber } from '@ft/core/units/format';
import { typedNumber } from '@ft/core/text/typedNumber';
import type { CellReading } from '@ft/core/text/cellReading';
import { all, parts, refuse, value } from '@ft/core/text/cellReading';

/** One choice of a field. */
export interface FieldChoice {
  readonly value: string | number;
  readonly name: string;
}

/** A field of a form: what it is called, and how what is typed is read. */
export interface FormField {
  readonly key: string;
  readonly label: string;
  readonly unit?: string;
  /** `figures` is a list of them, `rows` a table of its own inside the form. */
  readonly kind: 'text' | 'figure' | 'figures' | 'choice' | 'switch' | 'rows';
  readonly choices?: readonly FieldChoice[];
  /** Of a `text`: what is offered while it is typed, as far as it is known by then. */
  readonly offers?: () => readonly { readonly name: string }[];
  /** What an empty field means. */
  readonly typical?: string;
  readonly widthRem?: number;
}

function readFigure(text: string): CellReading<number> {
  const figure = typedNumber(text);
  return figure === undefined ? refuse(`“${text.trim()}” is not a number.`) : value(figure);
}

/** What stands in a field, as the schema wants it; undefined where nothing does. */
export function readField({ kind }: FormField, entry: unknown): CellReading<unknown> {
  if (typeof entry !== 'string' || kind === 'choice') return value(entry);
  const text = entry.trim();
  if (text === '') return value(undefined);
  if (kind === 'figure') return readFigure(text);
  return kind === 'figures' ? all(parts(text, /[\s;]+/).map(readFigure)) : value(text);
}

/** A stored value as a person would type it, or choose it. */
export function entryOf({ kind }: FormField, stored: unknown): unknown {
  if (kind === 'choice' || kind === 'rows') return stored;
  if (Array.isArray(stored) && stored.every((each) => typeof each === 'number'))
    return stored.map(formatNumber).join(' ');
  return typeof stored === 'number' ? formatNumber(stored) : (stored ?? '');
}
