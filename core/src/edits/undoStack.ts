/** What the undo stack needs to know of a history line. */
export interface StackEntry {
  readonly revision: number;
  readonly author: string;
  readonly undoes?: number | null;
  readonly redoes?: number | null;
}

export interface UndoTargets {
  /** Revision that undo would take back. */
  readonly undo?: number;
  /** Revision of the undo that redo would take back. */
  readonly redo?: number;
}

/**
 * What undo and redo mean next for an author, read from the history alone, so that both survive a
 * reload. An own change clears what could be redone; other people's changes are left out.
 * @param history all entries, oldest first.
 */
export function undoTargets(history: readonly StackEntry[], author: string): UndoTargets {
  const done: number[] = [];
  const undone: number[] = [];
  for (const entry of history) {
    if (entry.author !== author) continue;
    if (typeof entry.undoes === 'number') {
      const at = done.lastIndexOf(entry.undoes);
      if (at >= 0) done.splice(at, 1);
      undone.push(entry.revision);
    } else {
      if (typeof entry.redoes === 'number') {
        const at = undone.lastIndexOf(entry.redoes);
        if (at >= 0) undone.splice(at, 1);
      } else undone.length = 0;
      done.push(entry.revision);
    }
  }
  const [undo, redo] = [done.at(-1), undone.at(-1)];
  return { ...(undo !== undefined && { undo }), ...(redo !== undefined && { redo }) };
}
