import type * as z from 'zod';
import type { Edit } from '../../edits/make';
import { editSet, fieldRead } from '../../edits/make';
import type { Adaptor, CordStock } from '../../rig/rigSchema';
import { adaptorSchema, stockSchema } from '../../rig/rigSchema';
import type { CellReading } from '../../text/cellReading';
import { value } from '../../text/cellReading';
import { fittedFigure, fittedText } from '../fittedCell';

/** What of cords and adaptors on the hook can be typed into their line. */
export type StockField = 'name' | 'lengthM' | 'colour' | 'count';
export type AdaptorField = 'name' | 'count';

const fits = (schema: z.ZodType, field: StockField, text: string): CellReading<unknown> =>
  field === 'lengthM' || field === 'count' ? fittedFigure(schema, text) : fittedText(schema, text);

/** A text for a cell of the list of cords. */
export function stockCell(stock: CordStock, field: StockField, text: string): CellReading<readonly Edit[]> {
  const read = fits(stockSchema.shape[field], field, text);
  if (!read.ok) return read;
  return value([editSet('stock', {}, stock.id, fieldRead('stock', field, read.value, stock[field]))]);
}

/** A text for a cell of the list of adaptors. */
export function adaptorCell(
  adaptor: Adaptor,
  field: AdaptorField,
  text: string,
): CellReading<readonly Edit[]> {
  const read = fits(adaptorSchema.shape[field], field, text);
  if (!read.ok) return read;
  return value([editSet('adaptor', {}, adaptor.id, fieldRead('adaptor', field, read.value, adaptor[field]))]);
}
