import { readClock } from '@ft/core/takes/counter';
import { NOTE_KINDS } from '@ft/core/takes/logRows';
import type { NoteLine, PunchLine, TakeLine } from '@ft/core/views/takes/logLines';
import type { SheetColumn } from '../../ui/sheet/sheet-column';

export const TAKE_COLUMNS: readonly SheetColumn<TakeLine>[] = [
  { id: 'name', title: 'Take', widthPx: 120, isLeading: true, text: ({ name }) => name },
  { id: 'from', title: 'From', widthPx: 84, isFigure: true, text: ({ from }) => from },
  { id: 'to', title: 'To', widthPx: 84, isFigure: true, text: ({ to }) => (to === '' ? 'runs' : to) },
  { id: 'notes', title: 'Notes', widthPx: 56, isFigure: true, text: ({ notes }) => String(notes) },
  {
    id: 'best',
    title: 'Best',
    widthPx: 54,
    editor: 'switch',
    text: ({ take }) => (take.best === true ? 'on' : 'off'),
  },
  {
    ...{ id: 'used', title: 'Used', widthPx: 150, editor: 'text' },
    hint: 'Stretches of it that are used: 1:02-1:30; 2:00-2:10',
    text: ({ used }) => used,
  },
  { id: 'text', title: 'Remark', widthPx: 190, editor: 'text', text: ({ take }) => take.text ?? '' },
  { id: 'who', title: 'Who', widthPx: 190, text: ({ who }) => who },
  {
    ...{ id: 'tracks', title: 'Armed', widthPx: 150 },
    text: ({ tracks, gone }) =>
      gone.length === 0 ? tracks : `${tracks} (not here any more: ${gone.join(', ')})`,
  },
  { id: 'of', title: 'Run of', widthPx: 170, text: ({ of }) => of },
];

export const NOTE_COLUMNS: readonly SheetColumn<NoteLine>[] = [
  {
    id: 'time',
    title: 'At',
    widthPx: 84,
    isFigure: true,
    editor: 'text',
    isRequired: true,
    text: ({ time }) => time,
  },
  {
    ...{ id: 'about', title: 'About', widthPx: 80, editor: 'text' },
    hint: NOTE_KINDS.map((kind, i) => `${String(i + 1)} ${kind}`).join(', '),
    text: ({ note }) => note.about ?? '',
  },
  { id: 'text', title: 'What', widthPx: 260, editor: 'text', text: ({ note }) => note.text ?? '' },
  {
    ...{ id: 'agreed', title: 'Again', widthPx: 70, editor: 'text' },
    hint: 'yes makes a punch of it; no keeps it as it is',
    text: ({ agreed }) => agreed,
  },
  { id: 'take', title: 'Take', widthPx: 120, text: ({ take }) => take },
  { id: 'by', title: 'By', widthPx: 170, text: ({ by }) => by },
];

const seconds = (value: number): string => String(value);

export const PUNCH_COLUMNS: readonly SheetColumn<PunchLine>[] = [
  { id: 'performer', title: 'Who', widthPx: 140, isLeading: true, text: ({ punch }) => punch.performer },
  {
    id: 'in',
    title: 'In',
    widthPx: 84,
    isFigure: true,
    editor: 'text',
    isRequired: true,
    text: (line) => line.in,
  },
  {
    id: 'out',
    title: 'Out',
    widthPx: 84,
    isFigure: true,
    editor: 'text',
    isRequired: true,
    text: ({ out }) => out,
  },
  {
    ...{ id: 'preRollS', title: 'Pre-roll', unit: 's', widthPx: 64, isFigure: true, editor: 'figure' },
    text: ({ punch }) => seconds(punch.preRollS),
  },
  {
    ...{ id: 'postRollS', title: 'Post-roll', unit: 's', widthPx: 68, isFigure: true, editor: 'figure' },
    text: ({ punch }) => seconds(punch.postRollS),
  },
  {
    ...{ id: 'layer', title: 'New layer from', widthPx: 112, editor: 'text' },
    hint: 'last take, or nothing',
    text: ({ punch }) => punch.layer,
  },
  {
    ...{ id: 'ends', title: 'Ends', widthPx: 112, editor: 'text' },
    hint: 'at out, by hand, or again and again',
    text: ({ punch }) => punch.ends,
  },
  { id: 'recorded', title: 'Recorded', widthPx: 150, text: ({ recorded }) => recorded },
  { id: 'runs', title: 'Runs', widthPx: 50, isFigure: true, text: ({ runs }) => String(runs) },
  { id: 'tracks', title: 'Armed', widthPx: 170, text: ({ punch }) => punch.tracks.join(', ') },
  { id: 'take', title: 'Of', widthPx: 120, text: ({ take }) => take },
];

/** "1:02-1:30; 2:00-2:10" as stretches; undefined where it is none. */
export function readStretches(text: string): readonly { fromS: number; toS: number }[] | undefined {
  const parts = text.split(/[;,]/).map((part) => part.trim());
  const found = parts
    .filter((part) => part !== '')
    .map((part) => {
      const [from, to, more] = part.split(/[-–]/).map((each) => readClock(each));
      return from === undefined || to === undefined || more !== undefined || to <= from
        ? undefined
        : { fromS: from, toS: to };
    });
  return found.every((stretch) => stretch !== undefined) ? found : undefined;
}
