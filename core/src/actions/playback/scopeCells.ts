import type { PlaybackCheckId } from '../../rig/ids';
import { readOnOff } from '../../typed/settingText';
import type { CellsEdits } from '../cellsEdits';
import type { WorkPlace } from '../workPlace';
import { findCheck } from './findCheck';
import { scopeOfCheck } from './scope';

/** A text for a channel of a check: whether it plays back. */
export interface ScopeEntry {
  readonly row: string;
  readonly text: string;
}

/** Takes texts over into the cells that say who plays back, as one change; a switch that cannot do as both say is told. */
export function scopeCells(it: WorkPlace, id: PlaybackCheckId, entries: readonly ScopeEntry[]): CellsEdits {
  const up = findCheck(it, id);
  if (up === undefined) return { edits: [], refused: [] };
  const plays = new Set(up.channels.filter(({ playsFrom }) => playsFrom.length > 0).map(({ row }) => row.id));
  const refused: { at: number; sentence: string }[] = [];
  entries.forEach(({ row, text }, at) => {
    const read = readOnOff('plays back', text);
    if (!read.ok) refused.push({ at, sentence: read.sentence });
    else if (read.value) plays.add(row);
    else plays.delete(row);
  });
  const plan = scopeOfCheck(it, id, [...plays]);
  // A text that is none is told first; what a switch cannot do is told at the first cell, since it is about several.
  const told = refused.length > 0 ? refused : plan.refused.map(({ sentence }) => ({ at: 0, sentence }));
  return { edits: plan.edits, refused: told };
}
