import type { SheetPart } from '@ft/core/rig/sheets/channelSheet';
import { SHEET_PARTS } from '@ft/core/rig/sheets/channelSheet';
import type { ChannelColumnView } from '@ft/core/views/consoles/cellEditor';
import type { ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { headingWidthPx } from '../../ui/sheet/heading-width';
import type { SheetColumn } from '../../ui/sheet/sheet-column';
import type { ConsoleRow } from './console-row';

type Column = SheetColumn<ConsoleRow>;

const WIDTHS_PX: Readonly<Record<ChannelColumnView['editor'], number>> = {
  text: 86,
  figure: 66,
  choice: 128,
  switch: 62,
};

/** Seldom looked at: what equaliser and dynamics do to the level. */
const FOLDED = new Set(['eqGain', 'dynamicsGain']);

const said = (
  id: string,
  title: string,
  widthPx: number,
  text: (row: Extract<ConsoleRow, { kind: 'row' }>['row']) => string,
  hint: string,
): Column => ({
  ...{ id, title, widthPx, hint },
  text: (line) => (line.kind === 'row' ? text(line.row) : ''),
});

const NAME: Column = {
  ...{ id: 'name', title: 'Row', widthPx: 138, isLeading: true },
  text: (line) => (line.kind === 'row' ? line.row.name : `${line.title} (${String(line.rows)})`),
};
const CARRIES = said(
  'carries',
  'Carries',
  150,
  ({ carries }) => carries,
  'The line it carries, or what plays there',
);
const UNIT = said('unit', 'Unit in it', 120, ({ unit }) => unit, 'What hangs on the insert point');
const LEADS = said('leads', 'Leads to', 190, ({ leads }) => leads, 'Where it goes physically');

/** Off, or listening to nothing: it is there, and not what one looks for. */
const QUIET = new Set(['off', 'none']);

/** A column of knobs; a row that has none there is shut. */
const knobColumn = ({ id, title, unit, hint, editor }: ChannelColumnView): Column => ({
  ...{ id, title, editor, widthPx: Math.max(WIDTHS_PX[editor], headingWidthPx(title)) },
  isFolded: FOLDED.has(id),
  ...(unit !== undefined && { unit }),
  ...(hint !== undefined && { hint }),
  isFigure: editor === 'figure' || editor === 'text',
  isShut: (line) => line.kind !== 'row' || line.row.texts[id] === undefined,
  isQuiet: (line) => line.kind === 'row' && QUIET.has(line.row.texts[id] ?? ''),
  text: (line) => (line.kind === 'row' ? (line.row.texts[id] ?? '') : ''),
});

/** Which columns are looked at: all, or those of one part of the way. */
export const COLUMN_LOOKS = [
  { value: 'all', name: 'All columns', parts: SHEET_PARTS },
  { value: 'input', name: 'Source and preamp', parts: ['source', 'preamp'] },
  { value: 'path', name: 'Inserts and processing', parts: ['source', 'inserts', 'processing'] },
  { value: 'sends', name: 'Sends', parts: ['source', 'sends'] },
  { value: 'mix', name: 'Mix and faders', parts: ['source', 'mix', 'fader'] },
] as const satisfies readonly { value: string; name: string; parts: readonly SheetPart[] }[];
export type ColumnLook = (typeof COLUMN_LOOKS)[number]['value'];

/** The columns of a look that the rows in sight have at all. */
export function channelColumns(
  sheet: ChannelSheetView,
  lines: readonly ConsoleRow[],
  look: ColumnLook,
): readonly Column[] {
  const rows = lines.flatMap((line) => (line.kind === 'row' ? [line.row] : []));
  const parts: readonly SheetPart[] = COLUMN_LOOKS.find(({ value }) => value === look)?.parts ?? SHEET_PARTS;
  const knobs = sheet.columns.filter(
    ({ id, part }) => parts.includes(part) && rows.some(({ texts }) => texts[id] !== undefined),
  );
  const has = (text: (row: (typeof rows)[number]) => string): boolean => rows.some((row) => text(row) !== '');
  return [
    NAME,
    CARRIES,
    ...knobs.flatMap((column) => [
      knobColumn(column),
      ...(column.id === 'insert' && has(({ unit }) => unit) ? [UNIT] : []),
    ]),
    ...(has(({ leads }) => leads) ? [LEADS] : []),
  ];
}
