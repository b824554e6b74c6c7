import type { ChannelColumnView } from '@ft/core/views/consoles/cellEditor';
import { headingWidthPx } from '../../../ui/sheet/heading-width';
import type { SheetColumn } from '../../../ui/sheet/sheet-column';

const WIDTHS_PX: Readonly<Record<ChannelColumnView['editor'], number>> = {
  text: 66,
  figure: 60,
  choice: 76,
  switch: 54,
};
const WIDEST_PX = 220;

/** Room for the longest of some texts. */
export const roomFor = (texts: readonly string[], least: number): number =>
  Math.min(WIDEST_PX, Math.max(least, 22 + 7.6 * Math.max(0, ...texts.map(({ length }) => length))));

/** Off, or nothing: it is there, and not what one looks for. */
const QUIET = new Set(['off', 'none', '']);

/** What is set once, or lies before what is mixed. */
const FOLDED = new Set(['trim', 'insert', 'direct', 'talk', 'toAuxes', 'stereo']);
/** Sends that nobody uses are out of sight. */
const SEND = /^(aux|matrix|mix)\d+$|^cue$/;

/** What is called otherwise beside the tracks of the host. */
const TITLES: Readonly<Record<string, string>> = {
  fader: 'Channel fader',
  direct: 'Direct pre fader',
};

/**
 * A column of knobs of a mixer; a row that has none there is shut.
 * @param rows those in sight: a send that none of them uses is folded.
 */
export function deskColumn<R extends { readonly knobs: Readonly<Record<string, string>> }>(
  { id, title, unit, hint, editor }: ChannelColumnView,
  rows: readonly R[],
  titles: Readonly<Record<string, string>> = TITLES,
): SheetColumn<R> {
  const texts = rows.map(({ knobs }) => knobs[id] ?? '');
  const isUnused = SEND.test(id) && texts.every((text) => QUIET.has(text));
  const heading = titles[id] ?? title;
  const least = Math.max(WIDTHS_PX[editor], headingWidthPx(heading));
  return {
    ...{ id: `desk:${id}`, title: heading, editor, widthPx: roomFor(texts, least) },
    isFolded: FOLDED.has(id) || isUnused,
    ...(unit !== undefined && { unit }),
    ...(hint !== undefined && { hint }),
    isFigure: editor === 'figure' || editor === 'text',
    isShut: ({ knobs }) => knobs[id] === undefined,
    isQuiet: ({ knobs }) => QUIET.has(knobs[id] ?? ''),
    text: ({ knobs }) => knobs[id] ?? '',
  };
}
