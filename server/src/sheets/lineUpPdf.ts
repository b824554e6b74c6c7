import type { Content, TableCell } from 'pdfmake/interfaces';
import type { LineUpRow } from '@ft/core/views/levels/lineUpSheet';
import { TONE_HZ } from '@ft/core/views/levels/lineUpSheet';
import { formatGain, formatLevel } from '@ft/core/units/format';
import type { SheetHead } from './sheetPdf';
import { sheetPdf } from './sheetPdf';

export interface LineUpPaper extends SheetHead {
  readonly rows: readonly LineUpRow[];
}

const CAUTION = `Turn monitors and phones down before a tone goes out. ${String(TONE_HZ / 1000)} kHz, one channel after the other, with nothing else connected.`;
const HEADS = ['Channel', 'Send', 'Expect', 'VU', 'Read', 'Error dB'] as const;
const WIDTHS = ['*', 80, 80, 50, 110, 70];
/** Room to write by hand. */
const BLANK = '';

const cells = (row: LineUpRow): TableCell[] => [
  row.name,
  formatLevel(row.send, row.sendUnit),
  formatLevel(row.expect, row.expectUnit),
  row.vu === undefined ? BLANK : formatGain(row.vu),
  row.read === undefined ? BLANK : formatLevel(row.read, row.expectUnit),
  row.errorDb === undefined ? BLANK : formatGain(row.errorDb),
];

function deviceTable(device: string, rows: readonly LineUpRow[]): Content[] {
  return [
    { text: device, bold: true, margin: [0, 8, 0, 4] },
    {
      layout: 'lightHorizontalLines',
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: [...WIDTHS],
        body: [HEADS.map((text) => ({ text, bold: true })), ...rows.map(cells)],
      },
    },
  ];
}

/** The line-up sheet as a PDF: device by device, with room to write what was read. */
export function lineUpPdf(paper: LineUpPaper): Promise<Buffer> {
  const devices = [...new Set(paper.rows.map(({ device }) => device))];
  return sheetPdf('Line-up sheet', paper, [
    { text: CAUTION },
    ...devices.flatMap((device) =>
      deviceTable(
        device,
        paper.rows.filter((row) => row.device === device),
      ),
    ),
  ]);
}
