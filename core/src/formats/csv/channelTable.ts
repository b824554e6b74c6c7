import type { DeskPlace } from '../../actions/consoles/plannedCells';
import { plannedCells } from '../../actions/consoles/plannedCells';
import { channelSheetView } from '../../views/consoles/channelSheetView';
import { readChannelsCsv } from './channelsCsv';
import type { TableLine, TableReading } from './tableReading';

/** A table of channels read against a console: what each cell becomes, or every cell that does not fit. */
export function channelTable(it: DeskPlace, text: string): TableReading {
  const sheet = channelSheetView(it.context, it.device);
  if (sheet === undefined)
    return {
      ok: false,
      problems: [{ line: 1, column: 1, sentence: 'The device is gone, or has no channels.' }],
    };
  const read = readChannelsCsv(text, sheet);
  if (!read.ok) return read;
  const plan = plannedCells(
    it,
    read.cells.map(({ entry }) => entry),
  );
  if (plan.refused.length > 0)
    return {
      ok: false,
      problems: plan.refused.map(({ at, row, sentence }) => ({
        line: read.cells[at]?.line ?? 1,
        column: read.cells[at]?.column ?? 1,
        sentence: `${row}: ${sentence}`,
      })),
    };
  const lines = plan.changes.map(({ row, column, from, to, isDragged }, i): TableLine => ({
    ...{ line: read.cells[i]?.line ?? 1, change: 'changed' },
    text: `${row}, ${column.toLowerCase()}: ${from} → ${to}${isDragged === true ? ', moves along' : ''}`,
  }));
  return { ok: true, lines, edits: plan.edits };
}
