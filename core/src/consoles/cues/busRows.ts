import type { CueColumn } from '../../cues/cueSources';
import type { SheetRow } from '../../rig/sheets/channelSheet';
import type { Scene } from '../../session/sessionSchema';
import { cellText } from '../cells/channelCell';
import { deskKnobs } from '../deskKnobs';

/** Rows of the cue sheet that are no source: what the bus of a cue has itself, by the column of its own sheet. */
export const BUS_ROWS = [
  { key: 'bus:fader', column: 'fader', name: 'Master' },
  { key: 'bus:mute', column: 'mute', name: 'Mute' },
  { key: 'bus:talk', column: 'talk', name: 'Talkback' },
] as const;

export type BusRow = (typeof BUS_ROWS)[number];

export const busRowOf = (key: string): BusRow | undefined => BUS_ROWS.find((row) => row.key === key);

/** The buses of a cue that have such a knob. */
export const busesWith = ({ carrier }: CueColumn, { column }: BusRow): readonly SheetRow[] =>
  carrier.ok ? carrier.buses.filter(({ cells }) => cells[column] !== undefined) : [];

/** What stands there; undefined where the carrier has no such knob. */
export function busText(column: CueColumn, row: BusRow, scene: Scene): string | undefined {
  const { carrier } = column;
  const [bus] = busesWith(column, row);
  const cell = bus?.cells[row.column];
  return carrier.ok && carrier.device !== undefined && cell !== undefined
    ? cellText(cell, deskKnobs(carrier.device, scene))
    : undefined;
}
