import type { KnobRef } from '../../rig/deviceModel';
import type { ChannelCell } from '../../rig/sheets/channelSheet';
import type { CellReading } from '../../text/cellReading';
import type { CellKind, Knobs, Turn } from './cellKind';
import { insertCell } from './insertCell';
import { knobCell } from './knobCell';
import { patchCell } from './patchCell';
import { sendCell } from './sendCell';
import { setCell } from './setCell';

/** How each kind of cell is written and read. */
const KINDS: { readonly [K in ChannelCell['kind']]: CellKind<Extract<ChannelCell, { kind: K }>> } = {
  knob: knobCell,
  patch: patchCell,
  send: sendCell,
  set: setCell,
  insert: insertCell,
};

const kindOf = (cell: ChannelCell): CellKind<ChannelCell> => KINDS[cell.kind];

/** What a cell of a channel sheet holds, as it is typed, copied and pasted. */
export const cellText = (cell: ChannelCell, knobs: Knobs): string => kindOf(cell).text(cell, knobs);

/** What a text in a cell turns, or why it does not fit. */
export const readCell = (cell: ChannelCell, text: string, knobs: Knobs): CellReading<readonly Turn[]> =>
  kindOf(cell).read(cell, text, knobs);

export const knobsOf = (cell: ChannelCell): readonly KnobRef[] => kindOf(cell).knobs(cell);
