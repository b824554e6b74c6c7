import type { StackEntry } from '@ft/core/edits/undoStack';
import { undoStacks } from '@ft/core/edits/undoStack';

const mine = (revision: number, more: Partial<StackEntry> = {}): StackEntry => ({
  revision,
  author: 'me',
  ...more,
});
const theirs = (revision: number): StackEntry => ({ revision, author: 'them' });

describe('what undo and redo mean next', () => {
  it.each<[string, readonly StackEntry[], { undo?: number; redo?: number }]>([
    ['nothing done', [], {}],
    ['one change', [mine(1)], { undo: 1 }],
    ['other people’s changes are theirs', [mine(1), theirs(2)], { undo: 1 }],
    ['undone', [mine(1), mine(2, { undoes: 1 })], { redo: 2 }],
    ['undone twice over', [mine(1), mine(2), mine(3, { undoes: 2 }), mine(4, { undoes: 1 })], { redo: 4 }],
    ['undone and redone', [mine(1), mine(2, { undoes: 1 }), mine(3, { redoes: 2 })], { undo: 3 }],
    ['an own change clears what could be redone', [mine(1), mine(2, { undoes: 1 }), mine(3)], { undo: 3 }],
    [
      'an older one taken back from the history',
      [mine(1), mine(2), mine(3, { undoes: 1 })],
      { undo: 2, redo: 3 },
    ],
  ])('%s', (_name, history, targets) => {
    const { done, undone } = undoStacks(history, 'me');
    expect({ undo: done.at(-1), redo: undone.at(-1) }).toEqual({
      undo: targets.undo,
      redo: targets.redo,
    });
  });
});
