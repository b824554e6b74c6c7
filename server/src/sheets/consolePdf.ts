import type { Content, TableCell } from 'pdfmake/interfaces';
import type { ChannelColumnView } from '@ft/core/views/consoles/cellEditor';
import type { ChannelRowView, ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import type { SheetHead } from './sheetPdf';
import { sheetPdf } from './sheetPdf';

export interface ConsolePaper extends SheetHead {
  readonly sheet: ChannelSheetView;
}

/** As many columns as can be read side by side on a page that lies down. */
const MOST_COLUMNS = 14;

/** Cells that say nothing that would have to be set: they are left white, as on a track sheet. */
const SILENT = new Set(['off', 'none', '0', 'C']);

const shown = (text: string | undefined): string =>
  text === undefined || SILENT.has(text) ? '' : text === 'on' ? '✓' : text;

/** The rows this job uses; all of them where it uses none. */
function usedRows({ rows }: ChannelSheetView): readonly ChannelRowView[] {
  const used = rows.filter(({ isUsed }) => isUsed);
  return used.length > 0 ? used : rows;
}

function table(columns: readonly ChannelColumnView[], rows: readonly ChannelRowView[]): Content {
  const head: TableCell[] = [
    'Row',
    'Carries',
    ...columns.map(({ title, unit }) => (unit === undefined ? title : `${title} ${unit}`)),
  ];
  const body = rows.map((row): TableCell[] => [
    { text: row.name, bold: true },
    row.carries,
    ...columns.map(({ id }) => shown(row.texts[id])),
  ]);
  return {
    layout: 'lightHorizontalLines',
    fontSize: 7.5,
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: ['auto', 90, ...columns.map(() => 'auto' as const)],
      body: [head.map((cell) => ({ text: cell as string, bold: true })), ...body],
    },
  };
}

/** A section of the console: its columns in as many tables as a page is wide, and where its rows lead. */
function sectionPages(sheet: ChannelSheetView, section: string, rows: readonly ChannelRowView[]): Content[] {
  const columns = sheet.columns.filter(({ id }) => rows.some(({ texts }) => shown(texts[id]) !== ''));
  const pages = Array.from({ length: Math.max(1, Math.ceil(columns.length / MOST_COLUMNS)) }, (_, i) =>
    columns.slice(i * MOST_COLUMNS, (i + 1) * MOST_COLUMNS),
  );
  const leading = rows.filter(({ leads }) => leads !== '');
  return [
    { text: section, bold: true, margin: [0, 10, 0, 4] },
    ...pages.map((page) => table(page, rows)),
    ...(leading.length === 0
      ? []
      : [
          {
            text: leading.map(({ name, leads }) => `${name} → ${leads}`).join('; '),
            fontSize: 7.5,
            margin: [0, 4, 0, 0] as [number, number, number, number],
          },
        ]),
  ];
}

/** The channel sheet of a console as a PDF: what this job uses, section by section. */
export function consolePdf(paper: ConsolePaper): Promise<Buffer> {
  const { sheet } = paper;
  const rows = usedRows(sheet);
  return sheetPdf(
    sheet.name,
    paper,
    sheet.sections.flatMap(({ id, title }) => {
      const own = rows.filter(({ section }) => section === id);
      return own.length === 0 ? [] : sectionPages(sheet, title, own);
    }),
  );
}
