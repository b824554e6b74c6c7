import type { ChannelLine, HeldLine, TrimLine } from '@ft/core/views/playback/playbackView';
import type { SheetColumn } from '../../ui/sheet/sheet-column';

/** What is known of each channel of a check, in the order in which it is followed. */
export const CHANNEL_COLUMNS: readonly SheetColumn<ChannelLine>[] = [
  { id: 'channel', title: 'Channel', widthPx: 110, isLeading: true, text: ({ channel }) => channel },
  { id: 'line', title: 'Line', widthPx: 200, text: ({ line }) => line },
  { id: 'input', title: 'Live it listens to', widthPx: 180, text: ({ input }) => input },
  { id: 'track', title: 'Recorded on', widthPx: 130, text: ({ track }) => track },
  { id: 'tap', title: 'Tap', widthPx: 130, text: ({ tap }) => tap },
  {
    ...{ id: 'scope', title: 'Plays back', widthPx: 84, editor: 'switch', isRequired: true },
    hint: 'Off: it stays live, and people are heard over it while the others play back',
    text: ({ isPlaying }) => (isPlaying ? 'on' : 'off'),
  },
  { id: 'plays', title: 'In playback it hears', widthPx: 180, text: ({ plays }) => plays },
];

/** Gains and trims turned in playback share a sheet: what is held of each, and what it would be on stage. */
export type HeldRow = HeldLine & Partial<Pick<TrimLine, 'gain' | 'headroom' | 'isOutOfRange'>>;

export const HELD_COLUMNS: readonly SheetColumn<HeldRow>[] = [
  { id: 'channel', title: 'Channel', widthPx: 110, isLeading: true, text: ({ channel }) => channel },
  { id: 'knob', title: 'Turned in playback', widthPx: 230, text: ({ knob }) => knob },
  { id: 'from', title: 'On stage', widthPx: 90, isFigure: true, text: ({ from }) => from },
  { id: 'to', title: 'Wanted', widthPx: 90, isFigure: true, text: ({ to }) => to },
  {
    ...{ id: 'gain', title: 'Gain that does the same', widthPx: 170, isFigure: true },
    text: ({ gain, isOutOfRange }) =>
      gain === undefined ? '' : `${gain}${isOutOfRange === true ? ', as far as it goes' : ''}`,
  },
  {
    ...{ id: 'headroom', title: 'Headroom at the converter', widthPx: 180, isFigure: true },
    text: ({ headroom }) => headroom ?? '',
  },
];
