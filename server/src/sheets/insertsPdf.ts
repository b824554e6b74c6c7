import type { Content, TableCell } from 'pdfmake/interfaces';
import type { InsertsView, JobRow } from '@ft/core/views/mix/insertsView';
import type { NameLine } from '@ft/core/views/mix/nameList';
import type { SheetHead } from './sheetPdf';
import { sheetPdf } from './sheetPdf';

const bold = (text: string): TableCell => ({ text, bold: true });

const table = (widths: readonly ('auto' | '*' | number)[], body: TableCell[][]): Content => ({
  layout: 'lightHorizontalLines',
  fontSize: 8,
  table: { headerRows: 1, dontBreakRows: true, widths: [...widths], body },
});

const heading = (text: string): Content => ({ text, bold: true, margin: [0, 12, 0, 4] });

const jobCells = (row: JobRow): TableCell[] => [
  String(row.number),
  bold(row.on),
  { text: [bold(row.chain), row.kind === '' ? '' : `\n${row.kind}`] as never },
  row.at,
  row.placing === 'up' || row.state === 'committed' ? row.state : `${row.state}, ${row.placing}`,
  row.out === row.back ? row.out : `${row.out} / ${row.back}`,
  row.sendTrim === '' ? '' : `${row.sendTrim} / ${row.returnTrim}`,
  row.levels.join('\n'),
  row.samples === '' ? '' : `${row.samples} samples, ${row.ms}\n${row.compensation}`,
  [row.trouble, ...row.notes].filter((note) => note !== '').join('; '),
];

const HEADS = ['', 'On', 'Chain', 'Slot', 'State', 'Out / in', 'Trims dB', 'At the units', 'Delay', 'Note'];

/** The insert sheet: jobs, what several want, and each unit's day. */
export function insertsPdf(paper: SheetHead & { readonly view: InsertsView }): Promise<Buffer> {
  const { rows, budget, contentions, days, hostNotes, freeInputs, freeOutputs } = paper.view;
  const none = rows.length === 0;
  const content: Content[] = none
    ? [{ text: 'There are no jobs in this session.' }]
    : [
        table(
          ['auto', 'auto', '*', 'auto', 'auto', 'auto', 'auto', '*', 'auto', '*'],
          [HEADS.map(bold), ...rows.map(jobCells)],
        ),
        { text: [budget.says, ...hostNotes].join(' '), fontSize: 8, margin: [0, 8, 0, 0] },
        {
          text: `Free: outputs ${freeOutputs || 'none'}; inputs ${freeInputs || 'none'}.`,
          ...{ fontSize: 8, margin: [0, 2, 0, 0] },
        },
        ...(contentions.length === 0 ? [] : [heading('Wanted by several')]),
        ...contentions.map(({ says }): Content => ({ text: says, margin: [0, 2, 0, 0] })),
        heading('Each unit’s day'),
        table(
          ['auto', '*'],
          days.map(({ unit, entries }) => [
            bold(unit),
            entries
              .map(({ track, state, when }) => `${track}: ${state}${when === '' ? '' : `, ${when}`}`)
              .join('; '),
          ]),
        ),
      ];
  return sheetPdf('Insert sheet', paper, content);
}

/** The host's name list. */
export function namesPdf(paper: SheetHead & { readonly lines: readonly NameLine[] }): Promise<Buffer> {
  const body = paper.lines.map(({ what, number, name, leads, isOff }): TableCell[] => [
    what,
    number,
    bold(name),
    leads,
    isOff ? 'switch off' : '',
  ]);
  const content: Content[] =
    body.length === 0
      ? [{ text: 'The session has no host.' }]
      : [
          table(
            ['auto', 'auto', '*', '*', 'auto'],
            [['', 'Number', 'Name', 'Connector', ''].map(bold), ...body],
          ),
        ];
  return sheetPdf('Name list', paper, content);
}
