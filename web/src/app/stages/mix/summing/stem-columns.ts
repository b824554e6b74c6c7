import type { StemRow } from '@ft/core/views/mix/stemRow';
import type { SheetColumn } from '../../../ui/sheet/sheet-column';

const WIDTHS: Readonly<Record<number, string>> = { 1: 'mono', 2: 'stereo' };

/** What is known of each stem: where it stands and why, then what it does there. */
export const STEM_COLUMNS: readonly SheetColumn<StemRow>[] = [
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
    ...{ id: 'reason', title: 'Because', widthPx: 236 },
    text: ({ reason, trouble }) => (trouble === '' ? reason : `▲ ${trouble}`),
  },
  { id: 'output', title: 'Output', widthPx: 58, isFigure: true, text: ({ output }) => output },
  {
    ...{ id: 'converter', title: 'Converter', isFolded: true, widthPx: 190 },
    hint: 'Host output n is not line output m where a matrix stands between',
    text: ({ converter }) => converter,
  },
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
