import type { InsertCell } from '../../rig/sheets/channelSheet';
import { value } from '../../text/cellReading';
import type { CellKind, Turn } from './cellKind';
import { readName } from './namedText';

const PLACES = [
  { name: 'out', isIn: false },
  { name: 'in before EQ', isIn: true, isAfter: false },
  { name: 'in after EQ', isIn: true, isAfter: true },
] as const;
const SIMPLE = ['out', 'in'] as const;

export const insertNames = ({ after }: InsertCell): readonly string[] =>
  after === undefined ? SIMPLE : PLACES.map(({ name }) => name);

export const insertCell: CellKind<InsertCell> = {
  text(cell, knobs) {
    if (knobs.value(cell.in) !== true) return 'out';
    if (cell.after === undefined) return 'in';
    return knobs.value(cell.after) === true ? 'in after EQ' : 'in before EQ';
  },
  read(cell, text, knobs) {
    const own = insertCell.knobs(cell);
    if (text.trim() === '') return value(own.map((knob): Turn => ({ knob, value: null })));
    const place = readName('an insert', insertNames(cell), text);
    if (!place.ok) return place;
    const wanted = PLACES[place.value];
    const turns: readonly Turn[] = [
      { knob: cell.in, value: place.value > 0 },
      ...(cell.after !== undefined && wanted !== undefined && 'isAfter' in wanted
        ? [{ knob: cell.after, value: wanted.isAfter }]
        : []),
    ];
    return value(turns.filter((turn) => knobs.value(turn.knob) !== turn.value));
  },
  knobs: (cell) => (cell.after === undefined ? [cell.in] : [cell.in, cell.after]),
};
