import type * as z from 'zod';
import type { CellReading } from '../text/cellReading';
import { refuse, value } from '../text/cellReading';
import { typedNumber } from '../text/typedNumber';

function fitted(schema: z.ZodType, typed: unknown, text: string): CellReading<unknown> {
  const read = schema.safeParse(typed);
  const because = read.error?.issues[0]?.message;
  return because === undefined ? value(read.data) : refuse(`“${text}” does not fit: ${because}.`);
}

/** A text as a field of a document, refused in the words of its schema. */
export const fittedText = (schema: z.ZodType, text: string): CellReading<unknown> =>
  fitted(schema, text, text);

/** As `fittedText`, for a field that holds a figure. */
export function fittedFigure(schema: z.ZodType, text: string): CellReading<unknown> {
  const figure = typedNumber(text);
  return figure === undefined
    ? refuse(`“${text}” does not fit: it is not a number.`)
    : fitted(schema, figure, text);
}
