/** What the undo stack needs to know of a history line. */
export interface StackEntry {
  readonly revision: number;
  readonly author: string;
  readonly undoes?: number | null;
  readonly redoes?: number | null;
}

/** An author's revisions that undo would take back, and those of the undos that redo would put back; the next one is the last of each. */
export interface UndoStacks {
  readonly done: readonly number[];
  readonly undone: readonly number[];
}

/**
 * What undo and redo mean for an author, read from the history alone, so that both survive a reload. An own
 * change clears what could be redone; other people's changes are left out. The server keeps the same as marks
 * in the history, which this works out where they are not there yet, and holds them against in tests.
 * @param history all entries, oldest first.
 */
export function undoStacks(history: readonly StackEntry[], author: string): UndoStacks {
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
  return { done, undone };
}
