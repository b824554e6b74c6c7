import * as z from 'zod';
import type { StockField } from '@ft/core/actions/rig/hookCell';
import { stockCell } from '@ft/core/actions/rig/hookCell';
import { CONNECTORS } from '@ft/core/rig/connector';
import type { CordStock } from '@ft/core/rig/rigSchema';
import { stockSchema } from '@ft/core/rig/rigSchema';
import { formatNumber } from '@ft/core/units/format';
import type { FormField } from '../../../ui/form/form-field';
import type { TakingColumn } from '../../../ui/sheet/cell-takers';
import { plugField } from './plug-field';

const typed = (
  field: StockField,
  column: Omit<TakingColumn<CordStock>, 'id' | 'take'>,
): TakingColumn<CordStock> => ({
  ...column,
  id: field,
  take: (stock, text) => stockCell(stock, field, text),
});

/** The cords on the hook as a sheet. */
export const STOCK_COLUMNS: readonly TakingColumn<CordStock>[] = [
  typed('name', {
    ...{ title: 'Cord', widthPx: 220, editor: 'text', isRequired: true },
    text: ({ name }) => name,
  }),
  {
    ...{ id: 'plugs', title: 'Connectors', widthPx: 150 },
    text: ({ connectors: [a, b] }) => `${a} – ${b}`,
  },
  typed('lengthM', {
    ...{ title: 'Length', unit: 'm', widthPx: 80, editor: 'figure', isFigure: true, isRequired: true },
    text: ({ lengthM }) => formatNumber(lengthM),
  }),
  typed('colour', { title: 'Colour', widthPx: 120, editor: 'text', text: ({ colour }) => colour }),
  typed('count', {
    ...{ title: 'Number', widthPx: 80, editor: 'figure', isFigure: true, isRequired: true },
    text: ({ count }) => String(count),
  }),
];

export const STOCK_FIELDS: readonly FormField[] = [
  { key: 'name', label: 'Name of the cord', kind: 'text', widthRem: 12 },
  plugField('a', 'One connector'),
  plugField('b', 'Other connector'),
  { key: 'lengthM', label: 'Length in metres', kind: 'figure', widthRem: 5 },
  { key: 'colour', label: 'Colour', kind: 'text', widthRem: 8 },
  { key: 'count', label: 'Number of cords', kind: 'figure', widthRem: 5 },
];

const { name, lengthM, colour, count } = stockSchema.shape;
/** What the form holds: the two connectors apart. */
export const stockEntrySchema = z.object({
  ...{ name, lengthM, count, a: z.enum(CONNECTORS), b: z.enum(CONNECTORS), colour: colour.optional() },
});
