import { cellText } from '../../consoles/cells/channelCell';
import { deskOf } from '../../consoles/desk';
import type { SheetPart } from '../../rig/sheets/channelSheet';
import type { ChannelPlan } from './channelPlan';
import type { DeskPlace } from './plannedCells';
import { plannedCells } from './plannedCells';

/** One channel for many, in some of its parts. */
export interface CopyWish {
  readonly from: string;
  readonly to: readonly string[];
  readonly parts: readonly SheetPart[];
}

/** What belongs to a source, not to a way of working: copied only where it is ticked. */
export const USUAL_PARTS: readonly SheetPart[] = ['inserts', 'processing', 'sends', 'mix', 'fader'];

/** Copies a channel to others. 48 V never comes onto a line that it may harm. */
export function copiedChannel(it: DeskPlace, { from, to, parts }: CopyWish): ChannelPlan {
  const desk = deskOf(it.context, it.device);
  const model = desk?.rows.find(({ id }) => id === from);
  if (desk === undefined || model === undefined) return { edits: [], changes: [], refused: [] };
  const wanted = new Set(parts);
  const columns = desk.columns.filter(({ id, part }) => wanted.has(part) && model.cells[id] !== undefined);
  const targets = new Set(to);
  const rows = desk.rows.filter(
    ({ id, section }) => targets.has(id) && id !== from && section === model.section,
  );
  return plannedCells(
    it,
    rows.flatMap((row) =>
      columns.flatMap(({ id }) => {
        const placed = model.cells[id];
        if (placed === undefined || row.cells[id] === undefined) return [];
        return [{ row: row.id, column: id, text: cellText(placed.cell, desk.knobs(placed.device)) }];
      }),
    ),
  );
}
