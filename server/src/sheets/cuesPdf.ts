import type { Content, TableCell } from 'pdfmake/interfaces';
import { earFacts } from '@ft/core/views/cues/earFacts';
import type { CueRowView, CueSheetView, CueView } from '@ft/core/views/cues/cueSheetView';
import type { EarView } from '@ft/core/views/cues/earView';
import type { SheetHead } from './sheetPdf';
import { sheetPdf } from './sheetPdf';

export interface CuesPaper extends SheetHead {
  readonly sheet: CueSheetView;
}

/** As many cues as can be read side by side. */
const MOST_COLUMNS = 9;

const bold = (text: string): TableCell => ({ text, bold: true });

const table = (widths: readonly ('auto' | '*' | number)[], body: TableCell[][]): Content => ({
  layout: 'lightHorizontalLines',
  fontSize: 8,
  table: { headerRows: 1, dontBreakRows: true, widths: [...widths], body },
});

/** Sources against cues, without what is off: white means not heard. */
function levelsTable(rows: readonly CueRowView[], cues: readonly CueView[]): Content {
  const heard = rows.filter(({ texts }) => cues.some(({ id }) => (texts[id] ?? 'off') !== 'off'));
  const cell = (text: string | undefined): string => (text === undefined || text === 'off' ? '' : text);
  return table(
    [150, ...cues.map(() => '*' as const)],
    [
      ['', ...cues.map(({ name }) => bold(name))],
      ['', ...cues.map(({ carrier }) => ({ text: carrier, fontSize: 7 }))],
      ...heard.map((row): TableCell[] => [
        `${row.name}${row.isClick ? ' (click)' : ''}`,
        ...cues.map(({ id }) => cell(row.texts[id])),
      ]),
    ],
  );
}

const earRow = (ear: EarView): TableCell[] => [
  ear.cueName,
  bold(ear.isLying ? 'nobody' : ear.performerName),
  `${ear.name} (${ear.kind})`,
  ear.volume?.box ?? '',
  earFacts(ear).join(', '),
];

const CAUTION =
  'Volumes stay down and headphones off heads until a level is heard. Levels are planned, not measured; local rules on hearing come first.';

/** Who hears what, and on which box: the cue sheet of a scene as a PDF. */
export function cuesPdf(paper: CuesPaper): Promise<Buffer> {
  const { cues, rows, ears } = paper.sheet;
  const pages = Array.from({ length: Math.ceil(cues.length / MOST_COLUMNS) }, (_, i) =>
    cues.slice(i * MOST_COLUMNS, (i + 1) * MOST_COLUMNS),
  );
  const content: Content[] =
    cues.length === 0
      ? [{ text: 'There are no cues in this scene.' }]
      : [
          ...pages.map((page) => levelsTable(rows, page)),
          { text: 'Who hears it', bold: true, margin: [0, 12, 0, 4] },
          table(
            ['auto', 'auto', 'auto', 'auto', '*'],
            [['Cue', 'Who', 'Headphones', 'Box', 'At the ear'].map(bold), ...ears.map(earRow)],
          ),
          { text: CAUTION, fontSize: 8, margin: [0, 10, 0, 0] },
        ];
  return sheetPdf('Cue sheet', paper, content);
}
