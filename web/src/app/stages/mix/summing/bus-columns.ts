import type { BusRow, DeskMixView } from '@ft/core/views/mix/desk/deskMixView';
import type { SheetColumn } from '../../../ui/sheet/sheet-column';
import { deskColumn, roomFor } from './desk-column';

type Column = SheetColumn<BusRow>;

const NAME: Column = {
  ...{ id: 'name', title: 'Bus', widthPx: 104, isLeading: true },
  text: ({ name }) => name,
};
const FROM: Column = {
  ...{ id: 'from', title: 'From', widthPx: 180 },
  hint: 'The stems that come to it, or follow it',
  text: ({ from }) => from,
};
const unitColumn = (buses: readonly BusRow[]): Column => ({
  ...{ id: 'desk:unit', title: 'Unit in it', editor: 'text' },
  widthPx: roomFor(
    buses.map(({ unit }) => unit),
    150,
  ),
  hint: 'Typed as a chain: bus compressor > equaliser. Emptied, it comes off',
  isShut: ({ hasInsert }) => !hasInsert,
  text: ({ unit }) => unit,
});
const LEVEL: Column = {
  ...{ id: 'level', title: 'Level', unit: 'dBu', widthPx: 62, isFigure: true },
  text: ({ level }) => level.replace(' dBu', ''),
};
const ROOM: Column = {
  ...{ id: 'room', title: 'Room', unit: 'dB', widthPx: 58, isFigure: true },
  text: ({ room }) => room.replace(' dB', ''),
};
const LEADS: Column = {
  ...{ id: 'leads', title: 'Leads to', widthPx: 190 },
  text: ({ leads }) => leads,
};

/** Buses of a console mix: what comes to them, what hangs in them, what is set on them. */
export const busColumns = ({ columns, buses }: DeskMixView): readonly Column[] => [
  ...[NAME, FROM, unitColumn(buses)],
  ...columns.map((column) => deskColumn(column, buses, {})),
  ...[LEVEL, ROOM, LEADS],
];
