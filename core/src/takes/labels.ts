import { clockText, startOf } from './counter';
import type { Log } from './applyOps';
import type { LogRow, Note, Punch, Take } from './logRows';

/** Seconds with six places, as label files have them. */
const DIGITS = 6;

/** A line of a label file: a stretch of time, or a moment, and what it is. */
export interface Label {
  readonly fromS: number;
  readonly toS: number;
  readonly text: string;
}

const oneLine = (text: string): string => text.replace(/[\t\r\n]+/g, ' ').trim();

/** A label file: start, end and text, separated by tabs, a line each. Editors read it beside a track. */
export const writeLabels = (labels: readonly Label[]): string =>
  labels
    .map(({ fromS, toS, text }) => `${fromS.toFixed(DIGITS)}\t${toS.toFixed(DIGITS)}\t${oneLine(text)}\n`)
    .join('');

/** Reads a label file; lines that are none are left out. */
export const readLabels = (text: string): readonly Label[] =>
  text.split(/\r?\n/).flatMap((line) => {
    const [from, to, ...words] = line.split('\t');
    const [fromS, toS] = [Number(from), Number(to)];
    return from === undefined || from === '' || to === undefined || Number.isNaN(fromS) || Number.isNaN(toS)
      ? []
      : [{ fromS, toS, text: words.join(' ') }];
  });

export const isTake = (row: LogRow): row is Take => row.kind === 'take';
/** Notes and punches that are crossed out stay, and count no more. */
export const isNote = (row: LogRow): row is Note => row.kind === 'note' && row.struck !== true;
export const isPunch = (row: LogRow): row is Punch => row.kind === 'punch' && row.struck !== true;

/** What a note says, in a few words: "late, bow noise". */
export const noteText = ({ about, text }: Pick<Note, 'about' | 'text'>): string =>
  [about, text].filter((part) => part !== undefined && part !== '').join(', ') || 'note';

/** Takes and notes of a log as labels, by their time. A take that runs still has no end, and is a moment. */
export function labelsOf(log: Log): readonly Label[] {
  const rows = [...log.values()];
  const takes = rows.filter(isTake).map((take): Label => {
    const fromS = startOf(take);
    return { fromS, toS: take.endS ?? fromS, text: `${take.reel} take ${String(take.number)}`.trim() };
  });
  const notes = rows.filter(isNote).map((note): Label => ({
    ...{ fromS: note.counterS, toS: note.counterS, text: noteText(note) },
  }));
  return [...takes, ...notes].sort((a, b) => a.fromS - b.fromS || b.toS - a.toS);
}

/** "0:14:05.3–0:16:00.0". */
export const stretchText = (fromS: number, toS: number): string => `${clockText(fromS)}–${clockText(toS)}`;
