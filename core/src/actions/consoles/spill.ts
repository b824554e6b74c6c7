import type { DeskRow } from '../../consoles/desk';
import { deskOf } from '../../consoles/desk';
import type { ChannelPlan } from './channelPlan';
import { countedCells } from './countedCells';
import type { DeskPlace } from './plannedCells';

/** "All 24 inputs to channels from 1": a run of sources for a run of rows. */
export interface SpillWish {
  /** The name of the first source. */
  readonly first: string;
  /** How many rows get one. */
  readonly count: number;
  /** The first row, by its id. */
  readonly row: string;
  /** After so many sources it begins again with the first. */
  readonly again?: number;
}

/** Rows of the same section from one on. */
function rowsFrom(rows: readonly DeskRow[], id: string): readonly DeskRow[] {
  const start = rows.findIndex((row) => row.id === id);
  const section = rows[start]?.section;
  return start < 0 ? [] : rows.slice(start).filter((row) => row.section === section);
}

/** Lays sources one to one onto rows. What has no row any more is left out, and said. */
export function spill(it: DeskPlace, { first, count, row, again }: SpillWish): ChannelPlan {
  const desk = deskOf(it.context, it.device);
  const rows = desk === undefined ? [] : rowsFrom(desk.rows, row);
  const there = rows.slice(0, count);
  const plan = countedCells(it, {
    ...{ columns: ['source'], rows: there.map(({ id }) => id), first },
    ...(again !== undefined && { again }),
  });
  if (there.length >= count) return plan;
  const left = count - there.length;
  const last = there.at(-1)?.name ?? row;
  return {
    ...plan,
    refused: [
      ...plan.refused,
      {
        ...{ at: there.length, row: last, column: 'source' },
        sentence: `${last} is the last of its kind. ${left === 1 ? 'One more has' : `${String(left)} more have`} no row; begin further up, or take fewer.`,
      },
    ],
  };
}
