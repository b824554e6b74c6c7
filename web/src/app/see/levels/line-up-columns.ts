import type { LineUpRow } from '@ft/core/views/levels/lineUpSheet';
import { formatGain, formatLevel } from '@ft/core/units/format';
import type { SheetColumn } from '../../ui/sheet/sheet-column';

/** Where a tone goes in, and where it is read. */
const TONES: Readonly<Record<LineUpRow['kind'], string>> = {
  output: 'DAW to connector',
  input: 'connector to DAW',
  console: 'connector to direct out or bus',
};

const TURN = Object.keys(TONES);

/** In the order in which channels are lined up. */
export const inTurn = (a: LineUpRow, b: LineUpRow): number => TURN.indexOf(a.kind) - TURN.indexOf(b.kind);

const figure = (
  id: string,
  title: string,
  widthPx: number,
  text: (row: LineUpRow) => string,
  more: Partial<SheetColumn<LineUpRow>> = {},
): SheetColumn<LineUpRow> => ({ ...{ id, title, widthPx, text, isFigure: true }, ...more });

/** The line-up sheet without the column that is filled in. */
export const LINE_UP_COLUMNS: readonly SheetColumn<LineUpRow>[] = [
  { id: 'name', title: 'Channel', widthPx: 240, text: ({ name }) => name },
  {
    ...{ id: 'tone', title: 'Tone', widthPx: 190, hint: 'Where it goes in, and where it is read' },
    text: ({ kind }) => TONES[kind],
  },
  figure('send', 'Send', 100, ({ send, sendUnit }) => formatLevel(send, sendUnit)),
  figure('expect', 'Expect', 100, ({ expect, expectUnit }) => formatLevel(expect, expectUnit)),
  figure('vu', 'VU', 70, ({ vu }) => (vu === undefined ? '' : formatGain(vu)), {
    hint: 'What a VU meter shows there',
  }),
];

export const LINE_UP_ERROR = figure('error', 'Error', 80, ({ errorDb, isOff }) =>
  errorDb === undefined ? '' : `${isOff === true ? '◆ ' : '✓ '}${formatGain(errorDb)}`,
);
