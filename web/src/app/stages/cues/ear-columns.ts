import type { EarField } from '@ft/core/actions/cues/earCell';
import { formatGain, formatNumber } from '@ft/core/units/format';
import type { EarView } from '@ft/core/views/cues/earView';
import type { SheetColumn } from '../../ui/sheet/sheet-column';

type Column = SheetColumn<EarView>;

const rounded = (db: number): string => formatNumber(Math.round(db * 10) / 10);
const spl = (level: number | undefined): string => (level === undefined ? '' : level.toFixed(1));

const read = (
  id: string,
  title: string,
  widthPx: number,
  text: Column['text'],
  more: Partial<Column> = {},
): Column => ({
  ...{ id, title, widthPx, text, isFigure: true },
  ...more,
});

const typed = (
  id: EarField,
  title: string,
  widthPx: number,
  text: Column['text'],
  more: Partial<Column>,
): Column => ({
  ...{ id, title, widthPx, text },
  ...more,
});

const volumeText = ({ volume }: EarView): string =>
  volume === undefined ? '' : [...new Set(volume.valueDb)].map(rounded).join(' / ');

const DB_SPL = { unit: 'dB SPL' } as const;
const FIGURE = { editor: 'figure', isFigure: true } as const;

/** What is known of each pair of headphones, in the order in which one asks: who, how loud, what of it, how safe. */
export const EAR_COLUMNS: readonly Column[] = [
  { id: 'cue', title: 'Cue', widthPx: 96, text: ({ cueName }) => cueName },
  typed('who', 'Who', 132, ({ performerName }) => performerName, { editor: 'choice' }),
  { id: 'name', title: 'Headphones', widthPx: 172, text: ({ name }) => name },
  typed('worn', 'Worn', 54, ({ isLying }) => (isLying ? 'off' : 'on'), {
    ...{ editor: 'switch', hint: 'Off the head they lie about: nothing keeps their sound in' },
  }),
  { id: 'box', title: 'Box', widthPx: 116, text: ({ volume }) => volume?.box ?? 'none' },
  typed('volume', 'Volume', 66, volumeText, {
    ...{ ...FIGURE, unit: 'dB', isShut: ({ volume }) => volume === undefined },
    hint: 'Down until the first sound; emptied, it goes down',
  }),
  read(
    'start',
    'Starts at',
    62,
    ({ volume }) => (volume?.start === undefined ? '' : rounded(volume.start.valueDb)),
    {
      ...{ unit: 'dB', hint: 'Where the volume makes 75 dB SPL at the ear, talkback and click counted' },
    },
  ),
  read('sum', 'At the ear', 70, ({ sumDbSpl }) => spl(sumDbSpl), {
    ...DB_SPL,
    hint: 'Everything that sounds, the louder side',
  }),
  read(
    'own',
    'Own / rest',
    66,
    ({ ownOverRestDb }) => (ownOverRestDb === undefined ? '' : formatGain(ownOverRestDb)),
    {
      ...{ unit: 'dB', hint: 'Own sound over everything else' },
    },
  ),
  read(
    'late',
    'Own late',
    72,
    ({ ownDelayMs, isLate }) =>
      ownDelayMs === undefined ? '' : `${isLate ? '◆ ' : ''}${ownDelayMs.toFixed(2)}`,
    { unit: 'ms', hint: 'How late they hear themself; marked over the limit set for them' },
  ),
  read(
    'talkback',
    'Talkback',
    74,
    ({ talkbackDbSpl }) => (talkbackDbSpl === undefined ? 'none' : spl(talkbackDbSpl)),
    {
      ...{ ...DB_SPL, hint: 'While the key is held' },
    },
  ),
  read('click', 'Click', 60, ({ clickDbSpl }) => spl(clickDbSpl), DB_SPL),
  read(
    'dose',
    'Dose',
    56,
    ({ dose, isOverDose }) =>
      dose === undefined ? '' : `${isOverDose ? '◆ ' : ''}${String(Math.round(dose * 100))}`,
    {
      ...{
        unit: '%',
        hint: 'Of what a day may bring, by the table of the session; a caution, no certificate',
      },
    },
  ),
  typed('hours', 'Hours', 52, ({ hours }) => (hours === undefined ? '' : formatNumber(hours)), {
    ...{ ...FIGURE, unit: 'a day' },
  }),
  read('acoustic', 'Own, by air', 66, ({ acousticDbSpl }) => spl(acousticDbSpl), {
    ...{ ...DB_SPL, hint: 'Their own instrument through the headphones; it counts for the dose' },
  }),
  typed(
    'earDistance',
    'Ears away',
    62,
    ({ earDistanceM }) => (earDistanceM === undefined ? '' : formatNumber(earDistanceM)),
    {
      ...{ ...FIGURE, unit: 'm' },
      hint: 'How far their ears are from what they play; left empty, 0.5 m',
    },
  ),
  read('spill', 'Click at mic', 66, ({ spill }) => spl(spill?.clickDbSpl), { ...DB_SPL, hint: 'Estimated' }),
  read('margin', 'Under it', 60, ({ spill }) => spl(spill?.marginDb), {
    ...{ unit: 'dB', hint: 'How far the click lies under what the microphone records' },
  }),
  typed('microphone', 'Microphone', 140, ({ spill }) => spill?.microphoneName ?? '', {
    ...{
      editor: 'choice',
      hint: 'The open one it is held against; emptied, the one with the softest source',
    },
  }),
  typed('distance', 'Away', 54, ({ spill }) => (spill === undefined ? '' : formatNumber(spill.distanceM)), {
    ...{ ...FIGURE, unit: 'm', hint: 'Assumed where nobody said' },
  }),
  typed('loss', 'Kept in', 56, ({ spill }) => (spill === undefined ? '' : formatNumber(spill.lossDb)), {
    ...{
      ...FIGURE,
      unit: 'dB',
      hint: 'By the build when worn; by no ear closing them when they lie about. Assumed where nobody said',
    },
  }),
];
