import type { EntryMessage, UndoState } from '@ft/contract/history';
import type { Entry } from '@ft/core/edits/ledger';

/** A history line as it is stored: edits and what takes them back as text. */
export type StoredEntry = Omit<Entry, 'edits' | 'inverse'> & {
  readonly edits: string;
  readonly inverse: string;
  readonly editCount: number;
};

export const storedEntry = ({ edits, inverse, ...line }: Entry): StoredEntry => ({
  ...line,
  edits: JSON.stringify(edits),
  inverse: JSON.stringify(inverse),
  editCount: edits.length,
});

/**
 * A history line as windows get it, as JSON: what was done, not what would take it back. The edits are text
 * already and go in as they are, however many they are.
 */
export function entryJson(entry: StoredEntry, undo?: UndoState): string {
  const { edits, inverse: _inverse, editCount: _count, ...line } = entry;
  const head = JSON.stringify({ ...line, ...(undo && { undo }) } satisfies Omit<EntryMessage, 'edits'>);
  return `${head.slice(0, -1)},"edits":${edits}}`;
}
