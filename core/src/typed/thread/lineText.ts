import { threadSchema } from '../../session/sessionSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { typedNumber } from '../../text/typedNumber';

/** Fields of a line that are figures; the others that are typed are texts. */
export const LINE_FIGURES = ['number', 'levelDbSpl', 'levelDbu', 'crestDb', 'distanceM'] as const;
export type LineFigure = (typeof LINE_FIGURES)[number];
export type LineText = 'performer' | 'source' | 'trackName';

export const isLineFigure = (field: string): field is LineFigure =>
  (LINE_FIGURES as readonly string[]).includes(field);

function readFigure(field: LineFigure, text: string): CellReading<number | null> {
  const figure = typedNumber(text);
  if (figure === undefined && (text.trim() !== '' || field === 'number'))
    return refuse(`“${text}” is not a number. Type one, such as 88.`);
  const checked = threadSchema.shape[field].safeParse(figure);
  return checked.success
    ? value(figure ?? null)
    : refuse(`“${text}” does not fit: ${checked.error.issues[0]?.message ?? 'out of range'}.`);
}

/** What was typed for a text or a figure of a line; an emptied figure is null. */
export const readLineText = (
  field: LineFigure | LineText,
  text: string,
): CellReading<string | number | null> =>
  isLineFigure(field) ? readFigure(field, text) : value(text.trim());
