import type { JobRow } from '@ft/core/views/mix/insertsView';
import type { DayLine } from '@ft/core/views/mix/scarcityLines';
import type { SheetColumn } from '../../../ui/sheet/sheet-column';

const WIDTHS: Readonly<Record<number, string>> = { 1: 'mono', 2: 'stereo' };

/** What is not up says so beside its state; what is up is as it should be. */
const standing = ({ state, placing }: JobRow): string =>
  placing === 'up' || state === 'committed' ? '' : placing;

const isInLine = ({ at }: JobRow): boolean => at.startsWith('in line');
const hasNoSlot = (row: JobRow): boolean => row.out === '' || isInLine(row);

/** What is known of each job, in the order in which one asks. */
export const INSERT_COLUMNS: readonly SheetColumn<JobRow>[] = [
  {
    id: 'number',
    title: 'No',
    widthPx: 34,
    isFigure: true,
    isLeading: true,
    text: ({ number }) => String(number),
  },
  { id: 'on', title: 'On', widthPx: 84, isLeading: true, text: ({ on }) => on },
  {
    ...{ id: 'chain', title: 'Chain', widthPx: 258, editor: 'text', isRequired: true },
    hint: 'Units in order: equaliser A > opto > valve; for two sides + between them',
    text: ({ chain }) => chain,
  },
  {
    ...{ id: 'kind', title: 'How', widthPx: 104, editor: 'text' },
    hint: 'mid/side, parallel 40 %, parallel −8; empty for straight',
    text: ({ kind, sides }) => (kind === '' ? (WIDTHS[sides] ?? `${String(sides)} wide`) : kind),
    isQuiet: ({ kind }) => kind === '',
    isShut: isInLine,
  },
  {
    ...{ id: 'at', title: 'Slot', widthPx: 70, editor: 'text', isRequired: true },
    hint: 'Among the plug-ins of the track, or in line behind its outputs, or before its input',
    text: ({ at }) => at.replace('in line ', ''),
  },
  {
    ...{ id: 'state', title: 'State', widthPx: 84, editor: 'choice', isRequired: true },
    hint: 'A job to commit is printed in real time first; its units are free again then',
    text: ({ state }) => state,
  },
  { id: 'placing', title: 'Is', widthPx: 78, text: standing },
  { id: 'out', title: 'Out', widthPx: 52, isFigure: true, text: ({ out }) => out },
  { id: 'back', title: 'In', widthPx: 52, isFigure: true, text: ({ back }) => back },
  {
    ...{ id: 'sendTrim', title: 'Trim out', unit: 'dB', widthPx: 64, editor: 'figure', isFigure: true },
    text: ({ sendTrim }) => sendTrim,
    isShut: hasNoSlot,
  },
  {
    ...{ id: 'returnTrim', title: 'Trim in', unit: 'dB', widthPx: 60, editor: 'figure', isFigure: true },
    text: ({ returnTrim }) => returnTrim,
    isShut: hasNoSlot,
  },
  {
    ...{ id: 'sweet', title: 'Wanted', unit: 'dBu', widthPx: 62, editor: 'figure', isFigure: true },
    hint: 'Where the first unit is wanted, RMS; empty for what the mix says',
    text: ({ sweet }) => sweet,
    isShut: isInLine,
  },
  {
    ...{ id: 'ms', title: 'Round trip', widthPx: 84, isFigure: true },
    text: ({ ms }) => ms,
  },
  { id: 'compensation', title: 'Host', widthPx: 112, text: ({ compensation }) => compensation },
  {
    ...{ id: 'length', title: 'Takes', isFolded: true, widthPx: 60, editor: 'text', isFigure: true },
    hint: 'In real time, minutes and seconds; empty for the length of the mix',
    text: ({ length }) => length,
  },
];

export const DAY_COLUMNS: readonly SheetColumn<DayLine>[] = [
  { id: 'unit', title: 'Unit', widthPx: 190, isLeading: true, text: ({ unit }) => unit },
  {
    ...{ id: 'serves', title: 'Serves, in this order', widthPx: 640 },
    text: ({ entries }) =>
      entries
        .map(({ track, state, when }) => `${track} ${state}${when === '' ? '' : ` ${when}`}`)
        .join('  ·  '),
  },
];
