import { cellText } from '../../consoles/cells/channelCell';
import { countedText } from '../../consoles/cells/countedText';
import type { Desk } from '../../consoles/desk';
import { deskOf } from '../../consoles/desk';
import type { ChannelEntry, ChannelPlan, ChannelRefusal } from './channelPlan';
import type { DeskPlace } from './plannedCells';
import { plannedCells } from './plannedCells';

/** What a run of rows gets, counted on from row to row. */
export interface CountWish {
  readonly columns: readonly string[];
  /** By their ids, top to bottom. */
  readonly rows: readonly string[];
  /** What the first row gets; left out, what stands there. */
  readonly first?: string;
  /** After so many rows it begins again: 8 gives 1 to 8 three times over 24 rows. */
  readonly again?: number;
}

interface Counted {
  readonly entries: readonly ChannelEntry[];
  readonly refused: readonly ChannelRefusal[];
}

function countedColumn(desk: Desk, { rows, first, again }: CountWish, column: string): Counted {
  const entries: ChannelEntry[] = [];
  const refused: ChannelRefusal[] = [];
  const top = desk.rows.find(({ id }) => id === rows[0])?.cells[column];
  const origin = first ?? (top === undefined ? undefined : cellText(top.cell, desk.knobs(top.device)));
  rows.forEach((id, at) => {
    const row = desk.rows.find((each) => each.id === id);
    const placed = row?.cells[column];
    if (row === undefined || placed === undefined || origin === undefined) return;
    const by = again === undefined ? at : at % again;
    const text = countedText(placed.cell, origin, by, desk.knobs(placed.device));
    if (text.ok) entries.push({ row: id, column, text: text.value });
    else refused.push({ at, row: row.name, column, sentence: text.sentence });
  });
  return { entries, refused };
}

/** Counts on down some rows: "local in 1" in the first gives 2, 3, 4 below. What does not fit is left out, and said. */
export function countedCells(it: DeskPlace, wish: CountWish): ChannelPlan {
  const desk = deskOf(it.context, it.device);
  if (desk === undefined) return { edits: [], changes: [], refused: [] };
  const columns = wish.columns.map((column) => countedColumn(desk, wish, column));
  const plan = plannedCells(
    it,
    columns.flatMap(({ entries }) => entries),
  );
  return { ...plan, refused: [...columns.flatMap(({ refused }) => refused), ...plan.refused] };
}
