import type { Content, TableCell } from 'pdfmake/interfaces';
import { logCounts, logLength } from '@ft/core/formats/csv/logCsv';
import type { Log } from '@ft/core/takes/applyOps';
import { noteText } from '@ft/core/takes/labels';
import { noteLines, punchLines, takeLines } from '@ft/core/views/takes/logLines';
import { hearsSentence } from '@ft/core/views/takes/punchWords';
import type { Session } from '@ft/core/session/sessionSchema';
import type { SheetHead } from './sheetPdf';
import { sheetPdf } from './sheetPdf';

export interface TakesPaper extends SheetHead {
  readonly log: Log;
  readonly tracks: Session['tracks'];
}

const bold = (text: string): TableCell => ({ text, bold: true });

function table(
  widths: readonly ('auto' | '*' | number)[],
  titles: readonly string[],
  rows: TableCell[][],
): Content {
  return {
    layout: 'lightHorizontalLines',
    fontSize: 8,
    table: { headerRows: 1, dontBreakRows: true, widths: [...widths], body: [titles.map(bold), ...rows] },
  };
}

/** A take with its notes under it, as they are gone through afterwards. */
function takePart({ log, tracks }: TakesPaper): readonly Content[] {
  return takeLines(log, { tracks }).flatMap(
    ({ take, name, from, to, who, tracks: armed, used, of }): Content[] => {
      const head = [
        ...[`${from}–${to || 'runs'}`, who, armed === '' ? '' : `armed: ${armed}`],
        ...[of, take.best === true ? 'best' : '', used === '' ? '' : `used ${used}`, take.text ?? ''],
      ].filter((part) => part !== '');
      const notes = noteLines(log, take.id).map(({ note, time, agreed, by }): TableCell[] => [
        ...[time, noteText(note), agreed === 'yes' ? 'again' : agreed === 'no' ? 'stays' : '', by],
      ]);
      return [
        { text: name, bold: true, margin: [0, 10, 0, 0] },
        { text: head.join(' · '), margin: [0, 0, 0, 2] },
        ...(notes.length === 0 ? [] : [table([60, '*', 50, 130], ['At', 'What', 'Again', 'By'], notes)]),
      ];
    },
  );
}

function punchPart({ log }: TakesPaper): readonly Content[] {
  const lines = punchLines(log);
  if (lines.length === 0) return [];
  const rows = lines.map(({ punch, take, in: from, out, recorded, runs }): TableCell[] => [
    ...[punch.performer, take, from, out, recorded, punch.layer, punch.ends],
    ...[punch.tracks.join(', '), String(runs)],
  ]);
  const titles = ['Who', 'Of', 'In', 'Out', 'Recorded', 'New layer from', 'Ends', 'Armed', 'Runs'];
  return [
    { text: 'To play again', bold: true, margin: [0, 14, 0, 4] },
    table(['auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', '*', 'auto'], titles, rows),
    ...[...new Set(lines.map(({ punch }) => hearsSentence(punch)))].map((text): Content => ({
      ...{ text, fontSize: 8, margin: [0, 4, 0, 0] },
    })),
  ];
}

/** The take log of a session as a PDF: each take with its notes, and what is played again. */
export function takesPdf(paper: TakesPaper): Promise<Buffer> {
  const { log } = paper;
  const content: Content[] =
    log.size === 0
      ? [{ text: 'No take was logged in this session.' }]
      : [
          { text: `${logCounts(log)}; ${logLength(log)} of running.` },
          ...takePart(paper),
          ...punchPart(paper),
        ];
  return sheetPdf('Take log', paper, content);
}
