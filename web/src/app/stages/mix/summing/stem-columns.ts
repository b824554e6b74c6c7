import type { StemRow } from '@ft/core/views/mix/stemRow';
import type { SumView } from '@ft/core/views/mix/summingView';
import type { SheetColumn } from '../../../ui/sheet/sheet-column';
import { deskColumn } from './desk-column';

const WIDTHS: Readonly<Record<number, string>> = { 1: 'mono', 2: 'stereo' };

/** Where each stem stands, and why. */
const PLACE: readonly SheetColumn<StemRow>[] = [
  { id: 'name', title: 'Stem', widthPx: 84, isLeading: true, text: ({ name }) => name },
  {
    id: 'sides',
    title: '',
    widthPx: 52,
    text: ({ sides }) => WIDTHS[sides] ?? String(sides),
    isQuiet: () => true,
  },
  {
    ...{ id: 'sound', title: 'Sound', widthPx: 84, editor: 'choice', isRequired: true },
    hint: 'What hits, bass and lead voice stand alone; long sounds and effects share',
    text: ({ sound }) => sound,
  },
  {
    ...{ id: 'place', title: 'Inputs', widthPx: 60, editor: 'text', isFigure: true },
    hint: 'Typed, it never moves; emptied, it is given out again',
    text: ({ place }) => place,
  },
  {
    ...{ id: 'reason', title: 'Because', widthPx: 196 },
    text: ({ reason, trouble }) => (trouble === '' ? reason : `▲ ${trouble}`),
  },
  { id: 'output', title: 'Output', widthPx: 58, isFigure: true, text: ({ output }) => output },
  {
    ...{ id: 'converter', title: 'Converter', isFolded: true, widthPx: 190 },
    hint: 'Host output n is not line output m where a matrix stands between',
    text: ({ converter }) => converter,
  },
];

/** What it does there. */
const DOES: readonly SheetColumn<StemRow>[] = [
  {
    id: 'level',
    title: 'Drive',
    widthPx: 84,
    isFigure: true,
    text: ({ level }) => level.replace(' dBu', ''),
    unit: 'dBu',
  },
  {
    id: 'room',
    title: 'Room',
    unit: 'dB',
    widthPx: 58,
    isFigure: true,
    text: ({ room }) => room.replace(' dB', ''),
  },
  { id: 'share', title: 'Share', widthPx: 62, isFigure: true, text: ({ share }) => share },
  {
    ...{ id: 'underSum', title: 'Under', unit: 'dB', widthPx: 56, isFigure: true },
    hint: 'Its level under that of the whole sum',
    text: ({ underSum }) => underSum.replace(' dB', ''),
  },
  {
    ...{ id: 'without', title: 'Without', unit: 'dB', widthPx: 62, isFigure: true },
    hint: 'How much lower the sum would be without it: headroom won',
    text: ({ without }) => without.replace(' dB', ''),
  },
  {
    id: 'fader',
    title: 'Fader',
    unit: 'dB',
    widthPx: 58,
    editor: 'figure',
    isFigure: true,
    text: ({ fader }) => fader,
  },
  {
    ...{ id: 'offset', title: 'Late', unit: 'samples', widthPx: 64, isFigure: true },
    hint: 'From the output of the host over the sum to the print track; shift what is printed by as much',
    text: ({ offset }) => offset,
  },
];

/** What hangs on the insert of a channel. */
const UNIT: SheetColumn<StemRow> = {
  ...{ id: 'desk:unit', title: 'Unit in it', widthPx: 150, editor: 'text' },
  hint: 'On the insert of its channel, typed as a chain. Emptied, it comes off',
  text: ({ unit }) => unit,
};

const RECORDED: SheetColumn<StemRow> = {
  ...{ id: 'recorded', title: 'Recorded on', widthPx: 150 },
  hint: 'Inputs of the host its direct outs come to, and how late',
  text: ({ recorded }) => recorded,
};

/** Track for track places need no reason. */
const ON_CONSOLE = new Set(['sound', 'reason', 'share', 'underSum', 'without']);

/** What is known of each stem: where it stands and why, what its mixer has there, then what it does. */
export function stemColumns({ columns, desk, rows }: SumView): readonly SheetColumn<StemRow>[] {
  const knobs = columns.map((column) => deskColumn(column, rows));
  if (desk === undefined) return [...PLACE, ...knobs, ...DOES];
  const folded = (all: readonly SheetColumn<StemRow>[]): readonly SheetColumn<StemRow>[] =>
    all.map((column) => (ON_CONSOLE.has(column.id) ? { ...column, isFolded: true } : column));
  const isRecorded = rows.some(({ recorded }) => recorded !== '');
  return [...folded(PLACE), UNIT, ...knobs, ...folded(DOES), ...(isRecorded ? [RECORDED] : [])];
}
