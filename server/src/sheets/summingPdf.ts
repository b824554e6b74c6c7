import type { Content, TableCell } from 'pdfmake/interfaces';
import type { StemRow } from '@ft/core/views/mix/stemRow';
import type { SummingView, SumView } from '@ft/core/views/mix/summingView';
import type { SheetHead } from './sheetPdf';
import { sheetPdf } from './sheetPdf';

const bold = (text: string): TableCell => ({ text, bold: true });

const HEADS = [
  ...[
    'Inputs',
    'Stem',
    'Because',
    'Output',
    'Converter',
    'Drive',
    'Room',
    'Share',
    'Fader',
    'Late',
    'Switches',
  ],
];

/** What a knob is set to, where it is on or no switch. */
const knob = ({ knobs }: StemRow, id: string, says: (text: string) => string): string =>
  knobs[id] === undefined || knobs[id] === 'off' ? '' : says(knobs[id]);

const stemCells = (row: StemRow): TableCell[] => [
  bold(row.place),
  bold(row.name),
  row.trouble === '' ? row.reason : row.trouble,
  row.output,
  row.converter,
  row.level,
  row.room,
  row.share === '' ? '' : `${row.share}, ${row.underSum}`,
  row.fader,
  row.offset,
  [
    knob(row, 'gain', (text) => `${text} dB`),
    knob(row, 'mono', () => 'mono'),
    knob(row, 'boost', () => 'boost'),
  ]
    .filter((part) => part !== '')
    .join(', '),
];

function sumContent(sum: SumView): Content[] {
  const free = `free inputs: ${sum.freeInputs || 'none'}`;
  return [
    {
      text: [
        sum.name,
        sum.mixers.join(', then '),
        sum.school,
        free,
        `printed on ${sum.print || 'nothing yet'}`,
      ].join(' · '),
      ...{ bold: true, margin: [0, 8, 0, 4] },
    },
    {
      layout: 'lightHorizontalLines',
      fontSize: 8,
      table: {
        ...{ headerRows: 1, dontBreakRows: true },
        widths: HEADS.map((head) => (head === 'Because' ? '*' : 'auto')),
        body: [HEADS.map(bold), ...sum.rows.map(stemCells)],
      },
    },
    ...sum.remarks.map((text): Content => ({ text, margin: [0, 3, 0, 0] })),
  ];
}

/** The summing sheet: stems against inputs, and what each does there. */
export function summingPdf(paper: SheetHead & { readonly view: SummingView }): Promise<Buffer> {
  const { sums } = paper.view;
  const content: Content[] =
    sums.length === 0 ? [{ text: 'There are no sums in this scene.' }] : sums.flatMap(sumContent);
  return sheetPdf('Summing sheet', paper, content);
}
