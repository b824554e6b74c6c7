import type { Content, TableCell } from 'pdfmake/interfaces';
import type { FindingView } from '@ft/core/views/findingView';
import type { PatchLine } from '@ft/core/views/bay/patchList';
import type { SheetHead } from './sheetPdf';
import { sheetPdf } from './sheetPdf';

/** What the paper shows: the cords, and what was found. */
export interface PatchSheet extends SheetHead {
  readonly lines: readonly PatchLine[];
  readonly findings: readonly FindingView[];
}

/** A box to tick with a pencil, ticked where the cord is in already. */
const tickBox = (ticked: boolean): Content => ({
  canvas: [
    { type: 'rect', x: 0, y: 1, w: 9, h: 9, lineWidth: 0.7 },
    ...(ticked
      ? [
          {
            type: 'polyline' as const,
            lineWidth: 1.2,
            points: [
              { x: 1.5, y: 5.5 },
              { x: 4, y: 8 },
              { x: 8, y: 2 },
            ],
          },
        ]
      : []),
  ],
});

const CAUTION =
  'Before you plug: mute monitors and phones, and switch 48 V off on every line touched at a jack bay. House rules come first.';

const HEADS = ['', 'From', 'To', 'Cord', 'Thread', 'Breaks normal', 'Why'] as const;
const WIDTHS = [14, '*', '*', 90, '*', '*', '*'];

const lineCells = (line: PatchLine): TableCell[] => [
  tickBox(line.plugged),
  line.from,
  line.to,
  line.cordKind,
  line.thread,
  line.breaks.join('\n'),
  line.why,
];

/** The lines of one room under its name. */
function roomTable(sheet: PatchSheet, room: string): Content[] {
  const lines = sheet.lines.filter((line) => line.room === room);
  return [
    { text: room, bold: true, margin: [0, 8, 0, 4] },
    {
      layout: 'lightHorizontalLines',
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: [...WIDTHS],
        body: [HEADS.map((text) => ({ text, bold: true })), ...lines.map(lineCells)],
      },
    },
  ];
}

/** The font of the paper has no arrows. */
const onPaper = (text: string): string => text.replaceAll(' → ', ' to ');

/** What is wrong with the scene, and what was waived and why: the person at the bay should know both. */
function findingList({ findings }: PatchSheet): Content[] {
  if (findings.length === 0) return [];
  const lines = findings.map(({ severity, wrong, remedy, waivedFor }): Content =>
    waivedFor === undefined
      ? { text: [{ text: `${severity}: `, bold: true }, onPaper(`${wrong} ${remedy}`)], margin: [0, 2, 0, 0] }
      : {
          text: [{ text: 'waived: ', bold: true }, onPaper(`${wrong} Reason: ${waivedFor}`)],
          margin: [0, 2, 0, 0],
        },
  );
  return [{ text: 'Findings', bold: true, margin: [0, 12, 0, 2] }, ...lines];
}

/** The patch list as a PDF: black on white, a box to tick for every cord. */
export function patchListPdf(sheet: PatchSheet): Promise<Buffer> {
  const rooms = [...new Set(sheet.lines.map((line) => line.room))];
  return sheetPdf('Patch list', sheet, [
    { text: CAUTION },
    ...rooms.flatMap((room) => roomTable(sheet, room)),
    ...findingList(sheet),
  ]);
}
