import type { Content, TableCell } from 'pdfmake/interfaces';
import type { BusRow } from '@ft/core/views/mix/desk/deskMixView';
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
    knob(row, 'groups', (text) => (text === 'none' ? '' : `groups ${text}`)),
    knob(row, 'vca', (text) => (text === 'none' ? '' : text)),
    knob(row, 'pan', (text) => text),
    row.unit,
    row.recorded === '' ? '' : `recorded on ${row.recorded}`,
  ]
    .filter((part) => part !== '')
    .join(', '),
];

const BUS_HEADS = ['Bus', 'From', 'Unit in it', 'Fader', 'Level', 'Room', 'Leads to'];

const busCells = ({ name, from, unit, knobs, level, room, leads }: BusRow): TableCell[] => [
  ...[bold(name), from, unit, knobs['fader'] ?? '', level, room, leads],
];

const table = (heads: readonly string[], wide: string, rows: readonly TableCell[][]): Content => ({
  layout: 'lightHorizontalLines',
  fontSize: 8,
  table: {
    ...{ headerRows: 1, dontBreakRows: true },
    widths: heads.map((head) => (head === wide ? '*' : 'auto')),
    body: [heads.map(bold), ...rows],
  },
});

/** The buses of the console it is mixed on. */
const busContent = ({ desk }: SumView): Content[] =>
  desk === undefined
    ? []
    : [
        { text: `Buses of ${desk.name}`, bold: true, margin: [0, 8, 0, 4] },
        table(BUS_HEADS, 'From', desk.buses.map(busCells)),
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
    table(HEADS, 'Because', sum.rows.map(stemCells)),
    ...busContent(sum),
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
